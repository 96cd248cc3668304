#!/usr/bin/env bash
# Runs a command against a freshly seeded production server with its own throwaway database: BASE_URL and DATABASE_URL are set.
set -uo pipefail
. "$(dirname "$0")/common.sh"
. "$ROOT/scripts/postgres.sh"
need_node
need_npm_packages
need_build
[ -x /usr/bin/chromium-headless-shell ] || install_packages chromium-headless-shell
THROWAWAY=$(mktemp -d /tmp/buildbrief-run.XXXXXX)
chmod 755 "$THROWAWAY"
SERVER=
trap '[ -n "$SERVER" ] && kill "$SERVER" 2>/dev/null; postgres_stop "$THROWAWAY/db"; rm -rf "$THROWAWAY"' EXIT
unset DATABASE_URL
PG_ROLE_MAY=createdb postgres_start "$THROWAWAY/db" 54500
npx --no-install tsx scripts/migrate.ts && npx --no-install tsx scripts/seed.ts || fail "The demo could not be loaded."
PORT=$(free_port 3900)
serve "$PORT" >"$(private_log .data/run-server.log)" 2>&1 &
SERVER=$!
wait_for_server "$PORT" "$SERVER" || fail "The server did not start: see .data/run-server.log"
export BASE_URL="http://127.0.0.1:$PORT" SERVER_PID=$SERVER
npx --no-install "$@"
