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
if [ $# -gt 0 ] && grep -qxF -e "$1" "$here/../lib/commands"; then
  exec "$here/mobrak-cli" "$@"
fi
exec "$here/mobrak-window" "$@"
