// One topic on a face: what lies on the bench drawn on the left, measured on the drawing itself or,
// one key away, in a list of all values; on the right what it says.
#pragma once

#include <QPushButton>
#include <QWidget>

#include "ui/face.hpp"
#include "ui/figures_view.hpp"
#include "ui/param_panel.hpp"
#include "ui/plate_view.hpp"

namespace yoke {

class TopicFace : public Face {
  Q_OBJECT

 public:
  /// `groups`: questions; `figures`: ids of figure groups. `empty`: said while there are none.
  TopicFace(Session& session, std::vector<Group> groups, std::vector<std::string> figures,
            const QString& empty, QWidget* parent);
  void show_system(As which);
  void show_group(Group group);
  /// The list of all values in place of the drawing.
  void show_list(bool on);
  [[nodiscard]] PlateView* plate() const { return plate_; }
  [[nodiscard]] QPushButton* list_button() const { return all_values_; }
  /// Opens the field of a value: on the drawing, or in the list.
  bool focus_param(As which, Param param);
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
  void show_questions();
  QLabel* head_;
  QPushButton* all_values_;
  PlateView* plate_;
  QScrollArea* plate_area_;
  ParamPanel* panel_;
  QLabel* help_;
  FiguresView* figures_;
};

}  // namespace yoke
