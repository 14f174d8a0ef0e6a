// A choice is never compared with a number: the enums of document/param/SECTION.hpp are the only
// way. The compiler sees to it where a choice is asked for; this reads the sources for what goes
// around it.
#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <regex>
#include <sstream>

#include "document/job.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/values.hpp"

using namespace yoke;

TEST_CASE("no source compares a choice with a number or casts one unchecked") {
  namespace fs = std::filesystem;
  std::string names;
  for (const ParamInfo& p : all_params()) {
    if (p.kind != Kind::choice) continue;
    std::string name(p.id);
    for (char& c : name) c = c == '.' ? '_' : c;
    names += (names.empty() ? "" : "|") + name;
  }
  const std::regex compared("param::(" + names + R"()\)\)?\s*(\.si\s*)?([=!<>]=?)\s*-?[0-9])");
  const std::regex asked("\\bis\\([^;]*param::(" + names + "), ?[0-9]");
  const std::regex any_si(R"(\.si\s*[=!]=\s*[0-9])");
  const std::regex cast(
      R"(static_cast<(choice::)?[A-Z]\w*>\((static_cast<int>\()?[^;]{0,60}\.si\b)");
  int files = 0;
  for (const char* layer : {"core", "files", "session", "paint", "ui", "cli"})
    for (const auto& e : fs::recursive_directory_iterator(fs::path(YOKE_SOURCE_DIR) / layer)) {
      const fs::path& path = e.path();
      if (path.extension() != ".cpp" && path.extension() != ".hpp") continue;
      std::ifstream in(path);
      std::stringstream text;
      text << in.rdbuf();
      ++files;
      INFO(path.string());
      CHECK_FALSE(std::regex_search(text.str(), compared));
      CHECK_FALSE(std::regex_search(text.str(), asked));
      CHECK_FALSE(std::regex_search(text.str(), any_si));
      // The one place where the option's number becomes an enum.
      if (path.filename() != "job.hpp") CHECK_FALSE(std::regex_search(text.str(), cast));
    }
  CHECK(files > 150);
}

TEST_CASE("the enums stand in the order of the table's options, and unknown is no option") {
  Job job;
  CHECK_FALSE(value_of(job, As::found, param::master_kind).as<choice::MasterKind>());
  CHECK_FALSE(is(job, As::found, choice::MasterKind::single));
  const struct {
    Param param;
    double option;
    const char* key;
  } table[] = {{param::master_kind, static_cast<double>(choice::MasterKind::stepped), "stepped"},
               {param::assist_kind, static_cast<double>(choice::AssistKind::remote), "remote"},
               {param::rear_kind, static_cast<double>(choice::BrakeKind::drum), "drum"},
               {param::fluid_grade, static_cast<double>(choice::FluidGrade::n5), "5"},
               {param::circuit_rr, static_cast<double>(choice::WheelOutlet::n2), "2"},
               {param::lines_hose_bore, static_cast<double>(choice::LinesHoseBore::n1_4), "1/4"}};
  for (const auto& t : table)
    CHECK(info(t.param).options[static_cast<std::size_t>(t.option)].key == t.key);
  job.found.set(param::rear_kind, chosen(choice::BrakeKind::drum));
  CHECK(is(job, As::plan, param::rear_kind, choice::BrakeKind::drum));
  const Values v = resolve(job, As::plan);
  CHECK(v.choice<param::rear_kind>() == choice::BrakeKind::drum);
  CHECK_FALSE(v.is(param::front_kind, choice::BrakeKind::drum));
}
