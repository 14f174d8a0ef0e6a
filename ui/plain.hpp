// Text on screen is text: a title, a note or a catalogue's cell that looks like markup is shown as
// it was written, loads nothing and runs nothing. Every label and tooltip is made here.
#pragma once

#include <QAction>
#include <QLabel>
#include <QTableWidgetItem>
#include <QWidget>

namespace yoke {

/// A label in one of the look's roles ("answer", "soft", …) that never reads its text as markup.
[[nodiscard]] QLabel* plain_label(const QString& text, const char* role, QWidget* parent);
/// The same with lines broken where they must be.
[[nodiscard]] QLabel* label(const QString& text, const char* role, QWidget* parent);

/// What a tooltip must be given so that it shows this text and nothing else.
[[nodiscard]] QString plain_tip(const QString& text);
template <class Widget>
void set_tip(Widget* widget, const QString& text) {
  widget->setToolTip(plain_tip(text));
}
/// The text of a menu entry or button, in which & would mark a key.
[[nodiscard]] QString plain_action(const QString& text);
/// One line, at most `most` letters: for names of edits in menus and for titles.
[[nodiscard]] QString one_line(const QString& text, int most = 80);

/// Some of it stands within all that it stands in: not scrolled away.
[[nodiscard]] bool in_sight(const QWidget* widget);

}  // namespace yoke
