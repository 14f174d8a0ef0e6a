#include "ui/faces/versions_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "session/differences.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr int kMostLines = 14;

QString day_of(const std::string& when) {
  return q(when).left(16).replace(QLatin1Char('T'), QLatin1Char(' '));
}

}  // namespace

VersionsFace::VersionsFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->addWidget(plain_label(tr("Keep the job as it stands under a name"), "heading", this));
  auto* top = new QHBoxLayout;
  name_ = new QLineEdit(this);
  name_->setAccessibleName(tr("Name of the version"));
  name_->setPlaceholderText(tr("before the larger bore"));
  name_->setMaxLength(100);
  name_->setMinimumHeight(40);
  top->addWidget(name_, 1);
  keep_ = new QPushButton(tr("Keep it"), this);
  keep_->setObjectName(QStringLiteral("main"));
  keep_->setMinimumHeight(40);
  top->addWidget(keep_);
  left->addLayout(top);
  connect(keep_, &QPushButton::clicked, this, &VersionsFace::keep_now);
  connect(name_, &QLineEdit::returnPressed, this, &VersionsFace::keep_now);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Versions, the latest first"));
  list_->setMinimumWidth(280);
  connect(list_, &QListWidget::currentRowChanged, this, &VersionsFace::show_chosen);
  left->addWidget(list_, 1);
  refusal_ = label({}, "alarm", this);
  refusal_->hide();
  left->addWidget(refusal_);
  row->addLayout(left, 4);
  auto* right = new QVBoxLayout;
  right->addWidget(plain_label(tr("What was changed since"), "heading", this));
  words_ = label({}, "plain", this);
  words_->setAccessibleName(tr("What was changed since"));
  right->addWidget(words_);
  compared_ = new CompareView(this);
  right->addWidget(compared_, 10);
  right->addStretch(1);
  restore_ = new QPushButton(tr("Bring this version back"), this);
  restore_->setMinimumHeight(44);
  connect(restore_, &QPushButton::clicked, this, &VersionsFace::restore_now);
  right->addWidget(restore_);
  row->addLayout(right, 7);
}

void VersionsFace::keep_now() {
  const auto refuse = [this](const QString& why) {
    refusal_->setText(why);
    refusal_->setVisible(!why.isEmpty());
  };
  if (!session_.has_path())
    return refuse(tr("Save the job first: its versions are kept beside it."));
  const auto kept = keep_version(session_.path().toStdString(), session_.job(),
                                 name_->text().trimmed().toStdString(), wall_clock());
  if (!kept) return refuse(error_text(kept.error(), session_.style()));
  refuse({});
  name_->clear();
  refresh();
}

void VersionsFace::show_chosen() {
  chosen_.reset();
  const int at = list_->currentRow();
  restore_->setEnabled(false);
  if (at < 0 || static_cast<std::size_t>(at) >= versions_.size()) {
    words_->setText(versions_.empty() ? tr("No version is kept yet.")
                                      : tr("Choose a version on the left."));
    compared_->hide();
    return;
  }
  const auto job = job_of_version(versions_[static_cast<std::size_t>(at)]);
  if (!job) return words_->setText(error_text(job.error(), session_.style()));
  chosen_ = *job;
  restore_->setEnabled(true);
  const QStringList lines = differences(*chosen_, session_.job(), session_.style(), kMostLines);
  words_->setText(lines.isEmpty() ? tr("Nothing: it is the job as it stands.")
                                  : lines.join(QLatin1Char('\n')));
  compared_->show_rows(compare_jobs(*chosen_, session_.job()), tr("then"), tr("now"),
                       session_.style());
}

/// The logbook goes on: what was written since is not unwritten.
void VersionsFace::restore_now() {
  if (!chosen_) return;
  const Job then = *chosen_;
  const auto ok = session_.edit(tr("version brought back"), [&](Job& j) {
    std::vector<Event> events = j.events;
    j = then;
    j.events = std::move(events);
  });
  refusal_->setVisible(!ok);
  if (!ok) refusal_->setText(error_text(ok.error(), session_.style()));
  show_chosen();
}

void VersionsFace::refresh() {
  const auto now =
      session_.has_path() ? versions_of(session_.path().toStdString()) : std::vector<Version>{};
  if (now != versions_) {
    versions_ = now;
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const Version& v : versions_)
      list_->addItem(v.name.empty() ? tr("%1   saved before").arg(day_of(v.when))
                                    : tr("%1   %2").arg(day_of(v.when), q(v.name)));
  }
  show_chosen();
}

}  // namespace yoke
