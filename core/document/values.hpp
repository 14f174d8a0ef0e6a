// All values of one system, read once: what the computation works from. A draw of doubtful values
// replaces single ones without copying the job.
#pragma once

#include <array>

#include "document/job.hpp"

namespace yoke {

class Values {
 public:
  [[nodiscard]] const Value& at(Param p) const { return all_[number(p)]; }
  [[nodiscard]] double si(Param p) const { return at(p).si; }
  [[nodiscard]] bool known(Param p) const { return at(p).known(); }
  /// The option of a choice, by its parameter; nothing while it is unknown.
  template <Param p>
  [[nodiscard]] auto choice() const {
    return at(p).as<typename ChoiceOf<p>::type>();
  }
  /// The option is known and it is this one, of a choice that one parameter alone has.
  template <class Choice>
  requires is_choice<Choice>
  [[nodiscard]] bool is(Choice wanted) const { return at(ParamOf<Choice>::value).is(wanted); }
  /// The same where several parameters are alike: both axles, both outlets, the wheels.
  template <class Choice>
  requires is_choice<Choice>
  [[nodiscard]] bool is(Param p, Choice wanted) const { return at(p).is(wanted); }
  void set(Param p, const Value& v) { all_[number(p)] = v; }
  void set_si(Param p, double si) { all_[number(p)].si = si; }

 private:
  std::array<Value, kParamSpace> all_{};
};

/// Every parameter of a system by the rules of `value_of`.
[[nodiscard]] Values resolve(const Job& job, As which);

/// Pad arm over pin arm, intermediate lever included; nothing while an arm is unknown.
[[nodiscard]] std::optional<double> arm_ratio(const Values& values);
/// Studs of the unit's flange; nothing while unknown.
[[nodiscard]] std::optional<int> stud_count(const Values& values);
[[nodiscard]] bool works_clutch(const Values& values);
/// Fingers pull it, no foot presses it.
[[nodiscard]] bool pulled_by_hand(const Values& values);
[[nodiscard]] bool pulled_by_hand(const Job& job);
/// The control brakes this axle.
[[nodiscard]] bool works_axle(const Values& values, Axle axle);

}  // namespace yoke
