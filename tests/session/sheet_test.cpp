// What the sheet prints, compared cell by cell with the reports it prints.
#include <QFile>
#include <QRegularExpression>
#include <QTextDocument>
#include <QTextDocumentFragment>
#include <catch2/catch.hpp>

#include "document/param/arms.hpp"
#include "figures/figures.hpp"
#include "files/store.hpp"
#include "parts/part.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "session/sheet.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Printed {
  QString html;
  std::vector<QStringList> rows;  ///< the cells of all tables, in order
  std::vector<ConditionReport> strip;
  std::vector<Finding> findings;
  [[nodiscard]] bool has(const QStringList& wanted) const {
    return std::find(rows.begin(), rows.end(), wanted) != rows.end();
  }
  /// The rows whose first cell says this.
  [[nodiscard]] std::vector<QStringList> of(const QString& first) const {
    std::vector<QStringList> list;
    for (const auto& r : rows)
      if (!r.isEmpty() && r.front() == first) list.push_back(r);
    return list;
  }
  [[nodiscard]] QString plain() const {
    return QTextDocumentFragment::fromHtml(html).toPlainText();
  }
};

QString plain(QString cell) {
  return cell.replace("&lt;", "<")
      .replace("&gt;", ">")
      .replace("&quot;", "\"")
      .replace("&amp;", "&");
}

Printed print(const Job& job, const std::vector<JudgedRule>& rules = {}) {
  Printed p;
  p.strip = foot_strip(job, 12);
  p.findings = find_all(job, p.strip);
  Style style;
  style.units = UnitStyle::metric;
  p.html = sheet_html(job, p.strip, p.findings, rules, style, QDate(2026, 5, 31));
  static const QRegularExpression row_re(QStringLiteral("<tr>(.*?)</tr>"));
  static const QRegularExpression cell_re(QStringLiteral("<t[dh]>(.*?)</t[dh]>"));
  for (auto r = row_re.globalMatch(p.html); r.hasNext();) {
    QStringList cells;
    for (auto c = cell_re.globalMatch(r.next().captured(1)); c.hasNext();)
      cells << plain(c.next().captured(1));
    p.rows.push_back(cells);
  }
  return p;
}

QString q(const Message& m) {
  return QString::fromStdString(english(m, Style{UnitStyle::metric, false}));
}
QString q(const std::string& s) {
  return QString::fromStdString(s);
}
[[maybe_unused]] QString q(std::string_view s) {
  return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}

}  // namespace

TEST_CASE("the sheet prints every finding there can be, as it was found") {
  for (const CodeRow& row : code_rows()) {
    INFO(key(row.code));
    const Printed p = print(job_with(row));
    for (const Finding& f : p.findings) {
      const char* severity = f.severity == Severity::hard      ? "do not drive"
                             : f.severity == Severity::warning ? "warning"
                                                               : "note";
      INFO(f.message);
      CHECK(p.has({severity, q(f.message), q(f.limit), q(f.remedy)}));
    }
    CHECK(p.plain().contains("Open findings") == !p.findings.empty());
  }
}

TEST_CASE("the sheet prints a gate as it stands: open, passed with its day, failed, held shut") {
  Job job = known_job();
  const auto state_of = [&job](GateId id) {
    const Printed p = print(job);
    for (const Gate& g : gates_of(job, p.strip, p.findings))
      if (g.id == id) {
        const auto rows = p.of(q(g.words));
        REQUIRE(rows.size() == 1);
        return rows.front();
      }
    FAIL("no such gate");
    return QStringList();
  };
  CHECK(state_of(GateId::weep)[1] == "open");
  CHECK(state_of(GateId::weep)[2].startsWith("Wipe, press hard"));
  record_for(job, GateId::weep) = claimed(GateState::passed, "2026-05-30", "dry all over");
  CHECK(state_of(GateId::weep)[1] == "open");  // a bare word is a claim
  CHECK(state_of(GateId::weep)[2].startsWith("Claimed on 2026-05-30, no evidence"));
  GateEvidence seen;
  seen.seen = "dry all over";
  seen.who = "A. Builder";
  seen.when = "2026-05-30T14:05:09";
  answer_gate(job, GateId::weep, GateState::passed, seen);
  CHECK(state_of(GateId::weep)[1] == "open");  // no joint was wiped
  CHECK(state_of(GateId::weep)[2].contains("not seen dry"));
  for (const WipedJoint& w : wipe_map(job))
    for (const WipeRound r : kWipeRounds) wipe(job, w.joint.key, r, Wiped::dry);
  CHECK(state_of(GateId::weep)[1] == "passed 2026-05-30");
  CHECK(state_of(GateId::weep)[2] == "dry all over; A. Builder; 2026-05-30 14:05:09");
  record_for(job, GateId::weep) = claimed(GateState::failed, "2026-05-30", "weeps at the tee");
  CHECK(state_of(GateId::weep)[1] == "FAILED 2026-05-30");
  CHECK(state_of(GateId::weep)[2] == "weeps at the tee");
  // The numbers hold it shut: the builder's own tick is not printed.
  pass_gate(job, GateId::circuits);
  CHECK(state_of(GateId::circuits)[1] == "passed 2026-05-30");
  set(job, "circuit.fr=2");
  CHECK(state_of(GateId::circuits)[1] == "FAILED");
  CHECK(state_of(GateId::circuits)[2].contains("front right"));
}

