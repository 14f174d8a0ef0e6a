// What is asked of a job without building a whole system: outlets, ratio, what is fitted, what is
// missing in words.
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"

namespace yoke {

std::optional<Outlet> outlet_of(const Values& v, Wheel wheel) {
  const Value& o = v.at(circuit_of(wheel));
  if (!o.known()) return std::nullopt;
  return o.is(choice::WheelOutlet::n1) ? Outlet::primary : Outlet::secondary;
}

std::optional<Length> equivalent_bore(const Values& v) {
  if (!v.known(param::master_bore)) return std::nullopt;
  const Length bore{v.si(param::master_bore)};
  if (works_clutch(v) || !v.is(choice::MasterKind::twin)) return bore;
  const double a = v.si(param::master_bar_a);
  const double b = v.si(param::master_bar_b);
  if (a <= 0 || b <= 0) return std::nullopt;
  return bore * std::sqrt((a + b) / b);
}

std::optional<Outlet> outlet_of(const Job& job, As which, Wheel wheel) {
  const Value v = value_of(job, which, circuit_of(wheel));
  if (!v.known()) return std::nullopt;
  return v.is(choice::WheelOutlet::n1) ? Outlet::primary : Outlet::secondary;
}

std::optional<double> arm_ratio(const Job& job, As which) {
  return arm_ratio(resolve(job, which));
}

namespace {
bool is_clutch(const Job& job, As which) {
  return value_of(job, which, param::control_use).is(choice::ControlUse::clutch);
}
}  // namespace

bool has_assist(const Job& job, As which) {
  if (is_clutch(job, which)) return false;
  const Value v = value_of(job, which, param::assist_kind);
  return v.known() && !v.is(choice::AssistKind::none);
}

bool has_two_circuits(const Job& job, As which) {
  if (is_clutch(job, which)) return false;
  const Value v = value_of(job, which, param::master_kind);
  return v.known() && !v.is(choice::MasterKind::single);
}

std::optional<Error> new_impossibility(const Job& before, const Job& after) {
  for (const As w : {As::found, As::plan}) {
    const auto old = assemble(before, w).impossible;
    for (const Error& e : assemble(after, w).impossible)
      if (std::none_of(old.begin(), old.end(),
                       [&](const Error& o) { return o.reason == e.reason; }))
        return e;
  }
  return std::nullopt;
}

Assembly assemble(const Job& job, As which) {
  return assemble(resolve(job, which));
}

Message param_list(const std::vector<Param>& params) {
  std::vector<Param> each;
  for (const Param p : params)
    if (std::find(each.begin(), each.end(), p) == each.end()) each.push_back(p);
  std::vector<Message> named;
  constexpr size_t kNamed = 4;
  for (size_t i = 0; i < each.size() && i < kNamed; ++i)
    named.push_back(Message::of_table(words_within(each[i])));
  Message list = joined(named, ", ");
  return each.size() > kNamed ? say("{} and {} more", list, each.size() - kNamed) : list;
}

Message cannot_say(const std::vector<Param>& missing) {
  return say("Cannot say yet: {} not known", param_list(missing));
}

}  // namespace yoke
