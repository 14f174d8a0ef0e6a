#include "ui/bench/bench_mode.hpp"

#include <QPushButton>
#include <QVBoxLayout>

#include "session/stage_sentence.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

BenchMode::BenchMode(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  setObjectName(QStringLiteral("page"));
  body_ = new QVBoxLayout(this);
  body_->setContentsMargins(24, 14, 24, 14);
  body_->setSpacing(10);
  auto* top = new QHBoxLayout;
  auto* words = new QVBoxLayout;
  words->setSpacing(2);
  title_ = plain_label({}, "benchSoft", this);
  decision_ = label({}, "bench", this);
  words->addWidget(title_);
  words->addWidget(decision_);
  top->addLayout(words, 1);
  auto* end = new QPushButton(tr("End bench mode (F11)"), this);
  end->setObjectName(QStringLiteral("benchKey"));
  end->setFocusPolicy(Qt::NoFocus);
  connect(end, &QPushButton::clicked, this, &BenchMode::ended);
  top->addWidget(end);
  body_->addLayout(top);
  keys_ = new QHBoxLayout;
  keys_->setSpacing(10);
  body_->addLayout(keys_);
  connect(&session_, &Session::changed, this, [this] {
    if (isVisible()) refresh();
  });
  connect(&session_, &Session::style_changed, this, [this] {
    if (isVisible()) refresh();
  });
}

void BenchMode::show_matter(Stage stage, bool other) {
  stage_ = stage;
  other_ = other;
  if (matter_) {
    matter_->hide();
    matter_->deleteLater();
  }
  matter_ = make_bench_matter(session_, stage, other, this);
  body_->insertWidget(1, matter_, 1);
  connect(matter_, &BenchMatter::keys_changed, this, &BenchMode::show_keys);
  // Later: a key of the matter that goes away asked for it.
  connect(
      matter_, &BenchMatter::other_asked, this, [this] { show_matter(stage_, !other_); },
      Qt::QueuedConnection);
  matter_->show();
  title_->setText(words_of(stage_words(stage)));
  show_keys();
  refresh();
  if (matter_->entry()) return matter_->entry()->setFocus();
  matter_->setFocusPolicy(Qt::StrongFocus);  // its keys are heard where the focus is
  matter_->setFocus();
}

void BenchMode::showEvent(QShowEvent* e) {
  QWidget::showEvent(e);
  refresh();
}

void BenchMode::refresh() {
  decision_->setText(text_of(stage_sentence(session_, stage_).decision, session_.style()));
  if (matter_) matter_->refresh();
}

/// Each key is a button as well: gloves find it, and a stranger reads it.
void BenchMode::show_keys() {
  // Later: one of them may be what caused this.
  for (QPushButton* b : buttons_) {
    keys_->removeWidget(b);
    b->hide();
    b->deleteLater();
  }
  for (QShortcut* s : shortcuts_) {
    s->setEnabled(false);
    s->deleteLater();
  }
  buttons_.clear();
  shortcuts_.clear();
  for (const BenchKey& k : matter_->keys()) {
    const QString name = k.key == QKeySequence(Qt::Key_Space) ? tr("Space")
                         : k.key == QKeySequence(Qt::Key_Return)
                             ? tr("Enter")
                             : k.key.toString(QKeySequence::NativeText);
    if (!k.shown) {
      add_shortcut(k);
      continue;
    }
    auto* b = new QPushButton(QStringLiteral("%1\n%2").arg(k.words, name), this);
    b->setObjectName(k.main ? QStringLiteral("benchMain") : QStringLiteral("benchKey"));
    b->setAccessibleName(k.words);
    b->setMinimumHeight(64);
    b->setFocusPolicy(Qt::NoFocus);
    connect(b, &QPushButton::clicked, this, k.does);
    keys_->addWidget(b, k.main ? 3 : 1);
    buttons_.push_back(b);
    add_shortcut(k);
  }
}

void BenchMode::add_shortcut(const BenchKey& k) {
  std::vector<QKeySequence> keys{k.key};
  // The number pad's key is the same.
  if (k.key == QKeySequence(Qt::Key_Return)) keys.emplace_back(Qt::Key_Enter);
  for (const QKeySequence& key : keys) {
    auto* s = new QShortcut(key, this);
    s->setContext(Qt::WidgetWithChildrenShortcut);
    connect(s, &QShortcut::activated, this, k.does);
    shortcuts_.push_back(s);
  }
}

}  // namespace yoke
