# Debian packages that are missing are installed; nothing is fetched from anywhere but the package registries.

install_packages() {
    local missing=()
    command -v javac >/dev/null || missing+=(default-jdk-headless)
    command -v mvn >/dev/null || missing+=(maven)
    command -v node >/dev/null || missing+=(nodejs)
    command -v npm >/dev/null || missing+=(npm)
    command -v curl >/dev/null || missing+=(curl)
    [ -n "$PG_BIN" ] && [ -x "$PG_BIN/initdb" ] || missing+=(postgresql)
    [ "$1" = run ] || [ -x /usr/bin/chromium ] || missing+=(chromium)
    if [ ${#missing[@]} -gt 0 ]; then
        step "Fetching Debian's package list" as_root apt-get update
        step "Installing ${missing[*]}" as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y "${missing[@]}"
        PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1)
    fi
    local node_major
    node_major=$(node --version | sed 's/^v\([0-9]*\).*/\1/')
    [ "$node_major" -ge 20 ] || fail 3 "Node $node_major is too old, 20 or newer is needed"
}
