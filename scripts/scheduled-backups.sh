#!/usr/bin/env bash
# scheduled-backups.sh OVERTURN HOURS: has a backup made whenever the last good one is older than so many hours, and tries again after an hour where one
# failed. It ends with the server.
set -uo pipefail

OVERTURN=$1
HOURS=$2
FIRST_AFTER_SECONDS=${OVERTURN_FIRST_BACKUP_SECONDS:-120}
LOOK_SECONDS=${OVERTURN_BACKUP_LOOK_SECONDS:-3600}

nap=
trap '[ -z "$nap" ] || kill "$nap" 2>/dev/null; exit 0' TERM INT
rest() {
    sleep "$1" &
    nap=$!
    wait "$nap"
}

rest "$FIRST_AFTER_SECONDS"
while :; do
    "$OVERTURN" scheduled-backup "$HOURS" || true
    rest "$LOOK_SECONDS"
done
