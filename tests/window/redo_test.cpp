// What to do again leads to where it is done; a nipple that is opened for a proof is named; the
// road takes a phone's table, the linings' series and the heat of the wheels; photos go along.
#include <fstream>

#include "document/param/bedding.hpp"
#include "document/param/limits.hpp"
#include "protocol/redo.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"
#include "work/bleeding.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

template <class FaceKind>
FaceKind* face_of(Bench& b, const char* id) {
  if (!b.session.has_path()) REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::prove);
  auto* prove = b.page<ProvePage>(Stage::prove);
  prove->show_face(id);
  QApplication::processEvents();
  auto* face = prove->findChild<FaceKind*>();
  REQUIRE(face);
  return face;
}

/// Presses of a pedal with so much air in its second circuit.
void read_air(Job& job) {
  job.readings.clear();
  job.pump = {};
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  for (const bool clamped : {false, true})
    for (const double push_n : {40.0, 70.0, 110.0, 200.0, 320.0}) {
      Condition c;
      c.assist_alive = false;
      c.air_secondary_m3 = 5e-6;
      if (clamped) c.clamped[0] = true;
      const auto m = FeelModel::make(*a.system, c);
      REQUIRE(m);
      const auto t = predicted_travel_m(*m, push_n);
      if (!t) continue;
      Reading r;
      r.force_n = push_n;
      r.travel_m = *t;
      r.force_uncertainty_n = 1;
      r.travel_uncertainty_m = 2e-4;
      r.hoses_clamped = clamped;
      r.clamped = ClampedHoses::first;
      job.readings.push_back(r);
    }
}

}  // namespace

TEST_CASE("what to do again: the likeliest cause leads to the nipple it is bled at") {
  Bench b;
  auto* redo = face_of<RedoFace>(b, "redo");
  b.session.edit("air", read_air);
  QApplication::processEvents();
  redo->refresh();
  REQUIRE_FALSE(redo->list().empty());
  CHECK(redo->list()[0].cause == Cause::air_secondary);
  const QString said = redo->cards()->picture().said.join(' ');
  CHECK(said.contains("Bleed outlet 2's nipples again"));
  CHECK(said.contains("It opens again"));
  click_spot(redo->cards(), "redo:0");
  CHECK(b.window->page(Stage::bleed)->isVisible());
  auto* coach = b.page<BleedPage>(Stage::bleed)->coach();
  CHECK(coach->isVisible());
  CHECK(coach->at() == redo->list()[0].nipple);
}

TEST_CASE("the proof of one circuit asks which nipple was opened, and opens it again") {
  Bench b;
  auto* face = face_of<PressFace>(b, "press");
  b.session.edit("bled", [](Job& j) {
    ask_little_of_one_circuit(j);
    do_all_work(j);
    j.readings.clear();
  });
  REQUIRE(all_bled(b.session.job()));
  QApplication::processEvents();
  face->go_to(ProofId::circuit);
  QApplication::processEvents();
  REQUIRE(face->opened()->isVisible());
  const auto ask = gate_ask(b.session.job(), b.session.strip(), GateId::failed_circuit);
  REQUIRE(ask.predicted);
  face->got()->setText(QString::number(std::max(*ask.predicted, ask.least.value_or(0)) * 1e3) +
                       " mm");
  face->who()->setText("A. Builder");
  QTest::mouseClick(face->take(), Qt::LeftButton);
  CHECK(record_of(b.session.job(), GateId::failed_circuit) == nullptr);  // which one is not said
  REQUIRE_FALSE(face->opened()->buttons().empty());
  QTest::mouseClick(face->opened()->buttons()[0], Qt::LeftButton);
  face->got()->setText(QString::number(std::max(*ask.predicted, ask.least.value_or(0)) * 1e3) +
                       " mm");
  QTest::mouseClick(face->take(), Qt::LeftButton);
  REQUIRE(record_of(b.session.job(), GateId::failed_circuit));
  CHECK_FALSE(record_of(b.session.job(), GateId::failed_circuit)->opened.empty());
  CHECK_FALSE(all_bled(b.session.job()));
}

