// Wheels after a run, by thermometer or hand: drawn from above, one figure a wheel.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <vector>

#include "session/session.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class HeatBox : public QWidget {
  Q_OBJECT

 public:
  HeatBox(Session& session, QWidget* parent);
  void refresh();
  [[nodiscard]] const std::vector<QLineEdit*>& entries() const { return entries_; }
  [[nodiscard]] PictureView* picture() const { return picture_; }

 signals:
  void told(const Expected<bool>& done);

 private:
  void typed(std::size_t wheel);
  Session& session_;
  PictureView* picture_;
  std::vector<QLineEdit*> entries_;
};

}  // namespace yoke
