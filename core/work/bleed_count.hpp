// What one count of the coach moves, and when a place is clear. A count of strokes alone is never a
// pass, and neither are bubble-free ones while what stood in the line cannot have come out yet.
//   through = counts since air was last drawn in x fluid a count
//   clear at a nipple: three counts in a row without a bubble, through >= 1.5 x what its branch
//   holds, and the nipple was seen to stand at its highest place
// Where no pedal is pressed a count is a mark of the bottle or syringe. Common practice, no source.
#pragma once

#include <string>
#include <string_view>

#include "document/job.hpp"
#include "work/bleed_methods.hpp"
#include "work/bleeding.hpp"

namespace yoke {

/// Bubble-free counts in a row that are asked for. With what must come through they left no nipple
/// with more than 0.3 cm³ in 6,000 simulated bleedings (tests/core/bleed_car_test.cpp).
inline constexpr int kClearStrokes = 3;
/// A mark of a bottle or of a syringe: 5 ml.
inline constexpr double kMark_m3 = 5e-6;
/// So many times what a branch holds goes through it before it may be called clear.
inline constexpr double kThroughShare = 1.5;
/// By vacuum a helper's strokes judge it at the end: they show what is still in the line.
inline constexpr double kThroughVacuum = 1.2;
[[nodiscard]] constexpr double through_share(BleedWayId way) {
  return way == BleedWayId::vacuum ? kThroughVacuum : kThroughShare;
}

/// Counted by marks: no pedal is pressed.
[[nodiscard]] bool counts_marks(BleedWayId way);
/// The word of a way in a record, and back; nothing: none of ours.
[[nodiscard]] std::string_view way_word(BleedWayId way);
[[nodiscard]] std::optional<BleedWayId> way_of_word(std::string_view word);
/// Fluid that one count moves at a nipple.
[[nodiscard]] Volume per_count(const BleedWheel& at, BleedWayId way);

/// What keeps a place from being clear, the first that holds.
enum class ClearLack {
  nothing,
  bubbles,     ///< not three in a row yet
  push,        ///< against plugs it still gives
  unknown,     ///< what its branch holds cannot be said
  content,     ///< what stood in its branch is not through yet
  beyond,      ///< the line beyond a shut connector
  helper,      ///< by vacuum: the three are presses with a helper
  screw_open,  ///< nobody said where the nipple stands
  screw_low    ///< it is not at its highest place: air stays
};
struct ClearState {
  ClearLack lack = ClearLack::bubbles;
  int counts = 0;        ///< since air was last drawn in
  Volume through{};      ///< in them
  Volume wanted{};       ///< through before it may be clear; 0: not told
  bool typical = false;  ///< what is through, or wanted, rests on values that nobody measured
  int counts_left = 0;   ///< until then
};
/// Of a row's key. The master by itself has no branch and no nipple.
[[nodiscard]] ClearState clear_state(const Job& job, const BleedPlan& plan, const std::string& key);
[[nodiscard]] bool is_clear(const Job& job, const BleedPlan& plan, const std::string& key);
/// The master by itself: three in a row, or a short push against plugs.
[[nodiscard]] bool bench_clear(const Job& job);

/// Where the nipple of a place stands; `unknown` in a value that is not settled.
[[nodiscard]] Param screw_of(const std::string& key);

/// The way in which a count is made. By vacuum bubbles tell nothing: a clear one is a press with a
/// helper, and so is every one at the end.
[[nodiscard]] BleedWayId counted_way(const Job& job, const BleedPlan& plan, const std::string& key,
                                     bool bubbles);
/// A count at a place in that way, what it moved kept where the way was changed.
void count_at(Job& job, const BleedPlan& plan, const std::string& key, bool bubbles);
/// The same for a record by itself, by presses.
void count_stroke(BleedRecord& record, bool bubbles);
void count_refill(BleedRecord& record);

}  // namespace yoke
