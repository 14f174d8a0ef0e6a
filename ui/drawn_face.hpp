// A face with its questions on the left, a drawing and what it says on the right.
#pragma once

#include "ui/face.hpp"
#include "ui/figures_view.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

/// Questions of the plan.
[[nodiscard]] std::vector<std::pair<As, Param>> of_plan(std::initializer_list<Param> params);

class DrawnFace : public Face {
  Q_OBJECT

 public:
  DrawnFace(Session& session, const QString& heading, std::vector<std::pair<As, Param>> params,
            const QString& name, PictureView::Make drawing, std::vector<std::string> figures,
            QWidget* parent);
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] PictureView* drawing() const { return drawing_; }
  [[nodiscard]] FiguresView* figures() const { return figures_; }
  /// Below the questions: a page may add its own.
  [[nodiscard]] QVBoxLayout* left() const { return left_; }
  void refresh() override;
  /// The fitted system and the plan are both asked: each field says whose it is.
  void say_whose();

 private:
  /// Only the questions that matter for what is planned.
  void ask();
  Session& session_;
  std::vector<std::pair<As, Param>> all_;
  std::vector<std::pair<As, Param>> asked_;
  QVBoxLayout* left_;
  ParamPanel* panel_;
  QLabel* help_;
  PictureView* drawing_;
  FiguresView* figures_;
};

}  // namespace yoke
