#include "quantity/american_words.hpp"

#include "quantity/word_swap.hpp"

namespace yoke {

namespace {

// Common usage of the trade, no source.
constexpr WordPair kWords[] = {{"flare spanner", "flare-nut wrench"},
                               {"flare spanners", "flare-nut wrenches"},
                               {"bleed nipple", "bleeder screw"},
                               {"bleed nipples", "bleeder screws"},
                               {"spanner", "wrench"},
                               {"spanners", "wrenches"},
                               {"tyre", "tire"},
                               {"tyres", "tires"},
                               {"centre", "center"},
                               {"centres", "centers"},
                               {"centred", "centered"},
                               {"centreline", "centerline"},
                               {"gearbox", "transmission"},
                               {"handbrake", "parking brake"},
                               {"petrol", "gasoline"},
                               {"weighbridge", "truck scale"},
                               {"swarf", "chips"},
                               {"aluminium", "aluminum"},
                               {"catalogue", "catalog"},
                               {"catalogues", "catalogs"},
                               {"metre", "meter"},
                               {"metres", "meters"},
                               {"millimetre", "millimeter"},
                               {"millimetres", "millimeters"},
                               {"litre", "liter"},
                               {"litres", "liters"},
                               {"moulded", "molded"},
                               {"neighbour", "neighbor"},
                               {"neighbours", "neighbors"},
                               {"vapour", "vapor"},
                               {"colour", "color"},
                               {"colours", "colors"},
                               {"cancelled", "canceled"},
                               {"ageing", "aging"},
                               {"towards", "toward"},
                               {"upwards", "upward"},
                               {"downwards", "downward"},
                               {"practise", "practice"}};

}  // namespace

std::string for_america(std::string_view english) {
  return with_words(english, kWords);
}

}  // namespace yoke
