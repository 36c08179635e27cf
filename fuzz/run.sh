#!/usr/bin/env bash
# Fuzzes what reads text and files from outside, in memory: fuzz/run.sh [SECONDS [KIND...]], 300 seconds a kind without an
# argument, or until RUNS inputs were tried. It goes on from the kept corpus, which the tests of core replay too, and from what earlier runs found (fuzz/target/found/KIND); how many inputs a kind
# has seen in all is summed up in fuzz/done.tsv. An input that breaks a reader is left in fuzz/target/KIND/ and does not end
# the run. With "keep" for SECONDS nothing is tried: what was found is made small and laid into the kept corpus.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
SECONDS_EACH=${1:-300}
[ $# = 0 ] || shift
HEADERS=(boot chip sparse ext4 elf tar zip)
UNPACKING=(kernel packed update)
TEXTS=(readings identify checksums patterns versions yaml grammars cache blocks guides)
RECEIVED=(imports manifests rows pages journals)
KINDS=("${@:-}")
[ -n "${KINDS[0]}" ] || KINDS=("${HEADERS[@]}" "${UNPACKING[@]}" "${TEXTS[@]}" "${RECEIVED[@]}")
[ -n "${NO_BUILD:-}" ] || mvn -B -ntp -q -f "$HOME_DIR/pom.xml" -Pfuzz package -DskipTests -pl fuzz -am
work=$HOME_DIR/fuzz/target
classes=$work/mobrak-fuzz-0.1.0.jar:$work/lib/*
kept=$HOME_DIR/core/src/test/resources/hostile
done_file=$HOME_DIR/fuzz/done.tsv

# Samples of each kind, made by the system's tools and from the demo's files.
make_seeds() {
  local seeds=$1 demo=$HOME_DIR/demo/files format
  mkdir -p "$seeds"/{boot,chip,kernel,tar,zip,update,sparse,ext4,packed,elf,readings,identify,checksums,patterns,versions,yaml,grammars,cache,blocks,guides,imports,manifests,rows,pages,journals}
  head -c 6144 "$demo/boot-stock-LN2-F09-131022.img" >"$seeds/boot/head"
  { printf '\x88\x16\x88\x58'; head -c 4092 /dev/zero; } >"$seeds/chip/head"
  dd if="$demo/boot-stock-LN2-F09-131022.img" of="$seeds/kernel/zimage" bs=2048 skip=1 count=27 status=none
  cp "$demo/root-package-from-the-thread.zip" "$seeds/update/"
  tar xf "$demo/LN2-F09-131022-stock.tar.md5" -C "$work" system.img loader.img 2>/dev/null || true
  head -c 4096 "$work/system.img" >"$seeds/sparse/system"
  head -c 200 "$work/loader.img" >"$seeds/elf/loader"
  printf 'one\n' >"$seeds/a.txt"
  mkdir -p "$seeds/long"
  printf 'two\n' >"$seeds/long/$(printf 'n%.0s' {1..160}).txt"
  for format in ustar gnu posix; do
    tar cf "$seeds/tar/$format.tar" -b 1 --format=$format -C "$seeds" a.txt || true
  done
  tar cf "$seeds/tar/long.tar" -b 1 --format=gnu -C "$seeds/long" .
  (cd "$seeds" && zip -q zip/plain.zip a.txt && zip -q -0 zip/nested.zip zip/plain.zip tar/ustar.tar && zip -q -e -P x zip/secret.zip a.txt)
  truncate -s 64K "$seeds/ext4/small"
  if command -v mke2fs >/dev/null; then mke2fs -q -t ext4 -b 1024 -N 16 -O ^has_journal "$seeds/ext4/small" 2>/dev/null || true; fi
  head -c 4096 "$seeds/ext4/small" >"$seeds/ext4/head"
  rm "$seeds/ext4/small"
  gzip -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.tar.gz"
  xz -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.tar.xz"
  bzip2 -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.tar.bz2"
  if command -v lz4 >/dev/null; then
    lz4 -q -c "$seeds/tar/ustar.tar" >"$seeds/packed/a.lz4"
    lz4 -q -l -c "$seeds/tar/ustar.tar" >"$seeds/packed/legacy.lz4"
  fi
  cp "$HOME_DIR"/demo/readings/* "$seeds/readings/"
  cp "$HOME_DIR"/demo/readings/* "$seeds/identify/"
  (cd "$demo" && sha256sum -- * && md5sum --tag -- *) >"$seeds/checksums/list"
  printf 'LN2*-F0?\nLN2-F09-131022' >"$seeds/patterns/one"
  printf '4.1.2\n4.1.2-suffix' >"$seeds/versions/one"
  cp "$HOME_DIR"/demo/catalogue/{routes,phones}/*.yaml "$HOME_DIR"/catalogue/routes/*.yaml "$seeds/yaml/"
  cp "$HOME_DIR"/demo/catalogue/grammars/*.yaml "$seeds/grammars/"
  local few=$work/few
  rm -rf "$few" && mkdir -p "$few"/{routes,phones,grammars}
  for format in routes phones grammars; do
    find "$HOME_DIR/demo/catalogue/$format" -name '*.yaml' | sort | head -n 2 | xargs -I{} cp {} "$few/$format/"
  done
  java -cp "$classes" 'org.mobrak.core.catalogue.file.CatalogueFuzz$Cache' "$few" "$seeds/cache/few"
  cp "$HOME_DIR"/core/src/test/resources/guides/*.{txt,html,md} "$seeds/guides/" 2>/dev/null || true
  printf '<table><tr><th>Model<th>Works<tr><td>LN2-F09<td>yes</table><p style="display:none">x<s>y</s>' >"$seeds/blocks/page.html"
  printf '[b]Root[/b]\n[list=1][*]one[*]two[/list]\n[s]old[/s] ~~x~~\n| a | b |\n|---|---|\n| 1 | 2 |\n' >"$seeds/blocks/post"
  printf '{"format":"mobrak-workspace","version":1,"exportedAt":"2026-05-01T12:00:00Z","rows":{"phones.jsonl":1}}\n{"key":"a","nickname":"x","addedAt":"2026-05-01T12:00:00Z"}\n' >"$seeds/manifests/one"
  printf '0{"version":2,"plan":{},"sheet":{"title":"x","steps":[]}}' >"$seeds/rows/sheet"
  printf '1{"kind":"ticked","at":"2026-05-01T12:00:00Z","step":"do-1"}' >"$seeds/rows/event"
  printf '2[{"severity":"CAUTION","code":"c","message":"m"}]' >"$seeds/rows/findings"
  printf '\0\0\0\x28\1\0\0\1\0\2' >"$seeds/pages/two"
  printf '\xd9\xd5\x05\xf9\x20\xa1\x63\xd7\0\0\0\1\0\0\0\0\0\0\0\1\0\0\2\0\0\0\x10\0' >"$seeds/journals/head"
  (cd "$seeds" && cp zip/plain.zip imports/plain.zip)
  rm -rf "$seeds/a.txt" "$seeds/long"
}

target() {
  case $1 in
    readings) echo org.mobrak.fuzz.ReadingsFuzz ;;
    identify) echo 'org.mobrak.fuzz.ReadingsFuzz$All' ;;
    checksums) echo 'org.mobrak.fuzz.WordsFuzz$Checksums' ;;
    patterns) echo 'org.mobrak.fuzz.WordsFuzz$Patterns' ;;
    versions) echo 'org.mobrak.fuzz.WordsFuzz$Versions' ;;
    yaml) echo 'org.mobrak.core.catalogue.file.CatalogueFuzz$Yaml' ;;
    grammars) echo 'org.mobrak.core.catalogue.file.CatalogueFuzz$Grammars' ;;
    cache) echo 'org.mobrak.core.catalogue.file.CatalogueFuzz$Cache' ;;
    blocks) echo 'org.mobrak.fuzz.GuidesFuzz$Blocks' ;;
    guides) echo org.mobrak.fuzz.GuidesFuzz ;;
    imports) echo org.mobrak.core.logbook.transfer.ImportFuzz ;;
    manifests) echo 'org.mobrak.core.logbook.transfer.ImportFuzz$Manifests' ;;
    rows) echo org.mobrak.core.logbook.LogbookFuzz ;;
    pages) echo 'org.mobrak.core.logbook.LogbookFuzz$Pages' ;;
    journals) echo 'org.mobrak.core.logbook.LogbookFuzz$Journal' ;;
    boot | chip | sparse | ext4 | elf | tar | zip) echo org.mobrak.core.material.reader.HeaderFuzz ;;
    *) echo org.mobrak.fuzz.InspectFuzz ;;
  esac
}

# How long an input may be: what a reader tells apart shows in few bytes, and the shorter they are the more are tried.
longest() {
  case $1 in
    cache | update) echo 16384 ;;
    boot | chip) echo 2560 ;;
    kernel) echo 4096 ;;
    ext4 | sparse | tar | zip | packed) echo 2048 ;;
    *) echo 1024 ;;
  esac
}

# Whose edges are counted: of the libraries only those that the reader is made of.
counted() {
  case $1 in
    boot | chip | sparse | elf | ext4 | rows | pages | journals | imports | manifests) echo 'org.mobrak.**' ;;
    *) echo 'org.mobrak.**:org.apache.commons.compress.**' ;;
  esac
}

# The fuzzer's own watch over regexes, reflection and the like, which costs half the speed and finds nothing in readers.
QUIET=$(printf 'com.code_intelligence.jazzer.sanitizers.%s:' ClojureLangHooks Deserialization ExpressionLanguageInjection \
  LdapInjection NamingContextLookup OsCommandInjection ReflectiveCall RegexInjection RegexRoadblocks ScriptEngineInjection \
  ServerSideRequestForgery SqlInjection XPathInjection)
QUIET=${QUIET%:}

# jazzer KIND ARGUMENTS...
jazzer() {
  local kind=$1
  shift
  (cd "$work/$kind" && java ${FUZZ_JAVA:-} -XX:+UseParallelGC -Xmx1g -Xss512k -Dfuzz.catalogue="$HOME_DIR/demo/catalogue" -Dfuzz.name="$kind" \
    -cp "$classes" com.code_intelligence.jazzer.Jazzer --target_class="$(target "$kind")" \
    --instrumentation_includes="$(counted "$kind")" --keep_going=1000 --disabled_hooks="$QUIET" \
    -max_len="$(longest "$kind")" -timeout=20 -rss_limit_mb=4096 "$@")
}

# tell KIND: adds this run's executions to the sum and says what it was.
tell() {
  local kind=$1 log=$work/$1/log executions features edges before=0
  executions=$(awk '/stat::number_of_executed_units/ {last = $2} END {print last}' "$log")
  edges=$(grep -oE 'cov: [0-9]+' "$log" | tail -n 1 | cut -d' ' -f2) || true
  features=$(grep -oE 'ft: [0-9]+' "$log" | tail -n 1 | cut -d' ' -f2) || true
  touch "$done_file"
  before=$(awk -v kind="$kind" '$1 == kind {print $2}' "$done_file")
  { grep -v "^$kind	" "$done_file" || true; printf '%s\t%s\t%s\t%s\n' "$kind" $((${before:-0} + ${executions:-0})) "${edges:-0}" "${features:-0}"; } |
    sort >"$done_file.new"
  mv "$done_file.new" "$done_file"
  echo "$kind: ${executions:-0} inputs, $(awk '/average_exec_per_sec/ {last = $2} END {print last}' "$log") a second; $edges edges reached, $features features" >&2
}

seeds=$work/seeds
for kind in "${HEADERS[@]}" "${UNPACKING[@]}" "${TEXTS[@]}" "${RECEIVED[@]}"; do
  [ -d "$seeds/$kind" ] || { rm -rf "$seeds"; make_seeds "$seeds"; break; }
done

status=0
for kind in "${KINDS[@]}"; do
  mkdir -p "$work/$kind" "$work/found/$kind" "$kept/$kind"
  if [ "$SECONDS_EACH" = keep ]; then
    rm -rf "$work/small" && mkdir -p "$work/small"
    jazzer "$kind" -merge=1 -max_len=2048 "$work/small" "$kept/$kind" "$work/found/$kind" "$seeds/$kind" >"$work/$kind/log.merge" 2>&1
    # Few and small: what tells a reader's ways apart, not all that was ever tried.
    rm -rf "$kept/$kind" && mkdir -p "$kept/$kind"
    find "$work/small" -type f -size -3k -printf '%s\t%p\n' | sort -n | head -n "${MOST_KEPT:-40}" | cut -f2 |
      xargs -r -I{} mv {} "$kept/$kind/"
    continue
  fi
  jazzer "$kind" -max_total_time="$SECONDS_EACH" -runs="${RUNS:--1}" -print_final_stats=1 \
    "$work/found/$kind" "$kept/$kind" "$seeds/$kind" >"$work/$kind/log" 2>&1 || status=1
  tell "$kind"
  grep -E '^== Java Exception|ERROR: libFuzzer' -A2 "$work/$kind/log" | head -n 40 >&2 || true
done
exit $status
