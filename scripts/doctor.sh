# What is there and what is missing, with what to do about it. Sourced by ./kostel.
problems=0
line() { printf '%-22s %s\n' "$1" "$2"; }
missing() { line "$1" "missing: $2"; problems=$((problems + 1)); }

for program in dotnet:'install the .NET SDK 10' node:'install Node.js 20 with npm' ffmpeg:'apt install ffmpeg' chromium:'apt install chromium (only for the tests)'; do
  name=${program%%:*}
  if command -v "$name" >/dev/null; then
    case $name in
      ffmpeg) version=$(ffmpeg -version 2>/dev/null | head -n 1 | cut -d ' ' -f 3) ;;
      *) version=$("$name" --version 2>/dev/null | head -n 1) ;;
    esac
    line "$name" "$version"
  else
    missing "$name" "${program#*:}"
  fi
done
grammar="$root/src/Kostel.Cli/bin/$configuration/net10.0/Kostel.Grammar.dll"
if [ ! -f "$grammar" ]; then line grammar "not built yet"
elif echo '"Water is wet."' | LC_ALL=C.UTF-8 dotnet "$grammar" 2>/dev/null | grep -q '^=.*Tree'; then line grammar "English (liblink-grammar5)"
else line grammar "not there: cards, quizzes and summaries are made without it, less well; apt install liblink-grammar5 link-grammar-dictionaries-en"; fi
if command -v node >/dev/null; then
  if node models/fetch.mjs --check "$KOSTEL_MODELS" 2>"$state/models.txt"; then
    node -e '
      const { models, packs } = require(process.argv[1])
      const has = (m) => require("fs").existsSync(require("path").join(process.argv[2], m.name))
      for (const m of models.filter(has)) console.log(m.name.padEnd(22), `${(m.bytes / 1e6).toFixed(1)} MB, ${m.purpose}, ${m.licence}`)
      for (const p of packs.filter((p) => !models.filter((m) => m.pack === p.code).every(has)))
        console.log(p.name.padEnd(22), `can be added: ./kostel models add ${p.code}`)' "$KOSTEL_MODEL_LOCK" "$KOSTEL_MODELS"
  else
    missing models "./kostel models"
    cat "$state/models.txt"
  fi
fi
[ -d "$KOSTEL_MODELS/own" ] && [ -f "$cli" ] && dotnet "$cli" models list | while read -r own; do line "your own" "$own"; done
[ -f "$server" ] && line built yes || line built "not yet: ./kostel demo or ./kostel start builds it"
for place in "$state" "$KOSTEL_MODELS" "${XDG_DATA_HOME:-$HOME/.local/share}"; do
  at=$place
  while [ ! -d "$at" ]; do at=$(dirname "$at"); done
  free=$(df -Pm "$at" | awk 'NR==2{print $4}')
  if [ "$free" -lt 2000 ]; then missing "free space" "only $free MB at $place: remove something, or set XDG_DATA_HOME to another disk"; else line "free space" "$((free / 1000)) GB at $place"; fi
done
[ "$problems" -eq 0 ] && echo "Everything is there." || { echo "$problems to put right."; exit 1; }
