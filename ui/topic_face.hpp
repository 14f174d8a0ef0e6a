// One topic on a face: its questions on the left, group by group, and what they say on the right.
#pragma once

#include <QPushButton>
#include <QWidget>

#include "ui/face.hpp"
#include "ui/figures_view.hpp"
#include "ui/param_panel.hpp"

namespace yoke {

class TopicFace : public Face {
  Q_OBJECT

 public:
  /// `groups`: questions; `figures`: ids of figure groups. `empty`: said while there are none.
  TopicFace(Session& session, std::vector<Group> groups, std::vector<std::string> figures,
            const QString& empty, QWidget* parent);
  void show_system(As which);
  void show_group(Group group);
  [[nodiscard]] bool has(Group group) const;
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] FiguresView* figures() const { return figures_; }
  /// Left column, below the questions: a page may add its own.
  [[nodiscard]] QVBoxLayout* left() const { return left_; }
  void refresh() override;

 private:
  std::vector<Group> groups_;
  As which_ = As::found;
  Group group_;
  std::vector<QPushButton*> buttons_;
  QVBoxLayout* left_;
  QLabel* head_;
  ParamPanel* panel_;
  QLabel* help_;
  FiguresView* figures_;
};

}  // namespace yoke
