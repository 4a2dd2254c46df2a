# The publishing host that ships with the demo: a process and a database of its own. Sourced after machine.sh and database.sh.
#
#   host_port            finds where it is to listen, and lets the application speak to it
#   host_start FOLDER CHECKER   starts it, as HOST; it asks the application at CHECKER before anything is published
#   host_fill [--fresh]  puts the demo's course there and connects it

HOST=""

host_port() {
  INKWELL_HOST_PORT="$(free_port "${INKWELL_HOST_PORT:-4330}")"; export INKWELL_HOST_PORT
  export INKWELL_HOSTS="${INKWELL_HOSTS:+$INKWELL_HOSTS,}127.0.0.1:$INKWELL_HOST_PORT" INKWELL_PRIVATE_HOSTS="${INKWELL_PRIVATE_HOSTS:+$INKWELL_PRIVATE_HOSTS,}127.0.0.1:$INKWELL_HOST_PORT"
}

host_start() {
  local folder="$1" bundle="$ROOT/node_modules/.cache/inkwell/host.mjs" name="The college’s own site"
  [ -s "$folder/host-token" ] || (umask 077; random_word >"$folder/host-token")
  INKWELL_HOST_TOKEN="$(cat "$folder/host-token")"; export INKWELL_HOST_TOKEN
  INKWELL_HOST_DATABASE="$(host_database "$folder/database")"; export INKWELL_HOST_DATABASE
  (cd "$ROOT" && node_modules/.bin/tsx apps/worker/src/token.ts --revoke "$name") >/dev/null 2>&1 || true
  INKWELL_HOST_CHECK_TOKEN="$(cd "$ROOT" && node_modules/.bin/tsx apps/worker/src/token.ts --name "$name" --reach check,read --days 3650)" || fail "No token could be made for the host."
  export INKWELL_HOST_CHECK_TOKEN INKWELL_HOST_CHECK="$2"
  mkdir -p "$(dirname "$bundle")"
  bundle packages/host/src/server/main.ts "$bundle"
  node "$bundle" >"$folder/host.log" 2>&1 &
  HOST=$!
  wait_for "http://127.0.0.1:$INKWELL_HOST_PORT/" 30 "$HOST" || { tail -n 10 "$folder/host.log" >&2; fail "The host did not answer; the lines above say why."; }
}

host_fill() { (cd "$ROOT" && node_modules/.bin/tsx demo/src/fillHost.ts "$@"); }

host_stop() { [ -z "$HOST" ] || { kill "$HOST" 2>/dev/null || true; wait "$HOST" 2>/dev/null || true; HOST=""; }; }

# The host's own role and database in the cluster that runs in FOLDER: the application's role cannot enter it. Prints its address.
host_database() {
  local port word; . "$1-secrets"
  if [ -z "${HOST_WORD:-}" ]; then (umask 077; printf 'HOST_WORD=%s\n' "$(random_word)" >>"$1-secrets"); . "$1-secrets"; fi
  port="$(node -p 'new URL(process.env.DATABASE_URL).port')"
  host_sql() { PGPASSWORD="$ADMIN_WORD" "$PG_BIN/psql" -X -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$port" -U inkwell_admin -d postgres -At "$@"; }
  [ "$(host_sql -c "select 1 from pg_roles where rolname = 'college_site'")" = 1 ] || host_sql -c "create role college_site login password '$HOST_WORD'"
  [ "$(host_sql -c "select 1 from pg_database where datname = 'college_site'")" = 1 ] || { host_sql -c "create database college_site owner college_site"; host_sql -c "revoke connect on database college_site from public"; }
  printf 'postgresql://college_site:%s@127.0.0.1:%s/college_site\n' "$HOST_WORD" "$port"
}
