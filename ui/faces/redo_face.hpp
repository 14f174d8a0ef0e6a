// After the presses: before, prediction and what was read in one picture, and beside it what to do
// again, each a place to go to.
#pragma once

#include "protocol/redo.hpp"
#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/picture_view.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class RedoFace : public Face {
  Q_OBJECT

 public:
  RedoFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] TallPicture* cards() const { return cards_; }
  [[nodiscard]] PictureView* curves() const { return curves_; }
  [[nodiscard]] const std::vector<Redo>& list() const { return list_; }
  /// Goes to where one of them is done.
  void follow(std::size_t at);

 protected:
  void resizeEvent(QResizeEvent* e) override;

 private:
  QScrollArea* area_;
  Session& session_;
  std::vector<Redo> list_;
  QString instead_;
  TallPicture* cards_;
  PictureView* curves_;
};

}  // namespace yoke
