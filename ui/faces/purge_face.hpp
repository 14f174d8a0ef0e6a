// Bleed: the paced purge of a steering-fed booster. A track of sweeps, the next one large with its
// clock; the clock runs on while the program is closed.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QTimer>

#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/param_panel.hpp"
#include "ui/picture_view.hpp"

namespace yoke {

class PurgeFace : public Face {
  Q_OBJECT
 public:
  PurgeFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] ParamPanel* panel() const { return panel_; }
  [[nodiscard]] QLabel* says() const { return says_; }
  [[nodiscard]] QPushButton* swept() const { return swept_; }
  [[nodiscard]] QPushButton* froth() const { return froth_; }
  [[nodiscard]] PictureView* drawing() const { return drawing_; }

 private:
  void made(bool froth);
  void tell();
  Session& session_;
  ParamPanel* panel_;
  QLabel *says_, *due_;
  QPushButton *swept_, *froth_, *again_;
  PictureView* drawing_;
  QTimer clock_;
};

}  // namespace yoke
