// The paced purge of a steering-fed booster. An hour for froth, half an hour at least: common
// practice, no source.
#include <catch2/catch.hpp>
#include <cmath>

#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/purge.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("purge: sweeps grow to the locks, each after its time, froth rests for an hour") {
  Job job = known_job();
  CHECK_FALSE(purge_state(job, "2026-05-01T10:00:00").asked);
  set(job, "assist.kind=hydraulic");
  CHECK(purge_state(job, "2026-05-01T10:00:00").missing.size() == 2);
  set(job, "supply.turns=3; supply.wheel=400 mm");
  PurgeState s = purge_state(job, "2026-05-01T10:00:00");
  REQUIRE(s.pace);
  // pi x 0.4 m x 3 turns over 12.7 mm, worked by hand: 3.77 m, 297 sweeps.
  CHECK(s.pace->steps == static_cast<int>(std::ceil(M_PI * 0.4 * 3 / 0.0127)));
  CHECK(s.next.value() == Approx(0.0127 / 2));
  CHECK(s.wait_s == 0);
  sweep_made(job, false, "2026-05-01T10:00:00");
  s = purge_state(job, "2026-05-01T10:00:02");
  CHECK(s.done == 1);
  CHECK(s.wait_s == static_cast<long long>(1800.0 / s.pace->steps) - 2);
  CHECK(purge_state(job, "2026-05-01T10:01:00").wait_s == 0);
  CHECK(purge_state(job, "2026-04-30T10:00:00").wait_s > 0);  // a clock that was set back
  sweep_made(job, true, "2026-05-01T10:01:00");
  s = purge_state(job, "2026-05-01T10:31:00");
  CHECK(s.resting);
  CHECK(s.wait_s == 1800);
  s = purge_state(job, "2026-05-01T11:01:00");
  CHECK_FALSE(s.resting);
  CHECK(s.wait_s == 0);
  job.bleeding["purge"].strokes = 5000;
  job.bleeding["purge"].topped_at = 0;
  s = purge_state(job, "2026-05-02T10:00:00");
  CHECK(s.finished());
  CHECK(s.next.value() == Approx(s.pace->rim.value() / 2));
  purge_again(job);
  CHECK(purge_state(job, "2026-05-02T10:00:00").done == 0);
  set(job, "supply.turns=3");
}
