// The window keeps what was done: replaced files are asked about, unsaved work is offered, typed
// values count, and text of others is only ever text.
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>
#include <QComboBox>
#include <QListWidget>
#include <QMenuBar>

#include <csignal>

#include "document/param/bores.hpp"
#include "session/sheet.hpp"
#include "ui/dialogs.hpp"
#include "ui/plain.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void crash(const QString& path, const QString& state, const std::string& title) {
  const pid_t child = fork();
  if (child == 0) {
    Session s;
    s.set_state_folder(state);
    if (!path.isEmpty() && !s.open(path)) _exit(3);
    s.edit("title", [&](Job& j) { j.title = title; });
    s.write_journal_now();
    kill(getpid(), SIGKILL);
  }
  waitpid(child, nullptr, 0);
}

}  // namespace

TEST_CASE("the ending is added before the question, and a file that is replaced is asked about") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.next_file = b.dir.filePath("copy");
  b.window->action("save_as")->trigger();
  CHECK(b.session.path().endsWith("copy.yoke"));
  CHECK(b.asked.isEmpty());
  QFile precious(b.dir.filePath("precious.yoke"));
  REQUIRE(precious.open(QIODevice::WriteOnly));
  precious.write("precious");
  precious.close();
  b.next_file = b.dir.filePath("precious");
  b.answer = -1;
  b.window->action("save_as")->trigger();
  REQUIRE(b.asked.size() == 1);
  CHECK(b.asked[0].contains("precious.yoke"));
  CHECK(b.session.path().endsWith("copy.yoke"));
  REQUIRE(precious.open(QIODevice::ReadOnly));
  CHECK(precious.readAll() == "precious");
  precious.close();
  // Sheets and templates ask as well, an empty file is nothing to lose.
  for (const char* name : {"sheet.pdf", "empty.pdf"}) {
    QFile f(b.dir.filePath(name));
    REQUIRE(f.open(QIODevice::WriteOnly));
    if (QString(name) == "sheet.pdf") f.write("something");
  }
  b.asked.clear();
  b.next_file = b.dir.filePath("sheet");
  b.window->action("sheet")->trigger();
  CHECK(b.asked.size() == 1);
  CHECK(QFileInfo(b.dir.filePath("sheet.pdf")).size() == 9);
  b.next_file = b.dir.filePath("empty");
  b.window->action("sheet")->trigger();
  CHECK(b.asked.size() == 1);
  CHECK(QFileInfo(b.dir.filePath("empty.pdf")).size() > 1000);
  b.next_file = b.dir.filePath("sheet.pdf");
  b.page<FitPage>(Stage::fit)->pattern()->save_template(TemplateKind::drilling);
  CHECK(b.asked.size() == 2);
  CHECK(QFileInfo(b.dir.filePath("sheet.pdf")).size() == 9);
}

TEST_CASE("a read-only file is asked about, and a full disk says so for a sheet") {
  Bench b;
  const QString path = demo(b.dir);
  REQUIRE(b.window->open_path(path));
  REQUIRE(::chmod(path.toUtf8().constData(), 0444) == 0);
  b.session.edit("note", [](Job& j) { j.notes = "changed"; });
  b.answer = -1;
  b.window->action("save")->trigger();
  REQUIRE(b.asked.size() == 1);
  CHECK(b.asked[0].contains("read-only"));
  CHECK(b.session.dirty());
  b.answer = 0;
  b.window->action("save")->trigger();
  CHECK_FALSE(b.session.dirty());
  b.told.clear();
  b.next_file = b.dir.filePath("no-folder/sheet.pdf");
  b.window->action("sheet")->trigger();
  REQUIRE(b.told.size() == 1);
  CHECK(b.told[0].contains("No such file or directory"));
  b.told.clear();
  if (::access("/dev/full", W_OK) == 0) {
    b.next_file = "/dev/full.pdf";  // not there: a plain failure with a reason of the system
    b.window->action("sheet")->trigger();
    for (const QString& t : b.told) CHECK_FALSE(t.contains("Unknown error"));
    QFile::remove("/dev/full.pdf");
  }
}

