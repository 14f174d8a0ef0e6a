// A vehicle that is bled, simulated: what comes out of a nipple, what stays, what the reservoir
// does. Known to itself only; whoever bleeds it sees bubbles or none.
//   air stands in parcels along each line and in a pool at its end. What flows carries a parcel on
//   by a share of the fluid that passed (bubbles cling); what reaches the end rises into the pool;
//   the pool leaves by the nipple, a share with each flow, where the nipple is at the top. Air in
//   the master goes with the fluid that leaves it. A chamber that runs below its port draws air.
// Shares are drawn once a flow; common practice, no source.
#pragma once

#include <cstdint>
#include <map>
#include <random>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "work/bleed_methods.hpp"
#include "work/bleeding.hpp"

namespace yoke {

struct BleedFaults {
  double worn_cup = 0;       ///< share of a stroke that slips past the cup, 0 … 0.5
  std::string thread_leak;   ///< key of a nipple whose thread lets air in under vacuum
  std::string upside_down;   ///< key of a nipple below the highest place
  double chamber_share = 1;  ///< what the chambers hold at the start, of full
};

/// What somebody at the nipple sees.
struct SeenFlow {
  bool bubbles = false;
  double out_m3 = 0;      ///< fluid and air through the nipple
  bool drew_air = false;  ///< the reservoir's port was bare: the pedal tells
  bool ran_over = false;
};

class BleedCar {
 public:
  /// `air`: share of each line that is air, evenly strewn; 1: dry. Fails while the plan of the job
  /// cannot be said.
  static Expected<BleedCar> make(const Job& job, const BleedFaults& faults, double air,
                                 double master_air, std::uint64_t seed);

  /// One count at a nipple, in a way.
  SeenFlow count(const std::string& key, BleedWayId way);
  /// One slow push of the master by itself, tubes or plugs; gives how far it went.
  struct SeenPush {
    bool bubbles = false;
    double push_m = 0;
  };
  SeenPush push_master(BleedWayId bench);
  /// Filled to the brim; `down`: drawn down, for what is pushed in from below.
  void top_up(bool down = false);

  /// What nobody sees.
  [[nodiscard]] double air_m3(const std::string& key) const;
  [[nodiscard]] double master_air_m3() const;
  [[nodiscard]] double all_air_m3() const;
  /// Fluid above the ports, the least of the chambers.
  [[nodiscard]] double level_m3() const;
  [[nodiscard]] std::vector<std::string> keys() const;
  /// Air that a person sees leave a nipple: a bubble of 2.7 mm.
  static constexpr double kSeen_m3 = 0.01e-6;

 private:
  struct Parcel {
    double before_end_m3 = 0;  ///< fluid between it and the line's end
    double air_m3 = 0;
  };
  struct Branch {
    double line_m3 = 0, content_m3 = 0, stroke_m3 = 0;
    int chamber = 0;
    std::vector<Parcel> parcels;
    double pool_m3 = 0;
    double leak_m3 = 0;  ///< past the thread, a mark under vacuum
    bool low = false;
  };
  struct Chamber {
    double full_m3 = 0, level_m3 = 0;
    double master_m3 = 0;  ///< fluid between piston and outlet
    double master_air_m3 = 0;
  };
  BleedCar() = default;
  double share(double least, double most);
  double drawn(Chamber& c, double fluid_m3, SeenFlow& seen);
  void carry(Branch& b, double fluid_m3);
  double leave(Branch& b, double fluid_m3);
  SeenFlow down(Branch& b, double fluid_m3, bool vacuum);
  SeenFlow up(Branch& b, double fluid_m3);

  std::map<std::string, Branch> branches_;
  std::vector<std::string> order_;
  std::vector<Chamber> chambers_;
  double room_m3_ = 0;  ///< for what is pushed in from below
  std::mt19937_64 draw_;
};

}  // namespace yoke
