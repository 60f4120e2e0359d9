# How Brookstone is served: php-fpm behind nginx, two workers beside them, and one keeper over all of it. Sourced after setup.sh.
# Where one of the two is not installed, PHP's own server answers alone, one request after another.

SERVED=storage/framework/served

# find_program NAME: also where a user's path does not lead
find_program() { PATH="$PATH:/usr/local/sbin:/usr/sbin:/sbin" command -v "$1"; }

fpm_name() { php -r 'echo "php-fpm", PHP_MAJOR_VERSION, ".", PHP_MINOR_VERSION;'; }

serving_packages() {
    find_program nginx >/dev/null || printf 'nginx '
    find_program "$(fpm_name)" >/dev/null || php -r 'echo "php", PHP_MAJOR_VERSION, ".", PHP_MINOR_VERSION, "-fpm ";'
}

# They are wanted, not needed: without them it is served more slowly, and says so.
install_server() {
    local missing; missing=$(serving_packages)
    [ -z "$missing" ] && return
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
        say "Installing what serves the pages: $missing"
        local log name; log=$(mktemp)
        (
            # Brookstone starts its own: nothing is to run, or to be started with the system, because of it. However this ends, that is taken back.
            policy=/usr/sbin/policy-rc.d
            [ -e $policy ] || { trap 'rm -f $policy' EXIT; printf '#!/bin/sh\nexit 101\n' >$policy; chmod +x $policy; }
            # shellcheck disable=SC2086
            apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing
        ) >"$log" 2>&1 || tail -5 "$log"
        for name in $missing; do # what was there before is somebody's own
            command -v systemctl >/dev/null && systemctl --quiet disable "$name" >/dev/null 2>&1 || true
        done
    fi
    missing=$(serving_packages)
    [ -z "$missing" ] || say "Served by one process, which answers one request after another. For more, install: $missing"
}

# Settings of both, for one port. All paths but that of the socket are from the folder of the project: it may have any name.
write_server_settings() {
    local port=$1 dir="$SERVED/$1" socket="$2" who=""
    mkdir -p "$dir"
    [ "$(id -u)" != 0 ] || who="user root;"
    cat >"$dir/nginx.conf" <<EOF
daemon off;
$who
worker_processes 1;
pid $dir/nginx.pid;
error_log stderr warn;
events { worker_connections 256; }
http {
    types {
        text/html html; text/css css; text/javascript js mjs; application/json json map; image/svg+xml svg; image/png png;
        font/woff2 woff2; font/woff woff; text/plain txt;
    }
    default_type application/octet-stream;
    charset utf-8;
    charset_types text/css text/javascript application/json;
    access_log off;
    server_tokens off;
    sendfile on;
    client_body_temp_path $dir/body;
    fastcgi_temp_path $dir/fastcgi;
    proxy_temp_path $dir/proxy;
    scgi_temp_path $dir/scgi;
    uwsgi_temp_path $dir/uwsgi;
    client_max_body_size 0; # what is too long, the program says
    large_client_header_buffers 4 32k;
    fastcgi_read_timeout 120s;
    fastcgi_buffers 64 32k;
    fastcgi_buffer_size 32k;
    fastcgi_busy_buffers_size 64k;
    server {
        listen 127.0.0.1:$port;
        root public;
        location / { try_files \$uri @program; add_header X-Content-Type-Options nosniff; add_header Cross-Origin-Resource-Policy same-origin; }
        location /build/assets/ {
            try_files \$uri =404;
            expires max; # their names change with what is in them
            add_header X-Content-Type-Options nosniff;
            add_header Cross-Origin-Resource-Policy same-origin;
        }
        location ~ \.php\$ { try_files /none @program; }
        location ~ /\. { try_files /none @program; }
        location @program {
            fastcgi_pass "unix:$socket";
            fastcgi_param SCRIPT_FILENAME \$document_root/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            fastcgi_param DOCUMENT_ROOT \$document_root;
            fastcgi_param REQUEST_URI \$request_uri;
            fastcgi_param QUERY_STRING \$query_string;
            fastcgi_param REQUEST_METHOD \$request_method;
            fastcgi_param CONTENT_TYPE \$content_type;
            fastcgi_param CONTENT_LENGTH \$content_length;
            fastcgi_param SERVER_PROTOCOL \$server_protocol;
            fastcgi_param SERVER_NAME \$host;
            fastcgi_param SERVER_ADDR \$server_addr;
            fastcgi_param SERVER_PORT \$server_port;
            fastcgi_param REMOTE_ADDR \$remote_addr;
            fastcgi_param REMOTE_PORT \$remote_port;
        }
        error_page 502 503 504 @away;
        location @away { internal; default_type application/json; return 503 '{"message":"Brookstone is just starting. Try again in a moment."}'; }
    }
}
EOF
    cat >"$dir/php-fpm.conf" <<EOF
[global]
error_log = /dev/stderr
log_level = warning
daemonize = no
[brookstone]
listen = "$socket"
listen.mode = 0600
pm = static
pm.max_children = 4
pm.max_requests = 2000
clear_env = no
catch_workers_output = yes
decorate_workers_output = no
request_terminate_timeout = 120s
$([ "$(id -u)" != 0 ] || printf 'user = root\ngroup = root\n')
EOF
}

