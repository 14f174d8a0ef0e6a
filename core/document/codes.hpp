// The codes that findings, gates, steps, groups of figures and figures are known by: enums here,
// keys in files and on the command line. Nothing hangs on the words that are shown.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <string_view>

namespace yoke {

/// What is the matter.
enum class FindingCode {
#define FINDING(name, key) name,
#include "document/codes.def"
  count_
};
/// What must hold before a job may be called proved.
enum class GateId {
#define GATE(name, key) name,
#include "document/codes.def"
  count_
};
/// A step of the procedure.
enum class StepId {
#define STEP(name, key) name,
#include "document/codes.def"
  count_
};
/// Figures that answer one question.
enum class GroupId {
#define GROUP_OF_FIGURES(name, key) name,
#include "document/codes.def"
  count_
};
/// A figure that a finding hangs on.
enum class FigureId {
#define FIGURE(name, key) name,
#include "document/codes.def"
  count_
};

[[nodiscard]] std::string_view key(FindingCode code);
[[nodiscard]] std::string_view key(GateId id);
[[nodiscard]] std::string_view key(StepId id);
[[nodiscard]] std::string_view key(GroupId id);
[[nodiscard]] std::string_view key(FigureId id);
[[nodiscard]] std::optional<FindingCode> find_finding_code(std::string_view key);
[[nodiscard]] std::optional<GateId> find_gate(std::string_view key);
[[nodiscard]] std::optional<StepId> find_step(std::string_view key);
[[nodiscard]] std::optional<GroupId> find_group(std::string_view key);

/// Every value of one of these enums, in the order of the table.
template <class Id>
[[nodiscard]] constexpr auto all_ids() {
  std::array<Id, static_cast<std::size_t>(Id::count_)> list{};
  for (std::size_t i = 0; i < list.size(); ++i) list[i] = static_cast<Id>(i);
  return list;
}

}  // namespace yoke
