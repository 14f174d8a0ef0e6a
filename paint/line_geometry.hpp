// Where everything of the line of force stands, in millimetres: pivot at the origin, x into the
// master, y down as on screen. Parts that are not known get a usual size and are drawn dashed.
#pragma once

#include <QPointF>
#include <QRectF>

#include "paint/line_of_force.hpp"

namespace yoke {

struct LineGeometry {
  double pad_arm = 300, pin_arm = 55;
  double angle = -0.2;  ///< now
  double down = 1;      ///< which way the pedal reaches from its pivot: -1 stands on the floor
  double axis_y = 55;
  bool arms_known = false, geometry_known = false;
  QPointF pad, pin, ball;
  double firewall_x = 160;
  bool booster = false;
  double booster_diameter = 0, booster_length = 0;
  double master_x = 0, master_length = 0, bore = 22, body = 36;
  bool tandem = false, bore_known = false;
  bool twin = false;  ///< two masters side by side, a bar between their rods
  double apart = 0;   ///< each master's distance from the bore line
  double bore2 = 22;
  double piston1_x = 0, piston2_x = 0;  ///< front faces now
  double stroke1 = 20, stroke2 = 0;
  double outlet1_x = 0, outlet2_x = 0;
  struct Brake {
    bool drum = false, known = false;
    double radius = 110;  ///< of the disc's outside or the drum
    double effective = 100;
    QPointF centre;
    double pressed = 0;  ///< 0 … 1
  };
  Brake front, rear;
  bool clutch = false;
  /// Slave, fork and bearing of a clutch, in place of the brakes.
  struct Slave {
    bool concentric = false, bore_known = false, fork_known = false;
    double bore = 22;
    double x = 0;            ///< of the slave's closed end
    double travel = 0;       ///< of its piston now
    double bearing = 0;      ///< travel of the bearing now
    double fork_slave = 95;  ///< arms
    double fork_bearing = 55;
  };
  Slave slave;
  QRectF world;  ///< everything
};

[[nodiscard]] LineGeometry line_geometry(const LineInput& input);

}  // namespace yoke
