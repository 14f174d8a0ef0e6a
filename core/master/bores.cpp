#include "master/bores.hpp"

#include <algorithm>
#include <cmath>
#include <vector>

namespace yoke {

std::span<const BoreSize> standard_bores() {
  static const std::vector<BoreSize> sizes = [] {
    constexpr double in = 0.0254;
    std::vector<BoreSize> s{{"1/2 in", in / 2, true},
                            {"9/16 in", in * 9 / 16, true},
                            {"5/8 in", in * 5 / 8, true},
                            {"11/16 in", in * 11 / 16, true},
                            {"0.700 in", in * 0.7, true},
                            {"3/4 in", in * 3 / 4, true},
                            {"13/16 in", in * 13 / 16, true},
                            {"7/8 in", in * 7 / 8, true},
                            {"15/16 in", in * 15 / 16, true},
                            {"1 in", in, true},
                            {"1 1/32 in", in * 33 / 32, true},
                            {"1 1/16 in", in * 17 / 16, true},
                            {"1 1/8 in", in * 9 / 8, true},
                            {"1 3/16 in", in * 19 / 16, true},
                            {"1 1/4 in", in * 5 / 4, true},
                            {"1 5/16 in", in * 21 / 16, true},
                            {"1 3/8 in", in * 11 / 8, true},
                            {"1 1/2 in", in * 3 / 2, true},
                            {"11 mm", 0.011, false},
                            {"12 mm", 0.012, false},
                            {"13 mm", 0.013, false},
                            {"14 mm", 0.014, false},
                            {"15 mm", 0.015, false},
                            {"16 mm", 0.016, false},
                            {"17 mm", 0.017, false},
                            {"18 mm", 0.018, false},
                            {"19 mm", 0.019, false},
                            {"20 mm", 0.020, false},
                            {"21 mm", 0.021, false},
                            {"22 mm", 0.022, false},
                            {"23 mm", 0.023, false},
                            {"24 mm", 0.024, false},
                            {"25 mm", 0.025, false},
                            {"26 mm", 0.026, false},
                            {"28 mm", 0.028, false},
                            {"30 mm", 0.030, false},
                            {"32 mm", 0.032, false}};
    std::sort(s.begin(), s.end(),
              [](const BoreSize& a, const BoreSize& b) { return a.bore_m < b.bore_m; });
    return s;
  }();
  return sizes;
}

const BoreSize* named_bore(Length bore) {
  for (const auto& s : standard_bores())
    if (std::abs(s.bore_m - bore.value()) < 3e-5) return &s;
  return nullptr;
}

}  // namespace yoke
