# Shared by ./start and ./check: brings in what is missing, says what it does, does nothing twice.
export NEXT_TELEMETRY_DISABLED=1 npm_config_update_notifier=false

say() { printf '\033[1m▸ %s\033[0m\n' "$*"; }

if ! command -v node >/dev/null || ! node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)'; then
  echo "Gilder needs Node.js 20.19 or later; this machine has $(node --version 2>/dev/null || echo none)." >&2
  exit 1
fi

# need_packages command:package … installs the Debian packages whose command is missing.
need_packages() {
  local missing=()
  for pair in "$@"; do
    command -v "${pair%%:*}" >/dev/null || missing+=("${pair##*:}")
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  local sudo=""
  [ "$(id -u)" -eq 0 ] || sudo="sudo"
  if ! command -v apt-get >/dev/null; then
    echo "These are missing and there is no apt-get here to install them: ${missing[*]}" >&2
    return 0
  fi
  say "Installing Debian packages: ${missing[*]}"
  $sudo apt-get update -qq
  DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# install_modules run|all installs what running takes, or all that the checks take too, when the lock file is not
# the one that was installed last. What was installed for the checks serves for running as well.
install_modules() {
  local stamp="node_modules/.gilder-lock" wanted kind="$1" omit=()
  wanted=$(sha256sum package-lock.json | cut -d' ' -f1)
  if [ -f "$stamp" ]; then
    case "$(cat "$stamp")" in
      "all $wanted") return 0 ;;
      "run $wanted") [ "$kind" = run ] && return 0 ;;
    esac
  fi
  [ "$kind" = run ] && omit=(--omit=dev)
  say "Installing npm packages"
  npm ci "${omit[@]}" --no-audit --no-fund --loglevel=error
  echo "$kind $wanted" >"$stamp"
}

# A figure that changes with any file that the build reads.
source_figure() {
  git ls-files -co --exclude-standard -- src demo scripts package-lock.json next.config.ts tsconfig.json postcss.config.mjs \
    | LC_ALL=C sort | while read -r file; do [ -f "$file" ] && sha256sum "$file"; done | sha256sum | cut -d' ' -f1
}

# Builds the application when a source has changed since the last build.
build_application() {
  local stamp=".next/gilder-sources" wanted
  wanted=$(source_figure)
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$wanted" ] && [ -f dist/renderWorker.mjs ] && [ -f dist/pictureProcess.mjs ] && [ -d public/fonts ] && return 0
  say "Building the application"
  if ! npm run --silent build >.build.log 2>&1; then
    cat .build.log >&2
    return 1
  fi
  echo "$wanted" >"$stamp"
}
