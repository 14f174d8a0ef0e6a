// The command line, and the examples of its document.
#include <algorithm>
#include <catch2/catch.hpp>
#include <fstream>
#include <nlohmann/json.hpp>
#include <regex>
#include <sstream>

#include "cli/commands.hpp"
#include "files/store.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "support/folder.hpp"
#include "work/steps.hpp"

using namespace yoke;
using yoke::cli::run;

namespace {

const std::string kDemo = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke";

std::vector<std::string> split(const std::string& line) {
  std::istringstream in(line);
  std::vector<std::string> words;
  for (std::string w; in >> w;)
    words.push_back(w.rfind("data/", 0) == 0 ? std::string(YOKE_SOURCE_DIR) + "/" + w : w);
  return words;
}

}  // namespace

TEST_CASE("every example of docs/cli.md prints what stands there", "[comma]") {
  std::ifstream in(std::string(YOKE_SOURCE_DIR) + "/docs/cli.md");
  std::string line;
  int examples = 0;
  while (std::getline(in, line)) {
    if (line.rfind("$ yokestep-cli ", 0) != 0) continue;
    ++examples;
    INFO(line);
    const auto out = run(split(line.substr(15)));
    CHECK(out.status != 2);
    CHECK(out.err.empty());
    std::istringstream printed(out.out);
    for (std::string want, got; std::getline(in, want) && want != "```";) {
      std::getline(printed, got);
      // Runs of blanks are layout: compare the words.
      CHECK(split(got) == split(want));
    }
  }
  CHECK(examples == 30);
}

TEST_CASE("the page on judging holds every rule as the rule book has it, and no other") {
  std::ifstream in(std::string(YOKE_SOURCE_DIR) + "/docs/model/judging.md");
  std::stringstream text;
  text << in.rdbuf();
  const std::string page = text.str();
  const auto rules = nlohmann::json::parse(run({"rules", "--format", "json"}).out)["rows"];
  CHECK(rules.size() > 100);
  for (const auto& r : rules) {
    std::string line = "| `" + r["rule"].get<std::string>() + "` |";
    for (const char* key : {"severity", "asked_of", "what", "limit", "source"})
      line += " " + r[key].get<std::string>() + " |";
    INFO(line);
    CHECK(page.find(line + "\n") != std::string::npos);
  }
  std::size_t lines = 0;
  for (std::size_t at = page.find("\n| `"); at != std::string::npos;
       at = page.find("\n| `", at + 1))
    ++lines;
  CHECK(lines == rules.size());
}

TEST_CASE(
    "judge: verdicts, what they rest on, exit status, and the words of solve and check agree") {
  const auto judged = run({"judge", kDemo, "--rules", "all", "--format", "json"});
  CHECK(judged.status == 1);
  const auto rows = nlohmann::json::parse(judged.out)["rows"];
  const auto solved = nlohmann::json::parse(run({"solve", kDemo, "--format", "json"}).out)["rows"];
  const auto found = nlohmann::json::parse(run({"check", kDemo, "--format", "json"}).out)["rows"];
  // A condition of solve is the worst of its rules.
  for (const auto& c : solved) {
    std::string worst = "does not apply";
    const std::vector<std::string> order{"does not apply", "holds", "holds if typical",
                                         "cannot say", "fails"};
    const auto rank = [&](const std::string& v) {
      return std::find(order.begin(), order.end(), v) - order.begin();
    };
    for (const auto& r : rows)
      if (r["condition"] == c["condition"] && rank(r["verdict"]) > rank(worst))
        worst = r["verdict"];
    INFO(c["condition"]);
    CHECK(worst == c["verdict"].get<std::string>());
  }
  for (const auto& r : rows) {
    const std::string id = r["rule"];
    INFO(id);
    CHECK_FALSE(r["what"].get<std::string>().empty());
    if (r["verdict"] == "holds if typical") CHECK_FALSE(r["rests_on"].get<std::string>().empty());
    if (r["verdict"] == "holds") CHECK(r["rests_on"].get<std::string>().empty());
    if (!r["condition"].get<std::string>().empty()) continue;
    const bool told =
        std::any_of(found.begin(), found.end(), [&](const auto& f) { return f["code"] == id; });
    // Joints that nobody looked at are told as open ones.
    if (r["rule"] == "plumb.joint" && r["verdict"] == "cannot say") continue;
    // A lamp that nobody looked at is proved at its gate.
    if (id.rfind("rod.lamp", 0) == 0 && r["verdict"] == "cannot say") continue;
    // What nobody said of bleeding and fluid is asked under Bleed.
    if ((id.rfind("bleed.", 0) == 0 || id.rfind("fluid.", 0) == 0) && r["verdict"] == "cannot say")
      continue;
    // What nobody drove yet is no finding; the road itself says so.
    if (id.rfind("prove.road", 0) == 0 && r["verdict"] == "cannot say") continue;
    CHECK(told == (r["verdict"] == "fails" || r["verdict"] == "cannot say"));
  }
  CHECK(run({"judge", kDemo, "--rules", "some"}).status == 2);
}

