#!/usr/bin/env bash
# A workspace with 1,000 phones and 100,000 entries in the window, on a virtual display: benchmarks/logbook-window.sh.
# Tells how long it takes to lay a phone on the desk and to find words, and how long the frames are while all lives are scrolled;
# beside it the same search by the sqlite3 shell, where there is one.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
WORK=$(mktemp -d)
trap 'rm -rf "$WORK"' EXIT
cd "$HOME_DIR"
mvn -B -ntp -q -o -Pbenchmarks package -Dmaven.test.skip=true -pl benchmarks -am
LIB=$HOME_DIR/benchmarks/target/lib
JAR=$HOME_DIR/benchmarks/target/mobrak-benchmarks-0.1.0.jar
java -cp "$JAR:$LIB/*" org.mobrak.benchmarks.BigLogbook "$WORK/big" "$HOME_DIR/catalogue" "$WORK/cache" 2>/dev/null
FX=$(find "$LIB" -name 'javafx-*.jar' -printf '%p:')
# As the script mobrak has it, with the classes laid out by a first run.
window() {
  xvfb-run -a -s "-screen 0 1280x800x24 -nolisten tcp" java "@$HOME_DIR/packaging/window.options" "$@" -Xlog:all=off \
    -Dprism.order=sw --module-path "$FX" --add-modules javafx.controls,javafx.swing -cp "$JAR:$LIB/*" \
    'org.mobrak.benchmarks.LogbookWindow$Start' "$WORK/big" "$WORK/cache" 2>/dev/null
}
window "-XX:ArchiveClassesAtExit=$WORK/classes.jsa" >/dev/null
for round in 1 2 3; do
  echo "round $round"
  window "-XX:SharedArchiveFile=$WORK/classes.jsa" -Xshare:auto
done
# The same query by the shell, as a whole command, since that is what a person would start.
if command -v sqlite3 >/dev/null; then
  cat >"$WORK/query.sql" <<'SQL'
SELECT phone, nickname, kind, at, snippet(entry, 0, '>', '<', ' … ', 14)
FROM main.entry JOIN logbook.phone ON phone.id = entry.phone
WHERE entry MATCH '"orchard"* "lamp"* "77"*' AND phone.withdrawn_at IS NULL
AND NOT (kind = 'reading' AND EXISTS (SELECT 1 FROM logbook.intake WHERE intake.id = entry.ref AND intake.withdrawn_at IS NOT NULL))
ORDER BY rank, at DESC LIMIT 200;
SQL
  for _ in 1 2 3 4 5; do
    begun=$(date +%s%N)
    { echo "ATTACH DATABASE '$WORK/big/logbook.db' AS logbook;"; cat "$WORK/query.sql"; } |
      sqlite3 "$(find "$WORK/cache" -name 'search-*.db')" >/dev/null
    echo "sqlite3, “orchard lamp 77”: $((($(date +%s%N) - begun) / 1000000)) ms"
  done
fi
