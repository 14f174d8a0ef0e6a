// A searchable list of all actions with their keys.
#pragma once

#include <QAction>
#include <QDialog>
#include <QLineEdit>
#include <QListWidget>

namespace yoke {

class ActionFinder : public QDialog {
  Q_OBJECT
 public:
  ActionFinder(const QList<QAction*>& actions, QWidget* parent);

 protected:
  bool eventFilter(QObject* watched, QEvent* e) override;

 private:
  void filter(const QString& words);
  void run();
  QList<QAction*> actions_;
  QLineEdit* search_;
  QListWidget* list_;
};

}  // namespace yoke
