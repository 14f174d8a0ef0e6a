// What a gate rests on, and what has changed since it was passed.
#include <fmt/format.h>

#include <algorithm>
#include <charconv>

#include "proving/evidence.hpp"
#include "work/disturbed.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

struct Rests {
  GateId gate;
  std::vector<Group> groups;
  bool wet = false;    ///< on what was bled
  bool parts = false;  ///< on the parts that were fitted
};

const std::vector<Rests>& table() {
  using G = Group;
  static const std::vector<Rests> list = {
      {GateId::preload, {G::control, G::master, G::assist, G::rod}},
      {GateId::circuits, {G::circuit, G::master, G::lines}, false, true},
      {GateId::residual, {G::master, G::lines, G::front, G::rear}, false, true},
      {GateId::weep, {G::lines, G::master}, true, true},
      {GateId::sink, {G::master, G::front, G::rear, G::lines, G::clutch}, true, true},
      {GateId::reserve,
       {G::control, G::master, G::assist, G::front, G::rear, G::lines, G::circuit},
       true,
       true},
      {GateId::lock_order, {G::master, G::front, G::rear, G::lines, G::circuit, G::vehicle}},
      {GateId::bar, {G::control, G::master}},
      {GateId::release, {G::control, G::master, G::clutch, G::lines}, true, true},
      {GateId::bite, {G::control, G::master, G::clutch, G::lines}, true, true},
      {GateId::drag, {G::control, G::master, G::clutch, G::lines}, true, true},
      {GateId::holds,
       {G::control, G::master, G::assist, G::front, G::rear, G::lines, G::circuit},
       true,
       true},
      {GateId::full_lock, {G::control, G::master, G::lines}, false, true},
      {GateId::over_travel, {G::control, G::master, G::clutch}},
      {GateId::wear_room, {G::control, G::master, G::clutch}},
      {GateId::failed_circuit,
       {G::control, G::master, G::assist, G::front, G::rear, G::lines, G::circuit},
       true,
       true},
      {GateId::no_assist, {G::control, G::master, G::assist, G::front, G::rear}},
      {GateId::assist_drop, {G::assist, G::supply}, false, true},
      {GateId::single_signed, {G::master}},
      {GateId::deviation, {G::rod}},
      {GateId::retention, {G::control, G::rod}, false, true},
      {GateId::lamp, {G::control, G::rod}},
      {GateId::fluid, {G::lines}, true},
      {GateId::lines, {G::lines}, false, true},
      {GateId::firewall, {G::fit, G::unit}, false, true}};
  return list;
}

std::string written(double si) {
  return fmt::format("{:.9g}", si);
}

/// The moment tells a step that was done once more on the same day; older files keep the day alone.
std::string step_text(const StepRecord* r) {
  if (!r || !r->done) return "open";
  return "done " + r->date + (r->waits.empty() ? "" : " " + r->waits);
}

std::string part_text(const PartInHand& p) {
  return fmt::format("{}{}{}{}", p.here ? "here " : "", p.thread ? "thread " : "",
                     p.seat ? "seat " : "", p.place ? "place" : "");
}

/// The words of a value that was kept as text.
Message value_words(Param p, const std::string& text) {
  double si = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), si);
  if (text.empty() || error != std::errc() || end != text.data() + text.size()) return "unknown";
  const ParamInfo& i = info(p);
  if (i.kind != Kind::choice) return say("{}", amount(si, i.kind, i.digits));
  const auto option = static_cast<std::size_t>(std::max(0.0, si));
  return option < i.options.size() ? Message::of_table(i.options[option].words) : "unknown";
}

/// What a key of such a map speaks of, and that it changed.
Message change_words(const Job& job, const std::string& key, const std::string& was,
                     const std::string& is) {
  const std::size_t colon = key.find(':');
  const std::string kind = key.substr(0, colon);
  const std::string name = colon == std::string::npos ? std::string() : key.substr(colon + 1);
  if (kind == "value")
    if (const auto p = find_param(name))
      return say("{} was {}, is {}", Message::of_table(info(*p).words), value_words(*p, was),
                 value_words(*p, is));
  if (kind == "step") {
    for (const Step& s : install_steps(job))
      if (s.key == name) return say("“{}” was done, or undone", s.text);
    return "a step of the work was changed";
  }
  if (kind == "taken") return say("{} was counted again", name);
  if (kind == "part") return say("the part {} was changed", name);
  if (kind == "bled") return "it was bled again";
  return "something it rests on was changed";
}

}  // namespace

std::map<std::string, std::string> rests_on(const Job& job, GateId id) {
  std::map<std::string, std::string> all;
  const auto it =
      std::find_if(table().begin(), table().end(), [id](const Rests& r) { return r.gate == id; });
  if (it == table().end()) return all;
  for (const ParamInfo& p : all_params()) {
    if (std::find(it->groups.begin(), it->groups.end(), p.group) == it->groups.end()) continue;
    const Value v = value_of(job, As::plan, p.param);
    if (v.origin == Origin::measured) all["value:" + std::string(p.id)] = written(v.si);
  }
  for (const StepId step : steps_touching(id))
    all["step:" + std::string(key(step))] = step_text(record_of(job, step));
  if (it->wet)
    for (const auto& [place, r] : job.bleeding)
      all["bled:" + place] = fmt::format("{} {}", r.strokes, r.clear_strokes);
  if (id == GateId::retention)
    for (const TakenOff& t : job.taken_off)
      all["taken:" + t.name.substr(0, 60)] = fmt::format("{:.0f} {:.0f}", t.out, t.back);
  if (it->parts)
    for (const PartInHand& p : job.parts) all["part:" + p.name.substr(0, 60)] = part_text(p);
  return all;
}

Message lapsed(const Job& job, GateId id) {
  const GateRecord* const r = record_of(job, id);
  if (!r || r->state != GateState::passed || !is_moment(r->when)) return {};
  const auto now = rests_on(job, id);
  const auto of = [](const std::map<std::string, std::string>& all, const std::string& key) {
    const auto it = all.find(key);
    return it == all.end() ? std::string() : it->second;
  };
  std::string when = r->when;
  when[10] = ' ';
  const auto tell = [&](const std::string& key) {
    return say("Passed {}, but since then {}. Prove it again", when,
               change_words(job, key, of(r->rests_on, key), of(now, key)));
  };
  for (const auto& [key, is] : now) {
    // A step that an older version did not know, and that is open still, changed nothing.
    if (is == "open" && r->rests_on.count(key) == 0) continue;
    if (of(r->rests_on, key) != is) return tell(key);
  }
  for (const auto& [key, was] : r->rests_on)
    if (now.find(key) == now.end()) return tell(key);
  return {};
}

}  // namespace yoke
