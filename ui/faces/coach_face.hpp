// Bleed: the stroke coach. One nipple at a time, a large count, the chambers that feed it, the
// order on the car; space counts a stroke, B one with bubbles, R a top-up, D air that was drawn, U
// takes the last one back.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "session/reckoner.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "session/work_edits.hpp"
#include "ui/face.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class CoachFace : public Face {
  Q_OBJECT
 public:
  CoachFace(Session& session, QWidget* parent);
  void refresh() override;
  /// The key of the nipple that is worked at: "fl", "bench", "slave".
  [[nodiscard]] std::string at() const;
  void go_to(const std::string& key);
  [[nodiscard]] PictureView* order() const { return order_; }
  [[nodiscard]] PictureView* chambers() const { return chambers_; }
  [[nodiscard]] QLineEdit* push() const { return push_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }

 private:
  /// A large window has the count in the bench's size.
  void resizeEvent(QResizeEvent* event) override;
  QWidget* build_count();
  QWidget* build_keys();
  static void name_key(QPushButton* key, const QString& words, const QString& shortcut);
  QPushButton* key(const QString& words, const char* name, const QString& shortcut);
  void count(BleedCount what);
  void step(int by);
  void push_typed();
  /// What is wrong or not said comes before the first stroke; its fields stand here.
  void ask();
  void share();
  Session& session_;
  BleedView view_;
  std::size_t at_ = 0;
  bool chosen_ = false;  ///< somebody chose the nipple: it stays until the next is asked for
  void reckon_air();
  Reckoner reckoner_;
  std::vector<Reading> reckoned_;  ///< the last words on air are of these
  std::vector<std::pair<As, Param>> asked_;
  ParamPanel* panel_;
  QLabel *first_, *air_;
  QLabel *plan_, *around_, *name_, *count_, *state_, *level_, *planned_, *typical_, *refusal_;
  QLineEdit* push_;
  QWidget* push_row_;
  QPushButton *stroke_, *bubbles_, *refill_, *dry_, *undo_, *next_;
  PictureView *chambers_, *order_;
};

}  // namespace yoke
