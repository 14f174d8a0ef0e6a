#include "ui/faces/road_face.hpp"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QVBoxLayout>
#include <algorithm>

#include "document/param/bedding.hpp"
#include "document/param/limits.hpp"
#include "paint/road_pictures.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr std::size_t kAfter = 5;

QLineEdit* entry(const QString& name, const QString& hint, int most, QWidget* parent) {
  auto* e = new QLineEdit(parent);
  e->setAccessibleName(name);
  e->setPlaceholderText(hint);
  e->setMaxLength(most);
  e->setMinimumHeight(40);
  return e;
}

}  // namespace

RoadFace::RoadFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session) {
  phone_ = new PhoneBox(session, dialogs, this);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  path_ = new TallPicture(tr("The stages of the road"), this);
  path_->set_maker(
      [this](QSizeF size) { return road_path_picture(rows_, at_, session_.style(), size); });
  path_->set_walkable();
  connect(path_, &PictureView::spot_clicked, this,
          [this](const QString& id) { show_row(static_cast<std::size_t>(id.mid(6).toInt())); });
  auto* area = moved_area(path_, this);
  area->setMinimumWidth(330);
  row->addWidget(area, 4);
  row->addWidget(build_side(), 7);
  connect(&session_, &Session::judged, this, [this] {
    if (isVisible()) refresh();
  });
}

QWidget* RoadFace::build_side() {
  auto* side = new QWidget(this);
  auto* box = new QVBoxLayout(side);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  how_ = label({}, "answer", side);
  box->addWidget(how_);
  care_ = label({}, "caution", side);
  box->addWidget(care_);
  permit_ = build_permit();
  box->addWidget(permit_);
  series_ = build_series();
  box->addWidget(series_);
  ground_ = new PictureView(tr("The last stop on the ground"), side);
  ground_->set_maker([this](QSizeF size) {
    const auto& stops = session_.job().stops;
    return stop_picture(stops.empty() ? std::nullopt : std::optional(stops.back()),
                        value_of(session_.job(), As::plan, param::target_z).si, session_.style(),
                        size);
  });
  ground_->setMinimumSize(320, 120);
  box->addWidget(ground_, 1);
  says_ = label({}, "soft", side);
  box->addWidget(says_);
  refusal_ = label({}, "alarm", side);
  refusal_->hide();
  box->addWidget(refusal_);
  stop_ = build_stop();
  box->addWidget(stop_);
  heat_ = new HeatBox(session_, side);
  connect(heat_, &HeatBox::told, this, &RoadFace::told);
  box->addWidget(heat_, 1);
  after_head_ = plain_label(tr("After the first run"), "heading", side);
  box->addWidget(after_head_);
  for (std::size_t i = 0; i < kAfter; ++i) {
    auto* c = new QCheckBox(side);
    connect(c, &QCheckBox::clicked, this, [this, i](bool on) {
      if (i < due_.size()) told(tick_after(session_, due_[i], on));
    });
    after_.push_back(c);
    box->addWidget(c);
  }
  return side;
}

QWidget* RoadFace::build_permit() {
  auto* all = new QWidget(this);
  auto* grid = new QGridLayout(all);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(6);
  who_ = entry(tr("Who drives"), tr("who drives"), 80, all);
  place_ = entry(tr("The place"), tr("the place"), 120, all);
  weather_ = entry(tr("Weather and surface"), tr("dry, gravel"), 120, all);
  int column = 0;
  for (QLineEdit* e : {who_, place_, weather_}) {
    grid->addWidget(e, 0, column++);
    connect(e, &QLineEdit::editingFinished, this, &RoadFace::answered);
  }
  const QString words[] = {tr("closed ground, clear of people"),
                           tr("belts on, or helmet and gloves"), tr("nobody else aboard"),
                           tr("parking brake holds on a slope"), tr("linings are bedded already")};
  for (std::size_t i = 0; i < std::size(words); ++i) {
    auto* c = new QCheckBox(words[i], all);
    answers_.push_back(c);
    grid->addWidget(c, 1 + static_cast<int>(i) / 3, static_cast<int>(i) % 3);
    connect(c, &QCheckBox::clicked, this, &RoadFace::answered);
  }
  return all;
}

