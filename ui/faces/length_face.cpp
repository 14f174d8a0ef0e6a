#include "ui/faces/length_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "paint/sections.hpp"
#include "rod/rod.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

LengthFace::LengthFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* body = new QVBoxLayout(this);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  details_ = label({}, "question", this);
  body->addWidget(details_);
  auto* heads = new QHBoxLayout;
  heads->addWidget(label(tr("Old unit, as found"), "heading", this), 1);
  heads->addWidget(label(tr("New unit, measured, never carried over"), "heading", this), 1);
  body->addLayout(heads);
  panel_ = new ParamPanel(session_, 2, this);
  panel_->show_params({{As::found, param::rod_snout},
                       {As::found, param::rod_socket},
                       {As::found, param::rod_stack},
                       {As::found, param::control_rod_length},
                       {As::plan, param::rod_snout},
                       {As::plan, param::rod_socket},
                       {As::plan, param::rod_stack},
                       {As::plan, param::control_rod_clearance}});
  panel_->setFixedHeight(154);
  body->addWidget(panel_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("Old and new unit in section"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_section_picture(session_.job(), rod_report(session_.job()), session_.style(), size);
  });
  row->addWidget(drawing_, 3);
  auto* side = new QVBoxLayout;
  side->addWidget(label(tr("Wishes"), "heading", this));
  auto* wishes = new ParamPanel(session_, 1, this);
  wishes->show_params({{As::plan, param::rod_height_wish}, {As::plan, param::rod_clearance_more}});
  wishes->setMinimumWidth(452);
  wishes->setFixedHeight(88);
  side->addWidget(wishes);
  side->addStretch(1);
  side->addWidget(label(tr("The rod is pulled each time a foot lifts the pedal: it must be "
                           "captive, lock nut tight, clip in."),
                        "caution", this));
  row->addLayout(side, 2);
  body->addLayout(row, 1);
}

void LengthFace::refresh() {
  const RodView v = rod_view(session_.job());
  details_->setText(text_of(joined(v.details, "  ·  "), session_.style()));
  drawing_->redraw();
}

}  // namespace yoke
