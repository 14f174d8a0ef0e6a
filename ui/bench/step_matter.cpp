#include "ui/bench/step_matter.hpp"

#include <QTimer>
#include <QVBoxLayout>

#include "document/ahead.hpp"
#include "document/as_built.hpp"
#include "session/texts.hpp"
#include "session/track.hpp"
#include "session/work_edits.hpp"
#include "ui/step_picture.hpp"

namespace yoke {

StepMatter::StepMatter(Session& session, QWidget* parent) : BenchMatter(session, parent) {
  auto* outer = new QVBoxLayout(this);
  auto* both = new QHBoxLayout;
  both->setSpacing(20);
  outer->addLayout(both, 1);
  auto* box = new QVBoxLayout;
  both->addLayout(box, 6);
  box->setSpacing(14);
  picture_ = new PictureView(tr("What is worked on"), this);
  picture_->set_maker([this](QSizeF size) {
    const StepRow* r = now();
    return r ? step_picture(session_.job(), r->step.picture, session_.style(), size) : Picture{};
  });
  both->addWidget(picture_, 5);
  place_ = bench_label("benchSoft", this);
  text_ = bench_label("benchBig", this);
  because_ = bench_label("benchSoft", this);
  call_ = bench_label("bench", this);
  caution_ = bench_label("benchCaution", this);
  state_ = bench_label("bench", this);
  measure_ = bench_label("bench", this);
  entry_ = new QLineEdit(this);
  entry_->setObjectName(QStringLiteral("benchEntry"));
  entry_->setMaxLength(64);
  entry_->setMinimumHeight(76);
  entry_->setMaximumWidth(520);
  refusal_ = bench_label("benchCaution", this);
  for (QWidget* w : std::initializer_list<QWidget*>{place_, text_, because_, call_, caution_,
                                                    state_, measure_, entry_, refusal_})
    box->addWidget(w);
  box->addStretch(1);
  track_ = new PictureView(tr("The way of the work"), this);
  track_->setFixedHeight(230);
  track_->set_maker(
      [this](QSizeF size) { return work_track(track_of(view_, at_, session_.style()), size); });
  connect(track_, &PictureView::spot_clicked, this, [this](const QString& id) {
    at_ = id.section(QLatin1Char(':'), 1).toUInt();
    entry_->clear();
    refresh();
  });
  outer->addWidget(track_);
  // What soaks is done soaking by the clock, not by an edit.
  auto* clock = new QTimer(this);
  clock->setInterval(30000);
  connect(clock, &QTimer::timeout, this, [this] { refresh(); });
  clock->start();
  view_ = install_view(session_.job(), wall_clock());
  while (at_ + 1 < view_.steps.size() && view_.steps[at_].state != StepState::ready) ++at_;
  StepMatter::refresh();
}

std::vector<BenchKey> StepMatter::keys() {
  return {{Qt::Key_Return, tr("Done, next"), [this] { tick(); }, true},
          {Qt::Key_PageDown, tr("Next, leave open"), [this] { step(1); }},
          {Qt::Key_PageUp, tr("Back"), [this] { step(-1); }},
          {Qt::Key_F12, tr("Not done after all"), [this] {
             if (const StepRow* r = now()) tick_step(session_, r->step, false);
           }}};
}

const StepRow* StepMatter::now() const {
  return at_ < view_.steps.size() ? &view_.steps[at_] : nullptr;
}

/// What was measured on the way is entered first: a figure that cannot be is not ticked away.
void StepMatter::tick() {
  const StepRow* row = now();
  if (!row) return;
  const QString typed = entry_->text().trimmed();
  if (row->step.measure && !typed.isEmpty()) {
    const Param param = *row->step.measure;
    const auto v = parse_with_doubt(param, typed.toStdString(), session_.style());
    if (!v) {
      refusal_->setText(error_text(v.error(), session_.style()));
      refusal_->show();
      return;
    }
    Measured m = measured(param, v->si, session_.tool_for(param, v->si));
    if (v->uncertainty_si) m.uncertainty_si = *v->uncertainty_si;
    session_.edit(tr("as built: %1").arg(words_of(info(param).words)),
                  [&](Job& j) { set_as_built(j, param, m); });
  }
  const Step step_now = row->step;
  entry_->clear();
  tick_step(session_, step_now, true);
  // On along the way to what can be done now; where nothing can, to the next.
  view_ = install_view(session_.job(), wall_clock());
  const std::size_t n = view_.steps.size();
  for (std::size_t i = 1; i <= n; ++i)
    if (view_.steps[(at_ + i) % n].state == StepState::ready) {
      step(static_cast<int>((at_ + i) % n) - static_cast<int>(at_));
      return;
    }
  step(1);
}

void StepMatter::step(int by) {
  const auto n = static_cast<int>(view_.steps.size());
  if (n == 0) return;
  at_ = static_cast<std::size_t>(std::clamp(static_cast<int>(at_) + by, 0, n - 1));
  entry_->clear();
  refresh();
}

void StepMatter::refresh() {
  view_ = install_view(session_.job(), wall_clock());
  const StepRow* r = now();
  refusal_->hide();
  track_->redraw();
  picture_->setVisible(r && r->step.picture != StepPicture::none);
  picture_->redraw();
  if (!r) return;
  const Style& style = session_.style();
  place_->setText(tr("Step %1 of %2 · %3")
                      .arg(at_ + 1)
                      .arg(view_.steps.size())
                      .arg(words_of(words_of_value(r->step.place))) +
                  (r->step.hands > 1 ? tr(" · two people") : QString()));
  text_->setText(text_of(r->step.text, style));
  because_->setText(text_of(r->step.because, style));
  because_->setVisible(!r->step.because.empty());
  call_->setText(r->step.call ? call_words(*r->step.call, style) : QString());
  call_->setVisible(r->step.call.has_value());
  caution_->setText(
      r->step.caution.empty() ? QString() : QStringLiteral("▲ ") + text_of(r->step.caution, style));
  QStringList waits;
  for (const NeedRow& n : r->needs)
    if (!n.done || n.rests_s > 0) waits << text_of(n.words, style);
  state_->setText(r->done           ? tr("✓ done %1").arg(text_of(r->date))
                  : waits.isEmpty() ? tr("not done, can be done now")
                                    : tr("waits for %1").arg(waits.first()));
  const bool measures = r->step.measure.has_value();
  measure_->setVisible(measures);
  entry_->setVisible(measures);
  if (!measures) return;
  const Value v = stated_value(session_.job(), As::built, *r->step.measure);
  measure_->setText(
      tr("As built: %1, now %2")
          .arg(words_of(info(*r->step.measure).words),
               v.known() ? shown_value(*r->step.measure, v.si, style) : tr("not measured")) +
      (r->as_built ? (r->as_built->missed ? QStringLiteral("\n▲ ") : QStringLiteral("\n")) +
                         text_of(r->as_built->words, style)
                   : QString()));
  entry_->setAccessibleName(measure_->text());
}

}  // namespace yoke
