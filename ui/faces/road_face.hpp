// Prove on the road: the stages in their order, what is answered for before each, every stop on the
// ground, and what is due when it is back.
#pragma once

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "session/road_edits.hpp"
#include "session/session.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/faces/heat_box.hpp"
#include "ui/faces/phone_box.hpp"
#include "ui/fields.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class RoadFace : public Face {
  Q_OBJECT

 public:
  RoadFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  void go_to(RoadStage stage);
  /// The list of what is due after the first run.
  void go_after();
  [[nodiscard]] const std::vector<RoadStep>& steps() const { return steps_; }
  [[nodiscard]] std::size_t at() const { return at_; }
  [[nodiscard]] QLineEdit* speed() const { return speed_; }
  [[nodiscard]] QLineEdit* distance() const { return distance_; }
  [[nodiscard]] QComboBox* locked() const { return locked_; }
  [[nodiscard]] QPushButton* take() const { return take_; }
  [[nodiscard]] QPushButton* remove() const { return remove_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }
  [[nodiscard]] PhoneBox* phone() const { return phone_; }
  [[nodiscard]] HeatBox* heat() const { return heat_; }
  [[nodiscard]] QLineEdit* series_stops() const { return series_stops_; }
  [[nodiscard]] QLineEdit* series_speed() const { return series_speed_; }
  [[nodiscard]] PictureView* ground() const { return ground_; }
  [[nodiscard]] const std::vector<QCheckBox*>& answers() const { return answers_; }
  [[nodiscard]] const std::vector<QCheckBox*>& after() const { return after_; }

 private:
  QWidget* build_side();
  QWidget* build_permit();
  QWidget* build_stop();
  QWidget* build_series();
  void fill_series();
  void take_phone(const PhoneStop& stop);
  void answered();
  void stopped();
  void told(const Expected<bool>& done);
  void show_stage();
  void show_after();
  void show_row(std::size_t row);
  [[nodiscard]] bool at_after() const { return at_ >= steps_.size() && !rows_.empty(); }
  [[nodiscard]] const RoadStep* now() const;

  Session& session_;
  std::vector<RoadStep> steps_;
  std::vector<RoadStep> rows_;  ///< the steps, and what is due after them
  std::vector<AfterRun> due_;
  std::size_t at_ = 0;
  bool chosen_ = false, filling_ = false;
  TallPicture* path_;
  PictureView* ground_;
  QLabel *how_, *care_, *says_, *refusal_, *after_head_;
  QWidget *permit_, *stop_;
  PhoneBox* phone_;
  HeatBox* heat_;
  QWidget* series_;
  QLineEdit *series_stops_, *series_speed_;
  QLineEdit *who_, *place_, *weather_, *speed_, *speed_doubt_, *distance_, *distance_doubt_,
      *slope_;
  std::vector<QCheckBox*> answers_, after_;
  Combo* locked_;
  QCheckBox* pulled_;
  QPushButton *take_, *remove_;
};

}  // namespace yoke
