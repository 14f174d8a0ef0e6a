#include "logbook/log.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "document/moment.hpp"

namespace yoke {

namespace {

constexpr long long kFresh_s = 600;  // so long a line is still the same one

Event event(EventKind kind, Stage stage, const std::string& when, std::string subject,
            std::string was = {}, std::string is = {}) {
  Event e;
  e.kind = kind;
  e.stage = stage;
  e.when = when;
  e.subject = std::move(subject);
  e.was = std::move(was);
  e.is = std::move(is);
  return e;
}

std::string told(const std::optional<Measured>& m) {
  return !m ? std::string() : m->known() ? fmt::format("{:.9g}", m->si) : std::string("?");
}

Stage stage_of(Group group) {
  switch (group) {
    case Group::target:
    case Group::unit:
      return Stage::size;
    case Group::fit:
      return Stage::fit;
    case Group::rod:
      return Stage::rod;
    case Group::lines:
    case Group::circuit:
      return Stage::plumb;
    default:
      return Stage::survey;
  }
}

class Lines {
 public:
  Lines(const Job& before, const Job& after, const std::string& when)
      : before_(before), after_(after), when_(when) {}
  std::vector<Event> take() {
    sheets();
    records();
    lists();
    return std::move(list_);
  }

 private:
  void add(EventKind kind, Stage stage, std::string subject, std::string was = {},
           std::string is = {}, std::string who = {}) {
    list_.push_back(event(kind, stage, when_, std::move(subject), std::move(was), std::move(is)));
    list_.back().who = std::move(who);
  }

  void sheet(EventKind kind, const MeasuredSet& was, const MeasuredSet& is) {
    if (was == is) return;
    for (const ParamInfo& p : all_params()) {
      if (was.at(p.param) == is.at(p.param)) continue;
      // What was seen and read while proving is of Prove, wherever its value is kept.
      add(kind, kind == EventKind::built ? Stage::install : stage_of(p.group), std::string(p.id),
          told(was.at(p.param)), told(is.at(p.param)));
    }
  }
  void sheets() {
    sheet(EventKind::measured, before_.found, after_.found);
    sheet(EventKind::planned, before_.plan, after_.plan);
    sheet(EventKind::built, before_.built, after_.built);
  }

  template <class Map, class F>
  void each_changed(const Map& was, const Map& is, F&& f) {
    static const typename Map::mapped_type none{};
    for (const auto& [key, now] : is) {
      const auto it = was.find(key);
      const auto& old = it == was.end() ? none : it->second;
      if (!(old == now)) f(key, old, now);
    }
    for (const auto& [key, old] : was)
      if (is.find(key) == is.end()) f(key, old, none);
  }

  void photo(const std::string& subject, const std::string& was, const std::string& is, Stage s) {
    if (was != is && !is.empty()) add(EventKind::photo, s, subject, was, is);
  }

  void records() {
    each_changed(before_.steps, after_.steps,
                 [&](const std::string& key, const StepRecord& was, const StepRecord& is) {
                   photo(key, was.photo, is.photo, Stage::install);
                   if (was.done != is.done || was.waits != is.waits)
                     add(EventKind::step, Stage::install, key, was.done ? "done" : "open",
                         is.done ? "done" : "open");
                 });
    each_changed(before_.bleeding, after_.bleeding,
                 [&](const std::string& key, const BleedRecord& was, const BleedRecord& is) {
                   add(EventKind::bled, Stage::bleed, key, std::to_string(was.strokes),
                       std::to_string(is.strokes));
                 });
    each_changed(before_.gates, after_.gates,
                 [&](const std::string& key, const GateRecord& was, const GateRecord& is) {
                   photo(key, was.photo, is.photo, Stage::prove);
                   if (was.state != is.state || was.when != is.when)
                     add(EventKind::proof, Stage::prove, key, std::string(key_of(was.state)),
                         std::string(key_of(is.state)), is.who);
                 });
    each_changed(before_.permits, after_.permits,
                 [&](const std::string& key, const RoadPermit&, const RoadPermit& is) {
                   add(EventKind::road, Stage::prove, key, {}, is.who);
                 });
    each_changed(before_.heat, after_.heat,
                 [&](const std::string& key, const WheelHeat&, const WheelHeat& is) {
                   add(EventKind::road, Stage::prove, "heat:" + key, {},
                       fmt::format("{:.0f}", is.celsius));
                 });
    if (before_.state != after_.state)
      add(EventKind::state, Stage::record, {}, std::string(key_of(before_.state)),
          std::string(key_of(after_.state)));
  }

  template <class List>
  void counted(EventKind kind, Stage stage, const char* name, List Job::*member) {
    if (before_.*member == after_.*member) return;
    add(kind, stage, name, std::to_string((before_.*member).size()),
        std::to_string((after_.*member).size()));
  }

