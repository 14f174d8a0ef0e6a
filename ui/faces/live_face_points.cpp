// The two known points of a channel.
#include <QHBoxLayout>
#include <cmath>

#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/faces/live_face.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

Combo* channel_combo(QWidget* parent) {
  auto* c = new Combo(parent);
  c->setAccessibleName(LiveFace::tr("Channel to be set"));
  c->setMinimumHeight(36);
  return c;
}

}  // namespace

QWidget* LiveFace::build_points() {
  auto* all = new QWidget(this);
  auto* row = new QHBoxLayout(all);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  row->addWidget(plain_label(tr("Two known points of"), "question", all));
  channel_ = channel_combo(all);
  for (std::size_t i = 0; i < kChannelKinds; ++i)
    channel_->addItem(words_of(words_of(static_cast<ChannelWhat>(i))));
  connect(channel_, &QComboBox::currentIndexChanged, this, [this] { refresh(); });
  row->addWidget(channel_);
  const auto entry = [all](const QString& name, const QString& hint) {
    auto* e = new QLineEdit(all);
    e->setObjectName(QStringLiteral("figure"));
    e->setAccessibleName(name);
    e->setPlaceholderText(hint);
    e->setMaximumWidth(110);
    e->setMaxLength(40);
    return e;
  };
  known_ = entry(tr("What it truly is"), tr("20 kg"));
  row->addWidget(known_);
  doubt_ = entry(tr("± of it"), tr("± 1 kg"));
  row->addWidget(doubt_);
  auto* lower = new QPushButton(tr("Lower point"), all);
  connect(lower, &QPushButton::clicked, this, [this] { set_point(false); });
  row->addWidget(lower);
  auto* upper = new QPushButton(tr("Upper point"), all);
  connect(upper, &QPushButton::clicked, this, [this] { set_point(true); });
  row->addWidget(upper);
  points_ = label({}, "soft", all);
  row->addWidget(points_, 1);
  return all;
}

void LiveFace::set_point(bool upper) {
  const auto what = static_cast<ChannelWhat>(std::max(0, channel_->currentIndex()));
  if (link()->reader().head() && is_stand_in(*link()->reader().head()))
    return live_.tell(tr("The stand-in tells in units of its own: there is nothing to set"));
  const auto now = link()->newest();
  const auto raw = now ? now->told[static_cast<std::size_t>(what)] : std::nullopt;
  if (!raw) return live_.tell(tr("The instrument tells nothing of this channel"));
  const Kind kind = kind_of(what);
  const Range range = kind == Kind::length ? Range{-1, 1} : Range{-1e8, 1e8};
  const auto known =
      typed_quantity(known_->text().toStdString(), "Known point", kind, range, session_.style());
  if (!known) return live_.tell(error_text(known.error(), session_.style()));
  if (!upper) {
    low_raw_ = raw;
    low_ = *known;
    low_of_ = what;
    known_->clear();
    return live_.tell(tr("Lower point held. Now the upper one, well away from it"));
  }
  if (!low_raw_ || low_of_ != what) return live_.tell(tr("The lower point first"));
  Calibration c;
  c.channel = std::string(key_of(what));
  c.low_raw = *low_raw_;
  c.low = *low_;
  c.high_raw = *raw;
  c.high = *known;
  c.when = wall_clock();
  if (!doubt_->text().trimmed().isEmpty()) {
    QString typed = doubt_->text();
    typed.remove(QChar(0x00b1));
    const auto doubt = typed_quantity(typed.trimmed().toStdString(), "± of the points", kind, range,
                                      session_.style());
    if (!doubt) return live_.tell(error_text(doubt.error(), session_.style()));
    c.plus_minus = std::abs(*doubt);
  }
  const auto ok = set_points(session_, c);
  if (!ok) return live_.tell(error_text(ok.error(), session_.style()));
  low_raw_.reset();
  known_->clear();
  live_.tell(tr("Both points are set"));
  refresh();
}

}  // namespace yoke