TEST_CASE("the folder list shows a file as soon as it is saved") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::record);
  b.window->page(Stage::record)->show_face("folder");
  auto* folder = b.page<RecordPage>(Stage::record)->folder();
  auto* jobs = folder->jobs();
  CHECK(QTest::qWaitFor([&] { return jobs->rowCount() == 1; }, 5000));
  b.next_file = b.dir.filePath("second");
  b.window->action("save_as")->trigger();
  CHECK(QTest::qWaitFor([&] { return jobs->rowCount() == 2; }, 5000));
  // One that something else puts there, and takes away again.
  REQUIRE(QFile::copy(b.dir.filePath("second.yoke"), b.dir.filePath("third.yoke")));
  CHECK(QTest::qWaitFor([&] { return jobs->rowCount() == 3; }, 5000));
  REQUIRE(QFile::remove(b.dir.filePath("third.yoke")));
  CHECK(QTest::qWaitFor([&] { return jobs->rowCount() == 2; }, 5000));
}

TEST_CASE("unsaved work of a crash is offered in words: brought back, kept apart, or left") {
  Bench b;
  const QString path = demo(b.dir);
  crash(path, {}, "Changed before the crash");
  b.answer = -1;
  REQUIRE(b.window->open_path(path));
  REQUIRE(b.asked.size() == 1);
  INFO(b.asked[0].toStdString());
  CHECK(b.asked[0].contains("estate-discs.yoke"));
  CHECK(b.asked[0].contains(QDate::currentDate().toString(Qt::ISODate)));
  CHECK(b.asked[0].contains("Changed before the crash"));
  CHECK_FALSE(b.session.dirty());
  b.answer = 0;
  b.window->action("unsaved")->trigger();
  CHECK(b.session.job().title == "Changed before the crash");
  CHECK(b.session.recovered());
  b.session.discard_journal();
  crash(path, {}, "Second crash");
  b.answer = 1;
  REQUIRE(b.window->open_path(path));
  CHECK(b.session.job().title != "Second crash");
  CHECK_FALSE(QDir(b.dir.path()).entryList({"* unsaved *.yoke"}).isEmpty());
  b.told.clear();
  b.window->action("unsaved")->trigger();
  CHECK(b.told.size() == 1);
}

TEST_CASE("a journal that cannot be written stands in the title at once") {
  Bench b;
  const QString folder = b.dir.filePath("jobs");
  REQUIRE(QDir().mkpath(folder));
  REQUIRE(QFile::copy(demo(b.dir), folder + "/job.yoke"));
  b.session.set_state_folder(demo(b.dir) + "/below-a-file");
  REQUIRE(b.window->open_path(folder + "/job.yoke"));
  REQUIRE(QDir().rename(folder, b.dir.filePath("unplugged")));
  b.session.edit("note", [](Job& j) { j.notes = "not on any disk"; });
  CHECK(QTest::qWaitFor([&] { return b.window->windowTitle().contains("not protected"); }, 5000));
  CHECK(b.window->menuBar()->cornerWidget()->property("text").toString().contains("SAVE NOW"));
  REQUIRE(QDir().rename(b.dir.filePath("unplugged"), folder));
  b.session.edit("note", [](Job& j) { j.notes = "again"; });
  CHECK(QTest::qWaitFor([&] { return !b.window->windowTitle().contains("not protected"); }, 5000));
}

TEST_CASE("unnamed work is offered beside whatever the start opens") {
  Bench b;
  QTemporaryDir state;
  crash({}, state.path(), "Never named");
  b.session.set_state_folder(state.path());
  REQUIRE(b.window->open_path(demo(b.dir)));
  CHECK(b.asked.isEmpty());
  b.answer = -1;
  b.window->offer_unnamed();
  REQUIRE(b.asked.size() == 1);
  CHECK(b.asked[0].contains("Never named"));
  b.answer = 0;
  b.window->offer_unnamed();
  CHECK(b.session.job().title == "Never named");
  CHECK_FALSE(b.session.has_path());
}

