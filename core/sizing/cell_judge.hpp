// Judges one cell of the map: a system with the cell's bore, ratio and assist, pressed in all
// conditions by the rules of the foot strip.
#pragma once

#include "assembly/assemble.hpp"
#include "assembly/assemble_clutch.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

/// Holds what all cells of one plan share. The plan's values may be drawn ones.
class CellJudge {
 public:
  explicit CellJudge(const Values& plan);
  /// False: the plan contradicts itself, or too little is known to press it.
  [[nodiscard]] bool possible() const { return possible_; }
  [[nodiscard]] bool clutch() const { return clutch_; }
  /// The cell of that bore, second bore, ratio and assist option, judged and scored.
  [[nodiscard]] Cell judged(const Cell& place, const SweepRequest& request) const;
  /// The plan's own bore, ratio and assist: its geometry is the one that is measured.
  [[nodiscard]] bool is_own(const Cell& place) const;
  /// Lower is better; how many parts must change counts with it.
  [[nodiscard]] double score(const Cell& cell, const SweepRequest& request) const;

 private:
  /// A condition of the job and what the model is told of it.
  struct Pressed {
    ConditionId id;
    Condition condition;
    std::optional<ClutchSystem> clutch;
  };
  void judge_brakes(Cell& cell, const SweepRequest& request) const;
  void judge_others(Cell& cell, const System& system, const Limits& limits) const;
  void judge_clutch(Cell& cell, const SweepRequest& request) const;
  [[nodiscard]] System system_of(const Cell& cell, const SweepRequest& request) const;

  bool clutch_ = false;
  bool possible_ = false;
  System plan_;                      ///< of brakes
  std::vector<Pressed> conditions_;  ///< all of the plan; as found has a system of its own
};

}  // namespace yoke
