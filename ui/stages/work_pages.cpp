#include <QGridLayout>
#include <QHBoxLayout>
#include <QStyle>
#include <algorithm>
#include <cmath>

#include "document/as_built.hpp"
#include "document/param/assist.hpp"
#include "document/param/supply.hpp"
#include "paint/feed_picture.hpp"
#include "paint/sections.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/stages/pages.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke {

PlumbPage::PlumbPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::plumb, tr("Which outlet feeds which wheel, and by what line?"),
                parent) {
  const auto feeds = [&session](QSizeF size) {
    return feed_picture(feed_drawing(session.job()), session.style(), size);
  };
  register_faces(
      {{"outlets", tr("From outlet to wheel"),
        [&session](QWidget* p) { return new OutletsFace(session, p); }},
       {"lines", tr("Lines to make"),
        [&session, &dialogs](QWidget* p) { return new TubesFace(session, dialogs, p); }},
       {"feeds", tr("What feeds the assist"), [&session, feeds](QWidget* p) {
          return new DrawnFace(
              session, tr("Its wires, or its hose"),
              of_plan({param::supply_wire_length, param::supply_wire_area, param::supply_fuse,
                       param::supply_wake, param::supply_ground, param::supply_nipple,
                       param::supply_valve_way, param::assist_vacuum}),
              tr("What feeds the assist"), feeds, {"supply"}, p);
        }}});
}

PictureView* PlumbPage::drawing() {
  return outlets()->drawing();
}

OutletsFace* PlumbPage::outlets() {
  return static_cast<OutletsFace*>(face_of("outlets"));
}

TubesFace* PlumbPage::tubes() {
  return static_cast<TubesFace*>(face_of("lines"));
}

BleedPage::BleedPage(Session& session, QWidget* parent)
    : StagePage(session, Stage::bleed, tr("In which order, how many strokes, when to refill?"),
                parent) {
  plan_ = label({}, "answer", this);
  body()->addWidget(plan_);
  body()->addWidget(
      label(tr("Count the strokes as you make them. A count is never a pass: a nipple is clear "
               "after %1 bubble-free strokes in a row, down and up. Wipe up spills, wear goggles.")
                .arg(kClearStrokes),
            "caution", this));
  scroll_ = new QScrollArea(this);
  scroll_->setWidgetResizable(true);
  scroll_->setFocusPolicy(Qt::NoFocus);
  typical_ = label({}, "soft", this);
  body()->addWidget(typical_);
  scroll_->setMinimumHeight(150);
  body()->addWidget(scroll_, 3);
  order_ = new PictureView(tr("Bleeding order"), this);
  order_->set_maker([this](QSizeF size) {
    return bleed_picture(session_.job(), bleed_plan(session_.job()), size);
  });
  order_->setMinimumHeight(150);
  body()->addWidget(order_, 2);
}

void BleedPage::add_row(QGridLayout* grid, int row, const BleedLine& line) {
  const QString key = text_of(line.key);
  const QString name = text_of(line.name, session_.style());
  auto* title = label(name, "heading", this);
  grid->addWidget(title, row, 0);
  auto* planned = label({}, "question", this);
  planned->setMinimumWidth(250);
  grid->addWidget(planned, row, 1);
  auto* count = label({}, "answer", this);
  count->setMinimumWidth(130);
  grid->addWidget(count, row, 2);
  const std::string id = line.key;
  const auto button = [&](const QString& words, const char* edit_name, BleedCount what) {
    auto* b = new QPushButton(words, this);
    b->setAccessibleName(tr("%1: %2").arg(name, words));
    b->setObjectName(QStringLiteral("bleed:%1:%2").arg(key, QLatin1String(edit_name)));
    connect(b, &QPushButton::clicked, this,
            [this, id, name, what] { count_at(session_, id, name, what); });
    return b;
  };
  grid->addWidget(button(tr("Stroke, clear"), "clear", BleedCount::clear), row, 3);
  grid->addWidget(button(tr("Stroke, bubbles"), "bubbles", BleedCount::bubbles), row, 4);
  grid->addWidget(button(tr("Topped up"), "refill", BleedCount::refill), row, 5);
  auto* state = label({}, "question", this);
  state->setMinimumWidth(150);
  grid->addWidget(state, row, 6);
  rows_.push_back({planned, count, state});
}

void BleedPage::refresh() {
  const BleedView v = bleed_view(session_.job());
  order_->redraw();
  order_->setVisible(v.has_order);
  plan_->setText(text_of(v.plan, session_.style()));
  typical_->setText(text_of(v.typical, session_.style()));
  typical_->setVisible(!v.typical.empty());
  QStringList key;
  for (const BleedLine& line : v.lines) key << text_of(line.key);
  if (key != built_for_) {
    built_for_ = key;
    build_rows(v);
  }
  for (std::size_t i = 0; i < v.lines.size(); ++i) show_row(rows_[i], v.lines[i]);
}

void BleedPage::build_rows(const BleedView& view) {
  rows_.clear();
  auto* inner = new QWidget;
  auto* grid = new QGridLayout(inner);
  grid->setContentsMargins(0, 4, 8, 4);
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(10);
  int n = 0;
  for (const BleedLine& line : view.lines) add_row(grid, n++, line);
  grid->setRowStretch(n, 1);
  grid->setColumnStretch(1, 1);
  replace_inner(scroll_, inner);
}

void BleedPage::show_row(const Row& row, const BleedLine& line) {
  row.plan->setText(text_of(line.planned, session_.style()));
  row.count->setText(text_of(line.count, session_.style()));
  const QString role = line.refill_now ? QStringLiteral("alarm") : QStringLiteral("question");
  if (role != row.state->objectName()) {
    row.state->setObjectName(role);
    style()->unpolish(row.state);  // the name decides the colour
    style()->polish(row.state);
  }
  row.state->setText(text_of(line.state, session_.style()));
}

}  // namespace yoke
