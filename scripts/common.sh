# Words and small helpers of the command.

say() { printf '%s\n' "$*"; }

# fail CODE TEXT: one clear line, then out.
fail() {
    printf 'overturn: %s\n' "$2" >&2
    exit "$1"
}

# step TEXT COMMAND...: runs quietly, keeps the output, shows its end only when it fails.
step() {
    local what=$1 log
    shift
    mkdir -p "$VAR/log"
    log="$VAR/log/$(printf '%s' "$what" | tr -c 'a-zA-Z0-9' '-' | cut -c1-40).log"
    say "$what …"
    if ! "$@" >"$log" 2>&1; then
        grep -aE 'ERROR|FATAL|error:|Error:' "$log" | tail -n 15 >&2 || true
        tail -n 5 "$log" >&2
        fail 1 "$what failed; all of it is in $log"
    fi
}

# as_root COMMAND...: directly, or by sudo for an ordinary user.
as_root() {
    if [ "$(id -u)" = 0 ]; then "$@"; elif command -v sudo >/dev/null; then sudo "$@"; else
        fail 3 "'$1' needs root and there is no sudo; install the packages named in README.md first"
    fi
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# free_port FROM [AMONG]: the first that is free; from one of so many by chance, so that two who ask at once hardly get the same.
free_port() {
    local port=$(($1 + RANDOM % ${2:-1}))
    while port_taken "$port"; do port=$((port + 1)); done
    echo "$port"
}
