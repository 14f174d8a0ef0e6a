// A reading as least squares sees it: the condition it was taken in, what the model foretells of
// it, and how far off it is.
#include <algorithm>
#include <cmath>

#include "proving/estimate.hpp"
#include "proving/row_models.hpp"

namespace yoke {

namespace {

constexpr double kAtStop_m = 0.001;
constexpr double kLeastTape_m = 3e-5;  // what the best of sensors leaves

}  // namespace

ReadingRow row_of(const Reading& r) {
  return {r.force_n, r.travel_m, 0, r.assist_alive, r.second_apply, r.hoses_clamped, r.clamped};
}

Condition row_condition(Condition c, const ReadingRow& row) {
  c.assist_alive = row.assist_alive;
  if (row.second_apply) c.take_up_scale = 0;
  // Behind a clamped hose nothing moves, and the air there stays there.
  if (row.hoses_clamped)
    for (std::size_t i = 0; i < c.clamped.size(); ++i)
      c.clamped[i] =
          row.clamped == ClampedHoses::all || (row.clamped == ClampedHoses::first) == (i == 0);
  return c;
}

std::optional<double> predicted_travel_m(const FeelModel& model, double pad_force_n) {
  const double lowest = model.at(0.0).pad_force_n;
  const double highest = model.at(model.end_drive()).pad_force_n;
  if (pad_force_n <= lowest || pad_force_n > highest) return std::nullopt;
  return model.at(model.drive_for_force(pad_force_n)).pad_travel_m;
}

double row_miss(const FeelModel& m, const ReadingRow& row, double slack_m) {
  const double most_n = m.at(m.end_drive()).pad_force_n;
  const double least_n = m.at(0.0).pad_force_n;
  // A pad at the end of its way takes any push: its travel alone tells.
  const double force_n = std::clamp(row.force_n, std::min(least_n, most_n), most_n);
  return (row.travel_m - slack_m - m.at(m.drive_for_force(force_n)).pad_travel_m) / row.sigma_m;
}

std::vector<ReadingRow> usable_rows(const System& system, const std::vector<Reading>& readings,
                                    std::optional<bool> alive, std::size_t& low) {
  std::vector<ReadingRow> rows;
  RowModels models(system, {});
  low = 0;
  for (const Reading& r : readings) {
    if (alive && r.assist_alive != *alive) continue;
    if (r.rejected) continue;
    if (r.travel_m <= 0) continue;  // not read: a pad that is pressed moves
    ReadingRow row = row_of(r);
    const auto& m = models.of(row);
    if (!m) continue;
    // A pad at its stop tells of the stop: whatever the push, it goes no further.
    if (r.travel_m >= m->available_m() - kAtStop_m) continue;
    const auto t = predicted_travel_m(*m, r.force_n);
    if (!t) continue;
    if (m->at(m->drive_for_force(r.force_n)).pressure_pa < 1e6) ++low;
    row.tape_sigma_m = std::max(kLeastTape_m, r.travel_uncertainty_m) / kCoverage;
    row.force_sigma_n = r.force_uncertainty_n / kCoverage;
    rows.push_back(row);
  }
  weigh(system, {}, rows);
  return rows;
}

void weigh(const System& system, const Condition& base, std::vector<ReadingRow>& rows) {
  RowModels models(system, base);
  for (ReadingRow& row : rows) {
    row.sigma_m = row.tape_sigma_m;
    const auto& m = models.of(row);
    const auto here = m ? predicted_travel_m(*m, row.force_n) : std::nullopt;
    if (!here) continue;
    const double step_n = std::max(2.0, row.force_n * 0.02);
    const auto slope = [&](double off_n) {
      const auto beside = predicted_travel_m(*m, row.force_n + off_n);
      return beside ? (*beside - *here) / off_n : 0.0;
    };
    // Where the pad turns from easy to firm, either side may be where the foot was.
    const double slope_m_n = std::hypot(slope(step_n), slope(-step_n)) / std::sqrt(2.0);
    row.sigma_m = std::hypot(row.tape_sigma_m, slope_m_n * row.force_sigma_n);
  }
}

}  // namespace yoke
