#include "ui/stages/pages.hpp"

namespace yoke {

SizePage::SizePage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::size,
                tr("Which bore and ratio give the wanted pedal, in all conditions, and why not the "
                   "others?"),
                parent) {
  register_faces(
      {{"map", tr("Map"), [&](QWidget* p) { return new MapFace(session, p); }},
       {"units", tr("Units"), [&](QWidget* p) { return new UnitsFace(session, dialogs, p); }},
       {"assist", tr("Assist"), [&](QWidget* p) { return new AssistFace(session, p); }},
       {"later", tr("Parts in hand, later"),
        [&](QWidget* p) { return new LaterFace(session, p); }}});
}

void SizePage::refresh() {
  set_note(shows("map") ? map_face()->note() : QString());
  StagePage::refresh();
}

}  // namespace yoke
