// The nine pages.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QFileSystemWatcher>
#include <QGridLayout>
#include <QPushButton>
#include <QTableWidget>
#include <QTextBrowser>

#include "fitting/template.hpp"
#include "session/doubt_runner.hpp"
#include "ui/assist_face.hpp"
#include "ui/calm_stack.hpp"
#include "ui/curve_view.hpp"
#include "ui/drawn_face.hpp"
#include "ui/findings_box.hpp"
#include "ui/later_face.hpp"
#include "ui/line_view.hpp"
#include "ui/measure_next_view.hpp"
#include "ui/param_panel.hpp"
#include "ui/readings_box.hpp"
#include "ui/room_face.hpp"
#include "ui/stage_page.hpp"
#include "ui/step_card.hpp"
#include "ui/topic_face.hpp"
#include "ui/units_face.hpp"
#include "work/bleeding.hpp"

namespace yoke {

class SurveyPage : public StagePage {
  Q_OBJECT
 public:
  SurveyPage(Session& session, QWidget* parent = nullptr);
  void show_system(Which which);
  /// Shows the system whose condition is chosen.
  void follow_condition();
  void show_group(Group group);
  void focus_param(Which which, Param param);
  /// The questions of the face that is shown.
  [[nodiscard]] ParamPanel* panel() const;
  [[nodiscard]] LineView* line() const { return line_; }
  [[nodiscard]] ReadingsBox* before() const { return before_; }
  [[nodiscard]] TopicFace* wrong() const { return wrong_; }
  [[nodiscard]] TopicFace* unit() const { return unit_; }
  [[nodiscard]] TopicFace* state() const { return state_; }
  [[nodiscard]] MeasureNextView* next() const { return next_; }

 protected:
  void refresh() override;

 private:
  void build_dimensions(Session& session);
  void build_wrong(Session& session, QVBoxLayout* box);
  Which which_ = Which::found;
  Group group_ = Group::control;
  LineView* line_ = nullptr;
  ParamPanel* panel_ = nullptr;
  TopicFace* wrong_ = nullptr;
  TopicFace* unit_ = nullptr;
  TopicFace* state_ = nullptr;
  MeasureNextView* next_ = nullptr;
  ReadingsBox* before_ = nullptr;
  QLabel* help_;
  QPushButton* found_;
  QPushButton* plan_;
  std::vector<QPushButton*> groups_;
};

/// The map with a keyboard cursor.
class MapView : public PictureView {
  Q_OBJECT
 public:
  MapView(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QString cursor_words() const;
  /// Which assist option the map shows; 0 as planned.
  void show_assist(std::size_t option);
  [[nodiscard]] std::size_t assist() const { return assist_; }
  /// Names of the options; empty while there is no map.
  [[nodiscard]] QStringList assist_names() const;

 signals:
  void cursor_moved();

 protected:
  void keyPressEvent(QKeyEvent* e) override;

 private:
  void choose(const QString& id);
  void take(const Cell& cell, const QString& merge);
  /// The part of the map that is shown; nothing while there is none.
  [[nodiscard]] std::optional<Sweep> shown() const;
  int presses_ = 0;
  std::size_t assist_ = 0;
  Session& session_;
  std::optional<std::pair<size_t, size_t>> cursor_;
};

class SizePage : public StagePage {
  Q_OBJECT
 public:
  SizePage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] MapView* map() const { return map_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] LineText* sentence() const { return sentence_; }
  [[nodiscard]] LineText* doubt_line() const { return doubt_; }
  [[nodiscard]] LineText* cell_line() const { return cell_; }
  [[nodiscard]] CurveView* curve() const { return curve_; }
  [[nodiscard]] UnitsFace* units() const { return units_; }
  [[nodiscard]] AssistFace* assist() const { return assist_; }
  [[nodiscard]] LaterFace* later() const { return later_; }
  /// The buttons of a choice: 0 light, 1 short, 2 firm; 0 standard, 1 any.
  [[nodiscard]] QPushButton* preference(std::size_t i) const { return wishes_[i]; }
  [[nodiscard]] QPushButton* sizes(std::size_t i) const { return wishes_[3 + i]; }

 protected:
  void refresh() override;

 private:
  void build_map(Session& session);
  QLayout* build_wishes();
  void refresh_assists();
  void refresh_map();
  ParamPanel* panel_ = nullptr;
  LineText* sentence_;
  LineText* cell_;
  QHBoxLayout* assists_;
  QStringList assists_shown_;
  std::vector<QPushButton*> assist_buttons_;
  std::vector<QPushButton*> wishes_;
  LineText* doubt_;
  DoubtRunner* runner_;
  MapView* map_;
  CurveView* curve_;
  PictureView* budget_;
  UnitsFace* units_;
  AssistFace* assist_;
  LaterFace* later_;
};

class FitPage : public StagePage {
  Q_OBJECT
 public:
  FitPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  [[nodiscard]] DrawnFace* offset() const { return offset_; }
  [[nodiscard]] DrawnFace* pattern() const { return pattern_; }
  [[nodiscard]] DrawnFace* stack() const { return stack_; }
  [[nodiscard]] RoomFace* room() const { return room_; }
  [[nodiscard]] DrawnFace* attitude() const { return attitude_; }
  [[nodiscard]] QLabel* template_line() const { return template_line_; }
  /// Asks for a file and writes the template full size.
  void save_template(TemplateKind kind);

