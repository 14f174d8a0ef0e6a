#include "ui/faces/folder_face.hpp"

#include <QFile>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QSettings>
#include <QVBoxLayout>

#include "document/param/limits.hpp"
#include "files/store.hpp"
#include "paint/right_picture.hpp"
#include "protocol/right.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMostShown = 500;
constexpr int kFixed = 4;

QString kind_words(const std::string& key) {
  for (const auto& o : info(param::target_job).options)
    if (o.key == key) return words_of(o.words);
  return {};
}

QString state_text(const IndexedJob& j) {
  if (!j.error.empty()) return FolderFace::tr("not readable");
  const auto state = find_value<JobState>(j.state);
  const QString words = state ? words_of(words_of_value(*state)) : QString();
  return j.hard > 0 ? FolderFace::tr("%1, %2 say do not drive").arg(words).arg(j.hard) : words;
}

}  // namespace

FolderFace::FolderFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs), list_(this) {
  for (const QString& id : QSettings().value(QStringLiteral("folder/columns")).toStringList())
    if (const auto p = find_param(id.toStdString())) columns_.push_back(*p);
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->setSpacing(6);
  all->addLayout(build_top());
  says_ = label({}, "soft", this);
  says_->setAccessibleName(tr("What was found"));
  all->addWidget(says_);
  jobs_ = new QTableWidget(0, kFixed, this);
  jobs_->setTabKeyNavigation(false);  // Tab goes on, the arrows walk the rows
  jobs_->verticalHeader()->hide();
  jobs_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  jobs_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  jobs_->setSelectionBehavior(QAbstractItemView::SelectRows);
  jobs_->setAccessibleName(tr("Jobs in the folder"));
  jobs_->setMinimumHeight(110);
  connect(jobs_, &QTableWidget::cellActivated, this, [this](int row, int) { open_row(row); });
  connect(jobs_, &QTableWidget::itemSelectionChanged, this, &FolderFace::compare);
  all->addWidget(jobs_, 5);
  auto* below = new QHBoxLayout;
  below->setSpacing(12);
  compared_ = new CompareView(this);
  below->addWidget(compared_, 6);
  hint_ = label(tr("Choose a job: it is laid beside the open one here. Choose two: they stand "
                   "beside each other."),
                "question", this);
  below->addWidget(hint_, 6);
  auto* side = new QVBoxLayout;
  right_ = new PictureView(tr("How right it was"), this);
  right_->set_maker([this](QSizeF size) { return right_picture(list_.foretold(), size); });
  right_->setMinimumSize(260, 120);
  side->addWidget(right_, 1);
  right_says_ = label({}, "soft", this);
  side->addWidget(right_says_);
  below->addLayout(side, 5);
  all->addLayout(below, 4);
  connect(&list_, &FolderList::listed, this, [this](const QString& problem) {
    show_list();
    weigh_right();
    if (!problem.isEmpty()) says_->setText(problem);
  });
  connect(&session_, &Session::saved, this, [this] { list_.look_again(); });
}

QLayout* FolderFace::build_top() {
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  folder_ = plain_label({}, "heading", this);
  row->addWidget(folder_);
  search_ = new QLineEdit(this);
  search_->setAccessibleName(tr("Search the jobs"));
  search_->setPlaceholderText(tr("words, or a value: bore 15/16; air left > 2 cm³"));
  search_->setMaxLength(200);
  search_->setMinimumHeight(38);
  search_->setClearButtonEnabled(true);
  connect(search_, &QLineEdit::textChanged, this, &FolderFace::show_list);
  row->addWidget(search_, 1);
  const auto button = [&](const QString& words, auto then) {
    auto* b = new QPushButton(words, this);
    b->setMinimumHeight(38);
    connect(b, &QPushButton::clicked, this, then);
    row->addWidget(b);
  };
  auto* columns = new QToolButton(this);
  columns->setText(tr("Columns"));
  columns->setPopupMode(QToolButton::InstantPopup);
  columns->setMinimumHeight(38);
  auto* menu = new QMenu(columns);
  build_columns(menu);
  columns->setMenu(menu);
  row->addWidget(columns);
  button(tr("Open the chosen job"), [this] { open_row(jobs_->currentRow()); });
  button(tr("As a table…"), [this] { export_table(); });
  button(tr("Another folder…"), [this] {
    if (const QString f = dialogs_.pick_folder(this, tr("A folder of jobs")); !f.isEmpty()) {
      list_.show(f);
      refresh();
    }
  });
  return row;
}

/// Numbers of every group, each in a menu of its own.
void FolderFace::build_columns(QMenu* menu) {
  std::map<QString, QMenu*> groups;
  for (const ParamInfo& p : all_params()) {
    if (p.kind == Kind::choice || !pressed_by(p.group)) continue;
    const QString group = words_of(group_words(p.group));
    QMenu*& under = groups[group];
    if (!under) under = menu->addMenu(plain_action(group));
    QAction* a = under->addAction(plain_action(words_of(p.words)));
    a->setCheckable(true);
    a->setChecked(std::find(columns_.begin(), columns_.end(), p.param) != columns_.end());
    connect(a, &QAction::toggled, this, [this, param = p.param](bool on) {
      std::vector<Param> now = columns_;
      std::erase(now, param);
      if (on) now.push_back(param);
      set_columns(std::move(now));
    });
  }
}

