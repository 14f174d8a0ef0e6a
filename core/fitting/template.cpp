#include "fitting/template.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/bolting.hpp"
#include "quantity/drills.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

constexpr double kCross_mm = 4;

void cross(Template& t, double x, double y, double reach) {
  t.lines.push_back({x - reach, y, x + reach, y, true});
  t.lines.push_back({x, y - reach, x, y + reach, true});
}

void box(Template& t, double x0, double y0, double x1, double y1) {
  t.lines.push_back({x0, y0, x1, y0});
  t.lines.push_back({x1, y0, x1, y1});
  t.lines.push_back({x1, y1, x0, y1});
  t.lines.push_back({x0, y1, x0, y0});
}

/// Of a millimetre of the sheet.
Amount mm(double v) {
  return length(v * 1e-3, 1);
}

void add_holes(Template& t, const PatternReport& r) {
  int n = 0;
  for (const Hole& h : r.new_pattern.studs) {
    const double hole = clearance_hole_m(h.diameter_m);
    const double x = h.x_m * 1e3;
    const double y = h.z_m * 1e3;
    t.circles.push_back({x, y, hole * 1e3});
    cross(t, x, y, hole * 500 + kCross_mm);
    t.texts.push_back({x + hole * 500 + 2, y + 3, 3, Message::data(std::to_string(++n))});
  }
  if (r.pilot_hole_m > 0) {
    t.circles.push_back({0, 0, r.pilot_hole_m * 1e3});
    t.texts.push_back({2, -r.pilot_hole_m * 500 - 5, 3,
                       say("collar: {}", in_full(r.pilot_hole_m, Kind::length, 1))});
  }
  // One line of words below everything: the drawing itself stays clear.
  double low = -r.pilot_hole_m * 500;
  for (const Hole& h : r.new_pattern.studs) low = std::min(low, h.z_m * 1e3 - h.diameter_m * 500);
  t.texts.push_back({-40, low - 16, 3,
                     say("holes 1 to {}: {}", n,
                         drill_words(clearance_hole_m(r.new_pattern.studs.front().diameter_m)))});
  cross(t, 0, 0, r.pilot_hole_m * 500 + 2 * kCross_mm);
}

void add_old_holes(Template& t, const PatternReport& r, bool cut) {
  for (const Hole& h : r.old_pattern.studs) {
    t.circles.push_back({h.x_m * 1e3, h.z_m * 1e3, clearance_hole_m(h.diameter_m) * 1e3, !cut});
    cross(t, h.x_m * 1e3, h.z_m * 1e3, kCross_mm);
  }
}

void add_edges(Template& t, const Values& plan) {
  struct Edge {
    Param param;
    double x, z;
  };
  constexpr Edge kEdges[] = {{param::fit_edge_left, -1, 0},
                             {param::fit_edge_right, 1, 0},
                             {param::fit_edge_up, 0, 1},
                             {param::fit_edge_down, 0, -1}};
  for (const Edge& e : kEdges) {
    if (!plan.known(e.param)) continue;
    const double at = plan.si(e.param) * 1e3;
    if (at > 200) continue;  // far from any hole: it would only make the sheet large
    constexpr double kReach = 40;
    if (e.x != 0)
      t.lines.push_back({e.x * at, -kReach, e.x * at, kReach, true});
    else
      t.lines.push_back({-kReach, e.z * at, kReach, e.z * at, true});
    t.texts.push_back({e.x * at + 1, e.z * at + (e.z != 0 ? 1.5 : kReach), 2.5, "edge or crease"});
  }
}

void write_order(Template& t, const PatternReport& r, const Values& plan) {
  const double stud = clearance_hole_m(r.new_pattern.studs.front().diameter_m);
  t.order.emplace_back("Centre-punch every cross through the paper, compare with the unit itself.");
  t.order.push_back(say("Drill every hole small first: {}.", drill_words(pilot_hole_m(stud))));
  if (r.pilot_hole_m > 0)
    t.order.push_back(
        say("Collar's hole {} with a hole saw before the stud holes are opened: its pilot guides "
            "it.",
            length(r.pilot_hole_m, 1)));
  t.order.push_back(
      say("Then the stud holes: {}, spacer or unit as the guide.", drill_words(stud)));
  t.order.emplace_back("Deburr both sides, paint the edges, try the unit before the rod is cut.");
  if (plan.is(choice::FitBoxed::box))
    t.order.emplace_back("A hollow box: sleeves through it before any nut is tightened.");
}

