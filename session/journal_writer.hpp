// Writes the journal of the open job in a thread of its own: a disk that takes its time must not
// hold the window up. Only the newest state waits to be written.
#pragma once

#include <QObject>
#include <condition_variable>
#include <mutex>
#include <optional>
#include <thread>

#include "files/journal.hpp"

namespace yoke {

class JournalWriter : public QObject {
  Q_OBJECT

 public:
  explicit JournalWriter(QObject* parent = nullptr);
  /// Waits until what was asked for is on the disk.
  ~JournalWriter() override;

  /// The journal is another job's from now on; the one before keeps its file.
  void start(const JournalOf& of);
  void write(const Job& job, const FileStamp& grew_from);
  /// The work is saved or given up: the journal goes.
  void drop();
  /// Waits until all that was asked for is done.
  void flush();
  /// Why the last journal could not be written; nothing while all is well.
  [[nodiscard]] std::optional<Error> problem() const;
  /// Whether a journal stands on the disk now.
  [[nodiscard]] bool stands() const;

 signals:
  void problem_changed();

 private:
  struct Work {
    std::optional<JournalOf> start;
    bool drop = false;
    std::optional<std::pair<Job, FileStamp>> write;
    [[nodiscard]] bool any() const { return start || drop || write; }
  };
  void run();
  void tell(std::optional<Error> problem);

  mutable std::mutex mutex_;
  std::condition_variable wake_;
  std::condition_variable idle_;
  Work next_;
  bool busy_ = false;
  bool leaving_ = false;
  bool stands_ = false;
  std::optional<Error> problem_;
  std::thread thread_;  ///< last: it uses all of the above
};

}  // namespace yoke