TEST_CASE("the sheet's head never says proved when it is not") {
  Job job = known_job();
  const auto says = [&job](const char* words) { return print(job).plain().contains(words); };
  CHECK(says("In work: not proved. Do not drive on it."));
  CHECK_FALSE(says("Proved: every gate passed."));
  job.state = JobState::left_unsafe;
  CHECK(says("LEFT UNSAFE – DO NOT DRIVE"));
  CHECK_FALSE(says("Proved: every gate passed."));
  job.state = JobState::proved;
  CHECK(says("PROVED NO LONGER – DO NOT DRIVE"));
  CHECK_FALSE(says("Proved: every gate passed."));
  set(job, "found:limit.effort_failed=1500 N; found:limit.z_failed=0.05; found:limit.reserve=0");
  pass_all_gates(job);
  CHECK_FALSE(says("Proved: every gate passed."));  // nothing is bled
  do_all_work(job);
  CHECK_FALSE(says("Proved: every gate passed."));  // bled since they were passed
  pass_all_gates(job);
  CHECK(says("Proved: every gate passed."));
  CHECK_FALSE(says("PROVED NO LONGER"));
  CHECK_FALSE(says("not proved"));
}

TEST_CASE("the sheet's conditions are the strip's: figures, and passes, fails or cannot say") {
  Job job = known_job();
  for (const char* change : {"control.rest_height=200 mm", "vehicle.mass=?", "front.radius=?",
                             "master.bore=?", "master.cutoff1=19 mm"}) {
    set(job, change);
    INFO(change);
    const Printed p = print(job);
    for (const ConditionReport& c : p.strip) {
      INFO(c.title);
      const auto rows = p.of(q(c.title));
      REQUIRE_FALSE(rows.empty());
      const QStringList& r = rows.front();
      REQUIRE(r.size() == 8);
      if (c.target) {
        CHECK(r[1].startsWith(QString::number(c.target->at.pad_force_n, 'f', 0)));
        CHECK(r[2].startsWith(QString::number(c.target->at.pad_travel_m * 1e3, 'f', 0)));
        CHECK(r[3] == QString::number(c.target->reserve_share * 100, 'f', 0) + " %");
        CHECK(r[4].contains(c.by_pressure ? "MPa" : " g"));
        CHECK(r[5] == q(c.at));
        CHECK(r[6] == q(c.within));
      } else {
        CHECK(r[2] == "–");
        CHECK(r[3] == "–");
        CHECK(r[4] == "–");
        CHECK((r[1] == "–") == !c.effort_only_n);
      }
      const QString verdict = QString::fromUtf8(words_of_value(c.verdict).data());
      const QString why = q(c.reason);
      // A reason that begins with the verdict stands alone.
      CHECK(r[7] == (why.isEmpty()                                  ? verdict
                     : why.startsWith(verdict, Qt::CaseInsensitive) ? why
                                                                    : verdict + ": " + why));
      if (c.verdict == Verdict::cannot_say)
        CHECK(r[7].startsWith("cannot say", Qt::CaseInsensitive));
    }
  }
}

TEST_CASE("the sheet prints steps with their day, readings, values with source and doubt") {
  Job job = known_job();
  job.plan.set(param::control_pin_arm, {0.052, How::calliper, 0.0002, ""});
  const auto steps = install_steps(job);
  REQUIRE(steps.size() > 3);
  record_for(job, steps[1].id) = {true, "2026-05-29", "photographs in the folder", {}};
  record_for(job, steps[2].id) = {false, "2026-05-29", "waits", {}};
  Reading reading;
  reading.force_n = 210;
  reading.travel_m = 0.061;
  reading.assist_alive = false;
  job.readings = {reading};
  const Printed p = print(job);
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const auto rows = p.of(q(steps[i].text));
    // What is still to do stands on the sheet with a box for the pencil, all of it in the appendix.
    const bool ahead = i != 1 && i <= 12;
    INFO(english(steps[i].text));
    REQUIRE(rows.size() == (ahead ? 2 : 1));
    if (ahead) CHECK(rows.front()[1] == "□");
    CHECK(rows.back()[1] == (i == 1 ? "2026-05-29" : "–"));
    CHECK(rows.back()[2] == (i == 1 ? "photographs in the folder" : i == 2 ? "waits" : ""));
  }
  CHECK(p.has({"210 N", "61 mm", "off"}));
  const auto pin = p.of("Pivot to rod pin");
  REQUIRE(pin.size() == 1);
  CHECK(pin[0][1] == "50.00 mm");
  CHECK(pin[0][2].toStdString() == "known fact");
  CHECK(pin[0][3].startsWith("52.00 mm ±0.20 mm"));
  CHECK(pin[0][4].contains("caliper"));
  // What nobody measured says so.
  const auto clearance = p.of("Rod clearance");
  REQUIRE(clearance.size() == 1);
  CHECK(clearance[0][2].contains("typical"));
  CHECK(p.plain().contains(q(english(rod_words(rod_report(job))))));
}

