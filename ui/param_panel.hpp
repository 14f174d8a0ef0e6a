// A panel of parameter fields in one or two columns, showing only those that matter.
#pragma once

#include <QScrollArea>
#include <vector>

#include "ui/fields.hpp"

namespace yoke {

class ParamPanel : public QScrollArea {
  Q_OBJECT

 public:
  ParamPanel(Session& session, int columns, QWidget* parent = nullptr);
  /// Shows a whole group of a system.
  void show_group(As which, Group group);
  /// Shows chosen parameters.
  void show_params(const std::vector<std::pair<As, Param>>& params);
  /// Fields in half the width; for the next ones shown.
  void set_compact() { compact_ = true; }
  [[nodiscard]] ParamField* field(As which, Param param) const;

 signals:
  void entered(Param param);

 private:
  void rebuild(const std::vector<std::pair<As, Param>>& params);
  void refresh_relevance();
  Session& session_;
  int columns_;
  bool compact_ = false;
  std::optional<std::pair<As, Group>> group_;
  std::vector<std::pair<As, Param>> shown_;
  std::vector<ParamField*> fields_;
};

}  // namespace yoke
