#include "work/parts_gate.hpp"

#include <algorithm>
#include <charconv>
#include <chrono>

#include "plumbing/joints.hpp"

namespace yoke {

namespace {

std::optional<std::chrono::sys_days> day_of(std::string_view t) {
  if (!is_day(t)) return std::nullopt;
  const auto part = [&](std::size_t from, std::size_t count) {
    int v = 0;
    std::from_chars(t.data() + from, t.data() + from + count, v);
    return v;
  };
  return std::chrono::sys_days{std::chrono::year_month_day{
      std::chrono::year{part(0, 4)}, std::chrono::month{static_cast<unsigned>(part(5, 2))},
      std::chrono::day{static_cast<unsigned>(part(8, 2))}}};
}

PartState state_of(const PartInHand& p, std::size_t index, std::string_view today) {
  PartState s;
  s.index = index;
  const auto lack = [&](bool has, const char* what) {
    if (!has) s.lacks.emplace_back(what);
  };
  lack(p.here, "not here");
  lack(p.thread, "thread not tried by hand");
  lack(p.seat, "seat not looked at");
  lack(p.place, "not held in its place");
  s.ready = s.lacks.empty();
  if (!p.here) {
    s.days = days_between(today, p.promised);
    s.late = s.days && *s.days < 0;
  }
  return s;
}

/// Joints of new parts that somebody began to look at, and joints that cannot go together.
std::vector<Message> joints_not_good(const Job& job) {
  std::vector<Message> names;
  if (job.joints.empty()) return names;  // without a look at a line's side none can be wrong
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    const bool begun = j.joint.fresh && job.joints.count(j.joint.key) > 0;
    if (j.wrong() || (begun && !j.good())) names.push_back(j.joint.name);
  }
  return names;
}

}  // namespace

std::optional<int> days_between(std::string_view from, std::string_view to) {
  const auto a = day_of(from);
  const auto b = day_of(to);
  if (!a || !b) return std::nullopt;
  return static_cast<int>((*b - *a).count());
}

PartsGate parts_gate(const Job& job, std::string_view today) {
  PartsGate g;
  g.joints = joints_not_good(job);
  g.may_start = g.joints.empty();
  bool all_promised = true;
  std::string last;
  std::size_t holding = 0;
  for (std::size_t i = 0; i < job.parts.size(); ++i) {
    const PartInHand& p = job.parts[i];
    PartState s = state_of(p, i, today);
    if (p.before_apart && !s.ready) {
      g.may_start = false;
      ++holding;
      if (!p.here) {
        if (p.promised.empty()) {
          if (all_promised || !g.critical) g.critical = i;
          all_promised = false;
        } else if (all_promised && p.promised > last) {
          last = p.promised;
          g.critical = i;
        }
      }
    }
    g.parts.push_back(std::move(s));
  }
  const auto holds = [&](const PartState& s) {
    return !s.ready && job.parts[s.index].before_apart;
  };
  std::stable_sort(g.parts.begin(), g.parts.end(), [&](const PartState& a, const PartState& b) {
    if (holds(a) != holds(b)) return holds(a);
    return job.parts[a.index].promised > job.parts[b.index].promised;
  });
  if (holding == 0 && !g.joints.empty()) {
    g.sentence =
        say("Do not take it apart yet: joints not proved by hand: {}.", joined(g.joints, ", "));
  } else if (job.parts.empty()) {
    g.sentence = "No parts listed yet: list what must be in hand before the car comes apart.";
  } else if (g.may_start) {
    g.sentence = "All parts that are needed first are here and proved by hand: it may come apart.";
  } else {
    g.sentence = plural(static_cast<long>(holding),
                        "Do not take it apart yet: {} part is not proved by hand.",
                        "Do not take it apart yet: {} parts are not proved by hand.");
    const auto name = [&] { return Message::data(job.parts[*g.critical].name); };
    if (g.critical && all_promised && !last.empty()) {
      g.earliest = last < today ? std::string(today) : last;
      g.sentence = last < today
                       ? say("{} Last promised: {}, {}, which is past.", g.sentence, name(), last)
                       : say("{} Last promised: {}, {}.", g.sentence, name(), last);
    } else if (g.critical) {
      g.sentence = say("{} No day promised for: {}.", g.sentence, name());
    }
  }
  return g;
}

std::vector<std::size_t> due_reminders(const Job& job, std::string_view today, int within_days) {
  std::vector<std::size_t> due;
  for (std::size_t i = 0; i < job.later.size(); ++i)
    if (const auto d = days_between(today, job.later[i].date); d && *d <= within_days)
      due.push_back(i);
  return due;
}

}  // namespace yoke
