#include "ui/step_picture.hpp"

#include "assembly/assemble.hpp"
#include "document/values.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/net_picture.hpp"
#include "paint/sections.hpp"
#include "rod/rod.hpp"
#include "work/bleeding.hpp"

namespace yoke {

Picture step_picture(const Job& job, StepPicture which, const Style& style, QSizeF size) {
  switch (which) {
    case StepPicture::none:
      return {};
    case StepPicture::heights:
      // No floor under a hand lever: the rod shows where it rests.
      if (!pulled_by_hand(job)) return heights_picture(job, style, size);
      [[fallthrough]];
    case StepPicture::rod:
      return rod_section_picture(job, rod_report(job), style, size);
    case StepPicture::pattern:
      return pattern_picture(job, style, size);
    case StepPicture::stack:
      return stack_picture(job, style, size);
    case StepPicture::room:
      return room_picture(job, style, size);
    case StepPicture::gap:
      return gap_picture(job, style, size);
    case StepPicture::net:
      return net_picture(net_drawing(job, {}), size);
    case StepPicture::angles:
      return attitude_picture(job, style, size);
    case StepPicture::bleeding:
      return bleed_picture(job, bleed_plan(job), size);
  }
  return {};
}

}  // namespace yoke
