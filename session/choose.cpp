#include "session/choose.hpp"

#include <cmath>

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
        const double pin = value_of(job, Which::plan, Param::control_pin_arm).si;
        if (pad > 0 && (pin <= 0 || std::abs(pad / pin - ratio) > 0.01))
          set_plan(job, Param::control_pin_arm, pad / ratio);
      },
      merge);
}

QString relative_sentence(const Job& job) {
  const auto ratio = [&job](Which w) {
    const double pin = value_of(job, w, Param::control_pin_arm).si;
    return pin > 0 ? value_of(job, w, Param::control_pad_arm).si / pin : 0.0;
  };
  const Value old_bore = value_of(job, Which::found, Param::master_bore);
  const Value new_bore = value_of(job, Which::plan, Param::master_bore);
  if (!old_bore.known() || !new_bore.known() || ratio(Which::found) <= 0)
    return QObject::tr(
        "Enter two bores and the two arms of the pedal: that alone says how much harder and "
        "shorter.");
  const auto r =
      relative(Length{old_bore.si}, Length{new_bore.si}, ratio(Which::found), ratio(Which::plan));
  if (!r) return error_text(r.error());
  QString s = QObject::tr("Force × %1, travel × %2 by bore and ratio alone. %3")
                  .arg(r->force_factor, 0, 'f', 2)
                  .arg(r->travel_factor, 0, 'f', 2)
                  .arg(text_of(relative_words(*r)));
  return s;
}

QString equal_feel(const Job& job, const Style& style) {
  const auto arms = [&job](Which w) {
    const double pin = value_of(job, w, Param::control_pin_arm).si;
    return pin > 0 ? value_of(job, w, Param::control_pad_arm).si / pin : 0.0;
  };
  const auto r = relative(Length{value_of(job, Which::found, Param::master_bore).si},
                          Length{value_of(job, Which::plan, Param::master_bore).si},
                          arms(Which::found), arms(Which::plan));
  if (!r) return {};
  return QObject::tr(
             "feels as found with a bore of %1 at this ratio, or a ratio of %2 with this bore")
      .arg(full_text(r->equal_bore.value(), Kind::length, 2, style))
      .arg(r->equal_ratio, 0, 'f', 2);
}

}  // namespace yoke
