#include "proving/hypotheses.hpp"

#include <algorithm>
#include <array>
#include <boost/math/tools/minima.hpp>
#include <cmath>

#include "proving/fault.hpp"

namespace yoke {

namespace {

double chi2_of(const Faulty& f, const std::vector<ReadingRow>& rows, const PumpTest& pump) {
  double sum = 0;
  // One model for each way of reading: a fault is pressed many times while its size is sought.
  struct Made {
    const ReadingRow* of;
    Expected<FeelModel> model;
  };
  std::vector<Made> made;
  for (const ReadingRow& row : rows) {
    auto it = std::find_if(made.begin(), made.end(), [&](const Made& m) {
      return m.of->assist_alive == row.assist_alive && m.of->second_apply == row.second_apply &&
             m.of->hoses_clamped == row.hoses_clamped;
    });
    if (it == made.end()) {
      made.push_back({&row, FeelModel::make(f.system, row_condition(f.condition, row))});
      it = made.end() - 1;
    }
    const double miss = it->model ? row_miss(*it->model, row, f.slack_m) : kImpossible;
    sum += miss * miss;
  }
  if (pump.sink_m) sum += std::pow((*pump.sink_m - f.sink_m) / kTape_m, 2);
  if (pump.first_m && pump.third_m)
    sum += std::pow((*pump.first_m - *pump.third_m - f.gain_m) / (2 * kTape_m), 2);
  return sum;
}

}  // namespace

/// Coarse search, then Brent around the best step: the misfit has one valley over the size.
Hypothesis fitted(const System& s, Cause cause, const std::vector<ReadingRow>& rows,
                  const PumpTest& pump, double count, const Felt& felt) {
  const CauseInfo& info = cause_info(cause);
  const auto misfit = [&](double size) {
    const Faulty f = faulty(s, cause, size, felt);
    return chi2_of(f, rows, pump) + (felt.signs ? signs_miss(f, felt) : 0.0);
  };
  Hypothesis h;
  h.cause = cause;
  const bool sized = !info.form.empty();
  if (!sized) {
    h.chi2 = misfit(1.0);
  } else {
    const double least = cause == Cause::wrong_bore ? -0.3 : 0.0;
    // Searched in steps of the range: the minimiser's tolerance is not made for cubic metres.
    constexpr int kSteps = 12;
    const double step = (info.most - least) / kSteps;
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
    h.size = least + step * (v <= best_value ? t : best);
    h.chi2 = std::min(v, best_value);
    Amount size = info.shown;
    size.si = h.size;
    h.size_words = Message(info.form, {Argument(size)});
  }
  const double k = sized ? 1 : 0;
  h.aicc = h.chi2 + 2 * k;
  if (count - k - 1 > 0) h.aicc += 2 * k * (k + 1) / (count - k - 1);
  return h;
}

Message sized_advice(const Hypothesis& h) {
  const Message advice = Message::of_table(cause_advice(h.cause));
  return h.size_words.empty() ? advice : say("{}. {}", h.size_words, advice);
}

/// Sorts by AICc and shares the weights out; a worse fit that no readings separate keeps its order.
void weigh(Diagnosis& d, const Symptoms* signs) {
  std::stable_sort(d.ranked.begin(), d.ranked.end(),
                   [](const Hypothesis& a, const Hypothesis& b) { return a.aicc < b.aicc; });
  double sum = 0;
  for (Hypothesis& h : d.ranked) sum += h.weight = std::exp(-0.5 * (h.aicc - d.ranked[0].aicc));
  for (Hypothesis& h : d.ranked) h.weight /= sum;
  if (d.ranked.size() > 1) d.next_test = test_between(d.ranked[0].cause, d.ranked[1].cause, signs);
}

Diagnosis diagnose(const System& system, const std::vector<Reading>& readings,
                   const PumpTest& pump) {
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
    else if (r.force_n > 0 && r.travel_m > 0)
      rows.push_back({r.force_n, r.travel_m, std::max(1e-3, r.travel_uncertainty_m), r.assist_alive,
                      r.second_apply, r.hoses_clamped});
  }
  if (rows.size() < 3) {
    d.refusal = "Three readings at least are needed to weigh causes";
    return d;
  }
  const bool assisted =
      std::any_of(rows.begin(), rows.end(), [](const ReadingRow& r) { return r.assist_alive; });
  const double count = static_cast<double>(rows.size()) + (pump.sink_m ? 1 : 0) +
                       (pump.first_m && pump.third_m ? 1 : 0);
  for (std::size_t i = 0; i < kCauses; ++i) {
    const auto cause = static_cast<Cause>(i);
    if (possible(system, cause, assisted, pump, false))
      d.ranked.push_back(fitted(system, cause, rows, pump, count));
  }
  weigh(d);
  return d;
}

}  // namespace yoke
