#include <QDate>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLocale>

#include "proving/gates.hpp"
#include "session/sheet.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

RecordPage::RecordPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::record, tr("The whole job on paper and in the folder"), parent), dialogs_(dialogs) {
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  auto* left = new QVBoxLayout;
  auto* names = new QHBoxLayout;
  title_ = new QLineEdit(this);
  title_->setAccessibleName(tr("Job title"));
  title_->setPlaceholderText(tr("job title"));
  title_->setMaxLength(200);
  vehicle_ = new QLineEdit(this);
  vehicle_->setAccessibleName(tr("Vehicle in your words"));
  vehicle_->setPlaceholderText(tr("vehicle, in your words"));
  vehicle_->setMaxLength(400);
  names->addWidget(title_, 1);
  names->addWidget(vehicle_, 1);
  left->addLayout(names);
  sheet_ = new QTextBrowser(this);
  sheet_->setAccessibleName(tr("Job sheet"));
  left->addWidget(sheet_, 1);
  row->addLayout(left, 7);
  auto* right = new QVBoxLayout;
  auto* pdf = new QPushButton(tr("Save the sheet as PDF…"), this);
  pdf->setObjectName(QStringLiteral("main"));
  right->addWidget(pdf);
  right->addWidget(label(tr("How the job stands"), "heading", this));
  state_ = label({}, "question", this);
  right->addWidget(state_);
  auto* states = new QHBoxLayout;
  auto* proved = new QPushButton(tr("Proved"), this);
  auto* work = new QPushButton(tr("In work"), this);
  auto* unsafe = new QPushButton(tr("Left unsafe"), this);
  for (auto* b : {proved, work, unsafe}) states->addWidget(b);
  right->addLayout(states);
  right->addWidget(label(tr("Brake work should be checked by a licensed person where local rules ask for it. Never drive on a pedal that has not passed its gates."), "caution", this));
  right->addWidget(label(tr("Jobs in a folder"), "heading", this));
  folder_ = label({}, "soft", this);
  right->addWidget(folder_);
  jobs_ = new QTableWidget(0, 3, this);
  jobs_->setHorizontalHeaderLabels({tr("job"), tr("file"), tr("state")});
  jobs_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  jobs_->verticalHeader()->hide();
  jobs_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  jobs_->setSelectionBehavior(QAbstractItemView::SelectRows);
  jobs_->setAccessibleName(tr("Jobs in the folder"));
  right->addWidget(jobs_, 1);
  auto* folder_row = new QHBoxLayout;
  auto* pick = new QPushButton(tr("Another folder…"), this);
  auto* open = new QPushButton(tr("Open the chosen job"), this);
  folder_row->addWidget(pick);
  folder_row->addWidget(open);
  right->addLayout(folder_row);
  row->addLayout(right, 5);
  body()->addLayout(row, 1);

  connect(title_, &QLineEdit::editingFinished, this, [this] {
    if (!title_->isModified()) return;
    title_->setModified(false);
    session_.edit(tr("title %1").arg(title_->text()), [&](Job& j) { j.title = title_->text().toStdString(); });
  });
  connect(vehicle_, &QLineEdit::editingFinished, this, [this] {
    if (!vehicle_->isModified()) return;
    vehicle_->setModified(false);
    session_.edit(tr("vehicle %1").arg(vehicle_->text()), [&](Job& j) { j.vehicle = vehicle_->text().toStdString(); });
  });
  connect(pdf, &QPushButton::clicked, this, &RecordPage::save_sheet);
  connect(proved, &QPushButton::clicked, this, [this] { set_state(JobState::proved); });
  connect(work, &QPushButton::clicked, this, [this] { set_state(JobState::in_work); });
  connect(unsafe, &QPushButton::clicked, this, [this] { set_state(JobState::left_unsafe); });
  connect(pick, &QPushButton::clicked, this, [this] {
    if (const QString f = dialogs_.pick_folder(this, tr("A folder of jobs")); !f.isEmpty()) list_folder(f);
  });
  const auto open_row = [this](int at) {
    if (at >= 0 && jobs_->item(at, 1)) emit open_wanted(jobs_->item(at, 1)->data(Qt::UserRole).toString());
  };
  connect(open, &QPushButton::clicked, this, [this, open_row] { open_row(jobs_->currentRow()); });
  connect(jobs_, &QTableWidget::cellDoubleClicked, this, [open_row](int at, int) { open_row(at); });
  // The list follows the file, not every keystroke: reading a folder of jobs takes time.
  connect(&session_, &Session::file_changed, this, [this] {
    const QString now = QFileInfo(session_.path()).absolutePath();
    if (isVisible() && session_.has_path() && folder_->toolTip() != now) list_folder(now);
  });
}

