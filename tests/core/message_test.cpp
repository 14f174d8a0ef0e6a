// Texts that leave the core: arguments in order or by number, quantities in the reader's units,
// plurals, and a reader of another language.
#include <catch2/catch.hpp>

#include "document/param/pedal_rod.hpp"
#include "judge/findings.hpp"
#include "quantity/message.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {
Style style(UnitStyle units, bool comma = false) {
  return {units, comma};
}
}  // namespace

TEST_CASE("arguments stand in order, by number, nested, and braces of others stay") {
  CHECK(english("plain words") == "plain words");
  CHECK(english(Message()).empty());
  CHECK(Message().empty());
  CHECK(Message("").empty());
  CHECK_FALSE(Message("a").empty());
  CHECK(english(say("{} of {}", 3, std::size_t{7})) == "3 of 7");
  CHECK(english(say("{1} before {0}", "first", "second")) == "second before first");
  CHECK(english(say("{} and {}", std::string("one"))) ==
        "one and ");  // too few: nothing stands there
  CHECK(english(say("{9}", "x")).empty());
  CHECK(english(say("a {b} {c", "x")) == "a {b} {c");
  CHECK(english(say("{}: {}", "Plan", say("{} unknown", "bore"))) == "Plan: bore unknown");
  // A name that holds braces is no pattern.
  CHECK(english(say("{} waits", std::string("{0} {} hose"))) == "{0} {} hose waits");
  CHECK(english(Message::data("{}")) == "{}");
  CHECK(english(joined({"a", "b", say("c{}", 1)}, "; ")) == "a; b; c1");
  CHECK(joined({}, "; ").empty());
}

TEST_CASE("quantities are written in the reader's units and with the reader's decimal sign") {
  const Message m = say("gap {}", length(0.0127, 2));
  CHECK(english(m) == "gap 12.70 mm");
  CHECK(english(m, style(UnitStyle::metric, true)) == "gap 12,70 mm");
  CHECK(english(m, style(UnitStyle::imperial)) == "gap 1/2 in");
  CHECK(english(say("{}", Amount{0.0127, Kind::length, 2, true})) == "12.70 mm (1/2 in)");
  CHECK(english(say("{}", force(444.8)), style(UnitStyle::imperial)) == "100 lbf");
  CHECK(english(say("×{}", Plain{1.234, 2}), style(UnitStyle::imperial, true)) == "×1,23");
}

TEST_CASE("a count chooses its words, in English and in a language with other plurals") {
  const auto fails = [](long n) { return plural(n, "{} condition fails", "{} conditions fail"); };
  CHECK(english(fails(1)) == "1 condition fails");
  CHECK(english(fails(0)) == "0 conditions fail");
  CHECK(english(fails(5)) == "5 conditions fail");
  const Translate other = [](std::string_view id, const long* n) {
    CHECK(id == "{} conditions fail");  // the id is one, whatever the count
    REQUIRE(n);
    return std::string(*n == 1 ? "eins {}" : *n == 2 ? "zwei {}" : "viele {}");
  };
  CHECK(render(fails(2), {}, other) == "zwei 2");
  CHECK(render(fails(9), {}, other) == "viele 9");
  CHECK_FALSE(fails(1) == fails(2));
  // A catalogue that does not hold it: English, in its own singular.
  const Translate nothing = [](std::string_view id, const long*) { return std::string(id); };
  CHECK(render(fails(1), {}, nothing) == "1 condition fails");
  CHECK(render(fails(2), {}, nothing) == "2 conditions fail");
}

TEST_CASE("a translation may turn the arguments round, and what is nobody's language stays") {
  const Translate turned = [](std::string_view id, const long* n) {
    CHECK_FALSE(n);
    if (id == "{} stands {} from {}") return std::string("[{2} | {1} | {0}]");
    return "[" + std::string(id) + "]";
  };
  const Message m =
      say("{} stands {} from {}", std::string("exhaust"), length(0.005, 0), "the wall");
  CHECK(render(m, {}, turned) == "[[the wall] | 5 mm | exhaust]");
  CHECK(render(Message::data("hose"), {}, turned) == "hose");
  CHECK(render(Message::of_table("Bore"), {}, turned) == "[Bore]");
}

TEST_CASE("findings follow the reader's units") {
  Job job = known_job();
  job.found.set(param::control_rod_clearance, {0, How::stated, 0, {}});
  for (const Finding& f : find_all(job, foot_strip(job, 8)))
    if (f.code == FindingCode::rod_preload) {
      CHECK(english(f.message).find("0.00 mm") != std::string::npos);
      CHECK(english(f.message, style(UnitStyle::imperial)).find(" mm") == std::string::npos);
      return;
    }
  FAIL("no finding");
}
