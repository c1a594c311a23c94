# A private PostgreSQL cluster: own directory, loopback only, passwords made at first start. Three roles: the keeper of the cluster, the owner of the
# tables (who migrates them), and the role the server works as, which may add to logs and read them and owns nothing.

SUPERVISOR="$ROOT/scripts/supervise.sh"
DATABASE_SUPERVISOR_PID="$VAR/database.supervisor.pid"
PG_USER_RUN=() # how to run the database's programs: PostgreSQL refuses to run as root
if [ "$(id -u)" = 0 ]; then PG_USER_RUN=(runuser -u postgres --); fi

SETTINGS_KEYS=(KEEPER_PASSWORD OWNER_PASSWORD APP_PASSWORD DB_PORT DEMO_PASSWORD DEMO_PIN OPERATOR_TOKEN)

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

# make_cluster DIR PASSWORD: made beside its place and moved there when whole, so that one that was interrupted is never taken for a cluster.
make_cluster() {
    local dir=$1 password_file
    rm -rf "$dir.new"
    mkdir -p "$dir.new"
    password_file=$(mktemp)
    printf '%s' "$2" >"$password_file"
    if [ "$(id -u)" = 0 ]; then chown postgres "$dir.new" "$password_file"; fi
    (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/initdb" -D "$dir.new" -U keeper --pwfile="$password_file" --data-checksums \
        --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 --no-instructions)
    rm -f "$password_file"
    mv "$dir.new" "$dir"
}

# run_cluster DIR PORT [POSTGRES OPTIONS]
run_cluster() {
    (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" -w -t 60 -l "$1/server.log" \
        -o "-p $2 -c listen_addresses=127.0.0.1 -c unix_socket_directories='' ${3:-}" start)
}

# supervise_cluster DIR PORT: the same, started again whenever it ends by itself.
supervise_cluster() {
    local as=()
    if [ "$(id -u)" = 0 ]; then as=(setpriv --reuid=postgres --regid=postgres --init-groups); fi
    mkdir -p "$VAR/log"
    (
        cd /
        OVERTURN_STOP_SIGNAL=INT setsid nohup "$SUPERVISOR" "$VAR" database "$PG_BIN/pg_isready -q -h 127.0.0.1 -p $2" \
            "${as[@]}" "$PG_BIN/postgres" -D "$1" -p "$2" -c listen_addresses=127.0.0.1 -c unix_socket_directories= >"$VAR/log/database.log" 2>&1 </dev/null &
        echo $! >"$DATABASE_SUPERVISOR_PID"
    )
    for _ in $(seq 1 240); do
        "$PG_BIN/pg_isready" -q -h 127.0.0.1 -p "$2" && return
        is_ours "$DATABASE_SUPERVISOR_PID" "$SUPERVISOR" || return 1
        sleep 0.25
    done
    return 1
}

cluster_runs() { (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" status >/dev/null 2>&1); }

halt_cluster() { (cd / && "${PG_USER_RUN[@]}" "$PG_BIN/pg_ctl" -D "$1" -w -m fast stop); }

# keeper_sql SQL [DATABASE]
keeper_sql() { PGPASSWORD=$KEEPER_PASSWORD psql -qtA -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$DB_PORT" -U keeper -d "${2:-postgres}" -c "$1"; }

# ensure_role NAME PASSWORD
ensure_role() {
    [ "$(keeper_sql "select 1 from pg_roles where rolname = '$1'")" = 1 ] || keeper_sql "create role $1 login nosuperuser nocreatedb nocreaterole"
    keeper_sql "alter role $1 password '$2'"
}

# make_database: roles and database as they have to be, whatever of them is there already.
make_database() {
    ensure_role overturn_owner "$OWNER_PASSWORD"
    ensure_role overturn "$APP_PASSWORD"
    if [ "$(keeper_sql "select 1 from pg_database where datname = 'overturn'")" = 1 ]; then
        keeper_sql "alter database overturn owner to overturn_owner"
        keeper_sql "reassign owned by overturn to overturn_owner" overturn
    else
        keeper_sql "create database overturn owner overturn_owner"
    fi
}

random_password() { head -c 48 /dev/urandom | base64 | tr -dc 'a-zA-Z0-9' | cut -c1-32; }

# One that can be typed from the screen: 12 letters and digits that nobody takes for one another, 59 bits.
random_word() { head -c 256 /dev/urandom | tr -dc 'a-hjkmnp-z2-9' | cut -c1-12; }

random_pin() { shuf -i 2345-9876 -n 1 --random-source=/dev/urandom | tr '0' '7'; }

# read_settings FILE: read as data, never run; false if there is none.
read_settings() {
    local key value
    [ -f "$1" ] || return 1
    while IFS='=' read -r key value; do
        case " ${SETTINGS_KEYS[*]} " in
            *" $key "*)
                [[ $value =~ ^[a-zA-Z0-9]+$ ]] || fail 4 "$1: $key holds something other than letters and digits; put the file back as it was"
                printf -v "$key" '%s' "$value"
                ;;
        esac
    done <"$1"
}

# write_settings FILE: replaced as a whole or not at all.
write_settings() {
    local key
    (
        umask 077
        for key in "${SETTINGS_KEYS[@]}"; do [ -z "${!key:-}" ] || printf '%s=%s\n' "$key" "${!key}"; done >"$1.new"
        mv -f "$1.new" "$1"
    )
}

# Where OVERTURN_DB_HOST names a host, the database is kept there by somebody else, and none is started here. Its roles overturn_owner and overturn are made
# there beforehand (docs/database.md).
ELSEWHERE=no
if [ -n "${OVERTURN_DB_HOST:-}" ]; then ELSEWHERE=yes; fi

# secret NAME: the variable of that name, or what the file holds that NAME_FILE names.
secret() {
    local file="$1_FILE"
    if [ -n "${!1:-}" ]; then printf '%s' "${!1}"; elif [ -n "${!file:-}" ]; then
        [ -r "${!file}" ] || fail 2 "$file names ${!file}, which cannot be read"
        head -n 1 "${!file}"
    else
        fail 2 "Set $1, or $file to a file that holds it"
    fi
}

# database_url: of PostgreSQL here or elsewhere. Elsewhere it is encrypted and its certificate is checked unless OVERTURN_DB_TLS says otherwise.
database_url() {
    if [ "$ELSEWHERE" = no ]; then
        echo "jdbc:postgresql://127.0.0.1:$DB_PORT/overturn"
        return
    fi
    echo "jdbc:postgresql://$OVERTURN_DB_HOST:${OVERTURN_DB_PORT:-5432}/${OVERTURN_DB_NAME:-overturn}?$(encryption '&')"
}

# encryption DIVIDER: how the way there is encrypted, and where certificates are checked whose are believed: those that Debian knows unless one is named.
encryption() {
    local tls=${OVERTURN_DB_TLS:-verify-full} authority=${OVERTURN_DB_CA:-}
    case $tls in verify-*) authority=${authority:-/etc/ssl/certs/ca-certificates.crt} ;; esac
    echo "sslmode=$tls${authority:+$1sslrootcert=$authority}"
}

# ask_elsewhere ROLE PASSWORD: whether that database takes this role, asked for half a minute; its own words if it does not.
ask_elsewhere() {
    local told attempt
    for attempt in {1..10}; do
        told=$(PGPASSWORD=$2 psql -qtA "host=$OVERTURN_DB_HOST port=${OVERTURN_DB_PORT:-5432} dbname=${OVERTURN_DB_NAME:-overturn} user=$1 connect_timeout=5 $(encryption ' ')" -c "select 1" 2>&1) && return
        case $told in *refused* | *timeout* | *starting\ up*) [ "$attempt" = 10 ] || sleep 3 ;; *) break ;; esac
    done
    fail 6 "The database at $OVERTURN_DB_HOST does not take the role $1: $told"
}

# check_elsewhere: whether what is said of a database that somebody else keeps can be meant; told before anything is built.
check_elsewhere() {
    [ "$ELSEWHERE" = yes ] || return 0
    local host='^[]a-zA-Z0-9.:_,[-]+$' tls=${OVERTURN_DB_TLS:-verify-full}
    [[ $OVERTURN_DB_HOST =~ $host ]] || fail 2 "OVERTURN_DB_HOST is “$OVERTURN_DB_HOST”, which is no host"
    [[ ${OVERTURN_DB_PORT:-5432} =~ ^[0-9]{1,5}$ ]] || fail 2 "OVERTURN_DB_PORT is “$OVERTURN_DB_PORT”, which is no port"
    case $tls in disable | require | verify-ca | verify-full) ;; *) fail 2 "OVERTURN_DB_TLS is “$tls”; allowed are disable, require, verify-ca, verify-full" ;; esac
    [ -z "${OVERTURN_DB_CA:-}" ] || [ -r "$OVERTURN_DB_CA" ] || fail 2 "OVERTURN_DB_CA names $OVERTURN_DB_CA, which cannot be read"
    secret OVERTURN_DB_PASSWORD >/dev/null || exit
    secret OVERTURN_DB_OWNER_PASSWORD >/dev/null || exit
}

