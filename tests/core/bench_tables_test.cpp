// The tables for the bench against GNU units, and by the ways in which they are searched.
#include "calc/bench_tables.hpp"

#include <catch2/catch.hpp>
#include <cmath>

#include "support/gnu_units.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

const BenchTable& table(std::string_view key) {
  for (const BenchTable& t : bench_tables())
    if (t.key == key) return t;
  FAIL(key);
  return bench_tables().front();
}

double number(const BenchTable& t, std::size_t row, std::size_t column) {
  return std::stod(bench_text(t.columns[column], t.rows[row][column]));
}

std::string cell(const BenchTable& t, std::size_t row, std::size_t column) {
  return bench_text(t.columns[column], t.rows[row][column]);
}

}  // namespace

TEST_CASE("bench tables: every row has every column, in order of size") {
  REQUIRE(bench_tables().size() == 7);
  for (const BenchTable& t : bench_tables()) {
    INFO(t.key);
    CHECK_FALSE(t.source.empty());
    CHECK(t.rows.size() >= 8);
    for (const auto& row : t.rows) CHECK(row.size() == t.columns.size());
  }
  const BenchTable& drills = table("drills");
  for (std::size_t i = 1; i < drills.rows.size(); ++i)
    CHECK(*drills.rows[i][2].si >= *drills.rows[i - 1][2].si);
  for (const char* series : {"fraction", "number", "letter", "millimetre"})
    CHECK(std::any_of(drills.rows.begin(), drills.rows.end(),
                      [series](const auto& r) { return r[1].text == series; }));
}

TEST_CASE("bench tables: drills, threads, torques and areas are what GNU units says", "[outside]") {
  const BenchTable& drills = table("drills");
  int checked = 0;
  for (std::size_t i = 0; i < drills.rows.size(); i += 7) {
    const std::string name = drills.rows[i][0].text;
    const std::string series = drills.rows[i][1].text;
    std::string asked;
    if (series == "letter") asked = "drill" + name;
    if (series == "number") asked = "drillgauge(" + name.substr(4) + ")";
    if (series == "fraction") {
      asked = name.substr(0, name.find(" in")) + " inch";
      std::replace(asked.begin(), asked.end(), '/', '|');  // there 1/64 inch is one in 64 inches
    }
    if (series == "millimetre") asked = name;
    if (series == "number") continue;  // its gauge is a function there, and rounds otherwise
    INFO(name);
    CHECK(number(drills, i, 2) == Approx(gnu_units(asked, "mm")).margin(0.0051));
    CHECK(number(drills, i, 3) == Approx(gnu_units(asked, "inch")).margin(0.00006));
    ++checked;
  }
  CHECK(checked > 20);
  const BenchTable& torque = table("torque");
  for (std::size_t i = 0; i < torque.rows.size(); i += 11) {
    const std::string nm = cell(torque, i, 0) + " N m";
    CHECK(number(torque, i, 1) == Approx(gnu_units(nm, "lbf ft")).margin(0.051));
    CHECK(number(torque, i, 2) == Approx(gnu_units(nm, "lbf inch")).margin(0.51));
  }
  const BenchTable& bores = table("bores");
  for (std::size_t i = 0; i < bores.rows.size(); i += 5) {
    const std::string d = cell(bores, i, 1);
    CHECK(number(bores, i, 3) ==
          Approx(gnu_units("0.25 pi " + d + " mm " + d + " mm", "mm^2")).margin(0.7));
  }
  const BenchTable& angles = table("angles");
  for (std::size_t i = 0; i < angles.rows.size(); i += 6) {
    const std::string deg = cell(angles, i, 0);
    CHECK(number(angles, i, 1) ==
          Approx(gnu_units("100 tan(" + deg.substr(0, deg.find("\xC2\xB0")) + " degree)", "1"))
              .margin(0.051));
  }
}

TEST_CASE("bench tables: searched by words and by size, near misses of spanners are told") {
  const BenchTable& drills = table("drills");
  auto rows = bench_rows(drills, "21/64");
  REQUIRE_FALSE(rows.empty());
  CHECK(drills.rows[rows[0]][0].text == "21/64 in");
  rows = bench_rows(drills, "8.4 mm");
  REQUIRE(rows.size() == 8);
  CHECK(drills.rows[rows[0]][0].text == "8.4 mm");
  CHECK(bench_rows(drills, "letter p").size() == 1);
  CHECK(bench_rows(drills, "").size() == drills.rows.size());
  CHECK(bench_rows(drills, "no such thing").empty());
  const BenchTable& spanners = table("spanners");
  rows = bench_rows(spanners, "9/16 in");
  REQUIRE_FALSE(rows.empty());
  CHECK(spanners.rows[rows[0]][0].text == "9/16 in");
  // 9/16 is 14.29: a 15 is too much for anything, a 19/32 (15.08) too; nothing metric will do.
  CHECK(spanners.rows[rows[0]][3].text.empty());
  // 7/16 is 11.11: an 11 does not go on, a 12 is too large. 3/4 is 19.05 and a 19 too small.
  rows = bench_rows(spanners, "19 mm");
  CHECK(spanners.rows[rows[0]][0].text == "19 mm");
  CHECK(spanners.rows[rows[0]][3].text.find("3/4 in") != std::string::npos);
  rows = bench_rows(table("threads"), "3/8-24");
  REQUIRE_FALSE(rows.empty());
}
