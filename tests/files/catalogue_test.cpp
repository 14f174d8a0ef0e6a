// The open catalogue: the shipped one, own ones, hostile ones, large ones.
#include <catch2/catch.hpp>
#include <fstream>
#include <random>
#include <set>
#include <sstream>

#include "cli/commands.hpp"
#include "document/param/bores.hpp"
#include "files/catalogue.hpp"
#include "files/csv.hpp"
#include "files/json_job.hpp"

using namespace yoke;

namespace {

std::string shipped_text() {
  std::ifstream f(std::string(YOKE_SOURCE_DIR) + "/data/catalogue/parts.csv", std::ios::binary);
  std::stringstream s;
  s << f.rdbuf();
  return s.str();
}

const std::string kHead = "kind,maker,name,master.kind,master.bore [mm],unit.port1_thread\n";

}  // namespace

TEST_CASE("the shipped catalogue reads without a problem and covers every kind") {
  const auto c = read_catalogue(shipped_text());
  REQUIRE(c);
  for (const RowProblem& p : c->problems) INFO(english(p.text()));
  CHECK(c->problems.empty());
  CHECK(c->parts.size() >= 55);
  std::set<PartKind> kinds;
  std::set<std::string> ids;
  for (const Part& p : c->parts) {
    kinds.insert(p.kind);
    ids.insert(p.id);
    CHECK(p.dims.size() >= 5);
  }
  CHECK(kinds.size() == 4);
  CHECK(ids.size() == c->parts.size());
}

TEST_CASE("a catalogue written and read again is the same, as CSV and as JSON") {
  const auto c = read_catalogue(shipped_text());
  REQUIRE(c);
  const auto again = read_catalogue(write_catalogue_csv(c->parts));
  REQUIRE(again);
  CHECK(again->problems.empty());
  REQUIRE(again->parts.size() == c->parts.size());
  const auto json = read_catalogue(write_catalogue_json(c->parts));
  REQUIRE(json);
  CHECK(json->problems.empty());
  REQUIRE(json->parts.size() == c->parts.size());
  for (std::size_t i = 0; i < c->parts.size(); ++i) {
    CHECK(json->parts[i].name == c->parts[i].name);
    REQUIRE(json->parts[i].dims.size() == c->parts[i].dims.size());
    for (std::size_t k = 0; k < c->parts[i].dims.size(); ++k)
      CHECK(again->parts[i].dims[k].second == Approx(c->parts[i].dims[k].second).epsilon(1e-8));
  }
}

TEST_CASE("cells are read as people write them, bare numbers in the column's unit") {
  const auto c = read_catalogue(
      "\xef\xbb\xbfkind;name;master.bore [in];master.stroke1 [mm];master.kind\r\n"
      "master;\"Plain; with \"\"quotes\"\"\";0,875;18,5;tandem\r\n"
      "master;Fraction;\"1 1/8 in\";3/4 in;Tandem\r\n");
  REQUIRE(c);
  CHECK(c->problems.empty());
  REQUIRE(c->parts.size() == 2);
  CHECK(c->parts[0].name == "Plain; with \"quotes\"");
  CHECK(*c->parts[0].at(param::master_bore) == Approx(0.022225));
  CHECK(*c->parts[0].at(param::master_stroke1) == Approx(0.0185));
  CHECK(*c->parts[1].at(param::master_bore) == Approx(0.028575));
  CHECK(*c->parts[1].at(param::master_kind) == 1);
}

TEST_CASE("errors name row and column, and the good rows stay") {
  const auto c = read_catalogue(kHead +
                                "master,Own,Good,tandem,22.2,M10x1\n"
                                "wheel,Own,No kind,tandem,22.2,M10x1\n"
                                "master,Own,Too wide,tandem,900,M10x1\n"
                                "master,Own,No thread,tandem,22.2,M11x1\n"
                                "master,Own,Short row,tandem\n"
                                "\n"
                                "master,,,,22.2,\n"
                                "master,Own,Empty,,,\n"
                                "lever,Own,Wrong dimension,tandem,16,\n"
                                "master,Own,Last,tandem,25.4,M12x1\n");
  REQUIRE(c);
  std::vector<std::string> names;
  for (const Part& p : c->parts) names.push_back(p.name);
  CHECK(names ==
        std::vector<std::string>{"Good", "Too wide", "No thread", "Wrong dimension", "Last"});
  REQUIRE(c->problems.size() == 7);
  CHECK(c->problems[0].row == 3);
  CHECK(c->problems[0].column == "kind");
  CHECK(c->problems[0].row_dropped);
  CHECK(c->problems[1].row == 4);
  CHECK(c->problems[1].column == "master.bore [mm]");
  CHECK(c->problems[1].value == "900");
  CHECK_FALSE(c->problems[1].row_dropped);
  CHECK(english(c->problems[1].text()).find("Only this value") != std::string::npos);
  CHECK(english(c->problems[2].text()).find("M11x1") != std::string::npos);
  CHECK(english(c->problems[3].text()).find("cells where the heading has 6") != std::string::npos);
  CHECK(c->problems[5].row == 9);
  CHECK_FALSE(c->parts[1].at(param::master_bore));
}

