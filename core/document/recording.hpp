// What instruments on a line told while a pedal was pressed: raw samples in a file beside the job,
// and the two known points by which a channel is read.
#pragma once

#include <string>

#include "document/measured.hpp"

namespace yoke {

/// A channel of an instrument at two known points: it is straight between and beyond them.
struct Calibration {
  std::string channel;  ///< as the instrument names it: "force"
  double low_raw = 0;   ///< what the instrument told at the lower known point
  double low = 0;       ///< what it was, SI
  double high_raw = 1;
  double high = 1;
  double plus_minus = 0;  ///< of each known point, expanded (k = 2), SI
  std::string when;       ///< "2026-05-31T14:05:09", local
  Unread unread{};
  bool operator==(const Calibration&) const = default;
};

/// One recorded press.
struct Recording {
  std::string file;   ///< its samples, a name beside the job
  std::string when;   ///< "2026-05-31T14:05:09", local
  std::string press;  ///< key of the press of the proof it belongs to; empty: none
  double seconds = 0;
  int samples = 0;
  int lost = 0;  ///< samples that the line dropped or spoiled
  std::string note;
  Unread unread{};
  bool operator==(const Recording&) const = default;
};

}  // namespace yoke
