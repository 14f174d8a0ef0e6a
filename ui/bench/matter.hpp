// One matter of the bench mode: what is done now, large enough for gloves and two metres. It says
// which keys do what; the frame around it shows them as buttons and hears them.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QWidget>
#include <functional>
#include <vector>

#include "session/session.hpp"

namespace yoke {

struct BenchKey {
  QKeySequence key;
  QString words;
  std::function<void()> does;
  bool main = false;  ///< the one that is meant most of the time
  bool shown = true;  ///< with a button in the row of keys; else it stands beside its matter
};

class BenchMatter : public QWidget {
  Q_OBJECT

 public:
  explicit BenchMatter(Session& session, QWidget* parent) : QWidget(parent), session_(session) {}
  [[nodiscard]] virtual std::vector<BenchKey> keys() = 0;
  virtual void refresh() = 0;
  /// Where typing goes; null: nothing is typed here.
  [[nodiscard]] virtual QLineEdit* entry() const { return nullptr; }

 signals:
  void keys_changed();
  /// The stage's other matter is asked for, or the first one again.
  void other_asked();

 protected:
  Session& session_;
};

/// A label of the bench's own sizes: "benchBig", "bench", "benchSoft", "benchCaution".
[[nodiscard]] QLabel* bench_label(const char* role, QWidget* parent);

/// `other`: the second matter of a stage that has two.
[[nodiscard]] BenchMatter* make_bench_matter(Session& session, Stage stage, bool other,
                                             QWidget* parent);

}  // namespace yoke
