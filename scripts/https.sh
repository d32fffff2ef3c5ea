# A certificate of this machine's own, for phones on the same network.
# shellcheck shell=bash disable=SC2154

HTTPS_DIR="$STATE/https"

# own_names: what this machine is called and its addresses, as a certificate lists them.
own_names() {
  local names="DNS:localhost,IP:127.0.0.1,DNS:$(hostname),DNS:$(hostname).local" ip
  for ip in $(hostname -I 2>/dev/null); do names+=",IP:$ip"; done
  printf '%s' "$names"
}

# make_certificates: the authority that phones trust is made once and kept; what the server shows is made anew where
# this machine's addresses are others or a month of it is left.
make_certificates() {
  mkdir -p "$HTTPS_DIR" && chmod 700 "$HTTPS_DIR"
  local ca="$HTTPS_DIR/authority" own="$HTTPS_DIR/server" names month=2592000
  names=$(own_names)
  (
    umask 077
    if [ ! -f "$ca.key" ] || [ ! -f "$ca.crt" ]; then
      openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 3650 -sha256 \
        -keyout "$ca.key" -out "$ca.crt" -subj "/CN=Hulvek $(hostname)" \
        -addext 'basicConstraints=critical,CA:TRUE,pathlen:0' -addext 'keyUsage=critical,keyCertSign,cRLSign' || exit 1
      rm -f "$own.crt"
    fi
    if [ ! -f "$own.crt" ] || [ "$(cat "$own.names" 2>/dev/null)" != "$names" ] ||
      ! openssl x509 -checkend "$month" -noout -in "$own.crt"; then
      openssl req -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -keyout "$own.key" -out "$own.csr" \
        -subj "/CN=$(hostname)" || exit 1
      # Phones refuse what is good for longer.
      openssl x509 -req -in "$own.csr" -CA "$ca.crt" -CAkey "$ca.key" -CAcreateserial -days 397 -sha256 -out "$own.crt" \
        -extfile <(printf 'subjectAltName=%s\nextendedKeyUsage=serverAuth\nbasicConstraints=CA:FALSE\n' "$names") || exit 1
      printf '%s' "$names" >"$own.names"
    fi
  )
}

# The address under which a phone on the same network finds this machine.
own_address() { hostname -I 2>/dev/null | awk '{print $1}'; }

# share_certificates: what the server shows can be read by the user it runs as; the authority's key by nobody else.
share_certificates() {
  chmod 711 "$HTTPS_DIR"
  chmod 644 "$HTTPS_DIR/authority.crt" "$HTTPS_DIR/server.crt"
  [ "$(id -u)" != 0 ] || chown "$SERVER_USER" "$HTTPS_DIR/server.key"
}
