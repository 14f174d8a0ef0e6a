#include "session/choose.hpp"

#include <cmath>

#include "job/assemble.hpp"
#include "master/bores.hpp"
#include "session/texts.hpp"
#include "sizing/relative.hpp"

namespace yoke {

namespace {

void set_plan(Job& job, Param p, double si) {
  const Value now = value_of(job, Which::plan, p);
  if (now.known() && std::abs(now.si - si) < 1e-9) return;
  job.built.clear(p);
  job.plan.set(p, {si, How::stated, 0.0, {}});
}

}  // namespace

void choose_cell(Session& session, double bore_m, double ratio, const QString& merge) {
  const BoreSize* size = named_bore(Length{bore_m});
  const QString name =
      QObject::tr("bore %1 at %2")
          .arg(size ? text_of(size->name) : quantity_text(bore_m, Kind::length, 2, session.style()))
          .arg(ratio, 0, 'f', 2);
  session.edit(
      name,
      [&](Job& job) {
        set_plan(job, Param::master_bore, bore_m);
        const double pad = value_of(job, Which::plan, Param::control_pad_arm).si;
        const auto now = arm_ratio(job, Which::plan);
        if (pad > 0 && (!now || std::abs(*now - ratio) > 0.01))
          set_plan(job, Param::control_pin_arm, pad / ratio);
      },
      merge);
}

namespace {

/// Old against new by what is known of them; nothing while a bore or an arm is not.
std::optional<Expected<Relative>> relative_of(const Job& job) {
  const Value old_bore = value_of(job, Which::found, Param::master_bore);
  const Value new_bore = value_of(job, Which::plan, Param::master_bore);
  const auto old_ratio = arm_ratio(job, Which::found);
  const auto new_ratio = arm_ratio(job, Which::plan);
  if (!old_bore.known() || !new_bore.known() || !old_ratio || !new_ratio) return std::nullopt;
  return relative(Length{old_bore.si}, Length{new_bore.si}, *old_ratio, *new_ratio);
}

}  // namespace

QString relative_sentence(const Job& job) {
  const auto r = relative_of(job);
  if (!r)
    return QObject::tr(
        "Enter two bores and the two arms of the pedal: that alone says how much harder and "
        "shorter.");
  if (!*r) return error_text(r->error());
  return QObject::tr("Force × %1, travel × %2 by bore and ratio alone. %3")
      .arg((*r)->force_factor, 0, 'f', 2)
      .arg((*r)->travel_factor, 0, 'f', 2)
      .arg(text_of(relative_words(**r)));
}

QString equal_feel(const Job& job, const Style& style) {
  const auto r = relative_of(job);
  if (!r || !*r) return {};
  const BoreSize* size = named_bore((*r)->equal_bore);
  return QObject::tr("same feel as found with bore %1, or ratio %2")
      .arg(size ? text_of(size->name)
                : quantity_text((*r)->equal_bore.value(), Kind::length, 2, style))
      .arg((*r)->equal_ratio, 0, 'f', 2);
}

}  // namespace yoke
