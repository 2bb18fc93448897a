# A private PostgreSQL cluster of our own. Sourced by ./start and scripts/test-database.
#
# PostgreSQL refuses to run as root, so root starts it as the package's own "postgres" user. The cluster listens on loopback
# only, on a free port, with a generated password that only the caller can read.

find_postgres() {
  local candidate
  if command -v pg_config >/dev/null && candidate=$(pg_config --bindir 2>/dev/null) && [ -x "$candidate/initdb" ]; then
    postgres_bin=$candidate
    return
  fi
  # Debian keeps the server's programs off PATH, a folder for each version.
  postgres_bin=$(find /usr/lib/postgresql -maxdepth 3 -name initdb -path '*/bin/*' 2>/dev/null | sort -V | tail -n 1)
  postgres_bin=${postgres_bin%/initdb}
  [ -n "$postgres_bin" ]
}

need_postgres() {
  need_package find_postgres postgresql
  find_postgres || die "PostgreSQL is installed, but its programs were not found below /usr/lib/postgresql."
}

# data_folder DIR: the folder that was named, or the usual one.
data_folder() {
  if [ -n "$1" ]; then printf '%s' "$1"
  elif [ "$(id -u)" = 0 ]; then printf '/var/lib/morning-round'
  else printf '%s' "${XDG_DATA_HOME:-$HOME/.local/share}/morning-round"; fi
}

# running_database DIR: sets $database_connection to that of the cluster which runs on the folder; fails where none does.
running_database() {
  local port
  port=$(sed -n 4p "$1/postgres/postmaster.pid" 2>/dev/null)
  [ -n "$port" ] && [ -r "$1/database-password" ] && "$postgres_bin/pg_isready" -q -h 127.0.0.1 -p "$port" || return 1
  connection_to "$port" "$1"
}

# connection_to PORT DIR: sets $database_connection, with which the application works, and $database_owner, which may do everything.
connection_to() {
  database_connection="Host=127.0.0.1;Port=$1;Username=academy;Password=$(cat "$2/application-password" 2>/dev/null);Database=morning_round"
  database_owner="Host=127.0.0.1;Port=$1;Username=morning_round;Password=$(cat "$2/database-password");Database=postgres"
}

