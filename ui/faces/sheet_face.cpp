#include <QDate>
#include <QDir>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QResizeEvent>
#include <QScrollBar>
#include <QTextDocument>
#include <QUrl>

#include "protocol/right.hpp"
#include "proving/gates.hpp"
#include "session/sheet_pictures.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/faces/sheet_face.hpp"
#include "ui/plain.hpp"
#include "ui/preferences.hpp"
#include "ui/printing.hpp"

namespace yoke {

void SheetView::show_sheet(const QString& html, SheetPictures pictures) {
  pictures_ = std::move(pictures);
  const int room = std::max(240, viewport()->width() - 30);
  setHtml(QString(html).replace(QStringLiteral("width='680'"),
                                QStringLiteral("width='%1'").arg(std::min(680, room))));
}

void SheetView::resizeEvent(QResizeEvent* e) {
  if (e->oldSize().isValid() && e->size().width() == e->oldSize().width()) {
    // The text is as wide as it was: laying it out anew would cost an edit its frame.
    QAbstractScrollArea::resizeEvent(e);
    const int high = qRound(document()->size().height());
    verticalScrollBar()->setRange(0, std::max(0, high - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    return;
  }
  QTextBrowser::resizeEvent(e);
}

QVariant SheetView::loadResource(int type, const QUrl& name) {
  if (type != QTextDocument::ImageResource) return {};
  if (name == QUrl(QLatin1String(kLinePicture))) return pictures_.line;
  if (name == QUrl(QLatin1String(kCurvePicture))) return pictures_.curve;
  return {};
}

SheetFace::SheetFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  row->addLayout(build_left(), 7);
  row->addLayout(build_right(), 5);
  connect(&session_, &Session::rules_made, this, [this] {
    if (isVisible()) refresh();
  });
}

QLayout* SheetFace::build_left() {
  auto* left = new QVBoxLayout;
  auto* names = new QHBoxLayout;
  const auto line = [&](const QString& name, const QString& hint, int most,
                        std::string Job::*member) {
    auto* e = new QLineEdit(this);
    e->setAccessibleName(name);
    e->setPlaceholderText(hint);
    e->setMaxLength(most);
    names->addWidget(e, 1);
    connect(e, &QLineEdit::editingFinished, this, [this, e, name, member] {
      if (!e->isModified()) return;
      e->setModified(false);
      session_.edit(tr("%1 “%2”").arg(name, e->text()),
                    [&](Job& j) { j.*member = e->text().toStdString(); });
    });
    return e;
  };
  title_ = line(tr("Job title"), tr("job title"), 200, &Job::title);
  vehicle_ = line(tr("Vehicle in your words"), tr("vehicle, in your words"), 400, &Job::vehicle);
  left->addLayout(names);
  sheet_ = new SheetView(this);
  sheet_timer_.setSingleShot(true);
  sheet_timer_.setInterval(120);
  connect(&sheet_timer_, &QTimer::timeout, this, &SheetFace::write_sheet);
  sheet_->setAccessibleName(tr("Job sheet"));
  left->addWidget(sheet_, 1);
  return left;
}

QLayout* SheetFace::build_right() {
  auto* right = new QVBoxLayout;
  auto* out = new QHBoxLayout;
  const auto button = [&](const QString& words, const char* role, void (SheetFace::*then)()) {
    auto* b = new QPushButton(words, this);
    b->setObjectName(QString::fromLatin1(role));
    connect(b, &QPushButton::clicked, this, then);
    out->addWidget(b);
  };
  button(tr("Save the sheet as PDF…"), "main", &SheetFace::save_sheet);
  button(tr("Look at the pages…"), "plain", &SheetFace::preview_sheet);
  button(tr("Print…"), "plain", &SheetFace::print_sheet);
  right->addLayout(out);
  auto* pack = new QHBoxLayout;
  const auto pack_button = [&](const QString& words, void (SheetFace::*then)()) {
    auto* b = new QPushButton(words, this);
    connect(b, &QPushButton::clicked, this, then);
    pack->addWidget(b);
  };
  pack_button(tr("Certifier's pack as PDF…"), &SheetFace::save_pack);
  pack_button(tr("The same as a folder…"), &SheetFace::save_open_pack);
  right->addLayout(pack);
  all_values_ = new QCheckBox(tr("with the appendix: every value and its source"), this);
  connect(all_values_, &QCheckBox::toggled, this, [this] { refresh(); });
  right->addWidget(all_values_);
  right->addWidget(label(tr("How the job stands"), "heading", this));
  state_ = label({}, "caution", this);
  state_->hide();
  right->addWidget(state_);
  auto* states = new QHBoxLayout;
  for (const JobState state : {JobState::proved, JobState::in_work, JobState::left_unsafe}) {
    const QString words = words_of(words_of_value(state));
    auto* b = new QPushButton(words, this);
    states->addWidget(b);
    connect(b, &QPushButton::clicked, this, [this, s = state] { set_state(s); });
  }
  right->addLayout(states);
  right->addWidget(
      label(tr("Brake work should be checked by a licensed person where local rules ask "
               "for it. Never drive on a pedal that has not passed its gates."),
            "caution", this));
  right->addStretch(1);
  return right;
}

void SheetFace::save_sheet() {
  const QString base =
      session_.has_path() ? QFileInfo(session_.path()).completeBaseName() : QStringLiteral("job");
  const QString path =
      save_target(dialogs_, this, tr("Save the job sheet"), base + QStringLiteral(".pdf"),
                  tr("PDF (*.pdf)"), {QStringLiteral(".pdf")});
  if (path.isEmpty()) return;
  const auto ok =
      write_sheet_pdf(path, *document(), text_of(session_.job().title), preferences().paper);
  if (!ok) dialogs_.tell(this, error_text(ok.error(), session_.style()));
}

/// The rules are looked into beside the window: the page shows them once they are there.
QString SheetFace::html(const std::vector<JudgedRule>& rules) const {
  return sheet_html(session_.job(), session_.strip(), session_.findings(), rules, session_.style(),
                    QDate::currentDate(),
                    all_values_->isChecked() ? SheetPart::whole : SheetPart::sheet);
}

std::unique_ptr<QTextDocument> SheetFace::document() const {
  const auto& known = session_.rules();
  return sheet_document(html(known ? *known : rule_book(session_.job())), sheet_pictures(session_));
}

std::vector<Chapter> SheetFace::chapters() const {
  const auto& known = session_.rules();
  return pack_chapters(session_, known ? *known : rule_book(session_.job()), QDate::currentDate());
}

void SheetFace::save_pack() {
  const QString base =
      session_.has_path() ? QFileInfo(session_.path()).completeBaseName() : QStringLiteral("job");
  const QString path =
      save_target(dialogs_, this, tr("The certifier's pack"), base + QStringLiteral("-pack.pdf"),
                  tr("PDF (*.pdf)"), {QStringLiteral(".pdf")});
  if (path.isEmpty()) return;
  const auto ok =
      write_certifier_pack(path, chapters(), text_of(session_.job().title), preferences().paper,
                           pack_cover(session_, QDate::currentDate()));
  dialogs_.tell(this, ok ? tr("Written: %1").arg(QFileInfo(path).fileName())
                         : error_text(ok.error(), session_.style()));
}

void SheetFace::save_open_pack() {
  const QString in = dialogs_.pick_folder(this, tr("Where the folder of the pack is made"));
  if (in.isEmpty()) return;
  const QString base =
      session_.has_path() ? QFileInfo(session_.path()).completeBaseName() : QStringLiteral("job");
  const QString folder = in + QLatin1Char('/') + base + QStringLiteral("-pack");
  const auto names = write_open_pack(folder, session_, chapters(), preferences().paper,
                                     pack_cover(session_, QDate::currentDate()));
  dialogs_.tell(this,
                names ? tr("%1 files in %2").arg(names->size()).arg(QFileInfo(folder).fileName())
                      : error_text(names.error(), session_.style()));
}

void SheetFace::print_sheet() {
  const auto pages = document();
  print_pages(this, text_of(session_.job().title),
              [&pages](QPagedPaintDevice& device) { yoke::print_sheet(*pages, device); });
}

void SheetFace::preview_sheet() {
  const auto pages = document();
  preview_pages(this, text_of(session_.job().title),
                [&pages](QPagedPaintDevice& device) { yoke::print_sheet(*pages, device); });
}

void SheetFace::set_state(JobState state) {
  if (state == JobState::proved) {
    const auto ok = may_be_proved(gates_of(session_.job(), session_.strip(), session_.findings()));
    if (!ok) {
      state_->setText(error_text(ok.error(), session_.style()));
      state_->show();
      return;
    }
  }
  const QString name = state == JobState::proved        ? tr("marked proved")
                       : state == JobState::left_unsafe ? tr("marked left unsafe")
                                                        : tr("marked in work");
  // What was foretold is kept as it stood: later edits foretell something else.
  std::vector<Foretold> foretold;
  if (state == JobState::proved)
    foretold = foretold_of(session_.job(),
                           proof_protocol(session_.job(), session_.strip(), session_.findings()),
                           wall_clock());
  session_.edit(name, [&](Job& j) {
    j.state = state;
    if (state == JobState::proved) j.foretold = foretold;
  });
  refresh();
}

void SheetFace::write_sheet() {
  sheet_stands_ = true;
  sheet_timer_.stop();
  sheet_->show_sheet(html(session_.rules().value_or(std::vector<JudgedRule>{})),
                     sheet_pictures(session_, devicePixelRatioF()));
}

void SheetFace::hideEvent(QHideEvent* e) {
  Face::hideEvent(e);
  sheet_timer_.stop();
  sheet_stands_ = false;  // written at once when it is looked at again
}

void SheetFace::refresh() {
  if (!title_->isModified()) title_->setText(text_of(session_.job().title));
  if (!vehicle_->isModified()) vehicle_->setText(text_of(session_.job().vehicle));
  if (!sheet_stands_)
    write_sheet();
  else
    sheet_timer_.start();
  state_->setText({});
  state_->hide();  // the sentence above says it; here stands why it was refused
}

}  // namespace yoke