  void parts() {
    for (const PartInHand& now : after_.parts) {
      const auto it = std::find_if(before_.parts.begin(), before_.parts.end(),
                                   [&](const PartInHand& p) { return p.name == now.name; });
      const PartInHand old = it == before_.parts.end() ? PartInHand{} : *it;
      if (now.here != old.here)
        add(EventKind::part, Stage::size, now.name, old.here ? "here" : "waited for",
            now.here ? "here" : "waited for");
      else if (!(now == old))
        add(EventKind::part, Stage::size, now.name);
    }
    for (const PartInHand& old : before_.parts)
      if (std::none_of(after_.parts.begin(), after_.parts.end(),
                       [&](const PartInHand& p) { return p.name == old.name; }))
        add(EventKind::part, Stage::size, old.name, {}, "gone");
  }

  void lists() {
    parts();
    counted(EventKind::read, Stage::prove, "readings", &Job::readings);
    counted(EventKind::read, Stage::survey, "before", &Job::before);
    if (!(before_.pump == after_.pump)) add(EventKind::read, Stage::prove, "pump");
    counted(EventKind::road, Stage::prove, "stops", &Job::stops);
    counted(EventKind::other, Stage::size, "candidates", &Job::candidates);
    counted(EventKind::other, Stage::size, "later", &Job::later);
    counted(EventKind::other, Stage::fit, "boxes", &Job::boxes);
    counted(EventKind::other, Stage::install, "own_steps", &Job::own_steps);
    counted(EventKind::other, Stage::install, "order_facts", &Job::order_facts);
    counted(EventKind::other, Stage::install, "taken_off", &Job::taken_off);
    counted(EventKind::other, Stage::plumb, "tubes", &Job::tubes);
    counted(EventKind::other, Stage::plumb, "joints", &Job::joints);
    counted(EventKind::other, Stage::prove, "calibrations", &Job::calibrations);
    counted(EventKind::other, Stage::prove, "recordings", &Job::recordings);
    counted(EventKind::other, Stage::record, "points", &Job::points);
    if (before_.tube_corners != after_.tube_corners && before_.tubes == after_.tubes)
      add(EventKind::other, Stage::plumb, "tubes");
    for (const TakenOff& t : after_.taken_off)
      for (const TakenOff& old : before_.taken_off)
        if (t.name == old.name) photo(t.name, old.photo, t.photo, Stage::install);
    if (before_.title != after_.title || before_.vehicle != after_.vehicle ||
        before_.notes != after_.notes)
      add(EventKind::other, Stage::record, "words");
  }

  const Job& before_;
  const Job& after_;
  const std::string& when_;
  std::vector<Event> list_;
};

bool takes_up(const Event& last, const Event& next) {
  if (last.kind != next.kind || last.subject != next.subject || entered_by_hand(next.kind))
    return false;
  // A proof that was given is a line of its own; so is a step.
  if (next.kind == EventKind::proof || next.kind == EventKind::state) return false;
  const auto apart = seconds_between(last.when, next.when);
  return apart && *apart >= 0 && *apart <= kFresh_s;
}

/// A full book loses a tenth of its lines, those read from edits first, and says so.
void make_room(Job& job) {
  if (job.events.size() < kMostLogged) return;
  const std::size_t wanted = kMostLogged / 10;
  std::vector<Event> kept;
  std::size_t gone = 0;
  std::string last;
  for (Event& e : job.events) {
    const bool goes = gone < wanted && !entered_by_hand(e.kind) && e.kind != EventKind::proof;
    if (goes) {
      ++gone;
      last = e.when;
    } else {
      kept.push_back(std::move(e));
    }
  }
  while (gone < wanted && !kept.empty()) {
    last = kept.front().when;
    kept.erase(kept.begin());
    ++gone;
  }
  Event note = event(EventKind::note, Stage::record, last, "left_out");
  note.is = std::to_string(gone);
  kept.insert(kept.begin(), std::move(note));
  job.events = std::move(kept);
}

}  // namespace

std::vector<Event> events_between(const Job& before, const Job& after, const std::string& when) {
  return Lines(before, after, when).take();
}

bool entered_by_hand(EventKind kind) {
  return kind >= EventKind::worked && kind != EventKind::undone;
}

void log_events(Job& job, std::vector<Event> events, std::size_t written) {
  for (Event& e : events) {
    const std::size_t n = job.events.size();
    // The same thing may stand a few lines back: an edit is often worth several.
    bool taken = false;
    for (std::size_t i = n; !taken && i > std::max(written, n > 8 ? n - 8 : 0); --i) {
      Event& last = job.events[i - 1];
      if (!takes_up(last, e)) continue;
      last.is = e.is;
      last.when = e.when;
      taken = true;
    }
    if (taken) continue;
    make_room(job);
    job.events.push_back(std::move(e));
  }
}

void log_undone(Job& older, const Job& now, std::size_t written, const std::string& what,
                const std::string& when) {
  const std::size_t kept = std::min(written, now.events.size());
  if (older.events.size() >= kept) return;
  older.events.assign(now.events.begin(), now.events.begin() + static_cast<std::ptrdiff_t>(kept));
  make_room(older);
  Event e = event(EventKind::undone, Stage::record, when, {});
  e.note = what;
  older.events.push_back(std::move(e));
}

}  // namespace yoke
