#include "session/folder_list.hpp"

#include <fmt/format.h>
#include <QCryptographicHash>
#include <QDir>
#include <QStandardPaths>

#include "files/csv.hpp"
#include "files/store.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr int kSoon_ms = 120;
constexpr std::size_t kMostWeighed =
    300;  // proved jobs that the record of being right is read from

std::vector<Foretold> foretold_in(const JobIndex& index, const std::string& folder) {
  std::vector<Foretold> list;
  std::size_t read = 0;
  for (const IndexedJob& j : index.find({}, 100000)) {
    if (j.state != key_of(JobState::proved) || ++read > kMostWeighed) continue;
    const auto job = open_job(std::filesystem::path(folder) / j.file);
    if (job) list.insert(list.end(), job->job.foretold.begin(), job->job.foretold.end());
  }
  return list;
}

}  // namespace

FolderList::FolderList(QObject* parent) : QObject(parent) {
  pool_.setMaxThreadCount(1);
  soon_.setSingleShot(true);
  soon_.setInterval(kSoon_ms);
  connect(&soon_, &QTimer::timeout, this, &FolderList::start);
  connect(&watcher_, &QFileSystemWatcher::directoryChanged, this, &FolderList::look_again);
}

FolderList::~FolderList() {
  ++generation_;
  pool_.waitForDone();
}

QString FolderList::database() const {
  const QString at =
      cache_.isEmpty() ? QStandardPaths::writableLocation(QStandardPaths::CacheLocation) : cache_;
  const QByteArray name =
      QCryptographicHash::hash(folder_.toUtf8(), QCryptographicHash::Sha1).toHex().left(20);
  return at + QStringLiteral("/folders/") + QString::fromLatin1(name) + QStringLiteral(".sqlite");
}

void FolderList::show(const QString& folder) {
  const QString whole = QDir(folder).absolutePath();
  if (whole == folder_) return look_again();
  ++generation_;
  if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
  watcher_.addPath(whole);
  folder_ = whole;
  index_.reset();
  start();
}

void FolderList::look_again() {
  if (!folder_.isEmpty() && !soon_.isActive()) soon_.start();
}

void FolderList::start() {
  if (working_) {
    again_ = true;
    return;
  }
  working_ = true;
  const unsigned of = generation_;
  pool_.start([this, of, file = database().toStdString(), folder = folder_.toStdString()] {
    QString problem;
    std::vector<Foretold> foretold;
    auto index = JobIndex::open(file);
    const auto go_on = [this, of] {
      QMetaObject::invokeMethod(
          this, [this, of] { partly(of); }, Qt::QueuedConnection);
      return generation_ == of;
    };
    const auto done = index ? index->refresh(folder, go_on) : fail(index.error());
    if (done)
      foretold = foretold_in(*index, folder);
    else
      problem = error_text(done.error(), Style{});
    QMetaObject::invokeMethod(
        this,
        [this, problem, of, foretold = std::move(foretold)] { finished(problem, of, foretold); },
        Qt::QueuedConnection);
  });
}

void FolderList::partly(unsigned of) {
  if (of != generation_ || !working_) return;
  if (!index_)
    if (auto index = JobIndex::open(database().toStdString())) index_ = std::move(*index);
  emit listed({});
}

void FolderList::finished(const QString& problem, unsigned of, std::vector<Foretold> foretold) {
  working_ = false;
  if (of != generation_ || again_) {
    again_ = false;
    start();
    if (of != generation_) return;
  }
  if (auto index = JobIndex::open(database().toStdString())) index_ = std::move(*index);
  foretold_ = std::move(foretold);
  emit listed(problem);
}

std::vector<IndexedJob> FolderList::find(const QString& query, const Style& style,
                                         std::size_t most) const {
  return index_ ? index_->find(read_query(query.toStdString(), style), most)
                : std::vector<IndexedJob>{};
}

std::vector<std::pair<std::string, double>> FolderList::values_of(const std::string& file) const {
  return index_ ? index_->values_of(file) : std::vector<std::pair<std::string, double>>{};
}

std::string folder_csv(const FolderList& list, const std::vector<IndexedJob>& jobs,
                       const std::vector<Param>& columns) {
  std::vector<std::string> head{"file", "title", "vehicle", "state", "kind", "last"};
  for (const Param p : columns) head.emplace_back(info(p).id);
  std::string out = csv_line(head);
  for (const IndexedJob& j : jobs) {
    std::vector<std::string> cells{j.file, j.title, j.vehicle, j.state, j.kind, j.last};
    const auto values = list.values_of(j.file);
    for (const Param p : columns) {
      const auto it = std::find_if(values.begin(), values.end(),
                                   [p](const auto& v) { return v.first == info(p).id; });
      cells.push_back(it == values.end() ? std::string() : fmt::format("{:.9g}", it->second));
    }
    out += csv_line(cells);
  }
  return out;
}

}  // namespace yoke
