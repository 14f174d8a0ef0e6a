// The language of the window: American words everywhere, and a catalogue that lies beside.
#include "ui/language.hpp"

#include <QFile>
#include <QLabel>
#include <QProcess>

#include "paint/words.hpp"
#include "session/sheet.hpp"
#include "ui/help_window.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QString all_labels(const QWidget& of) {
  QStringList words;
  for (const auto* l : of.findChildren<QLabel*>()) words << l->text();
  return words.join(QLatin1Char(' '));
}

}  // namespace

TEST_CASE("in American words labels, findings, sheet and help say tire, and none says tyre") {
  AmericanSpeech speech;
  QCoreApplication::installTranslator(&speech);
  {
    Bench b;
    b.session.take(known_job());
    b.window->show_stage(Stage::survey);
    b.window->show_stage(Stage::plumb);
    QApplication::processEvents();
    const QString labels = all_labels(*b.window);
    CHECK_FALSE(labels.contains(QStringLiteral("tyre"), Qt::CaseInsensitive));
    CHECK_FALSE(labels.contains(QStringLiteral("spanner"), Qt::CaseInsensitive));
    const QString sheet = sheet_html(b.session.job(), b.session.strip(), b.session.findings(), {},
                                     b.session.style(), QDate(2026, 5, 31));
    CHECK(sheet.contains(QStringLiteral("ire radius"), Qt::CaseInsensitive));
    CHECK_FALSE(sheet.contains(QStringLiteral("tyre"), Qt::CaseInsensitive));
    CHECK(help_text(QStringLiteral("words")).contains(QStringLiteral("center")));
    CHECK_FALSE(help_text(QStringLiteral("words")).contains(QStringLiteral("centre")));
  }
  QCoreApplication::removeTranslator(&speech);
  CHECK(words_of("Tyre radius") == "Tyre radius");
}

TEST_CASE("a catalogue beside the program is offered in its own name and is spoken") {
  QTemporaryDir dir;
  QFile ts(dir.filePath("words.ts"));
  REQUIRE(ts.open(QIODevice::WriteOnly));
  ts.write(R"(<?xml version="1.0"?><!DOCTYPE TS><TS version="2.1" language="nl"><context>
<name>core</name><message><source>Bore</source><translation>Boring</translation></message>
</context></TS>)");
  ts.close();
  const QString qm = dir.filePath("yokestep_nl.qm");
  REQUIRE(QProcess::execute("/usr/lib/qt6/bin/lrelease", {"-silent", ts.fileName(), "-qm", qm}) ==
          0);
  const auto list = languages(dir.path());
  REQUIRE(list.size() == 3);
  CHECK(list[0].key == "en");
  CHECK(list[1].key == "en-US");
  CHECK(list[2].name == "Nederlands");
  CHECK(list[2].key == qm);
  const auto before = qApp->findChildren<QTranslator*>(QString(), Qt::FindDirectChildrenOnly);
  speak_language(list[2].key);
  CHECK(words_of("Bore") == "Boring");
  for (auto* t : qApp->findChildren<QTranslator*>(QString(), Qt::FindDirectChildrenOnly))
    if (!before.contains(t)) delete t;
  CHECK(words_of("Bore") == "Bore");
  // What cannot be read leaves English.
  speak_language(dir.filePath("none.qm"));
  CHECK(words_of("Bore") == "Bore");
}