/// The linings' maker asks for a series of his own.
QWidget* RoadFace::build_series() {
  auto* all = new QWidget(this);
  auto* row = new QHBoxLayout(all);
  row->setContentsMargins(0, 0, 0, 0);
  row->addWidget(plain_label(tr("The linings' maker asks for"), "question", all));
  series_stops_ = entry(tr("Bedding stops, by the linings' maker"), QString(), 24, all);
  series_speed_ = entry(tr("Bedding stops from, by the linings' maker"), tr("50 km/h"), 24, all);
  const std::pair<QLineEdit*, Param> fields[] = {{series_stops_, param::bed_stops},
                                                 {series_speed_, param::bed_speed}};
  for (const auto& [field, param] : fields) {
    row->addWidget(field);
    connect(field, &QLineEdit::editingFinished, this, [this, e = field, p = param] {
      if (!e->isModified()) return;
      e->setModified(false);
      told(set_series(session_, p, e->text()));
    });
  }
  row->addWidget(plain_label(tr("stops, from this speed"), "soft", all), 1);
  return all;
}

void RoadFace::fill_series() {
  const std::pair<QLineEdit*, Param> fields[] = {{series_stops_, param::bed_stops},
                                                 {series_speed_, param::bed_speed}};
  for (const auto& [field, param] : fields) {
    if (field->isModified()) continue;
    const Value v = value_of(session_.job(), As::plan, param);
    const QString words = shown_value(param, v.si, session_.style());
    field->setText(v.settled() ? words : QString());
    field->setPlaceholderText(tr("usual: %1").arg(words));
  }
}

/// What the trace tells goes into the fields: it is looked at before it counts.
void RoadFace::take_phone(const PhoneStop& s) {
  const Style& style = session_.style();
  speed_->setText(quantity_text(s.speed_m_s, Kind::speed, 1, style));
  distance_->setText(quantity_text(s.distance_m, Kind::altitude, 1, style));
}

QWidget* RoadFace::build_stop() {
  auto* all = new QWidget(this);
  auto* grid = new QGridLayout(all);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setSpacing(6);
  speed_ = entry(tr("Speed"), tr("30 km/h"), 24, all);
  speed_doubt_ = entry(tr("± of the speed"), tr("± 3 km/h"), 24, all);
  distance_ = entry(tr("Distance"), tr("9 m"), 24, all);
  distance_doubt_ = entry(tr("± of the distance"), tr("± 1 m"), 24, all);
  slope_ = entry(tr("Slope, downhill more than 0"), tr("0 deg"), 24, all);
  int column = 0;
  for (QLineEdit* e : {speed_, speed_doubt_, distance_, distance_doubt_, slope_})
    grid->addWidget(e, 0, column++);
  connect(distance_, &QLineEdit::returnPressed, this, &RoadFace::stopped);
  locked_ = new Combo(all);
  locked_->setAccessibleName(tr("Which wheels stood still"));
  for (const EnumWord& w : EnumWords<LockSeen>::all)
    locked_->addItem(tr("locked: %1").arg(words_of(w.words)));
  locked_->setMinimumHeight(40);
  grid->addWidget(locked_, 1, 0, 1, 2);
  pulled_ = new QCheckBox(tr("it pulled to one side"), all);
  grid->addWidget(pulled_, 1, 2);
  take_ = new QPushButton(tr("Take this stop"), all);
  take_->setObjectName(QStringLiteral("main"));
  take_->setMinimumHeight(44);
  connect(take_, &QPushButton::clicked, this, &RoadFace::stopped);
  grid->addWidget(take_, 1, 3);
  remove_ = new QPushButton(tr("Take the last one out"), all);
  remove_->setMinimumHeight(44);
  connect(remove_, &QPushButton::clicked, this, [this] {
    const std::size_t n = session_.job().stops.size();
    if (n > 0) told(take_out_stop(session_, n - 1));
  });
  grid->addWidget(remove_, 1, 4);
  phone_->setParent(all);
  connect(phone_, &PhoneBox::read, this, &RoadFace::take_phone);
  grid->addWidget(phone_, 2, 0, 1, 5);
  return all;
}

const RoadStep* RoadFace::now() const {
  return at_ < steps_.size() ? &steps_[at_] : nullptr;
}

void RoadFace::go_to(RoadStage stage) {
  for (std::size_t i = 0; i < steps_.size(); ++i)
    if (steps_[i].stage == stage) return show_row(i);
}

void RoadFace::go_after() {
  show_row(steps_.size());
}

void RoadFace::show_row(std::size_t row) {
  if (row >= rows_.size()) return;
  at_ = row;
  chosen_ = true;
  path_->renew();
  show_stage();
  show_after();
}

void RoadFace::answered() {
  if (filling_ || !now()) return;
  RoadPermit p = permit_of(session_.job(), now()->stage);
  const RoadPermit before = p;
  p.who = who_->text().trimmed().toStdString();
  p.place = place_->text().trimmed().toStdString();
  p.weather = weather_->text().trimmed().toStdString();
  p.closed = answers_[0]->isChecked();
  p.belts = answers_[1]->isChecked();
  p.alone = answers_[2]->isChecked();
  p.parking = answers_[3]->isChecked();
  p.bedded = answers_[4]->isChecked();
  if (p == before) return;
  p.when = wall_clock();
  told(answer_permit(session_, now()->stage, p));
}

