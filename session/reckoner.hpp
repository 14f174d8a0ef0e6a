// Reckons words beside the window: always for what was asked last.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <QTimer>
#include <atomic>
#include <functional>
#include <vector>

#include "quantity/message.hpp"

namespace yoke {

class Reckoner : public QObject {
  Q_OBJECT

 public:
  using Work = std::function<std::vector<Message>()>;
  explicit Reckoner(QObject* parent = nullptr);
  ~Reckoner() override;
  /// Starts a moment later, so that a hand that types on does not start one run a key. `work` must
  /// hold copies of all it reads.
  void ask(Work work);
  /// What is still running is of no use any more.
  void forget();

 signals:
  void made(const std::vector<yoke::Message>& words);

 private:
  void start();
  QThreadPool pool_;
  QTimer delay_;
  Work work_;
  std::atomic<unsigned> generation_{0};
};

}  // namespace yoke
