#!/usr/bin/env bash
# Measurements that print a table. Usage: bench.sh clips|speech|speed|memory|page|weight|arrivals|chapters|ask|study|record|search|subjects|finding|cards|demo|kills|fuzz
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/setup.sh

# trial CLASS…: tests that are short in the test command, at their whole length, with what they report.
trial() {
  export KOSTEL_REPORT
  KOSTEL_REPORT=$(mktemp)
  dotnet test --project tests/Kostel.Server.Tests -c Release --no-build --no-ansi "${@/#/--filter-class=*}" || { cat "$KOSTEL_REPORT"; exit 1; }
  cat "$KOSTEL_REPORT"
  rm -f "$KOSTEL_REPORT"
}

case "${1:-}" in
  clips) need_debian pocketsphinx pocketsphinx-en-us pocketsphinx-testdata sox; exec node benchmarks/clips.mjs ;;
  speech) need_debian flite espeak-ng pocketsphinx-en-us; exec node benchmarks/speech.mjs "${@:2}" ;;
  speed) exec node benchmarks/speed.mjs ;;
  memory) exec node benchmarks/memory.mjs ;;
  page) need_debian chromium; need_npm tests/e2e; exec node benchmarks/page.mjs ;;
  weight) need_debian chromium; need_npm tests/e2e; exec node benchmarks/weight.mjs ;;
  arrivals) exec node benchmarks/arrivals.mjs ;;
  chapters) need_npm tests/reference; exec node benchmarks/chapters.mjs "${@:2}" ;;
  ask) need_debian flite; exec node benchmarks/ask.mjs "${@:2}" ;;
  study) need_debian flite; exec node benchmarks/study.mjs "${@:2}" ;;
  record) need_debian flite ffmpeg; exec node benchmarks/record.mjs "${@:2}" ;;
  search) exec node benchmarks/search.mjs "${@:2}" ;;
  subjects) exec node benchmarks/subjects.mjs "${@:2}" ;;
  finding) need_debian chromium; need_npm tests/e2e; exec node benchmarks/finding.mjs ;;
  cards) exec node benchmarks/cards.mjs "${@:2}" ;;
  demo) exec node benchmarks/demo.mjs ;;
  kills) KOSTEL_KILLS="${2:-300}" trial KillTests RestartTests ;;
  fuzz) KOSTEL_FUZZ_REQUESTS="${2:-5000}" KOSTEL_FUZZ_FILES="${3:-2000}" trial FuzzTests ;;
  *) echo "Usage: ./kostel bench clips|speech|speed|memory|page|weight|arrivals|chapters|ask|study|record|search|subjects|finding|cards|demo|kills|fuzz" >&2; exit 2 ;;
esac
