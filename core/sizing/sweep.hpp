// The map: bore x ratio, each cell judged in all conditions, the first failing limit named.
#pragma once

#include <string>
#include <vector>

#include "feel/conditions.hpp"

namespace yoke {

/// In the order in which limits are tested.
enum class Limit {
  none,
  effort,
  effort_no_assist,
  travel,
  reserve,
  first_lost,
  second_lost,
  strokes,
  lock_order,
  impossible,
};
[[nodiscard]] std::string_view limit_words(Limit limit);

struct Cell {
  double bore_m = 0;
  double ratio = 1;
  Limit fails = Limit::none;
  double amount = 0;   ///< by how much, in the limit's own unit (N, m, share, g)
  std::string reason;  ///< "12 mm too long", or "inside"
  double effort_n = 0;
  double travel_m = 0;
  double reserve_share = 0;
  double stiffness_n_m = 0;
  double score = 0;  ///< lower is better; only for cells inside
};

enum class Preference { light, short_travel, firm };

struct SweepRequest {
  std::vector<double> bores_m;
  std::vector<double> ratios;
  Limits limits;
  Preference preference = Preference::light;
};

struct Sweep {
  std::vector<double> bores_m;
  std::vector<double> ratios;
  std::vector<Cell> cells;  ///< row by row: ratios within bores
  [[nodiscard]] const Cell& at(std::size_t bore, std::size_t ratio) const {
    return cells[bore * ratios.size() + ratio];
  }
};

/// Judges one bore and ratio: keeps the pad arm and sets the pin arm L/ratio with a constant ratio;
/// the rod's angle is not judged.
[[nodiscard]] Cell judge(const System& plan, double bore_m, double ratio,
                         const SweepRequest& request);
/// Needs brakes and vehicle; otherwise an error that says what is missing.
[[nodiscard]] Expected<Sweep> sweep(const Job& job, const SweepRequest& request);
/// The standard bores and ratios around this plan, plus the plan's and the fitted own values.
[[nodiscard]] SweepRequest default_request(const Job& job);

}  // namespace yoke
