#include "ui/faces/purge_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "document/param/supply.hpp"
#include "paint/bleed_pictures.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "work/purge.hpp"

namespace yoke {

PurgeFace::PurgeFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(16);
  auto* left = new QVBoxLayout;
  left->setSpacing(8);
  panel_ = new ParamPanel(session, 1, this);
  panel_->set_compact();
  panel_->setMinimumWidth(360);
  panel_->setMaximumHeight(120);
  panel_->show_params({{As::plan, param::supply_turns}, {As::plan, param::supply_wheel}});
  left->addWidget(panel_);
  says_ = label({}, "answer", this);
  left->addWidget(says_);
  due_ = label({}, "count", this);
  due_->setWordWrap(false);
  left->addWidget(due_);
  swept_ = new QPushButton(tr("Swept, no froth"), this);
  froth_ = new QPushButton(tr("Swept, froth in the bottle"), this);
  again_ = new QPushButton(tr("Begin again"), this);
  for (QPushButton* b : {swept_, froth_, again_}) {
    b->setMinimumHeight(48);
    left->addWidget(b);
  }
  connect(swept_, &QPushButton::clicked, this, [this] { made(false); });
  connect(froth_, &QPushButton::clicked, this, [this] { made(true); });
  connect(again_, &QPushButton::clicked, this,
          [this] { session_.edit(tr("Purge begun again"), [](Job& j) { purge_again(j); }); });
  left->addStretch(1);
  left->addWidget(
      label(tr("Wheels off the ground on rated stands, engine as its maker says, bottle "
               "full. Never held at a lock: the pump overheats. Hands clear of belts."),
            "caution", this));
  row->addLayout(left, 5);
  drawing_ = new PictureView(tr("Steering sweeps"), this);
  drawing_->set_maker([this](QSizeF size) {
    return purge_picture(purge_state(session_.job(), wall_clock()), session_.style(), size);
  });
  row->addWidget(drawing_, 6);
  clock_.setInterval(1000);
  connect(&clock_, &QTimer::timeout, this, [this] {
    if (isVisible()) tell();
  });
  clock_.start();
}

void PurgeFace::made(bool froth) {
  const std::string now = wall_clock();
  session_.edit(froth ? tr("Sweep with froth") : tr("Steering sweep"),
                [&](Job& j) { sweep_made(j, froth, now); });
}

void PurgeFace::tell() {
  const PurgeState s = purge_state(session_.job(), wall_clock());
  const Style& units = session_.style();
  const bool told = s.pace.has_value();
  for (QPushButton* b : {swept_, froth_}) b->setEnabled(told && s.wait_s == 0 && !s.finished());
  again_->setVisible(s.done > 0);
  if (!told) {
    says_->setText(s.refused.empty()
                       ? tr("Measure the steering: turns from lock to lock, and its wheel")
                       : text_of(s.refused, units));
    due_->clear();
    return;
  }
  if (s.finished()) {
    says_->setText(
        tr("All sweeps made. Wait for an hour: no froth in the bottle, the level steady; "
           "then tick it under Install."));
    due_->setText(QStringLiteral("✓"));
    return;
  }
  says_->setText(
      s.resting ? tr("Froth rests; then sweep %1 of %2").arg(s.done + 1).arg(s.pace->steps)
                : text_of(say("Sweep {} of {}: {} at the rim to either side, slowly", s.done + 1,
                              s.pace->steps, amount(s.next.value(), Kind::length, 0)),
                          units));
  due_->setText(
      s.wait_s > 0
          ? QStringLiteral("%1:%2").arg(s.wait_s / 60).arg(s.wait_s % 60, 2, 10, QLatin1Char('0'))
          : tr("now"));
}

void PurgeFace::refresh() {
  tell();
  drawing_->redraw();
}

}  // namespace yoke
