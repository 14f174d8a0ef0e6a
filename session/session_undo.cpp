// Undo and redo: snapshots that are shared, bounded in number and size; the logbook is never torn.
#include <algorithm>

#include "logbook/log.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMostUndo = 500;
constexpr std::size_t kMostUndo_bytes = 64U << 20U;

/// About what a snapshot takes: its fixed part, and the lists that may grow.
std::size_t bytes_of(const Job& job) {
  std::size_t n = sizeof(Job) + job.notes.size();
  n += (job.readings.size() + job.before.size()) * sizeof(Reading);
  n += job.boxes.size() * sizeof(Box) + job.parts.size() * sizeof(PartInHand);
  n += job.candidates.size() * sizeof(Candidate);
  n += (job.events.size() + job.points.size()) * sizeof(Event);
  n += (job.steps.size() + job.gates.size() + job.bleeding.size()) * 512;
  return n;
}

}  // namespace

/// Keeps the job as it was; the oldest goes when there are too many, or too much of them.
void Session::keep_for_undo(Undo step) {
  undo_bytes_ += bytes_of(*step.job);
  undo_.push_back(std::move(step));
  while (undo_.size() > kMostUndo || (undo_.size() > 1 && undo_bytes_ > kMostUndo_bytes)) {
    undo_bytes_ -= bytes_of(*undo_.front().job);
    undo_.pop_front();
  }
}

void Session::undo() {
  if (undo_.empty()) return;
  Undo step = std::move(undo_.back());
  undo_bytes_ -= bytes_of(*step.job);
  undo_.pop_back();
  redo_.push_back({step.name, {}, job_});
  job_ = written_on(std::move(step.job), step.name);
  announce();
}

/// Lines that the file holds stay when an edit is undone: the book is never torn.
std::shared_ptr<const Job> Session::written_on(std::shared_ptr<const Job> job,
                                               const QString& what) const {
  const std::size_t written = saved_->events.size();
  if (job->events.size() >= std::min(written, job_->events.size())) return job;
  auto kept = std::make_shared<Job>(*job);
  log_undone(*kept, *job_, written, what.toStdString(), wall_clock());
  return kept;
}

void Session::redo() {
  if (redo_.empty()) return;
  Undo step = std::move(redo_.back());
  redo_.pop_back();
  keep_for_undo({step.name, {}, job_});
  job_ = written_on(std::move(step.job), tr("done again: %1").arg(step.name));
  announce();
}

}  // namespace yoke