TEST_CASE("state: the intermediates of one press add up, in any condition") {
  const auto of = [](const nlohmann::json& rows, const char* what) {
    for (const auto& r : rows)
      if (r["what"] == what) return r["value_SI"].is_number() ? r["value_SI"].get<double>() : 0.0;
    FAIL(what);
    return 0.0;
  };
  for (const char* condition : {"plan", "assist_lost", "first_lost", "hot", "air_left"}) {
    INFO(condition);
    const auto out = run({"state", kDemo, "--condition", condition, "--format", "json"});
    REQUIRE(out.status == 0);
    const auto rows = nlohmann::json::parse(out.out)["rows"];
    const double weight = of(rows, "front axle load") + of(rows, "rear axle load");
    CHECK(weight == Approx(1260 * 9.80665).epsilon(1e-3));
    double volume = 0;
    for (const char* part : {"volume: linings to contact", "volume: calipers and drums",
                             "volume: hoses", "volume: tubes", "volume: fluid", "volume: air"})
      volume += of(rows, part);
    CHECK(volume > 1e-6);
    // A dead booster costs its springs and seals on top.
    const bool dead = std::string(condition) == "assist_lost";
    CHECK((of(rows, "rod force") > of(rows, "force at the piston")) == dead);
  }
  const auto pressed = nlohmann::json::parse(
      run({"state", kDemo, "--force", "150N", "--format", "json"}).out)["rows"];
  CHECK(of(pressed, "pedal force") == Approx(150).epsilon(1e-4));
  CHECK(run({"state", kDemo, "--condition", "wet"}).status == 2);
}

TEST_CASE("steps, bleed, gates and fit are what the window works from") {
  const auto rows = [](std::vector<std::string> words) {
    words.insert(words.end(), {"--format", "json"});
    const auto out = run(words);
    REQUIRE(out.status != 2);
    return nlohmann::json::parse(out.out)["rows"];
  };
  const std::string side = std::string(YOKE_SOURCE_DIR) + "/data/demo/sidecar-outfit.yoke";
  const Job job = std::move(open_job(side)->job);
  CHECK(rows({"steps", side}).size() == install_steps(job).size());
  const auto bled = rows({"bleed", side});
  REQUIRE(bled.size() == 4);  // the bench, both front calipers, the third wheel
  for (const auto& r : bled) CHECK(r["state"] == "clear");
  const auto strip = foot_strip(job, 0);
  const auto gates = gates_of(job, strip, find_all(job, strip));
  const auto told = rows({"gates", side});
  REQUIRE(told.size() == gates.size());
  for (std::size_t i = 0; i < gates.size(); ++i) {
    CHECK(told[i]["gate"] == std::string(key(gates[i].id)));
    CHECK(told[i]["state"] == std::string(key_of(gates[i].state)));
    CHECK(told[i]["evidence"] == english(gates[i].evidence));
  }
  const auto fit = rows({"fit", side});
  REQUIRE_FALSE(fit.empty());
  CHECK(fit[0]["unknown"] == "slack at the pedal");
  CHECK(run({"fit", std::string(YOKE_SOURCE_DIR) + "/data/demo/trials-special.yoke"}).status == 2);
}

