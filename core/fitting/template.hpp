// Full-size templates: the drilling template of the firewall and the adapter plate, as lines,
// circles and words in millimetres (x to the right, y up, from the centre), with a check rule of
// 100 mm and 4 in on each sheet. The same list is written as SVG, as DXF (ASCII, release 12: public
// format) and painted into a PDF; larger ones are tiled with register marks. Only ever 1:1.
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "fitting/pattern.hpp"
#include "quantity/error.hpp"
#include "quantity/message.hpp"

namespace yoke {

enum class TemplateKind { drilling, plate };
[[nodiscard]] std::string_view template_words(TemplateKind kind);

struct TemplateLine {
  double x0 = 0, y0 = 0, x1 = 0, y1 = 0;
  bool thin = false;  ///< a mark, not a cut
};
struct TemplateCircle {
  double x = 0, y = 0, diameter = 0;
  bool thin = false;  ///< an old hole, for orientation
};
struct TemplateText {
  double x = 0, y = 0;  ///< of its left end on the base line
  double height = 3;
  Message words;
};
/// All lengths in mm.
struct Template {
  TemplateKind kind = TemplateKind::drilling;
  Message title;
  double x0 = 0, y0 = 0, x1 = 0, y1 = 0;  ///< what it covers, its words included
  std::vector<TemplateLine> lines;
  std::vector<TemplateCircle> circles;
  std::vector<TemplateText> texts;
  std::vector<Message> order;  ///< of drilling: small first, spacer as guide
  std::vector<Finding> findings;
};
/// An error names what to measure, or why a scale other than 1 is refused.
[[nodiscard]] Expected<Template> make_template(const Job& job, TemplateKind kind,
                                               double scale = 1.0);

struct Paper {
  double width_mm = 210;
  double height_mm = 297;
  double margin_mm = 12;
};
/// One page of a tiling: what part of the template it shows.
struct Tile {
  int column = 0, row = 0;
  double x0 = 0, y0 = 0, x1 = 0, y1 = 0;
};
/// Pages in reading order; each overlaps its neighbours by 10 mm, the check rule has 26 mm of its
/// own at the foot. At most 36 pages.
[[nodiscard]] Expected<std::vector<Tile>> tile_template(const Template& t, const Paper& sheet);
inline constexpr double kTileOverlap_mm = 10;
inline constexpr double kRuleRoom_mm = 26;

/// How a file's words are written.
using Wording = std::function<std::string(const Message&)>;
inline const Wording kEnglish = [](const Message& m) { return english(m); };
[[nodiscard]] std::string template_svg(const Template& t, const Wording& words = kEnglish);
[[nodiscard]] std::string template_dxf(const Template& t, const Wording& words = kEnglish);

}  // namespace yoke
