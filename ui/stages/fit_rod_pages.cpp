#include <QHBoxLayout>

#include "paint/sections.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

FitPage::FitPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::fit, tr("Does the rod push square?"), parent) {
  answer_ = label({}, "answer", this);
  body()->addWidget(answer_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->addWidget(label(tr("Geometry of the plan"), "heading", this));
  auto* panel = new ParamPanel(session, 1, this);
  panel->show_params({{Which::plan, Param::control_pad_arm},
                      {Which::plan, Param::control_pin_arm},
                      {Which::plan, Param::control_axis_height},
                      {Which::plan, Param::control_offset},
                      {Which::plan, Param::control_rest_angle},
                      {Which::plan, Param::control_rod_length}});
  left->addWidget(panel, 1);
  left->addWidget(label(tr("In-plane and sideways offset count alike: a rod that pushes across "
                           "wears the bore on one side."),
                        "soft", this));
  left->addWidget(new FindingsBox(session, Stage::fit, this));
  row->addLayout(left, 5);
  auto* right = new QVBoxLayout;
  drawing_ = new PictureView(tr("Rod and bore"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_angle_picture(session_.job(), angle_report(session_.job(), Which::plan),
                             session_.style(), size);
  });
  plot_ = new PictureView(tr("Rod angle over the stroke"), this);
  plot_->set_maker([this](QSizeF size) { return plot(angle_plot(session_), size); });
  right->addWidget(drawing_, 1);
  right->addWidget(plot_, 1);
  row->addLayout(right, 6);
  body()->addLayout(row, 1);
}

void FitPage::refresh() {
  const AngleReport r = angle_report(session_.job(), Which::plan);
  if (!r.missing.empty())
    answer_->setText(tr("The rod's angle is unknown, not zero. Measure: %1.")
                         .arg(text_of(param_list(r.missing))));
  else if (r.points.empty())
    answer_->setText(tr("This geometry cannot be."));
  else
    answer_->setText(tr("Up to %1° off the bore%2")
                         .arg(r.largest_rad * 180 / kPi, 0, 'f', 1)
                         .arg(r.force_known ? tr(", side force up to %1.")
                                                  .arg(full_text(r.largest_side_n, Kind::force, 0,
                                                                 session_.style()))
                                            : tr("; the side force needs brakes and assist.")));
  drawing_->redraw();
  plot_->redraw();
}

RodPage::RodPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::rod, tr("How long, how many turns, how much thread is left?"),
                parent) {
  answer_ = label({}, "answer", this);
  answer_->setAccessibleName(tr("Rod change"));
  details_ = label({}, "question", this);
  body()->addWidget(answer_);
  body()->addWidget(details_);
  auto* heads = new QHBoxLayout;
  heads->addWidget(label(tr("Old unit, as found"), "heading", this), 1);
  heads->addWidget(label(tr("New unit, measured, never carried over"), "heading", this), 1);
  body()->addLayout(heads);
  panel_ = new ParamPanel(session, 2, this);
  panel_->show_params({{Which::found, Param::rod_snout},
                       {Which::found, Param::rod_socket},
                       {Which::found, Param::rod_stack},
                       {Which::found, Param::control_rod_length},
                       {Which::plan, Param::rod_snout},
                       {Which::plan, Param::rod_socket},
                       {Which::plan, Param::rod_stack},
                       {Which::plan, Param::control_rod_clearance}});
  panel_->setFixedHeight(158);
  body()->addWidget(panel_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("Old and new unit in section"), this);
  drawing_->set_maker([this](QSizeF size) {
    return rod_section_picture(session_.job(), rod_report(session_.job()), session_.style(), size);
  });
  row->addWidget(drawing_, 3);
  auto* side = new QVBoxLayout;
  side->addWidget(label(tr("Thread and wishes"), "heading", this));
  auto* thread = new ParamPanel(session, 1, this);
  thread->show_params({{Which::plan, Param::rod_height_wish},
                       {Which::plan, Param::rod_clearance_more},
                       {Which::plan, Param::rod_pitch},
                       {Which::plan, Param::rod_coupling},
                       {Which::plan, Param::rod_diameter},
                       {Which::plan, Param::rod_engaged},
                       {Which::plan, Param::rod_thread_spare}});
  thread->setMinimumWidth(452);
  thread->setMinimumHeight(116);
  side->addWidget(thread, 1);
  side->addWidget(new FindingsBox(session, Stage::rod, this));
  side->addWidget(label(tr("The rod is pulled each time a foot lifts the pedal: it must be "
                           "captive, lock nut tight, clip in."),
                        "caution", this));
  row->addLayout(side, 2);
  body()->addLayout(row, 1);
}

void RodPage::refresh() {
  const RodReport r = rod_report(session_.job());
  const Style& style = session_.style();
  QString answer = text_of(rod_words(r, style));
  if (r.change)
    answer += tr(" ± %1").arg(quantity_text(r.change->doubt.value(), Kind::length, 2, style));
  answer_->setText(answer);
  QStringList d;
  if (r.pad_doubt)
    d << tr("that doubt is %1 at the pad")
             .arg(full_text(r.pad_doubt->value(), Kind::length, 1, style));
  if (r.height_turns && std::abs(*r.height_turns) > 0.01)
    d << tr("pad height: %1 turns %2")
             .arg(std::abs(*r.height_turns), 0, 'f', 1)
             .arg(*r.height_turns > 0 ? tr("longer") : tr("shorter"));
  if (r.turns && r.change)
    d << tr("together %1 turns, %2")
             .arg(std::abs(*r.turns), 0, 'f', 1)
             .arg(full_text(r.total->value(), Kind::length, 2, style));
  if (r.new_length)
    d << tr("new rod %1").arg(full_text(r.new_length->value(), Kind::length, 1, style));
  if (r.engaged_after)
    d << tr("thread engaged after: %1")
             .arg(quantity_text(r.engaged_after->value(), Kind::length, 1, style));
  if (r.spare_after)
    d << tr("free behind: %1").arg(quantity_text(r.spare_after->value(), Kind::length, 1, style));
  if (r.free_play)
    d << tr("free play at the pad %1").arg(full_text(r.free_play->value(), Kind::length, 1, style));
  if (!r.missing_turns.empty())
    d << tr("turns: %1 not known").arg(text_of(param_list(r.missing_turns)));
  details_->setText(d.join(QStringLiteral("  ·  ")));
  drawing_->redraw();
}

}  // namespace yoke
