#include <QButtonGroup>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <algorithm>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "master/bores.hpp"
#include "paint/budget.hpp"
#include "paint/size_map.hpp"
#include "session/candidates.hpp"
#include "session/choose.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/faces/map_face.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

QString bore_text(double bore_m, const Style& style) {
  const BoreSize* size = named_bore(Length{bore_m});
  return size ? text_of(size->name) : quantity_text(bore_m, Kind::length, 2, style);
}

/// The first of what fits, the next, and what decides between them.
QString ranking_line(const Session& s, std::size_t assist) {
  const auto& map = s.map();
  if (!map) return {};
  const SweepRequest q = default_request(s.job());
  const auto ranked = ranking(map->slice(assist));
  if (ranked.empty())
    return QObject::tr(
        "No cell is within limits: each says by its shape which limit it fails first.");
  const auto cell = [&](const Cell& c) {
    return QObject::tr("%1 at %2 (%3, %4)")
        .arg(bore_text(c.bore_m, s.style()))
        .arg(c.ratio, 0, 'f', 2)
        .arg(quantity_text(c.effort_n, Kind::force, 0, s.style()),
             quantity_text(c.travel_m, Kind::length, 0, s.style()));
  };
  QString t = QObject::tr("Of %1 within limits, first: %2").arg(ranked.size()).arg(cell(ranked[0]));
  if (ranked.size() > 1) t += QObject::tr(", then %1").arg(cell(ranked[1]));
  if (ranked[0].verdict == Verdict::if_typical)
    t += QObject::tr(". They rest on values that nobody measured yet");
  return t + QStringLiteral(". ") + words_of(preference_words(q.preference));
}

CellDoubt doubt_of(const CellBand& b) {
  const double draws = std::max(1.0, static_cast<double>(b.draws));
  return {static_cast<double>(b.passes) / draws, b.effort.low, b.effort.high, b.travel.low,
          b.travel.high};
}

Picture no_map(const QString& why, QSizeF size) {
  PlotInput in;
  in.title = QObject::tr("The map of bores and ratios");
  in.empty = why;
  in.x.words = QObject::tr("pedal ratio");
  in.y.words = QObject::tr("bore");
  return plot(in, size);
}

}  // namespace

MapView::MapView(Session& session, QWidget* parent)
    : PictureView(tr("Map of bores and ratios"), parent), session_(session) {
  setFocusPolicy(Qt::StrongFocus);
  set_maker([this](QSizeF size) {
    const auto& map = session_.map();
    if (!map) return no_map(error_text(map.error(), session_.style()), size);
    const Sweep one = map->slice(assist_);
    const Values found = resolve(session_.job(), As::found);
    const Values plan = resolve(session_.job(), As::plan);
    MapMarks m;
    m.plan_bore_m = plan.si(param::master_bore);
    m.plan_ratio = arm_ratio(plan).value_or(0.0);
    m.found_bore_m = found.si(param::master_bore);
    m.found_ratio = arm_ratio(found).value_or(0.0);
    const ConditionReport& today = session_.strip().front();
    if (today.target && today.target->reached) {
      m.found_effort_n = today.target->at.pad_force_n;
      m.found_travel_m = today.target->at.pad_travel_m;
    }
    for (const CandidateView& v : candidate_views(session_.job(), 0))
      m.pins.push_back({pin_letter(m.pins.size()), v.bore_m, v.ratio});
    m.plan_bore2_m = plan.si(param::master_bore2);
    m.found_bore2_m = found.si(param::master_bore2);
    const std::size_t from = assist_ * one.cells.size();
    for (std::size_t i = from; i < std::min(from + one.cells.size(), bands_.size()); ++i)
      m.doubts.push_back(doubt_of(bands_[i]));
    m.cursor = cursor_;
    if (m.cursor && (m.cursor->first >= one.bores_m.size() || m.cursor->second >= one.columns()))
      m.cursor.reset();
    return size_map_picture(one, m, session_.style(), size);
  });
  connect(&session_, &Session::changed, this, [this] {
    // Options come and go with the plan's own assist.
    if (assist_ >= static_cast<std::size_t>(assist_names().size())) assist_ = 0;
    redraw();
  });
  connect(&session_, &Session::style_changed, this, &PictureView::redraw);
  connect(this, &PictureView::spot_clicked, this, [this](const QString& id) {
    ++presses_;
    choose(id);
  });
  connect(this, &PictureView::dragged, this, [this](const QString&, QPointF, QPointF to) {
    if (const Spot* s = picture().hit(to)) choose(QString(s->id));
  });
}

std::optional<Sweep> MapView::shown() const {
  const auto& map = session_.map();
  if (!map) return std::nullopt;
  return map->slice(assist_);
}

QStringList MapView::assist_names() const {
  QStringList names;
  if (const auto& map = session_.map())
    for (const auto& a : map->assists) names << text_of(a, session_.style());
  return names;
}

void MapView::show_assist(std::size_t option) {
  assist_ = option;
  redraw();
  emit cursor_moved();
}

