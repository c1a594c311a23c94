# Building, serving, testing.

JAR="$ROOT/app/target/app-0.1.0.jar"
SUPERVISOR_PID="$VAR/supervisor.pid"
SERVER_PID="$VAR/server.pid"

maven() { (cd "$ROOT" && mvn -q -B -ntp "$@"); }

build() {
    if [ -f "$JAR" ] && [ -z "$(find "$ROOT/pom.xml" "$ROOT"/*/pom.xml "$ROOT"/*/src "$ROOT"/web/*.json "$ROOT"/web/*.ts \
            "$ROOT"/web/index.html "$ROOT/docs/openapi.json" -newer "$JAR" -type f -not -path '*/generated/*' -print -quit 2>/dev/null)" ]; then
        return
    fi
    step "Building (the first time takes some minutes)" maven package -DskipTests
}

# is_ours PID_FILE WORD: whether the process of that number runs and is the one that was started from here, told by a word of its command line.
is_ours() {
    local pid
    [ -f "$1" ] && pid=$(cat "$1") && [[ $pid =~ ^[0-9]+$ ]] && tr '\0' '\n' 2>/dev/null <"/proc/$pid/cmdline" | grep -qxF -- "$2"
}

server_runs() { is_ours "$SUPERVISOR_PID" "$SUPERVISOR"; }

# at PORT_OR_ADDRESS: the whole address; of a port alone on this machine.
at() { case "$1" in http*) echo "$1" ;; *) echo "http://127.0.0.1:$1" ;; esac; }

# Its own certificate need not be known on this machine.
health() { curl -fsk -m 5 "$(at "$1")/api/health" >/dev/null 2>&1; }

# A quarter of the machine's memory, at least 1 GiB, at most 4.
heap_megabytes() {
    local quarter
    quarter=$(($(sed -n 's/^MemTotal: *\([0-9]*\) kB/\1/p' /proc/meminfo) / 4096))
    echo $((quarter < 1024 ? 1024 : quarter > 4096 ? 4096 : quarter))
}

start_server() {
    if server_runs && [ ! "$JAR" -nt "$SUPERVISOR_PID" ] && health "$(cat "$VAR/server.port")"; then
        [ "$ELSEWHERE" = yes ] || is_ours "$BACKUPS_PID" "$SCHEDULER" || start_backups
        say "Already serving: $(at "$(cat "$VAR/server.port")")"
        tell_sign_in "$(cat "$VAR/server.port")"
        return
    fi
    use_network
    stop_server
    port_taken "$PORT" && fail 5 "Port $PORT is taken; free it or start with OVERTURN_PORT=another"
    mkdir -p "$VAR/log"
    OVERTURN_DB_URL="$(database_url)" OVERTURN_DB_USER=overturn OVERTURN_DB_PASSWORD=$APP_PASSWORD \
        OVERTURN_DB_OWNER=overturn_owner OVERTURN_DB_OWNER_PASSWORD=$OWNER_PASSWORD OVERTURN_PORT=$PORT OVERTURN_DEMO=${OVERTURN_DEMO:-$(if [ "$ELSEWHERE" = no ]; then echo true; else echo false; fi)} \
        OVERTURN_BACKUP_STATUS=$BACKUP_STATUS OVERTURN_PREDICTIONS=$VAR/predictions \
        OVERTURN_DEMO_PASSWORD=$DEMO_PASSWORD OVERTURN_DEMO_PIN=$DEMO_PIN OVERTURN_OPERATOR_TOKEN=$OPERATOR_TOKEN \
        setsid nohup "$SUPERVISOR" "$VAR" server "curl -sk -m 15 -o /dev/null $LOCAL_URL/api/health" \
        java "-Xmx${OVERTURN_HEAP:-$(heap_megabytes)m}" -XX:+ExitOnOutOfMemoryError -jar "$JAR" "${SERVER_ARGUMENTS[@]}" >"$VAR/log/server.log" 2>&1 </dev/null &
    echo $! >"$SUPERVISOR_PID"
    echo "$LOCAL_URL" >"$VAR/server.port"
    [ "$ELSEWHERE" = yes ] || start_backups
    say "Starting the server …"
    wait_until_up
}

