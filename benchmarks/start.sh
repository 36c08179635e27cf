#!/usr/bin/env bash
# Starts an empty window and the desktop on the demo, in turn, each with its classes laid out beforehand as `mobrak open` has it:
# benchmarks/start.sh [ROUNDS]. Needs a display, or xvfb-run around it.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
ROUNDS=${1:-5}
mvn -B -ntp -q -f "$HOME_DIR/pom.xml" -Pbenchmarks package -Dmaven.test.skip=true -pl benchmarks -am
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
lib=$HOME_DIR/benchmarks/target/lib
modules=$(find "$lib/" -name 'javafx-*.jar' -printf '%p:')
start() {
  java "@$HOME_DIR/packaging/window.options" -Dprism.order=sw -Dmobrak.home="$HOME_DIR" "${OPTIONS[@]}" --module-path "$modules" \
    --add-modules javafx.controls,javafx.swing -cp "$HOME_DIR/benchmarks/target/mobrak-benchmarks-0.1.0.jar:$lib/*" \
    "$@" 2>/dev/null
}
OPTIONS=(-Xlog:all=off)
start org.mobrak.benchmarks.DemoFolder "$HOME_DIR" "$work/demo" "$work/cache"
OPTIONS=("-XX:ArchiveClassesAtExit=$work/empty.jsa" -Xlog:all=off)
start org.mobrak.benchmarks.StartUp empty >/dev/null
OPTIONS=("-XX:ArchiveClassesAtExit=$work/desktop.jsa" -Xlog:all=off)
start org.mobrak.benchmarks.StartUp "$work/demo" "$work/cache" >/dev/null
for round in $(seq "$ROUNDS"); do
  OPTIONS=("-XX:SharedArchiveFile=$work/empty.jsa" -Xshare:auto -Xlog:all=off)
  echo "round $round, empty window: $(start org.mobrak.benchmarks.StartUp empty)"
  OPTIONS=("-XX:SharedArchiveFile=$work/desktop.jsa" -Xshare:auto -Xlog:all=off)
  echo "round $round, desktop: $(start org.mobrak.benchmarks.StartUp "$work/demo" "$work/cache")"
done
