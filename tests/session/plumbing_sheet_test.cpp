// What the sheet prints of the plumbing: every joint as it was judged, what feeds the assist unit.
#include <QTextDocumentFragment>
#include <catch2/catch.hpp>

#include "judge/findings.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/supply_lines.hpp"
#include "session/sheet.hpp"
#include "support/every_code.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

const Style kMetric{UnitStyle::metric, false};

QString q(const Message& m) {
  return QString::fromStdString(english(m, kMetric));
}

/// The appendix as it is read, its cells one after another.
QString appendix(const Job& job) {
  const auto strip = foot_strip(job, 16);
  const QString html = sheet_html(job, strip, find_all(job, strip), {}, kMetric, QDate(2026, 5, 31),
                                  SheetPart::appendix);
  return QTextDocumentFragment::fromHtml(html).toPlainText().simplified();
}

}  // namespace

TEST_CASE("the sheet prints every joint as it was judged, and what feeds the assist unit") {
  Job job = known_job();
  set(job,
      "assist.kind=electric; supply.wake=none; unit.port1_thread=3/8-24; "
      "unit.port1_seat=inverted");
  JointRecord& r = job.joints["outlet1"];
  r.line_thread = JointThread::m10x1;
  r.line_seat = JointSeat::bubble;
  r.torque_nm = 18;
  const QString text = appendix(job);
  for (const JudgedJoint& j : judged_joints(job, As::plan))
    CHECK(text.contains(QStringList{
        q(j.joint.name), QString::fromUtf8(verdict_words(j.verdict).data()) + ".", q(j.words)}
                            .join(' ')));
  CHECK(text.contains("Outlet 1 Starts, then strips."));
  CHECK(text.contains(QString::fromUtf8("18 N·m, its maker's figure –")));
  for (const FeedRow& f : feed_rows(job))
    CHECK(text.contains(QStringList{q(f.what), q(f.is), q(f.should), q(f.without)}.join(' ')));
  CHECK(text.contains("Wake-up wire Not connected"));
  // A new unit's joint has a box for the pencil until it is proved on it.
  set(job, "master.bore=25.4 mm");
  r.line_thread = JointThread::n3_8_24;
  r.line_seat = JointSeat::inverted;
  CHECK(appendix(job).contains(QString::fromUtf8("its maker's figure □")));
  prove_joint(job, "outlet1", true);
  CHECK(appendix(job).contains("its maker's figure proved"));
  set(job, "master.bore=23.8 mm");
  CHECK(appendix(job).contains(QString::fromUtf8("its maker's figure □")));
}
