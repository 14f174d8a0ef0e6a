// Short pages for what is shown, searched by words.
#pragma once

#include <QDialog>
#include <QLineEdit>
#include <QListWidget>
#include <QTextBrowser>

namespace yoke {

class HelpWindow : public QDialog {
  Q_OBJECT

 public:
  explicit HelpWindow(QWidget* parent);
  /// "survey", "begin", "bench" …
  void show_topic(const QString& topic);
  [[nodiscard]] QString topic() const { return topic_; }
  [[nodiscard]] QTextBrowser* page() const { return page_; }
  [[nodiscard]] QLineEdit* search() const { return search_; }
  [[nodiscard]] QListWidget* topics() const { return topics_; }

 private:
  void filter(const QString& words);
  QString topic_;
  QLineEdit* search_;
  QListWidget* topics_;
  QTextBrowser* page_;
};

/// The topics that are shipped, in order.
[[nodiscard]] QStringList help_topics();
/// The text of one, in Markdown; empty when there is none.
[[nodiscard]] QString help_text(const QString& topic);

}  // namespace yoke
