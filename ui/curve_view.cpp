#include "ui/curve_view.hpp"

#include <QKeyEvent>
#include <QMouseEvent>
#include <algorithm>

namespace yoke {

CurveView::CurveView(const QString& name, std::function<PlotInput()> input, QWidget* parent)
    : PictureView(name, parent), input_(std::move(input)) {
  setFocusPolicy(Qt::StrongFocus);
  set_maker([this](QSizeF size) {
    PlotInput in = input_();
    in.cursor = cursor_;
    return plot(in, size);
  });
}

QStringList CurveView::read_out_words() const {
  PlotInput in = input_();
  in.cursor = cursor_;
  return read_out(in);
}

void CurveView::read_at(std::optional<double> x) {
  if (x == cursor_) return;
  cursor_ = x;
  redraw();
}

void CurveView::mouseMoveEvent(QMouseEvent* e) {
  PictureView::mouseMoveEvent(e);
  read_at(plot_x(input_(), QSizeF(size()), e->position().x()));
}

void CurveView::leaveEvent(QEvent* e) {
  PictureView::leaveEvent(e);
  if (!hasFocus()) read_at(std::nullopt);
}

void CurveView::focusOutEvent(QFocusEvent* e) {
  PictureView::focusOutEvent(e);
  read_at(std::nullopt);
}

void CurveView::keyPressEvent(QKeyEvent* e) {
  const int by = e->key() == Qt::Key_Right ? 1 : e->key() == Qt::Key_Left ? -1 : 0;
  if (by == 0 || e->modifiers() != Qt::NoModifier) return PictureView::keyPressEvent(e);
  const PlotInput in = input_();
  const double step = (in.x.hi - in.x.lo) / 50;
  const double from = cursor_.value_or((in.x.lo + in.x.hi) / 2 - by * step);
  read_at(std::clamp(from + by * step, in.x.lo, in.x.hi));
}

}  // namespace yoke
