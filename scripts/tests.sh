# All suites, and the closing line that counts them.
# shellcheck shell=bash disable=SC2154

PASSED=0
FAILED=0

# count_suite NAME PASSED FAILED
count_suite() {
  PASSED=$((PASSED + $2))
  FAILED=$((FAILED + $3))
  say "$1: $2 passed, $3 failed"
}

# simple_check NAME LOGNAME COMMAND...: one check that passes or fails as a whole.
simple_check() {
  local name=$1 log="$LOGS/$2.log"
  shift 2
  if "$@" >"$log" 2>&1; then count_suite "$name" 1 0; else
    count_suite "$name" 0 1
    tail -n 40 "$log"
  fi
}

# counted NAME LOGNAME REPORT COMMAND...: a runner that writes a JSON report with counts.
counted() {
  local name=$1 log="$LOGS/$2.log" report=$3 counts
  shift 3
  rm -f "$report"
  "$@" >"$log" 2>&1
  local code=$?
  counts=$(node scripts/count-report.mjs "$report" 2>/dev/null) || counts="0 1"
  # A runner that ends badly although no test failed has failed itself.
  [ $code -ne 0 ] && [ "${counts#* }" = 0 ] && counts="${counts% *} 1"
  # shellcheck disable=SC2086
  count_suite "$name" $counts
  [ "${counts#* }" = 0 ] || tail -n 120 "$log"
}

static_checks() {
  simple_check "format" prettier npx prettier --check --log-level warn .
  simple_check "lint" eslint npx eslint .
  simple_check "floors of the core" floors npx depcruise --config .dependency-cruiser.mjs packages/core/src
  simple_check "types of the core" tsc-core npx tsc -p packages/core/tsconfig.json
  simple_check "types of the core's tests" tsc-core-test npx tsc -p packages/core/tsconfig.test.json
  simple_check "types of the command line" tsc-cli npx tsc -p packages/cli/tsconfig.json
  simple_check "types of the application" svelte-check npm run check --workspace @hulvek/web
  simple_check "lock file names no registry" lock-file node scripts/check-lock-file.mjs
}

start_test_database() {
  TEST_DB="$STATE/test-database"
  start_cluster "$TEST_DB" -c fsync=off -c synchronous_commit=off -c full_page_writes=off
}

stop_test_database() {
  as_pg "$PG_BIN/pg_ctl" -D "$TEST_DB/data" -m immediate stop >/dev/null 2>&1
}

# Kills server or database again and again while clients write; see scripts/crash-trials.mjs.
crash_trials() {
  local dir="$STATE/crash-database"
  kill_cluster "$dir"
  rm -rf "$dir" "$dir.secret"
  mkdir -p "$STATE"
  # Production durability: nothing of the test settings.
  DATABASE_PORT=$(free_port) start_cluster "$dir"
  CRASH_ROOT="$ROOT" CRASH_STATE="$STATE" CRASH_DIR="$dir" CRASH_URL="$DB_URL" node scripts/crash-trials.mjs "$1"
  local code=$?
  kill_cluster "$dir"
  # What went wrong can be looked at; what went well leaves nothing behind.
  [ $code -ne 0 ] || rm -rf "$dir" "$dir.secret"
  return $code
}

# Ratios measured side by side in one run; nothing here passes or fails.
run_bench() {
  prepare with-browser
  (cd apps/web && npx svelte-kit sync) >"$LOGS/sync.log" 2>&1
  unset DATABASE_URL
  pg_bin || install_system with-browser
  start_test_database
  trap stop_test_database EXIT
  export TEST_DATABASE_URL=$DB_URL
  build_if_stale
  case "${1:-}" in
    load) node scripts/bench-load.mjs "${@:2}" ;;
    order) npx tsx apps/web/bench/bench-order.ts "${@:2}" ;;
    *) npx tsx apps/web/bench/bench.ts ;;
  esac
}

# Full counts of everything that ./hulvek test tries on a sample, and a line about it for docs/validation.
long_checks() {
  local name=${1:-} report="$STATE/vitest-long.json" counts
  rm -f "$report"
  unset DATABASE_URL
  pg_bin || install_system
  start_test_database
  trap stop_test_database EXIT
  # shellcheck disable=SC2086
  TEST_DATABASE_URL=$DB_URL HULVEK_LONG=1 npx vitest run --project core --project cli --project database $name --reporter default --reporter json --outputFile.json="$report"
  counts=$(node scripts/count-report.mjs "$report" 2>/dev/null) || counts="0 1"
  node scripts/long-report.mjs "${name:-all}" "$counts" "${HULVEK_SEED:-20261128}"
  say "$(printf '%s passed, %s failed' ${counts% *} ${counts#* })"
  [ "${counts#* }" = 0 ]
}

# What concerns these files: their lint, and the tests that reach them.
check_files() {
  simple_check "lint" eslint npx eslint --cache --cache-location "$STATE/eslint" "$@"
  simple_check "floors of the core" floors npx depcruise --config .dependency-cruiser.mjs packages/core/src
  counted "tests that reach them" vitest "$STATE/vitest.json" npx vitest related --run "$@" --project core --project cli --reporter default --reporter json --outputFile.json="$STATE/vitest.json"
  say "$PASSED passed, $FAILED failed"
  [ "$FAILED" = 0 ]
}

run_check() {
  case "${1:-}" in
    --crash)
      prepare
      build_if_stale
      crash_trials "${2:-1000}"
      return
      ;;
    --long)
      prepare
      long_checks "${2:-}"
      return
      ;;
    '') ;;
    *)
      prepare
      check_files "$@"
      return
      ;;
  esac
  prepare
  simple_check "lint" eslint npx eslint --cache --cache-location "$STATE/eslint" .
  simple_check "floors of the core" floors npx depcruise --config .dependency-cruiser.mjs packages/core/src
  simple_check "types of the core" tsc-core npx tsc -p packages/core/tsconfig.json
  counted "core and command line" vitest "$STATE/vitest.json" npx vitest run --project core --project cli --reporter default --reporter json --outputFile.json="$STATE/vitest.json"
  say "$PASSED passed, $FAILED failed"
  [ "$FAILED" = 0 ]
}

run_tests() {
  prepare with-browser
  (cd apps/web && npx svelte-kit sync) >"$LOGS/sync.log" 2>&1
  static_checks
  # Tests bring their own database, whatever DATABASE_URL says.
  unset DATABASE_URL
  pg_bin || install_system with-browser
  start_test_database
  trap stop_test_database EXIT
  export TEST_DATABASE_URL=$DB_URL
  counted "core, command line, database" vitest "$STATE/vitest.json" npx vitest run --reporter default --reporter json --outputFile.json="$STATE/vitest.json"
  build_if_stale
  simple_check "20 crashes of server or database" crash crash_trials 20
  counted "interface" playwright "$STATE/playwright.json" env PLAYWRIGHT_JSON_OUTPUT_FILE="$STATE/playwright.json" npx playwright test --config apps/web/playwright.config.ts
  say "$PASSED passed, $FAILED failed"
  [ "$FAILED" = 0 ]
}
