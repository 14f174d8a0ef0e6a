#include "proving/estimate.hpp"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>

#include "proving/bounded.hpp"
#include "proving/fitting.hpp"
#include "proving/row_models.hpp"

namespace yoke {

namespace {

constexpr double kFitsNothing = 30;  // chi squared a reading: no size of these unknowns makes them

/// What these readings might tell, by where they lie and how they were taken.
std::vector<Unknown> candidates(const System& system, const std::vector<ReadingRow>& rows,
                                std::size_t low) {
  const auto count = [&rows](auto test) {
    return static_cast<std::size_t>(std::count_if(rows.begin(), rows.end(), test));
  };
  const std::size_t second = count([](const ReadingRow& r) { return r.second_apply; });
  const std::size_t clamped =
      count([](const ReadingRow& r) { return r.hoses_clamped && r.clamped == ClampedHoses::all; });
  const std::size_t one =
      count([](const ReadingRow& r) { return r.hoses_clamped && r.clamped != ClampedHoses::all; });
  std::vector<Unknown> list{Unknown::slack};
  if (low >= 3) list.push_back(Unknown::air);
  if (low >= 3 && one >= 1 && rows.size() > list.size()) list.push_back(Unknown::air_first);
  if (second >= 1 && second < rows.size()) list.push_back(Unknown::clearance);
  std::size_t firm = 0;
  RowModels models(system, {});
  for (const ReadingRow& r : rows) {
    const auto& m = models.of(r);
    if (m && m->at(m->drive_for_force(r.force_n)).pressure_pa > 2e6) ++firm;
  }
  if (firm >= 2 && rows.size() > list.size() + 1) list.push_back(Unknown::growth);
  if (clamped >= 1 && clamped < rows.size() && rows.size() > list.size())
    list.push_back(Unknown::hose);
  return list;
}

const char* help_for(Unknown dropped) {
  switch (dropped) {
    case Unknown::air:
      return "Read more light presses, just above where the pedal first resists";
    case Unknown::clearance:
      return "Press twice in a row and read the second press too";
    case Unknown::growth:
      return "Read two firm presses more, well apart";
    case Unknown::air_first:
      return "Clamp the hoses of one circuit and read the light presses again";
    case Unknown::hose:
      return "Clamp the hoses and read the same presses again";
    default:
      return "Read presses further apart";
  }
}

std::optional<Eigen::Index> place_of(const std::vector<Unknown>& unknowns, Unknown u) {
  const auto it = std::find(unknowns.begin(), unknowns.end(), u);
  if (it == unknowns.end()) return std::nullopt;
  return it - unknowns.begin();
}

/// Told apart, the air that was fitted is outlet 2's: the whole is both, and their doubts hang
/// together.
void tell_apart(ReadingEstimate& r, const Eigen::MatrixXd& covariance,
                const std::vector<Unknown>& unknowns, std::optional<EightInTen> whole) {
  const auto second = place_of(unknowns, Unknown::air);
  const auto first = place_of(unknowns, Unknown::air_first);
  if (!second || !first) return;
  if (!r.air_m3() || !r.at(Unknown::air_first)) {
    r.of[static_cast<std::size_t>(Unknown::air_first)].reset();
    return;
  }
  const double variance = covariance(*second, *second) + covariance(*first, *first) +
                          covariance(*second, *first) + covariance(*first, *second);
  r.air_second = *r.air_m3();
  r.of[static_cast<std::size_t>(Unknown::air)] =
      Estimate{r.air_second->value + r.at(Unknown::air_first)->value,
               kCoverage * std::sqrt(std::max(0.0, variance)), whole};
}

/// Where eight in ten lie of each, and last of the whole air.
std::vector<std::optional<EightInTen>> eight_in_ten_of(const Solution& s,
                                                       const Eigen::MatrixXd& covariance,
                                                       const std::vector<Unknown>& unknowns) {
  const auto n = static_cast<Eigen::Index>(unknowns.size());
  BoundedFit fit{Eigen::VectorXd(n), covariance, Eigen::VectorXd(n), Eigen::VectorXd(n)};
  std::vector<Eigen::VectorXd> sums;
  Eigen::VectorXd air = Eigen::VectorXd::Zero(n);
  for (Eigen::Index i = 0; i < n; ++i) {
    const Unknown u = unknowns[static_cast<std::size_t>(i)];
    fit.found[i] = found_of(s, unknowns, static_cast<std::size_t>(i));
    fit.least[i] = unknown_bounds(u).least;
    fit.most[i] = unknown_bounds(u).most;
    if (u == Unknown::air || u == Unknown::air_first) air[i] = 1;
    sums.push_back(Eigen::VectorXd::Unit(n, i));
  }
  sums.push_back(air);
  return eight_in_ten_within(fit, sums);
}

void finish(ReadingEstimate& r, const Solution& s, const std::vector<Unknown>& unknowns,
            const std::vector<ReadingRow>& rows) {
  r.condition = s.condition;
  const Eigen::MatrixXd covariance = covariance_of(s, unknowns);
  const auto within = eight_in_ten_of(s, covariance, unknowns);
  for (std::size_t i = 0; i < unknowns.size(); ++i) {
    const auto u = static_cast<std::size_t>(unknowns[i]);
    const auto at = static_cast<Eigen::Index>(i);
    const Estimate e{found_of(s, unknowns, i),
                     kCoverage * std::sqrt(std::max(0.0, covariance(at, at))), within[i]};
    // What could be anything is not told.
    const Bounds b = unknown_bounds(unknowns[i]);
    if (e.uncertainty <= 0.5 * (b.most - b.least)) {
      r.of[u] = e;
    } else if (r.refusal.empty()) {
      r.refusal = say("These readings cannot tell {} from the rest: they lie too close together",
                      Message::of_table(unknown_words(unknowns[i])));
      r.next_measurement = help_for(unknowns[i]);
    }
  }
  tell_apart(r, covariance, unknowns, within.back());
  double sum = 0;
  for (std::size_t i = 0; i < rows.size(); ++i) {
    const double left = s.residual[static_cast<Eigen::Index>(i)] * rows[i].sigma_m;
    sum += left * left;
  }
  r.misfit_m = std::sqrt(sum / static_cast<double>(rows.size()));
}

}  // namespace

std::string_view unknown_words(Unknown u) {
  static constexpr std::string_view w[] = {
      "slack at the pedal",    "trapped air", "lining clearance",
      "caliper and drum flex", "hoses",       "air at outlet 1"};
  return w[static_cast<std::size_t>(u)];
}

Bounds unknown_bounds(Unknown u) {
  static constexpr Bounds b[] = {{-kMostSlack_m, kMostSlack_m},
                                 {0, kMostAir_m3},
                                 {0, 20},
                                 {0.1, 8},
                                 {0.1, 12},
                                 {0, kMostAir_m3}};
  return b[static_cast<std::size_t>(u)];
}

ReadingEstimate estimate_from_readings(const System& system, const std::vector<Reading>& readings,
                                       bool assist_alive) {
  ReadingEstimate r;
  Condition c;
  c.assist_alive = assist_alive;
  const auto m = FeelModel::make(system, c);
  if (!m) {
    r.refusal = "These readings cannot tell: the system is not known well enough to predict them";
    r.next_measurement = "Enter brakes and circuits first";
    return r;
  }
  std::size_t low = 0;
  std::vector<ReadingRow> rows = usable_rows(system, readings, assist_alive, low);
  r.used = rows.size();
  if (rows.size() < 2) {
    r.refusal = "These readings cannot tell: fewer than two of them lie where fluid moves";
    r.next_measurement = "Press to three light and two firm forces, and read travel at each";
    return r;
  }
  if (low < 3) {
    r.refusal =
        "These readings cannot tell air: that takes three light presses, below 1 MPa in the lines";
    const double most = m->at_pressure(1e6).at.pad_force_n;
    r.next_measurement = say("Read three presses below {}", force(most));
  }
  std::vector<Unknown> unknowns = candidates(system, rows, low);
  Solution s = solve(system, rows, unknowns);
  bool any = s.ok;
  while (unknowns.size() > 1 && !told_apart(s, unknowns)) {
    const Unknown dropped = unknowns.back();
    unknowns.pop_back();
    s = solve(system, rows, unknowns);
    any = any || s.ok;
    // Growth is tried on the chance that the readings allow it: without it nothing is refused.
    if (dropped == Unknown::growth) continue;
    r.refusal = say("These readings cannot tell {} from the rest: they lie too close together",
                    Message::of_table(unknown_words(dropped)));
    r.next_measurement = help_for(dropped);
  }
  if (!told_apart(s, unknowns)) {
    r.refusal = any ? Message("These readings cannot tell anything: they lie too close together")
                    : "These readings cannot tell: they lie outside what this system can reach";
    r.next_measurement = "Check the bore and the ratio, then read again";
    return r;
  }
  if (reduced(s) > kFitsNothing) {
    r.refusal =
        "These readings fit no air, slack or flex: one of them is wrong, or something else is";
    r.next_measurement = "Read again what lies far off; then look at the causes";
    r.fits = false;
    return r;
  }
  // What is left over beyond the readings' own doubt makes every figure as much less sure (Birge),
  // where it is more than chance leaves over.
  s.spread = beyond_chance(s) ? reduced(s) : 1.0;
  finish(r, s, unknowns, rows);
  return r;
}

std::vector<Message> estimate_words(const ReadingEstimate& f) {
  std::vector<Message> parts;
  if (const auto& air = f.air_m3())
    parts.push_back(say("air {} ± {}", amount(air->value, Kind::volume, 1),
                        amount(air->uncertainty, Kind::volume, 1)));
  if (const auto& first = f.at(Unknown::air_first); first && f.air_second)
    parts.push_back(say(
        "of it {} ± {} at outlet 1, {} ± {} at outlet 2", amount(first->value, Kind::volume, 1),
        amount(first->uncertainty, Kind::volume, 1), amount(f.air_second->value, Kind::volume, 1),
        amount(f.air_second->uncertainty, Kind::volume, 1)));
  for (const Unknown u : {Unknown::clearance, Unknown::growth, Unknown::hose})
    if (const auto& e = f.at(u))
      parts.push_back(say("{} × {} ± {}", Message::of_table(unknown_words(u)), Plain{e->value, 2},
                          Plain{e->uncertainty, 2}));
  std::vector<Message> words;
  if (const auto& slack = f.slack_m()) {
    parts.push_back(say("slack {} ± {} at the pedal; readings within {}", length(slack->value, 1),
                        length(slack->uncertainty, 1), length(f.misfit_m, 1)));
    words.push_back(joined(parts, "; "));
  }
  if (!f.refusal.empty()) words.push_back(say("{}. {}.", f.refusal, f.next_measurement));
  return words;
}

}  // namespace yoke
