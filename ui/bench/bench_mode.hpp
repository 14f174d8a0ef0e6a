// The bench mode (F11): the stage that is worked on, one matter at a time, twice as large, one main
// key. The same session, the same undo.
#pragma once

#include <QHBoxLayout>
#include <QPushButton>
#include <QShortcut>

#include "ui/bench/matter.hpp"
#include "ui/calm_stack.hpp"

namespace yoke {

class BenchMode : public QWidget {
  Q_OBJECT

 public:
  BenchMode(Session& session, QWidget* parent);
  /// Shows a stage's matter from its beginning.
  void show_stage(Stage stage) { show_matter(stage, false); }
  [[nodiscard]] BenchMatter* matter() const { return matter_; }
  /// The buttons of the keys, the main one first.
  [[nodiscard]] const std::vector<QPushButton*>& buttons() const { return buttons_; }

 signals:
  void ended();

 protected:
  void showEvent(QShowEvent* e) override;

 private:
  void show_matter(Stage stage, bool other);
  void refresh();
  void show_keys();
  void add_shortcut(const BenchKey& key);
  Session& session_;
  Stage stage_ = Stage::survey;
  bool other_ = false;  ///< the second matter of the stage is shown
  QLabel* title_;
  QLabel* decision_;
  QVBoxLayout* body_;
  QHBoxLayout* keys_;
  BenchMatter* matter_ = nullptr;
  std::vector<QPushButton*> buttons_;
  std::vector<QShortcut*> shortcuts_;
};

}  // namespace yoke