/// Covers everything that was put down, with the words' own width.
void measure(Template& t) {
  const auto cover = [&t](double x, double y) {
    t.x0 = std::min(t.x0, x);
    t.x1 = std::max(t.x1, x);
    t.y0 = std::min(t.y0, y);
    t.y1 = std::max(t.y1, y);
  };
  for (const auto& l : t.lines) {
    cover(l.x0, l.y0);
    cover(l.x1, l.y1);
  }
  for (const auto& c : t.circles) {
    cover(c.x - c.diameter / 2, c.y - c.diameter / 2);
    cover(c.x + c.diameter / 2, c.y + c.diameter / 2);
  }
  for (const auto& w : t.texts) {
    cover(w.x, w.y);
    cover(w.x + 0.62 * w.height * static_cast<double>(english(w.words).size()), w.y + w.height);
  }
  t.x0 -= 4;
  t.y0 -= 4;
  t.x1 += 4;
  t.y1 += 4;
}

/// Release 12 knows ASCII only: what lies beyond is left out.
std::string ascii(const std::string& s) {
  std::string out;
  for (const char c : s)
    if (c >= 32 && c < 127) out += c;
  return out;
}

}  // namespace

std::string_view template_words(TemplateKind kind) {
  return kind == TemplateKind::drilling ? "Drilling template" : "Adapter plate";
}

Expected<Template> make_template(const Job& job, TemplateKind kind, double scale) {
  if (!(std::abs(scale - 1) < 1e-9))
    return fail({"scale", fmt::format("{:g}", scale), "1", "A template is made at 1:1 only",
                 "Print at 100 %, never “fit to page”; measure both check rules before drilling"});
  const PatternReport r = pattern_report(job);
  if (r.new_pattern.studs.empty())
    return fail({"unit.studs", "", "",
                 say("The new unit's pattern is not known: {}", param_list(r.new_pattern.missing)),
                 "Measure it: Survey, The unit, Plan"});
  for (const Finding& f : r.findings)
    if (f.code == FindingCode::fit_pattern_impossible ||
        (kind == TemplateKind::plate && f.code == FindingCode::fit_plate_small))
      return fail({"unit.stud_pitch", "", f.limit, f.message, f.remedy});
  Template t;
  t.kind = kind;
  t.title = say("{}: {}", Message::of_table(template_words(kind)), Message::data(job.title));
  const Values plan = resolve(job, As::plan);
  add_holes(t, r);
  if (kind == TemplateKind::drilling) {
    add_old_holes(t, r, false);
    add_edges(t, plan);
  } else {
    if (r.old_pattern.studs.empty())
      return fail({"unit.studs", "", "",
                   say("The old pattern is not known: {}", param_list(r.old_pattern.missing)),
                   "A plate joins two patterns: measure the old one, Survey, The unit, As found"});
    if (r.plate_holes_meet)
      return fail({"fit.turn", "", "no hole of the old pattern meets one of the new",
                   "One plate cannot carry both patterns: its holes run into each other",
                   "Turn the new pattern, or hold the plate by other bolts"});
    add_old_holes(t, r, true);
    const double w = r.plate_width_m * 500;
    const double h = r.plate_height_m * 500;
    box(t, -w, -h, w, h);
    const double thick = plan.si(param::fit_plate) * 1e3;
    t.texts.push_back({-w + 2, h - 5, 3,
                       thick > 0 ? say("{} x {}, {} thick", mm(2 * w), mm(2 * h), mm(thick))
                                 : say("{} x {}, thickness not entered", mm(2 * w), mm(2 * h))});
  }
  write_order(t, r, plan);
  t.findings = r.findings;
  measure(t);
  return t;
}

Expected<std::vector<Tile>> tile_template(const Template& t, const Paper& s) {
  const double w = s.width_mm - 2 * s.margin_mm;
  const double h = s.height_mm - 2 * s.margin_mm - kRuleRoom_mm;
  if (w < 105 || h < 60)
    return fail({"paper", fmt::format("{:.0f} x {:.0f} mm", s.width_mm, s.height_mm), "",
                 "The paper is too small for the check rule", "A4 or Letter"});
  const auto count = [](double whole, double page) {
    return whole <= page
               ? 1
               : static_cast<int>(std::ceil((whole - kTileOverlap_mm) / (page - kTileOverlap_mm)));
  };
  const int columns = count(t.x1 - t.x0, w);
  const int rows = count(t.y1 - t.y0, h);
  if (columns * rows > 36)
    return fail({"template", fmt::format("{} pages", columns * rows), "36 pages at most",
                 "The template is too large for paper", "Use the DXF; check the edges entered"});
  std::vector<Tile> tiles;
  for (int row = 0; row < rows; ++row)
    for (int c = 0; c < columns; ++c) {
      Tile tile;
      tile.column = c;
      tile.row = row;
      // A single page is centred; more of them begin at the upper left.
      tile.x0 = columns == 1 ? (t.x0 + t.x1 - w) / 2 : t.x0 + c * (w - kTileOverlap_mm);
      tile.y1 = rows == 1 ? (t.y0 + t.y1 + h) / 2 : t.y1 - row * (h - kTileOverlap_mm);
      tile.x1 = tile.x0 + w;
      tile.y0 = tile.y1 - h;
      tiles.push_back(tile);
    }
  return tiles;
}

