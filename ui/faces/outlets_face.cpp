#include "ui/faces/outlets_face.hpp"

#include <QVBoxLayout>

#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/hoses.hpp"
#include "document/param/lines.hpp"
#include "document/param/valves.hpp"
#include "paint/sections.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

OutletsFace::OutletsFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(8);
  drawing_ = new PictureView(tr("Outlets and wheels"), this);
  drawing_->set_maker([this](QSizeF size) {
    return outlets_picture(session_.job(), outlet_report(session_.job(), As::plan), size);
  });
  drawing_->set_walkable();
  drawing_->setMinimumHeight(220);
  box->addWidget(drawing_, 3);
  connect(drawing_, &PictureView::spot_clicked, this, [this](const QString& id) {
    const auto w = static_cast<Wheel>(id.section(QLatin1Char(':'), 1).toInt());
    session_.set_value(As::plan, circuit_of(w), other_outlet(session_.job(), As::plan, w));
  });
  panel_ = new ParamPanel(session, 2, this);
  panel_->show_params({{As::plan, param::circuit_split},
                       {As::plan, param::circuit_fl},
                       {As::plan, param::circuit_fr},
                       {As::plan, param::valve_kind},
                       {As::plan, param::circuit_rl},
                       {As::plan, param::circuit_rr}});
  panel_->setFixedHeight(128);
  box->addWidget(panel_);
  line_ = new ParamPanel(session, 2, this);
  line_->show_params({{As::plan, param::clutch_tube},
                      {As::plan, param::lines_tube_outside},
                      {As::plan, param::lines_tube_wall},
                      {As::plan, param::lines_tube_material},
                      {As::plan, param::clutch_hose},
                      {As::plan, param::clutch_hose_kind},
                      {As::plan, param::lines_hose_bore},
                      {As::plan, param::fluid_grade}});
  box->addWidget(line_, 1);
  caution_ = label({}, "caution", this);
  box->addWidget(caution_);
}

void OutletsFace::refresh() {
  const PlumbView v = plumb_view(session_.job());
  // A clutch has one line: no wheels to trace and no outlets to cross.
  drawing_->setVisible(!v.clutch);
  panel_->setVisible(!v.clutch);
  line_->setVisible(v.clutch);
  caution_->setText(text_of(v.caution, session_.style()));
  drawing_->redraw();
}

}  // namespace yoke
