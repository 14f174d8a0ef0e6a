#include "ui/faces/wipe_face.hpp"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

#include "paint/bleed_pictures.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/plain.hpp"

namespace yoke {

WipeFace::WipeFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(8);
  head_ = label({}, "answer", this);
  box->addWidget(head_);
  auto* row = new QHBoxLayout;
  row->setSpacing(14);
  drawing_ = new PictureView(tr("Joints, dry or wet"), this);
  drawing_->set_maker([this](QSizeF size) { return wipe_picture(session_.job(), key_, size); });
  drawing_->set_walkable();
  drawing_->setMinimumHeight(240);
  connect(drawing_, &PictureView::spot_clicked, this, [this](const QString& id) {
    if (id.startsWith(QStringLiteral("joint:"))) show_joint(id.mid(6).toStdString());
  });
  row->addWidget(drawing_, 5);
  box_ = new QWidget(this);
  box_->setFixedWidth(372);
  auto* side = new QVBoxLayout(box_);
  side->setContentsMargins(0, 0, 0, 0);
  name_ = label({}, "answer", box_);
  side->addWidget(name_);
  auto* grid = new QGridLayout;
  for (const WipeRound r : kWipeRounds) {
    const int n = static_cast<int>(r);
    const QString when = words_of(round_words(r));
    grid->addWidget(label(when, "question", box_), 2 * n, 0, 1, 2);
    Round& round = rounds_[n];
    round.seen = label({}, "plain", box_);
    grid->addWidget(round.seen, 2 * n, 2);
    round.dry = new QPushButton(tr("✓ Dry"), box_);
    round.wet = new QPushButton(tr("■ Wet"), box_);
    for (QPushButton* b : {round.dry, round.wet}) b->setMinimumHeight(44);
    round.dry->setAccessibleName(tr("Dry, %1").arg(when));
    round.wet->setAccessibleName(tr("Wet, %1").arg(when));
    connect(round.dry, &QPushButton::clicked, this, [this, r] { say(r, Wiped::dry); });
    connect(round.wet, &QPushButton::clicked, this, [this, r] { say(r, Wiped::wet); });
    grid->addWidget(round.dry, 2 * n + 1, 0);
    grid->addWidget(round.wet, 2 * n + 1, 1);
  }
  side->addLayout(grid);
  mend_ = label({}, "caution", box_);
  side->addWidget(mend_);
  again_ = new QPushButton(tr("Tightened or made again"), box_);
  connect(again_, &QPushButton::clicked, this, [this] { joint_made_again(session_, key_); });
  side->addWidget(again_);
  shut_ = new QPushButton(box_);
  connect(shut_, &QPushButton::clicked, this, [this] {
    for (const WipedJoint& w : wipe_map(session_.job()))
      if (w.joint.key == key_) return leave_joint_shut(session_, key_, !w.left_shut);
  });
  side->addWidget(shut_);
  side->addStretch(1);
  row->addWidget(box_);
  box->addLayout(row, 1);
  box->addWidget(
      label(tr("A clean dry cloth round each joint; brake fluid takes paint off and burns "
               "in the eye. No part of you under a car that stands on a jack alone."),
            "caution", this));
}

void WipeFace::show_joint(const std::string& key) {
  key_ = key;
  refresh();
}

void WipeFace::say(WipeRound round, Wiped seen) {
  wipe_joint(session_, key_, round, seen);
  if (seen == Wiped::dry) go_on(round);
}

void WipeFace::go_on(WipeRound round) {
  const auto all = wipe_map(session_.job());
  const auto here = std::find_if(all.begin(), all.end(),
                                 [this](const WipedJoint& w) { return w.joint.key == key_; });
  if (here == all.end()) return;
  const auto n = all.size();
  const auto from = static_cast<std::size_t>(here - all.begin());
  for (std::size_t i = 1; i < n; ++i) {
    const WipedJoint& w = all[(from + i) % n];
    if (w.dry_through(round) || w.wet()) continue;
    return show_joint(w.joint.key);
  }
}

void WipeFace::refresh() {
  const auto all = wipe_map(session_.job());
  const auto known = std::any_of(all.begin(), all.end(),
                                 [this](const WipedJoint& w) { return w.joint.key == key_; });
  if (!known) key_ = all.empty() ? std::string() : all.front().joint.key;
  long open = 0, wet = 0;
  for (const WipedJoint& w : all) {
    wet += w.wet() ? 1 : 0;
    open += w.dry_through(WipeRound::driven) ? 0 : 1;
  }
  head_->setText(all.empty() ? tr("No joint is known yet: draw the plumbing first")
                 : wet > 0   ? tr("■ %n joints are wet", nullptr, static_cast<int>(wet))
                 : open > 0
                     ? tr("%n joints are still to be seen dry", nullptr, static_cast<int>(open))
                     : tr("✓ Every opened joint was dry, three times"));
  box_->setVisible(!all.empty());
  for (const WipedJoint& w : all) {
    if (w.joint.key != key_) continue;
    name_->setText(text_of(w.joint.name, session_.style()));
    for (int i = 0; i < 3; ++i) {
      rounds_[i].seen->setText(words_of(words_of_value(w.seen[i])));
      // Nothing is driven on joints that were not dry before.
      const bool may = !w.left_shut && (i == 0 || w.seen[i - 1] == Wiped::dry);
      rounds_[i].dry->setEnabled(may);
      rounds_[i].wet->setEnabled(may);
    }
    mend_->setText(text_of(w.mend, session_.style()));
    mend_->setVisible(!w.mend.empty());
    again_->setVisible(w.wet());
    shut_->setText(w.left_shut ? tr("It was opened after all") : tr("This job never opened it"));
    shut_->setVisible(!w.joint.fresh);
  }
  drawing_->redraw();
}

}  // namespace yoke
