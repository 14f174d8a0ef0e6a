#include "ui/faces/heat_box.hpp"

#include <QGridLayout>

#include "paint/road_pictures.hpp"
#include "session/road_edits.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

HeatBox::HeatBox(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(6);
  picture_ = new PictureView(tr("Heat of the wheels"), this);
  picture_->set_maker([this](QSizeF size) {
    return heat_picture(session_.job().heat, heat_pairs(session_.job()), session_.style(), size);
  });
  picture_->setMinimumSize(220, 120);
  grid->addWidget(picture_, 0, 0, 4, 1);
  for (std::size_t i = 0; i < std::size(kWheels); ++i) {
    const QString words = words_of(wheel_words(kWheels[i]));
    grid->addWidget(plain_label(words, "question", this), static_cast<int>(i), 1);
    auto* e = new QLineEdit(this);
    e->setAccessibleName(tr("Heat: %1").arg(words));
    e->setPlaceholderText(tr("80 °C ± 5"));
    e->setMaxLength(40);
    e->setMinimumHeight(36);
    connect(e, &QLineEdit::editingFinished, this, [this, i] { typed(i); });
    grid->addWidget(e, static_cast<int>(i), 2);
    entries_.push_back(e);
  }
  grid->setColumnStretch(0, 3);
  grid->setColumnStretch(2, 2);
}

void HeatBox::typed(std::size_t wheel) {
  QLineEdit* e = entries_[wheel];
  if (!e->isModified()) return;
  e->setModified(false);
  const auto ok = set_heat(session_, std::string(wheel_key(kWheels[wheel])),
                           e->text().trimmed().toStdString(), wall_clock());
  if (!ok) e->setModified(true);
  emit told(ok);
  if (ok) refresh();
}

void HeatBox::refresh() {
  for (std::size_t i = 0; i < entries_.size(); ++i) {
    if (entries_[i]->isModified()) continue;
    const auto it = session_.job().heat.find(std::string(wheel_key(kWheels[i])));
    entries_[i]->setText(
        it == session_.job().heat.end()
            ? QString()
            : tr("%1 ± %2").arg(
                  quantity_text(it->second.celsius, Kind::temperature, 0, session_.style()),
                  QString::number(
                      qRound(it->second.plus_minus *
                             (session_.style().units == UnitStyle::imperial ? 1.8 : 1)))));
  }
  picture_->redraw();
}

}  // namespace yoke
