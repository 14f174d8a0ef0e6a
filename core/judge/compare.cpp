#include "judge/compare.hpp"

#include <algorithm>
#include <cmath>

#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"

namespace yoke {

namespace {

constexpr double kSame = 1e-9;

Message value_words(const Job& job, Param p) {
  const Value v = value_of(job, As::plan, p);
  if (!v.known()) return "unknown";
  const ParamInfo& i = info(p);
  const Message words = i.kind == Kind::choice
                            ? Message::of_table(option_words(p, static_cast<int>(v.si)))
                            : say("{}", amount(v.si, i.kind, i.digits));
  return v.origin == Origin::typical ? say("{}, typical", words) : words;
}

bool differ(const Job& a, const Job& b, Param p) {
  const Value x = value_of(a, As::plan, p), y = value_of(b, As::plan, p);
  if (x.known() != y.known()) return true;
  return x.known() && std::abs(x.si - y.si) > kSame * std::max(1.0, std::abs(x.si));
}

/// One figure of a condition of both; `less`: less of it is better.
void figure(const Message& title, const char* what, const std::optional<double>& a,
            const std::optional<double>& b, Kind kind, bool less, std::vector<CompareRow>& rows) {
  if (!a && !b) return;
  CompareRow r;
  r.what = say("{}: {}", title, Message(what));
  r.a = a ? say("{}", amount(*a, kind, 0)) : Message("cannot say");
  r.b = b ? say("{}", amount(*b, kind, 0)) : Message("cannot say");
  if (a && b) {
    const double least = kind == Kind::force ? 1.0 : 0.0005;
    r.better_a = less ? *a < *b - least : *a > *b + least;
    r.better_b = less ? *b < *a - least : *b > *a + least;
  }
  rows.push_back(std::move(r));
}

void add_pedal(const Job& a, const Job& b, std::vector<CompareRow>& rows) {
  const auto strip_a = foot_strip(a, 0), strip_b = foot_strip(b, 0);
  for (const ConditionReport& x : strip_a) {
    if (x.id == ConditionId::found) continue;
    const ConditionReport* y = report_of(strip_b, x.id);
    const auto of = [](const ConditionReport* c, auto&& get) {
      return c && c->target ? std::optional<double>(get(*c->target)) : std::nullopt;
    };
    const auto effort = [](const TargetReport& t) { return t.at.pad_force_n; };
    const auto travel = [](const TargetReport& t) { return t.at.pad_travel_m; };
    const auto reserve = [](const TargetReport& t) { return t.reserve_m; };
    figure(x.title, "effort", of(&x, effort), of(y, effort), Kind::force, true, rows);
    figure(x.title, "travel", of(&x, travel), of(y, travel), Kind::length, true, rows);
    figure(x.title, "left before the floor", of(&x, reserve), of(y, reserve), Kind::length, false,
           rows);
  }
}

std::optional<double> air_of(const Job& job) {
  const Assembly a = assemble(job, As::plan);
  if (!a.system || job.readings.empty()) return std::nullopt;
  const ReadingEstimate r = estimate_from_readings(*a.system, kept_readings(job.readings), false);
  return r.fits && r.air_m3() ? std::optional(r.air_m3()->value) : std::nullopt;
}

void add_proof(const Job& a, const Job& b, std::vector<CompareRow>& rows) {
  const auto row = [&rows](const char* what, const Message& x, const Message& y) {
    if (x == y) return;
    rows.push_back({CompareRow::Of::proof, what, x, y, false, false});
  };
  const auto passed = [](const Job& job) {
    const auto strip = foot_strip(job, 0);
    const auto gates = gates_of(job, strip, find_all(job, strip));
    const auto n = std::count_if(gates.begin(), gates.end(),
                                 [](const Gate& g) { return g.state == GateState::passed; });
    return say("{} of {}", static_cast<int>(n), static_cast<int>(gates.size()));
  };
  row("gates passed", passed(a), passed(b));
  const auto words = [](const std::optional<double>& v) {
    return v ? say("{}", amount(*v, Kind::volume, 1)) : Message("not read");
  };
  row("air by the readings", words(air_of(a)), words(air_of(b)));
  row("the job", Message::of_table(words_of_value(a.state)),
      Message::of_table(words_of_value(b.state)));
}

}  // namespace

std::vector<CompareRow> compare_jobs(const Job& a, const Job& b) {
  std::vector<CompareRow> rows;
  add_pedal(a, b, rows);
  for (const ParamInfo& p : all_params())
    if (pressed_by(p.group) && differ(a, b, p.param))
      rows.push_back({CompareRow::Of::value, Message::of_table(p.words), value_words(a, p.param),
                      value_words(b, p.param), false, false});
  add_proof(a, b, rows);
  return rows;
}

}  // namespace yoke
