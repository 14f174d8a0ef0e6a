// A job that rested: where it stands, what is open, how old its fluid is, and what comes next.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "quantity/message.hpp"

namespace yoke {

class Session;

/// A job that nobody touched for so long says where it stands when it is opened.
inline constexpr int kRestedDays = 14;

struct Resume {
  std::string last;             ///< ISO day of the latest step, proof or joint; empty: none yet
  std::optional<int> rested_d;  ///< days since
  std::vector<Message> lines;   ///< in the order in which they are read
};
/// `today`: an ISO day, passed in.
[[nodiscard]] Resume resume_of(const Session& session, std::string_view today);
/// It was begun, is not done, and rested long.
[[nodiscard]] bool rested_long(const Session& session, std::string_view today);

}  // namespace yoke
