// Several threads at one piece of work, and no exception past them: what one throws (memory, no
// further thread to be had) ends the work, not the program.
#pragma once

#include <algorithm>
#include <atomic>
#include <exception>
#include <thread>
#include <vector>

namespace yoke {

/// Runs `work(first)` on the given number of threads, 0: as many as the machine has, 16 at most;
/// the caller's is the first. Waits for all. False when one of them threw: the result is not whole.
template <class Work>
[[nodiscard]] bool run_workers(unsigned threads, const Work& work) {
  if (threads == 0) threads = std::clamp(std::thread::hardware_concurrency(), 1u, 16u);
  std::atomic<bool> whole{true};
  const auto guarded = [&](bool first) {
    try {
      work(first);
    } catch (const std::exception&) {
      whole = false;
    }
  };
  {
    std::vector<std::jthread> pool;
    try {
      for (unsigned t = 1; t < threads; ++t) pool.emplace_back([&guarded] { guarded(false); });
    } catch (const std::exception&) {
      // Fewer threads do the same work.
    }
    guarded(true);
  }
  return whole;
}

}  // namespace yoke