# operator METHOD PORT PATH: asks the server for what only the commands of this machine get; the token goes by no command line.
operator() { printf 'header = "Authorization: Bearer %s"\n' "$OPERATOR_TOKEN" | curl -fsk -m 20 -K - -X "$1" "$(at "$2")$3"; }

tell_sign_in() {
    local path
    [ -n "${DEMO_PASSWORD:-}" ] || return 0
    say "Sign in as Ines Quill (lead), Tobias Renn, Marit Osei (technicians) or Juno Vale (apprentice) of the demo."
    say "Their password is $DEMO_PASSWORD, their PIN on a shop tablet $DEMO_PIN."
    path=$(operator POST "$1" /api/owner-link | sed -n 's/.*"path":"\([^"]*\)".*/\1/p') || true
    [ -z "$path" ] || say "Nobody owns this workshop yet. Whoever opens this link first, within a week, does: $(at "${PUBLIC_URL:-$1}")$path"
}

owner_link() {
    server_runs && health "$(cat "$VAR/server.port")" || fail 6 "The server is not up; './overturn start' starts it"
    use_database
    local at
    at=$(at "$(cat "$VAR/server.port")")
    say "Whoever opens this link first, within a week, owns the workshop too: $at$(operator POST "$at" "/api/owner-link?another=true" | sed -n 's/.*"path":"\([^"]*\)".*/\1/p')"
}

# Waits as long as the process lives: a busy machine may need minutes.
wait_until_up() {
    local began=$SECONDS said=$SECONDS
    sleep 0.5
    while server_runs; do
        if health "${LOCAL_URL:-$PORT}"; then
            say "Overturn is ready: $(at "${PUBLIC_URL:-$PORT}")"
            [ -z "${FINGERPRINT:-}" ] || say "Its certificate: SHA-256 $FINGERPRINT"
            tell_sign_in "${LOCAL_URL:-$PORT}"
            return
        fi
        if [ $((SECONDS - said)) -ge 15 ]; then
            said=$SECONDS
            if [ -z "${CLUSTER:-}" ] || cluster_runs "$CLUSTER"; then say "… still coming up after $((SECONDS - began)) s"; else say "… waits for the database, which is down"; fi
        fi
        sleep 0.5
    done
    grep -aE 'ERROR|Caused by' "$VAR/log/server.log" | tail -n 3 | cut -c1-300 >&2 || true
    fail 6 "The server did not start; all of it is in $VAR/log/server.log"
}

# end_process PID_FILE WORD: ends a process of ours, gently first; never one that only bears its number.
end_process() {
    local pid
    is_ours "$1" "$2" || return 1
    pid=$(cat "$1")
    kill "$pid" 2>/dev/null || true
    for _ in $(seq 1 60); do
        is_ours "$1" "$2" || return 0
        sleep 0.25
    done
    kill -9 "$pid" 2>/dev/null || true
}

stop_server() {
    local stopped=no
    stop_backups
    if end_process "$SUPERVISOR_PID" "$SUPERVISOR"; then stopped=yes; fi
    if end_process "$SERVER_PID" "$JAR"; then stopped=yes; fi
    [ $stopped = no ] || say "Server stopped"
    rm -f "$SUPERVISOR_PID" "$SERVER_PID"
}

# tell_restarts server|database
tell_restarts() {
    if [ -f "$VAR/$1.restarts" ]; then
        say "          came back by itself $(grep -c 'started again' "$VAR/$1.restarts") times; last: $(tail -n 1 "$VAR/$1.restarts")"
    fi
}

# show_status: 0 only when both answer.
show_status() {
    local code=1 port
    if server_runs; then
        port=$(cat "$VAR/server.port")
        if health "$port"; then
            say "server:   up at $(at "$port")"
            code=0
        else
            say "server:   running and not sound: $(curl -sk -m 15 "$(at "$port")/api/health" | grep -o '"detail":"[^"]*"' || echo "it does not answer"); see $VAR/log/server.log"
        fi
    else
        say "server:   down"
    fi
    tell_restarts server
    if [ "$ELSEWHERE" = yes ]; then
        say "database: kept at $OVERTURN_DB_HOST"
        return $code
    fi
    if use_database && cluster_runs "$CLUSTER"; then
        say "database: up on 127.0.0.1:$DB_PORT"
        tell_restarts database
    else
        say "database: down; './overturn start' starts it"
        code=1
    fi
    return $code
}

rebuild_bay() {
    server_runs && health "$(cat "$VAR/server.port")" || fail 6 "The server is not up; './overturn start' starts it"
    use_database
    operator POST "$(cat "$VAR/server.port")" /api/bay/rebuild || fail 6 "The server refused; see $VAR/log/server.log"
    say "The lines of the bay are made anew from the logs in the background"
}

# with_test_database COMMAND...: a throw-away cluster for the length of one command, with PostgreSQL's options THROW_AWAY.
with_test_database() {
    local home fork code=0
    home=$(mktemp -d /tmp/overturn-test.XXXXXX)
    chmod 755 "$home"
    CLUSTER="$home/postgres"
    KEEPER_PASSWORD=$(random_password)
    OWNER_PASSWORD=$(random_password)
    APP_PASSWORD=$(random_password)
    DB_PORT=$(free_port 54317 400)
    DEMO_PASSWORD=$(random_word)
    OPERATOR_TOKEN=$(random_password)
    trap 'halt_cluster "'"$CLUSTER"'" >/dev/null 2>&1; rm -rf "'"$home"'"' EXIT
    step "Making a throw-away database" make_cluster "$CLUSTER" "$KEEPER_PASSWORD"
    step "Starting the throw-away database" run_cluster "$CLUSTER" "$DB_PORT" "${THROW_AWAY:-}"
    step "Making the roles" make_database
    for fork in 1 2 3 4 5 6; do keeper_sql "create database overturn_$fork owner overturn_owner"; done # one for each process of the tests, two modules at a time
    OVERTURN_DB_URL="jdbc:postgresql://127.0.0.1:$DB_PORT/overturn" OVERTURN_DB_USER=overturn OVERTURN_DB_PASSWORD=$APP_PASSWORD \
        OVERTURN_DB_OWNER=overturn_owner OVERTURN_DB_OWNER_PASSWORD=$OWNER_PASSWORD OVERTURN_REAL_DATABASE=true "$@" || code=$?
    return $code
}

# Modules that do not need one another are built and tested side by side.
# No test takes the machine's current away, so that what the operating system has is kept: nothing waits for the disk.
run_tests() { THROW_AWAY="-c fsync=off -c full_page_writes=off" with_test_database mvn -B -ntp -T 2 -f "$ROOT/pom.xml" verify "$@"; }

# attack [--requests N] [--files N] [--orders N] [--pictures N] [--seed N]: two hours with what it does by itself
attack() {
    local requests=50000 files=20000 orders=20000 pictures=3000 seed=20261127
    while [ $# -gt 0 ]; do
        [[ ${2:-} =~ ^[0-9]+$ ]] || fail 2 "$1 takes a whole number"
        case "$1" in
            --requests) requests=$2 ;;
            --files) files=$2 ;;
            --orders) orders=$2 ;;
            --pictures) pictures=$2 ;;
            --seed) seed=$2 ;;
            *) fail 2 "There is no '$1'; './overturn attack' takes --requests, --files, --orders, --pictures and --seed" ;;
        esac
        shift 2
    done
    with_test_database mvn -q -B -ntp -f "$ROOT/pom.xml" -pl core,secondworld,web,app test -Dexec.skip -Dweb.tests.skip -Dtest='Hostile*Test' \
        -Dsurefire.failIfNoSpecifiedTests=false -Dhostile.requests="$requests" -Dhostile.files="$files" -Dhostile.orders="$orders" \
        -Dhostile.pictures="$pictures" -Dhostile.seed="$seed" -Dhostile.seconds=2
}

