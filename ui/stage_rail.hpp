// The stage rail: the order of the work, each stage with its most useful line.
#pragma once

#include <QAbstractButton>
#include <QWidget>
#include <array>

#include "session/session.hpp"

namespace yoke {

class StageButton : public QAbstractButton {
  Q_OBJECT
 public:
  StageButton(Stage stage, QWidget* parent);
  void set_status(const QString& status, bool hard);
  [[nodiscard]] QSize sizeHint() const override { return {200, 60}; }

 protected:
  void paintEvent(QPaintEvent*) override;
  void keyPressEvent(QKeyEvent* e) override;

 private:
  Stage stage_;
  QString status_;
  bool hard_ = false;
};

class StageRail : public QWidget {
  Q_OBJECT

 public:
  StageRail(Session& session, QWidget* parent = nullptr);
  /// In a small window it leaves more to the work.
  void set_narrow(bool narrow);
  void select(Stage stage);
  [[nodiscard]] StageButton* button(Stage stage) const {
    return buttons_[static_cast<size_t>(stage)];
  }

 signals:
  void chosen(Stage stage);

 private:
  void refresh();
  Session& session_;
  std::array<StageButton*, 9> buttons_{};
};

}  // namespace yoke
