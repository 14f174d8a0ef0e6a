// The nine pages.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QFileSystemWatcher>
#include <QGridLayout>
#include <QPushButton>
#include <QTableWidget>
#include <QTextBrowser>
#include <QTimer>
#include <memory>

#include "session/reckoner.hpp"
#include "session/sheet.hpp"
#include "session/stage_views.hpp"
#include "ui/assist_face.hpp"
#include "ui/drawn_face.hpp"
#include "ui/faces/coach_face.hpp"
#include "ui/faces/dimensions_face.hpp"
#include "ui/faces/folder_face.hpp"
#include "ui/faces/length_face.hpp"
#include "ui/faces/live_face.hpp"
#include "ui/faces/log_face.hpp"
#include "ui/faces/map_face.hpp"
#include "ui/faces/open_face.hpp"
#include "ui/faces/outlets_face.hpp"
#include "ui/faces/pattern_face.hpp"
#include "ui/faces/press_face.hpp"
#include "ui/faces/purge_face.hpp"
#include "ui/faces/readings_face.hpp"
#include "ui/faces/redo_face.hpp"
#include "ui/faces/road_face.hpp"
#include "ui/faces/sheet_face.hpp"
#include "ui/faces/tubes_face.hpp"
#include "ui/faces/versions_face.hpp"
#include "ui/faces/way_face.hpp"
#include "ui/faces/wipe_face.hpp"
#include "ui/faces/wrong_face.hpp"
#include "ui/findings_box.hpp"
#include "ui/gates_box.hpp"
#include "ui/later_face.hpp"
#include "ui/line_view.hpp"
#include "ui/measure_next_view.hpp"
#include "ui/param_panel.hpp"
#include "ui/readings_box.hpp"
#include "ui/room_face.hpp"
#include "ui/stage_page.hpp"
#include "ui/stages/install_page.hpp"
#include "ui/step_card.hpp"
#include "ui/topic_face.hpp"
#include "ui/units_face.hpp"

namespace yoke {

class SurveyPage : public StagePage {
  Q_OBJECT
 public:
  SurveyPage(Session& session, QWidget* parent = nullptr);
  void show_system(As which);
  /// Shows the system whose condition is chosen.
  void follow_condition();
  void show_group(Group group);
  void focus_param(As which, Param param);
  /// The questions of the face that is shown.
  [[nodiscard]] ParamPanel* panel();
  [[nodiscard]] DimensionsFace* dimensions() { return face_as<DimensionsFace>("dimensions"); }
  [[nodiscard]] LineView* line() { return dimensions()->line(); }
  [[nodiscard]] ReadingsBox* before() { return wrong()->before(); }
  [[nodiscard]] WrongFace* wrong() { return face_as<WrongFace>("wrong"); }
  [[nodiscard]] TopicFace* unit() { return face_as<TopicFace>("unit"); }
  [[nodiscard]] TopicFace* state() { return face_as<TopicFace>("state"); }
  [[nodiscard]] MeasureNextView* next() { return face_as<MeasureNextView>("next"); }

 protected:
  void refresh() override;

 private:
  As which_ = As::found;
  QPushButton* found_;
  QPushButton* plan_;
};

class SizePage : public StagePage {
  Q_OBJECT
 public:
  SizePage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] MapFace* map_face() { return face_as<MapFace>("map"); }
  [[nodiscard]] UnitsFace* units() { return face_as<UnitsFace>("units"); }
  [[nodiscard]] AssistFace* assist() { return face_as<AssistFace>("assist"); }
  [[nodiscard]] LaterFace* later() { return face_as<LaterFace>("later"); }

 protected:
  void refresh() override;
};

class FitPage : public StagePage {
  Q_OBJECT
 public:
  FitPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] DrawnFace* offset() { return face_as<DrawnFace>("offset"); }
  [[nodiscard]] PatternFace* pattern() { return face_as<PatternFace>("pattern"); }
  [[nodiscard]] DrawnFace* stack() { return face_as<DrawnFace>("stack"); }
  [[nodiscard]] RoomFace* room() { return face_as<RoomFace>("room"); }
  [[nodiscard]] DrawnFace* attitude() { return face_as<DrawnFace>("attitude"); }
};

class RodPage : public StagePage {
  Q_OBJECT
 public:
  RodPage(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] LengthFace* length_face() { return face_as<LengthFace>("length"); }
  [[nodiscard]] DrawnFace* ends() { return face_as<DrawnFace>("ends"); }
  [[nodiscard]] DrawnFace* gaps() { return face_as<DrawnFace>("gaps"); }
  [[nodiscard]] DrawnFace* heights() { return face_as<DrawnFace>("heights"); }
};

class PlumbPage : public StagePage {
  Q_OBJECT
 public:
  PlumbPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] PictureView* drawing();
  [[nodiscard]] OutletsFace* outlets();
  [[nodiscard]] TubesFace* tubes();
};

class BleedPage : public StagePage {
  Q_OBJECT
 public:
  BleedPage(Session& session, QWidget* parent = nullptr);
  /// "nipple:fl".
  bool go_to_place(const QString& place) override;
  [[nodiscard]] CoachFace* coach() { return face_as<CoachFace>("coach"); }
  [[nodiscard]] WayFace* way() { return face_as<WayFace>("way"); }
  [[nodiscard]] DrawnFace* pedal() { return face_as<DrawnFace>("pedal"); }
  [[nodiscard]] DrawnFace* fluid() { return face_as<DrawnFace>("fluid"); }
  [[nodiscard]] PurgeFace* purge() { return face_as<PurgeFace>("purge"); }
  [[nodiscard]] WipeFace* wiped() { return face_as<WipeFace>("wiped"); }
};

class ProvePage : public StagePage {
  Q_OBJECT
 public:
  ProvePage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] LiveFace* live() { return face_as<LiveFace>("live"); }
  [[nodiscard]] RoadFace* road() { return face_as<RoadFace>("road"); }
  [[nodiscard]] RedoFace* redo() { return face_as<RedoFace>("redo"); }
  [[nodiscard]] PressFace* presses() { return static_cast<PressFace*>(face_of("press")); }
  [[nodiscard]] ReadingsFace* readings() { return static_cast<ReadingsFace*>(face_of("readings")); }
  [[nodiscard]] QLineEdit* force() { return readings()->force(); }
  [[nodiscard]] QLineEdit* travel() { return readings()->travel(); }
  [[nodiscard]] QLabel* verdict() { return readings()->verdict(); }
  [[nodiscard]] GatesBox* gates() { return readings()->gates(); }
};

class RecordPage : public StagePage {
  Q_OBJECT
 public:
  RecordPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  /// "moved": what was moved by hand is written into the logbook.
  bool go_to_place(const QString& place) override;
  [[nodiscard]] SheetFace* sheet() { return face_as<SheetFace>("sheet"); }
  [[nodiscard]] LogFace* logbook() { return face_as<LogFace>("log"); }
  [[nodiscard]] OpenFace* open_points() { return face_as<OpenFace>("open"); }
  [[nodiscard]] VersionsFace* versions() { return face_as<VersionsFace>("versions"); }
  [[nodiscard]] FolderFace* folder() { return face_as<FolderFace>("folder"); }
  void save_sheet() { sheet()->save_sheet(); }
  void print_sheet() { sheet()->print_sheet(); }
  void preview_sheet() { sheet()->preview_sheet(); }
  [[nodiscard]] QCheckBox* all_values() { return sheet()->all_values(); }

 signals:
  void open_wanted(const QString& path);
};

}  // namespace yoke
