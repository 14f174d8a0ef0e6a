#include "ui/faces/outlets_face.hpp"

#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>

#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/param/valves.hpp"
#include "document/values.hpp"
#include "paint/net_picture.hpp"
#include "plumbing/outlets.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

namespace {

constexpr int kRoomForBoth = 960;

using Asked = std::vector<std::pair<As, Param>>;

Asked lines_of_brakes() {
  return {{As::plan, param::circuit_split},       {As::plan, param::front_tube},
          {As::plan, param::front_hose},          {As::plan, param::front_hoses},
          {As::plan, param::rear_tube},           {As::plan, param::rear_hose},
          {As::plan, param::rear_hoses},          {As::plan, param::valve_kind},
          {As::plan, param::valve_metering},      {As::plan, param::valve_residual_front},
          {As::plan, param::valve_residual_rear}, {As::plan, param::valve_shuttle},
          {As::plan, param::circuit_antilock}};
}

/// A clutch has one line: no wheels to trace and no valves in it.
Asked line_of_clutch() {
  return {{As::plan, param::clutch_tube},      {As::plan, param::clutch_hose},
          {As::plan, param::clutch_hose_kind}, {As::plan, param::lines_tube_outside},
          {As::plan, param::lines_tube_wall},  {As::plan, param::lines_tube_material},
          {As::plan, param::lines_hose_bore},  {As::plan, param::fluid_grade}};
}

}  // namespace

OutletsFace::OutletsFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(8);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("The plumbing, from outlet to wheel"), this);
  drawing_->set_maker([this](QSizeF size) {
    return net_picture(net_drawing(session_.job(), joint_->key()), size);
  });
  drawing_->set_walkable();
  editor_ = new CalloutEditor(session_, drawing_);
  drawing_->setMinimumHeight(240);
  row->addWidget(drawing_, 5);
  side_ = build_side();
  row->addWidget(side_, 2);
  box->addLayout(row, 3);
  lines_ = new QPushButton(this);
  lines_->setObjectName(QStringLiteral("small"));
  box->addWidget(lines_, 0, Qt::AlignRight);
  connect(lines_, &QPushButton::clicked, this, [this] {
    asked_ = !asked_;
    share();
  });
  connect(drawing_, &PictureView::spot_clicked, this, &OutletsFace::touched);
  caution_ = label({}, "caution", this);
  box->addWidget(caution_);
}

/// What stands in the lines; or the joint that was touched.
QWidget* OutletsFace::build_side() {
  auto* side = new QWidget(this);
  side->setFixedWidth(364);
  auto* box = new QVBoxLayout(side);
  box->setContentsMargins(0, 0, 0, 0);
  panel_ = new ParamPanel(session_, 1, side);
  panel_->set_compact();
  box->addWidget(panel_, 1);
  scroll_ = new QScrollArea(side);
  scroll_->setWidgetResizable(true);
  scroll_->setFocusPolicy(Qt::NoFocus);
  scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  joint_ = new JointBox(session_, scroll_);
  scroll_->setWidget(joint_);
  box->addWidget(scroll_, 1);
  back_ = new QPushButton(tr("Back to the lines"), side);
  back_->setObjectName(QStringLiteral("small"));
  box->addWidget(back_);
  connect(back_, &QPushButton::clicked, this, [this] {
    joint_->show_joint({});
    refresh();
  });
  return side;
}

void OutletsFace::touched(const QString& id) {
  const QString key = id.section(QLatin1Char(':'), 1);
  if (id.startsWith(QStringLiteral("joint:"))) {
    joint_->show_joint(key.toStdString());
    return refresh();
  }
  if (id.startsWith(QStringLiteral("value:"))) {
    for (const Spot& s : drawing_->picture().spots)
      if (const auto p = find_param(key.toStdString()); p && s.id == id)
        editor_->open(As::plan, *p, s.area.center());
    return;
  }
  if (!id.startsWith(QStringLiteral("wheel:"))) return;
  const auto w = static_cast<Wheel>(key.toInt());
  session_.set_value(As::plan, circuit_of(w), other_outlet(session_.job(), As::plan, w));
}

void OutletsFace::refresh() {
  const PlumbView v = plumb_view(session_.job());
  Asked asked = v.clutch ? line_of_clutch() : lines_of_brakes();
  if (!v.clutch && pulled_by_hand(session_.job()))
    for (const As which : {As::found, As::plan}) asked.emplace_back(which, param::lever_hose);
  if (!v.clutch && pulled_by_hand(session_.job())) asked.emplace_back(As::plan, param::lever_eye);
  if (asked != asked_of_) {
    asked_of_ = asked;
    panel_->show_params(std::move(asked));
  }
  caution_->setText(text_of(v.caution, session_.style()));
  joint_->refresh();
  share();
  drawing_->redraw();
}

/// Where there is no room beside the drawing, it has it all until a joint or the lines are asked
/// for.
void OutletsFace::share() {
  const bool one = !joint_->key().empty();
  const bool narrow = width() < kRoomForBoth;
  if (!narrow) asked_ = false;
  side_->setVisible(!narrow || one || asked_);
  panel_->setVisible(!one);
  scroll_->setVisible(one);
  lines_->setVisible(narrow && !one);
  lines_->setText(asked_ ? tr("Only the drawing") : tr("What stands in the lines"));
  back_->setVisible(one);
}

void OutletsFace::resizeEvent(QResizeEvent* event) {
  Face::resizeEvent(event);
  share();
}

}  // namespace yoke
