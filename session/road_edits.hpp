// The road as it is entered under Prove: what is answered for, stops as typed, what was done after.
#pragma once

#include "road/permits.hpp"
#include "session/session.hpp"

namespace yoke {

/// A stop as typed; what is empty is not known.
struct StopEntry {
  std::string speed, speed_doubt, distance, distance_doubt, slope, note;
  LockSeen locked = LockSeen::not_watched;
  bool pulled = false;
};
[[nodiscard]] Expected<RoadStop> typed_stop(RoadStage stage, const StopEntry& entry,
                                            const Style& style);
/// Into the job, where its stage is open; `when`: this moment.
[[nodiscard]] Expected<bool> take_stop(Session& session, RoadStage stage, const StopEntry& entry,
                                       const std::string& when);
[[nodiscard]] Expected<bool> take_out_stop(Session& session, std::size_t at);
/// The stages of the open job.
[[nodiscard]] std::vector<RoadStep> road_of(const Session& session);
/// What is answered for before a stage; nothing yet: empty.
[[nodiscard]] RoadPermit permit_of(const Job& job, RoadStage stage);
[[nodiscard]] Expected<bool> answer_permit(Session& session, RoadStage stage,
                                           const RoadPermit& permit);
/// "80 °C ± 5": of a wheel after a run, by its key; empty takes it out. Without a ± it has that of
/// a thermometer held to the rim.
[[nodiscard]] Expected<bool> set_heat(Session& session, const std::string& wheel,
                                      const std::string& typed, const std::string& when);
/// How many stops and from what speed, as the linings' maker asks; empty: the usual.
[[nodiscard]] Expected<bool> set_series(Session& session, Param param, const QString& typed);
[[nodiscard]] Expected<bool> tick_after(Session& session, const AfterRun& item, bool done);

}  // namespace yoke
