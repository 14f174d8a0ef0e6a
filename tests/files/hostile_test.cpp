// Files of others: keys that stand twice, members of a newer writer in every place, text cut inside
// a character, formulas, and sizes that must not take time out of proportion.
#include <sys/wait.h>

#include <catch2/catch.hpp>
#include <cstdlib>
#include <nlohmann/json.hpp>

#include "cli/commands.hpp"
#include "document/param/bores.hpp"
#include "files/catalogue.hpp"
#include "files/csv.hpp"
#include "files/store.hpp"
#include "quantity/text.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;
using nlohmann::json;

TEST_CASE("members of a newer writer are kept in every place, and go with their record") {
  Job job = known_job();
  job.plan.set(param::master_bore, {0.02, How::stated, 0, {}});
  job.built.set(param::master_bore, {0.02, How::stated, 0, {}});
  job.steps["a"].done = true;
  job.bleeding["fl"].strokes = 3;
  job.gates["weep"].state = GateState::passed;
  job.readings = {{10, 0.1}, {20, 0.2}};
  job.before = {{10, 0.1}};
  job.candidates.resize(2);
  for (auto& c : job.candidates) c.sheet.set(param::master_bore, {0.02, How::stated, 0, {}});
  job.later.resize(1);
  job.boxes.resize(2);
  job.parts.resize(1);
  json root = json::parse(write_job(job));
  const char* places[] = {"",
                          "/found",
                          "/plan",
                          "/built",
                          "/found/master.bore",
                          "/plan/master.bore",
                          "/built/master.bore",
                          "/steps/a",
                          "/bleeding/fl",
                          "/gates/weep",
                          "/readings/1",
                          "/before/0",
                          "/candidates/1",
                          "/candidates/1/values",
                          "/candidates/1/values/master.bore",
                          "/later/0",
                          "/boxes/1",
                          "/parts/0",
                          "/pump"};
  int n = 0;
  for (const char* place : places)
    root[json::json_pointer(place)]["from/the~future"] = {{"n", ++n}, {"why", {1.5, nullptr, "ü"}}};
  const auto read = read_job(root.dump());
  REQUIRE(read);
  CHECK(json::parse(write_job(*read)) == root);
  CHECK_FALSE(*read == job);
  // What hangs on a record moves with it when the one before goes, and goes with it.
  Job shorter = *read;
  shorter.candidates.erase(shorter.candidates.begin());
  shorter.boxes.erase(shorter.boxes.begin());
  shorter.readings.pop_back();
  shorter.found.clear(param::master_bore);
  const json after = json::parse(write_job(shorter));
  CHECK(after["candidates"][0]["from/the~future"]["n"] == 13);
  CHECK(after["candidates"][0]["values"]["master.bore"]["from/the~future"]["n"] == 15);
  CHECK(after["boxes"][0]["from/the~future"]["n"] == 17);
  CHECK_FALSE(after["readings"][0].contains("from/the~future"));
  CHECK_FALSE(after["found"].contains("master.bore"));
  CHECK(*read_job(write_job(shorter)) == shorter);
}

TEST_CASE("a member that is missing keeps its record's default: a part is needed first") {
  const auto job = read_job(
      R"({"format":"yoke-job","version":1,"parts":[{"name":"hose"}],"boxes":[{"name":"b"}]})");
  REQUIRE(job);
  CHECK(job->parts[0].before_apart);
  CHECK(job->boxes[0].kind == Box::Kind::fixed);
}

