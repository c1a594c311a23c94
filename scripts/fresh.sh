# A machine as Debian makes it: an empty system in a folder of its own, in which a clone of what is committed is set up by the two commands of the README.

# fresh_machine [--suite NAME] [--mirror ADDRESS]
fresh_machine() {
    local suite=bookworm mirror=http://deb.debian.org/debian
    while [ $# -gt 0 ]; do
        case "$1" in
            --suite) suite=${2:-} ;;
            --mirror) mirror=${2:-} ;;
            *) fail 2 "There is no '$1'; './overturn fresh' takes --suite NAME and --mirror ADDRESS" ;;
        esac
        [ -n "${2:-}" ] || fail 2 "$1 takes a value"
        shift 2
    done
    [ "$(id -u)" = 0 ] || fail 3 "An empty system can be made and entered by root only"
    if ! command -v debootstrap >/dev/null; then
        step "Fetching Debian's package list" apt-get update
        step "Installing debootstrap" env DEBIAN_FRONTEND=noninteractive apt-get install -y debootstrap
    fi
    FRESH=$(mktemp -d /var/tmp/overturn-fresh.XXXXXX)
    chmod 755 "$FRESH" # it is the root folder of everybody in it
    FRESH_PORT=$(free_port 8717)
    trap leave_fresh_machine EXIT
    step "Making an empty Debian ($suite)" debootstrap --variant=minbase --include=ca-certificates,git "$suite" "$FRESH" "$mirror"
    step "Bringing this machine's certificates along" bring_certificates
    mount -t proc proc "$FRESH/proc"
    mount --rbind /dev "$FRESH/dev"
    mount --make-rslave "$FRESH/dev"
    cp /etc/resolv.conf /etc/hosts "$FRESH/etc/"
    step "Cloning what is committed" git clone --no-hardlinks "$ROOT" "$FRESH/srv/overturn"
    say "In it: no Node but $(in_fresh_machine 'node --version 2>/dev/null || echo none'), no Java but $(in_fresh_machine 'java -version 2>&1 | head -n 1 || true')"
    timed "./overturn start" in_fresh_machine './overturn start'
    timed "one request" curl -fsS -m 30 "http://127.0.0.1:$FRESH_PORT/api/health"
    say ""
    say "Node in use: $(in_fresh_machine 'var/node/node_modules/node-linux-*/bin/node --version')"
    timed "./overturn stop" in_fresh_machine './overturn stop'
    timed "./overturn test, one browser test" in_fresh_machine './overturn test -Dtest=WalkTest -Dsurefire.failIfNoSpecifiedTests=false >/var/log/test.log 2>&1 || (tail -n 60 /var/log/test.log; false)'
    grep -aE 'Tests run:|BUILD' "$FRESH/var/log/test.log" | tail -n 3
}

in_fresh_machine() { env -i PATH=/usr/sbin:/usr/bin:/sbin:/bin HOME=/root LANG=C.UTF-8 OVERTURN_PORT="$FRESH_PORT" chroot "$FRESH" sh -c "cd /srv/overturn && $1"; }

# timed NAME COMMAND...
timed() {
    local name=$1 began=$SECONDS
    shift
    "$@" || fail 1 "$name failed on a fresh machine"
    say "→ $name: $((SECONDS - began)) s"
}

bring_certificates() {
    mkdir -p "$FRESH/usr/local/share/ca-certificates"
    cp -rL /usr/local/share/ca-certificates/. "$FRESH/usr/local/share/ca-certificates/" 2>/dev/null || true
    chroot "$FRESH" update-ca-certificates
}

leave_fresh_machine() {
    in_fresh_machine './overturn stop' >/dev/null 2>&1 || true
    umount -R "$FRESH/dev" "$FRESH/proc" 2>/dev/null || true
    if mount | grep -qF " $FRESH/"; then say "$FRESH is still in use; it is left" >&2; else rm -rf "$FRESH"; fi
}
