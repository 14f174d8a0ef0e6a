#include "document/param/bolting.hpp"
#include "document/param/hang.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "paint/fit_pictures.hpp"
#include "ui/faces/square_face.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

FitPage::FitPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::fit,
                tr("Will it bolt on square: pattern, plates, offset, rod angle, room?"), parent) {
  namespace P = param;
  const auto drawn = [&session](const QString& heading, std::initializer_list<Param> asked,
                                const QString& name, auto picture, const char* figures) {
    return [&session, heading, asked = of_plan(asked), name, picture, figures](QWidget* p) {
      return new DrawnFace(
          session, heading, asked, name,
          [&session, picture](QSizeF size) {
            return picture(session.job(), session.style(), size);
          },
          {figures}, p);
    };
  };
  register_faces(
      {{"square", tr("Square"), [&](QWidget* p) { return new SquareFace(session, p); }},
       {"offset", tr("Off axis"),
        drawn(tr("Gaps, and what was done against them"),
              {P::fit_gap_side, P::fit_shift_unit, P::fit_shift_pedal, P::fit_lug, P::fit_gap_up,
               P::fit_shift_up, P::control_rod_length},
              tr("Offset from above"), offset_picture, "offset")},
       {"pattern", tr("Pattern and template"),
        [&](QWidget* p) { return new PatternFace(session, dialogs, p); }},
       {"stack", tr("Stack"),
        drawn(tr("What the studs pass through"),
              {P::unit_stud_length, P::unit_stud_size, P::unit_flange, P::rod_stack, P::fit_plate,
               P::fit_plate_metal, P::fit_panel, P::fit_boxed, P::fit_washer},
              tr("Stack in section"), stack_picture, "flange")},
       {"room", tr("Room"), [&](QWidget* p) { return new RoomFace(session, p); }},
       {"attitude", tr("How it hangs"),
        drawn(tr("Angles by a phone's level, and the bottle's height"),
              {P::fit_master_nose, P::fit_servo_nose, P::fit_breather, P::fit_head,
               P::fit_head_side, P::fit_lean},
              tr("How it hangs"), attitude_picture, "attitude")}});
}

}  // namespace yoke