std::string template_svg(const Template& t, const Wording& words) {
  // The rule stands below the drawing, y down as SVG wants it.
  const double w = std::max(t.x1 - t.x0, 112.0);
  const double h = t.y1 - t.y0 + kRuleRoom_mm;
  std::string s = fmt::format(
      "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" "
      "width=\"{0:.3f}mm\" height=\"{1:.3f}mm\" viewBox=\"{2:.3f} {3:.3f} {0:.3f} {1:.3f}\" "
      "fill=\"none\" stroke=\"black\" stroke-width=\"0.25\">\n<title>{4}</title>\n",
      w, h, t.x0, -t.y1, xml_escaped(words(t.title)));
  for (const auto& l : t.lines)
    s += fmt::format("<line x1=\"{:.4f}\" y1=\"{:.4f}\" x2=\"{:.4f}\" y2=\"{:.4f}\"{}/>\n", l.x0,
                     -l.y0, l.x1, -l.y1, l.thin ? " stroke-width=\"0.12\"" : "");
  for (const auto& c : t.circles)
    s += fmt::format("<circle cx=\"{:.4f}\" cy=\"{:.4f}\" r=\"{:.4f}\"{}/>\n", c.x, -c.y,
                     c.diameter / 2, c.thin ? " stroke-dasharray=\"1.5 1\"" : "");
  for (const auto& x : t.texts)
    s += fmt::format(
        "<text x=\"{:.3f}\" y=\"{:.3f}\" font-size=\"{:.2f}\" font-family=\"sans-serif\" "
        "fill=\"black\" stroke=\"none\">{}</text>\n",
        x.x, -x.y, x.height, xml_escaped(words(x.words)));
  const double y = -t.y0 + 8;
  const double x0 = t.x0 + 4;
  s += fmt::format(
      "<line id=\"rule-100mm\" x1=\"{0:.4f}\" y1=\"{1:.4f}\" x2=\"{2:.4f}\" "
      "y2=\"{1:.4f}\"/>\n<line id=\"rule-4in\" x1=\"{0:.4f}\" y1=\"{3:.4f}\" "
      "x2=\"{4:.4f}\" y2=\"{3:.4f}\"/>\n",
      x0, y, x0 + 100, y + 8, x0 + 101.6);
  s += fmt::format(
      "<text x=\"{:.3f}\" y=\"{:.3f}\" font-size=\"3\" font-family=\"sans-serif\" "
      "fill=\"black\" stroke=\"none\">{}</text>\n",
      x0, y + 13, xml_escaped(words("100 mm above, 4 in below: measure both before drilling")));
  return s + "</svg>\n";
}

std::string template_dxf(const Template& t, const Wording& words) {
  std::string s =
      "0\nSECTION\n2\nHEADER\n9\n$ACADVER\n1\nAC1009\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n";
  const auto line = [&s](const char* layer, double x0, double y0, double x1, double y1) {
    s += fmt::format(
        "0\nLINE\n8\n{}\n10\n{:.6f}\n20\n{:.6f}\n30\n0.0\n11\n{:.6f}\n21\n{:.6f}\n31\n0.0\n", layer,
        x0, y0, x1, y1);
  };
  for (const auto& l : t.lines) line(l.thin ? "MARKS" : "CUT", l.x0, l.y0, l.x1, l.y1);
  for (const auto& c : t.circles)
    s += fmt::format("0\nCIRCLE\n8\n{}\n10\n{:.6f}\n20\n{:.6f}\n30\n0.0\n40\n{:.6f}\n",
                     c.thin ? "OLD" : "CUT", c.x, c.y, c.diameter / 2);
  for (const auto& x : t.texts)
    s += fmt::format("0\nTEXT\n8\nWORDS\n10\n{:.6f}\n20\n{:.6f}\n30\n0.0\n40\n{:.3f}\n1\n{}\n", x.x,
                     x.y, x.height, ascii(words(x.words)));
  line("RULE", t.x0 + 4, t.y0 - 8, t.x0 + 104, t.y0 - 8);
  line("RULE", t.x0 + 4, t.y0 - 16, t.x0 + 4 + 101.6, t.y0 - 16);
  return s + "0\nENDSEC\n0\nEOF\n";
}

}  // namespace yoke
