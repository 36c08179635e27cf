#!/usr/bin/env bash
# Holds the judge against the definition (every world that the readings allow) over random catalogues and phones, and prints how
# many judgements were equal and why the others were not. One wrong “fits” ends it. worlds.sh [JUDGEMENTS [SEED]]
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
mvn -B -ntp -q test -pl core -Dtest='WorldsOracleTest,WorldsOfPlansTest' -Dmobrak.judgements="${1:-1000000}" -Dmobrak.seed="${2:-1}"
