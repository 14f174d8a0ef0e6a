// Plumb: the plumbing as a net, from outlet to wheel or slave. A joint that is touched is looked at
// in the box beside it; what stands in the lines is chosen below.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QScrollArea>

#include "session/session.hpp"
#include "ui/callout_editor.hpp"
#include "ui/face.hpp"
#include "ui/joint_box.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class OutletsFace : public Face {
  Q_OBJECT
 public:
  OutletsFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] PictureView* drawing() const { return drawing_; }
  [[nodiscard]] JointBox* joint() const { return joint_; }
  [[nodiscard]] ParamPanel* lines() const { return panel_; }

 private:
  QWidget* build_side();
  void share();
  void resizeEvent(QResizeEvent* event) override;
  void touched(const QString& id);
  Session& session_;
  PictureView* drawing_;
  CalloutEditor* editor_;  ///< over it: how the unit looks
  JointBox* joint_;
  std::vector<std::pair<As, Param>> asked_of_;  ///< what the panel asks for
  bool asked_ = false;                          ///< for the lines, where there is no room for both
  QWidget* side_;
  QPushButton* lines_;
  QScrollArea* scroll_;
  QPushButton* back_;
  ParamPanel* panel_;
  QLabel* caution_;
};

}  // namespace yoke
