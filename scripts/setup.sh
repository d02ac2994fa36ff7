# Installs and builds what a command needs; does nothing where everything is there. Sourced by ./kostel.

say() { echo "$*" >&2; }

need_debian() {
  local missing=() package
  for package in "$@"; do
    dpkg-query -W -f '${db:Status-Status}' "$package" 2>/dev/null | grep -q '^installed$' || missing+=("$package")
  done
  [ ${#missing[@]} -eq 0 ] && return
  say "Installing from Debian: ${missing[*]}"
  local sudo=
  [ "$(id -u)" -eq 0 ] || sudo=sudo
  $sudo apt-get update -qq >/dev/null
  DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# What Kostel can do without, less well: the grammar of English behind cards, quizzes and summaries.
may_have_grammar() {
  need_debian liblink-grammar5 link-grammar-dictionaries-en || say "The grammar of English could not be installed; study material is made without it."
}

need_dotnet() {
  command -v dotnet >/dev/null || { say "Kostel needs the .NET SDK 10 (dotnet). Install it, then run this again."; exit 1; }
}

need_node() {
  command -v node >/dev/null && command -v npm >/dev/null || { say "Kostel needs Node.js 20 with npm. Install it, then run this again."; exit 1; }
}

need_models() {
  need_node
  node models/fetch.mjs "$KOSTEL_MODELS"
}

# What the first start can do without comes while Kostel is open already; what cannot be had is said and missed.
models_meanwhile() {
  need_node
  node models/fetch.mjs --early "$KOSTEL_MODELS"
  node models/fetch.mjs --late "$KOSTEL_MODELS" &
}

# need_npm FOLDER: installs what its lock file pins, again when that changes.
need_npm() {
  need_node
  if [ ! -f "$1/node_modules/.package-lock.json" ] || [ "$1/package-lock.json" -nt "$1/node_modules/.package-lock.json" ]; then
    say "Installing npm packages for $1"
    (cd "$1" && npm ci --no-audit --no-fund --loglevel=error >&2)
    touch "$1/node_modules/.package-lock.json"
  fi
}

# newer_than STAMP PATH…: whether a source file is newer than what was made from it.
newer_than() {
  local stamp=$1
  shift
  [ ! -f "$stamp" ] || [ -n "$(find "$@" -name bin -prune -o -name obj -prune -o -name node_modules -prune -o -name wwwroot -prune -o -name openapi -prune -o -name generated -prune -o -type f -newer "$stamp" -print -quit)" ]
}

need_dotnet_build() {
  need_dotnet
  if newer_than "$state/dotnet.built" src benchmarks/Kostel.Benchmarks tests/Kostel.Core.Tests tests/Kostel.Data.Tests tests/Kostel.Media.Tests tests/Kostel.Speech.Tests tests/Kostel.Grammar.Tests tests/Kostel.Server.Tests Directory.Build.props Directory.Packages.props Kostel.slnx; then
    say "Building Kostel"
    dotnet build Kostel.slnx -c "$configuration" -v quiet --nologo >"$state/build.log" 2>&1 || { cat "$state/build.log" >&2; exit 1; }
    touch "$state/dotnet.built"
  fi
}

need_web_build() {
  need_npm web
  if newer_than "$state/web.built" web src/Kostel.Server/openapi/kostel.json; then
    say "Building the front end"
    (cd web && npm run --silent api && npm run --silent build) >"$state/web.log" 2>&1 || { cat "$state/web.log" >&2; exit 1; }
    touch "$state/web.built"
  fi
}

need_pipeline() {
  need_debian ffmpeg
  may_have_grammar
  need_models
  need_dotnet_build
}

need_everything() {
  need_pipeline
  need_web_build
}

need_to_open() {
  need_debian ffmpeg
  may_have_grammar
  models_meanwhile
  need_dotnet_build
  need_web_build
}
