# What the other commands share. Sourced, not run.

set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

say() { printf '\033[1m%s\033[0m\n' "$*"; }

# True when a stamp is as new as every file it stands for.
fresh() {
    local stamp=$1
    shift
    [ -e "$stamp" ] || return 1
    local newer
    newer=$(find "$@" -newer "$stamp" -print -quit 2>/dev/null)
    [ -z "$newer" ]
}

# The name that Debian's packages and commands of the installed PHP begin with, as php8.2; where no PHP is installed, that
# of the packages for the distribution's own PHP.
php_name() { php -r 'echo "php", PHP_MAJOR_VERSION, ".", PHP_MINOR_VERSION;' 2>/dev/null || echo php; }

# Debian packages: with which command can they be tried, and which package has them.
missing_packages() {
    local missing=() php
    php=$(php_name)
    if command -v php >/dev/null; then
        local loaded
        loaded=$(php -m)
        for extension in pdo_sqlite:sqlite3 zip:zip curl:curl gd:gd mbstring:mbstring intl:intl dom:xml; do
            grep -qix "${extension%%:*}" <<<"$loaded" || missing+=("$php-${extension##*:}")
        done
    else
        missing+=(php-cli php-sqlite3 php-zip php-curl php-gd php-mbstring php-intl php-xml)
    fi
    command -v composer >/dev/null || missing+=(composer)
    command -v node >/dev/null || missing+=(nodejs npm)
    command -v rsvg-convert >/dev/null || missing+=(librsvg2-bin)
    command -v unzip >/dev/null || missing+=(unzip)
    if [ "${1:-}" = server ]; then
        command -v nginx >/dev/null || missing+=(nginx-light)
        command -v "php-fpm${php#php}" >/dev/null || missing+=("$php-fpm")
    fi
    if [ "${1:-}" = tests ]; then
        command -v chromium >/dev/null || missing+=(chromium)
        command -v pdftotext >/dev/null || missing+=(poppler-utils)
        command -v chromedriver >/dev/null || missing+=(chromium-driver)
    fi
    if [ "${1:-}" = scripted ]; then
        /usr/bin/python3 -c 'import pandas, matplotlib' 2>/dev/null || missing+=(python3-pandas python3-matplotlib)
    fi
    if [ "${1:-}" = engines ]; then
        command -v firefox-esr >/dev/null || missing+=(firefox-esr)
        command -v WebKitWebDriver >/dev/null || missing+=(webkit2gtk-driver)
        command -v xvfb-run >/dev/null || missing+=(xvfb xauth)
    fi
    echo "${missing[*]:-}"
}

install_packages() {
    local missing
    missing=$(missing_packages "${1:-}")
    [ -n "$missing" ] || return 0
    local sudo=()
    if [ "$(id -u)" != 0 ]; then
        if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then
            sudo=(sudo)
        else
            echo "These Debian packages are missing. Install them with this line, then run the command again:"
            echo "    sudo apt-get update && sudo apt-get install -y --no-install-recommends $missing"
            exit 1
        fi
    fi
    say "Installing Debian packages: $missing"
    "${sudo[@]}" apt-get update -qq
    # shellcheck disable=SC2086
    "${sudo[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing >/dev/null
}

# Preloading as root needs to be told so; another user might not be let into the folder.
opcache_user=$([ "$(id -u)" = 0 ] && id -un || true)

# How PHP keeps code, where users are served and where tests run: not compiled to machine code, from which a page gains
# nothing.
opcache=(-d opcache.enable=1 -d opcache.jit=disable -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=20000)

# How the worker and the unpacker run. DUSK_RAIL_JIT=1054 compiles what they calculate: the tracing compiler without
# registers kept over a loop. With registers, PHP 8.2 calculates wrong (docs/decisions, “The compiler is off”).
worker_php=(-d memory_limit=1G "${opcache[@]}" -d opcache.enable_cli=1 -d opcache.jit="${DUSK_RAIL_JIT:-disable}" -d opcache.jit_buffer_size=128M)

# Settings, routes and templates are read once into the given folder, and not with every request. Commands and tests that
# do not name that folder read them anew.
prepare() {
    export DUSK_RAIL_TEMPLATES_CHANGE=false APP_CONFIG_CACHE=$1/config.php APP_ROUTES_CACHE=$1/routes.php APP_EVENTS_CACHE=$1/events.php
    php artisan optimize --quiet
}

# A server for the application: several workers, opcode cache on, loopback only.
# serve PORT WORKERS
serve() {
    local limits=(-d upload_max_filesize=200M -d post_max_size=210M -d memory_limit=512M -d max_execution_time=120)
    local cache=("${opcache[@]}" -d opcache.revalidate_freq=10 -d realpath_cache_size=4M)
    cache+=(-d opcache.preload="$PWD/deploy/preload.php" ${opcache_user:+-d opcache.preload_user="$opcache_user"})
    cd public
    PHP_CLI_SERVER_WORKERS=$2 exec php "${limits[@]}" "${cache[@]}" -S "127.0.0.1:$1" ../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php
}
