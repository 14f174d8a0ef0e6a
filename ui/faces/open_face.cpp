#include "ui/faces/open_face.hpp"

#include <QDateTime>
#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QScrollArea>
#include <QVBoxLayout>

#include "paint/due_picture.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

QLineEdit* entry(const QString& name, const QString& hint, int most, QWidget* parent) {
  auto* e = new QLineEdit(parent);
  e->setAccessibleName(name);
  e->setPlaceholderText(hint);
  e->setMaxLength(most);
  e->setMinimumHeight(40);
  return e;
}

}  // namespace

OpenFace::OpenFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  cards_ = new TallPicture(tr("What is open and what falls due"), this);
  cards_->set_maker(
      [this](QSizeF size) { return due_picture(list_, chosen_, session_.style(), size); });
  cards_->set_walkable();
  connect(cards_, &PictureView::spot_clicked, this,
          [this](const QString& id) { choose(static_cast<std::size_t>(id.mid(4).toInt())); });
  area_ = moved_area(cards_, this);
  area_->setMinimumWidth(380);
  row->addWidget(area_, 7);
  row->addWidget(build_side(), 4);
}

QWidget* OpenFace::build_side() {
  auto* side = new QWidget(this);
  auto* box = new QVBoxLayout(side);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  box->addWidget(plain_label(tr("Something that must not be forgotten"), "heading", side));
  what_ = entry(tr("Open point"), tr("the clip on the rear hose"), 200, side);
  box->addWidget(what_);
  auto* row = new QHBoxLayout;
  stage_ = new Combo(side);
  stage_->setAccessibleName(tr("Of which stage"));
  stage_->setMinimumHeight(38);
  for (const Stage s : kStages) stage_->addItem(words_of(stage_words(s)));
  stage_->setCurrentIndex(static_cast<int>(Stage::install));
  row->addWidget(stage_, 1);
  add_ = new QPushButton(tr("Keep it open"), side);
  add_->setObjectName(QStringLiteral("main"));
  add_->setMinimumHeight(38);
  row->addWidget(add_, 1);
  box->addLayout(row);
  const auto add_now = [this] {
    const auto ok = add_point(session_, what_->text().trimmed().toStdString(),
                              static_cast<Stage>(stage_->currentIndex()), today());
    told(ok);
    if (ok) what_->clear();
  };
  connect(add_, &QPushButton::clicked, this, add_now);
  connect(what_, &QLineEdit::returnPressed, this, add_now);
  chosen_words_ = label({}, "answer", side);
  box->addWidget(chosen_words_);
  done_ = new QPushButton(tr("It is done"), side);
  done_->setMinimumHeight(40);
  box->addWidget(done_);
  connect(done_, &QPushButton::clicked, this, [this] {
    if (const auto at = chosen_point()) told(close_point(session_, *at, today()));
  });
  box->addWidget(plain_label(tr("or it may stay, signed off:"), "question", side));
  auto* names = new QHBoxLayout;
  who_ = entry(tr("Who signs it off"), tr("who"), 80, side);
  reason_ = entry(tr("Why it may stay"), tr("why it may stay"), 200, side);
  names->addWidget(who_, 2);
  names->addWidget(reason_, 3);
  box->addLayout(names);
  sign_ = new QPushButton(tr("Sign it off"), side);
  sign_->setMinimumHeight(38);
  box->addWidget(sign_);
  connect(sign_, &QPushButton::clicked, this, [this] {
    if (const auto at = chosen_point())
      told(sign_point(session_, *at, who_->text().trimmed().toStdString(),
                      reason_->text().trimmed().toStdString()));
  });
  refusal_ = label({}, "alarm", side);
  refusal_->hide();
  box->addWidget(refusal_);
  box->addStretch(1);
  signed_ = label({}, "soft", side);
  signed_->setAccessibleName(tr("Done and signed off"));
  box->addWidget(signed_);
  auto* out = new QPushButton(tr("Days for a calendar…"), side);
  out->setMinimumHeight(38);
  connect(out, &QPushButton::clicked, this, &OpenFace::export_days);
  box->addWidget(out);
  return side;
}

std::string OpenFace::today() const {
  return (today_.isValid() ? today_ : QDate::currentDate()).toString(Qt::ISODate).toStdString();
}

void OpenFace::told(const Expected<bool>& done) {
  refusal_->setVisible(!done);
  if (!done) return refusal_->setText(error_text(done.error(), session_.style()));
  who_->clear();
  reason_->clear();
  refresh();
}

void OpenFace::choose(std::size_t at) {
  if (at >= list_.size()) return;
  chosen_ = list_[at].key;
  refresh();
  if (chosen_point()) return;
  // What is no point of its own is settled where it belongs.
  switch (list_[at].kind) {
    case DueKind::later:
    case DueKind::part:
      emit wanted(Stage::size, QStringLiteral("face:later"));
      break;
    case DueKind::after_run:
      emit wanted(Stage::prove, QStringLiteral("face:road"));
      break;
    default:
      break;
  }
}

std::optional<std::size_t> OpenFace::chosen_point() const {
  const auto& points = session_.job().points;
  for (std::size_t i = 0; i < points.size(); ++i)
    if (is_open(points[i]) && "point:" + points[i].what == chosen_) return i;
  return std::nullopt;
}

void OpenFace::export_days() {
  const QString base =
      session_.has_path() ? QFileInfo(session_.path()).completeBaseName() : QStringLiteral("job");
  const QString path =
      save_target(dialogs_, this, tr("Days for a calendar"), base + QStringLiteral(".ics"),
                  tr("Calendars (*.ics)"), {QStringLiteral(".ics")});
  if (path.isEmpty()) return;
  const std::string stamp = QDateTime::currentDateTimeUtc()
                                .toString(QStringLiteral("yyyyMMdd'T'HHmmss'Z'"))
                                .toStdString();
  const std::string text = calendar_of(session_, today(), stamp);
  QFile out(path);
  if (!out.open(QIODevice::WriteOnly) ||
      out.write(text.data(), static_cast<qint64>(text.size())) != static_cast<qint64>(text.size()))
    dialogs_.tell(this, tr("It cannot be written there: %1").arg(out.errorString()));
}

/// The cards' ground fills what is there, however few they are.
void OpenFace::resizeEvent(QResizeEvent* e) {
  Face::resizeEvent(e);
  cards_->setMinimumHeight(std::max(0, area_->height() - 4));
  cards_->renew();
}

void OpenFace::refresh() {
  list_ = due_things(session_.job(), today());
  const auto point = chosen_point();
  chosen_words_->setText(point ? QString::fromStdString(session_.job().points[*point].what)
                               : tr("Touch a point to close it"));
  for (QWidget* w : std::initializer_list<QWidget*>{done_, who_, reason_, sign_})
    w->setEnabled(point.has_value());
  QStringList closed;
  for (const OpenPoint& p : session_.job().points) {
    if (is_open(p)) continue;
    closed << (p.done.empty() ? tr("“%1” signed off by %2: %3")
                                    .arg(q(p.what).left(60), q(p.who), q(p.reason).left(80))
                              : tr("“%1” done %2").arg(q(p.what).left(60), q(p.done)));
  }
  signed_->setText(closed.mid(std::max<qsizetype>(0, closed.size() - 5)).join(QLatin1Char('\n')));
  cards_->renew();
}

}  // namespace yoke
