// Record, what is open: open points with their age, later conversions, parts, fluid, what is looked
// at after the first run; a point is done, or signed off with a reason; days go to a calendar.
#pragma once

#include <QDate>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "session/log_edits.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/fields.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class OpenFace : public Face {
  Q_OBJECT

 public:
  OpenFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  [[nodiscard]] TallPicture* cards() const { return cards_; }
  [[nodiscard]] QLineEdit* what() const { return what_; }
  [[nodiscard]] QPushButton* add() const { return add_; }
  [[nodiscard]] QPushButton* done() const { return done_; }
  [[nodiscard]] QPushButton* sign() const { return sign_; }
  [[nodiscard]] QLineEdit* who() const { return who_; }
  [[nodiscard]] QLineEdit* reason() const { return reason_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }
  void export_days();
  void set_today(const QDate& day) { today_ = day; }

 protected:
  void resizeEvent(QResizeEvent* e) override;

 private:
  QScrollArea* area_;
  QWidget* build_side();
  void told(const Expected<bool>& done);
  void choose(std::size_t at);
  [[nodiscard]] std::optional<std::size_t> chosen_point() const;
  [[nodiscard]] std::string today() const;
  Session& session_;
  Dialogs& dialogs_;
  QDate today_;
  std::vector<DueThing> list_;
  std::string chosen_;
  TallPicture* cards_;
  QLineEdit *what_, *who_, *reason_;
  Combo* stage_;
  QPushButton *add_, *done_, *sign_;
  QLabel *chosen_words_, *signed_, *refusal_;
};

}  // namespace yoke
