# Back-up and restore: the whole database in one file.
# shellcheck shell=bash disable=SC2154

# dump_database URL FILE: writes all or nothing.
dump_database() {
  pg_bin || fail "PostgreSQL's tools are missing. Install the package postgresql-client."
  local part="$2.part"
  "$PG_BIN/pg_dump" --format=custom --no-owner --dbname="$1" --file="$part" && "$PG_BIN/pg_restore" --list "$part" >/dev/null && mv "$part" "$2"
}

# load_database URL FILE: replaces what is there, all or nothing.
load_database() {
  pg_bin || fail "PostgreSQL's tools are missing. Install the package postgresql-client."
  "$PG_BIN/pg_restore" --clean --if-exists --no-owner --exit-on-error --single-transaction --dbname="$1" "$2"
}

run_backup() {
  prepare
  ensure_database
  local file=${1:-"$STATE/backups/hulvek-$(date -u +%Y%m%dT%H%M%SZ).dump"}
  mkdir -p "$(dirname "$file")" || fail "Cannot write to $(dirname "$file")."
  (umask 077 && dump_database "$DB_URL" "$file") >"$LOGS/backup.log" 2>&1 || fail "The back-up was not written." "$LOGS/backup.log"
  say "Back-up written: $file"
}

run_restore() {
  local file=${1:-}
  [ -n "$file" ] || fail "Name the back-up: ./hulvek restore FILE"
  [ -r "$file" ] || fail "Cannot read $file."
  prepare
  ensure_database
  pg_bin && "$PG_BIN/pg_restore" --list "$file" >"$LOGS/restore.log" 2>&1 || fail "$file is not a back-up of Hulvek, or it is damaged. Nothing was changed." "$LOGS/restore.log"
  if [ "${2:-}" != --yes ]; then
    [ -t 0 ] || fail "This replaces everything in the database. Add --yes to say so: ./hulvek restore $file --yes"
    local answer
    read -r -p "This replaces everything in the database. Type yes to go on: " answer
    [ "$answer" = yes ] || fail "Nothing was changed."
  fi
  local running=no before
  alive "$SERVER_PID" files/index.js && running=yes
  stop_server
  before="$STATE/backups/before-restore-$(date -u +%Y%m%dT%H%M%SZ).dump"
  mkdir -p "$STATE/backups"
  (umask 077 && dump_database "$DB_URL" "$before") >"$LOGS/backup.log" 2>&1 || fail "What is there now could not be kept first, so nothing was changed." "$LOGS/backup.log"
  load_database "$DB_URL" "$file" >"$LOGS/restore.log" 2>&1 || fail "The back-up was not restored; the database is as it was." "$LOGS/restore.log"
  say "Restored from $file. What was there before is kept in $before"
  [ $running = no ] || start_all
}
