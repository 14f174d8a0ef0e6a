#include "ui/faces/way_face.hpp"

#include <QHBoxLayout>
#include <QTimer>
#include <QVBoxLayout>

#include "assembly/relevance.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "paint/way_pictures.hpp"
#include "session/texts.hpp"
#include "session/work_sheet.hpp"
#include "ui/plain.hpp"
#include "ui/printing.hpp"

namespace yoke {

WayFace::WayFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->addWidget(label(tr("What is at hand, and how it stands"), "heading", this));
  panel_ = new ParamPanel(session, 1, this);
  panel_->set_compact();
  panel_->setMinimumWidth(352);
  left->addWidget(panel_, 1);
  row->addLayout(left, 5);
  ways_ = new PictureView(tr("Ways of bleeding"), this);
  ways_->set_maker([this](QSizeF size) {
    return ways_picture(way_choices(session_.job()), looked_at(), session_.style(), size);
  });
  ways_->set_walkable();
  ways_->setMinimumWidth(220);
  connect(ways_, &PictureView::spot_clicked, this, [this](const QString& id) {
    if (!id.startsWith(QStringLiteral("way:"))) return;
    looked_ = static_cast<BleedWayId>(id.mid(4).toInt());
    refresh();
  });
  row->addWidget(ways_, 4);
  auto* right = new QVBoxLayout;
  steps_ = new TallPicture(tr("How it is done"), this);
  steps_->set_maker(
      [this](QSizeF size) { return way_picture(looked_at(), session_.style(), size); });
  right->addWidget(moved_area(steps_, this), 1);
  choose_ = new QPushButton(this);
  choose_->setMinimumHeight(48);
  connect(choose_, &QPushButton::clicked, this, [this] {
    const auto way = looked_at();
    if (!way) return;
    const bool bench = method_of(*way).bench;
    const int option = static_cast<int>(*way) - (bench ? 0 : static_cast<int>(BleedWayId::helper));
    session_.set_value(As::plan, bench ? param::bleed_bench : param::bleed_way,
                       {static_cast<double>(option), How::stated, 0, {}});
  });
  right->addWidget(choose_);
  auto* cards = new QPushButton(tr("A card for each nipple, on paper…"), this);
  cards->setObjectName(QStringLiteral("bleed:print"));
  cards->setMinimumHeight(40);
  connect(cards, &QPushButton::clicked, this, [this] {
    preview_html(window(), tr("Bleeding, a card for each nipple"),
                 bleed_cards_html(session_.job(), session_.style()));
  });
  right->addWidget(cards);
  row->addLayout(right, 6);
  ask();
}

std::optional<BleedWayId> WayFace::looked_at() const {
  if (looked_) return looked_;
  if (const auto way = offered_way(session_.job())) return way;
  return offered_bench(session_.job());
}

void WayFace::ask() {
  std::vector<std::pair<As, Param>> list;
  for (const Param p : {param::bleed_helper,      param::bleed_tubes,       param::bleed_plugs,
                        param::bleed_reach,       param::bleed_tank,        param::bleed_tank_set,
                        param::bleed_cap_limit,   param::bleed_pump,        param::bleed_syringe,
                        param::bleed_room,        param::bleed_preload,     param::bleed_connector,
                        param::bleed_slave_screw, param::bleed_front_screw, param::bleed_rear_screw,
                        param::bleed_park,        param::bleed_shuttle,     param::bleed_cycling,
                        param::bleed_turn1,       param::bleed_turn2,       param::bleed_turn3,
                        param::bleed_turn4})
    if (relevant(session_.job(), As::plan, p)) list.emplace_back(As::plan, p);
  if (list == asked_) return;
  asked_ = list;
  // A field must not be deleted inside its own signal.
  QTimer::singleShot(0, this, [this] { panel_->show_params(asked_); });
}

void WayFace::refresh() {
  ask();
  const auto way = looked_at();
  choose_->setVisible(way.has_value());
  if (way) {
    const bool chosen = chosen_bench(session_.job()) == way || chosen_way(session_.job()) == way;
    choose_->setEnabled(!chosen);
    choose_->setText(chosen ? tr("✓ Chosen") : tr("Bleed it this way"));
  }
  ways_->redraw();
  steps_->renew();
}

}  // namespace yoke