TEST_CASE("solve, overrides and formats") {
  const auto base = nlohmann::json::parse(run({"solve", kDemo, "--format", "json"}).out);
  REQUIRE(base["rows"].size() == 7);
  const auto larger = nlohmann::json::parse(
      run({"solve", kDemo, "--format", "json", "--set", "master.bore=15/16in"}).out);
  CHECK(larger["rows"][1]["effort_N"].get<double>() > base["rows"][1]["effort_N"].get<double>());
  CHECK(larger["rows"][1]["travel_m"].get<double>() < base["rows"][1]["travel_m"].get<double>());
  CHECK(larger["rows"][0] == base["rows"][0]);
  const auto old = nlohmann::json::parse(
      run({"solve", kDemo, "--format", "json", "--set", "found:master.bore=7/8in"}).out);
  CHECK(old["rows"][0]["effort_N"].get<double>() < base["rows"][0]["effort_N"].get<double>());
  const auto unknown = nlohmann::json::parse(
      run({"solve", kDemo, "--format", "json", "--set", "master.bore=unknown"}).out);
  CHECK(unknown["rows"][1]["verdict"] == "cannot say");
  CHECK(unknown["rows"][1]["why"].get<std::string>().find("bore of the master") !=
        std::string::npos);
  const auto csv = run({"solve", kDemo, "--format", "csv"}).out;
  CHECK(csv.rfind("condition,verdict,at,limits,effort_N,travel_m,reserve,pressure_Pa,z,why\n", 0) ==
        0);
}

TEST_CASE("check: exit status 1 when a hard finding stands, 0 when none does") {
  CHECK(run({"check", kDemo}).status == 1);
  const auto eased =
      run({"check", kDemo, "--set", "limit.z_failed=0.15", "--set", "limit.reserve_failed=2 %",
           "--set", "limit.reserve_failed_m=3 mm", "--set", "limit.effort=450 N", "--set",
           "found:symptom.first=?", "--set", "found:symptom.third=?"});
  INFO(eased.out);
  CHECK(eased.status == 0);
}

TEST_CASE("params lists the whole table") {
  const auto j = nlohmann::json::parse(run({"params", "--format", "json"}).out);
  CHECK(j["rows"].size() == all_params().size());
  CHECK(j["rows"][0]["id"] == "control.use");
}

TEST_CASE("rod from a job") {
  const auto out = run({"rod", kDemo, "--format", "json"});
  CHECK(out.status == 0);
  const auto j = nlohmann::json::parse(out.out);
  CHECK(j["rows"][0]["value"].get<double>() == Approx(-0.0282).epsilon(1e-6));
}

TEST_CASE("wrong words are answered with a reason and status 2") {
  const std::vector<std::vector<std::string>> table = {
      {},
      {"fly"},
      {"solve"},
      {"solve", "/no/such.yoke"},
      {"solve", kDemo, "--set"},
      {"solve", kDemo, "--set", "bore"},
      {"solve", kDemo, "--set", "no.such=1"},
      {"solve", kDemo, "--set", "master.bore=-3 mm"},
      {"solve", kDemo, "--set", "fluid.grade=5.2"},
      {"solve", kDemo, "--format", "xml"},
      {"solve", kDemo, "--units", "ells"},
      {"solve", kDemo, "--bore-old", "1 in"},
      {"relative", "--bore-old", "1 in"},
      {"relative", "--bore-old", "x", "--bore-new", "1in", "--ratio-old", "5", "--ratio-new", "5"},
      {"relative", "--bore-old", "1in", "--bore-new", "1in", "--ratio-old", "0", "--ratio-new",
       "5"},
      {"rod", "--snout-old", "1in"},
      {"rod", "--snout-old", "9 m", "--socket-old", "1in", "--snout-new", "1in", "--socket-new",
       "1in"}};
  for (const auto& words : table) {
    const auto o = run(words);
    INFO((words.empty() ? "" : words.back()));
    CHECK(o.status == 2);
    CHECK_FALSE(o.err.empty());
    CHECK(o.out.empty());
  }
  CHECK(run({"help"}).status == 0);
  CHECK(run({"--help"}).out.find("relative") != std::string::npos);
}