TEST_CASE("a key or column that stands twice is an error that names it") {
  const struct {
    const char* text;
    const char* says;
  } table[] = {{R"({"format":"yoke-job","version":1,"title":"a","title":"b"})", "title"},
               {R"({"format":"yoke-job","version":1,"found":{"master.bore":{},"master.bore":{}}})",
                "found.master.bore"},
               {R"({"format":"yoke-job","version":1,"parts":[{},{"name":"a","name":"b"}]})",
                "parts.[1].name"}};
  for (const auto& t : table) {
    const auto job = read_job(t.text);
    REQUIRE_FALSE(job);
    INFO(job.error().text());
    CHECK(english(job.error().text()).find(t.says) != std::string::npos);
    CHECK(english(job.error().text()).find("twice") != std::string::npos);
  }
  for (const char* heading : {"kind,name,master.bore [mm],master.bore [in]",
                              "kind,name,name,master.bore", "kind,kind,name,master.bore"}) {
    const auto c = read_catalogue(std::string(heading) + "\nmaster,a,b,1\n");
    REQUIRE_FALSE(c);
    INFO(c.error().text());
    CHECK(english(c.error().text()).find("twice") != std::string::npos);
  }
  const auto c = read_catalogue(
      R"({"format":"yoke-catalogue","parts":[{"kind":"master","name":"a","name":"b"}]})");
  REQUIRE_FALSE(c);
  CHECK(english(c.error().text()).find("name") != std::string::npos);
}

TEST_CASE("a file with more in it than a job can hold is left early") {
  std::string many = R"({"format":"yoke-job","version":1,"x":[)";
  while (many.size() < (3u << 20)) many += "{},";
  many += "{}]}";
  const auto job = read_job(many);
  REQUIRE_FALSE(job);
  CHECK(english(job.error().text()).find("more entries") != std::string::npos);
  std::string parts = R"({"format":"yoke-catalogue","parts":[)";
  while (parts.size() < (3u << 20)) parts += "{},";
  parts += "{}]}";
  const auto empty = read_catalogue(parts);
  REQUIRE(empty);
  CHECK(empty->parts.empty());
  CHECK(english(empty->problems.back().text()).find("the rest was not read") != std::string::npos);
  std::string rows = "kind,name,master.bore [mm]\n";
  while (rows.size() < (3u << 20)) rows += "x\n";
  const auto c = read_catalogue(rows);
  REQUIRE(c);
  CHECK(c->parts.empty());
  CHECK(c->problems.size() == kMostProblems);
}

TEST_CASE("text is cut between characters, and made fit for JSON and XML") {
  CHECK(clipped("abc", 5) == "abc");
  CHECK(clipped("aü", 2) == "a");
  CHECK(clipped("a€€", 5) == "a€");
  CHECK(clipped("\x80\x80\x80", 2).empty());
  for (const char* good : {"", "a", "ü", "€", "\xf0\x9f\x9a\x97"}) CHECK(is_utf8(good));
  for (const char* bad :
       {"\xff", "\xc3", "\xe2\x82", "\xc0\x80", "\xed\xa0\x80", "\xf4\x90\x80\x80"})
    CHECK_FALSE(is_utf8(bad));
  CHECK(as_utf8("a\xffz") == "a\xef\xbf\xbdz");
  CHECK(xml_escaped("<a b=\"c\">&\x01\x0b") ==
        "&lt;a b=&quot;c&quot;&gt;&amp;\xef\xbf\xbd\xef\xbf\xbd");
  CHECK(xml_escaped("\t\n ü") == "\t\n ü");
}

