#include "survey/slack.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/symptom.hpp"

#include <algorithm>

namespace yoke {

SlackBudget slack_budget(const Values& v) {
  SlackBudget b;
  const auto ratio = arm_ratio(v);
  const auto at_rod = [&](Param p, const char* words) {
    if (!v.known(p))
      b.missing.emplace_back(words);
    else if (!ratio)
      b.missing.push_back(say("{} (both pedal arms are needed)", words));
    else
      b.parts.push_back({words, std::max(0.0, v.si(p)) * *ratio});
  };
  at_rod(param::symptom_rod_play, "rod play");
  at_rod(param::symptom_pin_wear, "pin in its holes");
  if (v.known(param::symptom_pivot_play))
    b.parts.push_back({"worn pivot", v.si(param::symptom_pivot_play)});
  else
    b.missing.emplace_back("worn pivot");
  const bool boosted = v.is(choice::AssistKind::vacuum) || v.is(choice::AssistKind::hydraulic) ||
                       v.is(choice::AssistKind::electric);
  if (boosted && ratio)
    b.parts.push_back(
        {"booster's own lost travel and output gap",
         (v.si(param::assist_travel_working) + std::max(0.0, v.si(param::assist_output_gap))) *
             *ratio});
  std::stable_sort(b.parts.begin(), b.parts.end(),
                   [](const SlackPart& x, const SlackPart& y) { return x.pad_m > y.pad_m; });
  for (const SlackPart& p : b.parts) b.sum_m += p.pad_m;
  if (v.known(param::symptom_first) && v.si(param::symptom_first) > 0)
    b.share_of_first = std::min(1.0, b.sum_m / v.si(param::symptom_first));
  return b;
}

}  // namespace yoke
