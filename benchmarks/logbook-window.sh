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
xvfb-run -a -s "-screen 0 1280x800x24 -nolisten tcp" java -XX:+UseParallelGC -Dprism.order=sw --module-path "$FX" \
  --add-modules javafx.controls,javafx.swing -cp "$JAR:$LIB/*" 'org.mobrak.benchmarks.LogbookWindow$Start' "$WORK/big" "$WORK/cache" 2>/dev/null
