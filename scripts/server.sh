# Building and serving the application.
# shellcheck shell=bash disable=SC2154

WEB="$ROOT/apps/web"
SERVER_PID="$STATE/server.pid"
WORKER_PID="$STATE/worker.pid"

# Builds when any source is newer than the last build.
build_if_stale() {
  local stamp="$STATE/build.stamp"
  if [ -f "$WEB/build/index.js" ] && [ -f "$stamp" ]; then
    [ -n "$(find apps/web/src apps/web/static apps/web/*.js apps/web/*.ts apps/web/package.json packages/*/src package-lock.json -newer "$stamp" -print -quit 2>/dev/null)" ] || return 0
  fi
  touch "$stamp.new"
  step "Building" build npm run build --workspace @hulvek/web
  mv "$stamp.new" "$stamp"
}

# private_log FILE: logs are for whoever runs it.
private_log() { (umask 077 && : >>"$1") && chmod 600 "$1"; }

# The user that the server runs as: whoever starts it, and never root.
SERVER_USER=hulvek

# plain_user: makes that user where root starts the server; fails where it may not enter the project's folder.
plain_user() {
  [ "$(id -u)" = 0 ] || return 0
  id "$SERVER_USER" >/dev/null 2>&1 ||
    useradd --system --no-create-home --shell /usr/sbin/nologin "$SERVER_USER" >>"$LOGS/user.log" 2>&1 || return 1
  PLAIN=(setpriv --reuid "$SERVER_USER" --regid "$SERVER_USER" --clear-groups --)
  "${PLAIN[@]}" test -r "$WEB/build/index.js" -a -x "$ROOT/node_modules"
}

# What a command is begun with to run as that user; nothing where nobody is root.
PLAIN=()

# The key that signs logs: beside the database, never in it, for the server alone to read.
EVIDENCE="$STATE/evidence"

# evidence_place: a folder that only whoever the server runs as can enter.
evidence_place() {
  mkdir -p "$EVIDENCE" && chmod 700 "$EVIDENCE" || return 1
  [ "$(id -u)" != 0 ] || chown "$SERVER_USER:$SERVER_USER" "$EVIDENCE"
}

# serve PORT HOST PIDFILE LOG: starts the built server in the background and waits for it.
serve() {
  local port=$1 host=$2 pidfile=$3 log=$4 i
  # A copy, so that a later build does not pull the files from under a running server.
  local copy="${pidfile%.pid}-files"
  rm -rf "$copy" && cp -r "$WEB/build" "$copy" && chmod -R a+rX "$copy" || return 1
  plain_user || fail "The server does not run as root, and the user $SERVER_USER cannot read $ROOT. Move the project, start it as another user, or run: chmod a+x $ROOT" "$LOGS/user.log"
  evidence_place || return 1
  (
    cd "$WEB" || exit 1
    private_log "$log"
    export HULVEK_KEY="${HULVEK_KEY:-$EVIDENCE/key.pem}"
    export DATABASE_URL="$DB_URL" PORT="$port" HOST="$host" BODY_SIZE_LIMIT=20M
    # Behind the secure front addresses are what it says, under whichever of its names this machine was asked.
    if [ -n "${HTTPS_PORT:-}" ]; then
      export PROTOCOL_HEADER=x-forwarded-proto HOST_HEADER=x-forwarded-host ADDRESS_HEADER=x-forwarded-for XFF_DEPTH=1
    else export ORIGIN="${ORIGIN:-http://localhost:$port}"; fi
    export HULVEK_DEMO="${HULVEK_DEMO:-on}" SHUTDOWN_TIMEOUT="${SHUTDOWN_TIMEOUT:-20}"
    "${PLAIN[@]}" setsid node "$copy/workers/serve.js" >>"$log" 2>&1 &
    echo $! >"$pidfile"
  )
  for ((i = 0; i < 120; i++)); do
    # For a moment after the fork the process still carries the name of this script.
    ((i < 8)) || alive "$pidfile" files/workers/serve.js || return 1
    node -e 'fetch(process.argv[1]).then(r=>process.exit(r.ok?0:1),()=>process.exit(1))' "http://127.0.0.1:$port/health" && return 0
    sleep 0.25
  done
  return 1
}

# work PIDFILE LOG: starts a worker from the files of the server that has the same name but for its end.
work() {
  local pidfile=$1 log=$2
  private_log "$log"
  (
    cd "$WEB" || exit 1
    export DATABASE_URL="$DB_URL"
    "${PLAIN[@]}" setsid node "${SERVER_PID%.pid}-files/workers/main.js" >>"$log" 2>&1 &
    echo $! >"$pidfile"
  )
}

# stop_process PIDFILE COMMAND: asks it to end, and ends it when it does not.
stop_process() {
  alive "$1" "$2" || { rm -f "$1"; return 0; }
  kill "$(cat "$1")" 2>/dev/null
  local i
  # What it has begun it ends first.
  for ((i = 0; i < 250; i++)); do alive "$1" "$2" || break; sleep 0.1; done
  alive "$1" "$2" && kill -9 "$(cat "$1")" 2>/dev/null
  rm -f "$1"
}

