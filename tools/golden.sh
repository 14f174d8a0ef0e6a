#!/bin/sh
# Stores the answers of the demo jobs anew in tests/golden: each command that reads a job alone, as JSON.
set -eu
cd "$(dirname "$0")/.."
cli=build/check/yokestep-cli
ninja -C build/check yokestep-cli test_session test_core
rm -f tests/golden/*.json tests/golden/*.txt
for job in data/demo/*.yoke tests/fixtures/*.yoke; do
  name=$(basename "$job" .yoke)
  for command in solve figures check map judge steps bleed gates; do
    to=tests/golden/$name.$command.json
    $cli $command "$job" --format json >"$to" 2>/dev/null || [ $? = 1 ] || rm -f "$to"
  done
done
YOKE_STORE=1 QT_QPA_PLATFORM=offscreen build/check/test_session "[golden]"
ninja -C build/check test_files
YOKE_STORE=1 build/check/test_files "[golden]"
YOKE_STORE=1 build/check/test_core "[golden]"
git diff --stat -- tests/golden
