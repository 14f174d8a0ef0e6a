#include "ui/bench/walk_matter.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "document/param/circuits.hpp"
#include "document/values.hpp"
#include "paint/line_of_force.hpp"
#include "session/line_state.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/plain.hpp"

namespace yoke {

WalkMatter::WalkMatter(Session& session, QWidget* parent) : BenchMatter(session, parent) {
  setFocusPolicy(Qt::StrongFocus);
  auto* row = new QHBoxLayout(this);
  row->setSpacing(24);
  drawing_ = new PictureView(tr("Where it is measured"), this);
  drawing_->set_maker([this](QSizeF size) {
    LineInput in = line_input(session_);
    if (asked_) {
      in.which = asked_->which;
      in.focus = info(asked_->param).group;
      in.selected = asked_->param;
    }
    return line_of_force_picture(in, size);
  });
  row->addWidget(drawing_, 5);
  auto* side = new QVBoxLayout;
  side->setSpacing(12);
  name_ = bench_label("benchBig", this);
  help_ = bench_label("bench", this);
  entry_ = new QLineEdit(this);
  entry_->setObjectName(QStringLiteral("benchEntry"));
  entry_->setMaxLength(64);
  entry_->setMinimumHeight(76);
  refusal_ = bench_label("benchCaution", this);
  refusal_->hide();
  now_ = bench_label("benchSoft", this);
  buys_ = bench_label("bench", this);
  auto* tools = new QHBoxLayout;
  tools->setSpacing(8);
  for (const How how : {How::calliper, How::rule, How::tape, How::estimate}) {
    auto* b = new QPushButton(
        QStringLiteral("%1\nF%2").arg(words_of(words_of_value(how))).arg(2 + tools_.size()), this);
    b->setObjectName(QStringLiteral("benchTool"));
    b->setCheckable(true);
    b->setAutoExclusive(true);
    b->setMinimumHeight(64);
    b->setFocusPolicy(Qt::NoFocus);
    connect(b, &QPushButton::clicked, this, [this, how] { choose_tool(how); });
    tools->addWidget(b, 1);
    tools_.emplace_back(how, b);
  }
  for (QWidget* w : {static_cast<QWidget*>(name_), static_cast<QWidget*>(help_),
                     static_cast<QWidget*>(entry_), static_cast<QWidget*>(refusal_)})
    side->addWidget(w);
  choices_ = new QVBoxLayout;
  choices_->setSpacing(8);
  side->addLayout(choices_);
  side->addLayout(tools);
  side->addWidget(now_);
  side->addWidget(buys_);
  side->addStretch(1);
  row->addLayout(side, 4);
  connect(entry_, &QLineEdit::textEdited, refusal_, &QLabel::hide);
  asked_ = next_to_measure(session_.job(), as_of(session_.shown()), std::nullopt);
  show_asked();
}

std::vector<BenchKey> WalkMatter::keys() {
  std::vector<BenchKey> list = fixed_keys();
  for (std::size_t i = 0; i < options_.size(); ++i)
    list.push_back({QKeySequence(static_cast<int>(Qt::Key_1 + i)), options_[i]->text(),
                    [this, i] { take_option(i); }, false, false});
  return list;
}

std::vector<BenchKey> WalkMatter::fixed_keys() {
  return {{Qt::Key_Return, tr("Keep, next"), [this] { keep(); }, true},
          {Qt::Key_PageDown, tr("Skip"), [this] { step(1); }},
          {Qt::Key_PageUp, tr("Back"), [this] { step(-1); }},
          {Qt::Key_F12, tr("Unknown"), [this] { unknown(); }},
          {Qt::Key_F2, tr("Caliper"), [this] { key_tool(How::calliper); }, false, false},
          {Qt::Key_F3, tr("Rule"), [this] { key_tool(How::rule); }, false, false},
          {Qt::Key_F4, tr("Tape"), [this] { key_tool(How::tape); }, false, false},
          {Qt::Key_F5, tr("Guess"), [this] { key_tool(How::estimate); }, false, false}};
}

void WalkMatter::refresh() {
  drawing_->redraw();
  if (!entry_->isModified()) show_asked();
}

void WalkMatter::choose_tool(How how) {
  tool_ = how;
  for (auto& [h, b] : tools_) b->setChecked(h == how);
}

/// A mass or a friction is read with none of these.
void WalkMatter::key_tool(How how) {
  if (!tools_.empty() && tools_.front().second->isVisible()) choose_tool(how);
}

/// Nothing typed: what stands there is kept as it is.
void WalkMatter::keep() {
  if (!asked_) return;
  if (const QString typed = entry_->text().trimmed(); !typed.isEmpty()) {
    const NextMeasure now = *asked_;
    const auto ok = type_value(session_, now.which, now.param, typed, tool_);
    if (!ok) {
      refusal_->setText(error_text(ok.error(), session_.style()));
      refusal_->show();
      entry_->selectAll();
      return;
    }
  }
  step(1);
}

void WalkMatter::unknown() {
  if (!asked_) return;
  session_.set_value(asked_->which, asked_->param, Measured{});
  step(1);
}

void WalkMatter::step(int by) {
  if (by < 0) {
    if (walked_.empty()) return;
    asked_ = walked_.back();
    walked_.pop_back();
  } else {
    std::optional<Param> after;
    if (asked_) {
      after = asked_->param;
      walked_.push_back(*asked_);
    }
    asked_ = next_to_measure(session_.job(), as_of(session_.shown()), after);
  }
  show_asked();
}

/// A choice is touched or taken by its number; nothing is typed.
/// Which wheel hangs where is one question, not four: the tubes are followed once.
bool WalkMatter::asks_outlets() const {
  return asked_ && asked_->param >= param::circuit_fl && asked_->param <= param::circuit_rr;
}

namespace {

/// What outlet 1 feeds, by the wheels front left, front right, rear left, rear right.
struct Feeds {
  const char* words;
  bool first[4];
};
constexpr Feeds kFeeds[] = {
    {QT_TRANSLATE_NOOP("yoke::WalkMatter", "both front wheels"), {true, true, false, false}},
    {QT_TRANSLATE_NOOP("yoke::WalkMatter", "both rear wheels"), {false, false, true, true}},
    {QT_TRANSLATE_NOOP("yoke::WalkMatter", "front left and rear right"),
     {true, false, false, true}},
    {QT_TRANSLATE_NOOP("yoke::WalkMatter", "front right and rear left"),
     {false, true, true, false}}};

}  // namespace

void WalkMatter::take_feeds(std::size_t option) {
  if (!asked_ || option >= std::size(kFeeds)) return;
  const As which = asked_->which;
  session_.edit(tr("outlet 1 feeds %1").arg(tr(kFeeds[option].words)), [&](Job& job) {
    for (const Wheel w : kWheels)
      entered(job, which)
          .set(circuit_of(w),
               {kFeeds[option].first[static_cast<std::size_t>(w)] ? 0.0 : 1.0, How::stated, 0, {}});
  });
  step(1);
}

void WalkMatter::add_option(std::size_t number, const QString& words) {
  auto* b = new QPushButton(QStringLiteral("%1   %2").arg(number + 1).arg(words), this);
  b->setObjectName(QStringLiteral("benchTool"));
  b->setMinimumHeight(64);
  b->setFocusPolicy(Qt::NoFocus);
  connect(b, &QPushButton::clicked, this, [this, number] { take_option(number); });
  choices_->addWidget(b);
  options_.push_back(b);
}

void WalkMatter::show_options() {
  for (QPushButton* b : options_) {
    choices_->removeWidget(b);
    b->hide();
    b->deleteLater();
  }
  options_.clear();
  const bool choice = asked_ && info(asked_->param).kind == Kind::choice;
  entry_->setVisible(!choice);
  if (choice) {
    if (asks_outlets()) {
      for (std::size_t i = 0; i < std::size(kFeeds); ++i) add_option(i, tr(kFeeds[i].words));
    } else {
      const auto& list = info(asked_->param).options;
      for (std::size_t i = 0; i < list.size() && i < 9; ++i) add_option(i, words_of(list[i].words));
    }
  }
  emit keys_changed();
}

void WalkMatter::take_option(std::size_t option) {
  if (!asked_) return;
  if (asks_outlets()) return take_feeds(option);
  session_.set_value(asked_->which, asked_->param,
                     {static_cast<double>(option), How::stated, 0, {}});
  step(1);
}

void WalkMatter::show_asked() {
  refusal_->hide();
  show_options();
  entry_->clear();
  entry_->setModified(false);
  entry_->setEnabled(asked_.has_value());
  if (!asked_) {
    name_->setText(tr("All that is needed is known."));
    for (QLabel* l : {help_, now_, buys_}) l->clear();
    for (auto& [h, b] : tools_) b->hide();
    drawing_->redraw();
    return;
  }
  const ParamInfo& p = info(asked_->param);
  name_->setText(asks_outlets() ? tr("Outlet 1 feeds") : words_of(p.words));
  help_->setText(asks_outlets()
                     ? tr("Outlet 1 is the one nearest the rod. Follow its tube, or blow "
                          "through it and listen at the wheels.")
                     : words_of(p.help));
  entry_->setAccessibleName(words_of(p.words));
  entry_->setPlaceholderText(session_.style().units == UnitStyle::imperial ? tr("in") : tr("mm"));
  if (p.kind != Kind::length) entry_->setPlaceholderText({});
  const Value v = value_of(session_.job(), asked_->which, asked_->param);
  now_->setText(
      (asked_->which == As::found ? tr("As found, now: %1") : tr("Plan, now: %1"))
          .arg(value_text(session_.job(), asked_->which, asked_->param, session_.style())));
  buys_->setText(text_of(asked_->buys, session_.style()));
  for (auto& [h, b] : tools_) b->setVisible(p.kind == Kind::length || p.kind == Kind::angle);
  choose_tool(v.known() && v.origin == Origin::measured ? v.how
                                                        : session_.tool_for(asked_->param, v.si));
  drawing_->redraw();
  if (entry_->isVisibleTo(this))
    entry_->setFocus();
  else
    setFocus();
}

}  // namespace yoke
