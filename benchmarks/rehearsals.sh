#!/usr/bin/env bash
# Plays every bench phone with every goal, plan and fault, and tells how long the whole command took: benchmarks/rehearsals.sh [TIMES].
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
"$HOME_DIR/mobrak" facts >/dev/null
for _ in $(seq "${1:-3}"); do
  begun=$(date +%s%N)
  runs=$("$HOME_DIR/mobrak" rehearse --all | tail -n 1)
  ended=$(date +%s%N)
  echo "$runs, $(((ended - begun) / 1000000)) ms as a whole command"
done
