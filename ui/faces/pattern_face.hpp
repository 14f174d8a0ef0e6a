// Bolt patterns old and new, openings and edges, and the full-size templates made from them.
#pragma once

#include <QLabel>

#include <optional>

#include "fitting/template.hpp"
#include "paint/fit_pictures.hpp"
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
  void drag(const QString& id, QPointF from, QPointF to);
  struct Grabbed {
    PatternFrame frame;
    double turn_rad = 0;  ///< at the beginning
  };
  std::optional<Grabbed> grabbed_;
  Session& session_;
  Dialogs& dialogs_;
  QLabel* template_line_;
};

}  // namespace yoke
