// The findings of one stage, most serious first, each with its remedy.
#pragma once

#include <QLabel>

#include "session/session.hpp"

namespace yoke {

class FindingsBox : public QLabel {
  Q_OBJECT

 public:
  FindingsBox(Session& session, Stage stage, QWidget* parent = nullptr);
  void refresh();

 private:
  Session& session_;
  Stage stage_;
};

}  // namespace yoke
