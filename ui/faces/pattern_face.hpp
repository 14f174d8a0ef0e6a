// Bolt patterns old and new, openings and edges, and the full-size templates made from them.
#pragma once

#include <QLabel>

#include "fitting/template.hpp"
#include "ui/dialogs.hpp"
#include "ui/drawn_face.hpp"

namespace yoke {

class PatternFace : public DrawnFace {
  Q_OBJECT

 public:
  PatternFace(Session& session, Dialogs& dialogs, QWidget* parent);
  [[nodiscard]] QLabel* template_line() const { return template_line_; }
  /// Asks for a file and writes the template full size.
  void save_template(TemplateKind kind);

 private:
  Session& session_;
  Dialogs& dialogs_;
  QLabel* template_line_;
};

}  // namespace yoke
