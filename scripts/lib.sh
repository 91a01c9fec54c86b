# What ./start, ./test and the scripts share. Sourced, from the root of the project.

say() { printf '%s\n' "$*" >&2; }

JAVA_SPEED="-XX:+UseSerialGC -XX:TieredStopAtLevel=4 -XX:+UnlockDiagnosticVMOptions -XX:ArchiveRelocationMode=0 -Xshare:auto -Xlog:cds=off -Xlog:cds+dynamic=off -Xss512k -Xms64m -Xmn32m -Xmx512m -XX:MinHeapFreeRatio=15 -XX:MaxHeapFreeRatio=30 -XX:+IgnoreUnrecognizedVMOptions -XX:TrimNativeHeapInterval=60000"

need_tools() {
  local missing=() tool
  for tool in java mvn node npm; do command -v $tool >/dev/null || missing+=("$tool"); done
  if [ ${#missing[@]} -gt 0 ]; then
    say "Missing: ${missing[*]}. Tubrin needs JDK 17, Maven and Node 20."
    exit 3
  fi
}

# Installs a Debian package when root; else says the one command.
need_package() {
  local what=$1 package=$2
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    say "Installing $what ($package) …"
    export DEBIAN_FRONTEND=noninteractive
    apt-get update -qq >/dev/null 2>&1 || true
    apt-get install -y -qq --no-install-recommends "$package" >/dev/null || { say "apt-get install $package failed."; exit 3; }
  else
    say "$what is missing. Install it with:  sudo apt-get install $package"
    exit 3
  fi
}

need_postgres() {
  ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 && return
  if [ "$(id -u)" = 0 ]; then
    # Debian's package would make and start a cluster on 5432; Tubrin keeps its own.
    mkdir -p /etc/postgresql-common
    [ -f /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' >/etc/postgresql-common/createcluster.conf
  fi
  need_package "PostgreSQL's server" postgresql
}

need_chromium() { command -v chromium >/dev/null || need_package Chromium chromium; }

app_jar=target/app/tubrin.jar
archive=target/app/tubrin.jsa
stamp=target/app/built

# Everything that the application is built from.
sources() { ls -d pom.xml .mvn core/pom.xml core/src/main bench/pom.xml bench/src/main server/pom.xml server/src/main ui/pom.xml ui/src ui/public ui/*.html ui/*.json ui/*.ts; }

build_failed() {
  say "The build failed; target/build.log says:"
  grep -E 'ERROR' target/build.log | head -n 20 >&2
  exit 1
}

# Maven keeps a copy of a resource that has gone or was renamed; what is started must not find it.
forget_resources() { rm -rf server/target/classes; }

build_if_stale() {
  if [ -f "$stamp" ] && [ -z "$(find $(sources) -newer "$stamp" -type f -print -quit)" ]; then return; fi
  say "Building Tubrin; the first time this takes a few minutes …"
  mkdir -p target
  forget_resources
  # The pipe only shows how far it is; whether it went well stands in the file.
  { mvn -B package -pl server,bench -am -DskipTests 2>&1; echo $? >target/build.code; } | tee target/build.log \
    | grep --line-buffered -oE 'Building Tubrin .*|^Downloading' | uniq | sed -u 's/^/  /' >&2 || true
  [ "$(cat target/build.code)" = 0 ] || build_failed
  lay_out
}

# Unpacks the jar so that it starts faster.
lay_out() {
  rm -rf target/app
  mkdir -p target
  java -Djarmode=tools -jar server/target/tubrin.jar extract --destination target/app >/dev/null
  cp bench/target/tubrin-bench-*.jar target/app/bench.jar
  touch "$stamp"
}

# Sets class_path to a module's own classes and all that they need. Where anything is newer, builds it first, with all that
# it needs and in one call of Maven: Tubrin's own modules are looked for nowhere else.
class_path=
module_if_stale() { # MODULE CLASSES
  local module=$1 list=$1/target/classpath
  if [ ! -f "$list" ] || [ -n "$(find $(sources) "$module/src" "$module/pom.xml" -newer "$list" -type f -print -quit)" ]; then
    say "Building $module and what it needs …"
    mkdir -p target
    forget_resources
    mvn -B package -pl "$module" -am -DskipTests >target/build.log 2>&1 || build_failed
    touch "$list" # an unchanged list is not written again
  fi
  class_path=$module/target/$2:$(cat "$list")
}

# Runs the simulated bench on a port and the five after it; it stays until it is ended.
run_bench() { exec java -XX:+UseSerialGC -Xmx128m -Xss512k -cp "$app/bench.jar:$app/lib/*" org.tubrin.bench.BenchMain; }

# Words that run a command without root's rights, where this is root; as PostgreSQL, Tubrin never runs as root.
as_other=()
drop_root() {
  [ "$(id -u)" = 0 ] || return 0
  local user=postgres
  id -u $user >/dev/null 2>&1 || user=nobody
  as_other=(setpriv --reuid=$user --regid="$(id -g $user)" --init-groups)
  other_user=$user
}
other_user=

taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The first of a row of so many ports that are all free.
free_ports_from() { # FIRST COUNT
  local first=$1 count=$2 port
  while :; do
    for ((port = first; port < first + count; port++)); do
      if taken "$port"; then first=$((port + 1)); continue 2; fi
    done
    echo "$first"
    return
  done
}

# Whether an address answers 200; without curl, which a bare machine lacks.
curl_ok() (
  rest=${1#http://} host=${1#http://} path=/${1#http://*/}
  host=${rest%%/*}
  exec 2>/dev/null 3<>"/dev/tcp/${host%:*}/${host#*:}" || exit 1
  printf 'GET %s HTTP/1.0\r\nHost: %s\r\n\r\n' "$path" "$host" >&3
  IFS=' ' read -r -t 5 _ status _ <&3 && [ "$status" = 200 ]
)

# A process is known by its number and the moment it began, since numbers are used again.
began() { sed 's/.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }
note_process() { echo "$1 $(began "$1")" >"$2"; } # PID FILE
noted_process() { # FILE: prints the number of the process if it still runs
  local pid since
  [ -f "$1" ] && read -r pid since <"$1" || return 1
  [ -n "$since" ] && [ "$(began "$pid")" = "$since" ] && echo "$pid"
}

# Ends a process: asks it, and after so many seconds makes it.
end_process() { # PID SECONDS
  kill -TERM "$1" 2>/dev/null || return 0
  local try
  for ((try = 0; try < $2 * 10; try++)); do
    kill -0 "$1" 2>/dev/null || return 0
    sleep 0.1
  done
  kill -KILL "$1" 2>/dev/null || true
}
