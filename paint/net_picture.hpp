// The plumbing from above: master, what stands in the lines, hoses, wheels, and every joint to be
// touched; the old unit's outlets beside the new one's.
#pragma once

#include "paint/net_master.hpp"
#include "paint/picture.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/net.hpp"

namespace yoke {

struct NetDrawing {
  Net net;
  std::vector<JudgedJoint> joints;
  PortMatching ports;
  UnitLook unit;         ///< the plan's
  UnitLook old_unit;     ///< the fitted one's
  std::string selected;  ///< key of the joint that is looked at
  bool wiping = false;   ///< what is asked is whether it is dry
  bool paper = false;    ///< nothing in it can be touched
};
[[nodiscard]] NetDrawing net_drawing(const Job& job, std::string selected);

/// Spots: "wheel:<n>" flips a wheel's outlet, "joint:<key>" looks at a joint, "value:<parameter>"
/// asks how the unit looks.
[[nodiscard]] Picture net_picture(const NetDrawing& drawing, QSizeF size);

}  // namespace yoke
