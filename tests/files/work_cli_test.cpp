// The work on the command line: the order and its reasons, lines to make.
#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "cli/commands.hpp"
#include "files/json_job.hpp"
#include "files/store.hpp"

using namespace yoke;
using nlohmann::json;
using yoke::cli::run;

namespace {

const std::string kTender = std::string(YOKE_SOURCE_DIR) + "/data/demo/fire-tender.yoke";
const std::string kOdd = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/orders/retained-rod.yoke";

json rows(const std::vector<std::string>& words) {
  auto all = words;
  all.insert(all.end(), {"--format", "json"});
  const auto out = run(all);
  INFO(out.err);
  REQUIRE(out.status == 0);
  return json::parse(out.out)["rows"];
}

}  // namespace

TEST_CASE("steps: the order, what can be done now, and why on the command line") {
  const json order = rows({"steps", kOdd, "--order"});
  const json all = rows({"steps", kOdd});
  REQUIRE(order.size() == all.size());
  for (std::size_t i = 0; i < order.size(); ++i) CHECK(order[i]["step"] == all[i]["step"]);
  std::size_t ready = 0;
  for (const json& r : all) ready += r["state"] == "ready" ? 1 : 0;
  const json now = rows({"steps", kOdd, "--now"});
  CHECK(now.size() == ready);
  for (const json& r : now) CHECK(r["state"] == "ready");
  bool told = false;
  for (const json& r : rows({"steps", kOdd, "--why"}))
    if (r["step"] == "rod.retained3") {
      told = r["after"].get<std::string>().find("rod.retained1") != std::string::npos &&
             r["why_here"].get<std::string>().find("wrong length") != std::string::npos;
    } else if (r["step"] == "out.crack") {
      CHECK(r["opens"] == "weep");
    }
  CHECK(told);
  CHECK(run({"steps", kOdd, "--now", "--now"}).status == 2);
  CHECK(run({"steps", kOdd, "--later"}).status == 2);
}

TEST_CASE("line: a bend a row, its end with the cut, a print of one, refusals by name") {
  const json lines = rows({"line", kTender});
  std::size_t ends = 0;
  for (const json& r : lines) ends += r["bend"] == "end" ? 1 : 0;
  CHECK(ends == 2);
  const auto text = run({"line", kTender, "--name", "Master to front tee", "--units", "metric"});
  CHECK(text.out.find("bend 90°") != std::string::npos);
  CHECK(text.out.find("left hose") == std::string::npos);
  CHECK(run({"line", kTender}).out.find("From coils of") != std::string::npos);
  CHECK(run({"line", kTender, "--as", "svg"}).out.find("<svg") != std::string::npos);
  CHECK(run({"line", kTender, "--as", "pdf"}).status == 2);
  CHECK(run({"line", kTender, "--name", "nowhere"}).err.find("nowhere") != std::string::npos);
  CHECK(run({"line", kOdd}).status == 2);
}

TEST_CASE("road: a ± that nobody told is said to be taken") {
  auto job = open_job(kTender);
  REQUIRE(job);
  RoadStop stop;
  stop.stage = RoadStage::walking;
  stop.speed_m_s = 1.7;
  stop.distance_m = 1;
  stop.when = "2026-05-30T12:00:00";
  job->job.stops.push_back(stop);
  const auto file = std::filesystem::temp_directory_path() / "yoke-road-taken.yoke";
  std::ofstream(file) << write_job(job->job);
  const auto out = run({"road", file.string()});
  std::filesystem::remove(file);
  CHECK(out.out.find("the ± taken, not told") != std::string::npos);
}
