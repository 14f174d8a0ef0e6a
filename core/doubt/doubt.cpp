#include "doubt/doubt.hpp"

#include <algorithm>
#include <atomic>
#include <boost/math/special_functions/erf.hpp>
#include <cmath>
#include <thread>

namespace yoke {

namespace {

/// One parameter that is not known exactly.
struct Doubtful {
  Param param = Param::count_;
  double si = 0;
  double sigma = 0;
};

struct Figures {
  bool ok = false;
  bool pass = false;
  double effort_n = 0;
  double travel_m = 0;
  double reserve_share = 0;
};

std::uint64_t split_mix(std::uint64_t x) {
  x += 0x9e3779b97f4a7c15ULL;
  x = (x ^ (x >> 30)) * 0xbf58476d1ce4e5b9ULL;
  x = (x ^ (x >> 27)) * 0x94d049bb133111ebULL;
  return x ^ (x >> 31);
}

std::vector<Doubtful> doubtful_params(const Job& job, Which which) {
  std::vector<Doubtful> list;
  for (const ParamInfo& p : all_params()) {
    if (p.kind == Kind::choice || p.group == Group::target || p.group == Group::rod) continue;
    const Value v = value_of(job, which, p.param);
    if (v.known() && v.doubt_si > 0) list.push_back({p.param, v.si, v.doubt_si / 2});
  }
  return list;
}

double within_range(Param p, double si) {
  return std::clamp(si, info(p).min_si, info(p).max_si);
}

/// Where a drawn value goes so that `value_of` returns it.
Sheet& sheet_of(Job& job, Which which) {
  return which == Which::found ? job.found : job.plan;
}

Figures figures_of(const Job& job, ConditionId id) {
  Figures f;
  const Assembly a = assemble(job, which_of(id));
  if (!a.system || !a.impossible.empty()) return f;
  const auto model = FeelModel::make(*a.system, condition_of(job, id));
  if (!model) return f;
  const Limits l = limits_of(job);
  const TargetReport r = condition_target(id, *model, l);
  f.ok = true;
  f.pass = condition_fault(id, r, l, !a.system->vehicle).empty();
  f.effort_n = r.at.pad_force_n;
  f.travel_m = r.at.pad_travel_m;
  f.reserve_share = r.reserve_share;
  return f;
}

Band band_of(std::vector<double> v) {
  if (v.empty()) return {};
  std::sort(v.begin(), v.end());
  const auto at = [&v](double share) {
    return v[std::min(v.size() - 1, static_cast<size_t>(share * static_cast<double>(v.size())))];
  };
  return {at(0.1), at(0.5), at(0.9)};
}

std::vector<Sensitivity> sensitivities(const Job& bare, ConditionId id,
                                       const std::vector<Doubtful>& doubtful,
                                       const Figures& middle) {
  std::vector<Sensitivity> list;
  const Which which = which_of(id);
  for (const Doubtful& d : doubtful) {
    Figures side[2];
    for (int k = 0; k < 2; ++k) {
      Job job = bare;
      const double si = within_range(d.param, d.si + (k == 0 ? -d.sigma : d.sigma));
      sheet_of(job, which).set(d.param, {si, How::stated, 0.0, {}});
      side[k] = figures_of(job, id);
    }
    if (!side[0].ok || !side[1].ok) continue;
    list.push_back({d.param, (side[1].effort_n - side[0].effort_n) / 2,
                    (side[1].travel_m - side[0].travel_m) / 2});
  }
  const auto weight = [&middle](const Sensitivity& s) {
    return std::abs(s.effort_n) / std::max(1.0, middle.effort_n) +
           std::abs(s.travel_m) / std::max(1e-3, middle.travel_m);
  };
  std::stable_sort(list.begin(), list.end(), [&](const Sensitivity& a, const Sensitivity& b) {
    return weight(a) > weight(b);
  });
  return list;
}

/// The job without its logs and texts: copied for every draw.
Job bare_job(const Job& job, Which which) {
  Job bare;
  bare.found = job.found;
  bare.plan = job.plan;
  // As-built values count as planned here, so that a draw replaces them too.
  if (which == Which::plan)
    for (const ParamInfo& p : all_params())
      if (const auto& b = job.built.at(p.param); b && b->known()) bare.plan.set(p.param, *b);
  return bare;
}

DoubtReport collect(const std::vector<Figures>& all) {
  DoubtReport r;
  std::vector<double> effort;
  std::vector<double> travel;
  std::vector<double> reserve;
  std::size_t passed = 0;
  for (const Figures& f : all) {
    if (!f.ok) {
      ++r.impossible;
      continue;
    }
    effort.push_back(f.effort_n);
    travel.push_back(f.travel_m);
    reserve.push_back(f.reserve_share);
    passed += f.pass ? 1 : 0;
  }
  r.samples = all.size();
  if (!effort.empty())
    r.pass_share = static_cast<double>(passed) / static_cast<double>(effort.size());
  r.effort_n = band_of(std::move(effort));
  r.travel_m = band_of(std::move(travel));
  r.reserve_share = band_of(std::move(reserve));
  return r;
}

}  // namespace

double counter_uniform(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample) {
  const std::uint64_t bits = split_mix(split_mix(split_mix(seed) ^ stream) ^ sample);
  return (static_cast<double>(bits >> 11) + 0.5) * 0x1.0p-53;
}

double counter_normal(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample) {
  const double u = std::clamp(counter_uniform(seed, stream, sample), 1e-12, 1 - 1e-12);
  return std::clamp(std::sqrt(2.0) * boost::math::erf_inv(2 * u - 1), -3.0, 3.0);
}

Expected<DoubtReport> doubt(const Job& job, ConditionId id, const DoubtRequest& q) {
  if (q.samples < 100 || q.samples > 200000)
    return fail({"samples", std::to_string(q.samples), "100 to 200000",
                 "That many draws cannot be made", "4000 are enough for two figures"});
  const Which which = which_of(id);
  const Job bare = bare_job(job, which);
  const Figures middle = figures_of(bare, id);
  if (!middle.ok) {
    const ConditionReport c = condition_report(job, id, 8);
    return fail({"job", "", "", c.reason.empty() ? "Cannot say yet" : c.reason,
                 "Enter what is missing in Survey"});
  }
  const std::vector<Doubtful> doubtful = doubtful_params(bare, which);
  std::vector<Figures> all(q.samples);
  std::atomic<std::size_t> next{0};
  std::atomic<bool> cancelled{false};
  const auto work = [&](bool tells) {
    constexpr std::size_t kBlock = 50;
    for (std::size_t from = next.fetch_add(kBlock); from < q.samples && !cancelled;
         from = next.fetch_add(kBlock)) {
      for (std::size_t i = from; i < std::min(from + kBlock, q.samples); ++i) {
        Job draw = bare;
        for (const Doubtful& d : doubtful) {
          const double z = counter_normal(q.seed, static_cast<std::uint64_t>(d.param), i);
          sheet_of(draw, which)
              .set(d.param, {within_range(d.param, d.si + z * d.sigma), How::stated, 0.0, {}});
        }
        all[i] = figures_of(draw, id);
      }
      if (tells && q.progress &&
          !q.progress(static_cast<double>(std::min(next.load(), q.samples)) /
                      static_cast<double>(q.samples)))
        cancelled = true;
    }
  };
  const unsigned threads =
      q.threads > 0 ? q.threads : std::clamp(std::thread::hardware_concurrency(), 1u, 16u);
  {
    std::vector<std::jthread> pool;
    for (unsigned t = 1; t < threads; ++t) pool.emplace_back([&work] { work(false); });
    work(true);
  }
  if (cancelled)
    return fail({"samples", "", "", "The run was cancelled", "Start it again when you like"});
  DoubtReport r = collect(all);
  r.ranked = sensitivities(bare, id, doubtful, middle);
  return r;
}

}  // namespace yoke
