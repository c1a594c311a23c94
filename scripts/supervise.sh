#!/usr/bin/env bash
# supervise.sh STATE_FOLDER NAME QUESTION COMMAND...: runs a server or database and starts it again when it ends by itself (out of memory, killed) or no
# longer answers QUESTION, a command, at all. What never came up is not tried again. Ended by SIGTERM, it ends its process first, by OVERTURN_STOP_SIGNAL.
set -uo pipefail

STATE=$1
NAME=$2
QUESTION=$3
shift 3
STOP_SIGNAL=${OVERTURN_STOP_SIGNAL:-TERM}
LOOK_SECONDS=${OVERTURN_LOOK_SECONDS:-10}
MOST_UNANSWERED=6
QUICK_SECONDS=20
MOST_QUICK=5

child=
ended=no
trap 'ended=yes; [ -z "$child" ] || kill -s "$STOP_SIGNAL" "$child" 2>/dev/null' TERM INT

answers() { # 0 when anything answers, sound or not: a server that says it is not sound need not be killed
    bash -c "$QUESTION" >/dev/null 2>&1
}

# A server that came up and then answers nothing six times is deaf: its process is ended, so that it is started again. With its database away it answers after 10 s.
watch_over() {
    local unanswered=0 up=no
    while sleep "$LOOK_SECONDS" && kill -0 "$1" 2>/dev/null; do
        if answers; then
            unanswered=0
            up=yes
            touch "$STATE/$NAME.was-up"
        elif [ $up = yes ] && [ $((++unanswered)) -ge $MOST_UNANSWERED ]; then
            echo deaf >"$STATE/$NAME.why"
            kill -9 "$1" 2>/dev/null
            return
        fi
    done
}

why() {
    if [ -f "$STATE/$NAME.why" ]; then echo "did not answer any more"; else
        case $1 in
            3) echo "out of memory" ;;
            137) echo "killed" ;;
            *) echo "ended with code $1" ;;
        esac
    fi
}

quick=0
rm -f "$STATE/$NAME.was-up"
while :; do
    rm -f "$STATE/$NAME.why"
    began=$SECONDS
    "$@" &
    child=$!
    echo $child >"$STATE/$NAME.pid.new"
    mv -f "$STATE/$NAME.pid.new" "$STATE/$NAME.pid"
    watch_over $child &
    watch=$!
    wait $child
    code=$?
    while kill -0 $child 2>/dev/null; do wait $child; code=$?; done
    kill $watch 2>/dev/null
    wait $watch 2>/dev/null
    [ $ended = no ] || break
    if [ $((SECONDS - began)) -lt $QUICK_SECONDS ]; then quick=$((quick + 1)); else quick=0; fi
    if ! [ -f "$STATE/$NAME.was-up" ] && [ $code != 3 ] && [ $code != 137 ] || [ $quick -ge $MOST_QUICK ]; then
        echo "$(date '+%Y-%m-%d %H:%M:%S') given up: $(why $code)" >>"$STATE/$NAME.restarts"
        exit $code
    fi
    echo "$(date '+%Y-%m-%d %H:%M:%S') started again: $(why $code)" >>"$STATE/$NAME.restarts"
    sleep "$quick"
done
rm -f "$STATE/$NAME.pid"
