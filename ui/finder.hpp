// A searchable list: type a word, choose, it is done.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <functional>
#include <vector>

namespace yoke {

struct FinderEntry {
  QString text;
  QString aside;  ///< keys, or the value as it stands
  std::function<void()> does;
};

class Finder : public QDialog {
  Q_OBJECT
 public:
  Finder(const QString& title, std::vector<FinderEntry> entries, QWidget* parent);
  [[nodiscard]] QLineEdit* search() const { return search_; }
  [[nodiscard]] QListWidget* list() const { return list_; }

 protected:
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void filter(const QString& words);
  void run();
  std::vector<FinderEntry> entries_;
  QLineEdit* search_;
  QListWidget* list_;
};

}  // namespace yoke
