# Where the server listens. Beyond this machine only with TLS, or behind a proxy that is named; otherwise it does not start.
#   OVERTURN_LISTEN  address to listen at (127.0.0.1)
#   OVERTURN_TLS     made: a certificate made here; or CERTIFICATE.pem:KEY.pem
#   OVERTURN_NAMES   further names and addresses by which tablets reach it, divided by spaces
#   OVERTURN_PROXY   address of the proxy in front, the only one that gets in and whose forwarded headers are believed

is_loopback() { [[ $1 =~ ^127\.[0-9.]+$ || $1 = localhost || $1 = ::1 ]]; }

# make_certificate FOLDER NAME...: an authority of this workshop and a certificate by it for these names and addresses, made anew where they differ.
make_certificate() {
    local folder=$1 san='' name
    shift
    for name in "$@"; do
        if [[ $name =~ ^[0-9.]+$ || $name == *:* ]]; then san+=",ip:$name"; else san+=",dns:$name"; fi
    done
    [ "$(cat "$folder/names" 2>/dev/null)" != "$*" ] || return 0
    mkdir -p "$folder"
    chmod 700 "$folder"
    (
        umask 077
        [ -f "$folder/password" ] || random_password >"$folder/password"
        TLS_PASSWORD=$(cat "$folder/password")
        export TLS_PASSWORD
        tool() { keytool "$@" -storetype PKCS12 -storepass:env TLS_PASSWORD; }
        if [ ! -f "$folder/authority.p12" ]; then
            tool -genkeypair -keystore "$folder/authority.p12" -alias authority -keyalg EC -groupname secp256r1 -validity 3650 \
                -dname "CN=Overturn workshop authority" -ext bc:c -ext ku:c=keyCertSign,cRLSign
        fi
        rm -f "$folder/server.p12"
        tool -exportcert -rfc -keystore "$folder/authority.p12" -alias authority -file "$folder/authority.crt"
        tool -genkeypair -keystore "$folder/server.p12" -alias server -keyalg EC -groupname secp256r1 -validity 397 -dname "CN=Overturn" -ext "san=${san#,}"
        tool -certreq -keystore "$folder/server.p12" -alias server -file "$folder/server.csr"
        tool -gencert -keystore "$folder/authority.p12" -alias authority -infile "$folder/server.csr" -outfile "$folder/server.crt" -rfc -validity 397 \
            -ext "san=${san#,}" -ext eku=serverAuth
        tool -importcert -noprompt -keystore "$folder/server.p12" -alias authority -file "$folder/authority.crt"
        tool -importcert -noprompt -keystore "$folder/server.p12" -alias server -file "$folder/server.crt"
        rm -f "$folder/server.csr"
        printf '%s' "$*" >"$folder/names"
    )
}

# fingerprint FILE: SHA-256 of a certificate, as browsers show it.
fingerprint() { keytool -printcert -file "$1" | sed -n 's/^.*SHA256: *//p' | head -n 1; }

# The arguments of the server and the addresses at which it is reached, from what was asked for.
use_network() {
    local listen=${OVERTURN_LISTEN:-127.0.0.1} tls=${OVERTURN_TLS:-} proxy=${OVERTURN_PROXY:-} scheme=http host names=()
    if ! is_loopback "$listen" && [ -z "$tls$proxy" ]; then
        fail 5 "Beyond this machine passwords would travel in the clear: OVERTURN_LISTEN=$listen needs OVERTURN_TLS=made (or CERTIFICATE.pem:KEY.pem), or OVERTURN_PROXY=ADDRESS of a proxy that does TLS"
    fi
    read -r -a names <<<"${OVERTURN_NAMES:-}"
    if [ "$listen" = 0.0.0.0 ]; then
        read -r -a own <<<"$(hostname -I 2>/dev/null || true)"
        names+=(${own[@]+"${own[@]}"})
        host=127.0.0.1
    else
        host=$listen
        names=("$listen" ${names[@]+"${names[@]}"})
    fi
    SERVER_ARGUMENTS=("--server.address=$listen" "--overturn.names=$(IFS=,; echo "${names[*]-}")")
    FINGERPRINT=
    case "$tls" in
        '') ;;
        made)
            step "Making a certificate" make_certificate "$VAR/tls" "${names[@]}" 127.0.0.1 localhost
            FINGERPRINT=$(fingerprint "$VAR/tls/authority.crt")
            SERVER_ARGUMENTS+=(--server.ssl.enabled=true "--server.ssl.key-store=$VAR/tls/server.p12" --server.ssl.key-alias=server
                "--overturn.authority=$VAR/tls/authority.crt" "--overturn.fingerprint=$FINGERPRINT")
            SERVER_SSL_KEY_STORE_PASSWORD=$(cat "$VAR/tls/password")
            export SERVER_SSL_KEY_STORE_PASSWORD
            ;;
        *:*)
            [ -f "${tls%%:*}" ] && [ -f "${tls#*:}" ] || fail 5 "OVERTURN_TLS=$tls names a file that is not there; CERTIFICATE.pem:KEY.pem is needed"
            FINGERPRINT=$(fingerprint "${tls%%:*}")
            SERVER_ARGUMENTS+=(--server.ssl.enabled=true "--server.ssl.certificate=${tls%%:*}" "--server.ssl.certificate-private-key=${tls#*:}" "--overturn.fingerprint=$FINGERPRINT")
            ;;
        *) fail 5 "OVERTURN_TLS=$tls is neither 'made' nor CERTIFICATE.pem:KEY.pem" ;;
    esac
    [ -z "$tls" ] || scheme=https
    [ -z "$proxy" ] || SERVER_ARGUMENTS+=("--overturn.proxy=$proxy")
    LOCAL_URL="$scheme://$host:$PORT"
    PUBLIC_URL="$scheme://${names[0]:-$host}:$PORT"
    if is_loopback "$listen"; then PUBLIC_URL=$LOCAL_URL; else SERVER_ARGUMENTS+=("--overturn.public-url=$PUBLIC_URL"); fi
}
