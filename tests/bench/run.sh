#!/bin/sh
# Starts the private PostgreSQL with a database of its own, and measures what is shipped: plain modules, as `bin/ibidem` and the
# worker are.
set -eu
root=$(cd "$(dirname "$0")/../.." && pwd)
. "$root/bin/surroundings.sh"
cd "$root"
need_secret
export IBIDEM_BUNDLE="$root/var/bundle/bench-$$"
start_postgres >&2
trap 'rm -rf "$IBIDEM_BUNDLE"; stop_postgres' EXIT
have_database ibidem_bench new
export IBIDEM_SITE_ROOTS=/
export DATABASE_URL="${DATABASE_BASE}ibidem_bench" IBIDEM_VAR="$root/var/bench"
rm -rf "$IBIDEM_VAR"
node bin/bundle.mjs "$IBIDEM_BUNDLE" tests/bench/main.ts tests/bench/survey-child.ts tests/bench/serve-child.ts
node --expose-gc "$IBIDEM_BUNDLE/tests/bench/main.mjs" "$@"
