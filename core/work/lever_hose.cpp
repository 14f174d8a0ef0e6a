#include "work/lever_hose.hpp"

#include "document/param/control.hpp"
#include "document/param/hoses.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

HoseOrder length_of(const Job& job) {
  const Value planned = value_of(job, As::plan, param::lever_hose);
  if (planned.settled())
    return {say("Hose {}, eye to eye", amount(planned.si, Kind::length, 0)),
            "as laid along its way", false};
  const Value old = value_of(job, As::found, param::lever_hose);
  const Value was = value_of(job, As::found, param::control_kind);
  const Value now = value_of(job, As::plan, param::control_kind);
  if (!old.settled() || !was.known() || !now.known())
    return {"Hose at the lever, length not known", "lay it along its way, bars at full lock", true};
  if (was.as<choice::ControlKind>() == now.as<choice::ControlKind>())
    return {say("Hose {}, eye to eye", amount(old.si, Kind::length, 0)), "as the old one", false};
  return {say("Hose {} to {}, eye to eye", amount(old.si + kHoseMoreLeast_m, Kind::length, 0),
              amount(old.si + kHoseMoreMost_m, Kind::length, 0)),
          "the lever is of the other kind; try it at full lock before it is ordered", false};
}

HoseOrder eye_of(const Job& job) {
  const Value eye = value_of(job, As::plan, param::lever_eye);
  if (!eye.settled())
    return {"Hose's eye, bend not known", "look how it points at the new unit", true};
  return {say("Hose's eye bent by {}", amount(eye.si, Kind::angle, 0)),
          "as it points at the new unit", false};
}

HoseOrder bolt_of(const Job& job) {
  const Value now = value_of(job, As::plan, param::unit_port1_thread);
  const Value was = value_of(job, As::found, param::unit_port1_thread);
  const auto words = [](const Value& v) {
    return Message::of_table(option_words(param::unit_port1_thread, v.si));
  };
  if (!now.settled())
    return {"Banjo bolt, thread not known", "a near pitch starts, and strips", true};
  if (was.settled() && was.as<choice::UnitPortThread>() != now.as<choice::UnitPortThread>())
    return {say("Banjo bolt {}, two new washers", words(now)),
            say("the old bolt is {}: it may start, and strips", words(was)), false};
  return {say("Banjo bolt {}, two new washers", words(now)), "thread of the new unit's outlet",
          false};
}

}  // namespace

std::vector<HoseOrder> lever_hose_order(const Job& job) {
  if (!pulled_by_hand(job) || !work_facts(job).unit_on) return {};
  return {length_of(job), eye_of(job), bolt_of(job)};
}

}  // namespace yoke