check() {
    local pages
    step "Pages: packages, types, style, tests" pages_checked &
    pages=$!
    step "Java: compiling, style, walls, fast tests of the core" maven -Pquick test spotless:check -Dexec.skip -Dweb.tests.skip \
        -Dsurefire.failIfNoSpecifiedTests=false
    wait "$pages"
    say "Sound; './overturn test' runs all tests"
}

page_packages() { [ "$ROOT/web/node_modules/.package-lock.json" -nt "$ROOT/web/package-lock.json" ] || (cd "$ROOT/web" && npm ci --no-audit --no-fund); }

pages_checked() { page_packages && (cd "$ROOT/web" && npm run types && npx tsc --noEmit && npm test); }

format_sources() {
    step "Java" maven spotless:apply
    step "Pages: packages" page_packages
    step "Pages" npm --prefix "$ROOT/web" run format
}

# serve_pages: changed pages are seen at once; the API is that of the server.
serve_pages() { cd "$ROOT/web" && OVERTURN_PORT=$(sed "s/.*://" "$VAR/server.port") exec npx vite --host 127.0.0.1; }

write_openapi() {
    with_test_database mvn -q -B -ntp -f "$ROOT/pom.xml" -pl core,secondworld,web,app test -Dexec.skip -Dweb.tests.skip -Dtest=OpenApiDocumentTest \
        -Dsurefire.failIfNoSpecifiedTests=false -Dopenapi.write=true
    say "docs/openapi.json is written"
}