TEST_CASE("a value typed but not entered counts as unsaved work") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  survey->show_group(Group::master);
  QApplication::processEvents();
  QLineEdit* bore = b.entry(survey->panel(), As::found, param::master_bore);
  bore->setFocus();
  bore->selectAll();
  QTest::keyClicks(bore, "24 mm");
  QApplication::processEvents();
  CHECK(b.window->menuBar()->cornerWidget()->property("text").toString().contains("not saved"));
  // Leaving enters it first, so that it is asked about as any other change.
  b.keep = -1;
  CHECK_FALSE(b.window->close());
  CHECK(value_of(b.session.job(), As::found, param::master_bore).si == Approx(0.024));
  CHECK(b.session.dirty());
  REQUIRE(b.window->action("save"));
  b.window->action("save")->trigger();
  // What cannot be entered is shown and asked about.
  b.type(bore, "not a bore");
  b.asked.clear();
  b.answer = -1;
  CHECK_FALSE(b.window->close());
  REQUIRE(b.asked.size() == 1);
  CHECK(b.asked[0].contains("not a bore"));
  b.answer = 0;
  CHECK(b.window->close());
  // A reading typed into its boxes is work too; a search is not.
  b.window->show();
  b.prove_all();
  auto* prove = b.page<ProvePage>(Stage::prove);
  prove->force()->setFocus();
  QTest::keyClicks(prove->force(), "20 kg");
  b.asked.clear();
  b.answer = -1;
  CHECK_FALSE(b.window->close());
  REQUIRE(b.asked.size() == 1);
  CHECK(b.asked[0].contains("Pedal force"));
}

TEST_CASE("a refused edit is said in the window and goes away with the next one") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  QLabel* notice = nullptr;
  for (QLabel* l : b.window->findChildren<QLabel*>(QStringLiteral("notice"))) notice = l;
  REQUIRE(notice);
  CHECK_FALSE(notice->isVisible());
  b.session.edit("note", [](Job& j) { j.notes = std::string(30000, 'x'); });
  CHECK(notice->isVisible());
  CHECK(notice->text().contains("too long"));
  b.session.edit("note", [](Job& j) { j.notes = "short"; });
  CHECK_FALSE(notice->isVisible());
}

namespace {

constexpr const char* kMarkup =
    "<h1 style='color:green'>PROVED – drive</h1><img src='/nowhere/x.png'>&amp; tail";

void spoil(std::string& text) {
  text = kMarkup;
}

/// Every text of a job that comes from outside.
Job marked_up(Job job) {
  spoil(job.title);
  spoil(job.vehicle);
  spoil(job.notes);
  for (auto& [id, s] : job.steps) {
    spoil(s.note);
    spoil(s.date);
  }
  job.steps["<b>x</b>"].note = kMarkup;
  for (auto& [id, g] : job.gates) spoil(g.note);
  job.candidates.resize(2);
  for (auto& c : job.candidates) {
    spoil(c.name);
    spoil(c.maker);
    c.sheet.set(param::master_bore, {0.02, How::stated, 0, kMarkup});
  }
  job.parts.resize(1);
  spoil(job.parts[0].name);
  spoil(job.parts[0].note);
  job.boxes.resize(1);
  spoil(job.boxes[0].name);
  job.boxes[0].dx_m = job.boxes[0].dy_m = job.boxes[0].dz_m = 0.1;
  for (MeasuredSet* sheet : {&job.found, &job.plan})
    for (const ParamInfo& p : all_params())
      if (auto m = sheet->at(p.param)) {
        spoil(m->note);
        sheet->set(p.param, *m);
      }
  return job;
}

/// A widget that would read the text as markup.
QStringList reads_markup(QWidget* root) {
  QStringList bad;
  const auto raw = [](const QString& t) { return t.contains(QStringLiteral("<h1 style")); };
  for (QLabel* l : root->findChildren<QLabel*>()) {
    if (!raw(l->text())) continue;
    if (l->textFormat() != Qt::PlainText && Qt::mightBeRichText(l->text()))
      bad << QStringLiteral("label ") + l->objectName();
  }
  for (QWidget* w : root->findChildren<QWidget*>())
    if (raw(w->toolTip())) bad << QStringLiteral("tip of ") + w->metaObject()->className();
  for (QAction* a : root->findChildren<QAction*>())
    if (raw(a->toolTip()) && Qt::mightBeRichText(a->toolTip()) && a->menu())
      bad << QStringLiteral("tip of action");
  for (QTableWidget* t : root->findChildren<QTableWidget*>())
    for (int r = 0; r < t->rowCount(); ++r)
      for (int c = 0; c < t->columnCount(); ++c)
        if (t->item(r, c) && raw(t->item(r, c)->toolTip())) bad << QStringLiteral("tip of a cell");
  for (QListWidget* t : root->findChildren<QListWidget*>())
    for (int r = 0; r < t->count(); ++r)
      if (raw(t->item(r)->toolTip())) bad << QStringLiteral("tip of a list entry");
  return bad;
}

}  // namespace

