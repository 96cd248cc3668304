#!/usr/bin/env bash
# Makes a house as an earlier state of this repository made it, and keeps its dump under tests/houses: scripts/make-house.sh COMMIT
# Its migrations and its demo, with an accepted plan where it knew one, and its main brief as a file. Libraries are today's; pictures are kept as their thumbnails.
set -uo pipefail
. "$(dirname "$0")/common.sh"
. "$ROOT/scripts/postgres.sh"
need_node
need_npm_packages
COMMIT=$(git rev-parse --verify "${1:-HEAD}^{commit}") || fail "scripts/make-house.sh COMMIT"
THROWAWAY=$(mktemp -d /tmp/buildbrief-house.XXXXXX)
chmod 755 "$THROWAWAY"
unset DATABASE_URL
trap 'postgres_stop "$THROWAWAY/db"; rm -rf "$THROWAWAY"' EXIT
mkdir "$THROWAWAY/then"
git archive "$COMMIT" | tar -x -C "$THROWAWAY/then"
ln -s "$ROOT/node_modules" "$THROWAWAY/then/node_modules"
postgres_start "$THROWAWAY/db" 54600
cp scripts/house-extras.ts "$THROWAWAY/then/scripts/house-extras.ts"
(cd "$THROWAWAY/then" && npx --no-install tsx scripts/migrate.ts && npx --no-install tsx scripts/seed.ts && npx --no-install tsx scripts/house-extras.ts) \
  || fail "The house of ${COMMIT:0:7} could not be made."
LAST=$(cd "$THROWAWAY/then/db/migrations" && ls | tail -n 1 | cut -c1-3)
mkdir -p tests/houses
cp "$THROWAWAY/then/main-brief.json.gz" "tests/houses/$LAST.json.gz"
"$PG_BIN/pg_dump" --no-owner --no-acl --inserts --rows-per-insert=200 "$DATABASE_URL" | gzip -9n >"tests/houses/$LAST.sql.gz" || fail "The house could not be dumped."
say "tests/houses/$LAST.sql.gz: the house of ${COMMIT:0:7}, $(stat -c %s "tests/houses/$LAST.sql.gz") bytes"
