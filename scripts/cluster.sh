# Several machines, tried out on one: Patroni with etcd over three PostgreSQL nodes (one synchronous standby), pgBackRest for base backups and
# point-in-time recovery, HAProxy in front of the leader and of two servers, PgBouncer between the servers and the leader. Each node lives in a
# network namespace of its own, so that it can be cut off.

CLUSTER_NODES=(1 2 3)
CLUSTER_BRIDGE=ovt-bridge
CLUSTER_NET=10.117.3
CLUSTER_HERE=$CLUSTER_NET.1
CLUSTER_PORT=${OVERTURN_CLUSTER_PORT:-8300}
CLUSTER_DATABASE_PORT=5000
CLUSTER_POOLER_PORT=6432
# Connections to the leader that all servers share.
CLUSTER_POOL=12
CLUSTER_APPS=(8301 8302)

# cluster_folder: where everything of it is; the database's user has to get there.
cluster_folder() { echo "/var/lib/overturn-cluster-$(printf '%s' "$ROOT" | cksum | cut -d' ' -f1)"; }

node_address() { echo "$CLUSTER_NET.1$1"; }
in_node() { local node=$1; shift; ip netns exec "ovt$node" "$@"; }
as_postgres() { setpriv --reuid=postgres --regid=postgres --init-groups "$@"; }

