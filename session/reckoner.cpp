#include "session/reckoner.hpp"

#include <QMetaObject>

namespace yoke {

namespace {
constexpr int kPause_ms = 150;
}  // namespace

Reckoner::Reckoner(QObject* parent) : QObject(parent) {
  pool_.setMaxThreadCount(1);
  delay_.setSingleShot(true);
  delay_.setInterval(kPause_ms);
  connect(&delay_, &QTimer::timeout, this, &Reckoner::start);
}

Reckoner::~Reckoner() {
  forget();
  pool_.waitForDone();
}

void Reckoner::ask(Work work) {
  ++generation_;
  work_ = std::move(work);
  delay_.start();
}

void Reckoner::forget() {
  ++generation_;
  delay_.stop();
  pool_.clear();
}

void Reckoner::start() {
  const unsigned mine = generation_;
  pool_.clear();
  pool_.start([this, mine, work = work_] {
    if (mine != generation_) return;
    std::vector<Message> words;
    try {  // an exception here would end the program
      words = work();
    } catch (const std::exception&) {
      words = {"There is not enough memory to reckon this"};
    }
    QMetaObject::invokeMethod(
        this,
        [this, mine, words = std::move(words)] {
          if (mine == generation_) emit made(words);
        },
        Qt::QueuedConnection);
  });
}

}  // namespace yoke
