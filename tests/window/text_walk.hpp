// Every text that the window shows on every face: labels, buttons, choices, columns, pictures,
// figures, sheet, tips and names.
#pragma once

#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QTableWidget>
#include <QTextBrowser>
#include <QTextDocumentFragment>
#include <functional>

#include "support/painted_texts.hpp"
#include "ui/figures_view.hpp"
#include "window/bench.hpp"

namespace yoke::test {

/// Place ("label", "picture" …) and text, rich text as plain.
using Look = std::function<void(const QString& place, const QString& text)>;

inline void walk_texts(QWidget* root, const Look& found) {
  const auto look = [&found](const char* place, QString text) {
    if (Qt::mightBeRichText(text)) text = QTextDocumentFragment::fromHtml(text).toPlainText();
    found(QString::fromLatin1(place), text);
  };
  for (auto* w : root->findChildren<QWidget*>()) {
    if (!w->isVisibleTo(root)) continue;
    if (auto* l = qobject_cast<QLabel*>(w)) look("label", l->text());
    if (auto* b = qobject_cast<QAbstractButton*>(w)) look("button", b->text());
    if (auto* e = qobject_cast<QLineEdit*>(w)) look("hint", e->placeholderText());
    if (auto* c = qobject_cast<QComboBox*>(w))
      for (int i = 0; i < c->count(); ++i) look("choice", c->itemText(i));
    if (auto* t = qobject_cast<QTableWidget*>(w))
      for (int c = 0; c < t->columnCount(); ++c)
        if (t->horizontalHeaderItem(c)) look("column", t->horizontalHeaderItem(c)->text());
    if (auto* p = qobject_cast<PictureView*>(w)) {
      for (const QString& said : p->picture().said) look("picture", said);
      for (const PaintedText& t : painted_texts(p->picture())) look("painted", t.text);
    }
    if (auto* f = qobject_cast<FigureSheet*>(w))
      for (const QString& said : f->said()) look("figure", said);
    if (auto* t = qobject_cast<QTextBrowser*>(w))
      for (const QString& line : t->toPlainText().split('\n')) look("sheet", line);
    look("tip", w->toolTip());
    look("name", w->accessibleName());
  }
}

/// Every face of every stage, and its figures.
inline void walk_all_faces(Bench& b, const Look& look) {
  for (const Stage s : kStages) {
    b.stage(s);
    auto* page = qobject_cast<StagePage*>(b.window->page(s));
    for (std::size_t face = 0; face < page->face_count(); ++face) {
      page->show_face(face);
      QApplication::processEvents();
      walk_texts(b.window.get(), look);
    }
    if (page->figures_button()) {
      page->show_figures(true);
      QApplication::processEvents();
      walk_texts(b.window.get(), look);
      page->show_figures(false);
    }
  }
}

}  // namespace yoke::test
