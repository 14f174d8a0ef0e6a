// Prove at the instrument: what the line brings reaches figures, plot and job; what is spoiled does
// not. The line is a pseudo-terminal, the instrument our own stand-in.
#include <fcntl.h>
#include <pty.h>
#include <termios.h>
#include <unistd.h>

#include <QFile>

#include "files/recording.hpp"
#include "session/live_press.hpp"
#include "simulated/rig.hpp"
#include "ui/bench/bench_mode.hpp"
#include "ui/bench/instrument_matter.hpp"
#include "ui/bench/press_matter.hpp"
#include "ui/curve_view.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// A line with an instrument's end that the test holds.
struct Pty {
  int line = -1, reader = -1;
  QString name;
  Pty() {
    char path[256] = {};
    termios raw{};
    cfmakeraw(&raw);
    REQUIRE(openpty(&line, &reader, path, &raw, nullptr) == 0);
    name = QString::fromLocal8Bit(path);
  }
  ~Pty() { pull(); }
  /// All of it, as fast as it is taken.
  void say(const std::string& text) {
    std::size_t at = 0;
    while (at < text.size()) {
      const ssize_t n =
          ::write(line, text.data() + at, std::min<std::size_t>(2000, text.size() - at));
      if (n > 0) at += static_cast<std::size_t>(n);
      QTest::qWait(1);
    }
  }
  void pull() {
    if (line >= 0) ::close(line);
    if (reader >= 0) ::close(reader);
    line = reader = -1;
  }
};

LiveFace* live_of(Bench& b) {
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::prove);
  b.window->page(Stage::prove)->show_face("live");
  QApplication::processEvents();
  auto* live = b.page<ProvePage>(Stage::prove)->live();
  REQUIRE(live);
  return live;
}

Rig rig_of(const Bench& b, const char* fault) {
  RigSenses senses;
  senses.name = "Bench box";  // an instrument as any other
  auto rig = Rig::make(b.session.job(), *rig_fault(fault), senses, {}, 4);
  REQUIRE(rig);
  return *rig;
}

bool wait_for(LiveFace* live, InstrumentLink::State state) {
  return QTest::qWaitFor([&] { return live->link()->state() == state; }, 4000);
}

/// A sound pedal at the line, its first half second told.
Rig joined(const Bench& b, LiveFace* live, Pty& pty) {
  live->line()->setCurrentText(pty.name);
  live->join();
  Rig rig = rig_of(b, "none");
  rig.press({{420, 2, 4, 3, 1}});
  pty.say(rig.lines(0.5));
  REQUIRE(wait_for(live, InstrumentLink::State::good));
  return rig;
}

}  // namespace

TEST_CASE("at the instrument: a press is recorded, read and kept, in one step of undo") {
  Bench b;
  LiveFace* live = live_of(b);
  const std::size_t before = b.session.job().readings.size();
  QTest::mouseClick(live->recorder(), Qt::LeftButton);
  CHECK(live->says()->text().contains("open the line"));
  Pty pty;
  Rig rig = joined(b, live, pty);
  CHECK(live->state()->text().contains("Bench box"));
  QTest::mouseClick(live->recorder(), Qt::LeftButton);
  REQUIRE(live->link()->recording());
  pty.say(rig.lines(9.5));
  REQUIRE(QTest::qWaitFor([&] { return live->link()->reader().counts().good >= 1000; }, 5000));
  CHECK(QTest::qWaitFor([&] { return live->frames() > 0; }, 3000));
  // A cursor reads what is drawn, at the mouse.
  auto* curve = qobject_cast<CurveView*>(live->press());
  REQUIRE(curve);
  QTest::mouseMove(curve, curve->rect().center());
  CHECK(QTest::qWaitFor([&] { return curve->cursor().has_value(); }, 1000));
  CHECK_FALSE(curve->read_out_words().isEmpty());
  // Figures and stations show what came.
  CHECK(live->figures()->picture().said.join(' ').contains("Push on the pad"));
  CHECK(live->press()->picture().said.join(' ').contains("now ends at"));
  QTest::mouseClick(live->recorder(), Qt::LeftButton);
  CHECK_FALSE(live->link()->recording());
  const Job& job = b.session.job();
  REQUIRE(job.readings.size() == before + 5);
  CHECK(job.readings.back().force_n == Approx(400).margin(5));
  CHECK_FALSE(job.readings.back().assist_alive);
  REQUIRE(job.recordings.size() == 1);
  CHECK(job.recordings[0].samples == 950);
  const QString file =
      recording_path(b.session.path(), QString::fromStdString(job.recordings[0].file));
  const auto kept = load_trace(file.toStdString());
  REQUIRE(kept);
  CHECK(kept->samples.size() == 950);
  CHECK(live->says()->text().contains("5 readings"));
  // Saved elsewhere, the samples go along; as a table they come out in the unit they were told in.
  b.next_file = b.dir.filePath("elsewhere.yoke");
  b.window->action("save_as")->trigger();
  CHECK(QFile::exists(
      recording_path(b.session.path(), QString::fromStdString(job.recordings[0].file))));
  b.next_file = b.dir.filePath("press.csv");
  for (QPushButton* button : live->findChildren<QPushButton*>())
    if (button->text().startsWith("Samples")) QTest::mouseClick(button, Qt::LeftButton);
  QFile table(b.next_file);
  REQUIRE(table.open(QIODevice::ReadOnly));
  CHECK(table.readLine().startsWith("time_s,force_SI,force_N,travel_SI,travel_mm"));
  b.window->action("undo")->trigger();
  CHECK(b.session.job().readings.size() == before);
  CHECK(b.session.job().recordings.empty());
}

