// The records of a job file, each described once: key, words, kind, range. The reader, the writer,
// the schema and the check of every edit all walk these descriptions.
#pragma once

#include "document/job.hpp"
#include "files/limits.hpp"

namespace yoke {

template <class Record>
struct Tag {};

/// How a member that is not known stands in the file.
enum class Absent { left_out, null };

template <class A>
void describe(A& a, Tag<StepRecord>) {
  a.flag("done", &StepRecord::done);
  a.text("date", "date", &StepRecord::date);
  a.text("note", "note", &StepRecord::note);
  a.text("waits", "when it was ticked", &StepRecord::waits);
  a.text("photo", "photo", &StepRecord::photo);
}

template <class A>
void describe(A& a, Tag<BleedRecord>) {
  a.count("strokes", "strokes", &BleedRecord::strokes);
  a.count("refills", "refills", &BleedRecord::refills);
  a.count("clear_strokes", "clear strokes", &BleedRecord::clear_strokes);
  a.count("topped_at", "strokes at the last refill", &BleedRecord::topped_at);
  a.count("ran_dry", "times run dry", &BleedRecord::ran_dry);
  a.count("began_at", "strokes when air was last drawn", &BleedRecord::began_at);
  a.text("way", "how it was counted", &BleedRecord::way);
  a.maybe("push_m", "push against plugs", &BleedRecord::push_m, kPush, Absent::left_out);
  a.maybe("push_then_m", "push before it", &BleedRecord::push_then_m, kPush, Absent::left_out);
}

template <class A>
void describe(A& a, Tag<GateRecord>) {
  a.word("state", "state", &GateRecord::state);
  a.text("date", "date", &GateRecord::date);
  a.text("note", "what was seen", &GateRecord::note);
  a.text("who", "who proved it", &GateRecord::who);
  a.text("when", "when it was proved", &GateRecord::when);
  a.text("instrument", "what it was read with", &GateRecord::instrument);
  a.maybe("read", "number read", &GateRecord::read, kGateRead, Absent::left_out);
  a.number("plus_minus", "± of the number read", &GateRecord::read_uncertainty, kGateRead);
  a.text("photo", "photo", &GateRecord::photo);
  a.text("opened", "nipples opened", &GateRecord::opened);
  a.words("rests_on", "what it rests on", &GateRecord::rests_on);
}

template <class A>
void describe(A& a, Tag<Reading>) {
  a.number("force_N", "force", &Reading::force_n, kReadingForce);
  a.number("travel_m", "travel", &Reading::travel_m, kReadingTravel);
  a.number("force_plus_minus_N", "± of the force", &Reading::force_uncertainty_n,
           kReadingForceUncertainty);
  a.number("travel_plus_minus_m", "± of the travel", &Reading::travel_uncertainty_m,
           kReadingTravelUncertainty);
  a.flag("assist", &Reading::assist_alive);
  a.flag("second_apply", &Reading::second_apply);
  a.flag("hoses_clamped", &Reading::hoses_clamped);
  a.word("clamped", "hoses clamped off", &Reading::clamped);
  a.maybe("pressure_Pa", "pressure", &Reading::pressure_pa, kReadingPressure, Absent::left_out);
  a.flag("rejected", &Reading::rejected);
  a.text("note", "note", &Reading::note);
}

template <class A>
void describe(A& a, Tag<PumpTest>) {
  a.maybe("first_m", "travel of the 1st press", &PumpTest::first_m, kPumpTravel, Absent::null);
  a.maybe("third_m", "travel of the 3rd press", &PumpTest::third_m, kPumpTravel, Absent::null);
  a.maybe("sink_m", "sink", &PumpTest::sink_m, kPumpTravel, Absent::null);
  a.maybe("hold_s", "time held", &PumpTest::hold_s, kPumpHold, Absent::null);
  a.maybe("light_sink_m", "sink, light foot", &PumpTest::light_sink_m, kPumpTravel,
          Absent::left_out);
  a.maybe("rest_pressure_Pa", "pressure with the foot off", &PumpTest::rest_pressure_pa,
          kReadingPressure, Absent::left_out);
}

template <class A>
void describe(A& a, Tag<Candidate>) {
  a.text("name", "name", &Candidate::name);
  a.text("maker", "maker", &Candidate::maker);
  a.word("kind", "kind", &Candidate::kind);
  a.values("values", &Candidate::sheet);
}

template <class A>
void describe(A& a, Tag<Later>) {
  a.word("what", "conversion", &Later::what);
  a.day("date", "day", &Later::date);
}

template <class A>
void describe(A& a, Tag<Box>) {
  a.text("name", "name", &Box::name);
  a.word("kind", "kind", &Box::kind);
  a.number("x_m", "place forward", &Box::x_m, kBoxPlace);
  a.number("y_m", "place to the right", &Box::y_m, kBoxPlace);
  a.number("z_m", "place up", &Box::z_m, kBoxPlace);
  a.number("dx_m", "length", &Box::dx_m, kBoxLength);
  a.number("dy_m", "width", &Box::dy_m, kBoxLength);
  a.number("dz_m", "height", &Box::dz_m, kBoxLength);
  a.number("swing_m", "swing", &Box::swing_m, kBoxSwing);
}

template <class A>
void describe(A& a, Tag<PartInHand>) {
  a.text("name", "name", &PartInHand::name);
  a.day("promised", "promised day", &PartInHand::promised);
  a.flag("here", &PartInHand::here);
  a.flag("thread", &PartInHand::thread);
  a.flag("seat", &PartInHand::seat);
  a.flag("place", &PartInHand::place);
  a.flag("before_apart", &PartInHand::before_apart);
  a.text("note", "note", &PartInHand::note);
}

template <class A>
void describe(A& a, Tag<JointRecord>) {
  a.word("port_thread", "thread of the port", &JointRecord::port_thread);
  a.word("port_seat", "seat of the port", &JointRecord::port_seat);
  a.word("line_thread", "thread of the nut", &JointRecord::line_thread);
  a.word("line_seat", "seat of the line", &JointRecord::line_seat);
  a.maybe("bore_m", "smallest hole", &JointRecord::bore_m, kJointBore, Absent::left_out);
  a.maybe("torque_Nm", "maker's torque", &JointRecord::torque_nm, kJointTorque, Absent::left_out);
  a.flag("proved", &JointRecord::proved);
  a.text("proved_on", "parts it was proved on", &JointRecord::proved_on);
  a.word("grip", "how it sits", &JointRecord::grip);
  a.text("soaked", "when it was soaked", &JointRecord::soaked);
  a.flag("left_shut", &JointRecord::left_shut);
  a.word("filled", "wiped when filled", &JointRecord::filled);
  a.word("pressed", "wiped after the hard press", &JointRecord::pressed);
  a.word("driven", "wiped after the drive", &JointRecord::driven);
  a.text("note", "note", &JointRecord::note);
}

template <class A>
void describe(A& a, Tag<OwnStep>) {
  a.text("name", "name", &OwnStep::name);
  a.word("place", "place", &OwnStep::place);
  a.flag("helper", &OwnStep::helper);
}

template <class A>
void describe(A& a, Tag<OrderFact>) {
  a.text("first", "step that comes first", &OrderFact::first);
  a.text("then", "step that comes then", &OrderFact::then);
  a.text("why", "reason", &OrderFact::why);
}

template <class A>
void describe(A& a, Tag<TubeLine>) {
  a.text("name", "name", &TubeLine::name);
  a.maybe("outside_m", "outside diameter", &TubeLine::outside_m, kTubeOutside, Absent::left_out);
  a.maybe("radius_m", "bend radius", &TubeLine::radius_m, kTubeRadius, Absent::left_out);
  a.word("start", "flare at the start", &TubeLine::start);
  a.word("end", "flare at the end", &TubeLine::end);
  a.flag("from_face", &TubeLine::from_face);
  a.maybe("support_m", "clip to clip", &TubeLine::support_m, kTubeSupport, Absent::left_out);
}

template <class A>
void describe(A& a, Tag<TubeCorner>) {
  a.text("line", "line", &TubeCorner::line);
  a.number("x_m", "corner forward", &TubeCorner::x_m, kTubePlace);
  a.number("y_m", "corner to the right", &TubeCorner::y_m, kTubePlace);
  a.number("z_m", "corner up", &TubeCorner::z_m, kTubePlace);
}

template <class A>
void describe(A& a, Tag<TakenOff>) {
  a.text("name", "name", &TakenOff::name);
  a.text("order", "order", &TakenOff::order);
  a.text("photo", "photo", &TakenOff::photo);
  a.number("out", "taken off", &TakenOff::out, kPieces);
  a.number("back", "put back", &TakenOff::back, kPieces);
}

template <class A>
void describe(A& a, Tag<Calibration>) {
  a.text("channel", "channel", &Calibration::channel);
  a.number("low_raw", "told at the lower point", &Calibration::low_raw, kRaw);
  a.number("low", "lower point", &Calibration::low, kRaw);
  a.number("high_raw", "told at the upper point", &Calibration::high_raw, kRaw);
  a.number("high", "upper point", &Calibration::high, kRaw);
  a.number("plus_minus", "± of the points", &Calibration::plus_minus, kRaw);
  a.text("when", "when it was set", &Calibration::when);
}

template <class A>
void describe(A& a, Tag<Recording>) {
  a.text("file", "recording", &Recording::file);
  a.text("when", "when it was recorded", &Recording::when);
  a.text("press", "press", &Recording::press);
  a.number("seconds", "length of the recording", &Recording::seconds, kRecordingLength);
  a.count("samples", "samples", &Recording::samples);
  a.count("lost", "samples lost", &Recording::lost);
  a.text("note", "note", &Recording::note);
}

template <class A>
void describe(A& a, Tag<RoadStop>) {
  a.word("stage", "stage", &RoadStop::stage);
  a.number("speed_m_per_s", "speed", &RoadStop::speed_m_s, kStopSpeed);
  a.number("speed_plus_minus", "± of the speed", &RoadStop::speed_plus_minus, kStopSpeed);
  a.number("distance_m", "distance", &RoadStop::distance_m, kStopDistance);
  a.number("distance_plus_minus", "± of the distance", &RoadStop::distance_plus_minus,
           kStopDistance);
  a.number("slope_rad", "slope", &RoadStop::slope_rad, kStopSlope);
  a.word("locked", "locked", &RoadStop::locked);
  a.flag("pulled", &RoadStop::pulled);
  a.text("when", "when it was driven", &RoadStop::when);
  a.text("note", "note", &RoadStop::note);
}

template <class A>
void describe(A& a, Tag<RoadPermit>) {
  a.text("who", "who drives", &RoadPermit::who);
  a.text("place", "the place", &RoadPermit::place);
  a.text("weather", "weather and surface", &RoadPermit::weather);
  a.flag("closed", &RoadPermit::closed);
  a.flag("belts", &RoadPermit::belts);
  a.flag("alone", &RoadPermit::alone);
  a.flag("parking", &RoadPermit::parking);
  a.flag("bedded", &RoadPermit::bedded);
  a.text("when", "when it was answered for", &RoadPermit::when);
}

template <class A>
void describe(A& a, Tag<Foretold>) {
  a.text("what", "what was foretold", &Foretold::what);
  a.number("foretold", "foretold", &Foretold::foretold, kRaw);
  a.number("sigma", "standard uncertainty", &Foretold::sigma, kRaw);
  a.number("came", "what came", &Foretold::came, kRaw);
  a.number("came_sigma", "standard uncertainty of what came", &Foretold::came_sigma, kRaw);
  a.text("when", "when it was kept", &Foretold::when);
}

template <class A>
void describe(A& a, Tag<WheelHeat>) {
  a.number("celsius", "heat of the wheel", &WheelHeat::celsius, kHeat);
  a.number("plus_minus", "± of the heat", &WheelHeat::plus_minus, kHeatDoubt);
  a.text("when", "when it was felt", &WheelHeat::when);
}

template <class A>
void describe(A& a, Tag<Event>) {
  a.word("kind", "what happened", &Event::kind);
  a.word("stage", "stage", &Event::stage);
  a.text("when", "when it happened", &Event::when);
  a.text("subject", "what it is about", &Event::subject);
  a.text("was", "before", &Event::was);
  a.text("is", "after", &Event::is);
  a.number("seconds", "time", &Event::seconds, kEventTime);
  a.number("money", "money", &Event::money, kMoney);
  a.text("who", "who", &Event::who);
  a.text("note", "note", &Event::note);
}

template <class A>
void describe(A& a, Tag<OpenPoint>) {
  a.text("what", "open point", &OpenPoint::what);
  a.word("stage", "stage", &OpenPoint::stage);
  a.day("since", "open since", &OpenPoint::since);
  a.day("done", "done on", &OpenPoint::done);
  a.text("who", "who signed it off", &OpenPoint::who);
  a.text("reason", "reason", &OpenPoint::reason);
}

/// What stands at the top of a job file, its lists and sheets aside.
template <class A>
void describe(A& a, Tag<Job>) {
  a.text("title", "title", &Job::title);
  a.text("vehicle", "vehicle", &Job::vehicle);
  a.text("notes", "notes", &Job::notes);
  a.word("state", "state", &Job::state);
}

/// Lists that most jobs do not have are not written empty.
enum class Empty { written, left_out };

template <class F>
void each_list(F&& f) {
  f("readings", "Reading", &Job::readings, kMostReadings, Empty::written);
  f("before", "Reading as found", &Job::before, kMostReadings, Empty::left_out);
  f("candidates", "Candidate", &Job::candidates, kMostCandidates, Empty::left_out);
  f("later", "Later conversion", &Job::later, kMostLater, Empty::left_out);
  f("boxes", "Box", &Job::boxes, kMostBoxes, Empty::left_out);
  f("parts", "Part", &Job::parts, kMostParts, Empty::left_out);
  f("own_steps", "Own step", &Job::own_steps, kMostOwnSteps, Empty::left_out);
  f("tubes", "Line", &Job::tubes, kMostTubes, Empty::left_out);
  f("tube_corners", "Corner of a line", &Job::tube_corners, kMostTubeCorners, Empty::left_out);
  f("taken_off", "Taken off", &Job::taken_off, kMostTakenOff, Empty::left_out);
  f("calibrations", "Calibration", &Job::calibrations, kMostCalibrations, Empty::left_out);
  f("recordings", "Recording", &Job::recordings, kMostRecordings, Empty::left_out);
  f("stops", "Stop", &Job::stops, kMostStops, Empty::left_out);
  f("foretold", "Foretold", &Job::foretold, kMostForetold, Empty::left_out);
  f("events", "Logbook", &Job::events, kMostEvents, Empty::left_out);
  f("points", "Open point", &Job::points, kMostPoints, Empty::left_out);
  f("order_facts", "Order of the work", &Job::order_facts, kMostOrderFacts, Empty::left_out);
}

template <class F>
void each_map(F&& f) {
  f("steps", "Step", &Job::steps, Empty::written);
  f("bleeding", "Bleeding", &Job::bleeding, Empty::written);
  f("gates", "Gate", &Job::gates, Empty::written);
  f("joints", "Joint", &Job::joints, Empty::left_out);
  f("permits", "Permit", &Job::permits, Empty::left_out);
  f("heat", "Heat of a wheel", &Job::heat, Empty::left_out);
}

template <class F>
void each_sheet(F&& f) {
  f("found", &Job::found);
  f("plan", &Job::plan);
  f("built", &Job::built);
}

}  // namespace yoke
