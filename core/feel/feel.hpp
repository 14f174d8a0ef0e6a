// The feel curve: pad force, travel, pressures and deceleration along a press.
// Driven by one variable, the "drive": the master's outlet pressure for single, tandem and stepped
// masters (before a remote servo); for twin masters the force on the bar, scaled to a pressure.
// Outlet pressures -> valve outputs -> volumes -> master stroke -> rod travel -> pad travel; and
// piston force -> assist -> rod -> pad force. Everything is explicit in the drive and monotone.
#pragma once

#include <array>
#include <functional>
#include <string>
#include <string_view>
#include <vector>

#include "feel/branches.hpp"
#include "feel/system.hpp"

namespace yoke {

/// Deceleration at which the brakes are said to bite, in g.
inline constexpr double kBite_g = 0.05;
/// No press is computed beyond this line pressure.
inline constexpr double kPressureLimit_pa = 20e6;

/// What ends a press.
enum class Stop {
  pad_stop,
  geometry,
  primary_stroke,
  secondary_stroke,
  booster_stroke,
  locked,  ///< 1.2 times the pressure at which every braked axle is locked or the rear lifts
  pressure_limit,  ///< 20 MPa
};
[[nodiscard]] std::string_view stop_words(Stop stop);

/// One state of the whole system, raw SI.
struct FeelPoint {
  double pad_travel_m = 0;
  double pad_force_n = 0;
  double rod_travel_m = 0;
  double input_force_n = 0;   ///< at the rod
  double output_force_n = 0;  ///< at the master's piston
  double stroke_m = 0;        ///< of the master
  double piston1_m = 0;
  double piston2_m = 0;
  double pressure_pa = 0;  ///< in the line of the first live outlet, behind a servo
  double front_pa = 0;     ///< at the first live front wheel, 0 when none is live
  double rear_pa = 0;
  double z = 0;  ///< deceleration in g; 0 when the vehicle is unknown
  Lock lock = Lock::none;
  bool rear_lifts = false;
  bool bar_binds = false;  ///< a balance bar leans on its limit with both circuits sound
  AssistState assist = AssistState::none;
  VolumeParts volume;
};

/// Layers of pad travel, in the order they are used up.
enum class TravelLayer {
  free_play,
  booster,
  gap,
  cut_off,
  take_up,
  brake,
  hose,
  tube,
  fluid,
  air,
  slave,  ///< of a clutch: what the slave itself takes
  count_
};
inline constexpr std::size_t kLayerCount = static_cast<std::size_t>(TravelLayer::count_);
using TravelBudget = std::array<double, kLayerCount>;  ///< m at the pad; the sum is the pad travel
[[nodiscard]] std::string_view layer_words(TravelLayer layer);

struct FeelCurve {
  std::vector<FeelPoint> points;  ///< free part first; pad travel and force never fall
  Stop stop = Stop::pad_stop;
  double available_m = 0;  ///< pad travel at the first of pad stop, booster and master stroke
  double end_pa = 0;       ///< largest pressure reached
};

/// The state at one wished deceleration or pressure.
struct TargetReport {
  double wanted = 0;  ///< z, or pressure
  bool reached = false;
  Stop prevented_by = Stop::pad_stop;  ///< when not reached
  FeelPoint at;                        ///< the target, or the furthest point reached
  double room = 0;  ///< share of the nearest stop's own limit that is left; below 0: beyond it
  double available_m = 0;
  double reserve_m = 0;
  double reserve_share = 0;  ///< of the available travel
  double stiffness_n_m = 0;  ///< dF/ds at the pad
  double left1_m = 0;        ///< stroke left of each piston
  double left2_m = 0;
  TravelBudget budget{};
};

/// Whether the first stop of a press is sought at once. Left open, the press runs on to its largest
/// drive and `room` tells whether a state lies before all stops: enough to judge a target that is
/// reached, at half the cost.
enum class Ends { found, open };
/// How much of a target is told: without stiffness and travel budget it costs a third.
enum class Detail { whole, lean };

/// A checked system in one condition. Cheap to evaluate; holds no reference.
class FeelModel {
 public:
  /// Fails when a part is impossible, when brakes are unknown, or when a circuit is lost and
  /// nothing is left.
  static Expected<FeelModel> make(const System& system, const Condition& condition,
                                  Ends ends = Ends::found);
  /// Seeks the first stop of a model whose end was left open.
  void find_end();
  /// What is left before the nearest stop of pedal, pistons, booster or pressure, as a share of
  /// that stop's own limit; below 0: beyond. Locked wheels are no such stop.
  [[nodiscard]] double room(double drive) const { return -beyond_stop(drive); }

