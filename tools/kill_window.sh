#!/bin/sh
# Kills the real window again and again while a script types into it and saves, and looks each time
# whether the job file still opens and whether unsaved work is found: tools/kill_window.sh [KILLS].
# Needs xvfb, xdotool and openbox. Exit status 1 when anything was lost.
set -eu
cd "$(dirname "$0")/.."
kills=${1:-50}
build=build/check
work=$(mktemp -d)
trap 'kill $(jobs -p) 2>/dev/null || true; rm -rf "$work"' EXIT
export HOME=$work XDG_STATE_HOME=$work/state XDG_CONFIG_HOME=$work/config XDG_RUNTIME_DIR=$work
chmod 700 "$work"
cp tests/fixtures/estate-discs.yoke "$work/job.yoke"
Xvfb :97 -screen 0 1440x900x24 >/dev/null 2>&1 &
export DISPLAY=:97
sleep 1
openbox >/dev/null 2>&1 &
bad=0 left=0 saved=0
i=0
while [ $i -lt "$kills" ]; do
  i=$((i + 1))
  before=$(cksum <"$work/job.yoke")
  "$build/yokestep" "$work/job.yoke" >/dev/null 2>&1 &
  pid=$!
  id=$(timeout 20 xdotool search --sync --onlyvisible --pid $pid --name "Yoke Step" | tail -1) || id=
  if [ -n "$id" ]; then
    sleep 0.4
    # A question about earlier work is answered by its first button: bring it back.
    xdotool key --clearmodifiers Return 2>/dev/null || true
    sleep 0.2
    xdotool windowactivate --sync "$id" key --delay 30 ctrl+2 2>/dev/null || true
    sleep 0.4
    # Cells of the map are clicked: each is an edit.
    for at in 1 2 3; do
      xdotool mousemove --window "$id" $((420 + (i * 53 + at * 31) % 330)) $((260 + (i * 29 + at * 17) % 160)) click 1 2>/dev/null || true
      sleep 0.1
    done
    [ $((i % 3)) -eq 0 ] && { xdotool key ctrl+s 2>/dev/null || true; }
    xdotool key --delay 20 ctrl+z ctrl+shift+z 2>/dev/null || true
    # At any moment around the journal's second.
    sleep "0.$((i * 37 % 100))"
    [ $((i % 2)) -eq 0 ] && sleep 1
  fi
  kill -9 $pid 2>/dev/null || true
  wait $pid 2>/dev/null || true
  "$build/yokestep-cli" solve "$work/job.yoke" >/dev/null 2>"$work/err" || { bad=$((bad + 1)); cat "$work/err"; }
  ls -A "$work" | grep -q '\.journal$' && left=$((left + 1))
  [ "$before" != "$(cksum <"$work/job.yoke")" ] && saved=$((saved + 1))
done
echo "$kills kills: $bad broken files, $left times unsaved work was left to bring back, $saved times a save had come through"
[ $bad -eq 0 ]