TEST_CASE("markup in any text of a job or a catalogue is shown as text, everywhere") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  REQUIRE(b.session.edit("markup", [](Job& j) { j = marked_up(j); }));
  QFile own(b.dir.filePath("own.csv"));
  REQUIRE(own.open(QIODevice::WriteOnly));
  own.write(QByteArray("kind,id,maker,name,master.bore [mm],note\nmaster,\"") + kMarkup + "\",\"" +
            kMarkup + "\",\"" + kMarkup + "\",22,\"" + kMarkup + "\"\nmaster,x,y,z,\"" + kMarkup +
            "\",q\n");
  own.close();
  b.next_file = own.fileName();
  b.page<SizePage>(Stage::size)->units()->open_catalogue();
  QTest::qWait(300);
  for (const Stage s : kStages) {
    b.stage(s);
    auto* page = b.window->page(s);
    for (std::size_t f = 0; f < page->face_count(); ++f) {
      page->show_face(f);
      QApplication::processEvents();
      INFO(static_cast<int>(s) << " face " << f);
      CHECK(reads_markup(b.window.get()).join("; ").toStdString().empty());
    }
    if (page->figures_button()) {
      page->show_figures(true);
      QApplication::processEvents();
      CHECK(reads_markup(b.window.get()).join("; ").toStdString().empty());
      page->show_figures(false);
    }
  }
  const QString html = sheet_html(b.session.job(), b.session.strip(), b.session.findings(), {},
                                  b.session.style(), QDate(2026, 1, 2));
  CHECK_FALSE(html.contains("<h1 style='color:green'>PROVED"));
  CHECK(html.count("<img") == 2);  // its own two drawings
  CHECK(html.count("<img src='sheet:") == 2);
  CHECK(html.contains("&lt;h1 style"));
  if (const auto t = make_template(b.session.job(), TemplateKind::drilling)) {
    const std::string svg = template_svg(*t);
    CHECK(svg.find("<h1") == std::string::npos);
    CHECK(svg.find("&lt;h1") != std::string::npos);
  }
  CHECK(plain_tip("plain & simple") == "plain & simple");
  CHECK(plain_tip("<b>x</b>") == "<qt>&lt;b&gt;x&lt;/b&gt;</qt>");
}

TEST_CASE("a remembered catalogue that has become a pipe or a device does not hang the start") {
  Bench b;
  const QString pipe = b.dir.filePath("pipe.csv");
  REQUIRE(::mkfifo(pipe.toUtf8().constData(), 0600) == 0);
  auto* units = b.page<SizePage>(Stage::size)->units();
  for (const QString& path : {pipe, QStringLiteral("/dev/zero"), b.dir.path()}) {
    b.next_file = path;
    units->open_catalogue();
    QTest::qWait(200);
    b.stage(Stage::size);
    bool told = false;
    for (QLabel* l : units->findChildren<QLabel*>())
      told = told || l->text().contains("is not a file");
    INFO(path.toStdString());
    CHECK(told);
  }
}
