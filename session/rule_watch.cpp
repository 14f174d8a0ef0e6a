#include "session/rule_watch.hpp"

#include <QMetaObject>
#include <algorithm>

#include "assembly/assemble.hpp"

namespace yoke {

namespace {
constexpr int kPause_ms = 400;
}  // namespace

RuleWatch::RuleWatch(QObject* parent) : QObject(parent) {
  pool_.setMaxThreadCount(1);
  delay_.setSingleShot(true);
  delay_.setInterval(kPause_ms);
  connect(&delay_, &QTimer::timeout, this, &RuleWatch::start);
}

RuleWatch::~RuleWatch() {
  ++generation_;
  pool_.clear();
  pool_.waitForDone();
}

void RuleWatch::ask(const Job& job) {
  ++generation_;
  job_ = job;
  book_.reset();
  delay_.start();
}

void RuleWatch::start() {
  const unsigned mine = generation_;
  pool_.clear();
  pool_.start([this, mine, job = job_] {
    std::vector<JudgedRule> book;
    try {  // an exception here would end the program
      book = rule_book(job);
    } catch (const std::exception&) {
      return;  // no memory: nothing is said to be settled
    }
    QMetaObject::invokeMethod(
        this,
        [this, mine, book = std::move(book)] {
          if (mine != generation_) return;
          book_ = book;
          emit made();
        },
        Qt::QueuedConnection);
  });
}

Message rests_message(const std::vector<JudgedRule>& book, Stage stage) {
  long count = 0;
  std::vector<Param> on;
  for (const JudgedRule& r : book) {
    if (r.stage != stage || r.rule || r.verdict != Verdict::if_typical) continue;
    ++count;
    for (const Param p : r.decided_by)
      if (std::find(on.begin(), on.end(), p) == on.end()) on.push_back(p);
  }
  if (count == 0) return {};
  // The first few are enough to go on: the sheet has them all.
  constexpr std::size_t kMost = 3;
  if (on.size() > kMost) {
    const std::size_t more = on.size() - kMost;
    on.resize(kMost);
    return plural(
        count,
        "{} rule here holds only if what nobody measured is as typical. Measure: {} and {} "
        "more",
        "{} rules here hold only if what nobody measured is as typical. Measure: {} and {} "
        "more",
        {param_list(on), static_cast<long>(more)});
  }
  return plural(count, "{} rule here holds only if what nobody measured is as typical. Measure: {}",
                "{} rules here hold only if what nobody measured is as typical. Measure: {}",
                {param_list(on)});
}

}  // namespace yoke
