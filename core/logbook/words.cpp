// A line of the logbook in words.
#include <charconv>
#include <cmath>

#include "logbook/log.hpp"
#include "proving/gates.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

Message value_text(Param p, const std::string& text) {
  if (text.empty()) return "not entered";
  double si = 0;
  const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), si);
  if (error != std::errc() || end != text.data() + text.size()) return "unknown";
  const ParamInfo& i = info(p);
  if (i.kind != Kind::choice) return say("{}", amount(si, i.kind, i.digits));
  const auto option = static_cast<std::size_t>(std::max(0.0, si));
  return option < i.options.size() ? Message::of_table(i.options[option].words) : "unknown";
}

Message value_line(const Event& e) {
  const auto p = find_param(e.subject);
  if (!p) return Message::data(e.subject);
  const Message name = Message::of_table(info(*p).words);
  const Message was = value_text(*p, e.was), is = value_text(*p, e.is);
  if (e.was == e.is) return say("{}: how it was measured", name);
  return e.was.empty() ? say("{}: {}", name, is) : say("{}: {} → {}", name, was, is);
}

Message step_name(const Job& job, const std::string& key) {
  for (const Step& s : install_steps(job))
    if (s.key == key) return s.text;
  if (key.rfind("own:", 0) == 0) return Message::data(key.substr(4));
  if (key.rfind("after:", 0) == 0) return "looked after once more";
  return "a step that this job no longer has";
}

Message place_name(const std::string& key) {
  if (key == "bench") return "the master on the bench";
  if (key == "slave") return "the slave";
  for (const Wheel w : kWheels)
    if (wheel_key(w) == key) return Message::of_table(wheel_words(w));
  return Message::data(key);
}

/// Lists that are counted.
Message list_name(const std::string& name) {
  static constexpr std::pair<std::string_view, const char*> kNames[] = {
      {"readings", "readings of the pedal"},
      {"before", "readings as found"},
      {"pump", "pumped and held"},
      {"stops", "stops on the road"},
      {"candidates", "units that are thought about"},
      {"later", "later conversions"},
      {"boxes", "what stands near the unit"},
      {"own_steps", "steps of your own"},
      {"order_facts", "order of the work"},
      {"taken_off", "counted out and in"},
      {"tubes", "lines to bend"},
      {"joints", "joints"},
      {"calibrations", "two known points"},
      {"recordings", "presses recorded"},
      {"points", "open points"},
      {"words", "title, vehicle or notes"}};
  for (const auto& [key, words] : kNames)
    if (key == name) return words;
  return Message::data(name);
}

Message counted(const Event& e) {
  const Message name = list_name(e.subject);
  return e.was == e.is ? say("{}: changed", name) : say("{}: {} → {}", name, e.was, e.is);
}

Message road_line(const Event& e) {
  if (e.subject.rfind("heat:", 0) == 0)
    return say("heat of the wheel {}: {} °C", place_name(e.subject.substr(5)), e.is);
  if (e.subject == "stops") return counted(e);
  if (const auto stage = find_value<RoadStage>(e.subject))
    return say("{}: answered for by {}", Message::of_table(words_of_value(*stage)), e.is);
  return Message::data(e.subject);
}

Message timed(const Message& what, const Event& e) {
  const Message time = time_words(e.seconds);
  return e.note.empty() ? say("{}: {}", what, time) : say("{}: {}, {}", what, time, e.note);
}

Message photo_line(const Job& job, const Event& e) {
  if (find_gate(e.subject)) return say("photo of “{}”", gate_words(e.subject));
  for (const TakenOff& t : job.taken_off)
    if (t.name == e.subject) return say("photo of {}", t.name);
  return say("photo of “{}”", step_name(job, e.subject));
}

template <class Enum>
Message word_of(const std::string& key) {
  const auto v = find_value<Enum>(key);
  return v ? Message::of_table(words_of_value(*v)) : Message::data(key);
}

Message hand_line(const Event& e) {
  const Message what = Message::of_table(words_of_value(e.kind));
  switch (e.kind) {
    case EventKind::cost:
      return e.note.empty() ? say("{}: {}", what, Plain{e.money, 2})
                            : say("{}: {}, {}", what, Plain{e.money, 2}, e.note);
    case EventKind::note:
      return e.subject == "left_out"
                 ? say("{} earlier lines were left out: the book was full", e.is)
                 : Message::data(e.note);
    case EventKind::undone:
      return say("undone: {}", e.note);
    case EventKind::moved:
      return say("moved by hand meanwhile: {}", e.note);
    default:
      return timed(what, e);
  }
}

}  // namespace

Message time_words(double s) {
  const long minutes = std::lround(std::max(0.0, s) / 60);
  if (minutes < 60) return say("{} min", static_cast<int>(minutes));
  constexpr long kDay = 24L * 60;
  if (minutes >= 2 * kDay)
    return plural(std::lround(static_cast<double>(minutes) / static_cast<double>(kDay)), "{} day",
                  "{} days");
  if (minutes % 60 == 0) return say("{} h", static_cast<int>(minutes / 60));
  return say("{} h {} min", static_cast<int>(minutes / 60), static_cast<int>(minutes % 60));
}

Message event_words(const Job& job, const Event& e) {
  switch (e.kind) {
    case EventKind::measured:
    case EventKind::planned:
    case EventKind::built:
      return value_line(e);
    case EventKind::step:
      return e.is == "done" ? say("“{}” done", step_name(job, e.subject))
                            : say("“{}” open again", step_name(job, e.subject));
    case EventKind::part:
      return e.is.empty()     ? say("{}: looked at", e.subject)
             : e.is == "here" ? say("{}: here", e.subject)
             : e.is == "gone" ? say("{}: taken off the list", e.subject)
                              : say("{}: waited for", e.subject);
    case EventKind::bled:
      return say("{}: {} counts", place_name(e.subject), e.is);
    case EventKind::proof:
      return e.who.empty()
                 ? say("“{}”: {}", gate_words(e.subject), word_of<GateState>(e.is))
                 : say("“{}”: {}, by {}", gate_words(e.subject), word_of<GateState>(e.is), e.who);
    case EventKind::road:
      return road_line(e);
    case EventKind::photo:
      return photo_line(job, e);
    case EventKind::state:
      return say("the job: {}", word_of<JobState>(e.is));
    case EventKind::read:
      return e.subject == "pump" ? list_name(e.subject) : counted(e);
    case EventKind::other:
      return e.subject == "words" ? list_name(e.subject) : counted(e);
    default:
      return e.who.empty() ? hand_line(e) : say("{}, by {}", hand_line(e), e.who);
  }
}

}  // namespace yoke
