#include "plumbing/torque.hpp"

#include "lines/lines.hpp"
#include "quantity/message.hpp"

namespace yoke {

Expected<Message> dial_words(const JointRecord& joint, double wrench_m, double crowfoot_m) {
  if (!joint.torque_nm) return Message();
  const auto in_line =
      crowfoot_dial(Torque{*joint.torque_nm}, Length{wrench_m}, Length{crowfoot_m}, Angle{0.0});
  if (!in_line) return fail(in_line.error());
  return say("Dial {} with the crowfoot in line, {} with it square to the wrench",
             amount(in_line->value(), Kind::torque, 1), amount(*joint.torque_nm, Kind::torque, 1));
}

}  // namespace yoke