 protected:
  void refresh() override;

 private:
  void build_square(Session& session);
  void build_faces(Session& session, const std::vector<QVBoxLayout*>& faces);
  void refresh_square();
  Dialogs& dialogs_;
  DrawnFace* offset_;
  DrawnFace* pattern_;
  DrawnFace* stack_;
  RoomFace* room_;
  DrawnFace* attitude_;
  QLabel* template_line_;
  QLabel* answer_;
  PictureView* drawing_;
  PictureView* plot_;
};

class RodPage : public StagePage {
  Q_OBJECT
 public:
  RodPage(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QLabel* answer() const { return answer_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] DrawnFace* ends() const { return ends_; }
  [[nodiscard]] DrawnFace* gaps() const { return gaps_; }
  [[nodiscard]] DrawnFace* heights() const { return heights_; }

 protected:
  void refresh() override;

 private:
  void build_length(Session& session);
  void refresh_length();
  DrawnFace* ends_;
  DrawnFace* gaps_;
  DrawnFace* heights_;
  QLabel* answer_;
  QLabel* details_;
  ParamPanel* panel_;
  PictureView* drawing_;
};

class PlumbPage : public StagePage {
  Q_OBJECT
 public:
  PlumbPage(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] PictureView* drawing() const { return drawing_; }

 protected:
  void refresh() override;

 private:
  PictureView* drawing_;
  ParamPanel* panel_;
  ParamPanel* line_;
  QLabel* answer_;
  QLabel* caution_;
};

class InstallPage : public StagePage {
  Q_OBJECT
 public:
  InstallPage(Session& session, QWidget* parent = nullptr);

 protected:
  void refresh() override;

 private:
  void build();
  QScrollArea* scroll_;
  QLabel* progress_;
  QStringList built_for_;
  std::vector<StepCard*> cards_;
  QPushButton* clear_stale_;
};

class BleedPage : public StagePage {
  Q_OBJECT
 public:
  BleedPage(Session& session, QWidget* parent = nullptr);

 protected:
  void refresh() override;

 private:
  void add_row(QGridLayout* grid, int row, const QString& key, const QString& name,
               const QString& plan);
  struct Row {
    QLabel* plan;
    QLabel* count;
    QLabel* state;
  };
  void build_rows(const BleedPlan& plan);
  void show_row(const Row& row, const BleedRow& now);
  QLabel* plan_;
  QLabel* typical_;
  PictureView* order_;
  QScrollArea* scroll_;
  QStringList built_for_;
  std::vector<Row> rows_;
};

class ProvePage : public StagePage {
  Q_OBJECT
 public:
  ProvePage(Session& session, QWidget* parent = nullptr);
  [[nodiscard]] QLineEdit* force() const { return readings_->force(); }
  [[nodiscard]] QLineEdit* travel() const { return readings_->travel(); }
  [[nodiscard]] QLabel* verdict() const { return verdict_; }

 protected:
  void refresh() override;

 private:
  void build_pump(QVBoxLayout* box);
  void refresh_gates();
  ReadingsBox* readings_;
  QLabel* verdict_;
  PictureView* plot_;
  QScrollArea* gates_;
  QStringList gates_shown_;
  std::vector<std::pair<QLineEdit*, std::optional<double> PumpTest::*>> pump_;
};

/// Shows the sheet and loads nothing from outside, whatever a text in it asks for.
class SheetView : public QTextBrowser {
  Q_OBJECT
 public:
  explicit SheetView(QWidget* parent) : QTextBrowser(parent) { setOpenLinks(false); }
  QVariant loadResource(int, const QUrl&) override { return {}; }
};

class RecordPage : public StagePage {
  Q_OBJECT
 public:
  RecordPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  /// Asks for a place and writes the sheet.
  void save_sheet();

 signals:
  void open_wanted(const QString& path);

 protected:
  void refresh() override;

 private:
  QLayout* build_left();
  QLayout* build_right();
  QLayout* build_folder();
  void set_state(JobState state);
  void list_folder(const QString& folder);
  /// Lists anew when a job file came, went or was written by something else.
  void look_again();
  Dialogs& dialogs_;
  QTextBrowser* sheet_;
  QTableWidget* jobs_;
  QLabel* state_;
  QLabel* folder_;
  QString shown_folder_;
  QStringList listed_;  ///< name, size and day of each file in the list
  QFileSystemWatcher watcher_;
  QLineEdit* title_;
  QLineEdit* vehicle_;
};

}  // namespace yoke
