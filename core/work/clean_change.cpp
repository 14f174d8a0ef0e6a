#include "work/clean_change.hpp"

#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/lines.hpp"
#include "document/values.hpp"
#include "lines/restriction.hpp"
#include "plumbing/net.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

double tube_bore_m(const Values& v) {
  return v.si(param::lines_tube_outside) - 2 * v.si(param::lines_tube_wall);
}

/// The wheels or the slave that hang on an outlet.
std::vector<const NetNode*> ends_of(const Net& net, const NetNode& outlet) {
  std::vector<const NetNode*> list;
  for (const NetNode& n : net.nodes)
    if ((n.part == NetPart::wheel || n.part == NetPart::slave) && n.circuit == outlet.circuit)
      list.push_back(&n);
  return list;
}

Param length_param(const NetNode& end) {
  return end.axle ? of_axle(param::front_tube, *end.axle) : param::clutch_tube;
}

struct Loss {
  std::optional<double> m3_s;
  bool typical = false;
};

/// The shortest of its lines runs out fastest.
Loss loss_of(const Values& v, const std::vector<const NetNode*>& ends) {
  Loss most;
  most.typical =
      !v.at(param::lines_tube_outside).settled() || !v.at(param::lines_tube_wall).settled();
  for (const NetNode* e : ends) {
    const Param p = length_param(*e);
    if (!v.known(p) || v.si(p) <= 0) continue;
    most.typical = most.typical || !v.at(p).settled();
    const auto loss = open_line_loss(tube_bore_m(v), v.si(p));
    if (loss && (!most.m3_s || *loss > *most.m3_s)) most.m3_s = loss;
  }
  return most;
}

}  // namespace

std::optional<double> open_line_loss(double bore_m, double length_m) {
  const PathPart part{Length{bore_m}, Length{length_m}};
  const double head_pa = kFluidDensity_kg_m3 * 9.80665 * kHead_m;
  // Laminar: the flow goes with what is behind it, and is read at a pressure that the sum takes.
  constexpr double kRead_pa = 1e5;
  const auto delay =
      path_delay(std::span(&part, 1), Volume{1e-6}, Pressure{kRead_pa}, FluidState::mild);
  if (!delay || delay->flow_m3_s <= 0) return std::nullopt;
  return delay->flow_m3_s * head_pa / kRead_pa;
}

CleanChange clean_change(const Job& job) {
  CleanChange c;
  const WorkFacts f = work_facts(job);
  if (!f.unit_on || !f.old_works) return c;
  const Values v = resolve(job, As::plan);
  const Net net = plumbing_net(job, As::plan);
  c.steps.push_back(
      {"Draw the reservoir down; cloth under the unit, goggles on", std::nullopt, false});
  c.steps.push_back(
      {"A plug or cap ready for each line end and each outlet, clean", std::nullopt, false});
  for (const NetNode& o : net.nodes) {
    if (o.part != NetPart::outlet) continue;
    const auto ends = ends_of(net, o);
    const Loss loss = loss_of(v, ends);
    c.steps.push_back({say("{}: nut out, cap on the line at once, plug in the outlet", o.name),
                       loss.m3_s, loss.typical});
    for (const NetNode* e : ends) c.bleeds.push_back(e->name);
  }
  c.steps.push_back(
      {"The unit out with its plugs in, the other one, filled and bled, in with its plugs in",
       std::nullopt, false});
  for (const NetNode& o : net.nodes)
    if (o.part == NetPart::outlet)
      c.steps.push_back(
          {say("{}: plug out, the line in by hand at once, then the next one", o.name),
           std::nullopt, false});
  c.steps.push_back(
      {"Wipe every joint dry: what is wet after this is a leak", std::nullopt, false});
  return c;
}

}  // namespace yoke