TEST_CASE("rod: the headline is the total, and names its parts") {
  const std::vector<std::string> depths = {
      "rod", "--snout-old", "10", "--socket-old", "10", "--snout-new", "12", "--socket-new",
      "10",  "--stack-old", "0",  "--stack-new",  "0"};
  auto words = depths;
  for (const char* w : {"--height", "30mm", "--ratio", "5"}) words.emplace_back(w);
  const auto both = run(words);
  INFO(both.out);
  CHECK(both.status == 0);
  CHECK(both.out.find("Lengthen by 4.00 mm (0.157 in) ± 0.12 mm: −2.00 mm for the other unit, "
                      "+6.00 mm for the pedal height") != std::string::npos);
  CHECK(run(depths).out.find("\nShorten by 2.00 mm (0.079 in) ± 0.12 mm\n") != std::string::npos);
  words = depths;
  for (const char* w : {"--clearance-more", "-2mm"}) words.emplace_back(w);
  CHECK(run(words).out.find("The rod stays as long as it is: −2.00 mm for the other unit, "
                            "+2.00 mm for the clearance") != std::string::npos);
}

TEST_CASE("an option that would be ignored is an error, and every quantity has a range") {
  const std::vector<std::string> depths = {"rod",          "--snout-old",  "10mm",
                                           "--socket-old", "10mm",         "--snout-new",
                                           "12mm",         "--socket-new", "10mm"};
  const auto with = [&](std::vector<std::string> more) {
    auto words = depths;
    words.insert(words.end(), more.begin(), more.end());
    return run(words);
  };
  const struct {
    std::vector<std::string> more;
    const char* says;
  } table[] = {{{"--height", "30mm"}, "--ratio is missing"},
               {{"--pitch", "-1"}, "--pitch cannot be that"},
               {{"--pitch", "9"}, "0.50 mm to 3.00 mm"},
               {{"--height", "900mm", "--ratio", "5"}, "-150"},
               {{"--ratio", "0.2"}, "1 to 12"},
               {{"--ratio", "5", "--ratio", "6"}, "given twice"},
               {{"--clearance-more", "200mm"}, "--clearance-more cannot be that"},
               {{"--set", "master.bore=1in"}, "there is none here"}};
  for (const auto& t : table) {
    const auto out = with(t.more);
    INFO(out.err);
    CHECK(out.status == 2);
    CHECK(out.err.find(t.says) != std::string::npos);
  }
  CHECK(run({"rod", kDemo, "--ratio", "5"}).status == 2);
  CHECK(run({"relative", kDemo}).status == 2);
  CHECK(run({"params", "--set", "a=b"}).status == 2);
  CHECK(run({"solve", kDemo, kDemo}).status == 2);
  CHECK(run({"doubt", kDemo, "--samples", "1e9"}).status == 2);
  CHECK(run({"doubt", kDemo, "--seed", "-1"}).status == 2);
  CHECK(run({"catalogue", kDemo, "--bore", "-3mm"}).status == 2);
  CHECK(run({"relative", "--bore-old", "-1", "--bore-new", "1in", "--ratio-old", "5", "--ratio-new",
             "5"})
            .err.find("--bore-old") != std::string::npos);
}

TEST_CASE("a condition that a clutch does not have is an error, not another system's report") {
  const std::string clutch = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/roadster-clutch.yoke";
  CHECK(run({"curve", clutch, "--condition", "plan"}).status == 0);
  for (const char* condition : {"assist_lost", "second_lost"}) {
    const auto out = run({"curve", clutch, "--condition", condition});
    CHECK(out.status == 2);
    CHECK(out.err.find("no such condition") != std::string::npos);
    CHECK(run({"doubt", clutch, "--condition", condition}).status == 2);
  }
}

TEST_CASE(
    "check prints every finding there can be, with its code, and ends with 1 for a hard one") {
  const yoke::test::Folder f;
  for (const test::CodeRow& row : test::code_rows()) {
    INFO(key(row.code));
    const Job job = test::job_with(row);
    const auto path = f.path / "a.yoke";
    REQUIRE(save_job(path, job));
    const auto out = run({"check", path.string(), "--format", "json"});
    const auto findings = find_all(job, foot_strip(job, 16));
    const auto rows = nlohmann::json::parse(out.out)["rows"];
    REQUIRE(rows.size() == findings.size());
    bool hard = false;
    Style style;
    style.hand = pulled_by_hand(job);
    for (std::size_t i = 0; i < rows.size(); ++i) {
      CHECK(rows[i]["code"] == std::string(key(findings[i].code)));
      CHECK(rows[i]["message"] == english(findings[i].message, style));
      CHECK(rows[i]["limit"] == english(findings[i].limit, style));
      CHECK(rows[i]["remedy"] == english(findings[i].remedy, style));
      CHECK((rows[i]["severity"] == "hard") == (findings[i].severity == Severity::hard));
      hard = hard || findings[i].severity == Severity::hard;
    }
    CHECK(out.status == (hard ? 1 : 0));
  }
}