stop_server() {
  stop_process "$WORKER_PID" workers/main.js
  stop_process "$SERVER_PID" files/workers/serve.js
}

# A worker in the foreground, for this machine or for another one that reaches the database.
run_worker() {
  prepare
  build_if_stale
  ensure_database
  say "Solving heat for $(hostname). Stop it with Ctrl+C."
  (cd "$WEB" && DATABASE_URL="$DB_URL" node build/workers/main.js)
}

# Accounts, for whoever runs the server.
run_account() {
  prepare
  build_if_stale
  ensure_database
  (cd "$WEB" && DATABASE_URL="$DB_URL" ORIGIN="${ORIGIN:-http://localhost:${PORT:-4173}}" node build/workers/admin.js "$@")
}

# start_all [--https]
start_all() {
  local port=${PORT:-4173} host=${HOST:-127.0.0.1} secure=''
  [ "${1:-}" = --https ] && secure=yes
  [ -z "${1:-}" ] || [ -n "$secure" ] || fail "start takes --https or nothing, not $1."
  prepare ${secure:+with-https}
  build_if_stale
  stop_server
  if [ -n "$secure" ]; then
    export HTTPS_PORT=$port HTTPS_HOST=${HOST:-0.0.0.0}
    port_taken "$HTTPS_PORT" "$HTTPS_HOST" && fail "Port $HTTPS_PORT is taken by another program. Choose another one, like PORT=4200 ./hulvek start --https"
    port_taken $((HTTPS_PORT + 1)) "$HTTPS_HOST" && fail "Port $((HTTPS_PORT + 1)) is taken by another program; the page for phones needs it. Choose another one, like PORT=4200 ./hulvek start --https"
    step "Making this machine's certificate" https make_certificates
    plain_user || fail "The server does not run as root, and the user $SERVER_USER cannot read $ROOT." "$LOGS/user.log"
    share_certificates
    export HTTPS_KEY="$HTTPS_DIR/server.key" HTTPS_CERT="$HTTPS_DIR/server.crt" HTTPS_AUTHORITY="$HTTPS_DIR/authority.crt"
    # The server itself is reached from this machine only.
    port=$(free_port) host=127.0.0.1
  fi
  if port_taken "$port" "$host"; then
    [ -n "${PORT:-}" ] && fail "Port $port is taken by another program. Choose another one, like PORT=4200 ./hulvek start"
    port=$(free_port)
    say "Port 4173 is taken, using $port."
  fi
  ensure_database
  local log="$LOGS/server.log"
  : >"$log"
  serve "$port" "$host" "$SERVER_PID" "$log" || fail "The server did not start." "$log"
  : >"$LOGS/worker.log"
  work "$WORKER_PID" "$LOGS/worker.log"
  say ""
  if [ -n "$secure" ]; then
    say "Hulvek is at      https://$(own_address):$HTTPS_PORT"
    say "First on a phone  http://$(own_address):$((HTTPS_PORT + 1))   (how to trust this machine)"
    say "The demo's log-ins are refused from other machines; make accounts with ./hulvek account new EMAIL NAME"
  else say "Hulvek is at      http://localhost:$port"; fi
  if [ "${HULVEK_DEMO:-on}" != off ]; then
    say "Demo log-in       ines@demo.invalid"
    say "Demo password     level-and-plumb"
  fi
  say "Stop it with      ./hulvek stop"
}

stop_all() {
  prepare_state
  stop_server
  stop_database
  say "Stopped."
}

run_dev() {
  prepare
  ensure_database
  say "Hulvek is at http://localhost:${PORT:-5173} (demo: ines@demo.invalid, level-and-plumb)"
  (cd "$WEB" && npx vite build --config vite.workers.config.ts) >"$LOGS/workers-build.log" 2>&1
  (cd "$WEB" && DATABASE_URL="$DB_URL" node build/workers/main.js >"$LOGS/worker.log" 2>&1) &
  trap 'kill %1 2>/dev/null' EXIT
  (cd "$WEB" && DATABASE_URL="$DB_URL" npx vite dev --port "${PORT:-5173}" --host "${HOST:-127.0.0.1}")
}

reset_demo() {
  prepare
  build_if_stale
  ensure_database
  local running=no
  alive "$SERVER_PID" files/workers/serve.js && running=yes
  local port pid="$STATE/reset.pid"
  port=$(free_port)
  # One process: another one would begin it anew, and be ended in the middle.
  HULVEK_PROCESSES=1 HULVEK_DEMO=reset serve "$port" 127.0.0.1 "$pid" "$LOGS/reset.log" || fail "The demo could not be put back." "$LOGS/reset.log"
  kill "$(cat "$pid")" 2>/dev/null
  rm -rf "$pid" "${pid%.pid}-files"
  say "The demo job is as it was.$([ $running = no ] && printf ' Start it with ./hulvek start.')"
}
