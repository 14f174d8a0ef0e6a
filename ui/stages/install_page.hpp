// Install: the work as a drawn way through the car, and its steps as cards.
#pragma once

#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>

#include "session/stage_views.hpp"
#include "ui/picture_view.hpp"
#include "ui/stage_page.hpp"
#include "ui/step_card.hpp"
#include "ui/taken_off_box.hpp"

namespace yoke {

/// Why the chosen step stands where it does, what it opens, and what the builder adds of his car.
class StepReasons : public QFrame {
  Q_OBJECT
 public:
  StepReasons(Session& session, QWidget* parent);
  void show_step(const InstallView& view, std::size_t chosen);

 private:
  void build_entry();
  void add();
  void fill_others(const InstallView& view, std::size_t chosen);
  Session& session_;
  std::string key_;
  QLabel* title_;
  QLabel* why_;
  QLabel* call_;  ///< who does what, where it takes two
  QLabel* opens_;
  QStringList others_, facts_;  ///< what is shown of them
  QWidget* back_ = nullptr;     ///< buttons that take the builder's own facts back
  QVBoxLayout* box_;
  QLineEdit* own_;
  QComboBox* other_;
  QComboBox* place_;
  QComboBox* side_;
  QLabel* refusal_;
};

class InstallPage : public StagePage {
  Q_OBJECT
 public:
  InstallPage(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);
  /// Where the job stands, over the way of the work.
  void show_resume(bool on);
  /// "step:rod.clearance".
  bool go_to_place(const QString& place) override;
  /// By its place in the order; the track, the list and the reasons follow.
  void choose(std::size_t step);
  [[nodiscard]] PictureView* track() const { return track_; }
  [[nodiscard]] StepReasons* reasons() const { return reasons_; }
  [[nodiscard]] QPushButton* moved() const { return moved_; }
  [[nodiscard]] TakenOffBox* taken() const { return taken_; }

 protected:
  void refresh() override;
  void showEvent(QShowEvent* e) override;
  void resizeEvent(QResizeEvent* e) override;

 private:
  void write_resume();
  void show_chosen_card();
  void build(const InstallView& view);
  InstallView view_;
  std::string chosen_key_;  ///< it keeps its step when the order changes
  [[nodiscard]] std::size_t chosen() const;
  PictureView* track_;
  StepReasons* reasons_;
  QScrollArea* scroll_;
  QLabel* progress_;
  QStringList built_for_;
  std::vector<StepCard*> cards_;
  QPushButton* clear_stale_;
  QPushButton* only_now_;
  QPushButton* paper_;
  QPushButton* stands_;
  QLabel* resume_;
  QPushButton* moved_;
  QPushButton* counted_;
  TakenOffBox* taken_;
  Dialogs& dialogs_;
};

}  // namespace yoke
