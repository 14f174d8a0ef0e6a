#include <QHBoxLayout>
#include <QKeyEvent>
#include <algorithm>

#include "paint/budget.hpp"
#include "paint/size_map.hpp"
#include "session/choose.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

namespace {

Picture no_map(const QString& why, QSizeF size) {
  PlotInput in;
  in.title = QStringLiteral("The map of bores and ratios");
  in.empty = why;
  in.x.words = QStringLiteral("pedal ratio");
  in.y.words = QStringLiteral("bore");
  return plot(in, size);
}

}  // namespace

MapView::MapView(Session& session, QWidget* parent)
    : PictureView(tr("Map of bores and ratios"), parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  set_maker([this](QSizeF size) {
    const auto& map = session_.map();
    if (!map) return no_map(error_text(map.error()), size);
    const Job& job = session_.job();
    MapMarks m;
    m.plan_bore_m = value_of(job, Which::plan, Param::master_bore).si;
    m.plan_ratio = arm_ratio(job, Which::plan).value_or(0.0);
    m.found_bore_m = value_of(job, Which::found, Param::master_bore).si;
    m.found_ratio = arm_ratio(job, Which::found).value_or(0.0);
    m.cursor = cursor_;
    if (m.cursor &&
        (m.cursor->first >= map->bores_m.size() || m.cursor->second >= map->ratios.size()))
      m.cursor.reset();
    return size_map_picture(*map, m, session_.style(), size);
  });
  connect(&session_, &Session::changed, this, &PictureView::redraw);
  connect(&session_, &Session::style_changed, this, &PictureView::redraw);
  connect(this, &PictureView::spot_clicked, this, [this](const QString& id) {
    ++presses_;
    choose(id);
  });
  connect(this, &PictureView::dragged, this, [this](const QString&, QPointF, QPointF to) {
    if (const Spot* s = picture().hit(to)) choose(QString(s->id));
  });
}

QString MapView::cursor_words() const {
  const auto& map = session_.map();
  if (!map || !cursor_ || cursor_->first >= map->bores_m.size() ||
      cursor_->second >= map->ratios.size())
    return {};
  return cell_words(map->at(cursor_->first, cursor_->second), session_.style());
}

void MapView::choose(const QString& id) {
  const QStringList parts = id.split(QLatin1Char(':'));
  const auto& map = session_.map();
  if (parts.size() != 3 || !map) return;
  const auto b = parts[1].toUInt();
  const auto r = parts[2].toUInt();
  if (b >= map->bores_m.size() || r >= map->ratios.size()) return;
  cursor_ = std::pair<size_t, size_t>(b, r);
  emit cell_chosen(map->bores_m[b], map->ratios[r], QStringLiteral("map %1").arg(presses_));
  emit cursor_moved();
}

void MapView::keyPressEvent(QKeyEvent* e) {
  const auto& map = session_.map();
  if (!map) return PictureView::keyPressEvent(e);
  const auto nearest = [](const std::vector<double>& list, double v) {
    return static_cast<size_t>(
        std::min_element(list.begin(), list.end(),
                         [v](double a, double b) { return std::abs(a - v) < std::abs(b - v); }) -
        list.begin());
  };
  if (!cursor_)
    cursor_ = std::pair(
        nearest(map->bores_m, value_of(session_.job(), Which::plan, Param::master_bore).si),
        nearest(map->ratios, arm_ratio(session_.job(), Which::plan).value_or(0.0)));
  auto& [b, r] = *cursor_;
  b = std::min(b, map->bores_m.size() - 1);
  r = std::min(r, map->ratios.size() - 1);
  switch (e->key()) {
    case Qt::Key_Up:
      b = std::min(b + 1, map->bores_m.size() - 1);
      break;
    case Qt::Key_Down:
      b = b > 0 ? b - 1 : 0;
      break;
    case Qt::Key_Right:
      r = std::min(r + 1, map->ratios.size() - 1);
      break;
    case Qt::Key_Left:
      r = r > 0 ? r - 1 : 0;
      break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      emit cell_chosen(map->bores_m[b], map->ratios[r], {});
      return;
    default:
      PictureView::keyPressEvent(e);
      return;
  }
  redraw();
  emit cursor_moved();
}

