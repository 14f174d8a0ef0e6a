#include "document/as_built.hpp"

#include <bit>
#include <utility>

namespace yoke {

namespace {

bool hangs_on(Group g) {
  return g == Group::control || g == Group::assist || g == Group::master || g == Group::rod ||
         g == Group::unit || g == Group::clutch;
}

}  // namespace

std::uint64_t plan_mark(const Job& job) {
  Job planned = job;
  for (const ParamInfo& p : all_params()) planned.built.clear(p.param);
  std::uint64_t h = 14695981039346656037ULL;  // FNV-1a, 64 bit
  const auto add = [&h](std::uint64_t bits) {
    for (int i = 0; i < 64; i += 8) h = (h ^ ((bits >> i) & 0xff)) * 1099511628211ULL;
  };
  for (const ParamInfo& p : all_params()) {
    if (!hangs_on(p.group)) continue;
    const Value v = value_of(planned, As::plan, p.param);
    if (!v.known()) continue;
    for (const char c : p.id) add(static_cast<unsigned char>(c));
    add(std::bit_cast<std::uint64_t>(v.si + 0.0));
  }
  return h == 0 ? 1 : h;
}

void set_as_built(Job& job, Param param, Measured value) {
  value.plan_mark = plan_mark(job);
  job.built.set(param, std::move(value));
}

std::vector<Param> stale_as_built(const Job& job) {
  std::vector<Param> list;
  std::uint64_t now = 0;  // asked for once, and only where there is something to ask
  for (const ParamInfo& p : all_params()) {
    const auto& m = job.built.at(p.param);
    if (!m || !m->known()) continue;
    if (now == 0) now = plan_mark(job);
    if (m->plan_mark != now) list.push_back(p.param);
  }
  return list;
}

void clear_stale_as_built(Job& job) {
  for (const Param p : stale_as_built(job)) job.built.clear(p);
}

}  // namespace yoke
