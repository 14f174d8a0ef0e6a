#include <QGridLayout>
#include <QHBoxLayout>
#include <QStyle>
#include <algorithm>
#include <cmath>

#include "document/as_built.hpp"
#include "paint/sections.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke {

PlumbPage::PlumbPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::plumb, tr("Which outlet feeds which wheel?"), parent) {
  answer_ = label({}, "answer", this);
  body()->addWidget(answer_);
  drawing_ = new PictureView(tr("Outlets and wheels"), this);
  drawing_->set_maker([this](QSizeF size) {
    return outlets_picture(session_.job(), outlet_report(session_.job(), Which::plan), size);
  });
  drawing_->set_walkable();
  drawing_->setMinimumHeight(220);
  body()->addWidget(drawing_, 3);
  connect(drawing_, &PictureView::spot_clicked, this, [this](const QString& id) {
    const auto w = static_cast<Wheel>(id.section(QLatin1Char(':'), 1).toInt());
    session_.set_value(Which::plan, circuit_of(w), other_outlet(session_.job(), Which::plan, w));
  });
  panel_ = new ParamPanel(session, 2, this);
  panel_->show_params({{Which::plan, Param::circuit_split},
                       {Which::plan, Param::circuit_fl},
                       {Which::plan, Param::circuit_fr},
                       {Which::plan, Param::valve_kind},
                       {Which::plan, Param::circuit_rl},
                       {Which::plan, Param::circuit_rr}});
  panel_->setFixedHeight(128);
  body()->addWidget(panel_);
  line_ = new ParamPanel(session, 2, this);
  line_->show_params({{Which::plan, Param::clutch_tube},
                      {Which::plan, Param::lines_tube_outside},
                      {Which::plan, Param::lines_tube_wall},
                      {Which::plan, Param::lines_tube_material},
                      {Which::plan, Param::clutch_hose},
                      {Which::plan, Param::clutch_hose_kind},
                      {Which::plan, Param::lines_hose_bore},
                      {Which::plan, Param::fluid_grade}});
  body()->addWidget(line_, 1);
  caution_ = label({}, "caution", this);
  body()->addWidget(caution_);
}

void PlumbPage::refresh() {
  const bool clutch =
      value_of(session_.job(), Which::plan, Param::control_use).is(choice::ControlUse::clutch);
  // A clutch has one line: no wheels to trace and no outlets to cross.
  drawing_->setVisible(!clutch);
  panel_->setVisible(!clutch);
  line_->setVisible(clutch);
  caution_->setText(
      clutch
          ? tr("Keep the line from the exhaust and from everything that moves. A nut that screws "
               "in proves the thread, not the seat. Threads, tube lengths and the reservoir's "
               "head: see the figures.")
          : tr("On many tandem masters the rear port feeds the front brakes, on some the "
               "reverse: trace each line, assume none. A nut that screws in proves the thread, "
               "not the seat and not the circuit."));
  const OutletReport r = outlet_report(session_.job(), Which::plan);
  const bool hard = std::any_of(r.findings.begin(), r.findings.end(),
                                [](const Finding& f) { return f.severity == Severity::hard; });
  const Value kind = value_of(session_.job(), Which::plan, Param::master_kind);
  if (value_of(session_.job(), Which::plan, Param::control_use).is(choice::ControlUse::clutch))
    answer_->setText(tr("One line, from the master to the slave: nothing to cross."));
  else if (kind.is(choice::MasterKind::single))
    answer_->setText(tr("A single circuit: one leak takes every brake."));
  else if (hard)
    answer_->setText(tr("The outlets are not as intended."));
  else if (!r.untraced.empty())
    answer_->setText(tr("%1 of 4 wheels traced.").arg(4 - static_cast<int>(r.untraced.size())));
  else
    answer_->setText(tr("Every wheel is traced, and each outlet feeds its own."));
  drawing_->redraw();
}

InstallPage::InstallPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::install, tr("The steps of this very job, in order"), parent) {
  progress_ = label({}, "question", this);
  heading()->addWidget(progress_);
  clear_stale_ = new QPushButton(this);
  clear_stale_->setObjectName(QStringLiteral("small"));
  heading()->addWidget(clear_stale_);
  connect(clear_stale_, &QPushButton::clicked, this, [this] {
    session_.edit(tr("as-built values of the earlier plan cleared"), clear_stale_as_built);
  });
  scroll_ = new QScrollArea(this);
  scroll_->setWidgetResizable(true);
  scroll_->setFocusPolicy(Qt::NoFocus);
  body()->addWidget(scroll_, 1);
}

