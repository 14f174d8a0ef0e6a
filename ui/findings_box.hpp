// The findings of one stage, most serious first, each with its remedy.
#pragma once

#include <QLabel>

#include "session/session.hpp"

namespace yoke {

class FindingsBox : public QLabel {
  Q_OBJECT

 public:
  /// `most`: lines shown; the rest is counted and stands on the sheet.
  FindingsBox(Session& session, Stage stage, QWidget* parent = nullptr, std::size_t most = 6);
  void refresh();

 private:
  Session& session_;
  Stage stage_;
  std::size_t most_;
};

}  // namespace yoke
