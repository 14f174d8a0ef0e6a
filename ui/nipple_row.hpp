// The nipples of a job, each a key that is held down: which of them was opened for a test.
#pragma once

#include <QPushButton>
#include <vector>

#include "session/session.hpp"

namespace yoke {

class NippleRow : public QWidget {
  Q_OBJECT

 public:
  explicit NippleRow(QWidget* parent);
  /// Those of the plan; what was held stays held.
  void show_job(const Job& job);
  /// "fl rr".
  [[nodiscard]] std::string keys() const;
  [[nodiscard]] const std::vector<QPushButton*>& buttons() const { return buttons_; }
  void clear();

 private:
  std::vector<std::string> names_;
  std::vector<QPushButton*> buttons_;
};

}  // namespace yoke
