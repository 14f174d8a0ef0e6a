// What the page and the bench show of the bleeding: each place with its count, its level, what is
// still lacking, and what its keys count. Words are messages, still without a language.
#pragma once

#include <string>
#include <vector>

#include "quantity/message.hpp"
#include "work/bleeding.hpp"

namespace yoke {

enum class BleedCount { clear, bubbles, refill, ran_dry };
/// What a count is called at a place, in the way that was chosen.
[[nodiscard]] Message count_words(const Job& job, const std::string& key, BleedCount what);

/// A place where fluid is worked out, in words.
struct BleedLine {
  std::string key;  ///< of its record
  Message name;
  Message planned;  ///< strokes, volume, refills; or what to do
  Message count;
  Message state;
  bool refill_now = false;
  Message level;         ///< how the fluid stands above the port; empty: it is not told
  int outlet = 0;        ///< of the chamber that feeds it, 1 or 2; 0: not told
  bool clear = false;    ///< nothing is left to do here
  bool by_push = false;  ///< judged by its push against plugs
  Message push;          ///< the last one and the one before
  /// What its keys count: a stroke of the pedal, or a mark of bottle or syringe.
  Message clear_key, bubbles_key, refill_key, dry_key;
};
struct BleedView {
  Message plan;
  Message typical;         ///< empty: every figure of the counts is known
  bool has_order = false;  /// the order can be drawn
  std::size_t next = 0;    ///< the line that is worked at next
  Message around;          ///< what is bled before the wheels and after them
  std::vector<BleedLine> lines;
};
[[nodiscard]] BleedView bleed_view(const Job& job);

/// What the last presses tell of air that is left, and why it no longer falls, the likeliest first,
/// each with the test that tells it from the others. A fit: for the side of the window.
[[nodiscard]] std::vector<Message> air_left_words(const Job& job);

}  // namespace yoke
