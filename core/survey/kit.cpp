#include "survey/kit.hpp"
#include "document/param/kit.hpp"

#include <cmath>

namespace yoke {

namespace {
int cups_of(const Values& v) {
  if (v.is(param::kit_cups, choice::KitCups::n4)) return 4;
  if (v.is(param::kit_cups, choice::KitCups::n3)) return 3;
  return v.is(param::kit_cups, choice::KitCups::n2) ? 2 : 1;
}
}  // namespace

std::string_view kit_words(KitVerdict v) {
  static constexpr std::string_view w[] = {"Not enough measured", "Usable", "Usable with work",
                                           "Not for this unit"};
  return w[static_cast<std::size_t>(v)];
}

KitReport kit_report(const Values& found, const Values& kit) {
  KitReport r;
  bool work = false;
  bool no = false;
  const auto both = [&](Param p) {
    if (found.known(p) && kit.known(p)) return true;
    const Message words = Message::of_table(info(p).words);
    r.missing.push_back(found.known(p) ? say("{} of the kit", words)
                        : kit.known(p) ? say("{} as fitted", words)
                                       : say("{}, both", words));
    return false;
  };
  if (both(param::kit_piston)) {
    const double d = kit.si(param::kit_piston) - found.si(param::kit_piston);
    if (std::abs(d) > 0.25e-3) {
      // A longer piston is faced off; a shorter one moves the cup off its port.
      (d > 0 ? work : no) = true;
      const Amount by = length(std::abs(d), 2);
      r.reasons.push_back(
          d > 0 ? say("piston {} longer: face it off, the cup must clear its port", by)
                : say("piston {} shorter: the cup stands past its port", by));
    }
  }
  if (both(param::kit_socket)) {
    r.rod_change_m = kit.si(param::kit_socket) - found.si(param::kit_socket);
    const Amount by = length(std::abs(*r.rod_change_m), 2);
    if (by.si > 0.1e-3)
      r.reasons.push_back(*r.rod_change_m > 0
                              ? say("rod socket {} deeper: the rod must be {} longer", by, by)
                              : say("rod socket {} shallower: the rod must be {} shorter", by, by));
  }
  if (both(param::kit_cups) && kit.choice<param::kit_cups>() != found.choice<param::kit_cups>()) {
    no = true;
    r.reasons.push_back(say("{} cups in place of {}", cups_of(kit), cups_of(found)));
  }
  if (both(param::kit_facing) &&
      kit.choice<param::kit_facing>() != found.choice<param::kit_facing>()) {
    no = true;
    r.reasons.emplace_back("the rear cup faces the other way");
  }
  if (both(param::kit_valve) &&
      kit.choice<param::kit_valve>() != found.choice<param::kit_valve>()) {
    work = true;
    r.reasons.emplace_back(kit.is(choice::KitValve::residual)
                               ? "it brings a valve: leave it out for discs"
                               : "its valve is missing: keep the old one if drums need it");
  }
  if (both(param::kit_spring)) {
    const double d = kit.si(param::kit_spring) - found.si(param::kit_spring);
    if (std::abs(d) > 3e-3) {
      work = true;
      r.reasons.push_back(
          d > 0 ? say("spring {} longer: use the old one, or prove that the piston comes home",
                      length(d, 0))
                : say("spring {} shorter: use the old one, or prove that the piston comes home",
                      length(-d, 0)));
    }
  }
  r.verdict = no                   ? KitVerdict::no
              : !r.missing.empty() ? KitVerdict::not_enough
              : work               ? KitVerdict::with_work
                                   : KitVerdict::usable;
  return r;
}

}  // namespace yoke
