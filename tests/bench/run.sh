#!/bin/sh
# Starts the private PostgreSQL with a database of its own, and measures.
set -eu
root=$(cd "$(dirname "$0")/../.." && pwd)
. "$root/bin/surroundings.sh"
cd "$root"
need_secret
start_postgres >&2
trap stop_postgres EXIT
have_database ibidem_bench new
export IBIDEM_SITE_ROOTS=/
export DATABASE_URL="${DATABASE_BASE}ibidem_bench" IBIDEM_VAR="$root/var/bench"
rm -rf "$IBIDEM_VAR"
node --expose-gc --import "file://$root/node_modules/tsx/dist/esm/index.mjs" tests/bench/main.ts "$@"