# A socket's path is short: where the project lies too deep, it is in the folder for what is soon thrown away.
socket_for() {
    local socket="$PWD/$SERVED/$1/fpm.sock"
    [ ${#socket} -le 100 ] && [[ $socket != *[\"\$\;{}\\]* ]] || { socket=$(mktemp -d)/fpm.sock; }
    echo "$socket"
}

# serve PORT: in the foreground, on the loopback address only. However this process is ended, by a key, a signal or force, whatever it began ends too:
# what it began is one session of processes with a keeper, which ends them all when this one is gone; and this one ends them when the keeper is.
serve() {
    local port=$1 fpm nginx socket log
    export PHP_INI_SCAN_DIR
    PHP_INI_SCAN_DIR=$(serving_ini)
    # Configuration and routes read once. Files of this server alone: a command beside it must not read its settings.
    export APP_CONFIG_CACHE="$PWD/storage/framework/php/config-$port.php" APP_ROUTES_CACHE="$PWD/storage/framework/php/routes-$port.php"
    rm -f "$APP_CONFIG_CACHE" "$APP_ROUTES_CACHE" # half of one may be left of an earlier start
    php artisan cache:clear --quiet # what was kept may be of another version of the program
    php artisan config:cache --quiet
    php artisan route:cache --quiet
    mkdir -p "$SERVED/$port"
    socket=$(socket_for "$port")
    write_server_settings "$port" "$socket"
    log="$SERVED/$port/log"
    nginx=$(find_program nginx) && fpm=$(find_program "$(fpm_name)") || fpm=""
    setsid bin/support/keeper $$ "$port" "$fpm" "$nginx" "$socket" </dev/null >"$log" 2>&1 8>&- 9>&- &
    local keeper=$!
    trap 'end_all '"$keeper"'; exit 0' INT TERM HUP
    local waited
    for waited in $(seq 150); do serves "$port" && break; lives "$keeper" || break; sleep 0.1; done
    if ! serves "$port"; then
        end_all "$keeper"
        tail -5 "$log" >&2
        stop "Brookstone did not come up at http://127.0.0.1:$port: what its server said stands above, and in $log."
    fi
    say "Brookstone is at http://127.0.0.1:$port (end it with Ctrl+C)"
    while lives "$keeper"; do wait "$keeper" || true; done
    end_all "$keeper"
}

answers() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# It gives out pages, not only takes calls.
serves() {
    local said=""
    { exec 3<>"/dev/tcp/127.0.0.1/$1"; } 2>/dev/null || return 1
    printf 'GET / HTTP/1.0\r\nHost: 127.0.0.1:%s\r\n\r\n' "$1" >&3
    read -r -t 5 said <&3 || true
    exec 3>&-
    [[ $said == *" 200"* ]]
}

# It is there, and not only waits to be counted as ended.
lives() { kill -0 "$1" 2>/dev/null && ! grep -q '^State:[[:space:]]*Z' "/proc/$1/status" 2>/dev/null; }

# end_all KEEPER: its whole session, and the rigs, of which each ends when its socket is gone.
end_all() {
    rm -f storage/brookstone/rig-*.sock
    pkill -KILL -s "$1" 2>/dev/null || true
}
