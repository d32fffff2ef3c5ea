# Back-up and restore: the whole database in one file.
# shellcheck shell=bash disable=SC2154

# What the worker keeps in its queue is work to be done again, and no record: it is never in a back-up.
QUEUE_SCHEMA=heat_queue

# dump_database URL FILE: writes all or nothing.
dump_database() {
  pg_bin || fail "PostgreSQL's tools are missing. Install the package postgresql-client."
  local part="$2.part"
  "$PG_BIN/pg_dump" --format=custom --no-owner --exclude-schema="$QUEUE_SCHEMA" --dbname="$1" --file="$part" && "$PG_BIN/pg_restore" --list "$part" >/dev/null && mv "$part" "$2"
}

# database_named URL NAME: the same server, another database.
database_named() {
  node -e 'const u=new URL(process.argv[1]);u.pathname="/"+process.argv[2];process.stdout.write(u.href)' "$1" "$2"
}

# newest_migration: when the last change of the tables that this program knows was made.
newest_migration() {
  node -e 'const j=require("./apps/web/drizzle/meta/_journal.json");process.stdout.write(String(Math.max(...j.entries.map(e=>e.when))))'
}

# is_backup FILE: whether it is one of Hulvek, whole enough to be listed.
is_backup() {
  local list
  list=$("$PG_BIN/pg_restore" --list "$1" 2>/dev/null) || return 1
  grep -q ' TABLE public jobs ' <<<"$list" && grep -q ' TABLE public entries ' <<<"$list"
}

# load_database URL FILE: replaces what is there, all or nothing. The back-up goes into an empty database beside it, which
# takes its place in one step once everything is there and can be read by this program.
load_database() {
  pg_bin || fail "PostgreSQL's tools are missing. Install the package postgresql-client."
  is_backup "$2" || { printf '%s is not a back-up of Hulvek, or it is damaged.\n' "$2" >&2; return 1; }
  local name fresh old beside url made
  name=$(node -e 'process.stdout.write(decodeURIComponent(new URL(process.argv[1]).pathname.slice(1)))' "$1")
  fresh="hulvek_restored_$$_$RANDOM" old="hulvek_replaced_$$_$RANDOM"
  beside=$(database_named "$1" template1) url=$(database_named "$1" "$fresh")
  "$PG_BIN/psql" -qX -v ON_ERROR_STOP=1 -c "create database \"$fresh\" template template0" "$beside" || {
    printf 'This account may not make databases, so nothing was changed. Restore as one that may.\n' >&2
    return 1
  }
  drop_fresh() { "$PG_BIN/psql" -qX -c "drop database if exists \"$fresh\" with (force)" "$beside" >/dev/null 2>&1; }
  # Older back-ups may still hold the queue.
  "$PG_BIN/pg_restore" --exclude-schema="$QUEUE_SCHEMA" --no-owner --exit-on-error --dbname="$url" "$2" || { drop_fresh; return 1; }
  made=$("$PG_BIN/psql" -qXAt -v ON_ERROR_STOP=1 -c "select count(*) from jobs; select count(*) from entries; select coalesce(max(created_at), 0) from drizzle.__drizzle_migrations" "$url") || { drop_fresh; return 1; }
  made=$(tail -n 1 <<<"$made")
  if [ "$made" -gt "$(newest_migration)" ]; then
    drop_fresh
    printf 'This back-up was written by a newer Hulvek. Update this one first.\n' >&2
    return 1
  fi
  # Both names change in one transaction: killed at any moment, one of both databases stands under the name.
  "$PG_BIN/psql" -qX -v ON_ERROR_STOP=1 "$beside" <<SQL || { drop_fresh; return 1; }
alter database "$name" with allow_connections false;
select pg_terminate_backend(pid) from pg_stat_activity where datname = '$name' and pid <> pg_backend_pid() \\g /dev/null
begin;
alter database "$name" rename to "$old";
alter database "$fresh" rename to "$name";
commit;
drop database "$old" with (force);
SQL
}

# let_in URL: a restore that was killed may have left the door closed.
let_in() {
  local name
  name=$(node -e 'process.stdout.write(decodeURIComponent(new URL(process.argv[1]).pathname.slice(1)))' "$1")
  "$PG_BIN/psql" -qX -c "alter database \"$name\" with allow_connections true" "$(database_named "$1" template1)" >/dev/null 2>&1
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
  pg_bin && is_backup "$file" || fail "$file is not a back-up of Hulvek, or it is damaged. Nothing was changed."
  if [ "${2:-}" != --yes ]; then
    [ -t 0 ] || fail "This replaces everything in the database. Add --yes to say so: ./hulvek restore $file --yes"
    local answer
    read -r -p "This replaces everything in the database. Type yes to go on: " answer
    [ "$answer" = yes ] || fail "Nothing was changed."
  fi
  local running=no before
  alive "$SERVER_PID" files/workers/serve.js && running=yes
  before="$STATE/backups/before-restore-$(date -u +%Y%m%dT%H%M%SZ).dump"
  mkdir -p "$STATE/backups"
  (umask 077 && dump_database "$DB_URL" "$before") >"$LOGS/backup.log" 2>&1 || fail "What is there now could not be kept first, so nothing was changed." "$LOGS/backup.log"
  stop_server
  local done=yes
  load_database "$DB_URL" "$file" >"$LOGS/restore.log" 2>&1 || done=no
  let_in "$DB_URL"
  # Whatever became of it, the server is up again, on what is there now.
  if [ $running = yes ]; then start_all; fi
  [ $done = yes ] || fail "The back-up was not restored; the database is as it was." "$LOGS/restore.log"
  say "Restored from $file. What was there before is kept in $before"
}

# run_key FILE: the key that signs logs, encrypted; back-ups of the database do not have it.
run_key() {
  [ -n "${1:-}" ] || fail "Say where to write it: ./hulvek key FILE"
  local key="${HULVEK_KEY:-$EVIDENCE/key.pem}"
  [ -r "$key" ] || fail "There is no key yet that this user can read ($key). It is made when a server first signs a log."
  HULVEK_PASSPHRASE="${HULVEK_PASSPHRASE:-}" node "$ROOT/scripts/write-key.mjs" "$key" "$1" || exit 1
  say "Written to $1. Keep the passphrase elsewhere: without it the file is of no use."
}
