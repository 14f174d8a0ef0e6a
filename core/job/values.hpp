// All values of one system, read once: what the computation works from. A draw of doubtful values
// replaces single ones without copying the job.
#pragma once

#include <array>

#include "feel/system.hpp"
#include "job/job.hpp"

namespace yoke {

class Values {
 public:
  [[nodiscard]] const Value& at(Param p) const { return all_[static_cast<std::size_t>(p)]; }
  [[nodiscard]] double si(Param p) const { return at(p).si; }
  [[nodiscard]] bool known(Param p) const { return at(p).known(); }
  /// Index of the chosen option; 0 when nothing was said.
  [[nodiscard]] int option(Param p) const { return static_cast<int>(at(p).si); }
  /// The option is known and it is this one.
  [[nodiscard]] bool is(Param p, int choice) const { return known(p) && option(p) == choice; }
  void set(Param p, const Value& v) { all_[static_cast<std::size_t>(p)] = v; }
  void set_si(Param p, double si) { all_[static_cast<std::size_t>(p)].si = si; }

 private:
  std::array<Value, kParamCount> all_{};
};

/// Every parameter of a system by the rules of `value_of`.
[[nodiscard]] Values resolve(const Job& job, Which which);

/// Pad arm over pin arm, intermediate lever included; nothing while an arm is unknown.
[[nodiscard]] std::optional<double> arm_ratio(const Values& values);
/// What outlet a wheel is on; nothing when not traced.
[[nodiscard]] std::optional<Outlet> outlet_of(const Values& values, Wheel wheel);
/// Bore that a rod force meets: of twin masters the first one's, widened by the share of the bar
/// that reaches it. Nothing while it, or the bar, is unknown.
[[nodiscard]] std::optional<Length> equivalent_bore(const Values& values);
[[nodiscard]] bool works_clutch(const Values& values);

}  // namespace yoke
