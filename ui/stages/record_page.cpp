#include "ui/stages/pages.hpp"

namespace yoke {

RecordPage::RecordPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::record, tr("The whole job: on paper, in time, in the folder"),
                parent) {
  register_faces(
      {{"sheet", tr("The sheet"), [&](QWidget* p) { return new SheetFace(session, dialogs, p); }},
       {"log", tr("Logbook"), [&session](QWidget* p) { return new LogFace(session, p); }},
       {"open", tr("Open and due"), [&](QWidget* p) { return new OpenFace(session, dialogs, p); }},
       {"versions", tr("Earlier"), [&session](QWidget* p) { return new VersionsFace(session, p); }},
       {"folder", tr("Folder"), [&](QWidget* p) {
          auto* face = new FolderFace(session, dialogs, p);
          connect(face, &FolderFace::open_wanted, this, &RecordPage::open_wanted);
          return face;
        }}});
}

bool RecordPage::go_to_place(const QString& place) {
  if (place != QLatin1String("moved")) return StagePage::go_to_place(place);
  show_face("log");
  logbook()->ask_moved();
  return true;
}

}  // namespace yoke