# use_elsewhere: what is asked of a database that somebody else keeps; its secrets are not written to the settings here.
use_elsewhere() {
    SETTINGS="$VAR/database.env"
    OWNER_PASSWORD='' DEMO_PASSWORD='' DEMO_PIN='' OPERATOR_TOKEN='' KEEPER_PASSWORD='' DB_PORT=''
    read_settings "$SETTINGS" || true
    [ -n "$DEMO_PASSWORD" ] || DEMO_PASSWORD=$(random_word)
    [ -n "$DEMO_PIN" ] || DEMO_PIN=$(random_pin)
    [ -n "$OPERATOR_TOKEN" ] || OPERATOR_TOKEN=$(random_password)
    write_settings "$SETTINGS"
    APP_PASSWORD=$(secret OVERTURN_DB_PASSWORD) || exit
    OWNER_PASSWORD=$(secret OVERTURN_DB_OWNER_PASSWORD) || exit
}

# not_elsewhere COMMAND: for what only the keeper of a database can do.
not_elsewhere() { [ "$ELSEWHERE" = no ] || fail 2 "The database is at $OVERTURN_DB_HOST; './overturn $1' works on one that is kept here. See docs/database.md"; }

use_database() {
    CLUSTER="$(cluster_home)/postgres"
    SETTINGS="$VAR/database.env"
    OWNER_PASSWORD='' DEMO_PASSWORD='' DEMO_PIN='' OPERATOR_TOKEN=''
    read_settings "$SETTINGS"
}

