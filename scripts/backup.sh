# Backups of everything that the workshop has, pictures too, and the way back.

# dump_tool NAME ARGUMENTS...: a program of PostgreSQL as the keeper of the cluster.
dump_tool() {
    local tool=$1
    shift
    PGPASSWORD=$KEEPER_PASSWORD "$PG_BIN/$tool" -h 127.0.0.1 -p "$DB_PORT" -U keeper "$@"
}

# findings DATABASE [HEADS]: what scripts/verify.sql finds in a database, against written heads where they are given.
findings() {
    {
        echo "create temp table heads (job_id uuid, sequence integer, hash text);"
        if [ $# = 2 ]; then
            echo "copy heads from stdin (format csv);"
            cat "$2"
            printf '%s\n' '\.'
        fi
        cat "$ROOT/scripts/verify.sql"
    } | dump_tool psql -qtA -v ON_ERROR_STOP=1 -d "$1"
}

# drop_database NAME: where there is one.
drop_database() { [ "$(keeper_sql "select 1 from pg_database where datname = '$1'")" != 1 ] || keeper_sql "drop database $1 with (force)"; }

# heads_of DATABASE: the last hash of every job.
heads_of() {
    keeper_sql "copy (select distinct on (job_id) job_id, sequence, hash from log_entry order by job_id, sequence desc) to stdout (format csv)" "$1"
}

# unpack FILE DATABASE: a backup into a database of its own; false if the file is none. FOUND tells of logs that are not as they were written.
unpack() {
    drop_database "$2"
    keeper_sql "create database $2 owner overturn_owner"
    if ! dump_tool pg_restore --exit-on-error -d "$2" "$1" 2>"$VAR/log/restore.log"; then
        say "The file cannot be read as a backup; see $VAR/log/restore.log"
        return 1
    fi
    FOUND=$(findings "$2") || return 1
}

# backup FILE: as the database stands at one moment, while the server works. It is put in its place only when it could be read back;
# beside it FILE.heads.csv says where every log stood.
backup() {
    [ $# = 1 ] || fail 2 "'./overturn backup' takes the file to write"
    use_database && cluster_runs "$CLUSTER" || fail 6 "The database is not up; './overturn start' starts it"
    mkdir -p "$VAR/log"
    exec 9>"$VAR/backup.lock"
    flock -w 900 9 || fail 6 "Another backup is being made and does not end"
    local file=$1
    (umask 077 && dump_tool pg_dump -Fc -d overturn -f "$file.new") || fail 6 "The backup was not written"
    say "Reading it back …"
    unpack "$file.new" overturn_checked || { rm -f "$file.new"; fail 7 "The backup could not be read back and was thrown away"; }
    heads_of overturn_checked >"$file.heads.csv"
    drop_database overturn_checked
    mv -f "$file.new" "$file"
    say "$(wc -l <"$file.heads.csv") jobs are in $file ($(du -h "$file" | cut -f1)); $file.heads.csv says where their logs stood"
    [ -z "$FOUND" ] || printf '%s\n' "$FOUND" "Its logs are not as they were written, as here; see './overturn verify'" >&2
    say "Keep both on another machine. The file holds all that the workshop knows, and who may sign in."
}

# restore FILE [--anyway]: the workshop as it stood in a backup. What is there now is kept as the database overturn_before until the next restore. One whose logs are
# not as they were written is put in place only when that is said.
restore() {
    [ $# = 1 ] || [ "${2:-}" = --anyway ] || fail 2 "'./overturn restore' takes the file of a backup, and --anyway"
    [ -f "$1" ] || fail 2 "There is no file $1"
    use_database && cluster_runs "$CLUSTER" || fail 6 "The database is not up; './overturn start' starts it"
    mkdir -p "$VAR/log"
    local was_up=no
    say "Reading the backup …"
    unpack "$1" overturn_restored || fail 7 "Nothing was changed"
    if [ -n "$FOUND" ]; then
        printf '%s\n' "$FOUND" >&2
        [ "${2:-}" = --anyway ] || fail 7 "Its logs are not as they were written; nothing was changed. With --anyway it is put in place all the same"
    fi
    if server_runs; then was_up=yes; stop_server; fi
    drop_database overturn_before
    keeper_sql "select pg_terminate_backend(pid) from pg_stat_activity where datname = 'overturn'" >/dev/null
    keeper_sql "alter database overturn rename to overturn_before"
    keeper_sql "alter database overturn_restored rename to overturn"
    make_database
    say "$(keeper_sql "select count(*) || ' entries of ' || count(distinct job_id) || ' jobs' from log_entry" overturn) are back; what was there is kept as the database overturn_before"
    [ "$was_up" = no ] || start_server
}

BACKUPS_PID="$VAR/backups.pid"
SCHEDULER="$ROOT/scripts/scheduled-backups.sh"
BACKUP_STATUS="$VAR/backup.status"

# backup_folder: where scheduled backups go; a disk or share of another machine is better.
backup_folder() { echo "${OVERTURN_BACKUP_FOLDER:-$VAR/backups}"; }

# tell_backup OK MESSAGE: what the bay says; the time of the last good one stays where one failed.
tell_backup() {
    local good
    good=$(sed -n 's/^good=//p' "$BACKUP_STATUS" 2>/dev/null || true)
    [ "$1" = no ] || good=$(date -u +%Y-%m-%dT%H:%M:%SZ)
    printf 'ok=%s\ntried=%s\ngood=%s\nhours=%s\nmessage=%s\n' "$1" "$(date -u +%Y-%m-%dT%H:%M:%SZ)" "$good" "$3" "$2" >"$BACKUP_STATUS.new"
    mv -f "$BACKUP_STATUS.new" "$BACKUP_STATUS"
}

# scheduled_backup HOURS: one, where the last good one is older than that; then those are thrown away that nobody needs.
scheduled_backup() {
    local hours=${1:-24} folder good file told
    folder=$(backup_folder)
    good=$(sed -n 's/^good=//p' "$BACKUP_STATUS" 2>/dev/null || true)
    if [ -n "$good" ] && [ $(($(date +%s) - $(date -d "$good" +%s))) -lt $((hours * 3600 - 60)) ]; then return; fi
    file="$folder/overturn-$(date -u +%Y%m%d-%H%M%S).dump"
    if told=$( (mkdir -p "$folder" && chmod 700 "$folder" && backup "$file") 2>&1); then
        tell_backup yes "$file" "$hours"
        prune_backups "$folder"
    else
        tell_backup no "$(printf '%s' "$told" | tail -n 1)" "$hours"
        return 1
    fi
}

# kept_backups: of the names of backups, newest first, those that stay: all of the last two days, one of each of the last 7 days that have one, of 5 weeks,
# of 12 months.
kept_backups() {
    local name day week month days=0 weeks=0 months=0 last_day='' last_week='' last_month='' fresh
    fresh=$(date -u -d '2 days ago' +%Y%m%d)
    while read -r name; do
        day=$(printf '%s' "$name" | sed -n 's/.*overturn-\([0-9]\{8\}\)-[0-9]\{6\}\.dump$/\1/p')
        [ -n "$day" ] || continue
        week=$(date -u -d "$day" +%G%V) month=${day:0:6}
        local keep=no
        if [[ $day > $fresh ]]; then keep=yes; fi
        if [ "$day" != "$last_day" ] && [ $days -lt 7 ]; then keep=yes days=$((days + 1)); fi
        if [ "$week" != "$last_week" ] && [ $weeks -lt 5 ]; then keep=yes weeks=$((weeks + 1)); fi
        if [ "$month" != "$last_month" ] && [ $months -lt 12 ]; then keep=yes months=$((months + 1)); fi
        last_day=$day last_week=$week last_month=$month
        [ $keep = no ] || printf '%s\n' "$name"
    done
}

# prune_backups FOLDER: only files that are called as ours are.
prune_backups() {
    local all kept name
    all=$(find "$1" -maxdepth 1 -type f -name 'overturn-????????-??????.dump' -printf '%f\n' | sort -r)
    kept=$(printf '%s\n' "$all" | kept_backups)
    while read -r name; do
        [ -z "$name" ] || grep -qxF -- "$name" <<<"$kept" || rm -f "$1/$name" "$1/$name.heads.csv"
    done <<<"$all"
}

# start_backups: every OVERTURN_BACKUP_HOURS (24) while the server runs; 0 for none.
start_backups() {
    local hours=${OVERTURN_BACKUP_HOURS:-24}
    [[ $hours =~ ^[0-9]{1,4}$ ]] || fail 2 "OVERTURN_BACKUP_HOURS is “$hours”; allowed are whole hours, 0 for none"
    stop_backups
    if [ "$hours" = 0 ]; then rm -f "$BACKUP_STATUS"; return; fi
    setsid nohup "$SCHEDULER" "$ROOT/overturn" "$hours" >"$VAR/log/backups.log" 2>&1 </dev/null &
    echo $! >"$BACKUPS_PID"
}

stop_backups() {
    end_process "$BACKUPS_PID" "$SCHEDULER" || true
    rm -f "$BACKUPS_PID"
}
