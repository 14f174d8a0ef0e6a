// What a job may hold. Reader, writer, every edit and the window's fields obey these same limits,
// so that whatever was saved can be opened again.
#pragma once

#include <cstddef>

namespace yoke {

/// Larger files are refused unread.
inline constexpr std::size_t kMostFileBytes = 4u << 20;
/// Levels of nesting, and values altogether, in a job file.
inline constexpr int kMostDepth = 32;
inline constexpr std::size_t kMostValues = 130000;

inline constexpr std::size_t kMostText = 20000;  ///< bytes of one note, title …
inline constexpr std::size_t kMostKey = 100;     ///< bytes of a step's or gate's id
inline constexpr std::size_t kMostEntries = 2000;
inline constexpr std::size_t kMostReadings = 2000;
inline constexpr std::size_t kMostCandidates = 24;
inline constexpr std::size_t kMostLater = 50;
inline constexpr std::size_t kMostOwnSteps = 100;
inline constexpr std::size_t kMostTubes = 60;
inline constexpr std::size_t kMostTubeCorners = 1200;
inline constexpr std::size_t kMostTakenOff = 300;
inline constexpr std::size_t kMostCalibrations = 100;
inline constexpr std::size_t kMostRecordings = 200;
inline constexpr std::size_t kMostStops = 300;
inline constexpr std::size_t kMostForetold = 200;
inline constexpr std::size_t kMostEvents = 4000;
inline constexpr std::size_t kMostPoints = 300;
inline constexpr std::size_t kMostOrderFacts = 300;
inline constexpr std::size_t kMostParts = 200;
inline constexpr std::size_t kMostBoxes = 60;

/// Least and most, SI.
struct Range {
  double least = 0;
  double most = 0;
  [[nodiscard]] constexpr bool holds(double v) const { return v >= least && v <= most; }
};
inline constexpr Range kReadingForce{0, 5000};
inline constexpr Range kReadingForceUncertainty{0, 1000};
inline constexpr Range kReadingTravel{0, 1};
inline constexpr Range kReadingTravelUncertainty{0, 0.2};
inline constexpr Range kReadingPressure{0, 40e6};
inline constexpr Range kPumpTravel{0, 1};
inline constexpr Range kPumpHold{0, 86400};
inline constexpr Range kBoxPlace{-5, 5};
inline constexpr Range kTubeOutside{0.003, 0.02};
inline constexpr Range kTubeRadius{0.003, 0.3};
inline constexpr Range kTubePlace{-10, 10};
inline constexpr Range kTubeSupport{0.02, 2};
inline constexpr Range kJointBore{0.0002, 0.02};
inline constexpr Range kPush{0, 0.1};
inline constexpr Range kJointTorque{0.5, 300};
inline constexpr Range kPieces{0, 1000};
inline constexpr Range kStopSpeed{0, 60};
inline constexpr Range kStopDistance{0, 1000};
inline constexpr Range kStopSlope{-0.5, 0.5};
inline constexpr Range kRaw{-1e9, 1e9};
/// Of one recording: ten minutes at a hundred samples a second, and as much again.
inline constexpr Range kRecordingLength{0, 1200};
inline constexpr Range kHeat{-60, 1200};
inline constexpr Range kHeatDoubt{0, 200};
inline constexpr Range kEventTime{0, 1e8};
inline constexpr Range kMoney{-1e9, 1e9};
inline constexpr Range kBoxLength{0, 5};
inline constexpr Range kBoxSwing{0, 1};
/// Of a length or a force, SI.
inline constexpr Range kGateRead{0, 5000};
inline constexpr int kMostCount = 100000;

}  // namespace yoke
