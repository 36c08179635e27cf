#!/usr/bin/env bash
# Times looking into large files, side by side with coreutils in one run: all digests and SHA-256 alone of a file of GIB
# gibibytes (2 without an argument), the listing of an archive of 4 GB, of 20,000 members. Wall-clock seconds, most memory.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
GIB=${1:-2}
ROUNDS=${2:-3}
folder=$(mktemp -d)
trap 'rm -rf "$folder"' EXIT
cd "$folder"
"$HOME_DIR/mobrak" inspect "$HOME_DIR/demo/files/about.txt" >/dev/null

head -c $((GIB << 30)) /dev/urandom >large.bin
cp large.bin second.bin
tar cf large.tar large.bin second.bin
zip -q -0 large.zip large.bin second.bin
mkdir many
python3 - <<'PY'
for n in range(20_000):
    with open(f"many/{n:05}.txt", "w") as file:
        file.write(f"file {n}\n" * 20)
PY
tar cf many.tar many
rm -r many second.bin
sha256sum large.bin >sums

measure() {
  local name=$1
  shift
  /usr/bin/env time -f "$name: %e s, at most %M KiB" "$@" >out 2>err || true
  tail -n 1 err
}
export MOBRAK_JAVA_OPTIONS=${MOBRAK_JAVA_OPTIONS:--Xmx256m}
for round in $(seq "$ROUNDS"); do
  echo "== round $round"
  for sum in md5sum sha1sum sha256sum sha512sum; do measure "$sum" $sum large.bin; done
  measure "verify with SHA-256" "$HOME_DIR/mobrak" verify --list sums large.bin
  measure "inspect with all five digests" "$HOME_DIR/mobrak" inspect --sha512 --json large.bin
  for archive in large.tar large.zip many.tar; do
    cat "$archive" >/dev/null
    measure "list $archive" "$HOME_DIR/mobrak" inspect --headers-only --json "$archive"
  done
  measure "start alone" "$HOME_DIR/mobrak" inspect --headers-only "$HOME_DIR/demo/files/about.txt"
done
