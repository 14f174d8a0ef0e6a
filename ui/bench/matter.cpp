#include "ui/bench/matter.hpp"

#include "ui/bench/bleed_matter.hpp"
#include "ui/bench/instrument_matter.hpp"
#include "ui/bench/look_matter.hpp"
#include "ui/bench/press_matter.hpp"
#include "ui/bench/step_matter.hpp"
#include "ui/bench/walk_matter.hpp"
#include "ui/plain.hpp"

namespace yoke {

QLabel* bench_label(const char* role, QWidget* parent) {
  return label({}, role, parent);
}

BenchMatter* make_bench_matter(Session& session, Stage stage, bool other, QWidget* parent) {
  switch (stage) {
    case Stage::survey:
      return new WalkMatter(session, parent);
    case Stage::install:
      return new StepMatter(session, parent);
    case Stage::bleed:
      return new BleedMatter(session, parent);
    case Stage::prove:
      if (other) return new InstrumentMatter(session, parent);
      return new PressMatter(session, parent);
    default:
      return new LookMatter(session, parent);
  }
}

}  // namespace yoke