SizePage::SizePage(Session& session, QWidget* parent)
    : StagePage(session, Stage::size,
                tr("Which bore and ratio give the wanted pedal, in all conditions, and why not the "
                   "others?"),
                parent) {
  sentence_ = label({}, "answer", this);
  sentence_->setAccessibleName(tr("Old against new"));
  body()->addWidget(sentence_);
  panel_ = new ParamPanel(session, 2, this);
  panel_->show_params({{Which::found, Param::master_bore},
                       {Which::found, Param::control_pad_arm},
                       {Which::found, Param::control_pin_arm},
                       {Which::plan, Param::master_bore},
                       {Which::plan, Param::control_pad_arm},
                       {Which::plan, Param::control_pin_arm}});
  panel_->setFixedHeight(116);
  auto* heads = new QHBoxLayout;
  auto* found_head = label(tr("As found"), "soft", this);
  plan_head_ = label(tr("Plan"), "soft", this);
  for (auto* head : {found_head, plan_head_}) {
    head->setFixedHeight(18);
    head->setWordWrap(false);
    heads->addWidget(head, 1);
  }
  body()->addLayout(heads);
  body()->addWidget(panel_);
  auto* pictures = new QHBoxLayout;
  pictures->setSpacing(10);
  auto* left = new QVBoxLayout;
  map_ = new MapView(session, this);
  left->addWidget(map_, 1);
  cell_ =
      label(tr("Choose a cell with the mouse, or with the arrow keys and Enter."), "soft", this);
  left->addWidget(cell_);
  pictures->addLayout(left, 6);
  auto* right = new QVBoxLayout;
  curve_ = new PictureView(tr("Feel curves"), this);
  curve_->set_maker([this](QSizeF size) { return plot(feel_plot(session_), size); });
  budget_ = new PictureView(tr("Travel budget"), this);
  budget_->set_maker([this](QSizeF size) {
    std::vector<ConditionReport> two(session_.strip().begin(), session_.strip().begin() + 2);
    return budget_picture(two, session_.style(), size);
  });
  budget_->setMinimumHeight(132);
  right->addWidget(curve_, 5);
  right->addWidget(budget_, 2);
  pictures->addLayout(right, 5);
  body()->addLayout(pictures, 1);
  doubt_ = label({}, "soft", this);
  doubt_->setAccessibleName(tr("How sure the plan is"));
  body()->addWidget(doubt_);
  runner_ = new DoubtRunner(this);
  connect(runner_, &DoubtRunner::finished, this, [this] {
    doubt_->setText(runner_->report() ? doubt_words(*runner_->report(), session_.style())
                                      : QString());
  });
  connect(runner_, &DoubtRunner::progressed, this,
          [this](int percent) { doubt_->setText(tr("How sure is the plan? %1 %").arg(percent)); });
  connect(map_, &MapView::cell_chosen, this,
          [this](double bore, double ratio, const QString& merge) {
            choose_cell(session_, bore, ratio, merge);
          });
  connect(map_, &MapView::cursor_moved, this, [this] { cell_->setText(map_->cursor_words()); });
}

void SizePage::refresh() {
  sentence_->setText(relative_sentence(session_.job()));
  const QString equal = equal_feel(session_.job(), session_.style());
  plan_head_->setText(equal.isEmpty() ? tr("Plan") : tr("Plan: %1").arg(equal));
  if (const QString w = map_->cursor_words(); !w.isEmpty()) cell_->setText(w);
  curve_->redraw();
  budget_->redraw();
  doubt_->clear();
  if (session_.strip()[1].target) runner_->ask(session_.job(), ConditionId::plan);
}

}  // namespace yoke
