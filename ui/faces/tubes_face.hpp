// Plumb: lines to make, from their corners to the bender's list and a full-size print.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTableWidget>
#include <functional>
#include <optional>

#include "plumbing/line_plan.hpp"
#include "session/session.hpp"
#include "ui/dialogs.hpp"
#include "ui/face.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class TubesFace : public Face {
  Q_OBJECT
 public:
  TubesFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QTableWidget* corners() const { return table_; }
  [[nodiscard]] QLineEdit* legs() const { return legs_; }
  [[nodiscard]] PictureView* drawing() const { return drawing_; }
  [[nodiscard]] QString steps() const { return steps_->text(); }
  [[nodiscard]] QString refusal() const { return refusal_->text(); }
  /// A new line with two corners.
  void add_line();
  /// A corner after the chosen one.
  void add_corner();
  void remove_corner();
  /// Asks where to: PDF, SVG or DXF, full size.
  void save_print();

 private:
  [[nodiscard]] const TubeLine* tube() const;
  /// Where the corners of the shown line stand in the job's list.
  [[nodiscard]] std::vector<std::size_t> places() const;
  QWidget* build_line(QWidget* parent);
  QWidget* build_hold(QWidget* parent);
  QWidget* build_corners(QWidget* parent);
  void corner_typed(int row, int column);
  void legs_typed();
  void tube_typed(QLineEdit* entry, std::optional<double> TubeLine::*member, const char* words);
  void edit_tube(const QString& what, const std::function<void(TubeLine&)>& fn);
  void remove_line();
  void rename();
  void drag(const QString& id, QPointF from, QPointF to);
  void show_tube();
  void show_corners();
  void show_steps();
  void refuse(const QString& why);
  Session& session_;
  Dialogs& dialogs_;
  std::size_t shown_ = 0;                                 ///< of the job's lines
  std::optional<std::pair<TubeCorner, double>> grabbed_;  ///< as it was, pixels a metre
  QComboBox* lines_;
  QLineEdit* name_;
  QLineEdit* outside_;
  QLineEdit* radius_;
  QLineEdit* support_;
  QCheckBox* from_face_;
  QComboBox* flares_[2];
  QTableWidget* table_;
  QLineEdit* legs_;
  PictureView* drawing_;
  QLabel* steps_;
  QLabel* cutting_;
  QLabel* refusal_;
  bool writing_ = false;
};

}  // namespace yoke
