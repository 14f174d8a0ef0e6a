#include "ui/stages/pages.hpp"

namespace yoke {

ProvePage::ProvePage(Session& session, QWidget* parent)
    : StagePage(session, Stage::prove, tr("Press it: is it air, clearance, or the wrong part?"),
                parent) {
  register_faces({{"press", tr("Press by press"),
                   [&session](QWidget* p) { return new PressFace(session, p); }},
                  {"readings", tr("Readings and gates"),
                   [&session](QWidget* p) { return new ReadingsFace(session, p); }}});
}

}  // namespace yoke
