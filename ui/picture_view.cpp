#include "ui/picture_view.hpp"

#include <QAccessible>
#include <QApplication>
#include <QClipboard>
#include <QContextMenuEvent>
#include <QHelpEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QMessageBox>
#include <QMouseEvent>
#include <QPainter>
#include <QScrollArea>
#include <QToolTip>

#include "paint/theme.hpp"
#include "session/picture_out.hpp"
#include "session/texts.hpp"
#include "ui/picture_accessible.hpp"

namespace yoke {

void PictureView::rename(const QString& name) {
  name_ = name;
  setAccessibleName(name);
}

PictureView::PictureView(const QString& name, QWidget* parent) : QWidget(parent), name_(name) {
  make_pictures_accessible();
  setMouseTracking(true);
  setAccessibleName(name);
  setAttribute(Qt::WA_OpaquePaintEvent);
}

void PictureView::set_maker(Make make) {
  make_ = std::move(make);
  redraw();
}

void PictureView::redraw() {
  const QRegion moved = picture_.moving;
  const bool laid = picture_.still > 0 && still_key_ == picture_.still_key && !stale_;
  stale_ = true;
  if (!isVisible()) return update();
  build();
  setAccessibleDescription(picture_.said.join(QStringLiteral(". ")));
  const bool same = laid && still_key_ == picture_.still_key && !still_.isNull() &&
                    still_.size() == (QSizeF(size()) * devicePixelRatioF()).toSize();
  if (same && !moved.isEmpty() && !picture_.moving.isEmpty())
    update(moved | picture_.moving);
  else
    update();
}

const Picture& PictureView::picture() const {
  build();
  return picture_;
}

void PictureView::showEvent(QShowEvent* e) {
  QWidget::showEvent(e);
  redraw();  // what it says was not made while it was hidden
}

void PictureView::set_walkable() {
  walkable_ = true;
  setFocusPolicy(Qt::StrongFocus);
}

const Spot* PictureView::walked() const {
  const auto& spots = picture().spots;
  return walked_ && *walked_ < spots.size() ? &spots[*walked_] : nullptr;
}

void PictureView::keyPressEvent(QKeyEvent* e) {
  const auto count = static_cast<int>(picture().spots.size());
  if (!walkable_ || count == 0 || e->modifiers() != Qt::NoModifier)
    return QWidget::keyPressEvent(e);
  switch (e->key()) {
    case Qt::Key_Right:
    case Qt::Key_Down:
    case Qt::Key_Left:
    case Qt::Key_Up: {
      const int by = e->key() == Qt::Key_Right || e->key() == Qt::Key_Down ? 1 : count - 1;
      const int from = walked_ ? static_cast<int>(*walked_) : (by == 1 ? count - 1 : 0);
      walked_ = static_cast<std::size_t>((from + by) % count);
      setAccessibleDescription(walked()->words());
      show_walked();
      QAccessibleEvent moved(this, QAccessible::DescriptionChanged);
      QAccessible::updateAccessibility(&moved);
      update();
      return;
    }
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      if (const Spot* s = walked()) emit spot_clicked(QString(s->id));
      return;
    default:
      QWidget::keyPressEvent(e);
  }
}

/// A long picture stands in an area: where the keys stand is brought into sight.
void PictureView::show_walked() {
  for (QWidget* w = parentWidget(); w && !w->isWindow(); w = w->parentWidget()) {
    auto* area = qobject_cast<QScrollArea*>(w);
    if (!area || !area->widget() || (area->widget() != this && !area->widget()->isAncestorOf(this)))
      continue;
    const QRect at(mapTo(area->widget(), walked()->area.topLeft().toPoint()),
                   walked()->area.size().toSize());
    area->ensureVisible(at.center().x(), at.center().y(), 8, at.height() / 2 + 12);
    return;
  }
}

void PictureView::build() const {
  if (!stale_ || !make_ || width() < 10 || height() < 10) return;
  picture_ = make_(QSizeF(size()));
  stale_ = false;
}

void PictureView::paintEvent(QPaintEvent*) {
  build();
  QPainter p(this);
  if (picture_.still > 0)
    paint_still(p);
  else if (!picture_.covers)
    p.fillRect(rect(), theme::kDye);
  picture_.paint(p, picture_.still, picture_.layers.size());
  if (hasFocus()) {
    p.setPen(QPen(theme::kMarkOnDye, 2));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(rect()).adjusted(1, 1, -1, -1));
    if (const Spot* s = walkable_ ? walked() : nullptr)
      p.drawRoundedRect(s->area.adjusted(3, 3, -3, -3), 4, 4);
  }
}

