#include "quantity/hand_words.hpp"

#include "quantity/word_swap.hpp"

namespace yoke {

namespace {

/// Where another word is not enough.
constexpr WordPair kWhole[] = {
    {"From the middle of the pivot bolt to the middle of the pedal pad, straight; of a hand lever "
     "to "
     "where the fingers pull. Not the overall length.",
     "From the middle of the pivot bolt to where the fingers pull, straight. Not the overall "
     "length."},
    {"No readings yet. Bathroom scale between foot and pedal pad, tape from the seat: three light "
     "presses, two firm ones.",
     "No readings yet. Luggage scale hooked where the fingers pull, tape to the grip: three light "
     "pulls, two firm ones."},
    {"The same steady push for all of them, engine off: a firm hand or a light foot. A luggage "
     "scale at the pedal tells.",
     "The same steady pull for all of them. A luggage scale at the lever tells."},
    {"Pedal, accelerator, lamp", "Brake lamp"},
    {"Heights and the lamp's switch", "The lamp's switch"},
    {"every pedal on that bracket: height, play, free return",
     "everything on that clamp: play, free return"},
};

/// Longest first: the pad of a pedal is where the fingers lie.
constexpr WordPair kWords[] = {{"pedal box", "lever mount"},
                               {"pedal pads", "finger positions"},
                               {"pedal pad", "finger position"},
                               {"pedals", "levers"},
                               {"pedal", "lever"},
                               {"cars", "bikes"},
                               {"car", "bike"},
                               {"feet", "hands"},
                               {"foot", "hand"},
                               {"floor", "grip"}};

/// These keep their foot, or speak of both already.
constexpr std::string_view kLeave[] = {"foot valve", "and lever", "Hand lever", "pedal or lever",
                                       "firm hand"};

}  // namespace

std::string for_hand(std::string_view english) {
  for (const auto& [from, to] : kWhole)
    if (english == from) return std::string(to);
  for (const std::string_view leave : kLeave)
    if (english.find(leave) != std::string_view::npos) return std::string(english);
  return with_words(english, kWords);
}

}  // namespace yoke
