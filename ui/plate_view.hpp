// A plate that is worked on: a number or a label is touched, and its field opens over it.
#pragma once

#include <optional>

#include "session/session.hpp"
#include "ui/callout_editor.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class PlateView : public TallPicture {
  Q_OBJECT

 public:
  PlateView(Session& session, QWidget* parent);
  void show_plate(As which, Group group);
  [[nodiscard]] Group group() const { return group_; }
  /// Opens the field of a value; false when the plate has no label for it.
  bool edit(As which, Param param);
  /// The field that is open; nullptr: none.
  [[nodiscard]] ParamField* open_field() const;

 private:
  void touched(const QString& id);
  Session& session_;
  As which_ = As::found;
  Group group_ = Group::unit;
  CalloutEditor* editor_;
};

}  // namespace yoke
