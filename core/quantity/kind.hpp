// Kinds of quantity, and how a reader wants them written.
#pragma once

namespace yoke {

/// What a number measures. Numbers of every kind are held in SI (a temperature in °C, a choice as
/// the index of its option).
enum class Kind {
  length,       ///< m
  area,         ///< m2
  volume,       ///< m3
  force,        ///< N
  pressure,     ///< Pa, gauge unless the parameter says absolute
  mass,         ///< kg
  angle,        ///< rad
  temperature,  ///< degrees Celsius
  altitude,     ///< m above sea level
  pitch,        ///< m per turn of a thread; also entered as threads per inch
  fraction,     ///< 1; shown as percent
  number,       ///< 1; a plain number (ratio, friction, gain)
  time,         ///< s
  flow,         ///< m3/s
  spring_rate,  ///< N/m
  torque,       ///< N m
  speed,        ///< m/s
  current,      ///< A
  choice,       ///< index of an option
};

/// Which units are shown first.
enum class UnitStyle { metric, imperial, both };

/// How numbers are written; a value passed in, never a global.
struct Style {
  UnitStyle units = UnitStyle::both;
  bool decimal_comma = false;
  bool hand = false;  ///< the job is pulled by hand: its texts say lever where others say pedal
  bool operator==(const Style&) const = default;
};

}  // namespace yoke
