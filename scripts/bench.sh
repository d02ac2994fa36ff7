#!/usr/bin/env bash
# Measurements that print a table. Usage: bench.sh clips|speech|speed|memory|page|cards|demo
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/setup.sh
case "${1:-}" in
  clips) need_debian pocketsphinx pocketsphinx-en-us pocketsphinx-testdata sox; exec node benchmarks/clips.mjs ;;
  speech) need_debian flite espeak-ng pocketsphinx-en-us; exec node benchmarks/speech.mjs "${@:2}" ;;
  speed) exec node benchmarks/speed.mjs ;;
  memory) exec node benchmarks/memory.mjs ;;
  page) need_debian chromium; need_npm tests/e2e; exec node benchmarks/page.mjs ;;
  cards) exec node benchmarks/cards.mjs "${@:2}" ;;
  demo) exec node benchmarks/demo.mjs ;;
  *) echo "Usage: ./kostel bench clips|speech|speed|memory|page|cards|demo" >&2; exit 2 ;;
esac
