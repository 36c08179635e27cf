#!/usr/bin/env bash
# A workspace with 1,000 phones and 100,000 entries, in a heap of 256 MB: benchmarks/logbook.sh [TIMES].
# Tells wall-clock time and the most memory of export, import, search and check as whole commands, and of the same search by the
# sqlite3 shell where there is one.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
WORK=$(mktemp -d)
trap 'rm -rf "$WORK"' EXIT
cd "$HOME_DIR"
# The one cache for all, or the workspace would be one from elsewhere to the commands.
export XDG_CACHE_HOME=$WORK/xdg
mvn -B -ntp -q -o -Pbenchmarks package -Dmaven.test.skip=true -pl benchmarks -am
java -cp "benchmarks/target/mobrak-benchmarks-0.1.0.jar:benchmarks/target/lib/*" org.mobrak.benchmarks.BigLogbook "$WORK/big" "$HOME_DIR/catalogue" "$XDG_CACHE_HOME/mobrak" 2>/dev/null
export MOBRAK_JAVA_OPTIONS=-Xmx256m
"$HOME_DIR/mobrak" facts >/dev/null
timed() {
  local name=$1
  shift
  /usr/bin/time -f "$name: %e s, %M kB" "$@" >/dev/null 2>"$WORK/time" || true
  tail -n 1 "$WORK/time"
}
for _ in $(seq "${1:-3}"); do
  rm -rf "$WORK/out.zip" "$WORK/back"
  timed "starting alone" ./mobrak compare-versions 1 2
  timed "export" ./mobrak export "$WORK/big" --to "$WORK/out.zip"
  timed "import" ./mobrak import "$WORK/out.zip" --into "$WORK/back"
  timed "search, first" ./mobrak search "$WORK/back" KQB0123-E07
  timed "search, again" ./mobrak search "$WORK/back" orchard lamp 77
  timed "check" ./mobrak check "$WORK/back"
done
