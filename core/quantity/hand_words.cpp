#include "quantity/hand_words.hpp"

#include <cctype>
#include <utility>

namespace yoke {

namespace {

using Pair = std::pair<std::string_view, std::string_view>;

/// Where another word is not enough.
constexpr Pair kWhole[] = {
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
constexpr Pair kWords[] = {{"pedal box", "lever mount"},
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

bool letter(char c) {
  return std::isalpha(static_cast<unsigned char>(c)) != 0;
}

/// The word at this place, whole; its first letter may be a capital.
bool stands_at(std::string_view text, std::size_t at, std::string_view word) {
  if (at + word.size() > text.size() || (at > 0 && (letter(text[at - 1]) || text[at - 1] == '.')))
    return false;
  if (at + word.size() < text.size() && letter(text[at + word.size()])) return false;
  for (std::size_t i = 0; i < word.size(); ++i) {
    const char c = text[at + i];
    const char small = i == 0 ? static_cast<char>(std::tolower(static_cast<unsigned char>(c))) : c;
    if (small != word[i]) return false;
  }
  return true;
}

const Pair* word_at(std::string_view text, std::size_t at) {
  for (const Pair& p : kWords)
    if (stands_at(text, at, p.first)) return &p;
  return nullptr;
}

}  // namespace

std::string for_hand(std::string_view english) {
  for (const auto& [from, to] : kWhole)
    if (english == from) return std::string(to);
  for (const std::string_view leave : kLeave)
    if (english.find(leave) != std::string_view::npos) return std::string(english);
  std::string out;
  for (std::size_t i = 0; i < english.size();) {
    const Pair* const p = word_at(english, i);
    if (p == nullptr) {
      out += english[i++];
      continue;
    }
    const bool capital = std::isupper(static_cast<unsigned char>(english[i])) != 0;
    out += capital ? static_cast<char>(std::toupper(static_cast<unsigned char>(p->second.front())))
                   : p->second.front();
    out += p->second.substr(1);
    i += p->first.size();
  }
  return out;
}

}  // namespace yoke
