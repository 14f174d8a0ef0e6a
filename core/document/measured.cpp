#include "document/measured.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

double default_uncertainty_si(How how, Kind kind, double si) {
  if (kind == Kind::choice || how == How::unknown || how == How::maker || how == How::stated)
    return 0.0;
  if (how == How::estimate) return std::abs(si) * 0.10;
  if (kind == Kind::length || kind == Kind::pitch) {
    if (how == How::calliper) return 0.05e-3;
    if (how == How::rule) return 0.5e-3;
    return 1.5e-3;
  }
  return std::abs(si) * 0.02;
}

double most_uncertainty_si(Param param) {
  const ParamInfo& p = info(param);
  return std::max({p.max_si - p.min_si, std::abs(p.max_si), std::abs(p.min_si)});
}

Measured measured(Param param, double si, How how) {
  return {si, how, default_uncertainty_si(how, info(param).kind, si), {}};
}

How usual_tool(Param param, double si) {
  if (info(param).kind != Kind::length) return How::stated;
  constexpr double kJaws_m = 0.150;
  constexpr double kRule_m = 1.0;
  const double size = std::abs(si);
  return size <= kJaws_m ? How::calliper : size <= kRule_m ? How::rule : How::tape;
}

}  // namespace yoke
