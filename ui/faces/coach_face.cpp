#include "ui/faces/coach_face.hpp"

#include <QHBoxLayout>
#include <QShortcut>
#include <QStyle>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

#include "assembly/relevance.hpp"
#include "document/param/bleed_car.hpp"
#include "paint/bleed_pictures.hpp"
#include "paint/sections.hpp"
#include "session/texts.hpp"
#include "ui/bench/bleed_matter.hpp"
#include "ui/bench/sound.hpp"
#include "ui/plain.hpp"
#include "work/bleed_checks.hpp"

namespace yoke {

CoachFace::CoachFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(8);
  plan_ = label({}, "answer", this);
  box->addWidget(plan_);
  around_ = label({}, "plain", this);
  box->addWidget(around_);
  first_ = label({}, "caution", this);
  box->addWidget(first_);
  panel_ = new ParamPanel(session, 2, this);
  panel_->set_compact();
  panel_->hide();
  box->addWidget(panel_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  row->addWidget(build_count(), 4);
  chambers_ = new PictureView(tr("Fluid above the ports"), this);
  chambers_->set_maker([this](QSizeF size) {
    const int fed = at_ < view_.lines.size() ? view_.lines[at_].outlet : 0;
    return chambers_picture(chamber_levels(session_.job(), bleed_plan(session_.job())), fed,
                            session_.style(), size);
  });
  chambers_->setMinimumSize(210, 170);
  row->addWidget(chambers_, 3);
  order_ = new PictureView(tr("Bleeding order"), this);
  order_->set_maker([this](QSizeF size) {
    return bleed_picture(session_.job(), bleed_plan(session_.job()), size, at());
  });
  order_->setMinimumSize(390, 170);
  order_->set_walkable();
  connect(order_, &PictureView::spot_clicked, this, [this](const QString& id) {
    if (id.startsWith(QStringLiteral("nipple:"))) go_to(id.mid(7).toStdString());
  });
  row->addWidget(order_, 5);
  box->addLayout(row, 1);
  box->addWidget(build_keys());
  air_ = label({}, "plain", this);
  air_->hide();
  connect(&reckoner_, &Reckoner::made, this, [this](const std::vector<Message>& words) {
    QStringList lines;
    for (const Message& m : words) lines << text_of(m, session_.style());
    air_->setText(lines.join(QLatin1Char('\n')));
    air_->setVisible(!lines.isEmpty());
  });
  box->addWidget(air_);
  typical_ = label({}, "soft", this);
  box->addWidget(typical_);
}

QWidget* CoachFace::build_count() {
  auto* side = new QWidget(this);
  auto* box = new QVBoxLayout(side);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(4);
  name_ = label({}, "answer", side);
  box->addWidget(name_);
  count_ = label({}, "count", side);
  count_->setWordWrap(false);
  box->addWidget(count_);
  state_ = label({}, "answer", side);
  box->addWidget(state_);
  level_ = label({}, "question", side);
  box->addWidget(level_);
  planned_ = label({}, "soft", side);
  box->addWidget(planned_);
  push_row_ = new QWidget(side);
  auto* push = new QHBoxLayout(push_row_);
  push->setContentsMargins(0, 0, 0, 0);
  push->addWidget(label(tr("This push went"), "question", push_row_));
  push_ = new QLineEdit(push_row_);
  push_->setAccessibleName(tr("Push against the plugs"));
  push_->setMaxLength(24);
  connect(push_, &QLineEdit::returnPressed, this, &CoachFace::push_typed);
  push->addWidget(push_, 1);
  box->addWidget(push_row_);
  refusal_ = label({}, "caution", side);
  refusal_->hide();
  box->addWidget(refusal_);
  box->addStretch(1);
  return side;
}

void CoachFace::name_key(QPushButton* key, const QString& words, const QString& shortcut) {
  key->setText(tr("%1  %2").arg(words, shortcut));
  key->setAccessibleName(words);
}

QPushButton* CoachFace::key(const QString& words, const char* name, const QString& shortcut) {
  auto* b = new QPushButton(this);
  b->setObjectName(QString::fromLatin1(name));
  name_key(b, words, shortcut);
  b->setMinimumHeight(48);
  if (shortcut.size() == 1) {
    auto* s = new QShortcut(QKeySequence(shortcut), this);
    s->setContext(Qt::WidgetWithChildrenShortcut);
    connect(s, &QShortcut::activated, b, &QPushButton::click);
  }
  return b;
}

QWidget* CoachFace::build_keys() {
  auto* keys = new QWidget(this);
  auto* row = new QHBoxLayout(keys);
  row->setContentsMargins(0, 0, 0, 0);
  stroke_ = key(tr("Stroke, clear"), "bleed:clear", tr("Space"));
  connect(stroke_, &QPushButton::clicked, this, [this] { count(BleedCount::clear); });
  row->addWidget(stroke_, 3);
  bubbles_ = key(tr("Stroke, bubbles"), "bleed:bubbles", QStringLiteral("B"));
  connect(bubbles_, &QPushButton::clicked, this, [this] { count(BleedCount::bubbles); });
  row->addWidget(bubbles_, 2);
  refill_ = key(tr("Topped up"), "bleed:refill", QStringLiteral("R"));
  connect(refill_, &QPushButton::clicked, this, [this] { count(BleedCount::refill); });
  row->addWidget(refill_, 2);
  dry_ = key(tr("It drew air"), "bleed:dry", QStringLiteral("D"));
  connect(dry_, &QPushButton::clicked, this, [this] { count(BleedCount::ran_dry); });
  row->addWidget(dry_, 2);
  undo_ = key(tr("Take back"), "bleed:undo", QStringLiteral("U"));
  connect(undo_, &QPushButton::clicked, this, [this] { session_.undo(); });
  row->addWidget(undo_, 2);
  next_ = key(tr("Next nipple"), "bleed:next", QStringLiteral("N"));
  connect(next_, &QPushButton::clicked, this, [this] { step(1); });
  row->addWidget(next_, 2);
  return keys;
}

/// In a low window the questions are moved through a line at a time: the count keeps its place.
void CoachFace::share() {
  constexpr int kRow = 38;
  const int rows = static_cast<int>(asked_.size() + 1) / 2;
  panel_->setFixedHeight(std::clamp(rows, 1, height() < 420 ? 1 : 4) * kRow + 4);
}

void CoachFace::resizeEvent(QResizeEvent* event) {
  Face::resizeEvent(event);
  share();
  const QString role = height() > 620 ? QStringLiteral("benchCount") : QStringLiteral("count");
  if (count_->objectName() == role) return;
  count_->setObjectName(role);
  style()->unpolish(count_);  // the name decides the size
  style()->polish(count_);
}

std::string CoachFace::at() const {
  return at_ < view_.lines.size() ? view_.lines[at_].key : std::string();
}

void CoachFace::go_to(const std::string& key) {
  for (std::size_t i = 0; i < view_.lines.size(); ++i)
    if (view_.lines[i].key == key) {
      at_ = i;
      chosen_ = true;
    }
  refresh();
  stroke_->setFocus();
}

void CoachFace::step(int by) {
  const auto n = static_cast<int>(view_.lines.size());
  if (n == 0) return;
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  chosen_ = true;
  refresh();
  stroke_->setFocus();
}

void CoachFace::count(BleedCount what) {
  if (at_ >= view_.lines.size()) return;
  chosen_ = true;  // a nipple that is clear stays in view until the next one is asked for
  const BleedLine line = view_.lines[at_];
  count_at(session_, line.key, text_of(line.name, session_.style()), what);
  if (at_ < view_.lines.size()) sound_at_bench(spoken_count(view_.lines[at_], session_.style()));
}

void CoachFace::push_typed() {
  const auto done = note_push(session_, push_->text());
  refusal_->setVisible(!done);
  if (!done) {
    refusal_->setText(text_of(done.error().reason, session_.style()));
    push_->selectAll();
    return;
  }
  push_->clear();
}

void CoachFace::ask() {
  const Job& job = session_.job();
  std::vector<std::pair<As, Param>> list;
  const auto add = [&](Param p) {
    const std::pair one{As::plan, p};
    if (relevant(job, As::plan, p) && !value_of(job, As::plan, p).settled() &&
        std::find(list.begin(), list.end(), one) == list.end())
      list.push_back(one);
  };
  for (const Param p : bleed_plan(job).missing) add(p);
  for (const Param p :
       {param::bleed_park, param::bleed_preload, param::bleed_connector, param::bleed_shuttle,
        param::bleed_front_screw, param::bleed_rear_screw, param::bleed_slave_screw})
    add(p);
  panel_->setVisible(!list.empty());
  if (list == asked_) return;
  asked_ = list;
  share();
  // A field must not be deleted inside its own signal.
  QTimer::singleShot(0, this, [this] { panel_->show_params(asked_); });
}

/// The presses are fitted beside the window, and only when there are other ones.
void CoachFace::reckon_air() {
  if (session_.job().readings == reckoned_) return;
  reckoned_ = session_.job().readings;
  if (reckoned_.empty()) {
    reckoner_.forget();
    air_->hide();
    return;
  }
  reckoner_.ask([job = session_.job()] { return air_left_words(job); });
}

void CoachFace::refresh() {
  ask();
  view_ = bleed_view(session_.job());
  if (at_ >= view_.lines.size()) at_ = 0;
  if (!chosen_) at_ = view_.next;
  const Style& units = session_.style();
  plan_->setText(text_of(view_.plan, units));
  around_->setText(text_of(view_.around, units));
  around_->setVisible(!view_.around.empty());
  typical_->setText(text_of(view_.typical, units));
  typical_->setVisible(!view_.typical.empty());
  QStringList first;
  for (const BleedCheck& c : bleed_checks(session_.job()))
    if (c.state == BleedCheckState::wrong && c.code != FindingCode::bleed_level)
      first << QStringLiteral("▲ ") + text_of(c.says, units);
  first_->setText(first.join(QStringLiteral("\n")));
  first_->setVisible(!first.isEmpty());
  reckon_air();
  order_->setVisible(view_.has_order);
  if (at_ < view_.lines.size()) {
    const BleedLine& line = view_.lines[at_];
    name_->setText(text_of(line.name, units));
    count_->setText(text_of(line.count, units));
    state_->setText(text_of(line.state, units));
    const QString role = line.refill_now ? QStringLiteral("alarm") : QStringLiteral("answer");
    if (role != state_->objectName()) {
      state_->setObjectName(role);
      style()->unpolish(state_);  // the name decides the colour
      style()->polish(state_);
    }
    level_->setText(text_of(line.level, units));
    level_->setVisible(!line.level.empty());
    planned_->setText(text_of(line.planned, units));
    name_key(stroke_, text_of(line.clear_key, units), tr("Space"));
    name_key(bubbles_, text_of(line.bubbles_key, units), QStringLiteral("B"));
    name_key(refill_, text_of(line.refill_key, units), QStringLiteral("R"));
    name_key(dry_, text_of(line.dry_key, units), QStringLiteral("D"));
    push_row_->setVisible(line.by_push);
    stroke_->setVisible(!line.by_push);
    bubbles_->setVisible(!line.by_push);
  }
  undo_->setEnabled(session_.can_undo());
  set_tip(undo_, session_.undo_name());
  chambers_->redraw();
  order_->redraw();
}

}  // namespace yoke
