// What a change of bore does to what was wrong before: the fault a larger bore merely conceals, the
// take-up volume a plain bore gives away, and which reservoir chamber belongs to which axle.
//   pad travel of a volume = V / A x ratio
// Textbook hydraulics.
#pragma once

#include <string>

#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// An unsolved symptom, in the travel of the old and of the new unit.
struct Concealed {
  Message fault;         ///< "clearance taken up by pumping"
  double volume_m3 = 0;  ///< behind it
  double before_m = 0;   ///< pad travel it eats as found
  double after_m = 0;    ///< the same fault with the plan's bore and ratio
  [[nodiscard]] double hidden_m() const { return before_m - after_m; }
};
struct ConcealReport {
  std::vector<Concealed> faults;
  Message because;                 ///< why nothing can be said
  double shorter_by_geometry = 0;  ///< share of any fluid travel that bore and ratio alone take off
};
/// From pumps and sink of the fitted system against the plan's bore and ratio.
[[nodiscard]] ConcealReport concealed_faults(const Values& found, const Values& plan);

/// A take-up master replaced by a plain one.
struct PlainBore {
  bool applies = false;
  Message because;
  double volume_m3 = 0;       ///< the large bore moved more, up to the take-up's end
  double extra_m = 0;         ///< at the pad with the plan's bore and ratio
  double clearance_m3 = 0;    ///< fluid that the linings' running clearance takes
  bool calipers_too = false;  ///< the calipers keep a running clearance only the take-up filled
};
[[nodiscard]] PlainBore plain_for_take_up(const StripInputs& in);

/// One chamber of the reservoir against the linings that it feeds.
struct ChamberUse {
  Outlet outlet = Outlet::primary;
  bool front = false;  ///< it feeds a wheel of this axle
  bool rear = false;
  double drawn_m3 = 0;  ///< from new to worn
  double left_m3 = 0;   ///< above the port when they are worn, bellows counted
  double chamber_m3 = 0;
  bool measured = false;  ///< what nobody measured cannot be said to be enough
  bool enough = false;
};
struct ChamberReport {
  Message because;
  std::vector<ChamberUse> chambers;  ///< those that feed something
  double front_m3 = 0;               ///< drawn by each axle
  double rear_m3 = 0;
  Message advice;       ///< which chamber for which axle
  double needs_m3 = 0;  ///< of a single remote bottle, both axles
  bool swap = false;    ///< the chambers would serve better the other way round
};
[[nodiscard]] ChamberReport chamber_report(const StripInputs& in);

}  // namespace yoke
