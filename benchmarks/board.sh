#!/usr/bin/env bash
# Scrolls the board of a catalogue of ROUTES routes on a virtual display and tells how long the frames took.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
ROUTES=${1:-10000}
[ -f "$HOME_DIR/benchmarks/target/mobrak-benchmarks-0.1.0.jar" ] ||
  { echo "build first: mvn -q -Pbenchmarks package -DskipTests" >&2; exit 2; }
LIB=$HOME_DIR/benchmarks/target/lib
FX=$(find "$LIB" -name 'javafx-*.jar' -printf '%p:')
xvfb-run -a -s "-screen 0 1280x800x24 -nolisten tcp" java -XX:+UseParallelGC -Dprism.order=sw --module-path "$FX" \
  --add-modules javafx.controls,javafx.swing -cp "$HOME_DIR/benchmarks/target/mobrak-benchmarks-0.1.0.jar:$LIB/*" \
  'org.mobrak.benchmarks.BoardScroll$Start' "$HOME_DIR" "$ROUTES" 2>/dev/null