void RecordPage::save_sheet() {
  const QString base = session_.has_path() ? QFileInfo(session_.path()).completeBaseName() : QStringLiteral("job");
  QString path = dialogs_.save_file(this, tr("Save the job sheet"), base + QStringLiteral(".pdf"), tr("PDF (*.pdf)"));
  if (path.isEmpty()) return;
  if (!path.endsWith(QStringLiteral(".pdf"), Qt::CaseInsensitive)) path += QStringLiteral(".pdf");
  const bool letter = QLocale().measurementSystem() == QLocale::ImperialUSSystem;
  const auto ok = write_sheet_pdf(path,
                                  sheet_html(session_.job(), session_.strip(), session_.findings(), session_.style(), QDate::currentDate()),
                                  text_of(session_.job().title), letter ? QPageSize::Letter : QPageSize::A4);
  if (!ok) dialogs_.tell(this, error_text(ok.error()));
}

void RecordPage::set_state(JobState state) {
  if (state == JobState::proved) {
    const auto ok = may_be_proved(gates_of(session_.job(), session_.strip(), session_.findings()));
    if (!ok) {
      state_->setText(error_text(ok.error()));
      return;
    }
  }
  const QString name = state == JobState::proved ? tr("marked proved") : state == JobState::left_unsafe ? tr("marked left unsafe") : tr("marked in work");
  session_.edit(name, [state](Job& j) { j.state = state; });
  refresh();
}

void RecordPage::list_folder(const QString& folder) {
  folder_->setText(QFileInfo(folder).fileName().isEmpty() ? folder : tr("…/%1").arg(QFileInfo(folder).fileName()));
  folder_->setToolTip(folder);
  const auto list = list_jobs(folder.toStdString());
  jobs_->setRowCount(static_cast<int>(list.size()));
  for (size_t i = 0; i < list.size(); ++i) {
    const JobEntry& e = list[i];
    const int row = static_cast<int>(i);
    auto* title = new QTableWidgetItem(e.error.empty() ? text_of(e.title) : tr("not readable"));
    title->setToolTip(e.error.empty() ? text_of(e.vehicle) : text_of(e.error));
    auto* file = new QTableWidgetItem(QString::fromStdString(e.path.filename().string()));
    file->setData(Qt::UserRole, QString::fromStdString(e.path.string()));
    const QString state = !e.error.empty() ? text_of(e.error)
                          : e.state == JobState::proved ? tr("proved")
                          : e.state == JobState::left_unsafe ? tr("LEFT UNSAFE")
                          : e.hard_findings ? tr("open hard points") : tr("in work");
    jobs_->setItem(row, 0, title);
    jobs_->setItem(row, 1, file);
    jobs_->setItem(row, 2, new QTableWidgetItem(state));
  }
}

void RecordPage::refresh() {
  if (!title_->isModified()) title_->setText(text_of(session_.job().title));
  if (!vehicle_->isModified()) vehicle_->setText(text_of(session_.job().vehicle));
  sheet_->setHtml(sheet_html(session_.job(), session_.strip(), session_.findings(), session_.style(), QDate::currentDate()));
  switch (session_.job().state) {
    case JobState::proved: state_->setText(tr("Proved: every gate passed.")); break;
    case JobState::left_unsafe: state_->setText(tr("LEFT UNSAFE, DO NOT DRIVE. It prints large on the sheet.")); break;
    case JobState::in_work: state_->setText(tr("In work, not proved.")); break;
  }
  if (folder_->toolTip().isEmpty() && session_.has_path()) list_folder(QFileInfo(session_.path()).absolutePath());
}

}  // namespace yoke
