// figures, calc, map, curve and doubt of all conditions on the command line.
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "cli/commands.hpp"
#include "doubt/doubt.hpp"

using yoke::kPressQuantityCount;
using yoke::cli::run;

namespace {
const std::string kDemo = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke";

nlohmann::json json_of(std::vector<std::string> words) {
  words.insert(words.end(), {"--format", "json"});
  const auto out = run(words);
  INFO(out.err);
  REQUIRE(out.status == 0);
  return nlohmann::json::parse(out.out);
}
}  // namespace

TEST_CASE("figures of a job by group") {
  const auto all = json_of({"figures", kDemo});
  CHECK(all["rows"].size() > 40);
  const auto holding = json_of({"figures", kDemo, "--group", "holding"});
  REQUIRE(holding["rows"].size() >= 1);
  CHECK(holding["rows"][0]["figure"] == "Pedal force on the slope");
  CHECK(holding["rows"][0]["value_SI"].get<double>() > 20);
  const auto wrong = run({"figures", kDemo, "--group", "weather"});
  CHECK(wrong.status == 2);
  CHECK(wrong.err.find("holding") != std::string::npos);
  CHECK(run({"figures", kDemo, "--group", "bar"}).out.find("does not apply") != std::string::npos);
}

TEST_CASE("bench calculations: listed, computed, refused") {
  CHECK(json_of({"calc"})["rows"].size() >= 15);
  const auto dial = json_of(
      {"calc", "crowfoot", "joint=12lbf·ft", "wrench=12in", "crowfoot=1.5in", "angle=0deg"});
  CHECK(dial["rows"][0]["value_SI"].get<double>() / 1.3558179483314004 ==
        Approx(10.667).epsilon(1e-3));
  const auto strips = run({"calc", "thread", "nut=M10x1", "port=3/8-24"});
  CHECK(strips.out.find("strips") != std::string::npos);
  CHECK(strips.out.find("fails") != std::string::npos);
  for (const std::vector<std::string>& bad : {std::vector<std::string>{"calc", "nothing"},
                                              {"calc", "crowfoot", "joint"},
                                              {"calc", "crowfoot", "weight=3kg"},
                                              {"calc", "crowfoot", "joint=3kg"},
                                              {"calc", "copper", "fuse=9000"}}) {
    const auto out = run(bad);
    CHECK(out.status == 2);
    CHECK_FALSE(out.err.empty());
  }
}

TEST_CASE("map and curve as tables") {
  const auto map = json_of({"map", kDemo, "--prefer", "firm"});
  CHECK(map["rows"].size() > 200);
  CHECK(map["notes"][0].get<std::string>().find("firm") != std::string::npos);
  CHECK(run({"map", kDemo, "--prefer", "loud"}).status == 2);
  const auto curve = json_of({"curve", kDemo, "--condition", "first_lost", "--points", "20"});
  CHECK(curve["rows"].size() == 23);
  double before = -1;
  for (const auto& row : curve["rows"]) {
    CHECK(row["travel_m"].get<double>() >= before);
    before = row["travel_m"].get<double>();
  }
  CHECK(run({"curve", kDemo, "--points", "1"}).status == 2);
  CHECK(run({"curve", kDemo, "--condition", "asleep"}).status == 2);
}

TEST_CASE("doubt of all conditions: every reported figure has its band") {
  const auto bands = json_of({"doubt", kDemo, "--condition", "all", "--samples", "200"});
  CHECK(bands["rows"].size() % kPressQuantityCount == 0);
  CHECK(bands["rows"].size() >= kPressQuantityCount * 5);
  std::size_t said = 0;
  for (const auto& row : bands["rows"]) {
    if (!row["low_10"].is_number()) continue;  // no first lock, no stroke left: not said
    ++said;
    CHECK(row["low_10"].get<double>() <= row["middle"].get<double>());
    CHECK(row["middle"].get<double>() <= row["high_90"].get<double>());
  }
  CHECK(said > kPressQuantityCount * 4);
}