# make_application_database DIR: a database of the application's own, and a role that can do nothing beyond it.
make_application_database() {
  local dir=$1
  [ -s "$dir/application-password" ] ||
    (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$dir/application-password")
  # Earlier releases kept their tables where a new cluster has none.
  if [ "$(for_libpq "$database_owner" "$postgres_bin/psql" -Atqc "SELECT to_regclass('public.\"__EFMigrationsHistory\"') IS NOT NULL")" = t ]; then
    die "This data folder was made by an earlier release, whose tables this one cannot read. Nothing was changed. Start with another
--data folder, or throw this one away with ./start --reset."
  fi
  for_libpq "$database_owner" "$postgres_bin/psql" -qAt -v ON_ERROR_STOP=1 >>"$dir/initdb.log" 2>&1 <<SQL || die "The application's own database was not made; $dir/initdb.log says why."
\\set secret \`cat "$dir/application-password"\`
SELECT 'CREATE ROLE academy LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE' WHERE to_regrole('academy') IS NULL \\gexec
ALTER ROLE academy PASSWORD :'secret';
SELECT 'CREATE DATABASE morning_round OWNER academy TEMPLATE template0'
  WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = 'morning_round') \\gexec
SQL
  connection_to "$database_port" "$dir"
}

# for_libpq CONNECTION COMMAND...: runs one of PostgreSQL's own programs on a database named as the server names it.
for_libpq() {
  local connection=$1 part name value settings=()
  shift
  while IFS= read -r part; do
    name=${part%%=*} value=${part#*=}
    case ${name,,} in
      host | server) settings+=("PGHOST=$value") ;;
      port) settings+=("PGPORT=$value") ;;
      username | 'user id' | user) settings+=("PGUSER=$value") ;;
      password) settings+=("PGPASSWORD=$value") ;;
      database) settings+=("PGDATABASE=$value") ;;
      'ssl mode' | sslmode) settings+=("PGSSLMODE=${value,,}") ;;
    esac
  done < <(tr ';' '\n' <<<"$connection")
  env "${settings[@]}" "$@"
}

# The user PostgreSQL runs as, and how to become it.
as_database_user() {
  if [ "$(id -u)" = 0 ]; then
    setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"
  else
    "$@"
  fi
}

# open_database DIR: makes the cluster if there is none, starts it, sets $database_connection. The process ends with this shell.
open_database() {
  local dir=$1
  mkdir -p "$dir"
  dir=$(cd "$dir" && pwd)
  database_dir=$dir/postgres
  if [ "$(id -u)" = 0 ]; then
    chmod 711 "$dir"
    as_database_user test -x "$dir" ||
      die "PostgreSQL's own user cannot reach $dir. Choose another folder with --data, such as /var/lib/morning-round."
  else
    chmod 700 "$dir"
  fi
  [ -f "$database_dir/PG_VERSION" ] && [ -s "$dir/database-password" ] && [ -f "$dir/database-made" ] || make_cluster "$dir"
  stop_leftover "$database_dir"
  start_cluster "$dir"
}

make_cluster() {
  local dir=$1 password_file
  # What an interrupted first start left behind was never in use.
  rm -rf "$database_dir" "$dir/database-password" "$dir/database-made"
  (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$dir/database-password")
  password_file=$(mktemp)
  cat "$dir/database-password" >"$password_file"
  mkdir "$database_dir"
  chmod 700 "$database_dir"
  if [ "$(id -u)" = 0 ]; then chown postgres: "$database_dir" "$password_file"; fi
  (cd / && as_database_user "$postgres_bin/initdb" -D "$database_dir" -U morning_round -A scram-sha-256 --pwfile="$password_file" \
    -E UTF8 --locale=C) >"$dir/initdb.log" 2>&1 || { rm -f "$password_file"; tail -n 5 "$dir/initdb.log" >&2; die "The database could not be made."; }
  rm -f "$password_file"
  touch "$dir/database-made"
}

# After a kill -9 the cluster of the last start may still be running; its files are taken over only once it is down.
stop_leftover() {
  if (cd / && as_database_user "$postgres_bin/pg_ctl" -D "$1" status) >/dev/null 2>&1; then
    (cd / && as_database_user "$postgres_bin/pg_ctl" -D "$1" -m fast -w stop) >/dev/null 2>&1 || true
  fi
}

free_port() {
  local port
  while :; do
    # Below the ports that connections begin from: one of those could take it at any moment.
    port=$((10000 + RANDOM % 22000))
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null || { printf '%s' "$port"; return; }
  done
}

start_cluster() {
  local dir=$1 try port become=() socket
  # A socket's path may only be about a hundred characters long, which a data folder's may exceed.
  socket=$dir/socket
  if [ ${#socket} -gt 80 ]; then socket=$(mktemp -d /tmp/morning-round-XXXXXX); fi
  mkdir -p "$socket"
  chmod 700 "$socket"
  database_socket=$socket
  if [ "$(id -u)" = 0 ]; then
    chown postgres: "$socket"
    become=(--reuid=postgres --regid=postgres --init-groups)
  fi
  for try in 1 2 3 4 5; do
    port=$(free_port)
    # The kernel stops the database with this shell, however the shell ends. SIGINT asks for a fast, clean shutdown.
    (cd / && exec setpriv "${become[@]}" --pdeathsig INT -- "$postgres_bin/postgres" -D "$database_dir" \
      -c listen_addresses=127.0.0.1 -c port="$port" -c unix_socket_directories="$socket" -c fsync="${DATABASE_FSYNC:-on}" \
      -c timezone=UTC -c lc_messages=C -c max_connections="${DATABASE_CONNECTIONS:-100}" ${DATABASE_OPTIONS:-}) > >(exec node "$root/scripts/keep-log.mjs" "$dir/postgres.log") 2>&1 9>&- &
    database_pid=$!
    if wait_for_database "$port"; then
      database_port=$port
      connection_to "$port" "$dir"
      return
    fi
    kill -INT "$database_pid" 2>/dev/null
    wait "$database_pid" 2>/dev/null
  done
  tail -n 5 "$dir/postgres.log" >&2
  die "The database did not start; $dir/postgres.log says why."
}

wait_for_database() {
  local waited
  for ((waited = 0; waited < 600; waited++)); do
    kill -0 "$database_pid" 2>/dev/null || return 1
    "$postgres_bin/pg_isready" -q -h 127.0.0.1 -p "$1" && return 0
    sleep 0.05
  done
  return 1
}

close_database() {
  if [ -n "${database_pid:-}" ]; then
    kill -INT "$database_pid" 2>/dev/null || true
    wait "$database_pid" 2>/dev/null || true
  fi
  rm -rf "${database_socket:-/nonexistent}"
}
