# Set-up shared by the commands of this folder. Says what it does; does nothing twice.
# After it: PHP with its extensions, Composer and npm packages, .env with a key. Sourced, not run.

cd "$(dirname "${BASH_SOURCE[0]}")/.."
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1

say() { printf '\033[1m· %s\033[0m\n' "$*"; }
stop() { printf '\n✗ %s\n' "$*" >&2; exit 1; }

for needed in artisan bootstrap/app.php composer.json package-lock.json vite.config.ts; do
    [ -f "$needed" ] || stop "This copy of Brookstone is not whole: $needed is missing. Get it anew, and put your folder storage into it."
done
free_MB=$(($(df -Pk . | awk 'NR == 2 { print $4 }') / 1024))
[ "$free_MB" -ge 20 ] || stop "The disk is full: only $free_MB MB are free at $PWD. Make room and start again; nothing of what was stored is lost."
unused=$(mktemp 2>/dev/null) || stop "No file can be made in ${TMPDIR:-/tmp}, the folder for what is soon thrown away: make room or let yourself write there, and start again."
rm -f "$unused"

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
    if [ "${NEED_COMPILERS:-}" = 1 ]; then # for written programs, the 8-bit controller among them
        command -v gcc >/dev/null || missing="$missing gcc libc6-dev"
        command -v g++ >/dev/null || missing="$missing g++"
        command -v avr-gcc >/dev/null || missing="$missing gcc-avr"
        [ -d /usr/lib/avr/include ] || missing="$missing avr-libc"
    fi
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

# The pages are tested in a browser without windows; where that cannot be had, in the whole one.
install_browser() {
    [ -x /usr/bin/chromium-headless-shell ] && return
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
        say "Installing a browser without windows, for the tests: chromium-headless-shell"
        (apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium-headless-shell) >/dev/null 2>&1 && return
    fi
    NEED_CHROMIUM=1 install_system_packages
}

# Written programs are proven by running them here: without a compiler everything else still works.
install_compilers() {
    command -v gcc >/dev/null && command -v g++ >/dev/null && return
    if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
        say "Installing a compiler, with which written programs are proven: gcc g++"
        (apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends gcc g++ libc6-dev) >/dev/null 2>&1 && return
    fi
    say "There is no compiler here: programs are written, but only those in MicroPython are proven (on Debian: apt-get install gcc g++)"
}

# A stamp holds the checksum of what a step was made from; the step runs again only when that changes.
is_fresh() { [ -f "$1" ] && [ "$(cat "$1")" = "$2" ]; }
checksum() { cat "$@" | sha256sum | cut -d' ' -f1; }

install_packages() {
    local log sum; log=$(mktemp)
    [ -w . ] || stop "The folder $PWD cannot be written to: put Brookstone where you can write, and start again."
    sum=$(checksum composer.json)
    if ! is_fresh vendor/.stamp "$sum" || ! php_packages_are_there; then
        say "Installing PHP packages"
        composer update --no-scripts --no-progress --quiet >"$log" 2>&1 || { tail -20 "$log"; stop "Composer could not install the PHP packages."; }
        echo "$sum" > vendor/.stamp
    fi
    sum=$(find app core/src database -name '*.php' | LC_ALL=C sort | checksum -)
    if [ ! -L vendor ] && ! is_fresh vendor/.classes "$sum"; then # where each class is found; without it they are looked for one by one
        composer dump-autoload --no-scripts --quiet >"$log" 2>&1 && echo "$sum" > vendor/.classes || true
    fi
    php -r 'require "vendor/autoload.php";' >/dev/null 2>&1 || stop "The PHP packages in vendor cannot be read: let yourself read them, or delete that folder, and start again."
    sum=$(checksum package-lock.json)
    if ! is_fresh node_modules/.stamp "$sum"; then
        say "Installing front-end packages"
        npm ci --no-progress >"$log" 2>&1 || { tail -20 "$log"; stop "npm could not install the front-end packages."; }
        echo "$sum" > node_modules/.stamp
    fi
}

