#!/usr/bin/env bash
# A private PostgreSQL on a free loopback port, in a folder of ours. Never touches another cluster.
#   database.sh start|stop|running|url|install FOLDER [--throwaway]
# Works as root (by dropping to the postgres account) and as an ordinary user. --throwaway is for tests only: it gives up
# durability for speed. Otherwise PostgreSQL's own durability stays on, and the password is made here and kept in FOLDER.
set -euo pipefail

say() { printf '%s\n' "$*" >&2; }
root() { [ "$(id -u)" = 0 ]; }
# The server's programs refuse root: run them as an ordinary account. `cd /`, because that account may not enter ours.
as() { if root; then (cd / && exec runuser -u postgres -- "$@"); else (cd / && exec "$@"); fi; }

command=${1:?start, stop, running, url or install}
folder=${2:?folder}
throwaway=${3:-}
programs=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1 || true)

install() {
  [ -n "$programs" ] && [ -x "$programs/initdb" ] && return
  root || { say "PostgreSQL is missing and only root can install it. Run: sudo apt-get install postgresql"; exit 1; }
  say "Installing PostgreSQL from Debian's packages ..."
  # Debian would start a cluster of its own; we need only the programs.
  mkdir -p /etc/postgresql-common
  [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' >/etc/postgresql-common/createcluster.conf
  apt-get update -qq
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends postgresql >/dev/null
  programs=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
}

place() {
  mkdir -p "$folder"
  dir=$(cd "$folder" && pwd -P)
  root || return 0
  chown postgres "$dir" && chmod 700 "$dir"
  # Every folder above must let that account through; one under a closed home does not: keep the data elsewhere then.
  if ! as test -w "$dir"; then
    local asked=$dir
    dir=/var/tmp/portiona-$(printf %s "$dir" | sha1sum | cut -c1-12)
    [ "$command" != start ] || say "The database is kept in $dir: the account it runs as cannot enter $asked."
    mkdir -p "$dir" && chown postgres "$dir" && chmod 700 "$dir"
  fi
}

server_pid() { as head -n 1 "$dir/data/postmaster.pid" 2>/dev/null || true; }
# Alive is: there, no zombie (the first process of a container may reap late), and serving this very folder.
alive() {
  [ -n "${1:-}" ] && [ -r "/proc/$1/stat" ] || return 1
  [ "$(sed 's/.*) //; s/ .*//' "/proc/$1/stat" 2>/dev/null)" != Z ] || return 1
  tr '\0' ' ' <"/proc/$1/cmdline" 2>/dev/null | grep -qF "$dir/data"
}
running() { alive "$(server_pid)"; }
free_port() { node -e 'const s=require("net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(s.address().port);s.close()})'; }
port_is_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(+process.argv[1],"127.0.0.1",()=>s.close())' "$1"; }

create() {
  as test -f "$dir/data/PG_VERSION" && return
  say "Making a database in $dir ..."
  node -e 'console.log(require("crypto").randomBytes(24).toString("hex"))' | as tee "$dir/secret" >/dev/null
  as chmod 600 "$dir/secret"
  # Built beside and moved in place, so that one broken off halfway is not taken for a database.
  as rm -rf "$dir/making"
  as "$programs/initdb" -D "$dir/making" -U portiona -A scram-sha-256 --pwfile="$dir/secret" -E UTF8 --locale=C.UTF-8 ${throwaway:+--no-sync} >/dev/null
  as mv "$dir/making" "$dir/data"
}

# One start or stop at a time in one folder.
one_at_a_time() {
  as touch "$dir/lock"
  exec 9>>"$dir/lock"
  flock -w 120 9 || { say "Another start or stop of the database in $dir has not come to an end."; exit 1; }
}

start() {
  install
  place
  one_at_a_time
  create
  if ! running; then
    as rm -f "$dir/data/postmaster.pid" # left by a crash: its process is gone, checked just above
    weak=''
    # Errors of statements are told to who made them, and in the server's log; what stays here is how the database itself fares.
    quiet='-c log_min_messages=log -c log_min_error_statement=panic -c log_checkpoints=off'
    as sh -c "[ \"\$(stat -c %s '$dir/log' 2>/dev/null || echo 0)\" -lt 5000000 ] || mv -f '$dir/log' '$dir/log.1'"
    [ -n "$throwaway" ] && weak='-c fsync=off -c synchronous_commit=off -c full_page_writes=off'
    port=$(as cat "$dir/port" 2>/dev/null || true)
    for try in 1 2 3; do # another program may take the port in between
      { [ -n "$port" ] && port_is_free "$port"; } || port=$(free_port)
      # 9>&-: the server must not keep the lock.
      as "$programs/pg_ctl" -D "$dir/data" -l "$dir/log" -w -t 60 -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $quiet $weak" start >/dev/null 9>&- && break
      [ "$try" = 3 ] && { as tail -n 20 "$dir/log" >&2; say "The database did not start; see $dir/log."; exit 1; }
      port=''
    done
    echo "$port" | as tee "$dir/port" >/dev/null
  fi
  port=$(as cat "$dir/port")
  secret=$(as cat "$dir/secret")
  ask() { PGPASSWORD=$secret "$programs/psql" -h 127.0.0.1 -p "$port" -U portiona -d postgres -qtAc "$1"; }
  # One whose connection was killed mends itself first, and takes nobody until then.
  for _ in $(seq 300); do ask 'select 1' >/dev/null 2>&1 && break; sleep 0.2; done
  [ "$(ask "select 1 from pg_database where datname = 'portiona'")" = 1 ] || ask 'create database portiona'
  address
}

address() { echo "postgres://portiona:$(as cat "$dir/secret")@127.0.0.1:$(as cat "$dir/port")/portiona"; }

stop() {
  [ -d "$folder" ] || exit 0
  place
  one_at_a_time
  running || exit 0
  pid=$(server_pid)
  [ -n "$pid" ] || exit 0 # it has just gone by itself
  as kill -INT "$pid" # fast shutdown
  for _ in $(seq 300); do alive "$pid" || exit 0; sleep 0.1; done
  say "The database ($pid) did not end within 30 s; it was made to. It mends itself at its next start, and nothing that was saved is lost."
  as kill -QUIT "$pid" # at once; it recovers from its log
  for _ in $(seq 100); do alive "$pid" || exit 0; sleep 0.1; done
  say "The database ($pid) is still running."
  exit 1
}

case $command in
  install) install ;;
  start) start ;;
  stop) stop ;;
  running) [ -d "$folder" ] && place && running ;;
  url) place; address ;;
  *) say "unknown: $command"; exit 2 ;;
esac
