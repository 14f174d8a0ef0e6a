// A stranger with a calliper and a scale: from the first page to the whole answer by what stands on
// the screen alone. He reads the question, types what he measured, and presses the key that the
// screen names. Every press of a key that does something and every value typed counts as an action.
#include <QPushButton>
#include <map>

#include "session/texts.hpp"
#include "ui/bench/walk_matter.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// What he measured, by the words under which it is asked; of a choice the words of its answer.
using Knows = std::map<QString, QString>;

class Stranger {
 public:
  Stranger(Bench& b, Knows knows) : b_(b), knows_(std::move(knows)) {}

  /// Presses the tile of the first page that says this.
  void begin(const QString& words) {
    b_.window->show_begin();
    PictureView* kinds = b_.window->begin()->kinds();
    for (const Spot& s : kinds->picture().spots)
      if (s.words().contains(words)) {
        QTest::mouseClick(kinds, Qt::LeftButton, {}, s.area.center().toPoint());
        QApplication::processEvents();
        ++actions;
        return;
      }
    FAIL("no tile says " << words.toStdString());
  }
  void key(Qt::Key k) {
    QTest::keyClick(QApplication::focusWidget(), k);
    QApplication::processEvents();
    ++actions;
  }
  /// Answers what is asked, or skips what he does not know.
  void answer() {
    auto* walk = b_.window->bench()->findChild<WalkMatter*>();
    REQUIRE(walk);
    const QString asked = question(walk);
    told << asked;
    const auto it = knows_.find(asked);
    if (it == knows_.end()) return key(Qt::Key_PageDown);
    for (const QPushButton* option : walk->findChildren<QPushButton*>())
      if (option->isVisible() && option->text().section(QStringLiteral("   "), 1) == it->second) {
        key(static_cast<Qt::Key>(Qt::Key_0 + option->text().left(1).toInt()));
        return;
      }
    QTest::keyClicks(QApplication::focusWidget(), it->second);
    key(Qt::Key_Return);
  }
  static QString question(const QWidget* walk) {
    auto* l = walk->findChild<QLabel*>(QStringLiteral("benchBig"));
    return l ? l->text() : QString();
  }
  int actions = 0;
  QStringList told;

 private:
  Bench& b_;
  Knows knows_;
};

/// Every column of the strip says an effort and a travel, or that no brake is left.
bool whole_answer(const Session& s) {
  for (const ConditionReport& c : s.strip()) {
    if (c.id == ConditionId::found) continue;
    if (!c.target && c.verdict != Verdict::fails) return false;
    if (c.verdict == Verdict::cannot_say) return false;
  }
  return true;
}

}  // namespace

TEST_CASE("a stranger reaches the whole brake answer in 25 actions") {
  Bench b;
  Stranger s(b, {{"Pivot to pedal pad", "312"},
                 {"Pivot to rod pin", "58.4"},
                 {"Master cylinder", "Tandem"},
                 {"Bore", "7/8"},
                 {"Primary piston stroke", "18"},
                 {"Secondary piston stroke", "17"},
                 {"Assist", "None"},
                 {"Outlet 1 feeds", "both front wheels"},
                 {"Front brakes", "Disc, sliding caliper"},
                 {"Front caliper piston", "51"},
                 {"Front effective radius", "104"},
                 {"Front tyre radius", "302"},
                 {"Rear brakes", "Drum"},
                 {"Rear wheel cylinder", "17.5"},
                 {"Rear drum diameter", "229"},
                 {"Rear tyre radius", "302"},
                 {"Mass as driven", "1180"},
                 {"Wheelbase", "2.46 m"},
                 {"Weight on the front axle", "54"},
                 {"Height of the centre of mass", "0.52 m"}});
  s.begin("drums to discs");
  s.key(Qt::Key_F11);
  while (!whole_answer(b.session) && s.actions < 60) s.answer();
  for (const QString& t : s.told) UNSCOPED_INFO(t.toStdString());
  CHECK(whole_answer(b.session));
  CHECK(s.actions <= 25);
}

TEST_CASE("a stranger reaches the whole clutch answer in 20 actions") {
  Bench b;
  Stranger s(b, {{"Pivot to pedal pad", "286"},
                 {"Pivot to rod pin", "61"},
                 {"Bore", "3/4"},
                 {"Primary piston stroke", "34"},
                 {"Slave", "Outside, pushes the fork"},
                 {"Slave bore", "7/8"},
                 {"Slave stroke", "31"},
                 {"Fork: pivot to slave", "93"},
                 {"Fork: pivot to bearing", "52"},
                 {"Pressure-plate release load", "1350 N"},
                 {"Cover's travel limit", "11"}});
  s.begin("master and slave in place of them");
  s.key(Qt::Key_F11);
  while (!whole_answer(b.session) && s.actions < 60) s.answer();
  for (const QString& t : s.told) UNSCOPED_INFO(t.toStdString());
  CHECK(whole_answer(b.session));
  CHECK(s.actions <= 20);
}
