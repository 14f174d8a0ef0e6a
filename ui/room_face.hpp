// Boxes around the unit: entered as lengths, seen from above and from the side, the tightest gap
// marked.
#pragma once

#include <QComboBox>
#include <QLineEdit>
#include <QTableWidget>
#include <optional>

#include "ui/face.hpp"
#include "ui/figures_view.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class RoomFace : public Face {
  Q_OBJECT

 public:
  RoomFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QTableWidget* table() const { return table_; }
  [[nodiscard]] FiguresView* figures() const { return figures_; }
  [[nodiscard]] PictureView* drawing() const { return drawing_; }
  /// Adds a box of that kind with a usual size.
  void add(Box::Kind kind);

 private:
  void changed(int row, int column);
  void grab(const QString& id);
  void drag(const QString& id, QPointF from, QPointF to);
  struct Grabbed {
    std::size_t box = 0;
    Box start;
    double per_m = 0;  ///< pixels
  };
  std::optional<Grabbed> grabbed_;
  Session& session_;
  QTableWidget* table_;
  QLabel* refusal_;
  PictureView* drawing_;
  FiguresView* figures_;
  bool writing_ = false;
};

}  // namespace yoke
