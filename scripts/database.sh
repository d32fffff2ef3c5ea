# A private PostgreSQL on loopback inside the project's folder, unless DATABASE_URL names another one.
# shellcheck shell=bash disable=SC2154

# PostgreSQL refuses to run as root: then its files belong to postgres.
as_pg() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

# make_cluster DIR: a new cluster with a password of its own.
make_cluster() {
  local dir=$1 secret
  secret=$(node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))')
  mkdir -p "$dir"
  [ "$(id -u)" != 0 ] || chown postgres "$dir"
  chmod 700 "$dir"
  (umask 077 && printf '%s' "$secret" >"$dir.secret.tmp")
  [ "$(id -u)" != 0 ] || chown postgres "$dir.secret.tmp"
  as_pg "$PG_BIN/initdb" -D "$dir/data" -U hulvek -A scram-sha-256 --pwfile="$dir.secret.tmp" -E UTF8 --locale=C.UTF-8 || return 1
  mv "$dir.secret.tmp" "$dir.secret"
  [ "$(id -u)" != 0 ] || chown root "$dir.secret"
  chmod 600 "$dir.secret"
}

reachable_folders() {
  local dir=$STATE
  [ "$(id -u)" = 0 ] || return 0
  while [ "$dir" != / ]; do
    as_pg test -x "$dir" || {
      printf '%s' "$dir"
      return 1
    }
    dir=$(dirname "$dir")
  done
}

# start_cluster DIR [SERVER OPTION...]: starts it on a free port and sets DB_URL.
start_cluster() {
  local dir=$1 port blocked
  shift
  pg_bin || fail "PostgreSQL is missing."
  blocked=$(reachable_folders) || dir_fallback "$blocked"
  if [ ! -f "$dir/data/PG_VERSION" ] || [ ! -f "$dir.secret" ]; then
    as_pg "$PG_BIN/pg_ctl" -D "$dir/data" -m immediate stop >/dev/null 2>&1
    rm -rf "$dir" "$dir.secret"
    step "Making the database" initdb make_cluster "$dir"
  fi
  if as_pg "$PG_BIN/pg_ctl" -D "$dir/data" status >/dev/null 2>&1; then
    port=$(sed -n 4p "$dir/data/postmaster.pid" 2>/dev/null)
  else
    # What a killed server leaves behind must not keep the next one from starting.
    port=$(free_port)
    local log="$LOGS/postgres.log"
    touch "$log"
    [ "$(id -u)" != 0 ] || { chown postgres "$log"; chmod 711 "$LOGS"; }
    as_pg "$PG_BIN/pg_ctl" -D "$dir/data" -w -t 60 -l "$log" -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $*" start >"$LOGS/pg_ctl.log" 2>&1 ||
      fail "The database did not start." "$log"
  fi
  DB_URL="postgresql://hulvek:$(cat "$dir.secret")@127.0.0.1:$port/postgres"
}

dir_fallback() {
  fail "The user postgres cannot enter $1, so the database cannot run there. Move the project or run: chmod a+x $1"
}

ensure_database() {
  if [ -n "${DATABASE_URL:-}" ]; then
    DB_URL=$DATABASE_URL
    node scripts/wait-for-database.mjs "$DB_URL" >"$LOGS/database.log" 2>&1 ||
      fail "The PostgreSQL named by DATABASE_URL does not answer." "$LOGS/database.log"
  else
    start_cluster "$PGDATA"
  fi
}

stop_database() {
  pg_bin || return 0
  [ -f "$PGDATA/data/postmaster.pid" ] || return 0
  as_pg "$PG_BIN/pg_ctl" -D "$PGDATA/data" -m fast -w stop >>"$LOGS/pg_ctl.log" 2>&1
}
