# A private PostgreSQL cluster: own directory, loopback only, password made at first start.

PG_USER_RUN=() # how to run the database's programs: PostgreSQL refuses to run as root
if [ "$(id -u)" = 0 ]; then PG_USER_RUN=(runuser -u postgres --); fi

# Where a cluster can live: under var/, unless the database's user cannot get there (a clone inside /root).
cluster_home() {
    mkdir -p "$VAR"
    if [ "$(id -u)" = 0 ] && ! runuser -u postgres -- test -x "$VAR" 2>/dev/null; then
        local away
        away=/var/lib/overturn-$(printf '%s' "$ROOT" | cksum | cut -d' ' -f1)
        mkdir -p "$away"
        echo "$away"
    else
        echo "$VAR"
    fi
}

# make_cluster DIR PASSWORD
make_cluster() {
    local dir=$1 password_file
    mkdir -p "$dir"
    password_file=$(mktemp)
    printf '%s' "$2" >"$password_file"
    if [ "$(id -u)" = 0 ]; then chown postgres "$dir" "$password_file"; fi
    (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/initdb" -D "$dir" -U keeper --pwfile="$password_file" \
        --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 --no-instructions)
    rm -f "$password_file"
}

# run_cluster DIR PORT [POSTGRES OPTIONS]
run_cluster() {
    (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" -w -t 60 -l "$1/server.log" \
        -o "-p $2 -c listen_addresses=127.0.0.1 -c unix_socket_directories='' ${3:-}" start)
}

cluster_runs() { (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" status >/dev/null 2>&1); }

halt_cluster() { (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" -w -m fast stop); }

keeper_sql() { PGPASSWORD=$KEEPER_PASSWORD psql -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$DB_PORT" -U keeper -d postgres -c "$1"; }

# make_database: the application's role owns its database and is nothing more.
make_database() {
    keeper_sql "create role overturn login nosuperuser nocreatedb nocreaterole password '$APP_PASSWORD'"
    keeper_sql "create database overturn owner overturn"
}

random_password() { head -c 24 /dev/urandom | base64 | tr -dc 'a-zA-Z0-9'; }

use_database() {
    CLUSTER="$(cluster_home)/postgres"
    SETTINGS="$VAR/database.env"
    [ -f "$SETTINGS" ] && . "$SETTINGS" || return 1
}

start_database() {
    if ! use_database || [ ! -e "$SETTINGS" ]; then
        KEEPER_PASSWORD=$(random_password)
        APP_PASSWORD=$(random_password)
        DB_PORT=$(free_port 54117)
        [ ! -d "$CLUSTER" ] || fail 4 "$CLUSTER holds a database whose password file $SETTINGS is gone; put it back or remove the folder"
        step "Making the database" make_cluster "$CLUSTER" "$KEEPER_PASSWORD"
        step "Starting the database" run_cluster "$CLUSTER" "$DB_PORT"
        step "Making the application's role" make_database
        (umask 077; printf 'KEEPER_PASSWORD=%s\nAPP_PASSWORD=%s\nDB_PORT=%s\n' "$KEEPER_PASSWORD" "$APP_PASSWORD" "$DB_PORT" >"$SETTINGS")
    elif ! cluster_runs "$CLUSTER"; then
        if port_taken "$DB_PORT"; then
            DB_PORT=$(free_port 54117)
            (umask 077; printf 'KEEPER_PASSWORD=%s\nAPP_PASSWORD=%s\nDB_PORT=%s\n' "$KEEPER_PASSWORD" "$APP_PASSWORD" "$DB_PORT" >"$SETTINGS")
        fi
        step "Starting the database" run_cluster "$CLUSTER" "$DB_PORT"
    fi
}

stop_database() {
    if use_database && cluster_runs "$CLUSTER"; then step "Stopping the database" halt_cluster "$CLUSTER"; fi
}

reset_demo() {
    use_database || fail 4 "There is no database yet; './overturn start' makes one"
    local was_up=no
    if server_runs; then was_up=yes; stop_server; fi
    cluster_runs "$CLUSTER" || step "Starting the database" run_cluster "$CLUSTER" "$DB_PORT"
    step "Throwing the data away" keeper_sql "drop database if exists overturn with (force)"
    step "Making an empty database" keeper_sql "create database overturn owner overturn"
    if [ "$was_up" = yes ]; then start_server; else say "Done; './overturn start' loads the demo jobs"; fi
}
