// An answer in lines, compared with the lines that were stored of it. Where an answer is meant to
// change, tools/golden.sh stores it anew, and the change is read in review.
#pragma once

#include <catch2/catch.hpp>
#include <cstdlib>
#include <fstream>
#include <sstream>
#include <string>

namespace yoke::test {

/// Lines that begin with a blank belong to the last one that does not.
inline void compare_with_stored(const std::string& name, const std::string& now) {
  const std::string path = std::string(YOKE_SOURCE_DIR) + "/tests/golden/" + name;
  if (std::getenv("YOKE_STORE")) {
    std::ofstream(path) << now;
    return;
  }
  std::ifstream in(path);
  std::istringstream lines(now);
  std::string line;
  std::string stored;
  std::string head;
  while (std::getline(lines, line)) {
    if (!line.empty() && line.front() != ' ') head = line;
    INFO(head);
    REQUIRE(std::getline(in, stored));
    REQUIRE(line == stored);
  }
  CHECK_FALSE(std::getline(in, stored));
}

}  // namespace yoke::test
