# Shared by ./start and ./test: finding or installing what a fresh machine lacks. Sourced, not run.

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
build=$root/.build

say() { printf '%s\n' "$*"; }
die() { printf '\n%s\n' "$*" >&2; exit 1; }

# need_package COMMAND-THAT-TELLS PACKAGE...: installs Debian packages when allowed, otherwise says the exact command.
need_package() {
  local check=$1
  shift
  if eval "$check" >/dev/null 2>&1; then return; fi
  local command="apt-get install -y --no-install-recommends $*"
  if [ "$(id -u)" != 0 ] || ! command -v apt-get >/dev/null; then
    die "Something is missing on this machine. Please run:  sudo apt-get update && sudo $command"
  fi
  say "Installing $* ..."
  mkdir -p "$build"
  # Without this, Debian's package would start a cluster of its own on port 5432.
  if [[ " $* " == *" postgresql "* ]]; then
    mkdir -p /etc/postgresql-common
    grep -qs '^create_main_cluster' /etc/postgresql-common/createcluster.conf ||
      echo 'create_main_cluster = false' >>/etc/postgresql-common/createcluster.conf
  fi
  { apt-get update && DEBIAN_FRONTEND=noninteractive $command; } >"$build/apt.log" 2>&1 ||
    die "Installing $* did not work; $build/apt.log says why."
}

# The build of Chromium that never had a window takes less than half of the processor that the whole one takes: it is fetched even
# where the whole one is there. Where it cannot be had, the whole one does; tests/e2e/browser.mjs finds either.
need_browser() {
  if command -v chromium-headless-shell >/dev/null || [ -x "${CHROMIUM:-}" ]; then return; fi
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    say "Installing chromium-headless-shell ..."
    mkdir -p "$build"
    if { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends chromium-headless-shell; } \
      >"$build/apt.log" 2>&1; then return; fi
  fi
  need_package 'command -v chromium' chromium
}

need_toolchains() {
  command -v dotnet >/dev/null || die "The .NET SDK 10 is missing. Install it, then start again."
  [[ $(dotnet --version 2>/dev/null) == 10.* ]] || die "The .NET SDK 10 is needed; 'dotnet --version' does not say 10."
  command -v node >/dev/null || die "Node.js 20.19 or newer is missing (with npm). Install it, then start again."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>20||(a===20&&b>=19)?0:1)' ||
    die "Node.js 20.19 or newer is needed; this one is $(node --version)."
  command -v npm >/dev/null || die "npm is missing; it comes with Node.js. Install it, then start again."
}

# fingerprint PATH...: one word for the content of everything below, what builds leave behind apart.
fingerprint() {
  (cd "$root" && find "$@" -type f -not -path '*/bin/*' -not -path '*/obj/*' -not -path '*/node_modules/*' -not -path '*/dist/*' -print0 |
    LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum | cut -d' ' -f1)
}

# when_changed NAME FINGERPRINT COMMAND...: runs the command unless it has already succeeded for this content.
when_changed() {
  local name=$1 now=$2
  shift 2
  if [ -f "$build/$name.done" ] && [ "$(cat "$build/$name.done")" = "$now" ]; then return; fi
  mkdir -p "$build"
  rm -f "$build/$name.done"
  "$@" >"$build/$name.log" 2>&1 || { tail -n 40 "$build/$name.log" >&2; die "That did not work; $build/$name.log has it all."; }
  printf '%s' "$now" >"$build/$name.done"
}

install_web() { (cd "$root" && npm ci --no-audit --no-fund); }
build_web() { (cd "$root" && npm run --workspace web build); }
# The demo is the server with an academy laid out in it; publishing it brings the server along, and ./start runs one or the other
# from the same folder. The tests' build holds the style; whoever only starts the application need not wait for it, and ./test,
# which has built everything already, need not build it again (is_built).
build_server() {
  rm -rf "$build/server"
  dotnet publish "$root/src/MorningRound.Demo" -c Release -o "$build/server" --nologo \
    "$([ -n "${is_built:-}" ] && echo --no-build || echo -p:RunAnalyzers=false)"
}

need_web_packages() {
  [ -d "$root/node_modules" ] || rm -f "$build/npm.done"
  when_changed npm "$(fingerprint package.json package-lock.json web/package.json tests/e2e/package.json)" install_web
}

need_web_application() {
  say "Getting the web application ready ..."
  need_web_packages
  [ -f "$root/web/dist/index.html" ] || rm -f "$build/web.done"
  when_changed web "$(fingerprint package-lock.json web)" build_web
}

# Everything ./start serves: the published server and the built web application.
need_application() {
  need_web_application
  say "Getting the server ready ..."
  [ -f "$build/server/MorningRound.Demo.dll" ] && [ -f "$build/server/MorningRound.Server.runtimeconfig.json" ] || rm -f "$build/server.done"
  when_changed server "$(fingerprint src Directory.Build.props Directory.Packages.props global.json .editorconfig)" build_server
}
