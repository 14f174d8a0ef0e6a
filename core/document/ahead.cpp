#include "document/ahead.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/room.hpp"
#include "document/param/supply.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

/// A figure made of measured ones: as sure as the least sure of them.
class Sum {
 public:
  void add(const Value& v, double sign) {
    known_ = known_ && v.known();
    si_ += sign * v.si;
    doubt2_ += v.uncertainty_si * v.uncertainty_si;
    // "None unless stated" is no doubt of the sum's.
    if (v.origin == Origin::typical && v.uncertainty_si > 0) typical_ = true;
    if (v.how == How::estimate) guess_ = true;
    other_unit_ = other_unit_ || v.other_unit;
    if (how_ == How::unknown) how_ = v.how;
  }
  void add(double si) { si_ += si; }
  [[nodiscard]] std::optional<Value> value() const {
    if (!known_) return std::nullopt;
    Value v;
    v.origin = typical_ ? Origin::typical : Origin::measured;
    v.si = si_;
    v.uncertainty_si = std::sqrt(doubt2_);
    v.how = typical_ ? How::unknown : guess_ ? How::estimate : how_;
    v.other_unit = other_unit_;
    return v;
  }

 private:
  bool known_ = true;
  bool typical_ = false;
  bool guess_ = false;
  bool other_unit_ = false;
  double si_ = 0;
  double doubt2_ = 0;
  How how_ = How::unknown;
};

Value stated(const Job& job, Param p) {
  return stated_value(job, As::plan, p);
}
bool own(const Value& v) {
  return v.origin == Origin::measured && !v.inherited;
}
bool nothing(double si) {
  return !(std::abs(si) > 0);
}
double wish_m(const Job& job) {
  return stated(job, param::rod_height_wish).si;
}

std::optional<Value> face(const Job& job, As which) {
  Sum s;
  s.add(stated_value(job, which, param::rod_socket), 1);
  s.add(stated_value(job, which, param::rod_snout), -1);
  s.add(stated_value(job, which, param::rod_stack), 1);
  return s.value();
}

/// The rod by the old one, the other unit's seat, the clearance and the pad height.
std::optional<Value> needed_length(const Job& job) {
  const Value old = stated_value(job, As::found, param::control_rod_length);
  const auto moves = seat_moves(job);
  const auto height = rod_for_wish_m(job);
  if (!old.known() || !moves || !height) return std::nullopt;
  Sum s;
  s.add(old, 1);
  s.add(*moves, 1);
  s.add(stated(job, param::rod_clearance_more), -1);
  s.add(*height);
  return s.value();
}

std::optional<Value> length_ahead(const Job& job) {
  const auto needed = needed_length(job);
  // Nothing is asked of it: the old rod stays.
  if (!needed ||
      std::abs(needed->si - stated_value(job, As::found, param::control_rod_length).si) < 1e-9)
    return std::nullopt;
  return needed;
}

/// The clearance that is set, or what a rod of another length than the needed one leaves of it.
std::optional<Value> clearance_ahead(const Job& job) {
  Value old = stated_value(job, As::found, param::control_rod_clearance);
  old.other_unit = replaced(job, param::control_rod_clearance);
  Sum s;
  s.add(old, 1);
  const Value more = stated(job, param::rod_clearance_more);
  s.add(more, 1);
  const Value rod = stated(job, param::control_rod_length);
  const auto needed = needed_length(job);
  const bool moves_pad =
      stated(job, param::rod_pedal_stop).is(choice::RodPedalStop::rod);  // not the clearance
  const bool other_rod = own(rod) && needed && !moves_pad;
  if (!other_rod && nothing(more.si)) return std::nullopt;
  if (other_rod) {
    s.add(*needed, 1);
    s.add(rod, -1);
  }
  return s.value();
}

std::optional<Value> stop_ahead(const Job& job) {
  if (nothing(wish_m(job))) return std::nullopt;
  Value v = stated(job, param::control_pad_stop);
  v.si = std::max(v.si + wish_m(job), info(param::control_pad_stop).min_si);
  return v;
}

std::optional<Value> angle_ahead(const Job& job) {
  Value v = stated(job, param::control_rest_angle);
  const Value arm = stated(job, param::control_pad_arm);
  if (nothing(wish_m(job)) || !v.known() || !arm.known() || arm.si <= 0) return std::nullopt;
  v.si -= wish_m(job) / arm.si;
  return v;
}

