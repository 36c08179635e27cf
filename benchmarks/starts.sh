#!/usr/bin/env bash
# Starts the program again and again as people do: in a folder with a space and a colon in its name, through a link, without a
# home, with one that may not be written, with a damaged class archive. benchmarks/starts.sh [TIMES], 500 without an argument.
# Any start that fails is told and ends it.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
TIMES=${1:-500}
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
place="$work/a folder: with more"
mkdir -p "$place"
"$HOME_DIR/mobrak" facts >/dev/null
cp -a "$HOME_DIR"/{mobrak,pom.xml,core,link,app,cli,desktop,demo,catalogue,docs} "$place/"
ln -s "$place/mobrak" "$work/link"
mkdir "$work/shut"
chmod 500 "$work/shut"

start() {
  local how=$1
  shift
  "$@" compare-versions 4.1.2 4.4.2 >"$work/out" 2>"$work/err" && grep -q 'older' "$work/out" || {
    echo "start $number failed $how:" >&2
    cat "$work/out" "$work/err" >&2
    exit 1
  }
}

for ((number = 1; number <= TIMES; number++)); do
  case $((number % 5)) in
    0) start "in a folder with a space and a colon" "$place/mobrak" ;;
    1) start "through a link" "$work/link" ;;
    2) start "without a home" env -u HOME "$place/mobrak" ;;
    3) start "with a home that may not be written" env HOME="$work/shut/none" "$place/mobrak" ;;
    4)
      printf 'damaged' | dd of="$place/cli/target/mobrak.jsa" bs=1 seek=$((RANDOM * 100)) conv=notrunc status=none
      start "with a damaged class archive" "$place/mobrak"
      ;;
  esac
done
echo "$TIMES starts, none failed"
