// The models of a system in the few ways in which a pedal is read (assist, second press, hoses
// clamped): each is made once, however many readings there are.
#pragma once

#include <array>
#include <optional>

#include "proving/estimate.hpp"

namespace yoke {

class RowModels {
 public:
  RowModels(const System& system, const Condition& base) : system_(system), base_(base) {}
  /// Of the way in which a reading was taken; an error where it cannot be pressed so.
  [[nodiscard]] const Expected<FeelModel>& of(const ReadingRow& row) {
    const std::size_t clamped =
        row.hoses_clamped ? 1 + static_cast<std::size_t>(row.clamped) : std::size_t{0};
    auto& made = made_[(row.assist_alive ? 1U : 0U) + (row.second_apply ? 2U : 0U) + 4 * clamped];
    if (!made) made = FeelModel::make(system_, row_condition(base_, row));
    return *made;
  }

 private:
  const System& system_;
  Condition base_;
  std::array<std::optional<Expected<FeelModel>>, 16> made_;
};

}  // namespace yoke