QString MapView::cursor_words() const {
  const auto map = shown();
  if (!map || !cursor_ || cursor_->first >= map->bores_m.size() ||
      cursor_->second >= map->columns() || map->cells.empty())
    return {};
  const std::size_t cell = cursor_->first * map->columns() + cursor_->second;
  const std::size_t band = assist_ * map->cells.size() + cell;
  std::optional<CellDoubt> doubt;
  if (band < bands_.size()) doubt = doubt_of(bands_[band]);
  return cell_words(map->cells[cell], session_.style(), doubt ? &*doubt : nullptr);
}

void MapView::set_bands(std::vector<CellBand> bands) {
  if (bands.empty() && bands_.empty()) return;
  bands_ = std::move(bands);
  redraw();
}

void MapView::take(const Cell& cell, const QString& merge) {
  const auto options = default_request(session_.job()).assists;
  const AssistOption* option =
      assist_ > 0 && assist_ < options.size() ? &options[assist_] : nullptr;
  // What was chosen is the plan from here on.
  assist_ = 0;
  choose_cell(session_, cell, option, merge);
  emit cursor_moved();
}

void MapView::choose(const QString& id) {
  const QStringList parts = id.split(QLatin1Char(':'));
  const auto map = shown();
  if (parts.size() != 3 || !map || map->cells.empty()) return;
  const auto b = parts[1].toUInt();
  const auto r = parts[2].toUInt();
  if (b >= map->bores_m.size() || r >= map->columns()) return;
  cursor_ = std::pair<size_t, size_t>(b, r);
  take(map->at(b, r), QStringLiteral("map %1").arg(presses_));
}

void MapView::keyPressEvent(QKeyEvent* e) {
  const auto map = shown();
  if (!map || map->cells.empty()) return PictureView::keyPressEvent(e);
  const auto nearest = [](const std::vector<double>& list, double v) {
    return static_cast<size_t>(
        std::min_element(list.begin(), list.end(),
                         [v](double a, double b) { return std::abs(a - v) < std::abs(b - v); }) -
        list.begin());
  };
  const std::vector<double>& columns = map->pairs() ? map->bores2_m : map->ratios;
  if (!cursor_) {
    const Values plan = resolve(session_.job(), As::plan);
    const double column =
        map->pairs() ? plan.si(param::master_bore2) : arm_ratio(plan).value_or(0.0);
    cursor_ =
        std::pair(nearest(map->bores_m, plan.si(param::master_bore)), nearest(columns, column));
  }
  auto& [b, r] = *cursor_;
  b = std::min(b, map->bores_m.size() - 1);
  r = std::min(r, columns.size() - 1);
  switch (e->key()) {
    case Qt::Key_Up:
      b = std::min(b + 1, map->bores_m.size() - 1);
      break;
    case Qt::Key_Down:
      b = b > 0 ? b - 1 : 0;
      break;
    case Qt::Key_Right:
      r = std::min(r + 1, columns.size() - 1);
      break;
    case Qt::Key_Left:
      r = r > 0 ? r - 1 : 0;
      break;
    case Qt::Key_Return:
    case Qt::Key_Enter:
    case Qt::Key_Space:
      take(map->at(b, r), {});
      return;
    default:
      PictureView::keyPressEvent(e);
      return;
  }
  redraw();
  emit cursor_moved();
}

MapFace::MapFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  build();
  runner_ = new DoubtRunner(this);
  connect(runner_, &DoubtRunner::finished, this, [this] {
    doubt_->setText(runner_->report() ? doubt_words(*runner_->report(), session_.style())
                                      : QString());
    map_->set_bands(runner_->cells());
    cell_->setText(chosen_words());
    curve_->redraw();
  });
  connect(runner_, &DoubtRunner::progressed, this,
          [this](int percent) { doubt_->setText(tr("How sure is the plan? %1 %").arg(percent)); });
  connect(map_, &MapView::cursor_moved, this, [this] {
    cell_->setText(map_->cursor_words());
    refresh_assists();
  });
}

