# What bin/demo, bin/start, bin/test and bin/bench share. Sourced, not run.

set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

say() { printf '%s\n' "$*" >&2; }
fail() { say "$*"; exit 1; }

# command or PHP extension → Debian package
RUN_NEEDS=(php:php-cli composer:composer unzip:unzip node:nodejs npm:npm ext-pdo_sqlite:php-sqlite3 ext-sqlite3:php-sqlite3 ext-mbstring:php-mbstring ext-dom:php-xml ext-curl:php-curl
    ext-tokenizer:php-common ext-ctype:php-common ext-fileinfo:php-common ext-filter:php-common ext-iconv:php-common ext-phar:php-common ext-session:php-common
    ext-openssl:php-cli ext-zlib:php-cli)
TEST_NEEDS=("${RUN_NEEDS[@]}" chromium:chromium midicsv:midicsv py-mido:python3-mido zip:zip)

has() {
    case $1 in
        ext-*) grep -qix "${1#ext-}" <<<"$EXTENSIONS" ;;
        py-*) /usr/bin/python3 -c "import ${1#py-}" >/dev/null 2>&1 ;;
        *) command -v "$1" >/dev/null ;;
    esac
}

# Installs what is missing on Debian as root; elsewhere says exactly what is missing.
need() {
    local missing=() packages=() n
    EXTENSIONS=$(php -m 2>/dev/null || true)
    for n in "$@"; do has "${n%%:*}" || { missing+=("${n%%:*}"); packages+=("${n#*:}"); }; done
    if [ ${#missing[@]} -gt 0 ]; then
        if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
            say "Installing: ${packages[*]}"
            # A test browser brings no fonts: one plain family, so that fallback letters are drawn.
            [[ " ${packages[*]} " == *" chromium "* ]] && packages+=(fonts-dejavu-core)
            apt-get update -qq >&2 || say 'The list of packages could not be renewed; going on with the one that is there.'
            DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${packages[@]}" >/dev/null
        fi
        local still=()
        EXTENSIONS=$(php -m 2>/dev/null || true)
        for n in "$@"; do has "${n%%:*}" || still+=("${n%%:*} (Debian package ${n#*:})"); done
        [ ${#still[@]} -eq 0 ] || { say 'Missing on this machine:'; printf '  %s\n' "${still[@]}" >&2; fail 'Install these and run the command again.'; }
    fi
    php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || fail "PHP 8.2 or newer is needed; this is $(php -r 'echo PHP_VERSION;')."
    node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)' \
        || fail "Node 20.19 or newer is needed; this is $(node --version)."
}

# Installs what is only lighter, where it can be had: wanted COMMAND (a Debian package of that name)
wanted() {
    ! has "$1" && [ "$(id -u)" = 0 ] && has apt-get || return 0
    local install=(env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "$1")
    "${install[@]}" >/dev/null 2>&1 || { apt-get update -qq >/dev/null 2>&1 && "${install[@]}" >/dev/null 2>&1; } || true
}

# Fetches packages where their list is newer than what is installed.
dependencies() {
    mkdir -p bootstrap/cache storage/logs storage/framework/{cache,sessions,views}
    if [ ! -f vendor/.installed ] || [ composer.json -nt vendor/.installed ]; then
        say 'Fetching PHP packages…'
        # Providers of packages that are no longer there must not be looked for.
        rm -f bootstrap/cache/packages.php bootstrap/cache/services.php
        COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress --quiet
        touch vendor/.installed
    fi
    if [ ! -f node_modules/.installed ] || [ package.json -nt node_modules/.installed ]; then
        say 'Fetching packages of the interface…'
        npm install --no-audit --no-fund --loglevel=error >&2
        touch node_modules/.installed
    fi
}

built() {
    [ -f public/build/manifest.json ] && [ -f public/sound/bank.sf3 ] \
        && [ -z "$(find resources package.json vite.config.ts svelte.config.js -newer public/build/manifest.json -print -quit)" ]
}

build() {
    built && return
    say 'Building the interface…'
    npx vite build --logLevel error >&2
    php artisan jactonic:reference --quiet
}

# Prepares a data file of its own for a use of the application, with its own caches: data NAME
data() {
    # Whatever the shell says: what goes wrong is explained, not exposed.
    export APP_ENV=production APP_DEBUG=false DB_DATABASE="$PWD/storage/$1.sqlite"
    export APP_CONFIG_CACHE="$PWD/storage/framework/$1-config.php" APP_ROUTES_CACHE="$PWD/storage/framework/$1-routes.php"
    rm -f "$APP_CONFIG_CACHE" "$APP_ROUTES_CACHE"
    [ -d storage ] && [ -w storage ] || fail "The directory storage cannot be written: give yourself the right to, since the songs are kept there."
    [ -f "$DB_DATABASE" ] || : >"$DB_DATABASE" || fail "$DB_DATABASE cannot be made: is the disk full?"
    [ -w "$DB_DATABASE" ] || fail "$DB_DATABASE, which holds the songs, cannot be written: give yourself the right to write it."
    [ ! -s "$DB_DATABASE" ] || [ "$(head -c 15 "$DB_DATABASE")" = 'SQLite format 3' ] \
        || fail "$DB_DATABASE is no data file of Jactonic. Move it away to begin anew, or put a copy in its place."
    local why
    why=$(php artisan migrate --force --no-ansi 2>&1) || fail "$(in_words "$why")"
    DB_PERSISTENT=true php artisan config:cache --quiet
    php artisan route:cache --quiet
}

# What stands in the way of the data file, in words: in_words WHAT_WAS_PRINTED
in_words() {
    case $1 in
        *'database disk image is malformed'* | *'not a database'*) say "$DB_DATABASE is damaged. Nothing was changed. Put a copy of it in its place (the latest stand in storage/backups), or move it away to begin anew." ;;
        *'disk is full'* | *'disk I/O error'* | *'No space left'*) say "There is no room left on the disk, or it fails: $DB_DATABASE cannot be written. Make room and start again." ;;
        *'readonly database'* | *'unable to open'* | *'ermission denied'*) say "$DB_DATABASE, which holds the songs, cannot be written: give yourself the right to write it and its directory." ;;
        *'database is locked'*) say "$DB_DATABASE is in use by another program: close that and start again." ;;
        *'could not find driver'*) say 'PHP has no driver for SQLite: install the extension pdo_sqlite (Debian package php-sqlite3).' ;;
        *) say "$DB_DATABASE cannot be made ready. What was reported stands in storage/logs/start.log."; printf '%s\n' "$1" >>storage/logs/start.log ;;
    esac 2>&1
}

taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The port asked for, or the first free one after it: free_port PORT
free_port() {
    local port=$1
    [[ $port =~ ^[0-9]{2,5}$ ]] && [ "$port" -le 65500 ] || fail "--port takes a number from 10 to 65500, not “$port”."
    while taken "$port"; do
        port=$((port + 1))
        [ "$port" -lt $(($1 + 50)) ] || fail "Ports $1 to $port are all taken; name another with --port."
    done
    [ "$port" = "$1" ] || say "Port $1 is taken; using $port."
    echo "$port"
}

# What is computed for is compiled once: an edit of many notes takes two thirds of the time. The tests run with it too.
PHP_FAST=(-d opcache.enable_cli=1 -d opcache.jit_buffer_size=64M -d opcache.jit=tracing)

# Starts the server and waits until it answers; sets SERVER to its process: start_server PORT LOG
start_server() {
    PHP_CLI_SERVER_WORKERS=4 setsid php "${PHP_FAST[@]}" -d expose_php=0 -d upload_max_filesize=1G -d post_max_size=1025M -d memory_limit=1G \
        -S "127.0.0.1:$1" -t public bin/router.php >"$2" 2>&1 &
    SERVER=$!
    local i
    for i in $(seq 100); do
        kill -0 "$SERVER" 2>/dev/null || fail "The server did not start; see $2: $(tail -n 1 "$2")"
        curl_ok "$1" && return
        sleep 0.1
    done
    fail "The server does not answer; see $2."
}

curl_ok() { php -r 'exit(@file_get_contents("http://127.0.0.1:'"$1"'/api/setup") === false ? 1 : 0);'; }

stop_server() { [ -z "${SERVER:-}" ] || kill -- "-$SERVER" 2>/dev/null || true; }

# Stops for good: when nobody works in the data file any more its log is written back, so that the file alone is whole.
stop_for_good() {
    trap - EXIT
    [ -z "${DAILY:-}" ] || kill "$DAILY" 2>/dev/null || true
    stop_server
    local i
    for i in $(seq 50); do kill -0 -- "-$SERVER" 2>/dev/null || break; sleep 0.1; done
    php -r '$file = new PDO("sqlite:$argv[1]"); $file->exec("pragma wal_checkpoint(truncate)");' "$DB_DATABASE" || true
}

# A copy of everything, once a day on which anything changed.
backup_daily() {
    trap 'kill "$!" 2>/dev/null; exit 0' TERM
    while true; do
        php artisan jactonic:backup --daily || true
        sleep 900 &
        wait "$!"
    done
}

# Serves until it is stopped: serve PORT LOG
serve() {
    local port
    port=$(free_port "$1")
    trap stop_for_good EXIT
    trap 'exit 0' INT TERM
    start_server "$port" "$2"
    backup_daily >>storage/logs/backup.log 2>&1 &
    DAILY=$!
    say
    say "Jactonic is at  http://127.0.0.1:$port/"
    say "Your songs are in  $DB_DATABASE,"
    say "a copy of each day on which anything changed in  $PWD/storage/backups."
    say 'Ctrl+C stops it.'
    wait "$SERVER"
}
