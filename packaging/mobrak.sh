#!/bin/sh
# The installed program: the window, or a command of the shell; which of the two says the first word.
here=$(dirname "$(readlink -f "$0")")
# Names of files are read as UTF-8, and messages written so, whatever the computer is set to.
[ "$(locale charmap 2>/dev/null)" = UTF-8 ] || export LC_ALL=C.UTF-8
case ${1:-} in
  -h | --help | help)
    echo "usage: mobrak                    the window, on the workspace that was open last"
    echo "       mobrak demo | open DIR    the window, on a fresh demo or another workspace"
    echo "       mobrak FILE...            the window, with files to take in"
    echo "       mobrak COMMAND ...        without a window:"
    exec "$here/mobrak-cli" --help
    ;;
esac
# Commands start in half the time with their classes laid out beforehand; the first one lays them out, in the person's own cache. An archive
# that does not fit, or is damaged, is looked at and left.
without_window() {
  lib=$here/../lib
  cache=${XDG_CACHE_HOME:-${HOME:-/nowhere}/.cache}/mobrak
  archive=$cache/commands-$(cksum <"$lib/app/mobrak-cli.cfg" | cut -d' ' -f1).jsa
  if [ -f "$archive" ]; then
    laid="-XX:SharedArchiveFile=$archive"
  elif [ -f "$lib/runtime/lib/server/classes.jsa" ] && mkdir -p "$cache" 2>/dev/null && [ -w "$cache" ]; then
    laid="-XX:ArchiveClassesAtExit=$archive.$$"
  else
    exec "$here/mobrak-cli" "$@"
  fi
  status=0
  "$lib/runtime/bin/java" -XX:+UseParallelGC -XX:TieredStopAtLevel=1 "$laid" -Xshare:auto -XX:+VerifySharedSpaces -Xlog:disable \
    -Dmobrak.home="$lib/app/home" -cp "$lib/app/*" org.mobrak.cli.Mobrak "$@" || status=$?
  [ -f "$archive" ] || mv -f "$archive.$$" "$archive" 2>/dev/null || true
  exit $status
}
if [ $# -gt 0 ] && grep -qxF -e "$1" "$here/../lib/commands"; then
  without_window "$@"
fi
exec "$here/mobrak-window" "$@"
