// The findings of one stage, most serious first, each with its limit and remedy. Folded it shows
// the first; a touch unfolds the rest.
#pragma once

#include <QLabel>

#include "session/session.hpp"

namespace yoke {

class FindingsBox : public QLabel {
  Q_OBJECT

 public:
  FindingsBox(Session& session, Stage stage, QWidget* parent = nullptr);
  void refresh();
  /// Shows all of them, or the first alone.
  void unfold(bool all);
  [[nodiscard]] bool unfolded() const { return all_; }

 protected:
  void showEvent(QShowEvent* e) override;
  void resizeEvent(QResizeEvent* e) override;

 private:
  void keep_height();
  Session& session_;
  Stage stage_;
  bool all_ = false;
};

}  // namespace yoke
