// Prove, press by press, with the keys and the mouse: what is entered arrives, and what is computed
// is what every place shows.
#include <QLabel>

#include "document/param/rod_ends.hpp"
#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

PressFace* presses(Bench& b, const Job& job) {
  b.session.take(job);
  b.stage(Stage::prove);
  auto* face = b.page<ProvePage>(Stage::prove)->presses();
  QApplication::processEvents();
  return face;
}

QString words_on(const QWidget* of) {
  QStringList words;
  for (const auto* l : of->findChildren<QLabel*>())
    if (l->isVisible()) words << l->text();
  return words.join(QLatin1Char('\n'));
}

bool stands(const Session& s, FindingCode code) {
  for (const Finding& f : s.findings())
    if (f.code == code) return true;
  return false;
}

void key_in(QLineEdit* field, const QString& text) {
  field->setFocus();
  QTest::keyClicks(field, text);
  QTest::keyClick(field, Qt::Key_Return);
  QApplication::processEvents();
}

}  // namespace

TEST_CASE("press by press: what the foot did is typed, and shown beside what was expected") {
  Bench b;
  PressFace* face = presses(b, known_job());
  face->go_to(ProofId::press_100);
  REQUIRE(face->presses()[face->at()].expect);
  const double expect = *face->presses()[face->at()].expect;
  key_in(face->got(), QString::number(expect * 1e3, 'f', 1) + " mm");
  REQUIRE(b.session.job().readings.size() == 1);
  CHECK(b.session.job().readings[0].force_n == Approx(100));
  CHECK_FALSE(b.session.job().readings[0].second_apply);
  // It stays at this press: the two numbers stand beside each other.
  CHECK(face->presses()[face->at()].id == ProofId::press_100);
  CHECK(face->presses()[face->at()].state == ProofState::good);
  CHECK(face->picture()->picture().said.join(' ').contains("as it should be"));
  CHECK(face->path()->picture().said.join('\n').contains("Press with"));
  CHECK(words_on(face).contains("as expected"));
  // A scale that read otherwise is judged by what it read; far from what was asked it is refused.
  face->go_to(ProofId::press_150);
  face->force()->setText("400 N");
  key_in(face->got(), "50 mm");
  CHECK(b.session.job().readings.size() == 1);
  CHECK(words_on(face).contains("another press"));
  face->force()->setText("160 N");
  key_in(face->got(), "190 mm");
  REQUIRE(b.session.job().readings.size() == 2);
  CHECK(face->presses()[face->at()].state != ProofState::good);
  CHECK(stands(b.session, FindingCode::prove_press));
  // It does not count: it stays in the job with the reason, and in no figure.
  QTest::mouseClick(face->reject(), Qt::LeftButton);
  CHECK(b.session.job().readings.size() == 2);
  CHECK(b.session.job().readings[1].rejected);
  CHECK(face->presses()[face->at()].state == ProofState::open);
  CHECK_FALSE(stands(b.session, FindingCode::prove_press));
  b.session.undo();
  CHECK(stands(b.session, FindingCode::prove_press));
}

TEST_CASE("press by press: a gate takes number, name and instrument, a look takes one touch") {
  Bench b;
  PressFace* face = presses(b, known_job());
  face->go_to(ProofId::sink);
  key_in(face->got(), "0 mm");
  CHECK_FALSE(record_of(b.session.job(), GateId::sink));  // by whom is not said
  CHECK(words_on(face).contains("who proved it"));
  face->who()->setText("A. Builder");
  key_in(face->got(), "0 mm");
  const GateRecord* r = record_of(b.session.job(), GateId::sink);
  REQUIRE(r);
  CHECK(r->state == GateState::passed);
  CHECK(r->who == "A. Builder");
  CHECK_FALSE(r->instrument.empty());
  CHECK(face->presses()[face->at()].state == ProofState::good);
  face->go_to(ProofId::returns);
  CHECK_FALSE(face->got()->isVisible());
  REQUIRE(face->option(1)->isVisible());
  QTest::mouseClick(face->option(1), Qt::LeftButton);  // nothing stirs
  CHECK(is(b.session.job(), As::plan, choice::RodReturns::no));
  CHECK(face->presses()[face->at()].state == ProofState::stop);
  CHECK(words_on(face).contains("Do not drive"));
  QTest::mouseClick(face->option(0), Qt::LeftButton);
  CHECK(face->presses()[face->at()].state == ProofState::good);
  // By touch along the path.
  click_spot(face->path(), "press:light_sink");
  CHECK(face->presses()[face->at()].id == ProofId::light_sink);
  key_in(face->got(), "6 mm");
  CHECK(b.session.job().pump.light_sink_m == Approx(0.006));
  CHECK(stands(b.session, FindingCode::prove_press));
}