void FolderFace::set_columns(std::vector<Param> columns) {
  columns_ = std::move(columns);
  QStringList ids;
  for (const Param p : columns_) ids << q(info(p).id);
  QSettings().setValue(QStringLiteral("folder/columns"), ids);
  show_list();
}

QString FolderFace::path_of(int row) const {
  return row >= 0 && static_cast<std::size_t>(row) < shown_.size()
             ? list_.folder() + QLatin1Char('/') +
                   QString::fromStdString(shown_[static_cast<std::size_t>(row)].file)
             : QString();
}

void FolderFace::open_row(int row) {
  if (const QString path = path_of(row); !path.isEmpty()) emit open_wanted(path);
}

void FolderFace::show_list() {
  shown_ = list_.find(search_->text(), session_.style(), kMostShown);
  QStringList heads{tr("job"), tr("vehicle"), tr("state"), tr("last worked on")};
  for (const Param p : columns_) heads << words_of(info(p).words);
  jobs_->setColumnCount(static_cast<int>(heads.size()));
  jobs_->setHorizontalHeaderLabels(heads);
  TableFill fill(jobs_, static_cast<int>(shown_.size()));
  for (std::size_t i = 0; i < shown_.size(); ++i) {
    const IndexedJob& j = shown_[i];
    const int row = static_cast<int>(i);
    auto* title = fill.text(row, 0, j.title.empty() ? q(j.file) : q(j.title));
    title->setToolTip(plain_tip(q(j.file) + QLatin1Char('\n') + kind_words(j.kind) +
                                QLatin1Char('\n') + q(j.error)));
    fill.text(row, 1, one_line(q(j.vehicle), 60));
    fill.text(row, 2, state_text(j));
    fill.text(row, 3, q(j.last).left(10));
    if (columns_.empty()) continue;
    const auto values = list_.values_of(j.file);
    for (std::size_t c = 0; c < columns_.size(); ++c) {
      const auto it = std::find_if(values.begin(), values.end(),
                                   [&](const auto& v) { return v.first == info(columns_[c]).id; });
      fill.text(row, kFixed + static_cast<int>(c),
                it == values.end() ? QStringLiteral("–")
                                   : shown_value(columns_[c], it->second, session_.style()));
    }
  }
  says_->setText(
      list_.working() && shown_.empty() ? tr("Reading the folder…")
      : shown_.size() >= kMostShown
          ? tr("The first %1 of %2 jobs: search for less").arg(kMostShown).arg(list_.size())
          : tr("%1 of %2 jobs").arg(shown_.size()).arg(list_.size()));
}

/// One chosen job beside the open one, or two of them beside each other.
void FolderFace::compare() {
  QList<int> rows;
  for (const QModelIndex& i : jobs_->selectionModel()->selectedRows()) rows << i.row();
  if (rows.size() == 2) return compare_two(path_of(rows[0]), path_of(rows[1]));
  const QString path = path_of(jobs_->currentRow());
  if (path.isEmpty()) return;
  const auto other = open_job(path.toStdString());
  if (!other) return says_->setText(error_text(other.error(), session_.style()));
  hint_->hide();
  compared_->show_rows(compare_jobs(session_.job(), other->job), tr("this job, now"),
                       one_line(q(other->job.title), 40), session_.style());
}

void FolderFace::compare_two(const QString& first, const QString& second) {
  const auto a = open_job(first.toStdString()), b = open_job(second.toStdString());
  if (!a || !b) return says_->setText(error_text(a ? b.error() : a.error(), session_.style()));
  hint_->hide();
  compared_->show_rows(compare_jobs(a->job, b->job), one_line(q(a->job.title), 40),
                       one_line(q(b->job.title), 40), session_.style());
}

void FolderFace::export_table() {
  const QString path =
      save_target(dialogs_, this, tr("The list as a table"), QStringLiteral("jobs.csv"),
                  tr("Tables (*.csv)"), {QStringLiteral(".csv")});
  if (path.isEmpty()) return;
  const std::string text = folder_csv(list_, shown_, columns_);
  QFile out(path);
  if (!out.open(QIODevice::WriteOnly) ||
      out.write(text.data(), static_cast<qint64>(text.size())) != static_cast<qint64>(text.size()))
    dialogs_.tell(this, tr("It cannot be written there: %1").arg(out.errorString()));
}

/// What was foretold in the jobs of the folder that were proved, and came.
void FolderFace::weigh_right() {
  const RightRecord r = right_record(list_.foretold());
  right_says_->setText(r.says.empty() ? tr("No proved job in this folder kept what was foretold.")
                                      : text_of(r.says, session_.style()));
  right_->redraw();
}

void FolderFace::refresh() {
  if (list_.folder().isEmpty() && session_.has_path())
    list_.show(QFileInfo(session_.path()).absolutePath());
  const QString name = QFileInfo(list_.folder()).fileName();
  folder_->setText(list_.folder().isEmpty()
                       ? tr("No folder yet")
                       : tr("In %1").arg(one_line(name.isEmpty() ? list_.folder() : name, 24)));
  folder_->setToolTip(plain_tip(list_.folder()));
  show_list();
}

}  // namespace yoke
