// The line of an instrument: what is whole is taken, what is spoiled is not, and what was recorded
// gives the readings that a scale and a tape would.
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>
#include <random>

#include "assembly/assemble.hpp"
#include "instrument/trace.hpp"
#include "proving/estimate.hpp"
#include "simulated/rig.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

InstrumentHead box() {
  return {"Bench box", 100, {{ChannelWhat::force, "N", 1}, {ChannelWhat::travel, "mm", 1e-3}}};
}

LineSample told(std::uint32_t number, double force_n, double travel_mm) {
  LineSample s;
  s.number = number;
  s.told[0] = force_n;
  s.told[1] = travel_mm;
  return s;
}

/// `n` samples from `from` on, ten milliseconds apart.
std::string run(std::uint32_t from, int n) {
  std::string out;
  for (int i = 0; i < n; ++i)
    out +=
        sample_line(box(), told(from + i, i, 0.5 * i), (from + static_cast<std::uint32_t>(i)) * 10);
  return out;
}

Rig rig_of(const char* fault, std::uint64_t seed, const RigSenses& senses = {}) {
  auto rig = Rig::make(known_job(), *rig_fault(fault), senses, {}, seed);
  REQUIRE(rig);
  return *rig;
}

Trace record(Rig& rig, double seconds, LineReader& reader) {
  for (double s = 0; s < seconds; s += 0.1) reader.take(rig.lines(0.1), s);
  REQUIRE(reader.head());
  return {*reader.head(), reader.drain()};
}

}  // namespace

TEST_CASE("instrument: the checksum is the one that everybody knows") {
  CHECK(crc32_of("123456789") == 0xCBF43926U);  // check value of CRC-32/ISO-HDLC
  CHECK(crc32_of("") == 0);
}

TEST_CASE("instrument: a head and its samples, cut anywhere, come out as they were sent") {
  const std::string all = head_lines(box()) + run(1, 20);
  for (const std::size_t cut : {std::size_t{1}, std::size_t{7}, std::size_t{64}, all.size()}) {
    LineReader r;
    for (std::size_t i = 0; i < all.size(); i += cut) r.take(all.substr(i, cut), 0);
    REQUIRE(r.head());
    CHECK(*r.head() == box());
    const auto samples = r.drain();
    REQUIRE(samples.size() == 20);
    CHECK(samples[0].t_s == 0);
    CHECK(samples[19].t_s == Approx(0.19));
    CHECK(*samples[19].told[0] == 19);
    CHECK(*samples[19].told[1] == Approx(9.5));
    CHECK_FALSE(samples[19].told[2]);
    CHECK(r.counts().good == 20);
    CHECK(r.counts().spoiled == 0);
    CHECK(r.counts().lost == 0);
    CHECK(r.drain().empty());
  }
}

TEST_CASE("instrument: dropped, spoiled and silent are told, and none of it is taken") {
  LineReader r;
  r.take(run(1, 3), 0);
  CHECK(r.counts().unasked == 3);
  CHECK(r.drain().empty());
  r.take(head_lines(box()), 0);
  std::string spoiled = run(4, 1);
  spoiled[spoiled.find(' ') + 1] ^= 1;
  r.take(run(3, 1) + spoiled + run(5, 1) + run(9, 1), 0);
  auto samples = r.drain();
  REQUIRE(samples.size() == 3);
  CHECK(samples[1].t_s == Approx(0.02));
  CHECK(samples[2].t_s == Approx(0.06));
  CHECK(r.counts().spoiled == 1);
  CHECK(r.counts().lost == 1 + 3);
  LineSample silent = told(10, 5, 0);
  silent.told[1].reset();
  r.take(sample_line(box(), silent, 100), 0);
  samples = r.drain();
  REQUIRE(samples.size() == 1);
  CHECK_FALSE(samples[0].told[1]);
  // A value too many, a line without an end, a number that is none.
  for (const char* text :
       {"11 110 1 2 3", "11 110 1", "11 110 nan 2", "11 110 1e99 2", "11 x 1 2"}) {
    const std::size_t before = r.counts().spoiled;
    r.take(line_of(text), 0);
    CHECK(r.counts().spoiled == before + 1);
  }
  CHECK(r.drain().empty());
  r.take(std::string(100000, 'x'), 0);
  r.take("\n" + run(11, 1), 0);
  CHECK(r.drain().size() == 1);
}

TEST_CASE("instrument: another speed of the line is noticed, and forgotten when it comes right") {
  LineReader r;
  std::mt19937 noise(3);
  std::string rubbish(1000, ' ');
  for (char& c : rubbish) c = static_cast<char>(noise());
  CHECK_FALSE(r.wrong_speed());
  r.take(rubbish, 0);
  CHECK(r.wrong_speed());
  r.take("\n" + head_lines(box()), 0);
  CHECK_FALSE(r.wrong_speed());
}