write_tables() {
    step "Building" maven package -DskipTests
    java -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" overturn.bench.SuspectTables "$ROOT/docs/tables"
}

# mutate PACKAGE: mutations of one package of the core against its own tests, survivors in core/target/pit-reports
mutate() {
    [[ ${1:-} =~ ^[a-z]+$ ]] || fail 2 "'./overturn mutate' takes one package of the core, for example proving"
    [ -d "$ROOT/core/src/main/java/overturn/$1" ] || fail 2 "There is no package '$1' in the core"
    maven test-compile -pl core
    step "Mutating $1" maven -pl core -Pmutate org.pitest:pitest-maven:mutationCoverage -Dmutate.package="$1"
    awk -F, -v package="$1" '
        { all++; if ($6 ~ /KILLED|TIMED_OUT|MEMORY_ERROR|RUN_ERROR/) caught++
          else { sub(/.*mutators\./, "", $3); printf "%s:%s %s, %s\n", $2, $5, $4, $3 } }
        END { printf "%s: %d of %d mutations caught (%d %%)\n", package, caught, all, 100 * caught / all }
    ' "$ROOT/core/target/pit-reports/mutations.csv"
}

# kills N: server and database killed under load so many times; what was acknowledged is counted.
kills() {
    [[ ${1:-} =~ ^[0-9]{1,5}$ ]] || fail 2 "'./overturn kills' takes how often"
    with_test_database maven package -pl core,secondworld,web,app -Dweb.tests.skip -Dtest=KilledUnderLoadTest -Dsurefire.failIfNoSpecifiedTests=false \
        -Doverturn.kills="$1" -Dsurefire.useFile=false
}

take_shots() {
    with_test_database mvn -q -B -ntp -f "$ROOT/pom.xml" verify -Dtest=ScreenshotsTest -Dsurefire.failIfNoSpecifiedTests=false \
        -Dshots.write=true
    say "docs/screenshots is refreshed"
}

# bench_hidden_faults: the planner and its baselines on hidden vehicles; all output but the report goes to stderr.
bench_hidden_faults() {
    step "Building" maven package -pl core,secondworld,bench -DskipTests >&2
    java -XX:+UseParallelGC -XX:+UseTransparentHugePages -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" overturn.bench.hidden.HiddenFaults "$@"
}

# bench_speed: the core by JMH, then the server's answer against a throw-away database.
bench_speed() {
    step "Building" maven package -DskipTests
    java -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" org.openjdk.jmh.Main -rf json -rff "$VAR/core-speed.json" "CoreSpeed|PhysicsSpeed|TableSpeed"
    with_test_database measure_server
}

