#include "ui/faces/square_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "document/param/arms.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "paint/sections.hpp"
#include "rod/rod.hpp"
#include "session/curves.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/param_panel.hpp"
#include "ui/plain.hpp"

namespace yoke {

SquareFace::SquareFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* body = new QVBoxLayout(this);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->addWidget(label(tr("Geometry of the plan"), "heading", this));
  auto* panel = new ParamPanel(session_, 1, this);
  panel->show_params({{As::plan, param::control_pad_arm},
                      {As::plan, param::control_pin_arm},
                      {As::plan, param::control_axis_height},
                      {As::plan, param::control_offset},
                      {As::plan, param::control_rest_angle},
                      {As::plan, param::control_rod_length}});
  left->addWidget(panel, 1);
  left->addWidget(label(tr("In-plane and sideways offset count alike: a rod that pushes across "
                           "wears the bore on one side."),
                        "soft", this));
  row->addLayout(left, 5);
  auto* right = new QVBoxLayout;
  drawing_ = new PictureView(tr("Rod and bore"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_angle_picture(session_.job(), angle_report(session_.job(), As::plan),
                             session_.style(), size);
  });
  plot_ = new PictureView(tr("Rod angle over the stroke"), this);
  plot_->set_maker([this](QSizeF size) { return plot(angle_plot(session_), size); });
  right->addWidget(drawing_, 1);
  right->addWidget(plot_, 1);
  row->addLayout(right, 6);
  body->addLayout(row, 1);
}

void SquareFace::refresh() {
  drawing_->redraw();
  plot_->redraw();
}

}  // namespace yoke
