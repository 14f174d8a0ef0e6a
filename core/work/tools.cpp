#include "work/tools.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <string_view>

#include "assembly/assemble.hpp"
#include "document/param/unit.hpp"
#include "plumbing/joints.hpp"
#include "work/lever_hose.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

constexpr double kInch_m = 0.0254;
/// Spanners that a builder has: sixteenths of an inch, whole millimetres.
constexpr int kLeastSixteenths = 4, kMostSixteenths = 20;
constexpr int kLeastMm = 6, kMostMm = 32;

std::string fraction(int sixteenths) {
  int over = sixteenths;
  int under = 16;
  while (over % 2 == 0 && under > 1) {
    over /= 2;
    under /= 2;
  }
  if (under == 1) return fmt::format("{} in", over);
  return over > under ? fmt::format("{}-{}/{} in", over / under, over % under, under)
                      : fmt::format("{}/{} in", over, under);
}

struct Size {
  double m;
  std::string name;
};

std::vector<Size> sizes(bool metric) {
  std::vector<Size> list;
  if (metric)
    for (int mm = kLeastMm; mm <= kMostMm; ++mm)
      list.push_back({mm * 1e-3, fmt::format("{} mm", mm)});
  else
    for (int n = kLeastSixteenths; n <= kMostSixteenths; ++n)
      list.push_back({n * kInch_m / 16, fraction(n)});
  return list;
}

/// Spanners met on the nut of a line thread, in sixteenths or millimetres. Common practice, no
/// source; the nut itself is measured before it is turned.
struct Nut {
  std::string_view thread;
  bool metric;
  std::vector<int> across;
};
const std::vector<Nut>& nuts() {
  static const std::vector<Nut> list = {{"3/8-24", false, {6, 7}}, {"7/16-24", false, {7}},
                                        {"7/16-20", false, {9}},   {"1/2-20", false, {8}},
                                        {"9/16-18", false, {9}},   {"M10x1", true, {10, 11}},
                                        {"M10x1.25", true, {14}},  {"M12x1", true, {12, 13, 14}}};
  return list;
}

void add_fittings(const Job& job, As which, std::vector<ToolNeed>& list) {
  const bool two = has_two_circuits(job, which);
  for (const Param p : {param::unit_port1_thread, param::unit_port2_thread}) {
    if (p == param::unit_port2_thread && !two) continue;
    const Value v = value_of(job, which, p);
    const Message whose = which == As::found ? Message("old unit") : Message("new unit");
    const Message port =
        p == param::unit_port1_thread ? say("{}, outlet 1", whose) : say("{}, outlet 2", whose);
    if (!v.known()) {
      list.push_back({"Flare spanner, size not known", port, true});
      continue;
    }
    const std::string_view thread = info(p).options[static_cast<std::size_t>(v.si)].key;
    const Message name = Message::of_table(info(p).options[static_cast<std::size_t>(v.si)].words);
    const auto nut = std::find_if(nuts().begin(), nuts().end(),
                                  [thread](const Nut& n) { return n.thread == thread; });
    if (nut == nuts().end()) {
      list.push_back({"Flare spanner, size not known", say("{}: {}", port, name), true});
      continue;
    }
    for (const int size : nut->across)
      list.push_back(
          {say("Flare spanner {}",
               spanner_words(nut->metric ? size * 1e-3 : size * kInch_m / 16, nut->metric)),
           say("{}: {}", port, name), false});
  }
}

}  // namespace

Message spanner_words(double across_flats_m, bool metric) {
  const auto own = sizes(metric);
  const auto mine = std::min_element(own.begin(), own.end(), [&](const Size& a, const Size& b) {
    return std::abs(a.m - across_flats_m) < std::abs(b.m - across_flats_m);
  });
  const Size* small = nullptr;
  const Size* large = nullptr;
  static const std::vector<Size> inches = sizes(false);
  static const std::vector<Size> mms = sizes(true);
  for (const Size& s : metric ? inches : mms) {
    if (s.m < mine->m) small = &s;
    if (s.m > mine->m && large == nullptr) large = &s;
  }
  const Message other =
      metric ? say("{} in", Plain{mine->m / kInch_m, 3}) : say("{} mm", Plain{mine->m * 1e3, 2});
  if (small == nullptr || large == nullptr) return say("{} = {}", mine->name, other);
  return say("{} = {}: {} does not go on, {} rounds it", mine->name, other, small->name,
             large->name);
}

std::vector<ToolNeed> tool_list(const Job& job) {
  std::vector<ToolNeed> list;
  const WorkFacts f = work_facts(job);
  if (f.unit_out) add_fittings(job, As::found, list);
  if (f.unit_on) add_fittings(job, As::plan, list);
  // Every other joint whose nut is known.
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    if (j.spanner.empty() || port_params(j.joint.key)) continue;
    const bool there = std::any_of(list.begin(), list.end(),
                                   [&](const ToolNeed& t) { return t.what == j.spanner; });
    if (!there) list.push_back({j.spanner, j.joint.name, false});
  }
  for (const HoseOrder& h : lever_hose_order(job)) list.push_back({h.what, h.why, h.unknown});
  for (const Step& s : install_steps(job)) {
    if (is_done(job, s)) continue;
    for (const Message& tool : s.tools) {
      const bool there =
          std::any_of(list.begin(), list.end(), [&](const ToolNeed& t) { return t.what == tool; });
      if (!there) list.push_back({tool, say("for “{}”", s.text), false});
    }
  }
  return list;
}

}  // namespace yoke