void RoadFace::stopped() {
  if (!now()) return;
  StopEntry e;
  e.speed = speed_->text().toStdString();
  e.speed_doubt = speed_doubt_->text().toStdString();
  e.distance = distance_->text().toStdString();
  e.distance_doubt = distance_doubt_->text().toStdString();
  e.slope = slope_->text().toStdString();
  e.locked = static_cast<LockSeen>(std::max(0, locked_->currentIndex()));
  e.pulled = pulled_->isChecked();
  const auto ok = take_stop(session_, now()->stage, e, wall_clock());
  told(ok);
  if (!ok) return;
  for (QLineEdit* f : {speed_, speed_doubt_, distance_, distance_doubt_, slope_}) f->clear();
  pulled_->setChecked(false);
  locked_->setCurrentIndex(0);
  chosen_ = false;
  refresh();
}

void RoadFace::told(const Expected<bool>& done) {
  refusal_->setText(done ? QString() : error_text(done.error(), session_.style()));
  refusal_->setVisible(!done);
}

void RoadFace::show_stage() {
  const RoadStep* s = now();
  const bool road = s && s->stage != RoadStage::standing;
  permit_->setVisible(road);
  stop_->setVisible(road);
  // What is measured stands on the ground; bedding is counted.
  const bool measured = road && s->stage != RoadStage::bedding;
  ground_->setVisible(!at_after() && (measured || !road));
  phone_->setVisible(road && (s->stage == RoadStage::fast || s->stage == RoadStage::hard));
  heat_->setVisible(at_after());
  series_->setVisible(road && s->stage == RoadStage::bedding);
  if (at_after()) heat_->refresh();
  fill_series();
  if (at_after()) {
    how_->setText(due_.empty()
                      ? tr("Nothing is due before it was driven faster than walking pace")
                      : tr("Look at these on the day of the first run, and again a week later"));
    care_->hide();
    says_->clear();
    return;
  }
  if (!s) {
    how_->setText(tr("A clutch has no road of its own: prove it under Press by press"));
    care_->hide();
    says_->clear();
    return;
  }
  how_->setText(text_of(s->how, session_.style()));
  care_->setText(QStringLiteral("▲ ") + text_of(s->care, session_.style()));
  care_->setVisible(!s->care.empty());
  QStringList open;
  if (!road)
    for (const Message& m : s->asks) open << text_of(m, session_.style());
  says_->setText(open.isEmpty() ? text_of(s->says, session_.style())
                                : tr("Still open: %1").arg(open.join(QStringLiteral(" · "))));
  filling_ = true;
  const RoadPermit p = permit_of(session_.job(), s->stage);
  for (const auto& [field, words] :
       {std::pair{who_, p.who}, std::pair{place_, p.place}, std::pair{weather_, p.weather}})
    if (!field->hasFocus()) field->setText(QString::fromStdString(words));
  const bool ticks[] = {p.closed, p.belts, p.alone, p.parking, p.bedded};
  for (std::size_t i = 0; i < answers_.size(); ++i) answers_[i]->setChecked(ticks[i]);
  answers_[2]->setVisible(s->stage == RoadStage::walking);
  answers_[3]->setVisible(s->stage == RoadStage::walking);
  answers_[4]->setVisible(s->stage == RoadStage::bedding);
  filling_ = false;
  take_->setEnabled(s->state == RoadState::open || s->state == RoadState::passed);
  remove_->setEnabled(!session_.job().stops.empty());
}

void RoadFace::show_after() {
  due_ = after_run(session_.job());
  const bool shown = at_after();
  after_head_->setVisible(shown && !due_.empty());
  for (std::size_t i = 0; i < after_.size(); ++i) {
    after_[i]->setVisible(shown && i < due_.size());
    if (i >= due_.size()) continue;
    after_[i]->setText(tr("%1 (%2)").arg(text_of(due_[i].words, session_.style()),
                                         QString::fromStdString(due_[i].due)));
    after_[i]->setToolTip(plain_tip(text_of(due_[i].why, session_.style())));
    after_[i]->setChecked(due_[i].done);
  }
}

void RoadFace::refresh() {
  steps_ = road_of(session_);
  rows_ = steps_;
  due_ = after_run(session_.job());
  if (!rows_.empty()) {
    rows_.push_back(after_step(due_));
  }
  if (!chosen_) at_ = std::min(next_stage(steps_), steps_.empty() ? 0 : steps_.size() - 1);
  path_->renew();
  ground_->redraw();
  show_stage();
  show_after();
}

}  // namespace yoke
