#include "cli/options.hpp"

namespace yoke::cli {

Expected<double> option_in(const Arguments& a, const std::string& name, Kind kind, double least,
                           double most, std::optional<double> fallback) {
  const auto it = a.options.find(name);
  if (it == a.options.end()) {
    if (fallback) return *fallback;
    return fail({name, "", "", say("The option {} is missing", name), "See yokestep-cli help"});
  }
  const auto v = parse_quantity(it->second, kind, a.style.units);
  if (!v) {
    Error e = v.error();
    e.field = name;
    e.reason = say("{}: {}", name, e.reason);
    return fail(e);
  }
  if (*v >= least && *v <= most) return *v;
  const int digits = kind == Kind::length || kind == Kind::pitch ? 2 : 0;
  return fail({name, it->second,
               say("{} to {}", amount(least, kind, digits), amount(most, kind, digits)),
               say("{} cannot be that", name), "Measure or count again"});
}

Expected<double> option_like(const Arguments& a, const std::string& name, Param like,
                             std::optional<double> fallback) {
  const ParamInfo& p = info(like);
  return option_in(a, name, p.kind, p.min_si, p.max_si, fallback);
}

Cell quantity(double si, Kind kind, int digits, const Style& style) {
  return number(si, format_full(si, kind, digits, style));
}

std::string option_of(const Arguments& a, const char* name) {
  const auto it = a.options.find(name);
  return it == a.options.end() ? std::string() : it->second;
}

}  // namespace yoke::cli
