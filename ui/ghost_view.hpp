// A candidate drawn over the fitted unit: a difference is touched to read what it asks for, a blank
// of our own to measure it there.
#pragma once

#include "session/candidates.hpp"
#include "ui/callout_editor.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class GhostView : public TallPicture {
  Q_OBJECT

 public:
  GhostView(Session& session, QWidget* parent);
  /// `pinned`: which candidate; nothing: the plan's own unit.
  void show_ghost(PartKind kind, std::optional<std::size_t> pinned);
  /// The field that is open over the drawing; nullptr: none.
  [[nodiscard]] ParamField* open_field() const;

 signals:
  void dimension_touched(Param param);

 private:
  void touched(const QString& id);
  /// Whose blank a touch fills: the fitted unit's first, then the plan's; a maker's figures are
  /// not written here.
  [[nodiscard]] std::optional<As> blank_of(Param param) const;
  Session& session_;
  PartKind kind_ = PartKind::master;
  std::optional<std::size_t> pinned_;
  CalloutEditor* editor_;
};

}  // namespace yoke