# serve_for_measuring COMMAND...: a server of 1 GiB (or OVERTURN_HEAP) on the throw-away database for the length of one command; ADDRESS and SERVER tell where and who.
serve_for_measuring() {
    local port code=0
    port=$(free_port 8517)
    ADDRESS=http://127.0.0.1:$port
    OVERTURN_PORT=$port OVERTURN_DEMO=true OVERTURN_DEMO_PASSWORD=$DEMO_PASSWORD OVERTURN_OPERATOR_TOKEN=$OPERATOR_TOKEN java "-Xmx${OVERTURN_HEAP:-1g}" -XX:+ExitOnOutOfMemoryError -jar "$JAR" >"$VAR/log/bench-server.log" 2>&1 &
    SERVER=$!
    until health "$port"; do kill -0 $SERVER 2>/dev/null || fail 6 "The server did not start; see $VAR/log/bench-server.log"; sleep 0.5; done
    "$@" || code=$?
    kill $SERVER 2>/dev/null || fail 6 "The server ended by itself; see $VAR/log/bench-server.log"
    wait $SERVER 2>/dev/null || true
    return $code
}

measuring() { DEMO_PASSWORD=$DEMO_PASSWORD java -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" "$@"; }

measure_server() { serve_for_measuring run_server_answer; }

run_server_answer() { measuring overturn.bench.ServerAnswer "$ADDRESS"; }

# What the server holds after all that: of its heap after the last collection, and of the machine's memory at most.
tell_memory() {
    operator GET "${ADDRESS##*:}" /api/health | grep -o '[0-9]* % held after the last collection' || true
    say "most memory of the process: $(($(sed -n 's/^VmHWM:[^0-9]*\([0-9]*\) kB/\1/p' "/proc/$SERVER/status") / 1024)) MB (heap at most ${OVERTURN_HEAP:-1g})"
}

# bench_rigs [VEHICLES] [SECONDS]: live vehicles of exercises at once.
bench_rigs() {
    VEHICLES=${1:-30} SECONDS_LONG=${2:-60}
    step "Building" maven package -DskipTests
    with_test_database measure_rigs
}

measure_rigs() { serve_for_measuring run_rigs; }

run_rigs() { measuring overturn.bench.LiveRigsLoad "$ADDRESS" "$SERVER" "$VEHICLES" "$SECONDS_LONG"; }

# bench_trainees [EXERCISES] [SEED]: simulated trainees through the same exercises.
bench_trainees() {
    step "Building" maven package -pl core,secondworld,bench -DskipTests >&2
    java -XX:+UseParallelGC -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" overturn.bench.Trainees "${1:-500}" "${2:-7}"
}

# bench_shop [PEOPLE] [SECONDS] [SERVERS]: technicians at the pace of work against one server of 1 GiB, or several on one database.
bench_shop() {
    step "Building" maven package -DskipTests
    BENCH_PEOPLE=${1:-500} BENCH_SECONDS=${2:-600} BENCH_SERVERS=${3:-1}
    with_test_database serve_for_measuring measure_shop
}

measure_shop() {
    local port second='' addresses=$ADDRESS
    if [ "$BENCH_SERVERS" = 2 ]; then
        port=$(free_port 8527)
        OVERTURN_PORT=$port OVERTURN_DEMO=true OVERTURN_DEMO_PASSWORD=$DEMO_PASSWORD OVERTURN_OPERATOR_TOKEN=$OPERATOR_TOKEN java "-Xmx${OVERTURN_HEAP:-1g}" -XX:+ExitOnOutOfMemoryError -jar "$JAR" >"$VAR/log/bench-server-2.log" 2>&1 &
        second=$!
        until health "$port"; do kill -0 $second 2>/dev/null || fail 6 "The second server did not start"; sleep 0.5; done
        addresses=$ADDRESS,http://127.0.0.1:$port
    fi
    measuring overturn.bench.ShopLoad "$addresses" "$BENCH_PEOPLE" "$BENCH_SECONDS"
    tell_memory
    [ -z "$second" ] || kill "$second"
}

# bench_learning: what closed jobs are worth on later vehicles of the same shop.
bench_learning() {
    step "Building" maven package -pl core,secondworld,bench -DskipTests >&2
    java -XX:+UseParallelGC -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" overturn.bench.hidden.LearningShops "$@"
}

# bench_tests: what each test says for the fault that is there, on vehicles that are not the model.
bench_tests() {
    step "Building" maven package -pl core,secondworld,bench -DskipTests >&2
    java -XX:+UseParallelGC -cp "$ROOT/bench/target/classes:$ROOT/bench/target/lib/*" overturn.bench.hidden.WhatTestsSay "$@"
}

# stand_ins [still]: instruments that are not there, until the command is ended; they say to the server that they are.
stand_ins() {
    [ "${1:-}" = "" ] || [ "$1" = still ] || fail 2 "'./overturn instruments' takes nothing, or 'still'"
    step "Building" maven package -pl core,secondworld,bench -DskipTests
    java -cp "$ROOT/bench/target/lib/*" overturn.secondworld.standin.StandIns "$(at "$(cat "$VAR/server.port" 2>/dev/null || echo "$PORT")")" "$@"
}

# fill_bay OPEN CLOSED: lines of jobs that are no more than lines, as the bay sees them.
fill_bay() {
    keeper_sql "
        with made as (
            insert into job (id, log_opened_at)
            select gen_random_uuid(), now() - make_interval(mins => n) from generate_series(1, $1 + $2) n returning id, log_opened_at)
        insert into job_summary (job_id, sequence, stage, open, vehicle, layout_id, complaint, opened_by_id, log_opened_at, readings, hunch_id, still_fitted,
                                 assessed_sequence, settings_version, lead_suspect_id, lead_remedy_id, lead_probability, grade, next_procedure_id, next_minutes)
        select id, 9, case when n <= $1 then 'tracing' when n % 20 = 0 then 'given-up' else 'released' end, n <= $1,
               (array['Tarn SK ', 'Pellow ', 'Corvane ', 'van '])[1 + n % 4] || n, (array['tarn-box-van', 'pellow-saloon', 'corvane-flatbed'])[1 + n % 3],
               (array['Sinks when I wait at the ferry ramp', 'Long pedal since the storm week', 'Drags on the hill road after the flood'])[1 + n % 3] || ', number ' || n,
               'juno-vale', log_opened_at, 7, 'primary-piston-cup', 0, 9, 0, 'air-in-rear-end', 'bleed', 0.7, 'PROBABLE', 'free-play', 4
          from (select id, log_opened_at, row_number() over (order by log_opened_at desc) n from made) numbered;" overturn
    keeper_sql "vacuum analyze job_summary" overturn
}

# bench_load [technicians|layouts|bay] [--people N] [--seconds N] [--layouts N] [--jobs N]
bench_load() {
    PEOPLE=150 SECONDS_LONG=300 LAYOUTS=300 JOBS=2000 PARTS="technicians layouts bay"
    case "${1:-}" in technicians | layouts | bay) PARTS=$1; shift ;; esac
    while [ $# -gt 0 ]; do
        [[ ${2:-} =~ ^[0-9]+$ ]] || fail 2 "$1 takes a whole number"
        case "$1" in
            --people) PEOPLE=$2 ;;
            --seconds) SECONDS_LONG=$2 ;;
            --layouts) LAYOUTS=$2 ;;
            --jobs) JOBS=$2 ;;
            *) fail 2 "There is no '$1'; './overturn bench load' takes --people, --seconds, --layouts and --jobs" ;;
        esac
        shift 2
    done
    step "Building" maven package -DskipTests
    with_test_database measure_load
}

measure_load() {
    local part
    for part in $PARTS; do serve_for_measuring "run_$part"; done
}

run_technicians() { measuring overturn.bench.ServerLoad "$ADDRESS" technicians "$PEOPLE" "$SECONDS_LONG"; tell_memory; }

run_layouts() { measuring overturn.bench.ServerLoad "$ADDRESS" layouts "$LAYOUTS" "$JOBS"; tell_memory; }

run_bay() { fill_bay 5000 100000; measuring overturn.bench.ServerLoad "$ADDRESS" bay 1200; tell_memory; }
