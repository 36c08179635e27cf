#!/usr/bin/env bash
# Makes an application image with its own runtime and, where the tools for it are there, a Debian package: packaging/package.sh OUT.
# Called by ./mobrak package, which builds first.
set -euo pipefail
HOME_DIR=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd -P)
OUT=$1
VERSION=0.1.0
# Times in archives are those of the source, so that two builds are alike.
export SOURCE_DATE_EPOCH=${SOURCE_DATE_EPOCH:-1795478400}
WORK=$(mktemp -d)
trap 'rm -rf "$WORK"' EXIT

# What goes in: the programs, each library once, JavaFX for the module path, the shipped data.
INPUT=$WORK/input
mkdir -p "$INPUT/javafx" "$INPUT/home" "$OUT"
cp "$HOME_DIR"/{desktop/target/mobrak-desktop,cli/target/mobrak-cli}-$VERSION.jar "$INPUT"
cp "$HOME_DIR"/desktop/target/lib/*.jar "$INPUT"
cp "$HOME_DIR"/cli/target/lib/*.jar "$INPUT"
mv "$INPUT"/javafx-*.jar "$INPUT/javafx"
cp -r "$HOME_DIR"/{catalogue,demo} "$INPUT/home"
mkdir -p "$INPUT/home/docs"
cp -r "$HOME_DIR"/docs/schema "$INPUT/home/docs"
chmod -R a+rX "$INPUT"
find "$INPUT" -exec touch -d "@$SOURCE_DATE_EPOCH" {} +

# Only the modules that the programs reach, and what services need.
MODULES=java.base,java.desktop,java.sql,java.naming,java.management,java.xml,java.net.http,java.scripting,jdk.unsupported,jdk.unsupported.desktop,jdk.charsets,jdk.zipfs,jdk.jfr,jdk.crypto.ec
jlink --add-modules "$MODULES" --strip-debug --no-header-files --no-man-pages --compress=2 --output "$WORK/runtime"

mapfile -t OPTIONS < <(grep -v '^#' "$HOME_DIR/packaging/window.options")
OPTIONS+=(
  "-Dmobrak.home=\$APPDIR/home"
  "--module-path" "\$APPDIR/javafx"
  "--add-modules" "javafx.controls,javafx.swing"
)
cat >"$WORK/mobrak-cli.properties" <<PROPERTIES
main-jar=mobrak-cli-$VERSION.jar
main-class=org.mobrak.cli.Mobrak
java-options=-XX:+UseParallelGC -XX:TieredStopAtLevel=1 -Dmobrak.home=\$APPDIR/home
linux-shortcut=false
PROPERTIES
common=(--name mobrak-window --app-version "$VERSION" --vendor "The Mobrak founders"
  --description "A workbench for people who keep old phones alive")
options=()
for option in "${OPTIONS[@]}"; do options+=(--java-options "$option"); done
rm -rf "$OUT/mobrak" "$OUT/mobrak-window"
jpackage --type app-image "${common[@]}" --input "$INPUT" --runtime-image "$WORK/runtime" --dest "$OUT" \
  --icon "$HOME_DIR/packaging/mobrak.png" --main-jar "mobrak-desktop-$VERSION.jar" --main-class org.mobrak.desktop.Launcher \
  --add-launcher "mobrak-cli=$WORK/mobrak-cli.properties" "${options[@]}"
mv "$OUT/mobrak-window" "$OUT/mobrak"
# One command for both: the window's and the shell's.
cp "$HOME_DIR/packaging/mobrak.sh" "$OUT/mobrak/bin/mobrak"
cp "$HOME_DIR/packaging/commands" "$OUT/mobrak/lib/commands"
chmod 755 "$OUT/mobrak/bin/mobrak"
echo "made: $OUT/mobrak"

# The platform's classes laid out beforehand, as a JDK has them: on them the program's own are laid out by the first command (mobrak.sh).
# No two of these are alike to the byte, so the package has them made where it is installed.
lay_out() { "$1/lib/runtime/bin/java" -Xshare:dump >/dev/null; }
command -v dpkg-deb >/dev/null && command -v fakeroot >/dev/null || { lay_out "$OUT/mobrak"; exit 0; }
ROOT=$WORK/root
mkdir -p "$ROOT"/{DEBIAN,opt,usr/bin,usr/share/applications,usr/share/doc/mobrak}
cp -r "$OUT/mobrak" "$ROOT/opt/mobrak"
ln -s /opt/mobrak/bin/mobrak "$ROOT/usr/bin/mobrak"
cp "$HOME_DIR/packaging/mobrak.desktop" "$ROOT/usr/share/applications"
for size in 16 24 32 48 64 128 256 512; do
  mkdir -p "$ROOT/usr/share/icons/hicolor/${size}x$size/apps"
  cp "$HOME_DIR/packaging/icons/$size.png" "$ROOT/usr/share/icons/hicolor/${size}x$size/apps/mobrak.png"
done
mkdir -p "$ROOT/usr/share/icons/hicolor/scalable/apps"
cp "$HOME_DIR/packaging/icon.svg" "$ROOT/usr/share/icons/hicolor/scalable/apps/mobrak.svg"
cp "$HOME_DIR/README.md" "$ROOT/usr/share/doc/mobrak"
SIZE=$(du -ks "$ROOT" | cut -f1)
cat >"$ROOT/DEBIAN/control" <<CONTROL
Package: mobrak
Version: $VERSION
Section: utils
Priority: optional
Architecture: $(dpkg --print-architecture)
Maintainer: The Mobrak founders <founders@mobrak.invalid>
Depends: libgtk-3-0 | libgtk-3-0t64, libx11-6, libxtst6, libxxf86vm1, libgl1, zlib1g, libc6
Installed-Size: $SIZE
Description: A workbench for people who keep old phones alive
 Says which phone this is, which documented ways lead to a goal and why the
 others do not, checks the files, walks through the job and lets it be
 rehearsed on a simulated phone. Nothing is sent anywhere.
CONTROL
cat >"$ROOT/DEBIAN/postinst" <<'POSTINST'
#!/bin/sh
/opt/mobrak/lib/runtime/bin/java -Xshare:dump >/dev/null 2>&1 || true
POSTINST
cat >"$ROOT/DEBIAN/prerm" <<'PRERM'
#!/bin/sh
rm -f /opt/mobrak/lib/runtime/lib/server/classes.jsa
PRERM
chmod 755 "$ROOT/DEBIAN/postinst" "$ROOT/DEBIAN/prerm"
find "$ROOT" -exec touch -h -d "@$SOURCE_DATE_EPOCH" {} +
fakeroot dpkg-deb --build -Zxz -z3 --root-owner-group "$ROOT" "$OUT/mobrak_${VERSION}_$(dpkg --print-architecture).deb" >/dev/null
echo "made: $OUT/mobrak_${VERSION}_$(dpkg --print-architecture).deb"
lay_out "$OUT/mobrak"
