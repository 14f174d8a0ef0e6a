#include "parts/part.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"
#include "document/param/rod.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

constexpr double kSame = 0.25e-3;  // what a clearance hole forgives, and a rule cannot tell

constexpr PartDim kMaster[] = {
    {param::master_kind, 0, "another kind of master: circuits and lines change"},
    {param::master_bore, 0.03e-3, "force and travel change: see the factors"},
    {param::master_stroke1, 0.3e-3, "other reserve of stroke, circuit 1"},
    {param::master_stroke2, 0.3e-3, "other reserve of stroke, circuit 2"},
    {param::master_step_bore, 0.05e-3, "another take-up volume"},
    {param::rod_snout, 0.1e-3, "the push rod's length changes"},
    {param::rod_socket, 0.1e-3, "the push rod's length changes"},
    {param::unit_rod_kept, 0, "another way of keeping the rod: it must be captive"},
    {param::unit_pilot, 0.1e-3, "the hole must be opened, or bushed"},
    {param::unit_studs, 0, "other holes, or an adapter plate"},
    {param::unit_stud_pitch, kSame, "other holes, or an adapter plate"},
    {param::unit_stud_pitch2, kSame, "other holes, or an adapter plate"},
    {param::unit_stud_size, 0.15e-3, "other nuts, holes to be drilled or sleeved"},
    {param::unit_stud_length, 1e-3, "thread left for the nuts changes"},
    {param::unit_flange, 0.2e-3, "thread left for the nuts changes"},
    {param::unit_length, 2e-3, "room before the firewall changes"},
    {param::unit_body_width, 3e-3, "room around it changes"},
    {param::unit_front_outlet, 0, "front and rear lines change places"},
    {param::unit_port1_side, 0, "line 1 must be bent anew"},
    {param::unit_port1_thread, 0, "another nut or a proved adapter, line 1"},
    {param::unit_port1_seat, 0, "another flare, line 1: it screws in and leaks"},
    {param::unit_port2_side, 0, "line 2 must be bent anew"},
    {param::unit_port2_thread, 0, "another nut or a proved adapter, line 2"},
    {param::unit_port2_seat, 0, "another flare, line 2: it screws in and leaks"},
    {param::unit_inlets, 0, "another reservoir"},
    {param::unit_inlet_pitch, 0.5e-3, "another reservoir"},
    {param::master_reservoir, 5e-6, "less or more fluid over worn linings"},
    {param::unit_chamber2, 5e-6, "less or more fluid over worn linings"},
    {param::master_residual1, 0, "a residual valve more or less: never on discs, never two"},
    {param::master_residual2, 0, "a residual valve more or less: never on discs, never two"},
    {param::unit_switch, 0, "the warning lamp's wiring changes"}};

constexpr PartDim kBooster[] = {
    {param::assist_kind, 0, "another supply"},
    {param::assist_diaphragm1, 2e-3, "another largest assist"},
    {param::assist_diaphragm2, 2e-3, "another largest assist"},
    {param::assist_gain, 0.2, "another feel while it works"},
    {param::assist_stroke, 0.5e-3, "may end before the master does"},
    {param::assist_output_gap, 0.1e-3, "the output rod must be set anew"},
    {param::rod_snout, 0.1e-3, "the push rod's length changes"},
    {param::rod_socket, 0.1e-3, "the push rod's length changes"},
    {param::unit_rod_kept, 0, "another way of keeping the rod"},
    {param::unit_pilot, 0.1e-3, "the master's collar does not fit its hole"},
    {param::unit_studs, 0, "other holes, or an adapter plate"},
    {param::unit_stud_pitch, kSame, "other holes, or an adapter plate"},
    {param::unit_stud_pitch2, kSame, "other holes, or an adapter plate"},
    {param::unit_stud_size, 0.15e-3, "other nuts, holes to be drilled or sleeved"},
    {param::unit_stud_length, 1e-3, "thread left for the nuts changes"},
    {param::unit_length, 2e-3, "room before the firewall changes"},
    {param::unit_body_width, 3e-3, "room around it changes"}};

constexpr PartDim kSlave[] = {
    {param::clutch_kind, 0, "another way of working the fork"},
    {param::clutch_slave_bore, 0.05e-3, "travel and effort change"},
    {param::clutch_slave_inner, 0.05e-3, "travel and effort change"},
    {param::clutch_slave_stroke, 0.5e-3, "may end before the cover releases"},
    {param::unit_studs, 0, "other holes, or an adapter plate"},
    {param::unit_stud_pitch, kSame, "other holes, or an adapter plate"},
    {param::unit_stud_size, 0.15e-3, "other bolts"},
    {param::unit_pilot, 0.1e-3, "does not centre in the housing"},
    {param::unit_flange, 0.2e-3, "rod and thread engaged change"},
    {param::unit_length, 1e-3, "the rod's length changes"},
    {param::unit_port1_side, 0, "the line must be bent anew"},
    {param::unit_port1_thread, 0, "another nut or a proved adapter"},
    {param::unit_port1_seat, 0, "another flare: it screws in and leaks"}};

