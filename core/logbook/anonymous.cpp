#include "logbook/anonymous.hpp"

namespace yoke {

namespace {

void blank_notes(MeasuredSet& sheet) {
  for (const ParamInfo& p : all_params()) {
    auto m = sheet.at(p.param);
    if (!m || m->note.empty()) continue;
    m->note.clear();
    sheet.set(p.param, *m);
  }
}

void blank_records(Job& job) {
  for (auto& [key, s] : job.steps) {
    s.note.clear();
    s.photo.clear();
  }
  for (auto& [key, g] : job.gates) {
    // Without a name a proof is a claim: it says that somebody gave it, not who.
    if (!g.who.empty()) g.who = "somebody";
    g.note = g.note.empty() ? "" : "seen";
    g.photo.clear();
  }
  for (auto& [key, p] : job.permits) {
    if (!p.who.empty()) p.who = "somebody";
    if (!p.place.empty()) p.place = "somewhere";
  }
  for (auto& [key, j] : job.joints) j.note.clear();
}

}  // namespace

Job without_names(Job job) {
  job.title = "A job";
  job.vehicle.clear();
  job.notes.clear();
  job.recordings.clear();  // their files stay where they are
  for (MeasuredSet* sheet : {&job.found, &job.plan, &job.built}) blank_notes(*sheet);
  blank_records(job);
  for (Reading& r : job.readings) r.note.clear();
  for (Reading& r : job.before) r.note.clear();
  for (TakenOff& t : job.taken_off) t.photo.clear();
  for (PartInHand& p : job.parts) p.note.clear();
  for (RoadStop& s : job.stops) s.note.clear();
  for (Event& e : job.events) {
    e.who.clear();
    e.note.clear();
    if (e.kind == EventKind::photo) e.was = e.is = {};
  }
  for (OpenPoint& p : job.points) {
    if (!p.who.empty()) p.who = "somebody";
    if (!p.reason.empty()) p.reason = "signed off";
  }
  return job;
}

}  // namespace yoke
