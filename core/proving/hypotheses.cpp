#include "proving/hypotheses.hpp"

#include <algorithm>
#include <array>
#include <boost/math/distributions/chi_squared.hpp>
#include <boost/math/tools/minima.hpp>
#include <cmath>
#include <tuple>

#include "document/param/bores.hpp"
#include "proving/fault.hpp"
#include "proving/row_models.hpp"

namespace yoke {

namespace {

/// Weighted miss of a reading against a cause. A pad at the end of its way takes any push; below
/// the push that moves the piston it stands anywhere in its free way.
double miss_of(const FeelModel& m, const ReadingRow& row, double slack_m) {
  const double most_n = m.at(m.end_drive()).pad_force_n;
  const double least_n = m.at(0.0).pad_force_n;
  const double force_n = std::clamp(row.force_n, std::min(least_n, most_n), most_n);
  const double off_m = row.travel_m - slack_m - m.at(m.drive_for_force(force_n)).pad_travel_m;
  return (row.force_n < least_n ? std::max(0.0, off_m) : off_m) / row.sigma_m;
}

double sigma_at(const FeelModel& m, const ReadingRow& row) {
  const auto here = predicted_travel_m(m, row.force_n);
  const auto beside = predicted_travel_m(m, row.force_n + 2);
  const double slope = here && beside ? (*beside - *here) / 2 : 0;
  return std::hypot(row.tape_sigma_m, slope * row.force_sigma_n);
}

double chi2_of(const Faulty& f, const std::vector<ReadingRow>& rows, const PumpTest& pump) {
  double sum = 0;
  // A fault is pressed many times while its size is sought.
  RowModels models(f.system, f.condition);
  for (ReadingRow row : rows) {
    const auto& model = models.of(row);
    // A valve that sticks helps as if the foot pushed less; the doubt of the push weighs there.
    if (row.assist_alive && f.stick_n > 0) {
      row.force_n = std::max(0.0, row.force_n - f.stick_n);
      if (model) row.sigma_m = std::max(row.sigma_m, sigma_at(*model, row));
    }
    const double miss = model ? miss_of(*model, row, f.slack_m) : kImpossible;
    sum += miss * miss;
  }
  // Fluid that passes under a firm foot may pass under a light one, or not: cups seal by pressure.
  if (pump.light_sink_m) {
    const double most_m = std::max(f.light_sink_m, f.sink_m);
    const double said_m =
        f.light_sink_m > 0 ? f.light_sink_m : std::min(*pump.light_sink_m, most_m);
    sum += std::pow((*pump.light_sink_m - said_m) / kTape_m, 2);
  }
  if (pump.sink_m) sum += std::pow((*pump.sink_m - f.sink_m) / kTape_m, 2);
  if (pump.first_m && pump.third_m)
    sum += std::pow((*pump.first_m - *pump.third_m - f.gain_m) / (2 * kTape_m), 2);
  return sum;
}

}  // namespace

namespace {

double misfit_of(const Evidence& e, const Faulty& f) {
  return chi2_of(f, e.rows, e.pump) + (e.felt.signs ? signs_miss(f, e.felt) : 0.0);
}

double least_of(Cause cause) {
  return cause == Cause::wrong_bore ? -0.3 : 0.0;
}
bool sized(Cause cause) {
  return !cause_info(cause).form.empty();
}

struct Best {
  double size = 0;
  double misfit = 0;
};

/// Coarse search, then Brent around the best step: the misfit has one valley over the size.
template <class Misfit>
Best best_size(Cause cause, const Misfit& misfit) {
  const double least = least_of(cause);
  // Searched in steps of the range: the minimiser's tolerance is not made for cubic metres.
  constexpr int kSteps = 12;
  const double step = (cause_info(cause).most - least) / kSteps;
  const auto at_step = [&](double t) { return misfit(least + step * t); };
  int best = 0;
  double best_value = at_step(0);
  for (int i = 1; i <= kSteps; ++i)
    if (const double v = at_step(i); v < best_value) {
      best = i;
      best_value = v;
    }
  std::uintmax_t tries = 30;
  const auto [t, v] = boost::math::tools::brent_find_minima(
      at_step, std::max(0.0, best - 1.0), std::min<double>(kSteps, best + 1.0), 14, tries);
  return {least + step * (v <= best_value ? t : best), std::min(v, best_value)};
}

Message size_message(Cause cause, double size) {
  if (!sized(cause)) return {};
  Amount shown = cause_info(cause).shown;
  shown.si = size;
  return Message(cause_info(cause).form, {Argument(shown)});
}

double free_sizes(const Hypothesis& h) {
  return (sized(h.cause) ? 1 : 0) + (h.second && sized(*h.second) ? 1 : 0);
}

void judge_misfit(Hypothesis& h, double count) {
  const double k = free_sizes(h);
  h.aicc = h.chi2 + 2 * k;
  if (count - k - 1 > 0) h.aicc += 2 * k * (k + 1) / (count - k - 1);
}

Message cause_message(const System& s, Cause cause) {
  // One circuit has no number.
  if (cause == Cause::air_primary && !two_circuits(s.master)) return "air in the lines";
  return Message::of_table(cause_words(cause));
}

/// The best of a coarse grid of two sizes; leaves them in both.
double rough_pair(const Evidence& e, Hypothesis& first, Hypothesis& second) {
  constexpr double kParts[] = {1.0 / 12, 1.0 / 6, 1.0 / 3, 2.0 / 3};
  const auto sizes = [&](const Hypothesis& h) {
    std::vector<double> list{h.size};
    if (sized(h.cause))
      for (const double part : kParts)
        list.push_back(least_of(h.cause) + part * (cause_info(h.cause).most - least_of(h.cause)));
    return list;
  };
  double best = 1e300;
  Best at_a;
  Best at_b;
  for (const double a : sizes(first))
    for (const double b : sizes(second)) {
      const double misfit = misfit_of(e, faulty(e.system, first.cause, a, second.cause, b, e.felt));
      if (misfit >= best) continue;
      best = misfit;
      at_a.size = a;
      at_b.size = b;
    }
  first.size = at_a.size;
  second.size = at_b.size;
  return best;
}

}  // namespace

Hypothesis fitted(const Evidence& e, Cause cause) {
  const auto misfit = [&](double size) {
    return misfit_of(e, faulty(e.system, cause, size, e.felt));
  };
  Hypothesis h;
  h.cause = cause;
  h.words = cause_message(e.system, cause);
  const Best best = sized(cause) ? best_size(cause, misfit) : Best{0, misfit(1.0)};
  h.size = best.size;
  h.chi2 = best.misfit;
  h.size_words = size_message(cause, h.size);
  judge_misfit(h, e.count);
  return h;
}

Hypothesis fitted(const Evidence& e, const Hypothesis& first, const Hypothesis& second) {
  Hypothesis h = first;
  h.second = second.cause;
  h.second_size = second.size;
  h.words = say("{}, and {}", first.words, second.words);
  const auto misfit = [&](double a, double b) {
    return misfit_of(e, faulty(e.system, h.cause, a, second.cause, b, e.felt));
  };
  h.chi2 = misfit(h.size, h.second_size);
  // One after the other, until neither moves: two valleys that cross gently.
  for (int round = 0; round < 4; ++round) {
    const double before = h.chi2;
    if (sized(h.cause)) {
      const Best a = best_size(h.cause, [&](double x) { return misfit(x, h.second_size); });
      if (a.misfit < h.chi2) {
        h.size = a.size;
        h.chi2 = a.misfit;
      }
    }
    if (sized(second.cause)) {
      const Best b = best_size(second.cause, [&](double x) { return misfit(h.size, x); });
      if (b.misfit < h.chi2) {
        h.second_size = b.size;
        h.chi2 = b.misfit;
      }
    }
    if (before - h.chi2 < 0.05) break;
  }
  h.size_words = size_message(h.cause, h.size);
  h.second_words = size_message(second.cause, h.second_size);
  judge_misfit(h, e.count);
  return h;
}

bool explains(const Hypothesis& h, double count) {
  const double freedom = std::max(1.0, count - free_sizes(h));
  return h.chi2 <= boost::math::quantile(boost::math::chi_squared(freedom), 0.95);
}

void add_pairs(const Evidence& e, Diagnosis& d) {
  const auto any_explains = [&] {
    return std::any_of(d.ranked.begin(), d.ranked.end(),
                       [&](const Hypothesis& h) { return explains(h, e.count); });
  };
  if (e.count < 3 || any_explains()) return;
  // Every two, roughly; the best of them in earnest: a cause that looks poor alone may be half the
  // truth.
  std::vector<std::pair<double, std::pair<Hypothesis, Hypothesis>>> rough;
  for (std::size_t i = 0; i < d.ranked.size(); ++i)
    for (std::size_t k = i + 1; k < d.ranked.size(); ++k) {
      if (d.ranked[i].cause == Cause::none || d.ranked[k].cause == Cause::none) continue;
      Hypothesis first = d.ranked[i];
      Hypothesis second = d.ranked[k];
      const double misfit = rough_pair(e, first, second);
      rough.push_back({misfit, {std::move(first), std::move(second)}});
    }
  std::stable_sort(rough.begin(), rough.end(),
                   [](const auto& x, const auto& y) { return x.first < y.first; });
  constexpr std::size_t kRefined = 8;
  for (std::size_t i = 0; i < std::min(kRefined, rough.size()); ++i)
    d.ranked.push_back(fitted(e, rough[i].second.first, rough[i].second.second));
  d.unexplained = !any_explains();
}

Message sized_advice(const Hypothesis& h) {
  const Message advice = Message::of_table(cause_advice(h.cause));
  Message one = h.size_words.empty() ? advice : say("{}. {}", h.size_words, advice);
  if (!h.second) return one;
  const Message other = Message::of_table(cause_advice(*h.second));
  return say("{} {}", one, h.second_words.empty() ? other : say("{}. {}", h.second_words, other));
}

namespace {

/// What no reading separates stands in the order of trouble, whatever the last bits of a fit say.
bool stands_before(const Hypothesis& a, const Hypothesis& b) {
  constexpr double kSame = 0.01;
  const auto place = [](const Hypothesis& h) {
    const Cause other = h.second.value_or(h.cause);
    return std::tuple(std::round(h.aicc / kSame), std::min(h.cause, other),
                      std::max(h.cause, other));
  };
  return place(a) < place(b);
}

}  // namespace

/// Sorts by AICc and shares the weights out.
void weigh(Diagnosis& d, const Symptoms* signs) {
  std::stable_sort(d.ranked.begin(), d.ranked.end(), stands_before);
  double sum = 0;
  for (Hypothesis& h : d.ranked) sum += h.weight = std::exp(-0.5 * (h.aicc - d.ranked[0].aicc));
  for (Hypothesis& h : d.ranked) h.weight /= sum;
  if (d.ranked.size() < 2) return;
  // The first cause that only one of the two leading explanations holds.
  const auto holds = [](const Hypothesis& h, Cause c) { return h.cause == c || h.second == c; };
  const Hypothesis& a = d.ranked[0];
  const Hypothesis& b = d.ranked[1];
  const Cause mine = holds(b, a.cause) && a.second ? *a.second : a.cause;
  const Cause other = holds(a, b.cause) && b.second ? *b.second : b.cause;
  d.next_test = test_between(mine, mine == other ? Cause::none : other, signs);
}

Diagnosis diagnose(const System& system, const std::vector<Reading>& readings, const PumpTest& pump,
                   bool bore_known) {
  Diagnosis d;
  if (!system.wheels) {
    d.refusal = "Cannot say: the brakes at the wheels are not known";
    return d;
  }
  std::size_t low = 0;
  std::vector<ReadingRow> rows;
  // A soft pedal may read beyond the sound prediction: such a reading still counts, with its tape's
  // doubt alone.
  for (const Reading& r : readings) {
    const auto usable = usable_rows(system, {r}, std::nullopt, low);
    if (!usable.empty())
      rows.push_back(usable.front());
    else if (r.force_n > 0 && r.travel_m > 0) {
      rows.push_back(row_of(r));
      rows.back().sigma_m = std::max(1e-3, r.travel_uncertainty_m);
    }
  }
  if (rows.size() < 3) {
    d.refusal = "Three readings at least are needed to weigh causes";
    return d;
  }
  const bool assisted =
      std::any_of(rows.begin(), rows.end(), [](const ReadingRow& r) { return r.assist_alive; });
  const bool one_clamped = std::any_of(rows.begin(), rows.end(), [](const ReadingRow& r) {
    return r.hoses_clamped && r.clamped != ClampedHoses::all;
  });
  const double count = static_cast<double>(rows.size()) + (pump.sink_m ? 1 : 0) +
                       (pump.light_sink_m ? 1 : 0) + (pump.first_m && pump.third_m ? 1 : 0);
  const Evidence evidence{system, rows, pump, count, {}};
  for (std::size_t i = 0; i < kCauses; ++i) {
    const auto cause = static_cast<Cause>(i);
    if (cause == Cause::wrong_bore && bore_known) continue;
    if (possible(system, cause, assisted, pump, false, one_clamped))
      d.ranked.push_back(fitted(evidence, cause));
  }
  add_pairs(evidence, d);
  weigh(d);
  return d;
}

bool bore_is_known(const Values& v) {
  const Value& bore = v.at(param::master_bore);
  return bore.origin == Origin::measured && bore.how != How::estimate && bore.si > 0 &&
         bore.uncertainty_si / bore.si < 0.02;
}

}  // namespace yoke
