#!/bin/sh
# clang-tidy with the narrow set of .clang-tidy, on the given files or on all of core and files.
set -eu
cd "$(dirname "$0")/.."
[ -f build/check/compile_commands.json ] || cmake --preset check
[ $# -gt 0 ] || set -- $(find core files cli -name '*.cpp')
printf '%s\n' "$@" | xargs -P "$(nproc)" -n 1 clang-tidy -p build/check --quiet --extra-arg=-Wno-unknown-warning-option
