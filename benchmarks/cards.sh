#!/usr/bin/env bash
# Makes cards that are wrong in one thing each from those of docs/jobs.md, plays them by the card alone, and prints how many fail by
# kind, which led to their goal all the same, and which were not played because they cannot matter, with the reason.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
mvn -B -ntp -q test -pl app -am -Dtest=LiteralHandTest -Dsurefire.failIfNoSpecifiedTests=false
cat app/target/cards.txt