constexpr PartDim kLever[] = {
    {param::control_kind, 0, "the lever pulls another way"},
    {param::control_pad_arm, 0.5e-3, "another ratio"},
    {param::control_pin_arm, 0.1e-3, "another ratio: the short arm counts most"},
    {param::master_bore, 0.03e-3, "force and travel change"},
    {param::master_stroke1, 0.3e-3, "other reserve of stroke"},
    {param::unit_stud_pitch, kSame, "another clamp"},
    {param::unit_pilot, 0.1e-3, "another bar diameter"},
    {param::unit_port1_thread, 0, "another banjo bolt: pitch first"},
    {param::unit_port1_seat, 0, "another end on the hose"},
    {param::unit_port1_side, 0, "hose length and eye angle change"},
    {param::master_reservoir, 2e-6, "less or more fluid over worn linings"},
    {param::unit_switch, 0, "the stop lamp's switch changes"},
    {param::unit_body_width, 3e-3, "clearance at full lock changes"}};

std::optional<double> known(const std::optional<Measured>& m) {
  return m && m->known() ? std::optional(m->si) : std::nullopt;
}

/// What the matrix says of a dimension of which one side is blank.
Message blank_words(const std::optional<double>& fitted, const std::optional<double>& candidate) {
  if (!fitted && !candidate) return "measure both";
  return fitted ? Message("measure the candidate") : "measure the fitted unit";
}

}  // namespace

std::optional<double> Part::at(Param p) const {
  for (const auto& [param, si] : dims)
    if (param == p) return si;
  return std::nullopt;
}

std::span<const PartDim> part_dims(PartKind kind) {
  switch (kind) {
    case PartKind::master:
      return kMaster;
    case PartKind::booster:
      return kBooster;
    case PartKind::slave:
      return kSlave;
    case PartKind::lever:
      return kLever;
  }
  return {};
}

PartKind part_kind_of(const Job& job) {
  const Value kind = value_of(job, As::plan, param::control_kind);
  return kind.known() && !kind.is(choice::ControlKind::pedal) ? PartKind::lever : PartKind::master;
}

Candidate candidate_of(const Part& part) {
  Candidate c;
  c.name = part.name;
  c.maker = part.maker;
  c.kind = part.kind;
  for (const auto& [p, si] : part.dims) c.sheet.set(p, measured(p, si, How::maker));
  return c;
}

Job with_candidate(const Job& job, const Candidate& candidate) {
  Job out = job;
  for (const PartDim& d : part_dims(candidate.kind)) {
    const auto& own = candidate.sheet.at(d.param);
    // As-built figures belong to the unit that was built in.
    out.built.clear(d.param);
    if (own && own->known())
      out.plan.set(d.param, *own);
    else
      out.plan.set(d.param, Measured{});
  }
  return out;
}

Matrix compare(const Job& job, PartKind kind, const MeasuredSet& sheet) {
  Matrix m;
  for (const PartDim& d : part_dims(kind)) {
    MatrixRow r;
    r.param = d.param;
    r.fitted = known(job.found.at(d.param));
    r.candidate = known(sheet.at(d.param));
    const bool asked = relevant(job, As::found, d.param) || r.candidate.has_value();
    if (!asked && !r.fitted) continue;
    if (r.fitted && r.candidate) {
      const bool choice = info(d.param).kind == Kind::choice;
      r.by = choice ? 0 : *r.candidate - *r.fitted;
      const bool same =
          choice ? *r.candidate == *r.fitted : std::abs(r.by) <= std::max(d.equal_within, 1e-12);
      r.sameness = same ? Sameness::equal : Sameness::differs;
      if (!same) r.consequence = Message::of_table(d.consequence);
      ++(same ? m.equal : m.differ);
    } else {
      r.consequence = blank_words(r.fitted, r.candidate);
      ++m.not_compared;
    }
    m.rows.push_back(std::move(r));
  }
  return m;
}

Message matrix_words(const Matrix& m) {
  const Message counts =
      say("{} equal, {} differ, {} NOT COMPARED", m.equal, m.differ, m.not_compared);
  return m.not_compared > 0 ? say("{}: each of them may be the one that does not fit", counts)
                            : counts;
}

Message sameness_words(const MatrixRow& r) {
  switch (r.sameness) {
    case Sameness::equal:
      return "equal";
    case Sameness::not_compared:
      return "NOT COMPARED";
    case Sameness::differs:
      break;
  }
  const ParamInfo& p = info(r.param);
  if (p.kind == Kind::choice) return "differs";
  Amount by = in_full(r.by, p.kind, std::max(p.digits, 1));
  by.sign = true;
  return say("differs by {}", by);
}

}  // namespace yoke
