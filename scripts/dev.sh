#!/usr/bin/env bash
# The server and the front end, each with hot reload, on the demonstration library.
set -euo pipefail
cd "$(dirname "$0")/.."
trap 'kill 0' EXIT
# Polling, as the number of watchers that a machine allows is often smaller than what hot reload asks for.
export DOTNET_USE_POLLING_FILE_WATCHER=1
dotnet watch --project src/Kostel.Server run -- --data "$PWD/.kostel/demo" --demo "$PWD/demo" --door open &
(cd web && npx vite) &
wait
