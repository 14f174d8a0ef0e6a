// Bleed: every opened joint wiped and looked at, on the net: filled, after the hard press, after
// the drive.
#pragma once

#include <QLabel>
#include <QPushButton>

#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/picture_view.hpp"
#include "work/wetness.hpp"

namespace yoke {

class WipeFace : public Face {
  Q_OBJECT
 public:
  WipeFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] PictureView* drawing() const { return drawing_; }
  [[nodiscard]] const std::string& key() const { return key_; }
  void show_joint(const std::string& key);

 private:
  struct Round {
    QPushButton *dry, *wet;
    QLabel* seen;
  };
  void say(WipeRound round, Wiped seen);
  /// The next joint that nobody saw dry in a round.
  void go_on(WipeRound round);
  Session& session_;
  std::string key_;
  PictureView* drawing_;
  QLabel *head_, *name_, *mend_;
  Round rounds_[3]{};
  QPushButton *again_, *shut_;
  QWidget* box_;
};

}  // namespace yoke
