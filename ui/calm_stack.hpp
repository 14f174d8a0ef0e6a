// Widgets that keep a drag through the map fluent: a stack that is not measured through its hidden
// pages, and a line of text that does not lay the page out anew when it changes.
#pragma once

#include <QLabel>
#include <QStackedWidget>

namespace yoke {

/// A QStackedWidget asks every page, seen or not, for its height at each change of a text.
class CalmStack : public QStackedWidget {
  Q_OBJECT

 public:
  using QStackedWidget::QStackedWidget;
  [[nodiscard]] bool hasHeightForWidth() const override { return false; }
  [[nodiscard]] QSize sizeHint() const override { return {800, 500}; }
  [[nodiscard]] QSize minimumSizeHint() const override { return {300, 200}; }
};

/// Gives its one child all its room, and asks nothing for it: what the child would like to be is
/// not asked, only the least that it was given.
class Room : public QWidget {
  Q_OBJECT

 public:
  Room(QWidget* child, QSize least, QWidget* parent);

 protected:
  void resizeEvent(QResizeEvent*) override;

 private:
  QWidget* child_;
};

/// Text of a fixed count of lines, shortened where it does not fit; the whole is its tool tip.
class LineText : public QWidget {
  Q_OBJECT

 public:
  /// `role`: as of a label, "answer", "soft".
  LineText(const char* role, int lines, QWidget* parent);
  [[nodiscard]] QString text() const { return text_; }
  void setText(const QString& text);

 protected:
  void paintEvent(QPaintEvent*) override;
  void resizeEvent(QResizeEvent*) override;

 private:
  void fit();
  QFont font_;  ///< its own: a style sheet replaces a widget's font
  QString text_;
  int lines_;
};

}  // namespace yoke
