#!/bin/sh
# Installs what the build and the tests need on Debian 12: one apt-get call, and none at all when
# everything is there. Run as root or with sudo. One word: "run" (build and run) or "test".
set -eu
want=${1:-run}
pkgs="g++ cmake ninja-build ccache qt6-base-dev libqt6opengl6-dev qt6-svg-dev qt6-speech-dev qt6-speech-flite-plugin libunits-cpp-dev
 libexpected-dev libfmt-dev nlohmann-json3-dev libzip-dev zlib1g-dev libsqlite3-dev libqpdf-dev qt6-serialport-dev libeigen3-dev libboost-math-dev libceres-dev fonts-dejavu-core
 xvfb xauth libxkbcommon-x11-0 libxcb-cursor0 libxcb-icccm4 libxcb-keysyms1"
[ "$want" = run ] || pkgs="$pkgs catch2 libbenchmark-dev libgsl-dev units qt6-l10n-tools python3 python3-jsonschema python3-ezdxf poppler-utils locales"
missing=""
have=$(dpkg-query -W -f='${Package} ${db:Status-Status}\n' 2>/dev/null | sed -n 's/ installed$//p')
for p in $pkgs; do
  printf '%s\n' "$have" | grep -qx -- "$p" || missing="$missing $p"
done
if [ "$(id -u)" = 0 ]; then as=""; else as=sudo; fi
if [ -n "$missing" ]; then
  echo "Yoke Step: installing$missing" >&2
  $as apt-get update -qq >&2
  # shellcheck disable=SC2086
  $as env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing >&2
fi
# The tests run once more where the decimal sign is a comma.
if [ "$want" = test ] && ! locale -a 2>/dev/null | grep -qi '^de_DE.utf'; then
  $as localedef -i de_DE -f UTF-8 de_DE.UTF-8
fi
