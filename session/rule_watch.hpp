// The rule book of the open job, made beside the window: looking into every value that nobody
// measured takes longer than an edit may. Always of the newest job.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <optional>

#include "judge/rule_book.hpp"
#include "quantity/message.hpp"

namespace yoke {

class RuleWatch : public QObject {
  Q_OBJECT

 public:
  explicit RuleWatch(QObject* parent = nullptr);
  /// Waits for a book that is being made.
  ~RuleWatch() override;
  /// Asks for a job's book; starts a moment later, so that dragging makes none a frame.
  void ask(const Job& job);
  /// Nothing while it is not made yet.
  [[nodiscard]] const std::optional<std::vector<JudgedRule>>& book() const { return book_; }

 signals:
  void made();

 private:
  void start();
  QThreadPool pool_;
  QTimer delay_;
  Job job_;
  std::atomic<unsigned> generation_{0};
  std::optional<std::vector<JudgedRule>> book_;
};

/// Of one stage, the rules that are no press and hold only if what nobody measured is as typical:
/// how many, and what to measure; empty for none.
[[nodiscard]] Message rests_message(const std::vector<JudgedRule>& book, Stage stage);

}  // namespace yoke
