#!/usr/bin/env bash
# Times a club's collection: COUNT listings of 1,500 lines each, identified from the shell with a small heap, and the refusal
# of 200 MB of other text. Prints wall-clock seconds and the most memory used.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
COUNT=${1:-2000}
folder=$(mktemp -d)
trap 'rm -rf "$folder"' EXIT

"$HOME_DIR/mobrak" identify "$HOME_DIR/demo/readings/hive-03-listing.txt" >/dev/null
python3 - "$HOME_DIR/demo/readings" "$folder" "$COUNT" <<'PY'
import pathlib, sys
readings, folder, count = pathlib.Path(sys.argv[1]), pathlib.Path(sys.argv[2]), int(sys.argv[3])
listings = sorted(readings.glob("*-listing.txt"))
filler = "".join(f"[persist.sys.hive.{n}]: [value {n * 31}]\n" for n in range(1470))
(folder / "phones").mkdir()
for n in range(count):
    text = listings[n % len(listings)].read_text()
    (folder / "phones" / f"{n:05}.txt").write_text(text.replace("ro.serialno]: [", f"ro.serialno]: [{n:05}") + filler)
line = "the quick brown bees jump over the lazy drone\n"
(folder / "other.txt").write_text(line * (200_000_000 // len(line)))
PY

measure() {
  /usr/bin/env time -f "$1: %e s, at most %M KiB" "${@:2}" >"$folder/out" 2>"$folder/err" || true
  tail -n 1 "$folder/err"
}
export MOBRAK_JAVA_OPTIONS=${MOBRAK_JAVA_OPTIONS:--Xmx256m}
measure "$COUNT listings of 1,500 lines, table" "$HOME_DIR/mobrak" identify --each "$folder/phones"
measure "$COUNT listings of 1,500 lines, JSON" "$HOME_DIR/mobrak" identify --each "$folder/phones" --json
measure "200 MB of other text refused" "$HOME_DIR/mobrak" identify "$folder/other.txt"
