// A folder of jobs, listed and searched: its index is made beside the window, and follows what is
// changed in the folder by anything else.
#pragma once

#include <QFileSystemWatcher>
#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <optional>

#include "files/job_index.hpp"

namespace yoke {

class FolderList : public QObject {
  Q_OBJECT

 public:
  explicit FolderList(QObject* parent = nullptr);
  ~FolderList() override;
  /// Where indexes are kept; the user's cache unless it is said.
  void set_cache(const QString& folder) { cache_ = folder; }
  void show(const QString& folder);
  /// Looks for what was changed.
  void look_again();
  [[nodiscard]] QString folder() const { return folder_; }
  [[nodiscard]] bool working() const { return working_; }
  /// What the index holds now, searched; empty before the first `listed`.
  [[nodiscard]] std::vector<IndexedJob> find(const QString& query, const Style& style,
                                             std::size_t most) const;
  /// What was foretold in its proved jobs, and came; read beside the window as well.
  [[nodiscard]] const std::vector<Foretold>& foretold() const { return foretold_; }
  [[nodiscard]] std::size_t size() const { return index_ ? index_->size() : 0; }
  [[nodiscard]] std::vector<std::pair<std::string, double>> values_of(
      const std::string& file) const;

 signals:
  /// Made anew; `problem` in words when it could not be.
  void listed(const QString& problem);

 private:
  void start();
  void finished(const QString& problem, unsigned of, std::vector<Foretold> foretold);
  /// Of a large folder what is read so far is listed already.
  void partly(unsigned of);
  [[nodiscard]] QString database() const;
  QString folder_, cache_;
  QFileSystemWatcher watcher_;
  QTimer soon_;
  QThreadPool pool_;
  std::atomic<unsigned> generation_{0};
  std::optional<JobIndex> index_;
  std::vector<Foretold> foretold_;
  bool working_ = false, again_ = false;
};

/// The list as a table for a spreadsheet: what every job says, and the chosen values in SI.
[[nodiscard]] std::string folder_csv(const FolderList& list, const std::vector<IndexedJob>& jobs,
                                     const std::vector<Param>& columns);

}  // namespace yoke
