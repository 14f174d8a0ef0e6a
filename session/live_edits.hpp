// A pedal pressed at an instrument: what a recorded press gives, how it gets into the job, and what
// is drawn while it is pressed.
#pragma once

#include <deque>

#include "paint/plot.hpp"
#include "protocol/recorded.hpp"
#include "session/session.hpp"

namespace yoke {

/// Puts readings and sink into the job, in one step of undo (of the stand-in: nothing), and keeps
/// the samples beside it where it has a file. `lost`: samples the line dropped or spoiled; `when`:
/// this moment.
[[nodiscard]] Expected<LiveTaken> take_recording(Session& session, const Trace& trace,
                                                 const PressWay& how, int lost,
                                                 const std::string& when);
/// Where the samples of a job stand; a name with a folder in it stands nowhere.
[[nodiscard]] QString recording_path(const QString& job_path, const QString& name);

/// Takes the samples that a job names along to where it is saved now; how many could not be copied.
[[nodiscard]] int carry_recordings(const QString& from_job, const QString& to_job, const Job& job);

/// What the fit makes of presses on the stand-in, the job left as it is.
[[nodiscard]] std::vector<Message> practice_words(const Job& job,
                                                  const std::vector<Reading>& readings);

/// A channel read at two known points from now on.
[[nodiscard]] Expected<bool> set_points(Session& session, const Calibration& points);
/// The latest two points of a channel; nothing: none.
[[nodiscard]] const Calibration* points_of(const Job& job, ChannelWhat what);

/// The band of 8 in 10 behind a prediction's curve: `share` is the standard uncertainty of a travel
/// over the travel (proof_share), `curve` the curve it belongs to.
void band_behind(PlotInput& in, std::size_t curve, double share);
/// Which curve of the prediction a press belongs to; nothing: there is none.
[[nodiscard]] std::optional<std::size_t> curve_behind(const Job& job, const PlotInput& in,
                                                      bool assist);

/// Push over travel as it is pressed: `base` is the prediction, `ghosts` earlier presses.
[[nodiscard]] PlotInput live_plot(const Session& session, PlotInput base, const Trace& now,
                                  const std::vector<Trace>& ghosts);
/// Pressures over the last seconds.
[[nodiscard]] PlotInput pressure_plot(const Session& session, const InstrumentHead& head,
                                      const std::deque<LineSample>& lately);

}  // namespace yoke
