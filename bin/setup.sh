# Set-up shared by the commands of this folder. Says what it does; does nothing twice.
# After it: PHP with its extensions, Composer and npm packages, .env with a key. Sourced, not run.

cd "$(dirname "${BASH_SOURCE[0]}")/.."
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1

say() { printf '\033[1m· %s\033[0m\n' "$*"; }
stop() { printf '\n✗ %s\n' "$*" >&2; exit 1; }

PHP_EXTENSIONS="pdo_sqlite curl zip gd bcmath mbstring intl xml dom"

missing_system_packages() {
    local missing=""
    command -v php >/dev/null || missing="php-cli php-mbstring php-intl php-xml"
    if command -v php >/dev/null; then
        local have; have=$(php -m | tr '[:upper:]' '[:lower:]')
        for extension in $PHP_EXTENSIONS; do
            grep -qx "$extension" <<<"$have" && continue
            case $extension in
                pdo_sqlite) missing="$missing php-sqlite3" ;;
                dom|xml) missing="$missing php-xml" ;;
                *) missing="$missing php-$extension" ;;
            esac
        done
    fi
    command -v composer >/dev/null || missing="$missing composer"
    command -v node >/dev/null || missing="$missing nodejs"
    command -v npm >/dev/null || missing="$missing npm"
    if [ "${NEED_CHROMIUM:-}" = 1 ] && [ ! -x /usr/bin/chromium ]; then missing="$missing chromium"; fi
    tr ' ' '\n' <<<"$missing" | sort -u | tr '\n' ' ' | sed 's/^ *//; s/ *$//'
}

install_system_packages() {
    local missing; missing=$(missing_system_packages)
    [ -z "$missing" ] && return
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
        say "Installing what is missing: $missing"
        local log; log=$(mktemp)
        # shellcheck disable=SC2086
        (apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing) >"$log" 2>&1 \
            || { tail -20 "$log"; stop "Could not install: $missing"; }
    else
        stop "Missing on this machine: $missing. Install it (on Debian: apt-get install $missing) and start again."
    fi
    [ -z "$(missing_system_packages)" ] || stop "Still missing after installing: $(missing_system_packages)"
}

# A stamp holds the checksum of what a step was made from; the step runs again only when that changes.
is_fresh() { [ -f "$1" ] && [ "$(cat "$1")" = "$2" ]; }
checksum() { cat "$@" | sha256sum | cut -d' ' -f1; }

install_packages() {
    local log sum; log=$(mktemp)
    sum=$(checksum composer.json)
    if ! is_fresh vendor/.stamp "$sum"; then
        say "Installing PHP packages"
        composer update --no-scripts --no-progress --quiet >"$log" 2>&1 || { tail -20 "$log"; stop "Composer could not install the PHP packages."; }
        echo "$sum" > vendor/.stamp
    fi
    sum=$(checksum package-lock.json)
    if ! is_fresh node_modules/.stamp "$sum"; then
        say "Installing front-end packages"
        npm ci --no-progress >"$log" 2>&1 || { tail -20 "$log"; stop "npm could not install the front-end packages."; }
        echo "$sum" > node_modules/.stamp
    fi
}

prepare_application() {
    mkdir -p storage/brookstone storage/app storage/logs storage/framework/{cache/data,sessions,views} bootstrap/cache
    chmod go-rwx storage/brookstone storage/app storage/logs storage/framework # what is kept there is nobody else's
    [ -f .env ] || { cp .env.example .env; say "Made .env"; }
    chmod go-rwx .env
    grep -q '^APP_KEY=.\+' .env || php artisan key:generate --force --quiet
}

build_front_end() {
    local sum; sum=$(find resources core/src/Schemas.php core/src -name '*.php' -o -path 'resources/*' -type f ! -name 'types.gen.ts' | sort -u | xargs cat package-lock.json vite.config.ts bin/support/types.mjs | sha256sum | cut -d' ' -f1)
    if ! is_fresh public/build/.stamp "$sum"; then
        say "Building the pages"
        local log; log=$(mktemp)
        npm run build >"$log" 2>&1 || { tail -30 "$log"; stop "The pages could not be built."; }
        echo "$sum" > public/build/.stamp
    fi
}

# PHP settings of the served process: OPcache with a compiler for the computing core, which needs more room for its
# traces than it has by default.
serving_ini() {
    local dir="$PWD/storage/framework/php"
    mkdir -p "$dir"
    printf 'expose_php=0\nopcache.enable=1\nopcache.enable_cli=1\nopcache.jit=tracing\nopcache.jit_buffer_size=128M\nopcache.jit_max_root_traces=8192\nopcache.jit_max_side_traces=16384\nopcache.jit_max_exit_counters=32768\nopcache.memory_consumption=128\nmemory_limit=512M\n' > "$dir/brookstone.ini"
    local scanned; scanned=$(php -r 'echo dirname(explode(",", (string) php_ini_scanned_files())[0]);')
    echo "${scanned:-/etc/php/8.2/cli/conf.d}:$dir"
}

# work_for PID: does long work in the background, until the server with that process is gone. A worker that died is replaced.
work_for() {
    local worker
    while kill -0 "$1" 2>/dev/null; do
        php artisan queue:work --quiet --sleep=0.2 --tries=3 --max-time=86400 >/dev/null 2>&1 &
        worker=$!
        while kill -0 "$1" 2>/dev/null && kill -0 "$worker" 2>/dev/null; do sleep 1; done
        kill "$worker" 2>/dev/null || true
    done
}

# serve PORT: in the foreground, on the loopback address only, with several workers.
serve() {
    export PHP_INI_SCAN_DIR PHP_CLI_SERVER_WORKERS=4
    PHP_INI_SCAN_DIR=$(serving_ini)
    # Configuration and routes read once. Files of this server alone: a command beside it must not read its settings.
    export APP_CONFIG_CACHE="$PWD/storage/framework/php/config-$1.php" APP_ROUTES_CACHE="$PWD/storage/framework/php/routes-$1.php"
    php artisan cache:clear --quiet # what was kept may be of another version of the program
    php artisan config:cache --quiet
    php artisan route:cache --quiet
    work_for $$ &
    work_for $$ &
    exec php artisan serve --host=127.0.0.1 --port="$1" --no-reload --quiet
}
