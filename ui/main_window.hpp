// The window: menus, stage rail, band or line of force, the stage's page, the foot strip.
#pragma once

#include <QElapsedTimer>
#include <QHash>
#include <QLineEdit>
#include <QMainWindow>
#include <QStackedWidget>
#include <QTimer>
#include <filesystem>

#include "ui/begin_page.hpp"
#include "ui/bench/bench_mode.hpp"
#include "ui/hand_speech.hpp"
#include "ui/stage_rail.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

namespace choice {
enum class TargetJob;
}

class HelpWindow;
class TablesWindow;

// Below these a window is small, and gives what frames the work to the work.
inline constexpr int kLowWindow = 720;
inline constexpr int kNarrowWindow = 1160;
inline constexpr int kStrip = 140;
inline constexpr int kLowStrip = 132;

class MainWindow : public QMainWindow {
  Q_OBJECT

 public:
  MainWindow(Session& session, Dialogs dialogs);
  void show_stage(Stage stage);
  /// Prove at the instrument, on a stand-in with a hidden fault.
  void stand_in();
  /// The first page: what is this job?
  void show_begin();
  [[nodiscard]] BeginPage* begin() const { return begin_; }
  [[nodiscard]] bool begins() const;
  /// One matter at a time, twice as large.
  void show_bench(bool on);
  [[nodiscard]] BenchMode* bench() const { return bench_; }
  [[nodiscard]] bool at_bench() const;
  /// Goes to a value's field, wherever it is; false when no face has one for it.
  bool go_to(As which, Param param);
  /// Where a face of another stage leads: "step:rod.clearance", "nipple:fl", "value:master.bore".
  void lead_to(Stage stage, const QString& place);
  [[nodiscard]] HelpWindow* help() const { return help_; }
  [[nodiscard]] Stage stage() const { return stage_; }
  /// Opens a file and says what went wrong when it cannot; unsaved work of it is offered. True when
  /// it is open.
  bool open_path(const QString& path);
  bool open_file(const std::filesystem::path& file);
  /// Offers unsaved work of jobs that never had a file.
  void offer_unnamed();
  /// A stage's page, made when it is first asked for.
  [[nodiscard]] StagePage* page(Stage stage);
  [[nodiscard]] PictureView* strip() const { return strip_; }
  [[nodiscard]] StageRail* rail() const { return rail_; }
  [[nodiscard]] QAction* action(const QString& name) const;

 protected:
  void closeEvent(QCloseEvent* e) override;
  void resizeEvent(QResizeEvent* e) override;
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void build_menus();
  [[nodiscard]] StagePage* make_page(Stage stage);
  [[nodiscard]] SurveyPage* survey();
  QAction* add(QMenu* menu, const char* name, const QString& words, const QKeySequence& keys,
               const std::function<void()>& fn);
  void refresh_title();
  /// Says what has become dangerous by this edit, to the eye and to a screen reader.
  void announce_hard();
  QStringList hard_known_;
  QString hard_known_in_;
  void refresh_recent();
  void remember(const QString& path);
  bool save();
  bool save_as();
  /// Asks where to, unpacks and opens.
  bool open_pack(const QString& pack);
  void save_pack();
  /// A copy that may be given away: no names, no photos, no places.
  void save_without_names();
  /// Saves by `how`, asked once more whether a read-only file may be replaced.
  bool save_by(const std::function<Expected<bool>(bool into_read_only)>& how);
  bool may_leave();
  /// Entries that hold something typed which the job does not have yet.
  [[nodiscard]] QList<QLineEdit*> typed_entries() const;
  /// Enters what is typed; false when it cannot be and the builder stays with it.
  bool enter_typed();
  void offer_leftovers();
  /// What becomes of one: true when it was brought back.
  bool offer(const Leftover& left);
  void offer_again();
  void next_measurement();
  void step_condition(int by);
  void press_tick();
  void set_units(UnitStyle units);
  void change_preferences();
  [[nodiscard]] PictureView* drawing_in_view() const;
  void find_action();
  void find_value();
  void show_help();
  void show_tables();
  /// The sheet for wet hands of the stage in view, typed back.
  void type_back();

  /// A job pulled by hand is spoken of as such: what was made before is made anew.
  void speak_of_job();
  /// Pages and bench of the other speech go; nothing is done while none are left of it.
  void make_anew();
  bool spoken_anew_ = false;

  HandSpeech speech_;  ///< before all that speaks
  Session& session_;
  Dialogs dialogs_;
  Stage stage_ = Stage::survey;
  StageRail* rail_;
  LineView* band_;
  QHash<QString, QAction*> named_;  ///< looked up at every edit
  void show_work();
  void show_band();
  void begin_job(choice::TargetJob kind);
  void practise(const QString& resource);
  QStackedWidget* whole_;  ///< the work, or the first page
  TablesWindow* tables_ = nullptr;
  HelpWindow* help_ = nullptr;  ///< made when it is first asked for
  BenchMode* bench_ = nullptr;  ///< likewise
  BeginPage* begin_ = nullptr;  ///< made when it is first shown
  QStackedWidget* stack_;
  PictureView* strip_;
  QLabel* status_;
  void bring_into_sight(QWidget* now);
  void show_notice();
  QLabel* notice_;  ///< why an edit was refused
  QMenu* recent_;
  QMenu* pedal_menu_ = nullptr;
  QAction* press_hint_ = nullptr;
  std::array<StagePage*, std::size(kStages)> pages_{};  ///< null: not visited yet
  QTimer press_timer_;
  QElapsedTimer press_clock_;
  bool pressing_ = false;
  std::optional<Param> measured_last_;
};

}  // namespace yoke
