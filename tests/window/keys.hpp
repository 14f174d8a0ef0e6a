// A builder who has no mouse: Tab, arrows, Enter and what is typed, each to what has the focus.
#pragma once

#include <QAbstractButton>
#include <QComboBox>
#include <QScrollArea>

#include "ui/picture_view.hpp"
#include "ui/plain.hpp"
#include "window/bench.hpp"

namespace yoke::test {

struct Keys {
  Bench& b;

  void key(Qt::Key k, Qt::KeyboardModifiers with = {}) const {
    QWidget* now = QApplication::focusWidget();
    QTest::keyClick(now ? now : b.window.get(), k, with);
    QApplication::processEvents();
  }
  void words(const QString& text) const {
    QTest::keyClicks(QApplication::focusWidget(), text);
    QApplication::processEvents();
  }
  /// Tab until what is called so has the focus, and is in sight.
  QWidget* tab_to(const QString& name) const {
    for (int i = 0; i < 600; ++i) {
      key(Qt::Key_Tab);
      QWidget* now = QApplication::focusWidget();
      if (!now) continue;
      const auto* button = qobject_cast<QAbstractButton*>(now);
      if (!now->accessibleName().startsWith(name) && !(button && button->text().startsWith(name)))
        continue;
      INFO(name.toStdString() << " is out of sight");
      CHECK(in_sight(now));
      return now;
    }
    FAIL("Tab never leads to " << name.toStdString());
    return nullptr;
  }
  /// To a field, and over what stands in it.
  void type(const QString& field, const QString& text, bool enter = true) const {
    tab_to(field);
    key(Qt::Key_A, Qt::ControlModifier);
    words(text);
    if (enter) key(Qt::Key_Return);
  }
  void press(const QString& button) const {
    tab_to(button);
    key(Qt::Key_Space);
  }
  void pick(const QString& box, const QString& choice) const {
    auto* c = qobject_cast<QComboBox*>(tab_to(box));
    REQUIRE(c);
    for (int i = 0; i < c->count() && c->currentText() != choice; ++i) key(Qt::Key_Down);
    for (int i = 0; i < c->count() && c->currentText() != choice; ++i) key(Qt::Key_Up);
    CHECK(c->currentText() == choice);
  }
  /// To a drawing, along its places to one, and touch it.
  void walk(const QString& picture, const QString& spot) const {
    auto* view = qobject_cast<PictureView*>(tab_to(picture));
    REQUIRE(view);
    const auto most = static_cast<int>(view->picture().spots.size());
    for (int i = 0; i <= most; ++i) {
      if (view->walked() && view->walked()->id == spot) break;
      key(Qt::Key_Down);
    }
    REQUIRE(view->walked());
    INFO(view->walked()->id.toStdString() << " is not " << spot.toStdString());
    REQUIRE(view->walked()->id == spot);
    for (QWidget* w = view->parentWidget(); w; w = w->parentWidget())
      if (auto* area = qobject_cast<QScrollArea*>(w)) {
        const QPoint at = view->mapTo(area->viewport(), view->walked()->area.center().toPoint());
        INFO(spot.toStdString() << " at " << at.y() << " of " << area->viewport()->height());
        CHECK(area->viewport()->rect().contains(at));
      }
    key(Qt::Key_Return);
  }
  /// By the arrows along the faces in the heading.
  void face(const QString& name) const {
    StagePage* page = b.window->page(b.window->stage());
    for (auto* button : page->findChildren<QPushButton*>(QStringLiteral("face")))
      if (button->isVisible() && button->isChecked()) tab_to(button->text());
    for (std::size_t i = 0; i < page->face_count(); ++i) {
      auto* now = qobject_cast<QPushButton*>(QApplication::focusWidget());
      REQUIRE(now);
      if (now->text() == name) return;
      key(Qt::Key_Right);
    }
    for (std::size_t i = 0; i < page->face_count(); ++i) {
      auto* now = qobject_cast<QPushButton*>(QApplication::focusWidget());
      REQUIRE(now);
      if (now->text() == name) return;
      key(Qt::Key_Left);
    }
    FAIL("no face " << name.toStdString());
  }
};

}  // namespace yoke::test