TEST_CASE("at the instrument: pulled and put back, again and again, the window goes on") {
  Bench b;
  LiveFace* live = live_of(b);
  const QString link = b.dir.filePath("line");
  Rig rig = rig_of(b, "none");
  std::size_t came = 0;
  for (int i = 0; i < 8; ++i) {
    Pty pty;
    QFile::remove(link);
    REQUIRE(QFile::link(pty.name, link));
    if (i == 0) {
      live->line()->setCurrentText(link);
      live->join();
    }
    REQUIRE(QTest::qWaitFor(
        [&] {
          const auto s = live->link()->state();
          return s != InstrumentLink::State::lost && s != InstrumentLink::State::off;
        },
        5000));
    pty.say("rubbish\n\x01\xff\n" + rig.lines(0.4));
    const bool good = wait_for(live, InstrumentLink::State::good);
    const LineCounts& c = live->link()->reader().counts();
    INFO("time " << i << ", state " << static_cast<int>(live->link()->state()) << ", good "
                 << c.good << ", spoiled " << c.spoiled << ", lost " << c.lost);
    REQUIRE(good);
    CHECK(live->link()->reader().counts().good > came);
    came = live->link()->reader().counts().good;
    pty.pull();
    REQUIRE(wait_for(live, InstrumentLink::State::lost));
    CHECK(live->state()->text().contains("went away"));
  }
  const auto& s = live->link()->lately();
  for (std::size_t i = 1; i < s.size(); ++i) REQUIRE(s[i].t_s > s[i - 1].t_s);
  live->link()->shut();
  CHECK(live->link()->state() == InstrumentLink::State::off);
}

TEST_CASE("at the instrument: another speed, silence and a line that is none are told") {
  Bench b;
  LiveFace* live = live_of(b);
  live->line()->setCurrentText(b.dir.filePath("nothing here"));
  live->join();
  CHECK(live->link()->state() == InstrumentLink::State::off);
  CHECK(live->says()->text().contains("cannot be opened"));
  Pty pty;
  live->line()->setCurrentText(pty.name);
  live->join();
  CHECK(live->link()->state() == InstrumentLink::State::silent);
  CHECK(live->state()->text().contains("silent"));
  pty.say(std::string(900, '\xaa'));
  REQUIRE(wait_for(live, InstrumentLink::State::wrong_speed));
  CHECK(live->state()->text().contains("speed"));
}

TEST_CASE("at the instrument: a channel in counts asks for two points, and is read by them") {
  Bench b;
  LiveFace* live = live_of(b);
  Pty pty;
  live->line()->setCurrentText(pty.name);
  live->join();
  const InstrumentHead head{
      "Raw box", 100, {{ChannelWhat::force, "raw", 0}, {ChannelWhat::travel, "mm", 1e-3}}};
  std::uint32_t n = 0;
  const auto tell = [&](double raw) {
    std::string text = head_lines(head);
    for (int i = 0; i < 20; ++i) {
      LineSample s;
      s.number = n;
      s.told[0] = raw;
      s.told[1] = 0;
      text += sample_line(head, s, 10 * n++);
    }
    const std::size_t good = live->link()->reader().counts().good;
    pty.say(text);
    REQUIRE(
        QTest::qWaitFor([&] { return live->link()->reader().counts().good >= good + 20; }, 3000));
    QTest::qWait(50);
  };
  tell(100);
  CHECK(live->figures()->picture().said.join(' ').contains("set points"));
  live->known()->setText("0 N");
  live->set_point(true);
  CHECK(live->says()->text().contains("lower point first"));
  live->set_point(false);
  live->known()->setText("200 N");
  live->set_point(true);  // told the same: the channel does not follow
  CHECK(live->says()->text().contains("alike"));
  tell(900);
  live->known()->setText("400 N");
  live->set_point(true);
  REQUIRE(b.session.job().calibrations.size() == 1);
  tell(500);
  b.session.set_style({UnitStyle::metric});
  CHECK(live->figures()->picture().said.join(' ').contains("200 N"));
  b.window->action("undo")->trigger();
  CHECK(b.session.job().calibrations.empty());
}

