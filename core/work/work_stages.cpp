#include "work/work_stages.hpp"

namespace yoke {

std::string_view work_stage_words(WorkStage stage) {
  static constexpr std::string_view w[] = {"dry", "bench-bled, lines empty", "filled by gravity",
                                           "bled, engine off", "bled, engine on"};
  return w[static_cast<std::size_t>(stage)];
}

Condition stage_condition(const System& s, WorkStage stage) {
  Condition c;
  c.assist_alive = stage == WorkStage::bled_on;
  double lines_m3 = 0;
  if (s.wheels)
    for (const WheelBrake& w : *s.wheels) lines_m3 += branch_content(w).value();
  const Master& m = s.master;
  const double master_m3 =
      outlet_area(m, false).value() * m.stroke1.value() +
      (two_circuits(m) ? outlet_area(m, true).value() * m.stroke2.value() : 0.0);
  if (stage == WorkStage::dry) c.air_m3 = lines_m3 + master_m3;
  if (stage == WorkStage::bench_bled) c.air_m3 = lines_m3;
  if (stage == WorkStage::filled) c.air_m3 = kGravityAir * lines_m3;
  return c;
}

Expected<std::vector<StagePress>> stage_presses(const System& s) {
  std::vector<StagePress> list;
  for (const WorkStage stage : kWorkStages) {
    const auto m = FeelModel::make(s, stage_condition(s, stage));
    if (!m) return fail(m.error());
    StagePress p;
    p.stage = stage;
    const FeelPoint end = m->at(m->end_drive());
    p.to_the_stop = end.pad_force_n < kStagePush_n;
    p.stop = m->stop();
    const FeelPoint at = p.to_the_stop ? end : m->at(m->drive_for_force(kStagePush_n));
    p.pad_travel_m = at.pad_travel_m;
    p.pad_force_n = at.pad_force_n;
    list.push_back(p);
  }
  return list;
}

}  // namespace yoke
