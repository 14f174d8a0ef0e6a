#!/bin/sh
# The same feel curve by the core and by the plain SciPy script: largest difference, and the ratio
# of their times. Needs a build with -DYOKE_BENCH=ON and python3-scipy.
#   bench/ratio.sh build/check
set -eu
here=$(cd "$(dirname "$0")" && pwd)
build=${1:?"name the build folder"}
tmp=$(mktemp -d)
trap 'rm -rf "$tmp"' EXIT
"$here/plain_job.py" > "$tmp/plain.yoke"
"$build/yokestep-cli" curve "$tmp/plain.yoke" --points 256 --format json > "$tmp/curve.json"
"$here/feel_curve.py" --against "$tmp/curve.json" | tee "$tmp/scipy"
"$build/bench_core" --benchmark_filter='^one_curve_by_points/256$' --benchmark_format=csv 2>/dev/null |
  awk -F, '/one_curve/ {print "core_us " $4}' | tee "$tmp/core"
awk '/scipy_us/ {s = $2} /core_us/ {c = $2} END {printf "ratio %.0f\n", s / c}' "$tmp/scipy" "$tmp/core"
