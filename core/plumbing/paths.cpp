#include "plumbing/paths.hpp"

#include <algorithm>

#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

class PathReader {
 public:
  PathReader(const Job& job, const Net& net) : job_(job), net_(net), v_(resolve(job, As::plan)) {}

  LinePath read(const NetNode& end) {
    path_ = {};
    path_.end = end.key;
    path_.name = end.name;
    path_.bore_m = 1;
    std::vector<const NetNode*> way{&end};
    for (const NetRun* r = into(end.key); r; r = into(way.back()->key))
      way.push_back(net_.node(r->from));
    tube(end);
    for (const NetNode* n : way) {
      if (n->part == NetPart::hose) hose(*n);
      joints(*n, end);
    }
    times();
    return path_;
  }

 private:
  [[nodiscard]] const NetRun* into(const std::string& key) const {
    const auto it = std::find_if(net_.runs.begin(), net_.runs.end(),
                                 [&](const NetRun& r) { return r.to == key; });
    return it == net_.runs.end() ? nullptr : &*it;
  }
  double use(Param p) {
    if (!v_.at(p).settled()) path_.typical.push_back(p);
    return v_.si(p);
  }
  void add(double bore_m, double length_m, const Message& where) {
    path_.parts.push_back({Length{bore_m}, Length{length_m}});
    if (bore_m >= path_.bore_m) return;
    path_.bore_m = bore_m;
    path_.narrowest = where;
  }
  void tube(const NetNode& end) {
    const Param length = end.axle ? of_axle(param::front_tube, *end.axle) : param::clutch_tube;
    add(use(param::lines_tube_outside) - 2 * use(param::lines_tube_wall), use(length), "the tube");
  }
  void hose(const NetNode& n) {
    using choice::LinesHoseBore;
    use(param::lines_hose_bore);
    const double bore_m = v_.is(LinesHoseBore::n1_4)    ? 0.00635
                          : v_.is(LinesHoseBore::n3_16) ? 0.0047625
                                                        : 0.003175;
    const Param length = n.axle ? of_axle(param::front_hose, *n.axle) : param::clutch_hose;
    const auto hoses = std::count_if(net_.nodes.begin(), net_.nodes.end(), [&](const NetNode& o) {
      return o.part == NetPart::hose && o.axle == n.axle;
    });
    add(bore_m, use(length) / static_cast<double>(std::max<long>(1, hoses)), n.name);
  }
  /// Of a tee the arm to the other side is not on the way.
  void joints(const NetNode& n, const NetNode& end) {
    const bool left = end.wheel == Wheel::front_left || end.wheel == Wheel::rear_left;
    for (const NetJoint& j : net_.joints) {
      if (j.node != n.key) continue;
      if (j.key.ends_with(left ? ".right" : ".left")) continue;
      if (end.axle && j.key.ends_with(*end.axle == Axle::front ? ".rear" : ".front")) continue;
      const auto it = job_.joints.find(j.key);
      if (it == job_.joints.end() || !it->second.bore_m) continue;
      holes_.push_back(path_.parts.size());
      path_.joints.push_back(j.key);
      add(*it->second.bore_m, kJointHole_m, j.name);
    }
  }
  double time(const std::vector<PathPart>& parts, FluidState state) const {
    const auto d = path_delay(parts, Volume{kQuickMoved_m3}, Pressure{kQuickBehind_pa}, state);
    return d ? d->time_s : 0;
  }
  void times() {
    path_.mild_s = time(path_.parts, FluidState::mild);
    path_.cold_s = time(path_.parts, FluidState::cold);
    path_.warm_s = time(path_.parts, FluidState::warm);
    std::vector<PathPart> plain;
    for (std::size_t i = 0; i < path_.parts.size(); ++i)
      if (std::find(holes_.begin(), holes_.end(), i) == holes_.end())
        plain.push_back(path_.parts[i]);
    path_.without_s = time(plain, FluidState::mild);
    holes_.clear();
  }

  const Job& job_;
  const Net& net_;
  Values v_;
  LinePath path_;
  std::vector<std::size_t> holes_;
};

}  // namespace

std::vector<LinePath> line_paths(const Job& job) {
  const Net net = plumbing_net(job, As::plan);
  PathReader reader(job, net);
  std::vector<LinePath> list;
  for (const NetNode& n : net.nodes)
    if (n.part == NetPart::slave || (n.part == NetPart::wheel && n.circuit))
      list.push_back(reader.read(n));
  return list;
}

}  // namespace yoke
