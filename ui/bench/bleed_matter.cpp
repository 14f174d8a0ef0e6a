#include "ui/bench/bleed_matter.hpp"

#include <QHBoxLayout>
#include <QStyle>
#include <QVBoxLayout>
#include <algorithm>

#include "paint/sections.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/bench/sound.hpp"
#include "work/bleeding.hpp"

namespace yoke {

QString spoken_count(const BleedLine& line, const Style& style) {
  if (line.refill_now) return BleedMatter::tr("Top up now");
  return text_of(line.count, style);
}

BleedMatter::BleedMatter(Session& session, QWidget* parent) : BenchMatter(session, parent) {
  auto* row = new QHBoxLayout(this);
  row->setSpacing(24);
  auto* box = new QVBoxLayout;
  box->setSpacing(10);
  name_ = bench_label("benchBig", this);
  count_ = bench_label("benchCount", this);
  count_->setWordWrap(false);
  state_ = bench_label("benchBig", this);
  planned_ = bench_label("bench", this);
  caution_ = bench_label("benchCaution", this);
  caution_->setText(
      tr("▲ A count is never a pass: a nipple is clear when its line is through and three strokes "
         "in a row bring no bubbles. Brake fluid eats paint and eyes; goggles on."));
  for (QWidget* w : std::initializer_list<QWidget*>{name_, count_, state_, planned_, caution_})
    box->addWidget(w);
  push_ = new QLineEdit(this);
  push_->setObjectName(QStringLiteral("benchEntry"));
  push_->setAccessibleName(tr("Push against the plugs"));
  push_->setPlaceholderText(tr("this push went …"));
  push_->setMaxLength(24);
  connect(push_, &QLineEdit::returnPressed, this, [this] {
    const auto done = note_push(session_, push_->text());
    if (!done) {
      state_->setText(text_of(done.error().reason, session_.style()));
      return push_->selectAll();
    }
    push_->clear();
  });
  box->addWidget(push_);
  box->addStretch(1);
  row->addLayout(box, 5);
  order_ = new PictureView(tr("Bleeding order"), this);
  order_->set_maker([this](QSizeF size) {
    const std::string at = at_ < view_.lines.size() ? view_.lines[at_].key : std::string();
    return bleed_picture(session_.job(), bleed_plan(session_.job()), size, at);
  });
  row->addWidget(order_, 4);
  view_ = bleed_view(session_.job());
  at_ = view_.next;
  refresh();
}

QLineEdit* BleedMatter::entry() const {
  return push_->isVisibleTo(this) ? push_ : nullptr;
}

std::vector<BenchKey> BleedMatter::keys() {
  const BleedLine line = at_ < view_.lines.size() ? view_.lines[at_] : BleedLine{};
  const auto words = [this](const Message& m) { return text_of(m, session_.style()); };
  return {{Qt::Key_Space, words(line.clear_key), [this] { count(What::clear); }, true},
          {Qt::Key_B, words(line.bubbles_key), [this] { count(What::bubbles); }},
          {Qt::Key_R, words(line.refill_key), [this] { count(What::refill); }},
          {Qt::Key_D, words(line.dry_key), [this] { count(What::dry); }},
          {Qt::Key_U, tr("Take back"), [this] { session_.undo(); }},
          {Qt::Key_PageDown, tr("Next nipple"), [this] { step(1); }},
          {Qt::Key_PageUp, tr("Back"), [this] { step(-1); }}};
}

void BleedMatter::count(What what) {
  if (at_ >= view_.lines.size()) return;
  const BleedLine& line = view_.lines[at_];
  const BleedCount stroke = what == What::clear     ? BleedCount::clear
                            : what == What::bubbles ? BleedCount::bubbles
                            : what == What::refill  ? BleedCount::refill
                                                    : BleedCount::ran_dry;
  count_at(session_, std::string(line.key), text_of(line.name, session_.style()), stroke);
  if (at_ < view_.lines.size()) sound_at_bench(spoken_count(view_.lines[at_], session_.style()));
}

void BleedMatter::step(int by) {
  const auto n = static_cast<int>(view_.lines.size());
  if (n == 0) return;
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  refresh();
  emit keys_changed();  // the master's strokes, a nipple's marks
}

void BleedMatter::refresh() {
  view_ = bleed_view(session_.job());
  order_->setVisible(view_.has_order);
  order_->redraw();
  if (at_ >= view_.lines.size()) return;
  const BleedLine& line = view_.lines[at_];
  const Style& units = session_.style();
  name_->setText(text_of(line.name, units));
  count_->setText(text_of(line.count, units));
  state_->setText(text_of(line.state, units));
  state_->setObjectName(line.refill_now ? QStringLiteral("benchAlarm")
                                        : QStringLiteral("benchBig"));
  style()->unpolish(state_);  // the name decides the colour
  style()->polish(state_);
  const QString planned = text_of(line.planned, units);
  planned_->setText(line.level.empty() ? planned
                                       : text_of(line.level, units) + QLatin1Char('\n') + planned);
  push_->setVisible(line.by_push);
}

}  // namespace yoke