void InstallPage::build() {
  const auto steps = install_steps(session_.job());
  QStringList key;
  // A step may say figures of the job: it is made anew when they change.
  for (const Step& s : steps) key << text_of(yoke::key(s.id)) << text_of(s.text, session_.style());
  if (key == built_for_) return;
  built_for_ = key;
  cards_.clear();
  auto* inner = new QWidget;
  auto* list = new QVBoxLayout(inner);
  list->setContentsMargins(0, 0, 8, 0);
  list->setSpacing(4);
  Message part;
  for (const Step& s : steps) {
    if (!(s.part == part))
      list->addWidget(label(text_of(s.part, session_.style()), "heading", inner));
    part = s.part;
    cards_.push_back(new StepCard(session_, s, inner));
    list->addWidget(cards_.back());
  }
  list->addStretch(1);
  replace_inner(scroll_, inner);
}

void InstallPage::refresh() {
  build();
  int done = 0;
  for (StepCard* card : cards_) done += card->refresh() ? 1 : 0;
  progress_->setText(tr("%1 of %2 done").arg(done).arg(cards_.size()));
  const auto stale = static_cast<int>(stale_as_built(session_.job()).size());
  clear_stale_->setText(tr("Clear as-built values of the earlier plan: %1").arg(stale));
  clear_stale_->setVisible(stale > 0);
}

BleedPage::BleedPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::bleed, tr("In which order, how many strokes, when to refill?"),
                parent) {
  plan_ = label({}, "answer", this);
  body()->addWidget(plan_);
  body()->addWidget(
      label(tr("Count the strokes as you make them. A count is never a pass: a corner is clear "
               "after %1 bubble-free strokes in a row, down and up. Wipe up spills, wear goggles.")
                .arg(kClearStrokes),
            "caution", this));
  scroll_ = new QScrollArea(this);
  scroll_->setWidgetResizable(true);
  scroll_->setFocusPolicy(Qt::NoFocus);
  typical_ = label({}, "soft", this);
  body()->addWidget(typical_);
  scroll_->setMinimumHeight(250);
  body()->addWidget(scroll_, 3);
  order_ = new PictureView(tr("Bleeding order"), this);
  order_->set_maker([this](QSizeF size) {
    return bleed_picture(session_.job(), bleed_plan(session_.job()), size);
  });
  body()->addWidget(order_, 2);
}

void BleedPage::add_row(QGridLayout* grid, int row, const QString& key, const QString& name,
                        const QString& plan) {
  auto* title = label(name, "heading", this);
  grid->addWidget(title, row, 0);
  auto* planned = label(plan, "question", this);
  planned->setMinimumWidth(250);
  grid->addWidget(planned, row, 1);
  auto* count = label({}, "answer", this);
  count->setMinimumWidth(130);
  grid->addWidget(count, row, 2);
  const std::string id = key.toStdString();
  const auto button = [&](const QString& words, const QString& edit_name, auto fn) {
    auto* b = new QPushButton(words, this);
    b->setAccessibleName(tr("%1: %2").arg(name, words));
    b->setObjectName(QStringLiteral("bleed:%1:%2").arg(key, edit_name));
    connect(b, &QPushButton::clicked, this, [this, id, fn, words, name] {
      session_.edit(tr("%1: %2").arg(name, words), [&](Job& j) { fn(j.bleeding[id]); });
    });
    return b;
  };
  auto* first = button(tr("Stroke, clear"), QStringLiteral("clear"),
                       [](BleedRecord& r) { count_stroke(r, false); });
  grid->addWidget(first, row, 3);
  grid->addWidget(button(tr("Stroke, bubbles"), QStringLiteral("bubbles"),
                         [](BleedRecord& r) { count_stroke(r, true); }),
                  row, 4);
  grid->addWidget(button(tr("Refilled"), QStringLiteral("refill"), count_refill), row, 5);
  auto* state = label({}, "question", this);
  state->setMinimumWidth(150);
  grid->addWidget(state, row, 6);
  rows_.push_back({planned, count, state});
}

