#include "ui/faces/redo_face.hpp"

#include <QHBoxLayout>
#include <QScrollArea>

#include "paint/redo_picture.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/curve_view.hpp"

namespace yoke {

RedoFace::RedoFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(12);
  curves_ = new CurveView(
      tr("Before, foretold, and read"), [this] { return prove_plot(session_); }, this);
  curves_->setMinimumSize(300, 200);
  row->addWidget(curves_, 5);
  cards_ = new TallPicture(tr("What to do again"), this);
  cards_->set_maker(
      [this](QSizeF size) { return redo_picture(list_, instead_, session_.style(), size); });
  cards_->set_walkable();
  connect(cards_, &PictureView::spot_clicked, this,
          [this](const QString& id) { follow(static_cast<std::size_t>(id.mid(5).toInt())); });
  area_ = moved_area(cards_, this);
  area_->setMinimumWidth(330);
  row->addWidget(area_, 6);
}

void RedoFace::follow(std::size_t at) {
  if (at >= list_.size()) return;
  const Redo& r = list_[at];
  QString place;
  if (!r.nipple.empty())
    place = QStringLiteral("nipple:") + q(r.nipple);
  else if (!r.step.empty())
    place = QStringLiteral("step:") + q(r.step);
  else if (r.look)
    place = QStringLiteral("value:") + q(info(*r.look).id);
  emit wanted(r.stage, place);
}

/// The cards' ground fills what is there, however few they are.
void RedoFace::resizeEvent(QResizeEvent* e) {
  Face::resizeEvent(e);
  cards_->setMinimumHeight(std::max(0, area_->height() - 4));
  cards_->renew();
}

void RedoFace::refresh() {
  const Diagnosis d = diagnosis_of(session_.job());
  list_ = redo_for(session_.job(), d);
  QStringList said;
  if (!d.refusal.empty()) {
    said << text_of(d.refusal, session_.style());
    said << tr("Press it under Press by press; then it says here what to do again.");
  } else if (list_.empty() && d.unexplained) {
    said << tr("Nothing that is known explains these readings. Read again what lies far off.");
  } else if (list_.empty()) {
    said << tr("The readings ask for nothing to be done again.");
  }
  if (!d.next_test.empty() && list_.empty() && d.unexplained)
    said << text_of(d.next_test, session_.style());
  instead_ = said.join(QLatin1Char('\n'));
  cards_->renew();
  curves_->redraw();
}

}  // namespace yoke
