// Prove, press by press: the path of presses, the one at hand drawn on the pad's own ruler, and two
// numbers: expect, got. What is entered goes where that press is kept: readings, gates, values.
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "session/proof_edits.hpp"
#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/fields.hpp"
#include "ui/nipple_row.hpp"
#include "ui/tall_picture.hpp"

namespace yoke {

class PressFace : public Face {
  Q_OBJECT

 public:
  PressFace(Session& session, QWidget* parent);
  void refresh() override;
  [[nodiscard]] const std::vector<ProofPress>& presses() const { return presses_; }
  [[nodiscard]] std::size_t at() const { return at_; }
  void go_to(ProofId id);
  [[nodiscard]] TallPicture* path() const { return path_; }
  [[nodiscard]] PictureView* picture() const { return picture_; }
  [[nodiscard]] QLineEdit* force() const { return force_; }
  [[nodiscard]] QLineEdit* got() const { return got_; }
  [[nodiscard]] QLineEdit* who() const { return who_; }
  [[nodiscard]] NippleRow* opened() const { return opened_; }
  [[nodiscard]] QPushButton* take() const { return take_; }
  [[nodiscard]] QPushButton* reject() const { return reject_; }
  [[nodiscard]] QPushButton* option(int n) const { return options_[n]; }

 private:
  QWidget* build_side();
  QWidget* build_entry();
  void entered(bool holds);
  void chosen(int option);
  void rejected();
  void step(int by);
  void told(const Expected<bool>& done);
  void show_press();
  void press_bands();
  [[nodiscard]] const ProofPress* now() const;
  Session& session_;
  std::vector<ProofPress> presses_;
  std::size_t at_ = 0;
  std::optional<double> share_;
  Job values_;           ///< of what the share was worked out
  bool chosen_ = false;  ///< somebody chose the press: it stays until the next is asked for
  TallPicture* path_;
  PictureView* picture_;
  QLabel *how_, *tells_, *says_, *care_, *refusal_, *force_head_, *who_head_;
  QLineEdit *force_, *got_, *who_, *note_;
  Combo* with_;
  NippleRow* opened_;
  QPushButton *take_, *fails_, *reject_;
  std::array<QPushButton*, 2> options_{};
};

}  // namespace yoke
