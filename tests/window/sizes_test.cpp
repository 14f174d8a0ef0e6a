// Every face of the four demo jobs at five sizes of the window: no painted text crosses another or
// leaves its picture, nothing is shortened without a word for it, no widget stands outside its
// parent. YOKE_SIZES_REPORT names a file for what was found.
#include <QAbstractButton>
#include <QAbstractScrollArea>
#include <QLabel>
#include <QScrollArea>
#include <cstdlib>
#include <fstream>
#include <set>

#include "support/painted_texts.hpp"
#include "ui/picture_view.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Found {
  std::set<std::string> faults;
  std::string where;
  void add(const QString& fault) { faults.insert(where + ": " + fault.toStdString()); }
};

void look_at_picture(Found& found, PictureView& view) {
  const Picture& picture = view.picture();
  const auto texts = painted_texts(picture);
  const QString name = view.accessibleName();
  const QRectF all = QRectF(QPointF(0, 0), picture.size).adjusted(-1, -1, 1, 1);
  for (std::size_t i = 0; i < texts.size(); ++i) {
    const PaintedText& t = texts[i];
    if (!all.contains(t.area)) found.add(name + ": outside: " + t.text);
    if (t.text.contains(QChar(0x2026)) && !t.text.endsWith(QStringLiteral("……"))) {
      const bool told = std::any_of(picture.spots.begin(), picture.spots.end(), [&](const Spot& s) {
        return (s.later || !s.tip.isEmpty()) && s.area.intersects(t.area);
      });
      if (!told) found.add(name + ": shortened without a tip: " + t.text);
    }
    for (std::size_t j = i + 1; j < texts.size(); ++j)
      if (crosses(t, texts[j])) found.add(name + ": " + t.text + " crosses " + texts[j].text);
  }
}

QString name_of(const QWidget* w) {
  const auto* l = qobject_cast<const QLabel*>(w);
  return QStringLiteral("%1 “%2”").arg(QString::fromLatin1(w->metaObject()->className()),
                                       l ? l->text() : w->accessibleName());
}

/// What a scroll area moves may stand outside what is seen of it.
bool scrolled(const QWidget* w) {
  const auto* parent = w->parentWidget();
  return parent && qobject_cast<const QAbstractScrollArea*>(parent->parentWidget());
}

void look_at_widget(Found& found, QWidget* w) {
  const QWidget* parent = w->parentWidget();
  if (!parent || w->isWindow() || scrolled(w)) return;
  if (!parent->rect().adjusted(-1, -1, 1, 1).contains(w->geometry()) && !w->geometry().isEmpty())
    found.add(QStringLiteral("outside its parent: ") + name_of(w));
  if (auto* l = qobject_cast<QLabel*>(w); l && !l->wordWrap() && !l->text().isEmpty() &&
                                          l->width() + 1 < l->sizeHint().width() &&
                                          l->toolTip().isEmpty())
    found.add("cut off: " + l->text());
  if (auto* l = qobject_cast<QLabel*>(w);
      l && l->wordWrap() && !l->text().isEmpty() && l->height() + 1 < l->heightForWidth(l->width()))
    found.add("cut off below: " + l->text());
  if (auto* b = qobject_cast<QAbstractButton*>(w);
      b && !b->text().isEmpty() && b->width() + 1 < b->minimumSizeHint().width())
    found.add("button cut off: " + b->text());
}

void look_at(Found& found, QWidget* root) {
  for (auto* w : root->findChildren<QWidget*>()) {
    if (!w->isVisibleTo(root)) continue;
    if (auto* p = qobject_cast<PictureView*>(w))
      look_at_picture(found, *p);
    else
      look_at_widget(found, w);
  }
}

void walk(Found& found, MainWindow& window, const std::string& name) {
  for (const Stage s : kStages) {
    window.show_stage(s);
    StagePage* page = window.page(s);
    for (std::size_t face = 0; face < page->face_count(); ++face) {
      page->show_face(face);
      for (int i = 0; i < 3; ++i) QApplication::processEvents();
      found.where = name + ", " + std::string(stage_words(s)) + " " + std::to_string(face + 1);
      // What comes from a worker may be laid out a moment later: a fault stays when it is one.
      Found now;
      look_at(now, &window);
      if (!now.faults.empty()) QTest::qWait(120);
      look_at(found, &window);
    }
    page->show_face(std::size_t{0});
  }
}

void check_size(QSize size) {
  Found found;
  for (const char* name : {"fire-tender", "airfield-tug", "sidecar-outfit", "trials-special"}) {
    Bench b;
    const QString path = b.dir.filePath(QStringLiteral("%1.yoke").arg(QString::fromLatin1(name)));
    REQUIRE(QFile::copy(
        QStringLiteral(YOKE_SOURCE_DIR "/data/demo/%1.yoke").arg(QString::fromLatin1(name)), path));
    REQUIRE(b.window->open_path(path));
    b.window->resize(size);
    QApplication::processEvents();
    if (b.window->size() != size) {
      found.where = name;
      found.add(QStringLiteral("window is %1x%2").arg(b.window->width()).arg(b.window->height()));
    }
    walk(found, *b.window, name);
  }
  if (const char* file = std::getenv("YOKE_SIZES_REPORT")) {
    std::ofstream out(file, std::ios::app);
    for (const std::string& f : found.faults)
      out << size.width() << "x" << size.height() << " " << f << "\n";
  }
  for (const std::string& f : found.faults) UNSCOPED_INFO(f);
  CHECK(found.faults.empty());
}

}  // namespace

TEST_CASE("every face of the four demo jobs at 1024x600") {
  check_size({1024, 600});
}

TEST_CASE("every face of the four demo jobs at 1280x800") {
  check_size({1280, 800});
}

TEST_CASE("every face of the four demo jobs at 1600x900") {
  check_size({1600, 900});
}

TEST_CASE("every face of the four demo jobs at 1920x1080") {
  check_size({1920, 1080});
}

TEST_CASE("every face of the four demo jobs at 2560x1440") {
  check_size({2560, 1440});
}