TEST_CASE("instrument: a clock that leaps, a restart and a plug pulled leave time going on") {
  LineReader r;
  r.take(head_lines(box()) + run(1, 10), 0);
  r.take(sample_line(box(), told(11, 1, 1), 900000) + sample_line(box(), told(12, 1, 1), 900010),
         0.1);
  auto s = r.drain();
  REQUIRE(s.size() == 12);
  CHECK(s[10].t_s == Approx(0.10));
  CHECK(s[11].t_s == Approx(0.11));
  CHECK(r.counts().jumps == 1);
  // It began anew, three seconds of the host's clock later.
  r.take(head_lines(box()) + run(0, 2), 3.1);
  s = r.drain();
  REQUIRE(s.size() == 2);
  CHECK(s[0].t_s == Approx(3.11));
  CHECK(s[1].t_s == Approx(3.12));
  r.unplugged();
  r.take(run(2, 1), 10.1);
  s = r.drain();
  CHECK(s[0].t_s == Approx(10.12));
  CHECK(r.counts().starts == 3);
  CHECK(r.counts().lost == 0);
  // The clock of 32 bits runs over, the number too.
  LineReader over;
  over.take(head_lines(box()) + sample_line(box(), told(4294967295U, 1, 1), 4294967290U) +
                sample_line(box(), told(0, 1, 1), 4),
            0);
  s = over.drain();
  REQUIRE(s.size() == 2);
  CHECK(s[1].t_s == Approx(0.01));
  CHECK(over.counts().jumps == 0);
}

TEST_CASE("instrument: whatever is done to a line, no wrong value is taken") {
  // As many lines as YOKE_SPOILED_LINES says when it is set.
  const char* wanted = std::getenv("YOKE_SPOILED_LINES");
  const std::uint32_t lines = wanted ? static_cast<std::uint32_t>(std::atoi(wanted)) : 100000;
  const InstrumentHead head = box();
  std::mt19937_64 draw(11);
  const std::string good_head = head_lines(head);
  std::size_t taken = 0;
  LineReader r;
  r.take(good_head, 0);
  for (std::uint32_t n = 1; n <= lines; ++n) {
    const double force = static_cast<double>(draw() % 9000) / 10;
    std::string line = sample_line(head, told(n, force, 12.5), n * 10);
    const auto at = [&] { return draw() % line.size(); };
    switch (draw() % 6) {
      case 0:
        line[at()] = static_cast<char>(draw());
        break;
      case 1:
        line.erase(at(), 1 + draw() % 3);
        break;
      case 2:
        line.insert(at(), 1, static_cast<char>(draw()));
        break;
      case 3:
        std::swap(line[at()], line[at()]);
        break;
      case 4:
        line += line.substr(at());
        break;
      default:
        break;
    }
    r.take(line, n * 0.01);
    for (const LineSample& s : r.drain()) {
      ++taken;
      // What is taken is what was sent: by its number, on the grid that was sent.
      REQUIRE(s.told[0]);
      REQUIRE(*s.told[1] == 12.5);
      if (s.number == n) REQUIRE(*s.told[0] == force);
    }
  }
  CHECK(taken > 0.15 * lines);
  CHECK(taken < 0.7 * lines);
}

TEST_CASE("instrument: two known points read a raw channel, and grow in doubt beyond them") {
  InstrumentHead head{
      "Box", 100, {{ChannelWhat::force, "raw", 0}, {ChannelWhat::travel, "mm", 1e-3}}};
  LineSample s;
  s.told[0] = 512;
  s.told[1] = 40;
  const TraceScale none(head, {});
  CHECK(none.asks(ChannelWhat::force));
  CHECK_FALSE(none.si(s, ChannelWhat::force));
  CHECK(*none.si(s, ChannelWhat::travel) == Approx(0.040));
  Calibration points{"force", 112, 0, 912, 400, 4, "", {}};
  const TraceScale set(head, {points});
  CHECK_FALSE(set.asks(ChannelWhat::force));
  CHECK(*set.si(s, ChannelWhat::force) == Approx(200));
  CHECK(set.plus_minus(ChannelWhat::force, 200) == Approx(4 / std::sqrt(2)));
  CHECK(set.plus_minus(ChannelWhat::force, 0) == Approx(4));
  CHECK(set.plus_minus(ChannelWhat::force, 800) == Approx(4 * std::sqrt(5)));
  points.high_raw = 112;
  CHECK_FALSE(checked(points));
  points.high_raw = 912;
  points.high = 0;
  CHECK_FALSE(checked(points));
  points.high = NAN;
  CHECK_FALSE(checked(points));
  // A pair of points that is no pair is passed over: the channel stays unread.
  CHECK_FALSE(TraceScale(head, {points}).si(s, ChannelWhat::force));
}

