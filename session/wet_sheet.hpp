// Sheets for wet hands: one page a stage in large type, a box for a pencil behind each thing that
// is measured, counted, ticked or pressed there; and the same boxes typed back in one pass.
#pragma once

#include <QString>
#include <vector>

#include "session/session.hpp"

namespace yoke {

struct WetBox {
  std::string key;  ///< "found:master.bore", "built:rod.cut", "step:out.crack", "press:press_100"
  QString words;    ///< "Bore"
  QString hint;     ///< unit, what is expected
  bool tick = false;
};
/// What is still open on a stage, in the order of the work; at most a page of it.
[[nodiscard]] std::vector<WetBox> wet_boxes(const Session& session, Stage stage);
/// The page.
[[nodiscard]] QString wet_html(const Session& session, Stage stage);
/// One box typed back; empty: left as it is. Goes by the doors that the stage itself uses.
[[nodiscard]] Expected<bool> take_wet(Session& session, const WetBox& box, const QString& typed);

}  // namespace yoke