/// Measured from both sides; the wider of engine off and running is lost travel.
std::optional<Value> gap_ahead(const Job& job) {
  const Value recess = stated(job, param::rod_recess);
  if (!recess.known()) return std::nullopt;
  std::optional<Value> widest;
  for (const Param p : {param::rod_stick_off, param::rod_stick_on}) {
    const Value stick = stated(job, p);
    if (!stick.known()) continue;
    Sum s;
    s.add(recess, 1);
    s.add(stated(job, param::rod_gasket), 1);
    s.add(stick, -1);
    const auto gap = s.value();
    if (gap && (!widest || gap->si > widest->si)) widest = gap;
  }
  return widest;
}

bool engine_goes(const Job& job) {
  return stated(job, param::room_engine).is(choice::RoomEngine::goes);
}

/// With the engine gone the vacuum is the pump's, or there is none.
std::optional<Value> vacuum_ahead(const Job& job) {
  if (!engine_goes(job)) return std::nullopt;
  constexpr double kSeaLevel_pa = 101325;
  if (stated(job, param::supply_pump_flow).si <= 0)
    return Value{Origin::measured, 0, 0, How::stated};  // a fact: nothing makes any
  Value v = stated(job, param::supply_pump_ultimate);
  v.si = std::max(0.0, kSeaLevel_pa - v.si);
  return v;
}

}  // namespace

std::optional<Value> seat_moves(const Job& job) {
  const auto before = face(job, As::found);
  const auto after = face(job, As::plan);
  if (before && after) {
    Sum s;
    s.add(*after, 1);
    s.add(*before, -1);
    return s.value();
  }
  if (after || replaced(job, param::master_cutoff1)) return std::nullopt;
  return Value{Origin::measured, 0, 0, How::stated};
}

std::optional<double> rod_for_wish_m(const Job& job) {
  const double wish = wish_m(job);
  if (nothing(wish)) return 0.0;
  const auto si = [&job](Param p) { return stated(job, p).si; };
  const auto known = [&job](Param p) { return stated(job, p).known(); };
  if (!known(param::control_pad_arm) || !known(param::control_pin_arm)) return std::nullopt;
  const double pad = si(param::control_pad_arm);
  const double pin = si(param::control_pin_arm);
  if (pad <= 0 || pin <= 0) return std::nullopt;
  if (stated(job, param::control_mid).is(choice::ControlMid::lever)) {
    if (!known(param::control_mid_in) || !known(param::control_mid_out)) return std::nullopt;
    const double out = si(param::control_mid_out);
    if (out <= 0 || si(param::control_mid_in) <= 0) return std::nullopt;
    return wish * pin / pad * out / si(param::control_mid_in);
  }
  const double plain = wish * pin / pad;
  const Value rod = stated_value(job, As::found, param::control_rod_length);
  if (!rod.known() || !known(param::control_axis_height) || !known(param::control_rest_angle) ||
      !known(param::control_offset))
    return plain;
  // Square of what the rod spans sideways, and how far its pin stands along the bore.
  const double across = si(param::control_axis_height);
  const double beside = si(param::control_offset);
  const double at = si(param::control_rest_angle);
  const auto side2 = [&](double angle) {
    const double d = across - pin * std::cos(angle);
    return d * d + beside * beside;
  };
  const double along2 = rod.si * rod.si - side2(at);
  if (along2 <= 0) return plain;
  const double turned = at - wish / pad;
  const double seat = pin * std::sin(at) + std::sqrt(along2);
  return std::hypot(seat - pin * std::sin(turned), std::sqrt(side2(turned))) - rod.si;
}

bool may_follow(Param param) {
  switch (param) {
    case param::control_rod_length:
    case param::control_rod_clearance:
    case param::control_pad_stop:
    case param::control_rest_angle:
    case param::assist_output_gap:
    case param::assist_vacuum:
    case param::assist_vacuum_altitude:
    case param::assist_manifold:
      return true;
    default:
      return false;
  }
}

std::optional<Value> value_ahead(const Job& job, Param param) {
  switch (param) {
    case param::control_rod_length:
      return length_ahead(job);
    case param::control_rod_clearance:
      return clearance_ahead(job);
    case param::control_pad_stop:
      return stop_ahead(job);
    case param::control_rest_angle:
      return angle_ahead(job);
    case param::assist_output_gap:
      return gap_ahead(job);
    case param::assist_vacuum:
      return vacuum_ahead(job);
    case param::assist_vacuum_altitude:
      return engine_goes(job) ? std::optional(Value{Origin::measured, 0, 0, How::stated})
                              : std::nullopt;
    case param::assist_manifold:
      return engine_goes(job) ? std::optional(Value{}) : std::nullopt;
    default:
      return std::nullopt;
  }
}

}  // namespace yoke
