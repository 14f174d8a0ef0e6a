// The plumbing as a net: from the master's outlets through what stands in the lines to the wheels
// or the slave, every joint by name. Drawn from the job's own values; nothing is entered twice.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "assembly/assemble.hpp"
#include "document/job.hpp"

namespace yoke {

enum class NetPart {
  reservoir,  ///< on the inlets of the unit
  outlet,
  servo,
  antilock,
  shuttle,
  lamp,       ///< a brake-light switch on its tee
  split_tee,  ///< one outlet feeds wheels of both axles
  metering,
  proportioning,
  residual,
  tee,   ///< of an axle
  hose,  ///< a flexible one
  wheel,
  slave
};

/// Something in the lines. Its key stays the same whichever outlet feeds it: "valve_rear",
/// "tee_front", "hose_fl", "fl"; what stands on one circuit has the outlet's number: "servo1".
struct NetNode {
  NetPart part = NetPart::outlet;
  std::string key;
  Message name;
  std::optional<Outlet> circuit;
  std::optional<Axle> axle;
  std::optional<Wheel> wheel;
  bool elsewhere = false;  ///< traced on another unit than this one: to be traced again
};

/// A metal tube from one node to another; a hose is a node of its own.
struct NetRun {
  std::string from, to;
  std::optional<Param> length;  ///< what its length is entered as: all tube of the axle together
};

/// Where a line meets a part.
struct NetJoint {
  std::string key;  ///< "outlet1", "tee_front.in", "hose_fl.out"
  std::string node;
  Message name;
  std::optional<Outlet> circuit;
  std::optional<Wheel> wheel;
  bool fresh = false;  ///< of a part that the plan brings: never screwed together before
};

struct Net {
  std::vector<NetNode> nodes;  ///< from the master outwards
  std::vector<NetRun> runs;
  std::vector<NetJoint> joints;
  [[nodiscard]] const NetNode* node(std::string_view key) const;
  [[nodiscard]] const NetJoint* joint(std::string_view key) const;
};

/// Wheels that are not traced stand in it without a run. An unknown length is no length of zero.
[[nodiscard]] Net plumbing_net(const Job& job, As which);

/// Which outlet of the new unit takes over what an outlet of the old one fed.
struct PortMatch {
  Outlet old_outlet = Outlet::primary;
  Outlet new_outlet = Outlet::primary;
  std::vector<Wheel> wheels;
};
struct PortMatching {
  std::vector<PortMatch> lines;
  std::vector<Wheel> open;  ///< not traced on one of the two units
  bool crossed = false;     ///< a line of the near outlet goes to the far one
  bool sides_known = false;
  bool sides_change = false;  ///< an outlet points to another side than the old one
};
/// Brakes of two outlets; else nothing in it.
[[nodiscard]] PortMatching port_matching(const Job& job);

}  // namespace yoke
