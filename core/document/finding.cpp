#include "document/finding.hpp"

namespace yoke {

std::string_view stage_words(Stage stage) {
  static constexpr std::string_view w[] = {"Survey",  "Size",  "Fit",   "Rod",   "Plumb",
                                           "Install", "Bleed", "Prove", "Record"};
  return w[static_cast<size_t>(stage)];
}

std::string_view severity_words(Severity severity) {
  static constexpr std::string_view w[] = {"note", "warning", "hard"};
  return w[static_cast<size_t>(severity)];
}

}  // namespace yoke