TEST_CASE("cli: bleeding is shown in each of its ways, and says what the window says") {
  for (const char* what :
       {"order", "ways", "checks", "joints", "fluid", "pedal", "dead", "change"}) {
    INFO(what);
    const auto out = run({"bleed", kDemo, "--show", what, "--format", "json"});
    CHECK(out.status == 0);
    CHECK_FALSE(out.out.empty());
  }
  CHECK(run({"bleed", kDemo, "--show", "colours"}).status == 2);
  // As if another way were chosen; the next place alone.
  const auto next = run({"bleed", kDemo, "--method", "reverse", "--now", "--format", "csv"});
  CHECK(next.status == 0);
  CHECK(next.out.find("\nrr,") != std::string::npos);
  CHECK(next.out.find("a look at its nipple") != std::string::npos);
  CHECK(next.out.find("\nrl,") == std::string::npos);
  CHECK(run({"bleed", kDemo, "--method", "reverse"}).out !=
        run({"bleed", kDemo, "--method", "helper"}).out);
  CHECK(run({"bleed", kDemo, "--method", "shouting"}).status == 2);
  CHECK(run({"bleed", kDemo, "--show", "fluid", "--now"}).status == 2);
  const auto checks = run({"bleed", kDemo, "--show", "checks"}).out;
  // Nobody said how the nipples stand: open, never good.
  CHECK(checks.find("bleed.screw") != std::string::npos);
  CHECK(std::regex_search(checks, std::regex("bleed\\.screw +open")));
  CHECK(std::regex_search(run({"bleed", kDemo, "--show", "joints"}).out,
                          std::regex("outlet1 +Outlet 1 +unknown")));
}

TEST_CASE("cli: the proof press by press, with readings of a file") {
  const auto all = run({"prove", kDemo, "--format", "csv"});
  CHECK(all.status == 1);  // its findings hold a gate shut, as the window says
  CHECK(run({"prove", std::string(YOKE_SOURCE_DIR) + "/data/demo/airfield-tug.yoke"}).status == 0);
  CHECK(all.out.find("\npress_100,") != std::string::npos);
  const auto next = run({"prove", kDemo, "--now", "--format", "csv"});
  CHECK(std::count(next.out.begin(), next.out.end(), '\n') < 8);
  test::Folder folder;
  const auto with = [&](const std::string& text) {
    const auto path = folder.path / "readings.csv";
    std::ofstream(path) << text;
    return run({"prove", kDemo, "--readings", path.string(), "--format", "csv"});
  };
  const auto deep = with("force,travel,note\n250 N,400 mm,pad on the floor\n");
  CHECK(deep.status == 1);
  CHECK(deep.out.find("Do not drive") != std::string::npos);
  const auto second = with("travel;force;second\n40 mm;33.7 lbf;yes\n");
  CHECK(second.status == all.status);
  CHECK(std::regex_search(second.out, std::regex("\nsecond,[^\n]*,0.04,")));
  CHECK_FALSE(std::regex_search(all.out, std::regex("\nsecond,[^\n]*,0.04,")));
  // A stranger's file: named by its line, never taken.
  for (const char* bad :
       {"", "push,way\n1,2\n", "force,travel\n100 N\n", "force,travel\nmany,50 mm\n",
        "force,travel\n9 kN,50 mm\n", "force,travel,second\n100 N,50 mm,perhaps\n",
        "force,travel\n\"100 N,50 mm\n", "force,travel\nnan,50 mm\n"}) {
    INFO(bad);
    const auto out = with(bad);
    CHECK(out.status == 2);
    CHECK(out.err.find("ine ") != std::string::npos);
  }
  std::string many = "force,travel\n";
  for (int i = 0; i < 3000; ++i) many += "100 N,50 mm\n";
  CHECK(with(many).status == 2);
}
