# What ./start and ./test share. Sourced, from the root of the project.

say() { printf '%s\n' "$*" >&2; }

JAVA_SPEED="-XX:+UseSerialGC -XX:TieredStopAtLevel=4 -Xshare:auto -Xlog:cds=off -Xlog:cds+dynamic=off -Xss512k -Xmx512m"

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
sources() { ls -d pom.xml .mvn core/pom.xml core/src/main bench/pom.xml bench/src/main server/pom.xml server/src/main ui/pom.xml ui/src ui/public ui/index.html ui/*.json ui/*.ts; }

build_if_stale() {
  if [ -f "$stamp" ] && [ -z "$(find $(sources) -newer "$stamp" -type f -print -quit)" ]; then return; fi
  say "Building Tubrin; the first time this takes a few minutes …"
  mkdir -p target
  # The pipe only shows how far it is; whether it went well stands in the file.
  { mvn -B package -pl core,bench,ui,server -DskipTests 2>&1; echo $? >target/build.code; } | tee target/build.log \
    | grep --line-buffered -oE 'Building Tubrin .*|^Downloading' | uniq | sed -u 's/^/  /' >&2 || true
  if [ "$(cat target/build.code)" != 0 ]; then
    say "The build failed; target/build.log says:"
    grep -E 'ERROR' target/build.log | head -n 20 >&2
    exit 1
  fi
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

# Runs the simulated bench on a port and the five after it; it stays until it is ended.
run_bench() { exec java -XX:+UseSerialGC -Xmx128m -Xss512k -cp 'target/app/bench.jar:target/app/lib/*' org.tubrin.bench.BenchMain; }

# Trains the class-data archive with a short run on the database at hand.
train_if_stale() {
  [ -f "$archive" ] && return
  say "Preparing a fast start …"
  java $JAVA_SPEED -XX:ArchiveClassesAtExit="$archive" -Dspring.context.exit=onRefresh -jar "$app_jar" >"$1/train.log" 2>&1 \
    || { say "The preparing run failed:"; tail -n 5 "$1/train.log" >&2; exit 1; }
}

free_port_from() {
  local port=$1
  while (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do port=$((port + 1)); done
  echo "$port"
}

# Whether an address answers 200; without curl, which a bare machine lacks.
curl_ok() (
  rest=${1#http://} host=${1#http://} path=/${1#http://*/}
  host=${rest%%/*}
  exec 2>/dev/null 3<>"/dev/tcp/${host%:*}/${host#*:}" || exit 1
  printf 'GET %s HTTP/1.0\r\nHost: %s\r\n\r\n' "$path" "$host" >&3
  IFS=' ' read -r -t 5 _ status _ <&3 && [ "$status" = 200 ]
)

build_benchmark() {
  mkdir -p target
  mvn -B -q package -pl core,bench,benchmark -DskipTests >target/build.log 2>&1 || { grep ERROR target/build.log | head -n 20 >&2; exit 1; }
}

benchmark_classpath() {
  mvn -B -q dependency:build-classpath -pl core,bench,benchmark -Dmdep.outputFile=target/classpath -Dmdep.includeScope=runtime >/dev/null
  echo "benchmark/target/classes:bench/target/classes:core/target/classes:$(cat benchmark/target/classpath)"
}
