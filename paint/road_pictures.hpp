// The road, drawn: its stages as a lane from the yard to the hard stop, and one stop on the ground:
// where it began to brake, where it stood, and where the target stop would have ended.
#pragma once

#include "paint/picture.hpp"
#include "road/permits.hpp"

namespace yoke {

/// Spots "stage:<n>"; as high as its rows ask for.
[[nodiscard]] Picture road_path_picture(const std::vector<RoadStep>& steps, std::size_t at,
                                        const Style& style, QSizeF size);
/// Wheels from above after a run; what is further apart side to side than it should be is marked.
[[nodiscard]] Picture heat_picture(const std::map<std::string, WheelHeat>& heat,
                                   const std::vector<HeatPair>& pairs, const Style& style,
                                   QSizeF size);
/// `wanted_z`: the target stop in g.
[[nodiscard]] Picture stop_picture(const std::optional<RoadStop>& stop, double wanted_z,
                                   const Style& style, QSizeF size);

}  // namespace yoke
