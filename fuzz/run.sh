#!/usr/bin/env bash
# Fuzzes the reader of each kind of file for SECONDS (300 without an argument), from samples made here by the system's tools
# and from the demo's files. An input that breaks a reader is left in fuzz/target/KIND/.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
SECONDS_EACH=${1:-300}
ONLY=${2:-}
mvn -B -ntp -q -f "$HOME_DIR/pom.xml" -Pfuzz package -DskipTests -pl fuzz -am
work=$HOME_DIR/fuzz/target
seeds=$work/seeds
rm -rf "$seeds"
mkdir -p "$seeds"/{boot,kernel,tar,zip,update,sparse,ext4,packed,elf}
demo=$HOME_DIR/demo/files

cp "$demo/boot-stock-LN2-F09-131022.img" "$seeds/boot/"
dd if="$demo/boot-stock-LN2-F09-131022.img" of="$seeds/kernel/zimage" bs=2048 skip=1 count=27 status=none
cp "$demo/root-package-from-the-thread.zip" "$seeds/update/"
tar xf "$demo/LN2-F09-131022-stock.tar.md5" -C "$work" system.img loader.img 2>/dev/null || true
head -c 20000 "$work/system.img" >"$seeds/sparse/system"
head -c 200 "$work/loader.img" >"$seeds/elf/loader"
printf 'one\n' >"$seeds/a.txt"
mkdir -p "$seeds/long"
printf 'two\n' >"$seeds/long/$(printf 'n%.0s' {1..160}).txt"
for format in ustar gnu posix; do
  tar cf "$seeds/tar/$format.tar" --format=$format -C "$seeds" a.txt || true
done
tar cf "$seeds/tar/long.tar" --format=gnu -C "$seeds/long" .
tar cf "$seeds/tar/pax.tar" --format=posix -C "$seeds/long" .
(cd "$seeds" && zip -q zip/plain.zip a.txt && zip -q -0 zip/nested.zip zip/plain.zip tar/ustar.tar && zip -q -e -P x zip/secret.zip a.txt)
truncate -s 64K "$seeds/ext4/small"
if command -v mke2fs >/dev/null; then mke2fs -q -t ext4 -b 1024 -N 16 -O ^has_journal "$seeds/ext4/small" 2>/dev/null || true; fi
head -c 4096 "$seeds/ext4/small" >"$seeds/ext4/head"
rm "$seeds/ext4/small"
gzip -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.tar.gz"
xz -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.tar.xz"
if command -v lz4 >/dev/null; then
  lz4 -q -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.lz4"
  lz4 -q -l -c "$seeds/tar/ustar.tar" >"$seeds/packed/legacy.lz4"
fi
rm -rf "$seeds/a.txt" "$seeds/long"

status=0
for kind in ${ONLY:-boot kernel tar zip update sparse ext4 packed elf}; do
  mkdir -p "$work/$kind"
  echo "== $kind, $SECONDS_EACH s" >&2
  (cd "$work/$kind" && java -cp "$work/mobrak-fuzz-0.1.0.jar:$work/lib/*" com.code_intelligence.jazzer.Jazzer \
    --target_class=org.mobrak.fuzz.InspectFuzz --instrumentation_includes='org.mobrak.**:org.apache.commons.compress.**' \
    --jvm_args=-Xmx512m -max_total_time="$SECONDS_EACH" -max_len=65536 -timeout=20 -rss_limit_mb=4096 \
    "$seeds/$kind") >"$work/$kind/log" 2>&1 || { status=1; tail -n 30 "$work/$kind/log" >&2; }
  grep -E 'stat::|DONE|cov:' "$work/$kind/log" | tail -n 1 >&2
done
exit $status
