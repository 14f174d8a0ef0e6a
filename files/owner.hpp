// Which process something belongs to, and whether it still lives.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace yoke {

struct Process {
  long pid = 0;
  std::string host;
  std::string boot;       ///< the machine's boot, so that a number used again is not mistaken
  long long started = 0;  ///< in the kernel's ticks; 0: not told
  bool operator==(const Process&) const = default;
};
[[nodiscard]] const Process& this_process();
/// Which one line of JSON, and back; nothing when it cannot be read.
[[nodiscard]] std::string process_text(const Process& p);
[[nodiscard]] std::optional<Process> read_process(std::string_view text);
/// Whether it runs on this machine now. Of another machine nothing can be said.
[[nodiscard]] std::optional<bool> lives(const Process& p);

}  // namespace yoke
