// Time and money by stage, and what would have saved some of it.
#include <algorithm>
#include <charconv>
#include <cmath>
#include <map>

#include "document/moment.hpp"
#include "logbook/log.hpp"
#include "proving/gates.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

std::optional<double> number_of(const std::string& text) {
  double v = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), v);
  if (text.empty() || error != std::errc() || end != text.data() + text.size()) return std::nullopt;
  return v;
}

bool done(const Event& e) {
  return e.kind == EventKind::step && e.is == "done";
}

/// Since then parts of the car are off.
std::string apart_since(const Job& job) {
  for (const Event& e : job.events)
    if (done(e) && e.subject.rfind("out.", 0) == 0) return e.when;
  return {};
}

/// Parts that came when the car was apart already.
void late_parts(const Job& job, std::vector<Saving>& list) {
  const std::string since = apart_since(job);
  if (since.empty()) return;
  for (const Event& e : job.events) {
    if (e.kind != EventKind::part || e.is != "here" || e.when <= since) continue;
    const auto it = std::find_if(job.parts.begin(), job.parts.end(),
                                 [&](const PartInHand& p) { return p.name == e.subject; });
    if (it != job.parts.end() && !it->before_apart) continue;
    const auto waited = seconds_between(since, e.when);
    const double s = waited ? static_cast<double>(*waited) : 0;
    list.push_back({say("{} came {} after the car was apart", e.subject, time_words(s)),
                    "All parts on the bench, screwed together by hand, before anything comes off",
                    s});
  }
}

/// Told twice, and further apart than both could be measured, when work had begun.
void measured_again(const Job& job, std::vector<Saving>& list) {
  bool begun = false;
  std::map<std::string, bool> told;
  for (const Event& e : job.events) {
    begun = begun || done(e);
    if (!begun || (e.kind != EventKind::measured && e.kind != EventKind::planned)) continue;
    const auto was = number_of(e.was), is = number_of(e.is);
    const auto p = find_param(e.subject);
    if (!was || !is || !p || told[e.subject]) continue;
    const double usual = default_uncertainty_si(usual_tool(*p, *is), info(*p).kind, *is);
    if (std::abs(*was - *is) <= 2 * usual) continue;
    told[e.subject] = true;
    list.push_back(
        {say("{} was entered anew after work had begun", Message::of_table(info(*p).words)),
         "Measure it twice, by two ways, before parts are ordered and cut", 0});
  }
}

/// Done, opened, and done once more.
template <class Is, class Name>
void done_over(const Job& job, const Is& is, const Name& name, const char* instead,
               std::vector<Saving>& list) {
  std::map<std::string, int> times;
  for (const Event& e : job.events)
    if (is(e)) ++times[e.subject];
  for (const auto& [subject, n] : times)
    if (n > 1) list.push_back({say("“{}” was done {} times", name(subject), n), instead, 0});
}

void wasted(const Job& job, std::vector<Saving>& list) {
  for (const Event& e : job.events)
    if (e.kind == EventKind::wasted && e.seconds > 0)
      list.push_back({e.note.empty()
                          ? say("{} were called wasted", time_words(e.seconds))
                          : say("{} were called wasted: {}", time_words(e.seconds), e.note),
                      "Write down why, and look here before the next job", e.seconds});
}

}  // namespace

std::vector<StageTime> time_by_stage(const Job& job) {
  std::vector<StageTime> list;
  for (const Stage s : kStages) list.push_back({s, 0, 0, 0, 0, 0, {}, {}});
  for (const Event& e : job.events) {
    StageTime& t = list[static_cast<std::size_t>(e.stage)];
    ++t.lines;
    if (t.first.empty() || e.when < t.first) t.first = e.when;
    t.last = std::max(t.last, e.when);
    if (e.kind == EventKind::worked) t.worked_s += e.seconds;
    if (e.kind == EventKind::waited) t.waited_s += e.seconds;
    if (e.kind == EventKind::wasted) t.wasted_s += e.seconds;
    if (e.kind == EventKind::cost) t.money += e.money;
  }
  return list;
}

std::vector<Saving> would_have_saved(const Job& job) {
  std::vector<Saving> list;
  late_parts(job, list);
  measured_again(job, list);
  const std::vector<Step> steps = install_steps(job);
  done_over(
      job, done,
      [&](const std::string& key) {
        const auto it =
            std::find_if(steps.begin(), steps.end(), [&](const Step& s) { return s.key == key; });
        return it == steps.end() ? Message::data(key) : it->text;
      },
      "Look under Install at what a step needs before it is begun", list);
  done_over(
      job, [](const Event& e) { return e.kind == EventKind::proof && e.is == "passed"; },
      [](const std::string& key) { return gate_words(key); },
      "Prove last what other work opens again: Install says what each step disturbs", list);
  wasted(job, list);
  std::stable_sort(list.begin(), list.end(),
                   [](const Saving& a, const Saving& b) { return a.seconds > b.seconds; });
  return list;
}

}  // namespace yoke