/// What did not change since the last time is laid down as it was drawn then.
void PictureView::paint_still(QPainter& p) {
  const double scale = devicePixelRatioF();
  const QSize pixels = (QSizeF(size()) * scale).toSize();
  if (still_.size() != pixels || still_key_ != picture_.still_key) {
    still_ = QPixmap(pixels);
    still_.setDevicePixelRatio(scale);
    still_.fill(theme::kDye);
    QPainter once(&still_);
    picture_.paint(once, 0, picture_.still);
    still_key_ = picture_.still_key;
  }
  p.drawPixmap(0, 0, still_);
}

void PictureView::resizeEvent(QResizeEvent*) {
  redraw();
}

void PictureView::mousePressEvent(QMouseEvent* e) {
  if (e->button() != Qt::LeftButton) return;
  // A place without an id tells something, and does nothing.
  if (const Spot* s = picture().hit(e->position()); s && !s->id.isEmpty()) {
    grabbed_ = s->id;
    grabbed_at_ = e->position();
    emit spot_clicked(grabbed_);
  }
}

void PictureView::mouseMoveEvent(QMouseEvent* e) {
  if (!grabbed_.isEmpty() && (e->buttons() & Qt::LeftButton)) {
    emit dragged(grabbed_, grabbed_at_, e->position());
    return;
  }
  const Spot* s = picture().hit(e->position());
  setCursor(s && !s->id.isEmpty() ? Qt::PointingHandCursor : Qt::ArrowCursor);
}

void PictureView::mouseReleaseEvent(QMouseEvent*) {
  if (grabbed_.isEmpty()) return;
  grabbed_.clear();
  emit drag_ended();
}

bool PictureView::event(QEvent* e) {
  if (e->type() == QEvent::ToolTip) {
    const auto* help = static_cast<QHelpEvent*>(e);
    const Spot* s = picture().hit(help->pos());
    if (const QString words = s ? s->words() : QString(); !words.isEmpty())
      QToolTip::showText(help->globalPos(), words, this);
    else
      QToolTip::hideText();
    return true;
  }
  return QWidget::event(e);
}

void PictureView::copy_picture() {
  QApplication::clipboard()->setPixmap(grab());
}

void PictureView::copy_numbers() const {
  QApplication::clipboard()->setText(picture().said.join(QLatin1Char('\n')));
}

Expected<bool> PictureView::save_picture(const Dialogs& dialogs) {
  const QString path = dialogs.save_file(this, tr("Save this picture"),
                                         name_ + QStringLiteral(".png"), picture_filter());
  if (path.isEmpty()) return true;
  return write_picture(path, picture(), name_);
}

void PictureView::contextMenuEvent(QContextMenuEvent* e) {
  QMenu menu(this);
  menu.addAction(tr("Copy this picture"), this, &PictureView::copy_picture);
  menu.addAction(tr("Copy its numbers as text"), this, &PictureView::copy_numbers);
  menu.addAction(tr("Save this picture…"), this, [this] {
    if (const auto ok = save_picture(real_dialogs()); !ok)
      QMessageBox::warning(this, tr("Save this picture"), error_text(ok.error(), Style{}));
  });
  menu.exec(e->globalPos());
}

}  // namespace yoke
