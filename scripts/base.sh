# Helpers for all verbs: plain sentences, logs, packages of the system and of npm.
# shellcheck shell=bash disable=SC2154

say() { printf '%s\n' "$*"; }

# fail SENTENCE [LOG]: one sentence, the log's place, and the end.
fail() {
  printf 'hulvek: %s\n' "$1" >&2
  if [ -n "${2:-}" ]; then
    printf 'hulvek: the log is %s\n' "$2" >&2
    tail -n 8 "$2" 2>/dev/null | sed 's/^/  | /' >&2
  fi
  exit 1
}

# step SENTENCE LOGNAME COMMAND...: runs with its output in a log.
step() {
  local sentence=$1 log="$LOGS/$2.log"
  shift 2
  say "$sentence …"
  "$@" >"$log" 2>&1 || fail "$sentence: that failed." "$log"
}

prepare_state() {
  mkdir -p "$LOGS" || fail "Cannot write to $STATE. Give this user the right to write there."
  [ "$(id -u)" != 0 ] || chmod 711 "$STATE"
}

need_node() {
  command -v node >/dev/null 2>&1 || fail "Node.js is missing. Install Node.js 20.19 or newer with npm."
  command -v npm >/dev/null 2>&1 || fail "npm is missing. Install it together with Node.js."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=19)?0:1)' ||
    fail "Node.js $(node --version) is too old. Install 20.19 or newer."
}

# pg_bin: folder with initdb and pg_ctl; Debian keeps them out of the path.
pg_bin() {
  local dir
  for dir in /usr/lib/postgresql/*/bin; do [ -x "$dir/initdb" ] && PG_BIN=$dir; done
  [ -n "${PG_BIN:-}" ] || { command -v initdb >/dev/null 2>&1 && PG_BIN=$(dirname "$(command -v initdb)"); }
  [ -n "${PG_BIN:-}" ]
}

missing_packages() {
  local missing=()
  if [ -z "${DATABASE_URL:-}" ] && ! pg_bin; then missing+=(postgresql); fi
  # Certificates: for phones, and for the test of the front that shows them.
  if [ -n "${1:-}" ] && ! command -v openssl >/dev/null 2>&1; then missing+=(openssl); fi
  if [ "${1:-}" = with-browser ]; then
    [ -x /usr/bin/chromium ] || missing+=(chromium)
    [ -d /usr/share/fonts/truetype/liberation ] || missing+=(fonts-liberation)
  fi
  printf '%s' "${missing[*]-}"
}

install_system() {
  local packages
  packages=$(missing_packages "${1:-}")
  [ -n "$packages" ] || return 0
  local list="$packages" as=()
  command -v apt-get >/dev/null 2>&1 || fail "These packages are missing: $list. Install them with this system's package manager."
  if [ "$(id -u)" != 0 ]; then
    if ! command -v sudo >/dev/null 2>&1; then
      fail "These Debian packages are missing and this user may not install them: $list. Ask an administrator to run: apt-get install $list"
    fi
    if ! sudo -n true 2>/dev/null; then
      [ -t 0 ] && sudo -v || fail "These Debian packages are missing and this user may not install them: $list. Ask an administrator to run: apt-get install $list"
    fi
    as=(sudo)
  fi
  # Keep Debian from starting a server of its own: Hulvek makes a private one.
  if [[ " $list " == *" postgresql "* ]] && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    printf 'create_main_cluster = false\n' >"$STATE/createcluster.conf"
    "${as[@]}" install -D -m 644 "$STATE/createcluster.conf" /etc/postgresql-common/createcluster.conf
  fi
  step "Refreshing the list of Debian packages" apt-update "${as[@]}" apt-get update -q
  # shellcheck disable=SC2086
  step "Installing $list" apt-install "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -q -y --no-install-recommends -o Dpkg::Options::=--force-confold $list
}

# Installs npm packages when the lock file changed since the last time.
install_npm() {
  local stamp="$STATE/npm.stamp" want
  want=$(cksum <package-lock.json)
  [ -d node_modules ] && [ "$(cat "$stamp" 2>/dev/null)" = "$want" ] && return 0
  step "Installing packages from the npm registry" npm-ci npm ci --no-fund --no-audit
  printf '%s' "$want" >"$stamp"
}

prepare() {
  prepare_state
  need_node
  install_system "${1:-}"
  install_npm
}

# alive PIDFILE: whether that process still runs and is ours.
alive() {
  local pid
  pid=$(cat "$1" 2>/dev/null) && [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null && grep -qa "${2:-}" "/proc/$pid/cmdline" 2>/dev/null
}

free_port() {
  node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'
}

port_taken() {
  node -e 'const [p,h]=process.argv.slice(1);const s=require("net").createServer();s.once("error",()=>process.exit(0));s.listen(+p,h,()=>s.close(()=>process.exit(1)))' "$1" "$2"
}
