// The sheet for wet hands typed back: its boxes in their order, Enter goes on to the next.
#pragma once

#include <QDialog>
#include <QLabel>
#include <QLineEdit>
#include <vector>

#include "session/wet_sheet.hpp"

namespace yoke {

class WetEntry : public QDialog {
  Q_OBJECT

 public:
  WetEntry(Session& session, Stage stage, QWidget* parent);
  [[nodiscard]] const std::vector<QLineEdit*>& entries() const { return entries_; }
  [[nodiscard]] QLabel* refusal() const { return refusal_; }

 private:
  void take(std::size_t at);
  Session& session_;
  std::vector<WetBox> boxes_;
  std::vector<QLineEdit*> entries_;
  QLabel* refusal_;
};

}  // namespace yoke