TEST_CASE(
    "parts and later conversions stand on the sheet with what they lack and what they upset") {
  Job job = known_job();
  PartInHand hose;
  hose.name = "front hose";
  hose.promised = "2026-06-15";
  hose.before_apart = true;
  PartInHand tube = hose;
  tube.name = "tube";
  tube.here = tube.thread = tube.seat = tube.place = true;
  job.parts = {tube, hose};
  wants(job, LaterKind::bigger_tyres);
  job.later[0].date = "2027-01-01";
  const Printed p = print(job);
  REQUIRE(p.of("front hose").size() == 1);
  CHECK(p.of("front hose")[0][1] == "2026-06-15");
  CHECK(p.of("front hose")[0][2].startsWith("not here"));
  CHECK(p.of("tube")[0][2] == "ready");
  REQUIRE(p.of("Bigger tyres").size() == 1);
  CHECK(p.of("Bigger tyres")[0][1] == "2027-01-01");
  CHECK(p.of("Bigger tyres")[0][2].startsWith("A larger radius"));
}

TEST_CASE("the sheet prints what holds for want of a measurement, with what would settle it") {
  const Job job = known_job();
  const auto book = rule_book(job);
  const Printed p = print(job, book);
  std::size_t printed = 0;
  for (const JudgedRule& r : book) {
    if (r.verdict != Verdict::if_typical) continue;
    ++printed;
    const QString words = r.condition.empty() ? q(r.words) : q(r.condition) + ": " + q(r.words);
    INFO(words.toStdString());
    CHECK(p.has({words, q(r.limit), q(param_list(r.decided_by))}));
  }
  CHECK(printed > 3);
  CHECK(p.plain().contains("What nobody measured decides"));
  Job stated = known_job();
  state_everything(stated);
  CHECK_FALSE(print(stated, rule_book(stated)).plain().contains("What nobody measured decides"));
}

TEST_CASE("the sheets of the demo jobs are those that were stored", "[golden]") {
  // YOKE_STORE=1 stores them anew; tools/golden.sh does so.
  const bool store = qEnvironmentVariableIsSet("YOKE_STORE");
  const QString root = QStringLiteral(YOKE_SOURCE_DIR);
  int compared = 0;
  for (const char* name :
       {"data/demo/fire-tender", "data/demo/sidecar-outfit", "data/demo/airfield-tug",
        "data/demo/trials-special", "tests/fixtures/estate-discs"}) {
    INFO(name);
    const auto opened = open_job((root + "/" + name + ".yoke").toStdString());
    REQUIRE(opened);
    QString text;
    for (const QStringList& row : print(opened->job, rule_book(opened->job)).rows)
      text += row.join(" | ") + "\n";
    QFile file(root + "/tests/golden/" + QString(name).section('/', -1) + ".sheet.txt");
    if (store) {
      REQUIRE(file.open(QIODevice::WriteOnly));
      file.write(text.toUtf8());
      file.close();
    }
    REQUIRE(file.open(QIODevice::ReadOnly));
    const QStringList stored = QString::fromUtf8(file.readAll()).split('\n');
    const QStringList now = text.split('\n');
    CHECK(now.size() == stored.size());
    for (qsizetype i = 0; i < qMin(now.size(), stored.size()); ++i) {
      if (now[i] != stored[i]) {
        INFO(stored[i].toStdString() << "\n→ " << now[i].toStdString());
        CHECK(now[i] == stored[i]);
        break;
      }
    }
    ++compared;
  }
  CHECK(compared == 5);
}

