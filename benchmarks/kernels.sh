#!/usr/bin/env bash
# Fetches real ARM kernels, those of Debian's armhf packages, into core/target/kernels; needs root for the package lists.
# Then: mvn -Preal-kernels verify -pl core -Dtest=RealKernelsTest
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
out=$HOME_DIR/core/target/kernels
work=$(mktemp -d)
had=$(dpkg --print-foreign-architectures | grep -cx armhf || true)
clean() {
  rm -rf "$work"
  [ "$had" != 0 ] || dpkg --remove-architecture armhf
}
trap clean EXIT
mkdir -p "$out"
dpkg --add-architecture armhf
# One list that cannot be had does not matter if the kernels are in another.
apt-get update -qq || true
cd "$work"
for flavour in armmp armmp-lpae rt-armmp; do
  package=$(apt-cache depends "linux-image-$flavour:armhf" | awk '/Depends: linux-image/ {print $2; exit}')
  apt-get download -qq "$package" 2>/dev/null
done
for package in ./*.deb; do dpkg-deb --fsys-tarfile "$package" | tar xf - --wildcards './boot/vmlinuz*'; done
mv boot/vmlinuz* "$out"/
ls -l "$out"
