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

# cluster_processes DIR: live processes of that cluster; they work in its data folder. Corpses that nobody has
# collected yet do not count, though they keep their number and PostgreSQL's own tools take them for alive.
cluster_processes() {
  local data process
  data=$(realpath "$1/data" 2>/dev/null) || return 0
  for process in /proc/[0-9]*; do
    [ "$(readlink "$process/cwd" 2>/dev/null)" = "$data" ] && grep -qa postgres "$process/cmdline" 2>/dev/null && printf '%s\n' "${process#/proc/}"
  done
  return 0
}

cluster_runs() {
  local postmaster processes
  postmaster=$(head -n 1 "$1/data/postmaster.pid" 2>/dev/null) || return 1
  processes=$(cluster_processes "$1")
  [[ $'\n'"$processes"$'\n' == *$'\n'"$postmaster"$'\n'* ]]
}

# clear_after_kill DIR: what a killed server leaves behind must not keep the next one from starting. Its children end
# by themselves within moments; only then is it sure that nobody writes to the data.
clear_after_kill() {
  [ -f "$1/data/postmaster.pid" ] || return 0
  local i
  for ((i = 0; i < 100; i++)); do
    [ -n "$(cluster_processes "$1")" ] || { rm -f "$1/data/postmaster.pid"; return 0; }
    sleep 0.1
  done
  fail "Processes of an earlier database still run: $(cluster_processes "$1" | tr '\n' ' '). End them, then try again."
}

# start_cluster DIR [SERVER OPTION...]: starts it on DATABASE_PORT or a free port and sets DB_URL.
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
  if cluster_runs "$dir"; then
    port=$(sed -n 4p "$dir/data/postmaster.pid" 2>/dev/null)
  else
    clear_after_kill "$dir"
    port=${DATABASE_PORT:-$(free_port)}
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
    # A restore that was killed may have left the door closed.
    let_in "$DB_URL"
  fi
}

stop_database() {
  pg_bin || return 0
  [ -f "$PGDATA/data/postmaster.pid" ] || return 0
  as_pg "$PG_BIN/pg_ctl" -D "$PGDATA/data" -m fast -w stop >>"$LOGS/pg_ctl.log" 2>&1
}

# kill_cluster DIR: ends it as a power cut would, children included.
kill_cluster() {
  local pids
  pids=$(cluster_processes "$1")
  # shellcheck disable=SC2086
  [ -z "$pids" ] || kill -9 $pids 2>/dev/null
  return 0
}
