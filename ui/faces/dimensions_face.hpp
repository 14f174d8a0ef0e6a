// The line of force with its dimensions, and the questions of one group below it.
#pragma once

#include <QLabel>
#include <QPushButton>

#include "ui/face.hpp"
#include "ui/line_view.hpp"
#include "ui/param_panel.hpp"

namespace yoke {

class DimensionsFace : public Face {
  Q_OBJECT

 public:
  DimensionsFace(Session& session, QWidget* parent);
  void refresh() override;
  void show_system(As which);
  void show_whole();
  void show_group(Group group);
  [[nodiscard]] Group group() const { return group_; }
  [[nodiscard]] LineView* line() const { return line_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }

 private:
  Session& session_;
  As which_ = As::found;
  Group group_ = Group::control;
  LineView* line_;
  ParamPanel* panel_;
  QLabel* help_;
  std::vector<QPushButton*> groups_;
  QPushButton* whole_;
};

}  // namespace yoke
