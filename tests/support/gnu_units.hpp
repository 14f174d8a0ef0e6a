// GNU units, a general reference program: what it says of a conversion.
#pragma once

#include <array>
#include <catch2/catch.hpp>
#include <cstdio>
#include <string>

namespace yoke::test {

/// The number of `to` in `from`.
inline double gnu_units(const std::string& from, const std::string& to) {
  const std::string command = "units -t '" + from + "' '" + to + "' 2>/dev/null";
  std::array<char, 128> line{};
  FILE* pipe = popen(command.c_str(), "r");
  REQUIRE(pipe);
  const bool got = std::fgets(line.data(), static_cast<int>(line.size()), pipe) != nullptr;
  pclose(pipe);
  REQUIRE(got);
  return std::stod(line.data());
}

}  // namespace yoke::test
