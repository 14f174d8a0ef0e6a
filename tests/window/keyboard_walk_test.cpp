// Every face of every stage by the keyboard alone: what can be worked is reached by Tab, is in view
// when it is, and nothing holds the focus for good.
#include <QAbstractButton>
#include <QAbstractItemView>
#include <QButtonGroup>
#include <QComboBox>
#include <QScrollArea>
#include <QTabBar>
#include <QTextEdit>
#include <set>

#include "ui/picture_view.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

bool is_worked(const QWidget* w) {
  return qobject_cast<const QAbstractButton*>(w) || qobject_cast<const QLineEdit*>(w) ||
         qobject_cast<const QComboBox*>(w) || qobject_cast<const QAbstractItemView*>(w) ||
         qobject_cast<const QTextEdit*>(w) ||
         (qobject_cast<const PictureView*>(w) && w->focusPolicy() != Qt::NoFocus);
}

QString name_of(const QWidget* w) {
  QString text = w->accessibleName();
  if (const auto* b = qobject_cast<const QAbstractButton*>(w); b && text.isEmpty())
    text = b->text();
  return QStringLiteral("%1 \"%2\" %3").arg(w->metaObject()->className(), text, w->objectName());
}

/// What stands there to be worked, its own parts (a box's field, a table's cells) left out.
std::vector<QWidget*> worked_in(QWidget* page) {
  std::vector<QWidget*> list;
  for (QWidget* w : page->findChildren<QWidget*>()) {
    if (!w->isVisible() || !w->isEnabled() || !is_worked(w)) continue;
    if (w->parentWidget() && is_worked(w->parentWidget())) continue;
    if (w->parentWidget() && qobject_cast<QAbstractItemView*>(w->parentWidget()->parentWidget()))
      continue;
    if (w->width() < 2 || w->height() < 2) continue;
    list.push_back(w);
  }
  return list;
}

/// Of a label with links and of a table each Tab goes one on; more than these hold the focus.
constexpr int kMostWithin = 120;

/// All that gets the focus while Tab is pressed, until it comes round; `held`: by what it was kept.
std::set<const QWidget*> reached_by_tab(MainWindow* window, QString& held) {
  std::set<const QWidget*> seen;
  const QWidget* first = nullptr;
  int within = 0;
  for (int i = 0; i < 900; ++i) {
    QWidget* now = QApplication::focusWidget();
    QTest::keyClick(now ? now : window, Qt::Key_Tab);
    QApplication::processEvents();
    const QWidget* next = QApplication::focusWidget();
    within = next == now ? within + 1 : 0;
    if (!next || within > kMostWithin) {
      held = now ? name_of(now) : QString();
      break;
    }
    if (next != now && next == first) break;
    if (!first) first = next;
    if (!in_sight(next)) {
      held = QStringLiteral("what is out of sight: ") + name_of(next);
      break;
    }
    for (const QWidget* w = next; w; w = w->parentWidget()) seen.insert(w);
  }
  return seen;
}

/// Reached itself, or one of those it excludes: from there the arrows lead on.
bool is_reached(const QWidget* w, const std::set<const QWidget*>& reached) {
  if (reached.count(w) == 1) return true;
  const auto* b = qobject_cast<const QAbstractButton*>(w);
  if (!b || !b->group() || !b->group()->exclusive()) return false;
  const auto all = b->group()->buttons();
  return std::any_of(all.begin(), all.end(),
                     [&](const QAbstractButton* other) { return reached.count(other) == 1; });
}

}  // namespace

TEST_CASE("keys alone: every face of every stage is reached by Tab") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  const auto walk = [&b](Stage stage) {
    b.stage(stage);
    StagePage* page = b.window->page(stage);
    for (std::size_t face = 0; face < page->face_count(); ++face) {
      page->show_face(face);
      QTest::qWait(20);
      page->setFocus(Qt::OtherFocusReason);
      const auto wanted = worked_in(page);
      QString held;
      const auto reached = reached_by_tab(b.window.get(), held);
      for (const QWidget* w : wanted) {
        INFO("stage " << static_cast<int>(stage) + 1 << ", face " << face + 1 << ": "
                      << name_of(w).toStdString()
                      << (held.isEmpty() ? "" : "; held by " + held.toStdString()));
        CHECK(is_reached(w, reached));
      }
    }
  };
  b.window->resize(1280, 800);
  for (int s = 0; s < 9; ++s) walk(static_cast<Stage>(s));
  // In a larger window more stands there to be worked.
  b.window->resize(1920, 1080);
  walk(Stage::prove);
  walk(Stage::record);
}

TEST_CASE("keys alone: the arrows lead from face to face, and what is shown follows") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  for (const Stage stage : {Stage::prove, Stage::record}) {
    b.stage(stage);
    StagePage* page = b.window->page(stage);
    page->show_face(0);
    QAbstractButton* first = nullptr;
    for (auto* button : page->findChildren<QPushButton*>(QStringLiteral("face")))
      if (button->isVisible() && !first) first = button;
    REQUIRE(first);
    first->setFocus(Qt::TabFocusReason);
    for (std::size_t face = 1; face < page->face_count(); ++face) {
      QTest::keyClick(QApplication::focusWidget(), Qt::Key_Right);
      QApplication::processEvents();
      CHECK(page->face() == face);
    }
  }
}
