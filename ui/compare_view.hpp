// Two jobs side by side: what the pedal does, what differs, how it was proved; the better side
// bold.
#pragma once

#include <QTableWidget>

#include "judge/compare.hpp"
#include "session/session.hpp"

namespace yoke {

class CompareView : public QTableWidget {
  Q_OBJECT

 public:
  explicit CompareView(QWidget* parent);
  void show_rows(const std::vector<CompareRow>& rows, const QString& a, const QString& b,
                 const Style& style);
};

}  // namespace yoke