  [[nodiscard]] const System& system() const { return system_; }
  [[nodiscard]] const Condition& condition() const { return condition_; }
  /// State at a drive; pad travel is clamped at the control's limit.
  [[nodiscard]] FeelPoint at(double drive) const;
  /// Highest drive before the first stop, and which stop; 0 when nothing is reached.
  [[nodiscard]] double end_drive() const { return end_drive_; }
  [[nodiscard]] Stop stop() const { return stop_; }
  [[nodiscard]] double available_m() const { return available_m_; }
  /// Forces at the tyres, by what the brakes can do; grip not judged.
  [[nodiscard]] WheelForces wheel_forces(double drive) const;
  /// Drive at which a function that never falls along the press becomes 0, within 0 ... end.
  [[nodiscard]] double drive_for(const std::function<double(double)>& rising) const;
  /// Drive for a deceleration; nothing when it is not reached before the stop.
  [[nodiscard]] std::optional<double> drive_for_z(double z) const;
  /// Drive at which the pad takes a force, within 0 ... end.
  [[nodiscard]] double drive_for_force(double pad_force_n) const;
  /// Drive at which a first axle locks; nothing when none does before the stop.
  [[nodiscard]] std::optional<double> first_lock_drive() const;
  [[nodiscard]] TargetReport at_z(double z, Detail detail = Detail::whole) const;
  /// At a pressure in the line of the first live outlet.
  [[nodiscard]] TargetReport at_pressure(double p_pa, Detail detail = Detail::whole) const;
  /// At a drive that is within the press.
  [[nodiscard]] TargetReport at_drive(double drive) const;
  [[nodiscard]] TravelBudget budget(const FeelPoint& point) const;
  /// The whole press in `points` states plus the free part.
  [[nodiscard]] FeelCurve curve(std::size_t points = 256) const;

 private:
  /// Pressures behind the master and the force at its piston (or the bar).
  struct Delivery {
    std::array<double, 2> master_pa{};
    std::array<double, 2> line_pa{};                  ///< behind a servo
    std::array<std::array<double, 2>, 2> wheel_pa{};  ///< behind the valves, by branch
    double force_n = 0;
  };
  /// Strokes and what fills them.
  struct Strokes {
    std::array<VolumeParts, 2> volume;
    double first_m = 0;
    double second_m = 0;
    double stroke_m = 0;
  };
  explicit FeelModel(const Kinematics& kinematics) : kinematics_(kinematics) {}
  [[nodiscard]] bool lost(std::size_t outlet) const;
  [[nodiscard]] Delivery deliver(double drive) const;
  [[nodiscard]] Strokes strokes(const Delivery& delivery) const;
  [[nodiscard]] double line_pa(std::size_t outlet, double master_pa) const;
  [[nodiscard]] VolumeParts outlet_volume(std::size_t outlet, double line_pa) const;
  [[nodiscard]] VolumeParts branch_volume(std::size_t outlet, double line_pa,
                                          const std::array<double, 2>& wheel_pa) const;
  [[nodiscard]] std::array<double, 2> wheels_of(std::size_t outlet, double line_pa) const;
  [[nodiscard]] double rod_before_stroke_m() const;
  [[nodiscard]] double gap_m() const;
  [[nodiscard]] double residual_pa(std::size_t outlet) const;
  [[nodiscard]] double pad_m(double rod_m) const;
  [[nodiscard]] WheelForces forces(const Delivery& delivery) const;
  [[nodiscard]] Braking braking_of(const Delivery& delivery) const;
  [[nodiscard]] Braking braking_at(double drive) const;
  struct Axles {
    AxleBraking front;
    AxleBraking rear;
  };
  [[nodiscard]] Axles axles(const Delivery& delivery) const;
  [[nodiscard]] std::optional<Stop> stopped(double drive) const;
  /// How far beyond the nearest stop but locked wheels, each in shares of its own limit; below 0:
  /// before all.
  [[nodiscard]] double beyond_stop(double drive) const;
  [[nodiscard]] bool all_locked(double drive) const;
  [[nodiscard]] TargetReport report(double drive, double wanted, bool reached,
                                    Detail detail = Detail::whole) const;
  void prepare_twin();
  void find_available();

  System system_;
  Condition condition_;
  Kinematics kinematics_;
  Branches branches_{};
  Valves valves_;
  double lost_m_ = 0;    ///< stroke before the live circuits deliver
  double crack_m3_ = 0;  ///< volume at which a take-up step stops helping
  std::array<double, 2> air_m3_{};
  double bar_start_n_ = 0;  ///< twin: force on the bar at drive 0
  double bar_n_pa_ = 0;     ///< twin: force for each pascal of drive
  double bar_hold_n_ = 0;   ///< twin, one lost: rod force at which the bar meets the dead piston
  double most_drive_ = kPressureLimit_pa;  ///< twin, one lost: further, by the bar's share
  double locked_pa_ = 0;
  double end_drive_ = 0;
  double available_m_ = 0;
  Stop stop_ = Stop::pad_stop;
};

/// Pad effort at a pressure when only pedal, assist and master are known.
[[nodiscard]] Expected<Force> effort_at_pressure(const Control& control, const Assist& assist,
                                                 const Master& master, Pressure p,
                                                 bool assist_alive);

/// State at a pad travel, linear between the curve's points; clamped to its ends.
[[nodiscard]] FeelPoint point_at_travel(const FeelCurve& curve, double pad_travel_m);

}  // namespace yoke
