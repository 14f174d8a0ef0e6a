#include "assembly/assemble.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/unit.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/sections.hpp"
#include "rod/rod.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

RodPage::RodPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::rod, tr("How long, how many turns, how much thread is left?"),
                parent) {
  namespace P = param;
  const auto section = [&session](QSizeF size) {
    return rod_section_picture(session.job(), rod_report(session.job()), session.style(), size);
  };
  const auto ends = [&session](QSizeF size) {
    return rod_ends_picture(session.job(), session.style(), size);
  };
  const auto gap = [&session, section](QSizeF size) {
    return has_assist(session.job(), As::plan) ? gap_picture(session.job(), session.style(), size)
                                               : section(size);
  };
  const auto heights = [&session, section](QSizeF size) {
    // No floor under a hand lever: the rod shows where it rests.
    return pulled_by_hand(session.job()) ? section(size)
                                         : heights_picture(session.job(), session.style(), size);
  };
  auto asked = of_plan({P::rod_height_wish, P::rod_pedal_stop, P::rod_accelerator, P::lamp_switch,
                        P::rod_lamp_travel, P::lamp_arm, P::lamp_pitch, P::lamp_closes});
  asked.insert(asked.begin(), {As::found, P::control_rest_height});
  register_faces(
      {{"length", tr("Length"), [&](QWidget* p) { return new LengthFace(session, p); }},
       {"ends", tr("Ends and turns"),
        [&session, ends](QWidget* p) {
          return new DrawnFace(
              session, tr("Threads of both ends"),
              of_plan({P::rod_end, P::rod_coupling, P::rod_pitch, P::rod_pitch2, P::rod_diameter,
                       P::rod_engaged, P::rod_thread_spare, P::rod_engaged2, P::rod_thread_spare2,
                       P::rod_jam, P::rod_height_wish}),
              tr("Rod and thread"), ends, {"ends"}, p);
        }},
       {"gaps", tr("Clearances"),
        [&session, gap](QWidget* p) {
          return new DrawnFace(
              session, tr("Gaps, proofs, and what keeps the rod in"),
              of_plan({P::control_rod_clearance, P::rod_recess, P::rod_gasket, P::rod_stick_off,
                       P::rod_stick_on, P::rod_returns, P::rod_returns_hot, P::unit_rod_kept,
                       P::rod_pull, P::rod_staked, P::rod_signed}),
              tr("Output rod"), gap, {"gaps", "retained"}, p);
        }},
       {"heights", tr("Pedal, accelerator, lamp"), [&session, asked, heights](QWidget* p) {
          return new DrawnFace(session, tr("Heights and the lamp's switch"), asked, tr("Heights"),
                               heights, {"lamps", "heights"}, p);
        }}});
}

}  // namespace yoke
