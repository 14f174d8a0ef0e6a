#include "ui/assist_face.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <algorithm>

#include "document/param/assist.hpp"
#include "document/param/limits.hpp"
#include "document/param/vehicle.hpp"
#include "paint/place_assist.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

namespace {

QString mark_of(const AssistChoice& c) {
  if (!c.possible) return QObject::tr("✗ not possible");
  if (!c.effort_n || !c.dead_effort_n) return QObject::tr("? cannot say");
  if (!c.works) return QObject::tr("✗ outside limits");
  if (c.verdict == Verdict::cannot_say) return QObject::tr("? cannot say");
  // The tick is for what holds, with its room told; the rest rests on something.
  if (!c.unknown.empty()) return QObject::tr("≈ if it fits");
  return c.verdict == Verdict::holds ? QObject::tr("✓ within limits")
                                     : QObject::tr("≈ within limits if typical");
}

}  // namespace

AssistFace::AssistFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(20);
  auto* left = new QVBoxLayout;
  left->setSpacing(4);
  left->addWidget(label(tr("Room, power and driver"), "heading", this));
  panel_ = new ParamPanel(session, 1, this);
  std::vector<std::pair<As, Param>> list;
  for (const ParamInfo& p : all_params())
    if (p.group == Group::room) list.emplace_back(As::found, p.param);
  for (const Param p : {param::assist_vacuum, param::vehicle_altitude, param::limit_effort,
                        param::limit_effort_failed})
    list.emplace_back(p == param::vehicle_altitude ? As::found : As::plan, p);
  panel_->show_params(list);
  left->addWidget(panel_, 1);
  panel_->setMinimumWidth(446);
  room_ = new PictureView(tr("The chosen type in its room"), this);
  room_->setMinimumHeight(116);
  room_->set_maker([this](QSizeF size) {
    const int at = table_->currentRow();
    const bool chosen = at >= 0 && static_cast<std::size_t>(at) < choices_.size();
    return assist_room_picture(chosen ? choices_[static_cast<std::size_t>(at)] : AssistChoice{},
                               resolve(session_.job(), As::plan), session_.style(), size);
  });
  room_->setMaximumHeight(140);
  left->addWidget(room_);
  row->addLayout(left, 9);
  auto* right = new QVBoxLayout;
  right->setSpacing(6);
  need_ =
      new FiguresView(session, {"need"},
                      tr("Nothing to choose here: a hydraulic clutch works without assist."), this);
  need_->setFixedHeight(132);
  right->addWidget(need_);
  right->addWidget(label(tr("Assist by type: what works, then the lightest pedal when it is dead"),
                         "heading", this));
  table_ = new QTableWidget(0, 4, this);
  table_->setHorizontalHeaderLabels({tr("Type"), tr("Verdict"), tr("Effort"), tr("With it dead")});
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setStretchLastSection(true);
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(32);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::SingleSelection);
  table_->setTabKeyNavigation(false);
  table_->setAccessibleName(tr("Assist by type"));
  right->addWidget(table_, 1);
  detail_ = label({}, "question", this);
  detail_->setAccessibleName(tr("The chosen type"));
  detail_->setMinimumHeight(74);
  detail_->setAlignment(Qt::AlignTop);
  right->addWidget(detail_);
  take_ = new QPushButton(tr("Take the chosen type into the plan"), this);
  take_->setObjectName(QStringLiteral("main"));
  right->addWidget(take_, 0, Qt::AlignLeft);
  row->addLayout(right, 13);
  connect(take_, &QPushButton::clicked, this, &AssistFace::take);
  connect(table_, &QTableWidget::cellActivated, this, [this](int, int) { take(); });
  connect(table_, &QTableWidget::currentCellChanged, this,
          [this](int at, int, int, int) { show_row(at); });
}

void AssistFace::take() {
  const int at = table_->currentRow();
  if (at < 0 || static_cast<std::size_t>(at) >= choices_.size()) return;
  const AssistChoice c = choices_[static_cast<std::size_t>(at)];
  take_assist(session_, c);
}

void AssistFace::show_row(int row) {
  if (row < 0 || static_cast<std::size_t>(row) >= choices_.size()) return;
  const AssistChoice& c = choices_[static_cast<std::size_t>(row)];
  QStringList parts{tr("When it fails: %1").arg(text_of(c.when_it_fails, session_.style()))};
  if (!c.because.empty())
    parts << tr("Cannot say all: %1.").arg(text_of(c.because, session_.style()));
  if (!c.fails.empty()) parts << tr("Outside: %1.").arg(text_of(c.fails, session_.style()));
  QStringList against;
  for (const auto& a : c.against) against << text_of(a, session_.style());
  if (!against.isEmpty()) parts << tr("Against it: %1.").arg(against.join(QStringLiteral("; ")));
  QStringList unknown;
  for (const auto& u : c.unknown) unknown << text_of(u, session_.style());
  if (!unknown.isEmpty()) parts << tr("Not told: %1.").arg(unknown.join(QStringLiteral(", ")));
  detail_->setText(parts.join(QLatin1Char('\n')));
  room_->redraw();
}

void AssistFace::refresh() {
  need_->refresh();
  const int at = table_->currentRow();
  const QString kept = at >= 0 && table_->item(at, 0) ? table_->item(at, 0)->text() : QString();
  choices_ = assist_choices(session_.job());
  table_->setRowCount(static_cast<int>(choices_.size()));
  int again = choices_.empty() ? -1 : 0;
  const Style& style = session_.style();
  const auto force = [&](const std::optional<double>& n) {
    return n ? full_text(*n, Kind::force, 0, style) : QStringLiteral("–");
  };
  for (std::size_t i = 0; i < choices_.size(); ++i) {
    const AssistChoice& c = choices_[i];
    const QString cells[] = {text_of(c.words, session_.style()), mark_of(c), force(c.effort_n),
                             force(c.dead_effort_n)};
    for (int k = 0; k < 4; ++k)
      table_->setItem(static_cast<int>(i), k, new QTableWidgetItem(cells[k]));
    if (cells[0] == kept) again = static_cast<int>(i);
  }
  take_->setEnabled(!choices_.empty());
  table_->setCurrentCell(again, 0);
  show_row(again);
}

}  // namespace yoke
