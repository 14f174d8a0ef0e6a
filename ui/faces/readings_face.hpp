// Prove, all at once: readings typed as they come, pumping and sink, the curve they make beside the
// predicted one, what they say, and the gates.
#pragma once

#include <QLabel>
#include <QVBoxLayout>

#include "session/reckoner.hpp"
#include "session/session.hpp"
#include "ui/face.hpp"
#include "ui/gates_box.hpp"
#include "ui/line_view.hpp"
#include "ui/picture_view.hpp"
#include "ui/readings_box.hpp"

namespace yoke {

class ReadingsFace : public Face {
  Q_OBJECT
 public:
  ReadingsFace(Session& session, Dialogs& dialogs, QWidget* parent);
  void refresh() override;
  [[nodiscard]] QLineEdit* force() const { return readings_->force(); }
  [[nodiscard]] QLineEdit* travel() const { return readings_->travel(); }
  [[nodiscard]] QLabel* verdict() const { return verdict_; }
  [[nodiscard]] GatesBox* gates() const { return gates_; }

 private:
  void resizeEvent(QResizeEvent* e) override;
  void build_pump(QVBoxLayout* box);
  void show_verdict();
  void say_verdict(const std::vector<Message>& words);
  Session& session_;
  LineView* line_;
  ReadingsBox* readings_;
  QLabel* verdict_;
  PictureView* plot_;
  GatesBox* gates_;
  std::vector<std::pair<QLineEdit*, std::optional<double> PumpTest::*>> pump_;
  Reckoner reckoner_;
  Job reckoned_;  ///< what the last words are of, or will be
};

}  // namespace yoke
