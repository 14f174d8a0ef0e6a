#include "ui/line_view.hpp"

#include <QKeyEvent>
#include <algorithm>

#include "session/texts.hpp"

namespace yoke {

LineView::LineView(Session& session, bool folded, QWidget* parent)
    : PictureView(folded ? tr("Stations from pedal to car") : tr("Line of force"), parent),
      session_(session) {
  set_maker([this, folded](QSizeF size) {
    LineInput in = line_input(session_);
    in.focus = group_;
    if (hasFocus()) in.selected = selected_;
    return folded ? stations_picture(in, size) : line_of_force_picture(in, size);
  });
  for (auto signal : {&Session::changed, &Session::pressed, &Session::style_changed})
    connect(&session_, signal, this, &PictureView::redraw);
  connect(this, &PictureView::spot_clicked, this, [this](const QString& id) {
    pressed_before_m_ = session_.pressed_m();
    if (!id.startsWith(QStringLiteral("param:"))) return;
    const auto p = find_param(id.mid(6).toStdString());
    if (!p) return;
    selected_ = p;
    if (!editor_ || !edit(as_of(session_.shown()), *p))
      emit dimension_touched(as_of(session_.shown()), *p);
  });
  connect(this, &PictureView::dragged, this, &LineView::drag);
}

void LineView::set_editable() {
  editor_ = new CalloutEditor(session_, this);
  setFocusPolicy(Qt::StrongFocus);
}

void LineView::focus_group(std::optional<Group> group) {
  group_ = group;
  redraw();
}

bool LineView::edit(As which, Param param) {
  const QString id = QStringLiteral("param:") + text_of(info(param).id);
  for (const Spot& s : picture().spots)
    if (s.id == id && editor_) {
      editor_->open(which, param, s.area.center());
      return true;
    }
  return false;
}

void LineView::step(int by) {
  LineInput in = line_input(session_);
  in.focus = group_;
  const auto list = callout_params(in, QSizeF(size()));
  if (list.empty()) return;
  const auto n = static_cast<int>(list.size());
  const auto it = selected_ ? std::find(list.begin(), list.end(), *selected_) : list.end();
  const int now = it == list.end() ? (by > 0 ? -1 : 0) : static_cast<int>(it - list.begin());
  selected_ = list[static_cast<std::size_t>((now + by + n) % n)];
  redraw();
}

void LineView::keyPressEvent(QKeyEvent* e) {
  if (!editor_ || e->modifiers() != Qt::NoModifier) return PictureView::keyPressEvent(e);
  switch (e->key()) {
    case Qt::Key_Right:
    case Qt::Key_Down:
      return step(1);
    case Qt::Key_Left:
    case Qt::Key_Up:
      return step(-1);
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      if (selected_) edit(as_of(session_.shown()), *selected_);
      return;
    default:
      return PictureView::keyPressEvent(e);
  }
}

void LineView::drag(const QString& id, QPointF from, QPointF to) {
  if (id != QStringLiteral("pad")) return;
  const double mm = line_of_force_mm_per_pixel(line_input(session_), QSizeF(size()));
  session_.press(pressed_before_m_ + (to.x() - from.x()) * mm * 1e-3);
}

}  // namespace yoke
