// The certifier's pack: every chapter holds what the job holds, the PDF has outline and page
// numbers and calls itself PDF/A; the folder holds the same, open. pdftotext and pdfinfo of Poppler
// read it.
#include "session/certify.hpp"
#include "document/param/circuits.hpp"

#include <QDir>
#include <QFile>
#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTextDocumentFragment>
#include <catch2/catch.hpp>

#include "files/json_job.hpp"
#include "files/pdf_outline.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QString read_by(const QString& program, const QStringList& words) {
  QProcess p;
  p.start(program, words);
  REQUIRE(p.waitForFinished(20000));
  return QString::fromUtf8(p.readAllStandardOutput());
}

Job proved_job() {
  Job job = known_job();
  job.title = "Made-up trailer";
  do_all_work(job);
  pass_all_gates(job);
  Reading r;
  r.force_n = 150;
  r.travel_m = 0.0512;
  job.readings.push_back(r);
  job.points.push_back(
      {"a borrowed clip", Stage::plumb, "2026-05-01", "", "A. Builder", "a strap holds it", {}});
  Event e;
  e.kind = EventKind::worked;
  e.seconds = 7200;
  e.when = "2026-05-02T10:00:00";
  job.events.push_back(e);
  RoadStop stop;  // its ± is nobody's
  stop.stage = RoadStage::walking;
  stop.speed_m_s = 1.7;
  stop.distance_m = 1;
  stop.when = "2026-05-30T12:00:00";
  job.stops.push_back(stop);
  return job;
}

}  // namespace

TEST_CASE("certifier's pack: every chapter says what the job holds") {
  Session s;
  s.take(proved_job());
  const auto chapters = pack_chapters(s, rule_book(s.job()), QDate(2026, 5, 31));
  REQUIRE(chapters.size() == 9);
  QStringList all;
  for (const Chapter& c : chapters) {
    all << QTextDocumentFragment::fromHtml(c.html).toPlainText();
    CHECK_FALSE(all.back().trimmed().isEmpty());
  }
  CHECK(all[3].contains("Bore"));
  CHECK(all[4].contains("51.2"));
  CHECK(all[5].contains("With one circuit open the other still stops the car"));
  CHECK(all[5].contains("A. Builder"));
  CHECK(all[5].contains("the ± taken, not told"));
  CHECK(all[5].contains("2026-05-30 12:00"));
  CHECK(all[6].contains("a strap holds it"));
  // What an inspector asks of every brake is said, told or not.
  CHECK(all[6].contains("Anti-lock unit: nobody told"));
  for (const How how : {How::estimate, How::stated}) {
    s.set_value(As::plan, param::circuit_antilock, measured(param::circuit_antilock, 0, how));
    const QString said = pack_chapters(s, rule_book(s.job()), QDate(2026, 5, 31))[6].html;
    CHECK(said.contains("Anti-lock unit: none.") == (how == How::stated));
  }
  CHECK(all[6].contains("Circuits: two."));
  s.set_value(As::plan, param::circuit_antilock, measured(param::circuit_antilock, 1, How::stated));
  CHECK(pack_chapters(s, rule_book(s.job()), QDate(2026, 5, 31))[6].html.contains("his word"));
  CHECK(all[8].contains("2 h"));
}

TEST_CASE("certifier's pack: one PDF with outline, contents and page numbers, read from outside",
          "[outside]") {
  Session s;
  s.take(proved_job());
  QTemporaryDir dir;
  const QString path = dir.filePath("pack.pdf");
  const auto chapters = pack_chapters(s, rule_book(s.job()), QDate(2026, 5, 31));
  const auto begins = write_certifier_pack(path, chapters, "Made-up trailer", QPageSize::A4,
                                           pack_cover(s, QDate(2026, 5, 31)));
  REQUIRE(begins);
  REQUIRE(begins->size() == chapters.size());
  CHECK((*begins)[0] == 1);
  QFile f(path);
  REQUIRE(f.open(QIODevice::ReadOnly));
  const QByteArray bytes = f.readAll();
  CHECK(bytes.contains("/Outlines"));
  CHECK(bytes.contains("pdfaid:part"));
  const QString text = read_by("pdftotext", {"-layout", path, "-"});
  CHECK(text.contains("Contents"));
  const int pages = static_cast<int>(text.count(QChar(0x0C)));
  CHECK(text.contains(QStringLiteral("page %1 of %1").arg(pages)));
  // Each chapter begins on the page that the contents tell.
  const QStringList by_page = text.split(QChar(0x0C));
  for (std::size_t i = 0; i < chapters.size(); ++i) {
    INFO(chapters[i].title.toStdString());
    CHECK(by_page[(*begins)[i]].simplified().contains(chapters[i].title.left(20)));
  }
  // The first page says how it stands and what it does not replace.
  CHECK(by_page[0].contains("local rules and licensed"));
  CHECK(by_page[0].contains("2026-05-31"));
  // Short chapters share a page; a long table says its heads again on each of its pages.
  CHECK((*begins)[7] == (*begins)[6]);
  const int first = (*begins)[3], last = (*begins)[4];
  int heads = 0;
  for (int i = first; i < last; ++i)
    heads += by_page[i].contains(QRegularExpression("Value +As found +Source")) ? 1 : 0;
  CHECK(heads >= 3);
  // No heading stands alone at a page's foot.
  const QStringList headings{
      "What the foot meets", "Open findings", "Gates",       "Work",     "Readings",
      "Lines and joints",    "Joints",        "On the road", "Templates"};
  for (const QString& page : by_page) {
    QStringList lines = page.split('\n', Qt::SkipEmptyParts);
    if (lines.size() < 2) continue;
    lines.removeLast();  // the page's number
    INFO(lines.back().toStdString());
    CHECK_FALSE(headings.contains(lines.back().trimmed()));
  }
  CHECK_FALSE(text.contains("Touch a joint"));
  CHECK(read_by("pdfinfo", {path}).contains("Made-up trailer"));
  CHECK_FALSE(with_outline("no PDF at all", {{"a", 0}}));
}

TEST_CASE("certifier's pack: the same as an open folder, and nothing is written over") {
  Session s;
  s.take(proved_job());
  QTemporaryDir dir;
  const QString to = dir.filePath("job-pack");
  const auto chapters = pack_chapters(s, rule_book(s.job()), QDate(2026, 5, 31));
  const auto names = write_open_pack(to, s, chapters, QPageSize::A4);
  REQUIRE(names);
  for (const char* name : {"pack.pdf", "job.yoke", "readings.csv", "gates.csv", "events.csv",
                           "points.csv", "curve.svg", "lines.svg"}) {
    INFO(name);
    CHECK(QFile::exists(to + "/" + name));
    CHECK(names->contains(QString::fromLatin1(name)));
  }
  QFile f(to + "/job.yoke");
  REQUIRE(f.open(QIODevice::ReadOnly));
  CHECK(*read_job(f.readAll().toStdString()) == s.job());
  CHECK_FALSE(write_open_pack(to, s, chapters, QPageSize::A4));
}
