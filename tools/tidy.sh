#!/bin/sh
# clang-tidy with the narrow set of .clang-tidy, on the given files or on every layer. It reads
# commands without precompiled headers: clang cannot read those of another compiler.
set -eu
cd "$(dirname "$0")/.."
build=build/tidy
[ -f $build/build.ninja ] || cmake -S . -B $build -G Ninja -DCMAKE_BUILD_TYPE=Release \
  -DCMAKE_DISABLE_PRECOMPILE_HEADERS=ON -DCMAKE_EXPORT_COMPILE_COMMANDS=ON >/dev/null
ninja -C $build yoke_choices >/dev/null
[ $# -gt 0 ] || set -- $(find core files cli paint session ui app -name '*.cpp')
printf '%s\n' "$@" | xargs -P "$(nproc)" -n 4 clang-tidy -p $build --quiet \
  --extra-arg=-Wno-unknown-warning-option 2>/dev/null
