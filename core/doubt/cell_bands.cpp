#include "doubt/cell_bands.hpp"

#include <atomic>

#include "assembly/assemble.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "doubt/draws.hpp"
#include "quantity/workers.hpp"
#include "sizing/cell_judge.hpp"

namespace yoke {

namespace {

/// What one draw says of every cell.
struct Drawing {
  bool ok = false;
  std::vector<char> passes;
  std::vector<float> effort_n;
  std::vector<float> travel_m;
};

double drawn_share(double drawn, double nominal) {
  return nominal > 0 && drawn > 0 ? drawn / nominal : 1.0;
}

Drawing drawing(const Drawn& d, const SweepRequest& map, const Sweep& cells, std::uint64_t seed,
                std::size_t sample) {
  Drawing out;
  const Values plan = drawn_values(d, seed, sample).second;
  const CellJudge judge(plan);
  if (!judge.possible()) return out;
  out.ok = true;
  const Values& nominal = d.values[1];
  const double bore = drawn_share(plan.si(param::master_bore), nominal.si(param::master_bore));
  const double bore2 = drawn_share(plan.si(param::master_bore2), nominal.si(param::master_bore2));
  const double ratio = drawn_share(arm_ratio(plan).value_or(0), arm_ratio(nominal).value_or(0));
  for (const Cell& cell : cells.cells) {
    // Bores and arms of a cell are as doubtful as the plan's own.
    Cell place = cell;
    place.bore_m *= bore;
    place.bore2_m *= bore2;
    place.ratio *= ratio;
    const Cell c = judge.judged(place, map);
    out.passes.push_back(c.fails == Limit::none);
    out.effort_n.push_back(static_cast<float>(c.effort_n));
    out.travel_m.push_back(static_cast<float>(c.travel_m));
  }
  return out;
}

std::vector<CellBand> gathered(const std::vector<Drawing>& all, std::size_t cells) {
  std::vector<CellBand> bands(cells);
  for (std::size_t i = 0; i < cells; ++i) {
    std::vector<double> effort;
    std::vector<double> travel;
    for (const Drawing& d : all) {
      if (!d.ok) continue;
      ++bands[i].draws;
      bands[i].passes += d.passes[i] ? 1 : 0;
      effort.push_back(d.effort_n[i]);
      travel.push_back(d.travel_m[i]);
    }
    bands[i].effort = band_of(effort);
    bands[i].travel = band_of(travel);
  }
  return bands;
}

}  // namespace

Expected<std::vector<CellBand>> cell_bands(const Job& job, const SweepRequest& map,
                                           const Sweep& cells, const DoubtRequest& q) {
  if (q.samples < 8 || q.samples > 1000)
    return fail({"samples", std::to_string(q.samples), "8 to 1000",
                 "That many draws cannot be made", "40 are enough for a map"});
  const Drawn d = doubtful_job(job);
  std::vector<Drawing> all(q.samples);
  std::atomic<std::size_t> next{0};
  std::atomic<bool> cancelled{false};
  const auto work = [&](bool tells) {
    for (std::size_t i = next++; i < q.samples && !cancelled; i = next++) {
      all[i] = drawing(d, map, cells, q.seed, i);
      if (tells && q.progress &&
          !q.progress(static_cast<double>(i) / static_cast<double>(q.samples)))
        cancelled = true;
    }
  };
  if (!run_workers(q.threads, work) || cancelled)
    return fail({"samples", "", "", "The run was cancelled, or found no memory",
                 "Start it again when you like"});
  return gathered(all, cells.cells.size());
}

}  // namespace yoke
