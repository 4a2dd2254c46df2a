# What the commands need of the machine: Debian packages and npm packages. Sourced, not run.

ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)"
export NEXT_TELEMETRY_DISABLED=1 PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm_config_update_notifier=false

say() { printf '%s\n' "$*" >&2; }
fail() { printf 'inkwell: %s\n' "$*" >&2; exit 1; }

need_node() {
  command -v node >/dev/null || fail "Node.js 20 or newer is needed and was not found. Install it, then run this again."
  [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node.js 20 or newer is needed; this is $(node -v)."
}

# Runs a command with the rights to install packages: as root, or through sudo.
as_admin() {
  if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo -- "$@"; else return 127; fi
}

# need_debian PACKAGE FILE-PATTERN: installs the package unless a file of it is there already.
need_debian() {
  local package="$1" pattern="$2"
  compgen -G "$pattern" >/dev/null && return 0
  command -v apt-get >/dev/null || fail "$package is needed and this is no Debian machine. Install it, then run this again."
  say "Installing Debian's $package ..."
  local log; log="$(mktemp)"
  if ! { as_admin env DEBIAN_FRONTEND=noninteractive apt-get update -qq && as_admin env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$package"; } >"$log" 2>&1; then
    tail -n 5 "$log" >&2
    fail "$package could not be installed. It needs root or sudo, and Debian's package servers. Install it with: apt-get install $package"
  fi
  rm -f "$log"
  compgen -G "$pattern" >/dev/null || fail "$package was installed but $pattern is not there."
}

# npm packages, when they are not there yet or the lock file has changed since.
need_npm_packages() {
  local stamp="$ROOT/node_modules/.inkwell-lock"
  local now; now="$(sha256sum "$ROOT/package-lock.json" | cut -d' ' -f1)"
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
  say "Installing npm packages ..."
  local log; log="$(mktemp)"
  # npm ci refuses lock files that leave out packages of other platforms; install keeps to the lock file too.
  if ! (cd "$ROOT" && npm install --no-audit --no-fund --loglevel=error) >"$log" 2>&1; then
    tail -n 15 "$log" >&2
    fail "The npm packages could not be installed. Is the npm registry within reach? Then run this again."
  fi
  rm -f "$log"
  sha256sum "$ROOT/package-lock.json" | cut -d' ' -f1 >"$stamp"
}

# A port nobody listens on, from the one asked for upwards.
free_port() {
  node -e '
    const net = require("node:net");
    const next = (port) => { const s = net.createServer(); s.once("error", () => next(port + 1)); s.listen(port, "127.0.0.1", () => { console.log(port); s.close(); }); };
    next(Number(process.argv[1]));' "$1"
}

# Builds the web application when its sources are newer than the last build.
need_build() {
  local stamp="$ROOT/apps/web/.next/inkwell-sources"
  local now; now="$(cd "$ROOT" && find apps/web packages package-lock.json \( -name node_modules -o -name .next -o -name '*.test.ts' -o -name '*.test.tsx' -o -name next-env.d.ts \) -prune -o -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)"
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ] && return 0
  say "Building the application ..."
  local log; log="$(mktemp)"
  if ! (cd "$ROOT/apps/web" && "$ROOT/node_modules/.bin/next" build) >"$log" 2>&1; then
    tail -n 60 "$log" >&2
    fail "The application did not build; the lines above say why."
  fi
  # The engine as one file, for the server's own threads.
  bundle packages/review/src/engine/thread.ts apps/web/.next/engine-thread.mjs
  rm -f "$log"
  printf '%s\n' "$now" >"$stamp"
}

# bundle ENTRY FILE: workspace code in one file; what was installed stays outside where it has to.
bundle() {
  (cd "$ROOT" && node_modules/.bin/esbuild "$1" --bundle --platform=node --format=esm --target=node20 --log-level=warning --external:pg --external:yauzl --external:yazl --external:mammoth --external:@zone-eu/mailsplit --external:pdfjs-dist --external:piscina --external:sharp --external:sharp-phash --external:pino --external:nodemailer "--outfile=$2") || fail "$1 could not be bundled; the lines above say why."
}

# The worker as one file, made again when its sources changed; sets WORKER.
need_worker() {
  WORKER="$ROOT/node_modules/.cache/inkwell/worker.mjs"
  local now; now="$(cd "$ROOT" && find apps/worker/src packages package-lock.json \( -name node_modules -o -name '*.test.ts' \) -prune -o -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)"
  [ -f "$WORKER" ] && [ "$(cat "$WORKER.of" 2>/dev/null)" = "$now" ] && return 0
  mkdir -p "$(dirname "$WORKER")"
  # Made beside and moved into place: a worker that starts meanwhile reads a whole one.
  bundle apps/worker/src/lookThread.ts "$WORKER.$$.mjs" && mv "$WORKER.$$.mjs" "$(dirname "$WORKER")/look-thread.mjs"
  bundle apps/worker/src/main.ts "$WORKER.$$.mjs" && mv "$WORKER.$$.mjs" "$WORKER"
  printf '%s\n' "$now" >"$WORKER.of"
}

# wait_for URL SECONDS PID: until the address answers, or the process is gone.
wait_for() {
  local url="$1" until=$((SECONDS + $2)) pid="$3"
  while [ "$SECONDS" -lt "$until" ]; do
    kill -0 "$pid" 2>/dev/null || return 1
    node -e 'fetch(process.argv[1], { signal: AbortSignal.timeout(3000) }).then((r) => process.exit(r.status < 500 ? 0 : 1), () => process.exit(1))' "$url" && return 0
    sleep 0.2
  done
  return 1
}

# What the people of the demo are let in with, with one press; the seeder gives it to them.
export_demo() { export INKWELL_DEMO="larkmoor towpath demo"; }

# keep_secret FOLDER: what seals sessions, made once and kept where only its owner reads it.
keep_secret() {
  [ -n "${INKWELL_SECRET:-}" ] && return 0
  [ -s "$1/secret" ] || (umask 077; head -c 48 /dev/urandom | base64 | tr -d '\n' >"$1/secret")
  INKWELL_SECRET="$(cat "$1/secret")"; export INKWELL_SECRET
}
