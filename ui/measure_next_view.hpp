// What is worth measuring next, best first; a row leads to its entry.
#pragma once

#include <QLabel>
#include <QTableWidget>
#include <QWidget>

#include "doubt/measure_next.hpp"
#include "session/session.hpp"
#include "ui/face.hpp"

namespace yoke {

class MeasureNextView : public Face {
  Q_OBJECT

 public:
  MeasureNextView(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QTableWidget* table() const { return table_; }

 signals:
  void wanted(As which, Param param);

 private:
  void go(int row);
  Session& session_;
  std::vector<NextMeasure> list_;
  QLabel* sentence_;
  QTableWidget* table_;
};

}  // namespace yoke