cluster_packages() {
    [ "$(id -u)" = 0 ] || fail 3 "The cluster is tried out in network namespaces, which only root may make"
    local missing=() package
    for package in patroni etcd-server etcd-client haproxy pgbouncer pgbackrest iproute2; do
        dpkg -s "$package" >/dev/null 2>&1 || missing+=("$package")
    done
    [ ${#missing[@]} = 0 ] || step "Installing ${missing[*]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"
}

# cluster_run NAME COMMAND...: in the background, its number kept.
cluster_run() {
    local name=$1
    shift
    if [ -f "$CD/$name.pid" ] && kill -0 -- "-$(cat "$CD/$name.pid")" 2>/dev/null; then return; fi
    setsid nohup "$@" >>"$CD/log/$name.log" 2>&1 </dev/null &
    echo $! >"$CD/$name.pid"
}

# cluster_end NAME [SIGNAL]: a process that was started from here and what it started.
cluster_end() {
    local pid
    [ -f "$CD/$1.pid" ] || return 0
    pid=$(cat "$CD/$1.pid")
    kill -s "${2:-TERM}" -- "-$pid" 2>/dev/null || true
    for _ in $(seq 1 40); do kill -0 -- "-$pid" 2>/dev/null || break; sleep 0.25; done
    kill -9 -- "-$pid" 2>/dev/null || true
    rm -f "$CD/$1.pid"
}

cluster_network() {
    ip link show "$CLUSTER_BRIDGE" >/dev/null 2>&1 || ip link add "$CLUSTER_BRIDGE" type bridge
    ip addr show "$CLUSTER_BRIDGE" | grep -q "$CLUSTER_HERE/" || ip addr add "$CLUSTER_HERE/24" dev "$CLUSTER_BRIDGE"
    ip link set "$CLUSTER_BRIDGE" up
    local node
    for node in "${CLUSTER_NODES[@]}"; do
        ip netns list | grep -qw "ovt$node" && continue
        ip netns add "ovt$node"
        ip link add "ovt-h$node" type veth peer name "ovt-n$node"
        ip link set "ovt-n$node" netns "ovt$node"
        ip link set "ovt-h$node" master "$CLUSTER_BRIDGE" up
        in_node "$node" ip addr add "$(node_address "$node")/24" dev "ovt-n$node"
        in_node "$node" ip link set "ovt-n$node" up
        in_node "$node" ip link set lo up
    done
}

no_cluster_network() {
    local node
    for node in "${CLUSTER_NODES[@]}"; do ip netns del "ovt$node" 2>/dev/null || true; done
    ip link del "$CLUSTER_BRIDGE" 2>/dev/null || true
}

# cluster_secrets: made once.
cluster_secrets() {
    if [ ! -f "$CD/secrets" ]; then
        (umask 077; printf 'keeper=%s\nreplicator=%s\nowner=%s\napp=%s\noperator=%s\ndemo=%s\n' "$(random_password)" "$(random_password)" \
            "$(random_password)" "$(random_password)" "$(random_password)" "$(random_word)" >"$CD/secrets")
    fi
}
cluster_secret() { sed -n "s/^$1=//p" "$CD/secrets"; }

write_backrest() {
    cat >"$CD/node$1/pgbackrest.conf" <<EOF
[global]
repo1-path=$CD/repo
repo1-retention-full=4
start-fast=y
log-level-console=warn
log-level-file=off
lock-path=$CD/node$1/lock
spool-path=$CD/node$1/spool
[overturn]
pg1-path=$CD/node$1/data
pg1-socket-path=$CD/node$1/socket
pg1-user=keeper
EOF
}

write_patroni() {
    local node=$1 address etcd='' other
    address=$(node_address "$node")
    for other in "${CLUSTER_NODES[@]}"; do etcd+="${etcd:+,}$(node_address "$other"):2379"; done
    cat >"$CD/node$node/patroni.yml" <<EOF
scope: overturn
name: node$node
restapi: {listen: "$address:8008", connect_address: "$address:8008"}
etcd3: {hosts: "$etcd"}
bootstrap:
  dcs:
    ttl: 20
    loop_wait: 1
    retry_timeout: 3
    synchronous_mode: true
    synchronous_mode_strict: true
    postgresql:
      use_pg_rewind: true
      use_slots: true
      parameters:
        max_connections: 100
        wal_level: replica
        hot_standby: "on"
        wal_log_hints: "on"
        wal_keep_size: 256MB
        archive_mode: "on"
        archive_timeout: 60s
        password_encryption: scram-sha-256
  initdb: [{encoding: UTF8}, {locale: C.UTF-8}, data-checksums]
postgresql:
  listen: "$address:5432"
  connect_address: "$address:5432"
  data_dir: $CD/node$node/data
  bin_dir: $PG_BIN
  pgpass: $CD/node$node/pgpass
  authentication:
    superuser: {username: keeper, password: "$(cluster_secret keeper)"}
    replication: {username: replicator, password: "$(cluster_secret replicator)"}
    rewind: {username: keeper, password: "$(cluster_secret keeper)"}
  # A standby that cannot be reached is given up after some seconds: until then a write waits for it.
  parameters:
    wal_sender_timeout: 5s
    wal_receiver_timeout: 5s
    tcp_user_timeout: 5s
    unix_socket_directories: $CD/node$node/socket
    archive_command: "pgbackrest --config=$CD/node$node/pgbackrest.conf --stanza=overturn archive-push %p"
  remove_data_directory_on_rewind_failure: true
  remove_data_directory_on_diverged_timelines: true
  recovery_conf: {restore_command: "pgbackrest --config=$CD/node$node/pgbackrest.conf --stanza=overturn archive-get %f %p"}
  pg_hba:
    - local all all trust
    - host replication replicator $CLUSTER_NET.0/24 scram-sha-256
    - host all all $CLUSTER_NET.0/24 scram-sha-256
EOF
    chmod 600 "$CD/node$node/patroni.yml"
}

write_haproxy() {
    local node app
    cat >"$CD/haproxy.cfg" <<EOF
global
    maxconn 4000
    stats socket $CD/haproxy.sock mode 600 level admin
defaults
    mode http
    timeout connect 3s
    timeout client 2m
    timeout server 2m
    timeout tunnel 12h
    option redispatch
    retries 3
    retry-on conn-failure
frontend pages
    bind 127.0.0.1:$CLUSTER_PORT
    default_backend servers
# A page stays at one server while that is up: the live vehicle of an exercise moves there. Nothing else needs it.
backend servers
    balance leastconn
    cookie at insert indirect nocache httponly
    option httpchk GET /api/health
    http-check send hdr Host 127.0.0.1
    option forwardfor
$(for app in "${CLUSTER_APPS[@]}"; do echo "    server app$app 127.0.0.1:$app check inter 1s fall 2 rise 1 cookie app$app on-marked-down shutdown-sessions"; done)
listen leader
    mode tcp
    bind $CLUSTER_HERE:$CLUSTER_DATABASE_PORT
    option httpchk GET /primary
    timeout client 12h
    timeout server 12h
$(for node in "${CLUSTER_NODES[@]}"; do echo "    server node$node $(node_address "$node"):5432 check port 8008 inter 1s fall 2 rise 1 on-marked-down shutdown-sessions"; done)
EOF
}

# write_pooler: a connection to the leader is lent for a transaction.
write_pooler() {
    (umask 077; printf '"overturn" "%s"\n' "$(cluster_secret app)" >"$CD/pgbouncer.users")
    cat >"$CD/pgbouncer.ini" <<EOF
[databases]
overturn = host=$CLUSTER_HERE port=$CLUSTER_DATABASE_PORT dbname=overturn
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = $CLUSTER_POOLER_PORT
auth_type = scram-sha-256
auth_file = $CD/pgbouncer.users
pool_mode = transaction
default_pool_size = $CLUSTER_POOL
max_client_conn = 1000
ignore_startup_parameters = options,extra_float_digits
server_login_retry = 1
query_wait_timeout = 20
unix_socket_dir =
EOF
    chown postgres "$CD/pgbouncer.ini" "$CD/pgbouncer.users"
}

start_node() {
    local node=$1 address peers='' other
    address=$(node_address "$node")
    for other in "${CLUSTER_NODES[@]}"; do peers+="${peers:+,}etcd$other=http://$(node_address "$other"):2380"; done
    cluster_run "etcd$node" ip netns exec "ovt$node" setpriv --reuid=postgres --regid=postgres --init-groups etcd --name "etcd$node" \
        --data-dir "$CD/node$node/etcd" --listen-peer-urls "http://$address:2380" --initial-advertise-peer-urls "http://$address:2380" \
        --listen-client-urls "http://$address:2379" --advertise-client-urls "http://$address:2379" --initial-cluster "$peers" \
        --initial-cluster-state new --initial-cluster-token overturn --logger zap --log-level warn
    cluster_run "patroni$node" ip netns exec "ovt$node" setpriv --reuid=postgres --regid=postgres --init-groups patroni "$CD/node$node/patroni.yml"
}

stop_node() {
    cluster_end "patroni$1"
    as_postgres "$PG_BIN/pg_ctl" -D "$CD/node$1/data" -m fast -w stop >/dev/null 2>&1 || true
    cluster_end "etcd$1"
}

cluster_sql() { PGPASSWORD=$(cluster_secret keeper) psql -qtA -v ON_ERROR_STOP=1 -h "$CLUSTER_HERE" -p "$CLUSTER_DATABASE_PORT" -U keeper -d "${2:-postgres}" -c "$1"; }

cluster_leader() {
    local node
    for node in "${CLUSTER_NODES[@]}"; do
        if [ "$(curl -s -m 2 -o /dev/null -w '%{http_code}' "http://$(node_address "$node"):8008/primary")" = 200 ]; then echo "$node"; return; fi
    done
    return 1
}

has_standby() { [ "$(cluster_sql "select count(*) from pg_stat_replication where sync_state in ('sync', 'quorum')")" -ge 1 ]; }

# wait_for WHAT SECONDS COMMAND...
wait_for() {
    local what=$1 seconds=$2
    shift 2
    for _ in $(seq 1 $((seconds * 2))); do "$@" >/dev/null 2>&1 && return; sleep 0.5; done
    fail 6 "$what did not come up in $seconds s; see $CD/log"
}

# start_app PORT: what lasts longer than a transaction, migrations and notices, goes past the pooler.
start_app() {
    local port=$1 options="socketTimeout=30&tcpKeepAlive=true" direct
    direct="jdbc:postgresql://$CLUSTER_HERE:$CLUSTER_DATABASE_PORT/overturn?$options"
    OVERTURN_DB_URL="jdbc:postgresql://127.0.0.1:$CLUSTER_POOLER_PORT/overturn?$options&prepareThreshold=0" OVERTURN_DB_USER=overturn \
        OVERTURN_DB_PASSWORD=$(cluster_secret app) OVERTURN_DB_OWNER=overturn_owner OVERTURN_DB_OWNER_PASSWORD=$(cluster_secret owner) \
        OVERTURN_PORT=$port OVERTURN_INSTANCE=app$port OVERTURN_DEMO=true OVERTURN_DEMO_PASSWORD=${OVERTURN_CLUSTER_PASSWORD:-$(cluster_secret demo)} \
        OVERTURN_OPERATOR_TOKEN=$(cluster_secret operator) OVERTURN_PREDICTIONS=$CD/predictions \
        cluster_run "app$port" java "-Xmx${OVERTURN_HEAP:-1g}" -XX:+ExitOnOutOfMemoryError -jar "$JAR" --overturn.proxy=127.0.0.1 --overturn.warm-up=false \
        "--spring.flyway.url=$direct" "--overturn.notices-url=$direct" \
        ${OVERTURN_CLUSTER_DEMO:+--overturn.demo.circuits=$OVERTURN_CLUSTER_DEMO --overturn.demo.past=false}
}

cluster_roles() {
    local role
    for role in "overturn_owner owner" "overturn app"; do
        [ "$(cluster_sql "select 1 from pg_roles where rolname = '${role% *}'")" = 1 ] || cluster_sql "create role ${role% *} login nosuperuser nocreatedb nocreaterole"
        cluster_sql "alter role ${role% *} password '$(cluster_secret "${role#* }")'"
    done
    [ "$(cluster_sql "select 1 from pg_database where datname = 'overturn'")" = 1 ] || cluster_sql "create database overturn owner overturn_owner"
}

cluster_backrest() {
    local node
    node=$(cluster_leader) || fail 6 "The cluster has no leader"
    in_node "$node" setpriv --reuid=postgres --regid=postgres --init-groups pgbackrest --config="$CD/node$node/pgbackrest.conf" --stanza=overturn "$@"
}

cluster_up() {
    local node app
    mkdir -p "$CD/log" "$CD/repo"
    cluster_secrets
    step "Making the network of the nodes" cluster_network
    for node in "${CLUSTER_NODES[@]}"; do
        mkdir -p "$CD/node$node"/{socket,lock,spool}
        write_backrest "$node"
        write_patroni "$node"
        chown -R postgres "$CD/node$node"
    done
    chown postgres "$CD" "$CD/repo"
    chown -R postgres "$CD/repo"
    write_haproxy
    write_pooler
    for node in "${CLUSTER_NODES[@]}"; do start_node "$node"; done
    step "Waiting for a leader" wait_for "A leader" 60 cluster_leader
    cluster_run haproxy haproxy -W -f "$CD/haproxy.cfg"
    step "Waiting for a synchronous standby" wait_for "A synchronous standby" 90 has_standby
    step "Making the roles" cluster_roles
    cluster_run pgbouncer setpriv --reuid=postgres --regid=postgres --init-groups pgbouncer "$CD/pgbouncer.ini"
    step "Making the archive" cluster_backrest stanza-create
    for app in "${CLUSTER_APPS[@]}"; do start_app "$app"; done
    for app in "${CLUSTER_APPS[@]}"; do step "Waiting for server $app" wait_for "Server $app" 180 health "$app"; done
    step "Making a base backup" cluster_backrest --type=full backup
    say "The cluster is up: http://127.0.0.1:$CLUSTER_PORT; the people of the demo sign in with ${OVERTURN_CLUSTER_PASSWORD:-$(cluster_secret demo)}"
}

# What was recovered and looked at is of no use after the cluster.
end_recovered() { if [ -d "$CD/recovered" ]; then as_postgres "$PG_BIN/pg_ctl" -D "$CD/recovered" -m immediate -w stop >/dev/null 2>&1 || true; fi; }

cluster_down() {
    local node app
    end_recovered
    cluster_end haproxy
    for app in "${CLUSTER_APPS[@]}"; do cluster_end "app$app"; done
    cluster_end pgbouncer
    for node in "${CLUSTER_NODES[@]}"; do stop_node "$node"; done
    no_cluster_network
    say "The cluster is down; its data is in $CD"
}

cluster_status() {
    local node app
    for node in "${CLUSTER_NODES[@]}"; do
        say "node$node: $(curl -s -m 2 "http://$(node_address "$node"):8008/patroni" | sed -n 's/.*"state": "\([^"]*\)", .*"role": "\([^"]*\)".*/\2, \1/p;t;s/.*/does not answer/p' | head -n 1)"
    done
    for app in "${CLUSTER_APPS[@]}"; do say "server $app: $(health "$app" && echo up || echo down)"; done
}

# cluster_recover TIME: the database as it stood then, beside the one that works, on a socket of its own.
cluster_recover() {
    local node dir="$CD/recovered"
    node=$(cluster_leader) || fail 6 "The cluster has no leader"
    cluster_sql "select pg_switch_wal()" >/dev/null
    sleep 2
    end_recovered
    rm -rf "$dir" "$CD/recovered-socket"
    mkdir -p "$CD/recovered-socket"
    chown postgres "$CD/recovered-socket"
    step "Bringing back the database as it stood at $1" as_postgres pgbackrest --config="$CD/node$node/pgbackrest.conf" --stanza=overturn --pg1-path="$dir" \
        --type=time "--target=$1" --target-action=promote restore
    printf "archive_mode = off\nlisten_addresses = ''\nunix_socket_directories = '%s'\nhba_file = '%s/pg_hba.conf'\n" "$CD/recovered-socket" "$dir" >>"$dir/postgresql.auto.conf"
    echo "local all all trust" >"$dir/pg_hba.conf"
    [ -f "$dir/postgresql.conf" ] || : >"$dir/postgresql.conf"
    rm -f "$dir/patroni.dynamic.json" "$dir/standby.signal"
    as_postgres "$PG_BIN/pg_ctl" -D "$dir" -w -t 120 -l "$CD/recovered-socket/server.log" -o "-c config_file=$dir/postgresql.auto.conf -c synchronous_standby_names='' -c archive_mode=off" start >/dev/null \
        || fail 7 "It does not come up; see $CD/recovered-socket/server.log"
    wait_for "The recovered database" 60 as_postgres psql -qtA -h "$CD/recovered-socket" -U keeper -d overturn -c "do \$\$ begin if pg_is_in_recovery() then raise 'not yet'; end if; end \$\$"
    say "It is at the socket $CD/recovered-socket, $(as_postgres psql -qtA -h "$CD/recovered-socket" -U keeper -d overturn -c "select count(*) from log_entry") entries"
}

# cut ONE OTHER / join ONE OTHER: two nodes that cannot reach one another.
cut_nodes() {
    in_node "$1" ip route add blackhole "$(node_address "$2")/32"
    in_node "$2" ip route add blackhole "$(node_address "$1")/32"
}
join_nodes() {
    in_node "$1" ip route del blackhole "$(node_address "$2")/32" 2>/dev/null || true
    in_node "$2" ip route del blackhole "$(node_address "$1")/32" 2>/dev/null || true
}

# node_signal NODE SIGNAL: to everything that runs at a node, Patroni, PostgreSQL and etcd, all at once.
node_signal() {
    local pids
    read -r -d '' -a pids <<<"$(ip netns pids "ovt$1")" || true
    [ ${#pids[@]} = 0 ] || kill -s "$2" "${pids[@]}" 2>/dev/null || true
}

cluster() {
    CD=$(cluster_folder)
    case "${1:-}" in
        up) cluster_packages; build; cluster_up ;;
        down) cluster_down ;;
        status) cluster_status ;;
        leader) cluster_leader ;;
        sql) shift; cluster_sql "$1" "${2:-overturn}" ;;
        kill-leader) node_signal "$(cluster_leader)" KILL ;;
        kill-node) node_signal "$2" KILL ;;
        start-node) cluster_end "patroni$2" KILL; cluster_end "etcd$2" KILL; start_node "$2" ;;
        freeze) node_signal "$2" STOP ;;
        thaw) node_signal "$2" CONT ;;
        cut) cut_nodes "$2" "$3" ;;
        join) join_nodes "$2" "$3" ;;
        restart-server) cluster_end "app$2"; start_app "$2"; wait_for "Server $2" 180 health "$2" ;;
        backup) step "Making a base backup" cluster_backrest --type=full backup ;;
        recover) cluster_recover "$2" ;;
        drill) shift; cluster_drill "$@" ;;
        *) fail 2 "./overturn cluster takes up, down, status, leader, sql TEXT, kill-leader, kill-node N, start-node N, freeze N, thaw N, cut N M, join N M, restart-server PORT, backup, recover TIME, drill" ;;
    esac
}

# cluster_drill: everything that can go wrong, while jobs are written; what was acknowledged is counted.
cluster_drill() {
    health "${CLUSTER_APPS[0]}" || fail 6 "The cluster is not up; './overturn cluster up' starts it"
    with_test_database maven package -pl core,secondworld,web,app -Dweb.tests.skip -Dtest=ClusterDrillTest -Dsurefire.failIfNoSpecifiedTests=false \
        -Doverturn.cluster="http://127.0.0.1:$CLUSTER_PORT" -Doverturn.cluster.password="${OVERTURN_CLUSTER_PASSWORD:-$(cluster_secret demo)}" -Dsurefire.useFile=false
}
