#include <QGridLayout>
#include <QHBoxLayout>
#include <QStyle>
#include <algorithm>
#include <cmath>

#include "document/as_built.hpp"
#include "document/param/assist.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/fluid_plan.hpp"
#include "document/param/lines.hpp"
#include "document/param/supply.hpp"
#include "document/param/symptom.hpp"
#include "paint/bleed_pictures.hpp"
#include "paint/feed_picture.hpp"
#include "paint/sections.hpp"
#include "paint/way_pictures.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "session/work_sheet.hpp"
#include "ui/faces/picture_face.hpp"
#include "ui/printing.hpp"
#include "ui/stages/pages.hpp"
#include "work/bleeding.hpp"
#include "work/dead_stroke.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

/// What the unit loses before it delivers is measured here, and taken over with a button.
DrawnFace* pedal_face(Session& session, const PictureView::Make& drawing, QWidget* parent) {
  auto* face = new DrawnFace(session, DrawnFace::tr("Pushed until it delivers"),
                             {{As::plan, param::bleed_dead1},
                              {As::plan, param::bleed_dead2},
                              {As::found, param::symptom_push},
                              {As::plan, param::bleed_presses},
                              {As::plan, param::bleed_refill}},
                             DrawnFace::tr("The pedal expected now"), drawing,
                             {"expected", "dead_stroke", "ports", "reserve"}, parent);
  auto* take = new QPushButton(DrawnFace::tr("Compute the pedal with these"), face);
  take->setObjectName(QStringLiteral("bleed:take_dead"));
  QObject::connect(take, &QPushButton::clicked, face, [&session] {
    session.edit(DrawnFace::tr("Cut-offs as pushed"), [](Job& j) { (void)take_dead_stroke(j); });
  });
  face->left()->addWidget(take);
  face->left()->addWidget(
      label(DrawnFace::tr("Fluid squirts from an open outlet: goggles, and a cloth over it."),
            "caution", face));
  return face;
}

}  // namespace

PlumbPage::PlumbPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::plumb, tr("Which outlet feeds which wheel, and by what line?"),
                parent) {
  const auto feeds = [&session](QSizeF size) {
    return feed_picture(feed_drawing(session.job()), session.style(), size);
  };
  register_faces(
      {{"outlets", tr("From outlet to wheel"),
        [&session](QWidget* p) { return new OutletsFace(session, p); }},
       {"lines", tr("Lines to make"),
        [&session, &dialogs](QWidget* p) { return new TubesFace(session, dialogs, p); }},
       {"feeds", tr("What feeds the assist"), [&session, feeds](QWidget* p) {
          return new DrawnFace(
              session, tr("Its wires, or its hose"),
              of_plan({param::supply_wire_length, param::supply_wire_area, param::supply_fuse,
                       param::supply_wake, param::supply_ground, param::supply_nipple,
                       param::supply_valve_way, param::assist_vacuum}),
              tr("What feeds the assist"), feeds, {"supply"}, p);
        }}});
}

PictureView* PlumbPage::drawing() {
  return outlets()->drawing();
}

OutletsFace* PlumbPage::outlets() {
  return static_cast<OutletsFace*>(face_of("outlets"));
}

TubesFace* PlumbPage::tubes() {
  return static_cast<TubesFace*>(face_of("lines"));
}

BleedPage::BleedPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::bleed, tr("By which way, in which order, and is the air out?"),
                parent) {
  const auto pedal = [&session](QSizeF size) {
    return expected_picture(expected_pedals(session.job()), session.style(), size);
  };
  const auto change = [&session](QSizeF size) {
    return change_picture(clean_change(session.job()), session.style(), size);
  };
  const auto fluid = [&session](QSizeF size) {
    return fluid_picture(fluid_plan(session.job()), session.style(), size);
  };
  register_faces(
      {{"coach", tr("Count the strokes"),
        [&session](QWidget* p) { return new CoachFace(session, p); }},
       {"way", tr("Which way"), [&session](QWidget* p) { return new WayFace(session, p); }},
       {"pedal", tr("The pedal now"),
        [&session, pedal](QWidget* p) { return pedal_face(session, pedal, p); }},
       {"fluid", tr("The fluid"),
        [&session, fluid](QWidget* p) {
          auto* face = new DrawnFace(session, tr("What goes in, and what is in it"),
                                     {{As::found, param::fluid_grade},
                                      {As::plan, param::fluid_grade},
                                      {As::plan, param::fluid_maker},
                                      {As::plan, param::fluid_antilock},
                                      {As::plan, param::fluid_clutch},
                                      {As::plan, param::fluid_rubber},
                                      {As::plan, param::fluid_opened},
                                      {As::plan, param::fluid_bottle}},
                                     tr("The fluid"), fluid, {"fluid"}, p);
          face->say_whose();
          return face;
        }},
       {"change", tr("The clean change"),
        [&session, change](QWidget* p) {
          return new PictureFace(tr("The clean change"), change, p);
        }},
       {"purge", tr("Purge by the steering"),
        [&session](QWidget* p) { return new PurgeFace(session, p); }},
       {"wiped", tr("Dry or wet"), [&session](QWidget* p) { return new WipeFace(session, p); }}});
}

bool BleedPage::go_to_place(const QString& place) {
  if (!place.startsWith(QLatin1String("nipple:"))) return StagePage::go_to_place(place);
  show_face("coach");
  coach()->go_to(place.mid(7).toStdString());
  return true;
}

}  // namespace yoke
