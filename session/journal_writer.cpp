#include "session/journal_writer.hpp"

#include <exception>
#include <utility>

namespace yoke {

JournalWriter::JournalWriter(QObject* parent) : QObject(parent), thread_([this] { run(); }) {}

JournalWriter::~JournalWriter() {
  {
    const std::lock_guard lock(mutex_);
    leaving_ = true;
  }
  wake_.notify_all();
  thread_.join();
}

void JournalWriter::start(const JournalOf& of) {
  flush();  // what the job before still waits for: its journal may be all that is left of it
  {
    const std::lock_guard lock(mutex_);
    next_.start = of;
  }
  wake_.notify_all();
}

void JournalWriter::write(const Job& job, const FileStamp& grew_from) {
  {
    const std::lock_guard lock(mutex_);
    next_.write.emplace(job, grew_from);
  }
  wake_.notify_all();
}

void JournalWriter::drop() {
  {
    const std::lock_guard lock(mutex_);
    next_.write.reset();
    next_.drop = true;
  }
  wake_.notify_all();
}

void JournalWriter::flush() {
  std::unique_lock lock(mutex_);
  wake_.notify_all();
  idle_.wait(lock, [this] { return !next_.any() && !busy_; });
}

std::optional<Error> JournalWriter::problem() const {
  const std::lock_guard lock(mutex_);
  return problem_;
}

bool JournalWriter::stands() const {
  const std::lock_guard lock(mutex_);
  return stands_;
}

void JournalWriter::tell(std::optional<Error> problem) {
  bool changed = false;
  {
    const std::lock_guard lock(mutex_);
    changed = problem.has_value() != problem_.has_value();
    problem_ = std::move(problem);
  }
  if (changed)
    QMetaObject::invokeMethod(this, &JournalWriter::problem_changed, Qt::QueuedConnection);
}

void JournalWriter::run() {
  std::optional<Journal> journal;
  std::unique_lock lock(mutex_);
  while (true) {
    wake_.wait(lock, [this] { return next_.any() || leaving_; });
    if (!next_.any()) return;
    Work now = std::exchange(next_, {});
    busy_ = true;
    lock.unlock();
    std::optional<Error> problem;
    try {
      if (now.start) journal.emplace(*now.start);
      if (now.drop && journal) journal->drop();
      if (now.write && journal)
        if (const auto wrote = journal->write(now.write->first, now.write->second); !wrote)
          problem = wrote.error();
    } catch (const std::exception& e) {  // out of memory, a path the library cannot hold
      problem = Error{"journal", "", "", say("The journal stopped: {}", std::string(e.what())),
                      "Save the job now"};
    }
    tell(std::move(problem));
    lock.lock();
    stands_ = journal && !journal->path().empty();
    busy_ = false;
    idle_.notify_all();
  }
}

}  // namespace yoke
