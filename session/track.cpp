#include "session/track.hpp"

#include "session/texts.hpp"

namespace yoke {

Track track_of(const InstallView& view, std::optional<std::size_t> chosen, const Style& style) {
  Track t;
  for (const StepRow& row : view.steps) {
    TrackStep s;
    s.state = row.state == StepState::done    ? TrackStep::State::done
              : row.state == StepState::ready ? TrackStep::State::ready
                                              : TrackStep::State::waits;
    s.place = row.step.place;
    s.hands = row.step.hands;
    s.wait_s = row.step.wait_s;
    s.too_soon = !row.too_soon.empty();
    s.name = text_of(row.step.text, style);
    for (const NeedRow& n : row.needs) s.needs.push_back(n.step);
    t.steps.push_back(std::move(s));
  }
  if (!t.steps.empty()) t.chosen = chosen;
  return t;
}

QString call_words(const Call& call, const Style& style) {
  return QStringList{
      text_of(say("You: {}", call.you), style), text_of(say("Helper: {}", call.helper), style),
      text_of(say("Call: {}", call.words), style), text_of(say("Alone: {}", call.alone), style)}
      .join(QLatin1Char('\n'));
}

}  // namespace yoke
