#!/usr/bin/env bash
# Makes the demonstration's transcripts anew with the present recogniser, all but the one that is left for the first start.
set -euo pipefail
cd "$(dirname "$0")/.."
mkdir -p demo/transcripts
for media in demo/media/*; do
  name=$(basename "${media%.*}")
  [ "$name" = 09-fog ] || ./kostel transcribe "$media" --to json --out "$PWD/demo/transcripts/$name.json"
done
