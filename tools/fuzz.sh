#!/bin/sh
# A short run of every fuzz target, from the corpus in fuzz/corpus: tools/fuzz.sh [SECONDS EACH].
# Prints executions, coverage and what was found; exit status 1 when anything was.
set -eu
cd "$(dirname "$0")/.."
seconds=${1:-30}
build=build/fuzz
[ -f "$build/build.ninja" ] || cmake --preset fuzz >/dev/null
ninja -C "$build" fuzz_job fuzz_journal fuzz_catalogue fuzz_quantity
found=0
for target in job journal catalogue quantity; do
  work=$build/work-$target
  mkdir -p "$work"
  seeds=fuzz/corpus/$target
  log=$build/$target.log
  most=65536
  [ "$target" = quantity ] && most=80
  ASAN_OPTIONS=detect_leaks=0 "$build/fuzz_$target" -max_total_time="$seconds" -max_len=$most \
    -timeout=10 -rss_limit_mb=4096 -artifact_prefix="$build/found-$target-" -print_final_stats=1 \
    "$work" "$seeds" >"$log" 2>&1 || { found=1; echo "$target: FOUND SOMETHING, see $log"; }
  runs=$(sed -n 's/^stat::number_of_executed_units: *//p' "$log")
  cover=$(sed -n 's/.* cov: \([0-9]*\) .*/\1/p' "$log" | tail -1)
  echo "$target: $runs executions, $cover edges covered, in $seconds s"
done
exit $found