TEST_CASE("files that are no catalogue are refused with what to do") {
  for (const std::string text :
       {"", "   \n", "name,bore\nx,1\n", "kind,name\nmaster,x\n", "{", "{}",
        R"({"format":"yoke-job"})", R"({"format":"yoke-catalogue","parts":3})",
        "kind,name,master.bore [stone]\nmaster,x,1\n"}) {
    const auto c = read_catalogue(text);
    INFO(text);
    REQUIRE_FALSE(c);
    CHECK_FALSE(c.error().reason.empty());
  }
  CHECK_FALSE(read_catalogue(std::string(kMostCatalogueBytes + 1, 'x')));
  CHECK_FALSE(read_catalogue("{\"parts\":" + std::string(5000, '[')));
  const auto open = read_catalogue(kHead + "master,Own,\"never closed,tandem,22.2,M10x1\n");
  REQUIRE(open);
  CHECK(open->parts.empty());
  CHECK(english(open->problems[0].text()).find("quote") != std::string::npos);
  const auto json = read_catalogue(
      R"({"format":"yoke-catalogue","parts":[7,{"kind":"master"},{"kind":"master","name":"A","master.bore [mm]":22.2,"colour":"red","master.stroke1":[1]}]})");
  REQUIRE(json);
  CHECK(json->parts.size() == 1);
  CHECK(json->problems.size() == 4);
}

TEST_CASE("bytes thrown at the reader never break it") {
  const std::string good = shipped_text();
  std::mt19937 rng(11);
  for (int i = 0; i < 120; ++i) {
    std::string bad = good.substr(0, 4000);
    for (int k = 0; k < 25; ++k) bad[rng() % bad.size()] = static_cast<char>(rng());
    const auto c = read_catalogue(bad);
    if (!c) continue;
    for (const Part& p : c->parts)
      for (const auto& [param, si] : p.dims) CHECK(check_range(param, si));
  }
}

TEST_CASE("20,000 rows load and filter, a formula in a cell is written harmless") {
  std::string text = kHead;
  for (int i = 0; i < 20000; ++i)
    text += "master,Own," + std::string(i % 2 ? "Odd " : "Even ") + std::to_string(i) + ",tandem," +
            std::to_string(15 + i % 20) + ",M10x1\n";
  const auto c = read_catalogue(text);
  REQUIRE(c);
  CHECK(c->parts.size() == 20000);
  PartFilter f;
  f.words = "odd OWN";
  CHECK(filter_parts(c->parts, f).size() == 10000);
  f.bore_m = 0.022;
  CHECK(filter_parts(c->parts, f).size() == 1000);
  f.kind = PartKind::lever;
  CHECK(filter_parts(c->parts, f).empty());
  CHECK(csv_line({"=1+1", "a,b", "say \"x\""}) == "'=1+1,\"a,b\",\"say \"\"x\"\"\"\n");
}

TEST_CASE("candidates, reminders, parts in hand and the before-curve survive a round trip") {
  Job job;
  job.title = "Lists";
  Reading r;
  r.force_n = 120;
  r.travel_m = 0.04;
  job.before = {r};
  Candidate c;
  c.name = "OT-875";
  c.maker = "Own";
  c.kind = PartKind::lever;
  c.sheet.set(param::master_bore, measured(param::master_bore, 0.019, How::maker));
  job.candidates = {c};
  job.later = {{LaterKind::battery_move, "2027-02-01"}, {LaterKind::front_discs, ""}};
  job.parts = {{"hose", "2026-12-24", true, true, false, true, true, "left one"}};
  const auto back = read_job(write_job(job));
  REQUIRE(back);
  CHECK(*back == job);
  for (const auto& [from, to] : {std::pair<std::string, std::string>{"2026-12-24", "soon"},
                                 {"battery_move", "paint"},
                                 {"\"lever\"", "\"wheel\""},
                                 {"0.019", "19"}}) {
    std::string text = write_job(job);
    text.replace(text.find(from), from.size(), to);
    const auto bad = read_job(text);
    INFO(to);
    REQUIRE_FALSE(bad);
    CHECK_FALSE(bad.error().field.empty());
  }
}

TEST_CASE("compare, catalogue, next and parts on the command line") {
  const std::string demo = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke";
  const std::string list = std::string(YOKE_SOURCE_DIR) + "/data/catalogue/parts.csv";
  const auto run = [](std::vector<std::string> words) { return cli::run(words); };
  CHECK(run({"compare", demo}).out.find("NOT COMPARED") != std::string::npos);
  const auto part = run({"compare", demo, "--catalogue", list, "--part", "OT-875"});
  CHECK(part.status == 0);
  CHECK(part.out.find("differs by") != std::string::npos);
  CHECK(run({"compare", demo, "--catalogue", list, "--part", "none"}).status == 2);
  CHECK(run({"compare", demo, "--catalogue", "/nowhere", "--part", "x"}).status == 2);
  CHECK(run({"compare", demo, "--candidate", "none"}).status == 2);
  const auto narrow = run({"catalogue", list, "--kind", "master", "--bore", "7/8in"});
  CHECK(narrow.status == 0);
  CHECK(narrow.out.find("OT-875") != std::string::npos);
  CHECK(narrow.out.find("OT-1000") == std::string::npos);
  CHECK(run({"catalogue", list, "--kind", "wheel"}).status == 2);
  CHECK(run({"catalogue"}).status == 2);
  CHECK(run({"next", demo}).out.find("narrows") != std::string::npos);
  CHECK(run({"next", demo, "--system", "other"}).status == 2);
  CHECK(run({"parts", demo, "--today", "2026-11-26"}).status == 0);
  CHECK(run({"parts", demo}).status == 2);
}
