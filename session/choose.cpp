#include "session/choose.hpp"

#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "master/bores.hpp"
#include "session/texts.hpp"
#include "sizing/relative.hpp"

namespace yoke {

namespace {

void set_plan(Job& job, Param p, double si) {
  const Value now = value_of(job, As::plan, p);
  if (now.known() && std::abs(now.si - si) < 1e-9) return;
  job.built.clear(p);
  job.plan.set(p, {si, How::stated, 0.0, {}});
}

}  // namespace

void choose_cell(Session& session, const Cell& cell, const AssistOption* option,
                 const QString& merge) {
  const auto bore_name = [&](double bore_m) {
    const BoreSize* size = named_bore(Length{bore_m});
    return size ? text_of(size->name) : quantity_text(bore_m, Kind::length, 2, session.style());
  };
  QString name = QObject::tr("bore %1").arg(bore_name(cell.bore_m));
  if (cell.bore2_m > 0)
    name += QObject::tr(" and %1").arg(bore_name(cell.bore2_m));
  else
    name += QObject::tr(" at %1").arg(cell.ratio, 0, 'f', 2);
  if (option) name += QStringLiteral(", ") + text_of(option->words, session.style());
  session.edit(
      name,
      [&](Job& job) {
        set_plan(job, param::master_bore, cell.bore_m);
        if (option) {
          set_plan(job, param::assist_kind, static_cast<double>(option->kind));
          if (option->kind == choice::AssistKind::vacuum &&
              !value_of(job, As::plan, param::assist_diaphragm1).known())
            set_plan(job, param::assist_diaphragm1, kUsualDiaphragm_m);
        }
        if (cell.bore2_m > 0) {
          set_plan(job, param::master_bore2, cell.bore2_m);
          return;
        }
        const Value pin = value_of(job, As::plan, param::control_pin_arm);
        const double pad = value_of(job, As::plan, param::control_pad_arm).si;
        const auto now = arm_ratio(job, As::plan);
        // By proportion where a ratio stands: an intermediate lever keeps its own share.
        if (now && std::abs(*now - cell.ratio) > 0.01)
          set_plan(job, param::control_pin_arm, pin.si * *now / cell.ratio);
        else if (!now && pad > 0)
          set_plan(job, param::control_pin_arm, pad / cell.ratio);
      },
      merge);
}

namespace {

/// Old against new by what is known of them; nothing while a bore or an arm is not.
std::optional<Expected<Relative>> relative_of(const Job& job) {
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  const auto old_bore = equivalent_bore(found);
  const auto new_bore = equivalent_bore(plan);
  const auto old_ratio = arm_ratio(found);
  const auto new_ratio = arm_ratio(plan);
  if (!old_bore || !new_bore || !old_ratio || !new_ratio) return std::nullopt;
  return relative(*old_bore, *new_bore, *old_ratio, *new_ratio);
}

}  // namespace

QString relative_sentence(const Job& job, const Style& style) {
  const auto r = relative_of(job);
  if (!r)
    return QObject::tr(
        "Enter two bores and the two arms of the pedal: that alone says how much harder and "
        "shorter.");
  if (!*r) return error_text(r->error(), style);
  return QObject::tr("Force × %1, travel × %2 by bore and ratio alone. %3")
      .arg((*r)->force_factor, 0, 'f', 2)
      .arg((*r)->travel_factor, 0, 'f', 2)
      .arg(text_of(relative_words(**r), style));
}

QString equal_feel(const Job& job, const Style& style) {
  const auto r = relative_of(job);
  // With a bar one bore alone would not do.
  if (!r || !*r || resolve(job, As::plan).is(choice::MasterKind::twin)) return {};
  const BoreSize* size = named_bore((*r)->equal_bore);
  return QObject::tr("same feel as found with bore %1, or ratio %2")
      .arg(size ? text_of(size->name)
                : quantity_text((*r)->equal_bore.value(), Kind::length, 2, style))
      .arg((*r)->equal_ratio, 0, 'f', 2);
}

}  // namespace yoke
