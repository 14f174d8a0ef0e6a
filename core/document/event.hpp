// The logbook of a job: what happened when, appended and never changed; and what stands open until
// it is done or signed off.
#pragma once

#include <string>

#include "document/enum_words.hpp"
#include "document/finding.hpp"
#include "document/measured.hpp"

namespace yoke {

template <>
struct EnumWords<Stage> {
  static constexpr std::array all{
      EnumWord{"survey", "Survey"}, EnumWord{"size", "Size"},   EnumWord{"fit", "Fit"},
      EnumWord{"rod", "Rod"},       EnumWord{"plumb", "Plumb"}, EnumWord{"install", "Install"},
      EnumWord{"bleed", "Bleed"},   EnumWord{"prove", "Prove"}, EnumWord{"record", "Record"}};
};

/// What happened. The first nine are read from what was changed, the rest is entered.
enum class EventKind {
  measured,
  planned,
  built,
  step,
  part,
  bled,
  read,
  proof,
  road,
  photo,
  state,
  other,
  worked,
  waited,
  wasted,
  cost,
  moved,
  note,
  undone
};
template <>
struct EnumWords<EventKind> {
  static constexpr std::array all{
      EnumWord{"measured", "measured"},   EnumWord{"planned", "planned"},
      EnumWord{"built", "as built"},      EnumWord{"step", "step"},
      EnumWord{"part", "part"},           EnumWord{"bled", "bled"},
      EnumWord{"read", "pedal read"},     EnumWord{"proof", "proof"},
      EnumWord{"road", "road"},           EnumWord{"photo", "photo"},
      EnumWord{"state", "state"},         EnumWord{"other", "changed"},
      EnumWord{"worked", "time worked"},  EnumWord{"waited", "time waited"},
      EnumWord{"wasted", "time wasted"},  EnumWord{"cost", "money spent"},
      EnumWord{"moved", "moved by hand"}, EnumWord{"note", "note"},
      EnumWord{"undone", "undone"}};
};

/// One line of the logbook. Words are made when it is shown; here stand keys and values.
struct Event {
  EventKind kind = EventKind::note;
  Stage stage = Stage::survey;
  std::string when;     ///< "2026-05-31T14:05:09", local
  std::string subject;  ///< id of a value, key of a step or a gate, name of a part
  std::string was, is;  ///< SI numbers, option keys or the builder's words
  double seconds = 0;   ///< worked, waited or wasted
  double money = 0;     ///< in the builder's own
  std::string who;
  std::string note;
  Unread unread{};
  bool operator==(const Event&) const = default;
};

/// Something that must not be forgotten: it keeps the job from being called proved until it is
/// done, or somebody signs it off with a reason.
struct OpenPoint {
  std::string what;
  Stage stage = Stage::record;
  std::string since;   ///< ISO day
  std::string done;    ///< ISO day; empty: open
  std::string who;     ///< who signed it off
  std::string reason;  ///< why it may stay
  Unread unread{};
  bool operator==(const OpenPoint&) const = default;
};

/// Neither done nor signed off: a name without a reason signs nothing.
[[nodiscard]] inline bool is_open(const OpenPoint& p) {
  return p.done.empty() && (p.who.empty() || p.reason.empty());
}

}  // namespace yoke
