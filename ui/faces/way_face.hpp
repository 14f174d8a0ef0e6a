// Bleed: which way. What is at hand is said on the left; the ways stand as tiles with what they
// lack; the one that is looked at is drawn out step by step.
#pragma once

#include <QLabel>
#include <QPushButton>

#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/param_panel.hpp"
#include "ui/tall_picture.hpp"
#include "work/bleed_methods.hpp"

namespace yoke {

class WayFace : public Face {
  Q_OBJECT
 public:
  WayFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] PictureView* ways() const { return ways_; }
  [[nodiscard]] PictureView* steps() const { return steps_; }
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] QPushButton* choose() const { return choose_; }

 private:
  void ask();
  [[nodiscard]] std::optional<BleedWayId> looked_at() const;
  Session& session_;
  std::optional<BleedWayId> looked_;
  std::vector<std::pair<As, Param>> asked_;
  ParamPanel* panel_;
  PictureView* ways_;
  TallPicture* steps_;
  QPushButton* choose_;
};

}  // namespace yoke
