// The map: bore x ratio for each assist option, or bore x bore for twin masters; each cell judged
// in all conditions by the rules of the foot strip, the first that fails named with its amount.
// Cells inside are ranked by sum of w (value/limit)^2 over effort, travel and 1/stiffness, plus 0.1
// for each part that must change.
#pragma once

#include <string>
#include <vector>

#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

namespace choice {
enum class AssistKind;
}

/// In the order in which limits are tested.
enum class Limit {
  none,
  effort,
  effort_no_assist,
  travel,
  reserve,
  primary_lost,
  secondary_lost,
  strokes,
  lock_order,
  hot,
  air_left,
  release,      ///< of a clutch: does not release
  over_travel,  ///< of a clutch: beyond the cover's limit, or no room for wear
  impossible,
};
[[nodiscard]] std::string_view limit_words(Limit limit);

struct Cell {
  double bore_m = 0;
  double bore2_m = 0;  ///< second master's; 0 unless the columns are second bores
  double ratio = 1;
  std::size_t assist = 0;      ///< which option
  bool own = false;            ///< the plan's own bore, ratio and assist: judged with its geometry
  std::size_t cannot_say = 0;  ///< conditions that cannot be said; the cell passes the others
  /// Of the plan's own cell the strip's; of another that passes: holds if typical while anything
  /// that it rests on was not measured.
  Verdict verdict = Verdict::not_applicable;
  Limit fails = Limit::none;
  Amount by;       ///< how far it fails, a quantity of the limit's own kind
  Message reason;  ///< "12 mm too long", or "inside"
  double effort_n = 0;
  double travel_m = 0;
  double reserve_share = 0;
  double stiffness_n_m = 0;
  double score = 0;  ///< lower is better; only for cells inside
};

/// One way to help the foot, tried in the map.
struct AssistOption {
  Message words;  ///< "as planned", "none", "vacuum, 9 in"
  choice::AssistKind kind{};
  Assist assist;
  std::optional<Servo> servo;
  std::optional<Length> stroke;
};

enum class Preference { light, short_travel, firm };

/// Diaphragm of the usual booster that is tried where there is none: common practice, no source.
inline constexpr double kUsualDiaphragm_m = 0.2286;

struct SweepRequest {
  std::vector<double> bores_m;
  std::vector<double> bores2_m;  ///< twin masters: the columns; then `ratios` has one value
  std::vector<double> ratios;
  std::vector<AssistOption> assists;  ///< none: as planned alone
  Limits limits;
  Preference preference = Preference::light;
  unsigned threads = 0;  ///< 0: as many as the machine has
};

struct Sweep {
  std::vector<double> bores_m;
  std::vector<double> bores2_m;
  std::vector<double> ratios;
  std::vector<Message> assists;
  std::vector<Cell> cells;  ///< options, bores within them, columns within bores
  /// The columns are second bores.
  [[nodiscard]] bool pairs() const { return !bores2_m.empty(); }
  [[nodiscard]] std::size_t columns() const { return pairs() ? bores2_m.size() : ratios.size(); }
  [[nodiscard]] const Cell& at(std::size_t bore, std::size_t column) const {
    return cells[bore * columns() + column];
  }
  /// One assist option alone.
  [[nodiscard]] Sweep slice(std::size_t assist) const;
};

/// Cells inside, best first.
[[nodiscard]] std::vector<Cell> ranking(const Sweep& sweep);
/// Why the first of a ranking is first, in words.
[[nodiscard]] Message ranking_words(const std::vector<Cell>& ranked, Preference preference);

/// What a preference counts most, in words.
[[nodiscard]] std::string_view preference_words(Preference preference);

/// Backward: what fits the limits, a bore at a time.
struct Feasible {
  std::size_t assist = 0;
  double bore_m = 0;
  double least_ratio = 0;
  double most_ratio = 0;
  bool any = false;
  Message nearest;  ///< when none fits: the reason of the cell that comes closest
};
[[nodiscard]] std::vector<Feasible> feasible(const Sweep& sweep);

/// Backward from a line pressure alone, brakes unknown: the least ratio with which a bore's effort
/// stays within a limit; nothing when the assist runs out first or no ratio up to 12 does.
[[nodiscard]] std::optional<double> least_ratio(const Control& control, const Assist& assist,
                                                const Master& master, Pressure wanted, Force limit);

/// Every cell keeps the pad arm and takes the pin arm L/ratio with a constant ratio, the rod's
/// angle not judged; the plan's own cell is judged with its geometry, as the foot strip is. Every
/// condition is judged by the rules of the foot strip (strip/press_rules.hpp). Needs brakes and
/// vehicle, or the clutch; otherwise an error that says what is missing.
[[nodiscard]] Expected<Sweep> sweep(const Job& job, const SweepRequest& request);
/// Ranks a map anew for a plan that only moved through it: of the cells only the plan's own hangs
/// on its bores and pin arm, of the ranks the count of parts to change does. False when the plan
/// became impossible.
[[nodiscard]] bool score_again(const Job& job, const SweepRequest& request, Sweep& sweep);
/// The standard bores and ratios around this plan, plus the plan's and the fitted own values; the
/// plan's assist first, then none, or a usual vacuum booster where there is none.
[[nodiscard]] SweepRequest default_request(const Job& job);

}  // namespace yoke
