#!/usr/bin/env bash
# The server and the front end, each with hot reload, on the demonstration library.
set -euo pipefail
cd "$(dirname "$0")/.."
trap 'kill 0' EXIT
dotnet watch --project src/Kostel.Server run -- --data "$PWD/.kostel/demo" --demo "$PWD/demo" &
(cd web && npx vite) &
wait