start_database() {
    if [ "$ELSEWHERE" = yes ]; then
        mkdir -p "$VAR"
        use_elsewhere
        say "The database is kept at $OVERTURN_DB_HOST; none is started here"
        ask_elsewhere overturn_owner "$OWNER_PASSWORD"
        ask_elsewhere overturn "$APP_PASSWORD"
        return
    fi
    if ! use_database; then
        [ ! -d "$CLUSTER" ] || fail 4 "$CLUSTER holds a database whose password file $SETTINGS is gone; put it back or remove the folder"
        KEEPER_PASSWORD=$(random_password)
        APP_PASSWORD=$(random_password)
        DB_PORT=$(free_port 54117)
    fi
    [ -n "$OWNER_PASSWORD" ] || OWNER_PASSWORD=$(random_password)
    [ -n "$DEMO_PASSWORD" ] || DEMO_PASSWORD=$(random_word)
    [ -n "$DEMO_PIN" ] || DEMO_PIN=$(random_pin)
    [ -n "$OPERATOR_TOKEN" ] || OPERATOR_TOKEN=$(random_password)
    if [ -d "$CLUSTER" ] && cluster_runs "$CLUSTER"; then
        write_settings "$SETTINGS"
    else
        if port_taken "$DB_PORT"; then DB_PORT=$(free_port 54117); fi
        write_settings "$SETTINGS"
        [ -d "$CLUSTER" ] || step "Making the database" make_cluster "$CLUSTER" "$KEEPER_PASSWORD"
        step "Starting the database" supervise_cluster "$CLUSTER" "$DB_PORT"
    fi
    step "Looking after the database's roles" make_database
}

stop_database() {
    if end_process "$DATABASE_SUPERVISOR_PID" "$SUPERVISOR"; then say "Database stopped"; fi
    rm -f "$DATABASE_SUPERVISOR_PID"
    if use_database && [ -d "$CLUSTER" ] && cluster_runs "$CLUSTER"; then step "Stopping the database" halt_cluster "$CLUSTER"; fi
}

reset_demo() {
    use_database || fail 4 "There is no database yet; './overturn start' makes one"
    local was_up=no
    if server_runs; then was_up=yes; stop_server; fi
    start_database
    step "Throwing the data away" keeper_sql "drop database if exists overturn with (force)"
    step "Making an empty database" make_database
    if [ "$was_up" = yes ]; then start_server; else say "Done; './overturn start' loads the demo jobs"; fi
}

# write_heads [FILE]: the last hash of every job; a file is replaced as a whole.
write_heads() {
    local file=${1:-$VAR/heads.csv}
    use_database && cluster_runs "$CLUSTER" || fail 6 "The database is not up; './overturn start' starts it"
    heads_of overturn >"$file.new" || fail 6 "The database refused"
    mv -f "$file.new" "$file"
    say "$(wc -l <"$file") logs are written down in $file; keep it where nobody who can reach the database can"
}

# verify_logs [FILE]: 0 only when nothing was found.
verify_logs() {
    local found
    use_database && cluster_runs "$CLUSTER" || fail 6 "The database is not up; './overturn start' starts it"
    [ $# = 0 ] || [ -f "$1" ] || fail 2 "There is no file $1"
    found=$(findings overturn "$@") || fail 6 "The database refused, or $* is no file of heads"
    if [ -n "$found" ]; then
        printf '%s\n' "$found"
        fail 7 "$(printf '%s\n' "$found" | wc -l) findings"
    fi
    say "$(keeper_sql "select count(*) || ' entries of ' || count(distinct job_id) || ' jobs are as they were written' from log_entry" overturn)"
}
