// What is chosen for all jobs, and paper.
#include <QClipboard>
#include <QComboBox>
#include <QDialog>
#include <QPushButton>
#include <QTimer>

#include "ui/preferences.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// Answers the dialog that is about to open.
void in_dialog(const std::function<void(QDialog*)>& then) {
  QTimer::singleShot(0, qApp, [then] {
    auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
    REQUIRE(dialog);
    then(dialog);
  });
}

QComboBox* question(QDialog* dialog, const char* words) {
  for (auto* box : dialog->findChildren<QComboBox*>())
    if (box->accessibleName() == QString::fromUtf8(words)) return box;
  FAIL("no question " << words);
  return nullptr;
}

}  // namespace

TEST_CASE("preferences are asked, kept, and in force at once where they can be") {
  Bench b;
  b.session.take(known_job());
  in_dialog([](QDialog* d) {
    question(d, "Units")->setCurrentIndex(1);
    question(d, "Decimal sign")->setCurrentIndex(1);
    question(d, "Text and drawings")->setCurrentIndex(3);
    question(d, "Paper")->setCurrentIndex(1);
    question(d, "At the bench, each stroke")->setCurrentIndex(1);
    question(d, "Language")->setCurrentIndex(1);
    d->accept();
  });
  b.window->action("preferences")->trigger();
  CHECK(b.session.style().units == UnitStyle::imperial);
  CHECK(b.session.style().decimal_comma);
  CHECK(b.window->action("imperial")->isChecked());
  const Preferences p = preferences();
  CHECK(p.style.units == UnitStyle::imperial);
  CHECK(p.style.decimal_comma);
  CHECK(p.zoom == Approx(1.5));
  CHECK(p.paper == QPageSize::Letter);
  CHECK(p.sound == BenchSound::click);
  CHECK(p.language == "en-US");
  // Turned away, nothing changes.
  in_dialog([](QDialog* d) {
    question(d, "Units")->setCurrentIndex(0);
    d->reject();
  });
  b.window->action("preferences")->trigger();
  CHECK(b.session.style().units == UnitStyle::imperial);
  CHECK(preferences().paper == QPageSize::Letter);
}

TEST_CASE("settings that somebody else wrote are read with care") {
  QSettings().clear();
  QSettings().setValue("size_of_text", "nan");
  QSettings().setValue("units", 77);
  QSettings().setValue("bench_sound", -3);
  QSettings().setValue("paper", "parchment");
  const Preferences p = preferences();
  CHECK(p.zoom == 0);
  CHECK(p.style.units == UnitStyle::both);
  CHECK(p.sound == BenchSound::quiet);
  CHECK(p.paper == QPageSize::A4);
  QSettings().setValue("size_of_text", 40);
  CHECK(preferences().zoom == 0);
  QSettings().clear();
}

TEST_CASE("a large screen makes text and drawings larger, in quarters, never less than whole") {
  CHECK(zoom_for_screen({1024, 600}) == 1);
  CHECK(zoom_for_screen({1280, 800}) == 1);
  CHECK(zoom_for_screen({1600, 900}) == 1);
  CHECK(zoom_for_screen({1920, 1080}) == 1.25);
  CHECK(zoom_for_screen({2560, 1440}) == 1.75);
  CHECK(zoom_for_screen({3840, 2160}) == 2);
}

TEST_CASE("the sheet's pages are looked at from the menu") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  bool seen = false;
  in_dialog([&seen](QDialog* d) {
    seen = d->windowTitle() == "Estate car: drums to front discs";
    d->close();
  });
  b.window->action("preview")->trigger();
  CHECK(seen);
}

TEST_CASE("the drawing in view is copied and saved from the menu, with its numbers") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::rod);
  b.window->action("copy_numbers")->trigger();
  CHECK(QApplication::clipboard()->text().contains("seat"));
  b.window->action("copy_picture")->trigger();
  CHECK(QApplication::clipboard()->pixmap().width() > 300);
  b.next_file = b.dir.filePath("rod.svg");
  b.window->action("save_picture")->trigger();
  QFile svg(b.next_file);
  REQUIRE(svg.open(QIODevice::ReadOnly));
  CHECK(svg.readAll().contains("<svg"));
  // What cannot be written is told.
  b.next_file = b.dir.filePath("no/such/folder/rod.png");
  b.window->action("save_picture")->trigger();
  CHECK(b.told.size() == 1);
}
