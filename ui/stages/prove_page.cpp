#include "ui/stages/pages.hpp"

namespace yoke {

ProvePage::ProvePage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::prove, tr("Press it: is it air, clearance, or the wrong part?"),
                parent) {
  register_faces(
      {{"press", tr("Press by press"),
        [&session](QWidget* p) { return new PressFace(session, p); }},
       {"live", tr("At the instrument"),
        [&](QWidget* p) { return new LiveFace(session, dialogs, p); }},
       {"redo", tr("What to do again"),
        [&session](QWidget* p) { return new RedoFace(session, p); }},
       {"road", tr("On the road"), [&](QWidget* p) { return new RoadFace(session, dialogs, p); }},
       {"readings", tr("Readings and gates"),
        [&](QWidget* p) { return new ReadingsFace(session, dialogs, p); }}});
}

}  // namespace yoke
