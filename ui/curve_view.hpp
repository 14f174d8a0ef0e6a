// A plot with a cursor: the mouse or the arrow keys read every curve out at one x.
#pragma once

#include <functional>

#include "paint/plot.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class CurveView : public PictureView {
  Q_OBJECT

 public:
  CurveView(const QString& name, std::function<PlotInput()> input, QWidget* parent = nullptr);
  /// x under the cursor; nothing when it is away.
  [[nodiscard]] std::optional<double> cursor() const { return cursor_; }
  [[nodiscard]] QStringList read_out_words() const;

 protected:
  void mouseMoveEvent(QMouseEvent* e) override;
  void leaveEvent(QEvent* e) override;
  void keyPressEvent(QKeyEvent* e) override;
  void focusOutEvent(QFocusEvent* e) override;

 private:
  void read_at(std::optional<double> x);
  std::function<PlotInput()> input_;
  std::optional<double> cursor_;
};

}  // namespace yoke
