#include "survey/before_curve.hpp"

#include <algorithm>
#include <cmath>
#include <functional>

#include "circuit/circuit.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"

namespace yoke {

namespace {

/// Elastic travel over force, in any scale.
using Shape = std::function<double(double force_n)>;

/// Below this the linings are only on their way.
constexpr double kContact_pa = 0.3e6;

std::optional<Shape> shape_of_model(const StripInputs& in) {
  if (in.clutch || !in.found_system.system) return std::nullopt;
  Condition dead;
  dead.assist_alive = false;
  const auto m = FeelModel::make(*in.found_system.system, dead);
  if (!m || m->end_drive() <= kContact_pa) return std::nullopt;
  const double contact_m = m->at(kContact_pa).pad_travel_m;
  const FeelCurve curve = m->curve(256);
  return [curve, contact_m](double force_n) {
    const auto at =
        std::lower_bound(curve.points.begin(), curve.points.end(), force_n,
                         [](const FeelPoint& p, double f) { return p.pad_force_n < f; });
    if (at == curve.points.begin()) return 0.0;
    if (at == curve.points.end()) return curve.points.back().pad_travel_m - contact_m;
    const FeelPoint& low = *std::prev(at);
    const double span = at->pad_force_n - low.pad_force_n;
    const double part = span > 0 ? (force_n - low.pad_force_n) / span : 0.0;
    const double travel = low.pad_travel_m + part * (at->pad_travel_m - low.pad_travel_m);
    return std::max(0.0, travel - contact_m);
  };
}

/// A caliper brake's, at the pressure that bore and arms make; of unknown ones at what is usual,
/// 25 kPa for each newton at the pad (common practice, no source).
Shape shape_of_calipers(const Values& found) {
  double pa_for_n = 25e3;
  if (const auto ratio = arm_ratio(found); ratio && found.known(param::master_bore))
    pa_for_n = *ratio * found.si(param::master_efficiency) /
               circle_area(Length{found.si(param::master_bore)}).value();
  const double free_n = found.si(param::control_return_force);
  Disc d;
  d.side_area = circle_area(Length{0.048});
  return [d, pa_for_n, free_n](double force_n) {
    return disc_volume(d, std::max(0.0, force_n - free_n) * pa_for_n).brake_m3 * 1e6;
  };
}

struct Row {
  double e, s, weight;
};

std::vector<Row> rows_of(const std::vector<Reading>& list, const Shape& shape, double k) {
  std::vector<Row> rows;
  for (const Reading& r : list) {
    if (r.assist_alive || r.second_apply || r.hoses_clamped || r.force_n <= 0) continue;
    const double h = std::max(1.0, 0.01 * r.force_n);
    const double slope = (shape(r.force_n + h) - shape(r.force_n - h)) / (2 * h) * k;
    const double sigma = std::max(
        2.5e-4, std::hypot(r.travel_uncertainty_m, slope * r.force_uncertainty_n) / kCoverage);
    rows.push_back({shape(r.force_n), r.travel_m, 1 / (sigma * sigma)});
  }
  return rows;
}

struct Line {
  double d = 0, k = 0, sigma_d = 0, sigma_k = 0, misfit = 0;
  bool ok = false;
};

Line fitted(const std::vector<Row>& rows) {
  double w = 0, we = 0, ws = 0, wee = 0, wes = 0;
  for (const Row& r : rows) {
    w += r.weight;
    we += r.weight * r.e;
    ws += r.weight * r.s;
    wee += r.weight * r.e * r.e;
    wes += r.weight * r.e * r.s;
  }
  Line l;
  const double det = w * wee - we * we;
  if (det <= 1e-9 * w * wee || rows.size() < 3) return l;
  l.k = (w * wes - we * ws) / det;
  l.d = (ws - l.k * we) / w;
  double chi2 = 0;
  for (const Row& r : rows) {
    const double left = r.s - l.d - l.k * r.e;
    chi2 += r.weight * left * left;
    l.misfit += left * left;
  }
  l.misfit = std::sqrt(l.misfit / static_cast<double>(rows.size()));
  // Readings that scatter more than they claim widen the doubt.
  const double more = std::sqrt(
      std::max(1.0, chi2 / static_cast<double>(std::max<std::size_t>(1, rows.size() - 2))));
  l.sigma_d = std::sqrt(wee / det) * more;
  l.sigma_k = std::sqrt(w / det) * more;
  l.ok = l.k > 0;
  return l;
}

}  // namespace

BeforeCurve before_curve(const Job& job, const StripInputs& in) {
  BeforeCurve b;
  const auto own = shape_of_model(in);
  const Shape shape = own ? *own : shape_of_calipers(in.found);
  b.by_model = own.has_value();
  Line line = fitted(rows_of(job.before, shape, 0));
  const auto rows = rows_of(job.before, shape, std::max(0.0, line.k));
  b.used = rows.size();
  line = fitted(rows);
  if (!line.ok) {
    b.because = rows.size() < 3 ? "three presses at different depths are needed, assist off"
                                : "deeper presses read no harder: read again";
    return b;
  }
  double most_n = 0;
  for (const Reading& r : job.before)
    if (!r.assist_alive && !r.second_apply && !r.hoses_clamped)
      most_n = std::max(most_n, r.force_n);
  const double h = std::max(2.0, 0.05 * most_n);
  const double give = (shape(most_n) - shape(most_n - h)) / h * line.k;  // metres for a newton
  b.dead_m = std::max(0.0, line.d);
  b.dead_uncertainty_m = kCoverage * line.sigma_d;
  if (give > 0) b.slope_n_m = 1 / give;
  b.slope_uncertainty_n_m = b.slope_n_m * kCoverage * line.sigma_k / line.k;
  b.misfit_m = line.misfit;
  return b;
}

}  // namespace yoke