TEST_CASE("at the instrument with gloves on: one key records and reads, the page shows the same") {
  Bench b;
  LiveFace* live = live_of(b);
  const std::size_t before = b.session.job().readings.size();
  b.window->show_bench(true);
  BenchMode* bench = b.window->bench();
  const auto key = [&](Qt::Key k) {
    QTest::keyClick(QApplication::focusWidget(), k);
    QApplication::processEvents();
  };
  const auto shown = [&] {
    QStringList list;
    for (const QPushButton* p : bench->buttons()) list << p->accessibleName();
    return list.join(' ');
  };
  key(Qt::Key_F12);
  auto* matter = qobject_cast<InstrumentMatter*>(bench->matter());
  REQUIRE(matter);
  CHECK(matter->line()->text().contains("No line is open"));
  // As it is read without a line: figures stand there, none is made up.
  CHECK(matter->figures()->picture().said.join(' ').contains("–"));
  Pty pty;
  Rig rig = joined(b, live, pty);
  CHECK(QTest::qWaitFor([&] { return matter->line()->text().contains("Bench box"); }, 2000));
  CHECK(shown().contains("Record a press"));
  key(Qt::Key_F4);
  CHECK(matter->way()->text().contains("second press in a row"));
  CHECK(live->how()->currentIndex() == 1);  // the page presses the same way
  key(Qt::Key_Return);
  REQUIRE(live->link()->recording());
  CHECK(shown().contains("Stop and read it"));
  pty.say(rig.lines(9.5));
  REQUIRE(QTest::qWaitFor([&] { return live->link()->reader().counts().good >= 1000; }, 5000));
  CHECK(QTest::qWaitFor([&] { return matter->figures()->picture().said.join(' ').contains(" N"); },
                        2000));
  key(Qt::Key_Return);
  CHECK_FALSE(live->link()->recording());
  REQUIRE(b.session.job().readings.size() == before + 5);
  CHECK(b.session.job().readings.back().second_apply);
  CHECK(matter->says()->text().contains("5 readings"));
  CHECK(live->says()->text() == matter->says()->text());
  key(Qt::Key_F2);
  CHECK(live->link()->state() == InstrumentLink::State::off);
  CHECK(shown().contains("Open the line"));
  key(Qt::Key_F12);
  CHECK(qobject_cast<PressMatter*>(bench->matter()));
}

TEST_CASE("at the instrument: another job's press is neither drawn nor read into this one") {
  Bench b;
  LiveFace* live = live_of(b);
  Pty pty;
  Rig rig = joined(b, live, pty);
  LivePress& press = LivePress::of(b.session);
  press.record();
  pty.say(rig.lines(9.5));
  REQUIRE(QTest::qWaitFor([&] { return live->link()->reader().counts().good >= 1000; }, 5000));
  press.record();
  CHECK(press.ghosts().size() == 1);
  press.record();
  REQUIRE(live->link()->recording());
  b.keep = 1;
  REQUIRE(b.window->open_path(demo(b.dir, "fire-tender")));
  const std::size_t before = b.session.job().readings.size();
  CHECK_FALSE(live->link()->recording());
  CHECK(press.ghosts().empty());
  CHECK(press.says().contains("dropped"));
  CHECK(b.session.job().readings.size() == before);
  CHECK(live->link()->state() == InstrumentLink::State::good);  // the line stays open
}

TEST_CASE("at the instrument: the stand-in presses this job, and is gone with the window") {
  Bench b;
  LiveFace* live = live_of(b);
  LivePress::of(b.session).stand_in("air1");
  INFO(live->says()->text().toStdString());
  REQUIRE(wait_for(live, InstrumentLink::State::good));
  CHECK(QTest::qWaitFor([&] { return live->link()->reader().counts().good > 50; }, 3000));
  CHECK(live->link()->reader().counts().spoiled == 0);
  // A press on it is read and told, and nothing of it proves the job.
  const Job before = b.session.job();
  LivePress::of(b.session).record();
  REQUIRE(live->link()->recording());
  QTest::qWait(11000);
  LivePress::of(b.session).record();
  CHECK(live->says()->text().contains("Practice"));
  CHECK(live->says()->text().contains("readings on the way down"));
  CHECK(b.session.job() == before);
  live->known()->setText("0 N");
  live->set_point(false);
  CHECK(live->says()->text().contains("nothing to set"));
  const QString path = live->link()->path();
  live->link()->shut();
  CHECK(live->link()->state() == InstrumentLink::State::off);
  CHECK_FALSE(QFile::exists(path));
}
