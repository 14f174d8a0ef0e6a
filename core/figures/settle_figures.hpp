// Figures that pass are said to hold only when no value that nobody measured decides them.
#pragma once

#include <vector>

#include "figures/figures.hpp"

namespace yoke {

/// Makes a group again with every such value at the ends of its range, one at a time.
class FigureSettler {
 public:
  using Make = FigureGroup (*)(const FigureInputs&);
  explicit FigureSettler(const FigureInputs& inputs) : in_(inputs) {}
  /// Without a maker what passes is said to rest on whatever was not measured, all of it.
  void settle(FigureGroup& group, Make make);

 private:
  struct Other {
    Param param;
    Job job;
    StripInputs strip;
  };
  void prepare();
  const FigureInputs& in_;
  bool prepared_ = false;
  std::vector<Other> others_;
};

}  // namespace yoke
