// Hydraulic clutch: from pad to release bearing, down and up again.
//   load over u = x/x_rel: F_peak w (2 - w), w = u/0.45, up to u = 0.45; then
//   F_peak (1 - 0.25 smooth((u - 0.45)/0.55)), constant beyond 1 (common practice, no source); or
//   straight lines through measured points
//   p = F_b/(i_f A_s eta_s), slave stroke i_f (x + gap), volume A_s stroke + V(p)
//   on the way up friction helps: p_up = eta_s F_b/(i_f A_s), F_o = F_spring + eta_m p_up A
// Slave area: push pi/4 D^2, pull pi/4 (D^2 - d^2), concentric pi/4 (D_o^2 - D_i^2). SI throughout.
#pragma once

#include <optional>
#include <utility>
#include <vector>

#include "circuit/circuit.hpp"
#include "control/control.hpp"
#include "master/master.hpp"

namespace yoke {

enum class SlaveKind { push, pull, concentric };

/// Force area of a slave from its diameters: bore and rod, or outer and inner.
[[nodiscard]] Area slave_area(SlaveKind kind, Length bore, Length inner);

struct ClutchUnit {
  SlaveKind kind = SlaveKind::push;
  Area area{};                         ///< A_s
  double fork = 1;                     ///< i_f: slave travel over bearing travel; 1 concentric
  double efficiency = 0.95;            ///< eta_s
  std::optional<Length> slave_stroke;  ///< to its own end; absent: not checked
  Force peak{};                        ///< F_peak at the bearing
  Length release{0.008};               ///< x_rel: clean release
  double bite_share = 0.70;            ///< bite at this share of x_rel
  Length gap{};                        ///< bearing to fingers
  std::optional<Length> limit;         ///< cover's bearing travel limit
  std::optional<Length> retraction;    ///< slave retraction left at rest
  Length wear{0.002};                  ///< lining wear to allow for
  double finger = 3.5;                 ///< i_d: finger tips over lining wear, 3 … 4
  std::vector<std::pair<double, double>> points;  ///< measured (travel m, load N), rising travel
  bool operator==(const ClutchUnit&) const = default;
};

struct ClutchSystem {
  Control control;
  Master master;
  bool stroke_known = false;
  ClutchUnit unit;
  Tube tube;
  Hose hose;
  Fluid fluid;
  Pressure ambient{101325.0};
  double air_m3 = 0;
  bool operator==(const ClutchSystem&) const = default;
};

enum class ClutchStop { pad_stop, geometry, master_stroke, slave_stroke, search_end };
[[nodiscard]] const char* clutch_stop_words(ClutchStop stop);

/// One state, raw SI; `up` figures are those of the pad coming back.
struct ClutchPoint {
  double bearing_m = 0;
  double load_n = 0;
  double pressure_pa = 0;
  double slave_m = 0;
  double stroke_m = 0;
  double rod_travel_m = 0;
  double pad_travel_m = 0;
  double pad_travel_up_m = 0;
  double pad_force_n = 0;
  double pad_force_up_n = 0;
  double rod_force_n = 0;
};

/// Pad travel at a state by its causes: rod clearance, cut-off, slave, hose, tube, fluid, air; the
/// sum is the pad travel.
struct ClutchBudget {
  double free_play_m = 0, cut_off_m = 0, slave_m = 0, hose_m = 0, tube_m = 0, fluid_m = 0,
         air_m = 0;
};

/// Load at the bearing for a travel after the gap.
[[nodiscard]] double bearing_load_n(const ClutchUnit& unit, double travel_m);

class ClutchModel {
 public:
  /// Fails when a part is impossible, naming it.
  static Expected<ClutchModel> make(const ClutchSystem& system);
  [[nodiscard]] const ClutchSystem& system() const { return system_; }
  [[nodiscard]] ClutchPoint at(double bearing_m) const;
  [[nodiscard]] ClutchBudget budget(const ClutchPoint& point) const;
  /// Bearing travel at the first stop, and which.
  [[nodiscard]] double end_m() const { return end_m_; }
  [[nodiscard]] ClutchStop stop() const { return stop_; }
  /// The press in `points` states from the gap taken up to the first stop, free part before it.
  [[nodiscard]] std::vector<ClutchPoint> curve(std::size_t points = 256) const;

 private:
  explicit ClutchModel(const Kinematics& kinematics) : kinematics_(kinematics) {}
  [[nodiscard]] double volume_m3(double slave_m, double p_pa) const;
  [[nodiscard]] std::optional<ClutchStop> stopped(double bearing_m) const;
  ClutchSystem system_;
  Kinematics kinematics_;
  double end_m_ = 0;
  ClutchStop stop_ = ClutchStop::pad_stop;
};

struct ClutchReport {
  ClutchPoint release;  ///< at clean release, or at the end when that is not reached
  ClutchPoint bite;     ///< on the way up
  ClutchPoint end;      ///< at the first stop
  ClutchStop stop = ClutchStop::pad_stop;
  bool releases = false;
  double peak_n = 0;         ///< largest pad force up to clean release
  double peak_at_m = 0;      ///< pad travel there
  double master_left_m = 0;  ///< at clean release
  std::optional<double> slave_left_m;
  std::optional<double> over_travel_m;  ///< bearing travel at the stop beyond the cover's limit
  std::optional<double> pedal_stop_m;   ///< pad travel that ends at the cover's limit
  std::optional<double> wear_left_m;    ///< lining wear the slave can still follow
};
[[nodiscard]] Expected<ClutchReport> clutch_report(const ClutchSystem& system);

/// Gap between a concentric bearing and the fingers, slave fully compressed.
/// Bell on the engine: A bell's gearbox face down to the fingers, B bearing beyond the gearbox's
/// face: A + t - B - t_s. Bell part of the gearbox: A fingers beyond the engine's face (negative
/// below), B bell's engine face down to the bearing: B + t - A - t_s.
/// t what comes between the faces and was not there when measuring; t_s spacer behind the slave.
[[nodiscard]] Length concentric_gap(bool bell_on_gearbox, Length a, Length b, Length between,
                                    Length spacer);

struct CableChange {
  double slave_travel_m = 0;  ///< at the first stop of the pedal
  double missing_m = 0;       ///< of the old cable's pull, 0 when it is enough
  double pad_force_n = 0;     ///< for the old cable's force at the fork
};
/// The old cable's pull and force at the fork arm against what the hydraulics do there.
[[nodiscard]] Expected<CableChange> cable_change(const ClutchModel& model, Length pull,
                                                 Force force);

}  // namespace yoke
