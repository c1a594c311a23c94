#!/usr/bin/env bash
# supervise.sh STATE_FOLDER HEALTH_ADDRESS COMMAND...: runs a server and starts it again when it ends by itself (out of memory, killed) or no longer
# answers at all. A server that never came up is not tried again. Ended by SIGTERM, it ends the server first.
set -uo pipefail

STATE=$1
HEALTH=$2
shift 2
LOOK_SECONDS=${OVERTURN_LOOK_SECONDS:-10}
MOST_UNANSWERED=6
QUICK_SECONDS=20
MOST_QUICK=5

child=
ended=no
trap 'ended=yes; [ -z "$child" ] || kill "$child" 2>/dev/null' TERM INT

answers() { # 0 when anything answers, sound or not: a server that says it is not sound need not be killed
    curl -s -m 5 -o /dev/null "$HEALTH"
}

# A server that came up and then answers nothing for a minute is deaf: its process is ended, so that it is started again.
watch_over() {
    local unanswered=0 up=no
    while sleep "$LOOK_SECONDS" && kill -0 "$1" 2>/dev/null; do
        if answers; then
            unanswered=0
            up=yes
            touch "$STATE/server.was-up"
        elif [ $up = yes ] && [ $((++unanswered)) -ge $MOST_UNANSWERED ]; then
            echo deaf >"$STATE/server.why"
            kill -9 "$1" 2>/dev/null
            return
        fi
    done
}

why() {
    if [ -f "$STATE/server.why" ]; then echo "did not answer any more"; else
        case $1 in
            3) echo "out of memory" ;;
            137) echo "killed" ;;
            *) echo "ended with code $1" ;;
        esac
    fi
}

quick=0
rm -f "$STATE/server.was-up"
while :; do
    rm -f "$STATE/server.why"
    began=$SECONDS
    "$@" &
    child=$!
    echo $child >"$STATE/server.pid.new"
    mv -f "$STATE/server.pid.new" "$STATE/server.pid"
    watch_over $child &
    watch=$!
    wait $child
    code=$?
    while kill -0 $child 2>/dev/null; do wait $child; code=$?; done
    kill $watch 2>/dev/null
    wait $watch 2>/dev/null
    [ $ended = no ] || break
    if [ $((SECONDS - began)) -lt $QUICK_SECONDS ]; then quick=$((quick + 1)); else quick=0; fi
    if ! [ -f "$STATE/server.was-up" ] && [ $code != 3 ] && [ $code != 137 ] || [ $quick -ge $MOST_QUICK ]; then
        echo "$(date '+%Y-%m-%d %H:%M:%S') given up: $(why $code)" >>"$STATE/server.restarts"
        exit $code
    fi
    echo "$(date '+%Y-%m-%d %H:%M:%S') started again: $(why $code)" >>"$STATE/server.restarts"
    sleep "$quick"
done
rm -f "$STATE/server.pid"