void MapFace::build() {
  auto* body = new QVBoxLayout(this);
  body->setContentsMargins(0, 0, 0, 0);
  body->setSpacing(8);
  sentence_ = new LineText("answer", 1, this);
  sentence_->setAccessibleName(tr("Old against new"));
  body->addWidget(sentence_);
  panel_ = new ParamPanel(session_, 3, this);
  panel_->set_compact();
  // Down the columns: each shows one dimension as found above the plan's.
  panel_->show_params({{As::found, param::master_bore},
                       {As::plan, param::master_bore},
                       {As::found, param::control_pad_arm},
                       {As::plan, param::control_pad_arm},
                       {As::found, param::control_pin_arm},
                       {As::plan, param::control_pin_arm}});
  panel_->setFixedHeight(80);
  body->addWidget(panel_);
  auto* pictures = new QHBoxLayout;
  pictures->setSpacing(10);
  auto* left = new QVBoxLayout;
  map_ = new MapView(session_, this);
  left->addWidget(map_, 1);
  assists_ = new QHBoxLayout;
  assists_->setSpacing(6);
  assists_->addStretch(1);
  left->addLayout(assists_);
  pictures->addLayout(left, 6);
  auto* right = new QVBoxLayout;
  curve_ = new CurveView(
      tr("Feel curves"),
      [this] { return feel_plot(session_, runner_ ? runner_->bands() : std::vector<CurveBand>{}); },
      this);
  budget_ = new PictureView(tr("Travel budget"), this);
  budget_->set_maker([this](QSizeF size) {
    std::vector<ConditionReport> two(session_.strip().begin(), session_.strip().begin() + 2);
    return budget_picture(two, session_.style(), size);
  });
  budget_->setMinimumHeight(124);
  right->addWidget(curve_, 7);
  right->addWidget(budget_, 1);
  right->addLayout(build_wishes());
  pictures->addLayout(right, 5);
  body->addLayout(pictures, 1);
  cell_ = new LineText("question", 1, this);
  cell_->setAccessibleName(tr("The chosen cell"));
  doubt_ = new LineText("soft", 1, this);
  doubt_->setAccessibleName(tr("How sure the plan is"));
  body->addWidget(cell_);
  body->addWidget(doubt_);
}

/// What is preferred, and which bores are tried: both rank and cut the map at once.
QLayout* MapFace::build_wishes() {
  auto* row = new QHBoxLayout;
  row->setSpacing(4);
  for (const Param p : {param::target_preference, param::target_sizes}) {
    const bool sizes = p == param::target_sizes;
    auto* head = label(sizes ? tr("   Bores") : tr("Prefer"), "soft", this);
    head->setWordWrap(false);
    row->addWidget(head);
    auto* group = new QButtonGroup(this);
    const auto& options = info(p).options;
    for (std::size_t i = 0; i < options.size(); ++i) {
      const QString bores[] = {tr("Inch"), tr("Any"), tr("mm"), tr("Both")};
      auto* b = new QPushButton(sizes ? bores[i] : words_of(options[i].words), this);
      b->setObjectName(QStringLiteral("small"));
      b->setCheckable(true);
      b->setToolTip(
          plain_tip(words_of(options[i].words) + QStringLiteral(". ") + words_of(info(p).help)));
      group->addButton(b);
      wishes_.push_back(b);
      row->addWidget(b);
      connect(b, &QPushButton::clicked, this, [this, p, i] {
        session_.set_value(As::plan, p, {static_cast<double>(i), How::stated, 0, {}});
      });
    }
  }
  row->addStretch(1);
  return row;
}

void MapFace::refresh_assists() {
  const QStringList names = map_->assist_names();
  if (names != assists_shown_) {
    assists_shown_ = names;
    for (auto* b : assist_buttons_) b->deleteLater();
    assist_buttons_.clear();
    for (qsizetype i = 0; names.size() > 1 && i < names.size(); ++i) {
      auto* b = new QPushButton(tr("Assist: %1").arg(names[i]), this);
      b->setObjectName(QStringLiteral("small"));
      b->setCheckable(true);
      b->setFixedHeight(26);
      connect(b, &QPushButton::clicked, this, [this, i] {
        map_->show_assist(static_cast<std::size_t>(i));
        refresh_assists();
      });
      assists_->insertWidget(static_cast<int>(i), b);
      assist_buttons_.push_back(b);
    }
  }
  for (std::size_t i = 0; i < assist_buttons_.size(); ++i)
    assist_buttons_[i]->setChecked(i == map_->assist());
}

QString MapFace::chosen_words() const {
  const QString chosen = map_->cursor_words();
  return chosen.isEmpty() ? ranking_line(session_, map_->assist()) : chosen;
}

void MapFace::refresh() {
  refresh_assists();
  sentence_->setText(relative_sentence(session_.job(), session_.style()));
  // Where a press can be told the stage's own sentence says more.
  const bool pressed = session_.strip()[1].target.has_value();
  sentence_->setVisible(!pressed);
  // Two bores and two ratios are typed here while nothing more is known; then Survey has them.
  panel_->setVisible(!pressed);
  const Values plan = resolve(session_.job(), As::plan);
  wishes_[static_cast<std::size_t>(
              plan.choice<param::target_preference>().value_or(choice::TargetPreference::light))]
      ->setChecked(true);
  wishes_[3 + static_cast<std::size_t>(
                  plan.choice<param::target_sizes>().value_or(choice::TargetSizes::standard))]
      ->setChecked(true);
  cell_->setText(chosen_words());
  doubt_->setText({});
  map_->set_bands({});
  if (session_.strip()[1].target) {
    if (const auto& map = session_.map())
      runner_->ask(session_.job(), ConditionId::plan, band_forces(session_), *map);
    else
      runner_->ask(session_.job(), ConditionId::plan, band_forces(session_));
  }
  curve_->redraw();
  budget_->redraw();
}

QString MapFace::note() const {
  const QString equal = equal_feel(session_.job(), session_.style());
  return equal.isEmpty() ? QString() : equal.left(1).toUpper() + equal.mid(1);
}

}  // namespace yoke
