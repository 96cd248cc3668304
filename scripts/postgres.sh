# A private PostgreSQL on loopback, with its data inside the checkout. Sourced after common.sh.
#   postgres_start DIR PORT  -> exports DATABASE_URL;  postgres_stop DIR

PG_USER=buildbrief

need_postgres() {
  PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -z "$PG_BIN" ] || [ ! -x "$PG_BIN/initdb" ]; then
    install_packages postgresql
    PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  fi
  [ -x "$PG_BIN/initdb" ] || fail "PostgreSQL is installed, but its initdb was not found under /usr/lib/postgresql."
}

# PostgreSQL refuses to run as root: then it runs as the user that Debian's package makes.
as_server() {
  if [ "$(id -u)" -eq 0 ]; then setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"; else "$@"; fi
}

# After a hard kill the pid file stays behind; where its process is gone, dead but not buried, or something else, it means nothing.
drop_stale_pid() {
  local pid state
  [ -s "$1" ] || return 0
  pid=$(head -n 1 "$1")
  state=$(sed -n 's/^State:[[:space:]]*\([A-Z]\).*/\1/p' "/proc/$pid/status" 2>/dev/null)
  if [ -z "$state" ] || [ "$state" = Z ] || ! grep -q postgres "/proc/$pid/comm" 2>/dev/null; then rm -f "$1"; fi
}

postgres_start() {
  local dir=$1 wanted=$2 port
  need_postgres
  mkdir -p "$dir"
  exec 9>"$dir/lock"
  flock -w 30 9 || fail "Another start holds $dir/lock: wait for it or stop it."
  if [ "$(id -u)" -eq 0 ]; then
    chown postgres:postgres "$dir" && chmod 700 "$dir"
    as_server test -x "$dir" || fail "The user postgres cannot enter $dir: check the rights of the folders above it."
  fi
  # Sockets must have short names, so they live under /tmp, one folder a data directory.
  PG_SOCKETS=/tmp/buildbrief-$(printf '%s' "$dir" | sha256sum | cut -c1-12)
  mkdir -p "$PG_SOCKETS" && chmod 700 "$PG_SOCKETS"
  [ "$(id -u)" -eq 0 ] && chown postgres:postgres "$PG_SOCKETS"

  if [ ! -s "$dir/pg/PG_VERSION" ]; then
    as_server rm -rf "$dir/pg"
    as_server "$PG_BIN/initdb" -D "$dir/pg" -U "$PG_USER" -A trust -E UTF8 --locale=C.UTF-8 >"$ROOT/.data/initdb.log" 2>&1 \
      || fail "initdb failed: see .data/initdb.log"
  fi
  drop_stale_pid "$dir/pg/postmaster.pid"
  if as_server "$PG_BIN/pg_ctl" -D "$dir/pg" status >/dev/null 2>&1; then
    port=$(sed -n 4p "$dir/pg/postmaster.pid")
  else
    port=$(free_port "$wanted")
    as_server "$PG_BIN/pg_ctl" -D "$dir/pg" -w -t 60 -l "$dir/pg/server.log" \
      -o "-c listen_addresses=127.0.0.1 -p $port -k $PG_SOCKETS -c max_connections=40" start >/dev/null 9>&- \
      || fail "PostgreSQL did not start: see $dir/pg/server.log"
  fi
  flock -u 9
  as_server "$PG_BIN/psql" -h "$PG_SOCKETS" -p "$port" -U "$PG_USER" -d postgres -tAc \
    "select 1 from pg_database where datname = 'buildbrief'" 2>/dev/null | grep -q 1 \
    || as_server "$PG_BIN/createdb" -h "$PG_SOCKETS" -p "$port" -U "$PG_USER" buildbrief \
    || fail "The database could not be created: see $dir/pg/server.log"
  export DATABASE_URL="postgresql://$PG_USER@127.0.0.1:$port/buildbrief"
  printf "%s" "$DATABASE_URL" >"$dir/url"
}

postgres_stop() {
  [ -s "$1/pg/postmaster.pid" ] && as_server "$PG_BIN/pg_ctl" -D "$1/pg" -m fast -w stop >/dev/null 2>&1
  return 0
}