TEST_CASE("no command ends in an abort for words that are no UTF-8 or cut inside a character") {
  const std::string demo = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke";
  const std::string half = std::string(39, 'x') + "ü" + std::string(39, 'x') + "ü";
  for (const std::string& word : {std::string("\xff\xfe\xc3"), half})
    for (const char* format : {"text", "json", "csv"}) {
      const std::vector<std::vector<std::string>> commands = {
          {"solve", word},
          {"solve", demo, "--set", "master.bore=" + word},
          {"solve", demo, "--set", "fluid.grade=" + word},
          {"solve", demo, "--set", word + "=1"},
          {"figures", demo, "--group", word},
          {"compare", demo, "--candidate", word},
          {"compare", demo, "--catalogue", word},
          {"catalogue", word},
          {"calc", word},
          {"calc", "crowfoot", word + "=1"},
          {"calc", "thread", "thread=" + word},
          {"parts", demo, "--today", word},
          {"curve", demo, "--condition", word},
          {word}};
      for (auto words : commands) {
        words.emplace_back("--format");
        words.emplace_back(format);
        const auto out = cli::run(words);
        CHECK(out.status != 0);
        CHECK(is_utf8(out.out));
        CHECK_FALSE((out.out + out.err).empty());
      }
    }
  const Folder f;
  put(f.path / "c.csv", "kind,name,master.bore [mm]\nmaster," + half + "," + half + "\n\xff,b,3\n");
  const auto listed = cli::run({"catalogue", (f.path / "c.csv").string(), "--format", "json"});
  CHECK(listed.status == 0);
  CHECK(json::accept(listed.out));
  // A part's text is always UTF-8, so that whatever keeps it can be saved.
  const auto latin = read_catalogue("kind,name,master.bore [mm]\nmaster,Gr\xfc\xdf,22\n");
  REQUIRE(latin);
  REQUIRE(latin->parts.size() == 1);
  CHECK(latin->parts[0].name == "Gr\xef\xbf\xbd\xef\xbf\xbd");
  REQUIRE(latin->problems.size() == 1);
  CHECK(english(latin->problems[0].text()).find("replaced.") != std::string::npos);
  // A job under a name that is no UTF-8 opens.
  const auto odd = f.path / "j\xff.yoke";
  REQUIRE(save_job(odd, known_job()));
  CHECK(cli::run({"solve", odd.string()}).status == 0);
}

TEST_CASE("cells that a spreadsheet would run are guarded in every table, numbers stay numbers") {
  CHECK(csv_line({"=1+1", "@x", "+cmd", "-cmd", "\tx", "a"}) ==
        "'=1+1,'@x,'+cmd,'-cmd,\"'\tx\",a\n");
  CHECK(csv_line({"-3.5", "+3", "-1e-3", "-", "3-4"}) == "-3.5,+3,-1e-3,'-,3-4\n");
  const Folder f;
  Job job = known_job();
  job.parts.resize(1);
  job.parts[0].name = "=HYPERLINK(\"x\")";
  job.parts[0].note = "-1+1";
  REQUIRE(save_job(f.path / "j.yoke", job));
  const auto out =
      cli::run({"parts", (f.path / "j.yoke").string(), "--today", "2026-01-01", "--format", "csv"});
  CHECK(out.out.find("\"'=HYPERLINK(\"\"x\"\")\"") != std::string::npos);
  // The change of a rod is negative and stays a number.
  const auto rod = cli::run({"rod", "--snout-old", "10mm", "--socket-old", "10mm", "--snout-new",
                             "12mm", "--socket-new", "10mm", "--format", "csv"});
  CHECK(rod.out.find(",-0.002\n") != std::string::npos);
}

TEST_CASE("an output that is full is exit status 2 for every command") {
  const std::string cli = std::string(YOKE_BINARY_DIR) + "/yokestep-cli ";
  const std::string demo = std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke";
  const std::string parts = std::string(YOKE_SOURCE_DIR) + "/data/catalogue/parts.csv";
  for (const std::string& words :
       {std::string("help"), std::string("schema"), std::string("params"), std::string("calc"),
        "solve " + demo, "figures " + demo, "check " + demo, "curve " + demo, "map " + demo,
        "compare " + demo, "next " + demo, "parts " + demo + " --today 2026-01-01",
        "doubt " + demo + " --samples 100", "catalogue " + parts, "rod " + demo,
        std::string("relative --bore-old 20mm --bore-new 21mm --ratio-old 5 --ratio-new 5"),
        "template " + demo}) {
    INFO(words);
    const int status = std::system((cli + words + " >/dev/full 2>/dev/null").c_str());
    CHECK(WEXITSTATUS(status) == 2);
  }
}