TEST_CASE("on the road: a phone's table is read once all of it is said, series and heat arrive") {
  Bench b;
  auto* road = face_of<RoadFace>(b, "road");
  const QString table = b.dir.filePath("phone.csv");
  {
    std::ofstream out(table.toStdString());
    out << "t,forward,sideways\n";
    // 14 m/s to nothing at 0.5 g, then three seconds of standing.
    for (int i = 0; i < 800; ++i) {
      const double t = 0.01 * i;
      out << t << ',' << (t > 1 && t < 1 + 14 / (0.5 * 9.80665) ? -0.5 * 9.80665 : 0.0) << ",0\n";
    }
  }
  b.next_file = table;
  road->phone()->choose();
  road->go_to(RoadStage::fast);
  QApplication::processEvents();
  road->phone()->time()->setCurrentIndex(1);
  road->phone()->time_unit()->setCurrentIndex(1);
  road->phone()->along()->setCurrentIndex(2);
  CHECK(road->speed()->text().isEmpty());  // the way of braking is not said yet
  road->phone()->unit()->setCurrentIndex(3);
  CHECK(road->phone()->says()->text().contains("0.50 g"));
  CHECK(road->speed()->text().startsWith("50."));
  CHECK_FALSE(road->distance()->text().isEmpty());
  road->go_to(RoadStage::bedding);
  QApplication::processEvents();
  REQUIRE(road->series_stops()->isVisible());
  b.type(road->series_stops(), "30");
  b.type(road->series_speed(), "60 km/h");
  CHECK(value_of(b.session.job(), As::plan, param::bed_stops).si == 30);
  CHECK(value_of(b.session.job(), As::plan, param::bed_speed).how == How::maker);
  QApplication::processEvents();
  CHECK(road->steps()[static_cast<std::size_t>(RoadStage::bedding)].wanted == 30);
  road->go_after();
  QApplication::processEvents();
  REQUIRE(road->heat()->isVisible());
  QLineEdit* front = road->heat()->entries()[0];
  front->setFocus();
  front->setText(QString::fromUtf8("120 °C ± 5"));
  front->setModified(true);
  QTest::keyClick(front, Qt::Key_Return);
  b.type(road->heat()->entries()[1], "60");
  INFO(road->refusal()->text().toStdString());
  CHECK(b.session.job().heat.at("fl").plus_minus == 5);
  CHECK(road->heat()->picture()->picture().said.join(' ').contains("120"));
  bool told = false;
  for (const Finding& f : b.session.findings())
    told = told || f.code == FindingCode::prove_road_heat;
  CHECK(told);
}

TEST_CASE("a photo goes beside the job with a step and with a gate's evidence") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  const QString picture = b.dir.filePath("shot.png");
  QImage image(60, 40, QImage::Format_RGB32);
  image.fill(Qt::darkGreen);
  REQUIRE(image.save(picture));
  b.next_file = picture;
  b.stage(Stage::install);
  auto* card = b.window->page(Stage::install)->findChild<StepCard*>();
  REQUIRE(card);
  QTest::mouseClick(card->photo(), Qt::LeftButton);
  CHECK(b.session.job().steps.at(card->key()).photo == "shot.png");
  CHECK(QFile::exists(b.dir.filePath("estate-discs.pictures/shot.png")));
  b.prove_all();
  auto* gates = b.window->page(Stage::prove)->findChild<GatesBox*>();
  gates->work_on(GateId::fluid);
  QApplication::processEvents();
  REQUIRE(gates->photo());
  QTest::mouseClick(gates->photo(), Qt::LeftButton);
  gates->seen()->setCurrentIndex(1);
  gates->who()->setText("A. Builder");
  for (auto* p : gates->findChildren<QPushButton*>())
    if (p->text() == "It passes") {
      QTest::mouseClick(p, Qt::LeftButton);
      break;
    }
  QApplication::processEvents();
  REQUIRE(record_of(b.session.job(), GateId::fluid));
  CHECK(record_of(b.session.job(), GateId::fluid)->photo == "shot-2.png");
}
