// Is assist needed, and which: every type with its efforts, its room and supply, and what happens
// when it fails.
#pragma once

#include <QPushButton>
#include <QTableWidget>

#include "session/candidates.hpp"
#include "ui/face.hpp"
#include "ui/figures_view.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class AssistFace : public Face {
  Q_OBJECT

 public:
  AssistFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QTableWidget* table() const { return table_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  /// Writes the chosen type into the plan.
  void take();

 private:
  void show_row(int row);
  Session& session_;
  std::vector<AssistChoice> choices_;
  ParamPanel* panel_;
  FiguresView* need_;
  QTableWidget* table_;
  QLabel* detail_;
  PictureView* room_;
  QPushButton* take_;
};

}  // namespace yoke
