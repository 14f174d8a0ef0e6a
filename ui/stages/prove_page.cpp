#include "ui/stages/pages.hpp"

namespace yoke {

ProvePage::ProvePage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::prove, tr("Press it: is it air, clearance, or the wrong part?"),
                parent) {
  register_faces({{"press", tr("Press by press"),
                   [&session](QWidget* p) { return new PressFace(session, p); }},
                  {"live", tr("At the instrument"),
                   [&](QWidget* p) { return new LiveFace(session, dialogs, p); }},
                  {"road", tr("On the road"), [&](QWidget* p) { return new RoadFace(session, p); }},
                  {"readings", tr("Readings and gates"),
                   [&session](QWidget* p) { return new ReadingsFace(session, p); }}});
}

}  // namespace yoke