TEST_CASE("instrument: readings of a recorded press are those of the model that was pressed") {
  const Assembly a = assemble(known_job(), As::plan);
  REQUIRE(a.system);
  Condition off;
  off.assist_alive = false;
  const auto model = FeelModel::make(*a.system, off);
  REQUIRE(model);
  Rig rig = rig_of("none", 5);
  LineReader reader;
  const Trace trace = record(rig, 9, reader);
  const TraceScale scale(trace.head, {});
  const auto presses = presses_of(trace, scale);
  REQUIRE(presses.size() == 1);
  CHECK(presses[0].most_n == Approx(400).margin(5));
  const auto readings = readings_of(trace, scale, presses[0], {50, 100, 150, 250, 390, 500});
  REQUIRE(readings.size() == 5);  // 500 N was not reached
  for (const Reading& r : readings) {
    INFO(r.force_n);
    const auto t = predicted_travel_m(*model, r.force_n);
    REQUIRE(t);
    CHECK(r.travel_m == Approx(*t).margin(0.0006));
    CHECK(r.travel_uncertainty_m < 0.001);
    CHECK(r.force_uncertainty_n < 5);
  }
}

TEST_CASE("instrument: a rig with air, a leak or a dead sensor tells what such a pedal would") {
  LineReader sound_line, air_line, leak_line, dead_line;
  Rig sound = rig_of("none", 1);
  Rig air = rig_of("air1", 1);
  Rig leak = rig_of("bypass", 1);
  Rig dead = rig_of("dead", 1);
  for (Rig* r : {&sound, &air, &leak, &dead}) r->press({{300, 1, 3, 20, 1}});
  const Trace of_sound = record(sound, 25, sound_line);
  const Trace of_air = record(air, 25, air_line);
  const Trace of_leak = record(leak, 25, leak_line);
  const Trace of_dead = record(dead, 25, dead_line);
  const TraceScale scale(of_sound.head, {});
  const auto at_100 = [&](const Trace& t) {
    const auto p = presses_of(t, scale);
    REQUIRE(p.size() == 1);
    return readings_of(t, scale, p[0], {100});
  };
  REQUIRE(at_100(of_sound).size() == 1);
  CHECK(at_100(of_air).at(0).travel_m > at_100(of_sound).at(0).travel_m + 0.01);
  CHECK(at_100(of_dead).empty());
  const auto sink = [&](const Trace& t) { return sink_of(t, scale, presses_of(t, scale)[0]); };
  REQUIRE(sink(of_sound));
  REQUIRE(sink(of_leak));
  CHECK(std::abs(sink(of_sound)->sink_m) < 0.0002);
  CHECK(sink(of_leak)->sink_m > 0.003);
  CHECK(sink(of_sound)->hold_s == Approx(18).margin(2));
}

TEST_CASE(
    "instrument: a line that drops and spoils a tenth of the samples gives the same readings") {
  RigSenses bad;
  bad.dropped_share = 0.1;
  bad.spoiled_share = 0.1;
  Rig rig = rig_of("none", 9, bad);
  LineReader reader;
  const Trace trace = record(rig, 9, reader);
  const TraceScale scale(trace.head, {});
  CHECK(reader.counts().lost > 50);
  CHECK(reader.counts().spoiled > 40);
  CHECK(reader.counts().jumps == 0);
  Rig good = rig_of("none", 9);
  LineReader whole;
  const Trace sound = record(good, 9, whole);
  const auto a = readings_of(trace, scale, presses_of(trace, scale).at(0), {150, 300});
  const auto b = readings_of(sound, scale, presses_of(sound, scale).at(0), {150, 300});
  REQUIRE(a.size() == 2);
  REQUIRE(b.size() == 2);
  for (int i = 0; i < 2; ++i) CHECK(a[i].travel_m == Approx(b[i].travel_m).margin(0.0006));
}

TEST_CASE("instrument: every fault of the rig has a name, and a name that is none is refused") {
  CHECK(rig_fault_names().size() == 11);
  for (const std::string& n : rig_fault_names()) CHECK(rig_fault(n));
  CHECK_FALSE(rig_fault("gremlin"));
  Job nothing;
  CHECK_FALSE(Rig::make(nothing, {}, {}, {}, 1));
}
