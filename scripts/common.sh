# Shared by ./start and ./test: what both need before they can run. Sourced, not run.
# Every function either succeeds quietly or ends with one plain line.

cd "$(dirname "${BASH_SOURCE[0]}")/.." || exit 1
ROOT=$PWD
export NEXT_TELEMETRY_DISABLED=1 PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1

# An empty log that its owner alone may read; prints its name.
private_log() { rm -f "$1"; (umask 077; : >"$1"); printf '%s' "$1"; }

fail() { printf '%s\n' "$*" >&2; exit 1; }
say() { printf '%s\n' "$*"; }

need_node() {
  command -v node >/dev/null || fail "Node.js is missing: install Node 20 and run this again."
  node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit((a === 20 && b >= 9) || a >= 22 ? 0 : 1)' \
    || fail "Node $(node -v) will not do: Build Brief needs Node 20.9 or newer in the 20 line, or Node 22 and up."
}

need_disk() {
  local free
  free=$(df -Pk "$ROOT" | awk 'NR==2 {print $4}')
  [ "$free" -gt 1048576 ] || fail "Not enough disk: $((free / 1024)) MB are free under $ROOT, 1024 MB are needed."
  [ -w "$ROOT" ] || fail "$ROOT cannot be written to: check its owner."
}

# Installs Debian packages, as root or through sudo without a password.
install_packages() {
  local as=()
  if [ "$(id -u)" -ne 0 ]; then
    sudo -n true 2>/dev/null || fail "Missing: $*. I may not install it here; run: sudo apt-get install $*"
    as=(sudo -n)
  fi
  command -v apt-get >/dev/null || fail "Missing: $*. This is no Debian system; install it by hand."
  say "Installing $* ..."
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get update -qq >"$(private_log "$ROOT/.data/apt.log")" 2>&1 \
    && "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$@" >>"$ROOT/.data/apt.log" 2>&1 \
    || fail "Could not install $*: see .data/apt.log"
}

need_npm_packages() {
  local stamp=node_modules/.installed wanted
  wanted=$(sha256sum package-lock.json package.json | sha256sum | cut -c1-64)
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$wanted" ] && return
  say "Installing npm packages ..."
  npm ci --ignore-scripts --no-audit --no-fund >"$(private_log .data/npm.log)" 2>&1 || fail "npm ci failed: see .data/npm.log"
  printf '%s' "$wanted" >"$stamp"
}

need_build() {
  local stamp=.next/built-from wanted
  wanted=$(find src public db next.config.ts tsconfig.json package-lock.json scripts/press-static.mjs -type f ! -name "*.test.ts*" -print0 2>/dev/null | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-64)
  [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$wanted" ] && [ -f .next/BUILD_ID ] && return
  say "Building ..."
  npx --no-install next build >"$(private_log .data/build.log)" 2>&1 || { tail -n 30 .data/build.log >&2; fail "The build failed: see .data/build.log"; }
  node scripts/press-static.mjs || fail "What browsers load could not be compressed."
  printf '%s' "$wanted" >"$stamp"
}

# Names this start of the house, so that it is told from another on the same port.
HOUSE_RUN=$$-$RANDOM$RANDOM

# Serves the application on port $1 (--dev: reloading as one edits).
serve() {
  local port=$1 mode=production
  shift
  [ "${1:-}" = --dev ] && mode=development
  # Memory that was freed goes back to the machine instead of into an arena for each thread.
  # What is let go goes back to the machine at once: without a fixed threshold large buffers stay in the process for good.
  export MALLOC_ARENA_MAX=2 MALLOC_MMAP_THRESHOLD_=131072 MALLOC_TRIM_THRESHOLD_=262144
  PORT=$port NODE_ENV=$mode HOUSE_RUN=$HOUSE_RUN exec node --import tsx scripts/serve.ts "$@"
}

# The first free port from $1 on.
free_port() {
  node -e '
    const net = require("node:net");
    const attempt = (port) => {
      if (port > 65535) process.exit(1);
      const server = net.createServer();
      server.once("error", () => attempt(port + 1));
      server.listen(port, "127.0.0.1", () => server.close(() => process.stdout.write(`${port}\n`)));
    };
    attempt(Number(process.argv[1]));
  ' "$1"
}

# Waits for the server of process $2 on port $1; false when the process ends first.
wait_for_server() {
  node -e '
    const [port, pid] = process.argv.slice(1, 3).map(Number);
    const run = process.argv[3];
    const started = Date.now();
    const again = () => {
      try { process.kill(pid, 0); } catch { process.exit(1); }
      if (Date.now() - started > 120000) process.exit(1);
      setTimeout(attempt, 150);
    };
    // Another server on that port answers too: it is another start of the house, or no house at all.
    const attempt = () => fetch(`http://127.0.0.1:${port}/health`)
      .then((response) => response.json())
      .then((health) => (health.run === run ? process.exit(0) : again()), again);
    attempt();
  ' "$1" "$2" "$HOUSE_RUN"
}

mkdir -p .data 2>/dev/null || fail "$ROOT cannot be written to: check its owner."
