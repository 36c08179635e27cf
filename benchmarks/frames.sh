#!/usr/bin/env bash
# The frames of a rehearsal played by hand, with keys held and the score counting, in turn with those of an empty window in which a
# square moves: benchmarks/frames.sh [ROUNDS]. Needs a display, or xvfb-run around it.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
mvn -o -B -ntp -q -f "$HOME_DIR/pom.xml" -Pbenchmarks package -Dmaven.test.skip=true -pl benchmarks -am
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
lib=$HOME_DIR/benchmarks/target/lib
modules=$(find "$lib/" -name 'javafx-*.jar' -printf '%p:')
run() {
  java "@$HOME_DIR/packaging/window.options" -Dprism.order=sw -Dmobrak.home="$HOME_DIR" --module-path "$modules" --add-modules javafx.controls,javafx.swing \
    -cp "$HOME_DIR/benchmarks/target/mobrak-benchmarks-0.1.0.jar:$lib/*" "$@" 2>&1
}
run org.mobrak.benchmarks.DemoFolder "$HOME_DIR" "$work/demo" "$work/cache"
for _ in $(seq "${1:-3}"); do
  echo "empty window: $(run org.mobrak.benchmarks.Frames empty | tail -1)"
  echo "rehearsal: $(run org.mobrak.benchmarks.Frames "$work/demo" "$work/cache" | tail -1)"
done