TEST_CASE("what was decided stands first: bore, ratio, rod, bleeding order, the pedal to expect") {
  Job job = known_job();
  set(job, "master.bore=25.4 mm; control.pin_arm=60 mm");
  const Printed p = print(job);
  CHECK(p.of("Master bore").front() ==
        QStringList({"Master bore", "7/8 in (22.23 mm)", "1 in (25.40 mm)"}));
  CHECK(p.of("Pedal ratio").front() == QStringList({"Pedal ratio", "6.00", "5.00"}));
  CHECK(p.of("Push rod").front()[2] == q(english(rod_words(rod_report(job)))));
  const QString order = p.of("Bleeding and fluid").front()[2];
  const BleedPlan plan = bleed_plan(job);
  REQUIRE(plan.wheels.size() == 4);
  qsizetype at = 0;
  for (const BleedWheel& w : plan.wheels) {
    const qsizetype next = order.indexOf(q(wheel_words(w.wheel)));
    CHECK(next >= at);
    at = next;
  }
  for (const ConditionReport& c : p.strip)
    if (c.target && (c.id == ConditionId::plan || c.id == ConditionId::found))
      CHECK(
          p.of("Pedal to expect")
              .front()[c.id == ConditionId::plan ? 2 : 1]
              .startsWith(QString::number(c.target->at.pad_force_n, 'f', 0) + " N at " + q(c.at)));
  // A bore of no usual size is told in full.
  set(job, "master.bore=22.5 mm");
  CHECK(print(job).of("Master bore").front()[2] == "22.50 mm");
  set(job, "master.bore=?; control.pin_arm=?; circuit.fl=?");
  const Printed bare = print(job);
  CHECK(bare.of("Master bore").front()[2] == "unknown");
  CHECK(bare.of("Pedal ratio").front()[2] == "unknown");
}

TEST_CASE("the sheet takes four pages at most, whatever its job, and the appendix takes the rest") {
  Job large = known_job();
  for (int i = 0; i < 200; ++i) {
    PartInHand part;
    part.name = "part " + std::to_string(i);
    part.promised = "2026-06-15";
    large.parts.push_back(part);
    large.readings.push_back({100.0 + i, 0.05, 10, 0.001, false});
    large.later.push_back({LaterKind::bigger_tyres, "2027-01-01", {}});
  }
  std::vector<Job> jobs{large, job_with(code_rows()[0])};
  for (const char* name : {"fire-tender", "airfield-tug", "sidecar-outfit", "trials-special"}) {
    const auto opened =
        open_job(QStringLiteral(YOKE_SOURCE_DIR "/data/demo/%1.yoke").arg(name).toStdString());
    REQUIRE(opened);
    jobs.push_back(opened->job);
  }
  SheetPictures pictures{QImage(2040, 750, QImage::Format_RGB32),
                         QImage(2040, 900, QImage::Format_RGB32)};
  for (const Job& job : jobs) {
    INFO(job.title);
    const auto strip = foot_strip(job, 12);
    const auto findings = find_all(job, strip);
    for (const UnitStyle units : {UnitStyle::metric, UnitStyle::both}) {
      const QString html = sheet_html(job, strip, findings, rule_book(job), Style{units, false},
                                      QDate(2026, 5, 31), SheetPart::sheet);
      const auto document = sheet_document(html, pictures);
      CHECK(sheet_pages(*document, QPageSize::A4) <= 4);
      CHECK(sheet_pages(*document, QPageSize::Letter) <= 4);
      CHECK(sheet_pages(*document, QPageSize::A4) >= 1);
    }
  }
  // What was left out of a list stands in the appendix, each row once.
  const auto strip = foot_strip(large, 12);
  const auto part = [&](SheetPart which) {
    return sheet_html(large, strip, find_all(large, strip), {}, Style{UnitStyle::metric, false},
                      QDate(2026, 5, 31), which);
  };
  const QString sheet = part(SheetPart::sheet);
  const QString appendix = part(SheetPart::appendix);
  CHECK(sheet.contains("190 more in the appendix"));
  for (int i = 0; i < 200; ++i) {
    const QString cell = QStringLiteral("<td>part %1</td>").arg(i);
    CHECK(sheet.count(cell) == (i < 10 ? 1 : 0));
    CHECK(appendix.count(cell) == (i < 10 ? 0 : 1));
  }
  CHECK(appendix.count("<td>298 N</td>") == 1);
  CHECK_FALSE(sheet.contains("Every number and its source"));
  CHECK(appendix.contains("Every number and its source"));
  // What this job has: a brake without a clutch tells nothing of one.
  CHECK(appendix.contains("Front pad friction"));
  CHECK_FALSE(appendix.contains("Clutch tube length"));
}

TEST_CASE("a plan that keeps one size and changes another is compared on the sheet") {
  Job job = known_job();
  set(job, "master.bore=25.4 mm; master.stroke1=18 mm");
  const Matrix m = compare(job, part_kind_of(job), job.plan);
  CHECK(m.equal == m.differ);  // one of each
  CHECK(m.differ == 1);
  CHECK(print(job).plain().contains("Units compared"));
  CHECK_FALSE(print(known_job()).plain().contains("Units compared"));
}
