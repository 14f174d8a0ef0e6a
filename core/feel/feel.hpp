// The feel curve: pad force, travel, pressures and deceleration along a press.
// Driven by outlet pressure p: valve outputs -> volumes -> master stroke -> rod travel -> pad
// travel; and piston force -> assist -> rod -> pad force. Everything is explicit in p and monotone.
#pragma once

#include <array>
#include <string>
#include <string_view>
#include <vector>

#include "feel/system.hpp"

namespace yoke {

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
  double pressure_pa = 0;
  double front_pa = 0;  ///< at the first live front wheel, 0 when none is live
  double rear_pa = 0;
  double z = 0;  ///< deceleration in g; 0 when the vehicle is unknown
  Lock lock = Lock::none;
  bool rear_lifts = false;
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
  double available_m = 0;
  double reserve_m = 0;
  double reserve_share = 0;  ///< of the available travel
  double stiffness_n_m = 0;  ///< dF/ds at the pad
  double left1_m = 0;        ///< stroke left of each piston
  double left2_m = 0;
  TravelBudget budget{};
};

/// A checked system in one condition. Cheap to evaluate; holds no reference.
class FeelModel {
 public:
  /// Fails when a part is impossible, when brakes are unknown, or when a circuit is lost and
  /// nothing is left.
  static Expected<FeelModel> make(const System& system, const Condition& condition);

  [[nodiscard]] const System& system() const { return system_; }
  [[nodiscard]] const Condition& condition() const { return condition_; }
  /// State at an outlet pressure; pad travel is clamped at the control's limit.
  [[nodiscard]] FeelPoint at(double p_pa) const;
  /// Highest pressure before the first stop, and which stop; 0 when nothing is reached.
  [[nodiscard]] double end_pressure_pa() const { return end_pa_; }
  [[nodiscard]] Stop stop() const { return stop_; }
  [[nodiscard]] double available_m() const { return available_m_; }
  /// Pressure for a deceleration (or a negative number when it is not reached before the stop).
  [[nodiscard]] double pressure_for_z(double z) const;
  /// Pressure at which the pad takes a force, within 0 ... end.
  [[nodiscard]] double pressure_for_force(double pad_force_n) const;
  [[nodiscard]] double first_lock_pa() const;
  [[nodiscard]] TargetReport at_z(double z) const;
  [[nodiscard]] TargetReport at_pressure(double p_pa) const;
  [[nodiscard]] TravelBudget budget(const FeelPoint& point) const;
  /// The whole press in `points` states plus the free part.
  [[nodiscard]] FeelCurve curve(std::size_t points = 256) const;

 private:
  explicit FeelModel(Kinematics kinematics) : kinematics_(kinematics) {}
  [[nodiscard]] bool live(const WheelBrake& wheel) const;
  [[nodiscard]] VolumeParts outlet_volume(Outlet outlet, double p_pa) const;
  [[nodiscard]] double wheel_pa(const WheelBrake& wheel, double p_pa) const;
  [[nodiscard]] double residual_pa(const WheelBrake& wheel) const;
  [[nodiscard]] bool front_lost() const;
  [[nodiscard]] double rod_before_stroke_m() const;
  [[nodiscard]] double pad_m(double rod_m) const;
  [[nodiscard]] Braking braking_at(double p_pa) const;
  [[nodiscard]] std::optional<Stop> stopped(double p_pa) const;
  [[nodiscard]] TargetReport report(double p_pa, double wanted, bool reached) const;
  void find_end();
  void find_available();

  System system_;
  Condition condition_;
  Kinematics kinematics_;
  double lost_m_ = 0;    ///< stroke before the live circuits deliver
  double crack_m3_ = 0;  ///< volume at which a take-up step stops helping
  int live_outlets_ = 0;
  double locked_pa_ = 0;
  double end_pa_ = 0;
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