# The stamp says that they were installed; somebody may have taken one away since.
php_packages_are_there() {
    php -r 'foreach ((json_decode((string) @file_get_contents("vendor/composer/installed.json"), true)["packages"] ?? [["install-path" => "none"]]) as $package) { is_dir("vendor/composer/".$package["install-path"]) || exit(1); }'
}

# What is not a list of settings is kept aside. What the framework keeps of them and of its packages is made anew by it: it may be half of a
# file, or of other packages.
mend_settings() {
    rm -rf bootstrap/cache/*.php 2>/dev/null || stop "The folder bootstrap/cache cannot be written to: let yourself write there, and start again."
    [ ! -f .env ] || [ -r .env ] || stop "The settings in .env cannot be read: let yourself read them, and start again."
    if [ -L .env ] && [ ! -e .env ]; then rm -f .env; fi # a link to nothing
    if [ -e .env ] && ! php -r 'require "vendor/autoload.php"; try { Dotenv\Dotenv::parse(is_file(".env") ? (string) file_get_contents(".env") : throw new Exception); } catch (Throwable) { exit(1); }'; then
        mv .env ".env.broken-$(date +%Y%m%d-%H%M%S)"
        say "The settings in .env cannot be read. They are kept as .env.broken-…, and new ones are made."
    fi
}

prepare_application() {
    mend_settings
    local folder
    for folder in storage/brookstone storage/app storage/logs storage/framework/{cache/data,sessions,views} bootstrap/cache; do
        mkdir -p "$folder" 2>/dev/null || stop "The folder $folder cannot be made: move away what has its name, or let yourself write there, and start again."
    done
    for folder in storage/brookstone storage/app storage/logs storage/framework storage/framework/{cache/data,views} bootstrap/cache; do
        [ -w "$folder" ] || stop "The folder $folder cannot be written to: let yourself write there, and start again."
    done
    chmod go-rwx storage/brookstone storage/app storage/logs storage/framework 2>/dev/null || stop "The folder storage belongs to somebody else: make it yours, and start again." # what is kept there is nobody else's
    [ -f .env ] || { cp .env.example .env; say "Made .env"; }
    chmod go-rwx .env 2>/dev/null || stop "The settings in .env belong to somebody else: make them yours, and start again."
    grep -q '^APP_KEY=.\+' .env || php artisan key:generate --force --quiet
    # The first command is as quick as the next ones: what it is compiled to is kept.
    is_fresh storage/framework/compiled/.stamp "$(checksum composer.json)" ||
        { php artisan brookstone:assess database/demo/heron-wharf.brookstone.json --untried >/dev/null && checksum composer.json >storage/framework/compiled/.stamp; } 2>/dev/null || true
}

# A checksum of all that the pages are made of.
pages_are_of() { find resources core/src/Schemas.php core/src -name '*.php' -o -path 'resources/*' -type f ! -name 'types.gen.ts' | sort -u | xargs cat package-lock.json vite.config.ts bin/support/types.mjs | sha256sum | cut -d' ' -f1; }

pages_are_there() {
    php -r '$pages = json_decode((string) @file_get_contents("public/build/manifest.json"), true) ?: exit(1); foreach ($pages as $page) { foreach ([$page["file"], ...$page["css"] ?? []] as $file) { is_file("public/build/$file") || exit(1); } }'
}

build_front_end() {
    local sum; sum=$(pages_are_of)
    if ! is_fresh public/build/.stamp "$sum" || ! pages_are_there; then
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
    printf 'expose_php=0\nopcache.enable=1\nopcache.enable_cli=1\nopcache.jit=tracing\nopcache.jit_buffer_size=128M\nopcache.jit_max_root_traces=65535\nopcache.jit_max_side_traces=1000000\nopcache.jit_max_exit_counters=262144\nopcache.memory_consumption=128\nmemory_limit=512M\n' > "$dir/brookstone.ini"
    local scanned; scanned=$(php -r 'echo dirname(explode(",", (string) php_ini_scanned_files())[0]);')
    echo "${scanned:-/etc/php/8.2/cli/conf.d}:$dir"
}
