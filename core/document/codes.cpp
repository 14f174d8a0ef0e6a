#include "document/codes.hpp"

#include <algorithm>
#include <span>

namespace yoke {

namespace {

constexpr std::string_view kFindingKeys[] = {
#define FINDING(name, key) key,
#include "document/codes.def"
};
constexpr std::string_view kGateKeys[] = {
#define GATE(name, key) key,
#include "document/codes.def"
};
constexpr std::string_view kStepKeys[] = {
#define STEP(name, key) key,
#include "document/codes.def"
};
constexpr std::string_view kGroupKeys[] = {
#define GROUP_OF_FIGURES(name, key) key,
#include "document/codes.def"
};
constexpr std::string_view kFigureKeys[] = {
#define FIGURE(name, key) key,
#include "document/codes.def"
};

template <class Id>
std::optional<Id> find_in(std::span<const std::string_view> keys, std::string_view key) {
  const auto it = std::find(keys.begin(), keys.end(), key);
  if (it == keys.end()) return std::nullopt;
  return static_cast<Id>(it - keys.begin());
}

}  // namespace

std::string_view key(FindingCode code) {
  return kFindingKeys[static_cast<std::size_t>(code)];
}
std::string_view key(GateId id) {
  return kGateKeys[static_cast<std::size_t>(id)];
}
std::string_view key(StepId id) {
  return kStepKeys[static_cast<std::size_t>(id)];
}
std::string_view key(GroupId id) {
  return kGroupKeys[static_cast<std::size_t>(id)];
}
std::string_view key(FigureId id) {
  return kFigureKeys[static_cast<std::size_t>(id)];
}

std::optional<FindingCode> find_finding_code(std::string_view key) {
  return find_in<FindingCode>(kFindingKeys, key);
}
std::optional<GateId> find_gate(std::string_view key) {
  return find_in<GateId>(kGateKeys, key);
}
std::optional<StepId> find_step(std::string_view key) {
  return find_in<StepId>(kStepKeys, key);
}
std::optional<GroupId> find_group(std::string_view key) {
  return find_in<GroupId>(kGroupKeys, key);
}

}  // namespace yoke