void BleedPage::refresh() {
  const BleedPlan plan = bleed_plan(session_.job());
  order_->redraw();
  order_->setVisible(plan.missing.empty() && !plan.clutch);
  if (plan.clutch)
    plan_->setText(tr("%1. %2 of fluid at hand.")
                       .arg(text_of(plan.order_reason, session_.style()))
                       .arg(full_text(std::ceil(plan.fluid.value() * 1e5) / 1e5, Kind::volume, 0,
                                      session_.style())));
  else if (!plan.missing.empty())
    plan_->setText(text_of(cannot_say(plan.missing), session_.style()) +
                   tr(". Strokes can be counted all the same."));
  else
    plan_->setText(tr("%1: %2 rounds, %3 of fluid at hand.")
                       .arg(text_of(plan.order_reason, session_.style()))
                       .arg(plan.rounds)
                       .arg(full_text(std::ceil(plan.fluid.value() * 1e5) / 1e5, Kind::volume, 0,
                                      session_.style())));
  typical_->setText(plan.typical.empty() || !plan.missing.empty()
                        ? QString()
                        : tr("Typical, not measured: %1. The counts rest on them.")
                              .arg(text_of(param_list(plan.typical), session_.style())));
  typical_->setVisible(!typical_->text().isEmpty());
  build_rows(plan);
}

void BleedPage::build_rows(const BleedPlan& plan) {
  const std::vector<BleedRow> rows = bleed_rows(session_.job(), plan);
  QStringList key;
  for (const BleedRow& r : rows) key << text_of(r.key);
  if (key != built_for_) {
    built_for_ = key;
    rows_.clear();
    auto* inner = new QWidget;
    auto* grid = new QGridLayout(inner);
    grid->setContentsMargins(0, 4, 8, 4);
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(10);
    int n = 0;
    for (const BleedRow& r : rows) {
      if (r.wheel)
        add_row(grid, n, text_of(r.key), tr("%1. %2").arg(n).arg(words_of(wheel_words(*r.wheel))),
                {});
      else if (n == 0)
        add_row(grid, n, text_of(r.key), tr("Master, on the bench"),
                tr("Short strokes of 10 to 25 mm, tubes or plugs; with plugs a bled master hardly "
                   "moves."));
      else
        add_row(grid, n, text_of(r.key), tr("Clutch slave"),
                tr("Nipple at the slave's highest point; clear strokes in a row, then the bite "
                   "stays where it was."));
      ++n;
    }
    grid->setRowStretch(n, 1);
    grid->setColumnStretch(1, 1);
    replace_inner(scroll_, inner);
  }
  for (std::size_t i = 0; i < rows.size(); ++i) show_row(rows_[i], rows[i]);
}

void BleedPage::show_row(const Row& row, const BleedRow& r) {
  if (r.planned) {
    const BleedWheel& w = *r.planned;
    row.plan->setText(tr("outlet %1: %2 strokes clear its %3; refill every %4 strokes")
                          .arg(w.outlet == Outlet::first ? 1 : 2)
                          .arg(w.strokes)
                          .arg(quantity_text(w.branch.value(), Kind::volume, 0, session_.style()))
                          .arg(w.refill_every));
  }
  row.count->setText(r.planned && r.planned->strokes > 0
                         ? tr("%1 of %2").arg(r.done.strokes).arg(r.planned->strokes)
                         : tr("%1").arg(r.done.strokes));
  const QString counted =
      r.state == BleedState::clear ? tr("✓ clear")
      : r.state == BleedState::not_begun
          ? tr("not begun")
          : tr("%1 of %2 clear in a row").arg(r.done.clear_strokes).arg(kClearStrokes);
  // Clear or not, the level is as low: both are said.
  const QString state = r.refill_due ? tr("■ REFILL NOW") + QLatin1Char('\n') + counted : counted;
  row.state->setObjectName(r.refill_due ? QStringLiteral("alarm") : QStringLiteral("question"));
  style()->unpolish(row.state);  // the name decides the colour
  style()->polish(row.state);
  row.state->setText(state);
}

}  // namespace yoke
