# Debian packages that are missing are installed; nothing is fetched from anywhere but the package registries.

PINNED_NODE="$VAR/node"

install_packages() {
    local missing=()
    command -v javac >/dev/null || missing+=(default-jdk-headless)
    command -v mvn >/dev/null || missing+=(maven)
    command -v npm >/dev/null || missing+=(npm)
    command -v curl >/dev/null || missing+=(curl)
    command -v vipsthumbnail >/dev/null || missing+=(libvips-tools)
    [ -n "$PG_BIN" ] && [ -x "$PG_BIN/initdb" ] || missing+=(postgresql)
    [ "$1" = run ] || [ -x /usr/bin/chromium-headless-shell ] || missing+=(chromium-headless-shell)
    if [ ${#missing[@]} -gt 0 ]; then
        step "Fetching Debian's package list" as_root apt-get update
        step "Installing ${missing[*]}" as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y "${missing[@]}"
        PG_BIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1)
    fi
    use_node
}

# node_will_do: Vite needs Node 20.19, 22.12 or newer, and its packages are only found whole by npm 11.
node_will_do() {
    node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 22 || (a === 22 && b >= 12) || (a === 20 && b >= 19) ? 0 : 1)' \
        2>/dev/null && [ "$(npm --version 2>/dev/null | cut -d. -f1)" -ge 11 ] 2>/dev/null
}

# use_node: the machine's own Node where it will do; otherwise the pinned one of scripts/node, which npm fetches and checks by its lock file's hash.
use_node() {
    if ! node_will_do; then
        if ! [ "$PINNED_NODE/node_modules/.package-lock.json" -nt "$ROOT/scripts/node/package-lock.json" ]; then
            step "Fetching Node (this machine has none that will do)" fetch_node
        fi
        PATH=$(pinned_node_folders):$PATH
        node_will_do || fail 3 "The Node in $PINNED_NODE does not run on this machine ($(uname -m)); install Node 24 with npm 11 and try again"
    fi
    if node --use-system-ca -e 0 2>/dev/null; then # registries behind a workshop's own certificate
        export NODE_OPTIONS="${NODE_OPTIONS:-} --use-system-ca"
    fi
}

# Each processor's Node is a package of its own; only that of this machine is there.
pinned_node_folders() { echo "$(ls -d "$PINNED_NODE"/node_modules/node-linux-*/bin 2>/dev/null | head -n 1):$PINNED_NODE/node_modules/.bin"; }

fetch_node() {
    rm -rf "$PINNED_NODE"
    mkdir -p "$PINNED_NODE"
    cp "$ROOT"/scripts/node/package.json "$ROOT"/scripts/node/package-lock.json "$PINNED_NODE"
    (cd "$PINNED_NODE" && npm ci --ignore-scripts --no-audit --no-fund)
}
