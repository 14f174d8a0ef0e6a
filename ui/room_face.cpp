#include "ui/room_face.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>
#include <cmath>

#include "document/param/unit.hpp"
#include "files/limits.hpp"
#include "fitting/envelope.hpp"
#include "paint/fit_pictures.hpp"
#include "session/entries.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

namespace {

struct Column {
  double Box::*member;
  Range range;
};
constexpr Column kColumns[] = {{&Box::x_m, kBoxPlace},    {&Box::y_m, kBoxPlace},
                               {&Box::z_m, kBoxPlace},    {&Box::dx_m, kBoxLength},
                               {&Box::dy_m, kBoxLength},  {&Box::dz_m, kBoxLength},
                               {&Box::swing_m, kBoxSwing}};
constexpr int kFirst = 2;

}  // namespace

RoomFace::RoomFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(20);
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  left->addWidget(
      label(tr("Boxes: middle from the mounting face, and whole lengths"), "heading", this));
  table_ = new QTableWidget(0, 9, this);
  table_->setHorizontalHeaderLabels({tr("Box"), tr("It is"), tr("forward"), tr("right"), tr("up"),
                                     tr("long"), tr("wide"), tr("high"), tr("swings")});
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setMinimumSectionSize(32);
  table_->verticalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
  table_->setAccessibleName(tr("Boxes"));
  table_->setTabKeyNavigation(false);
  left->addWidget(table_, 1);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  left->addWidget(refusal_);
  left->addWidget(label(tr("Double-click or F2 and type: 120 mm, 4 3/4 in. Swing: how far it moves "
                           "each way, the engine on its mounts, the bars at full lock."),
                        "soft", this));
  auto* buttons = new QHBoxLayout;
  const std::pair<Box::Kind, QString> kinds[] = {{Box::Kind::unit, tr("Add the unit")},
                                                 {Box::Kind::fixed, tr("Add an obstacle")},
                                                 {Box::Kind::moving, tr("Add what moves")},
                                                 {Box::Kind::hot, tr("Add what is hot")}};
  for (const auto& [kind, words] : kinds) {
    auto* b = new QPushButton(words, this);
    b->setObjectName(QStringLiteral("small"));
    buttons->addWidget(b);
    connect(b, &QPushButton::clicked, this, [this, k = kind] { add(k); });
  }
  auto* remove = new QPushButton(tr("Remove"), this);
  remove->setObjectName(QStringLiteral("small"));
  remove->setAccessibleName(tr("Remove the chosen box"));
  buttons->addWidget(remove);
  left->addLayout(buttons);
  connect(remove, &QPushButton::clicked, this, [this] {
    const int at = table_->currentRow();
    if (at < 0) return;
    session_.edit(tr("remove a box"), [&](Job& j) {
      if (static_cast<std::size_t>(at) < j.boxes.size()) j.boxes.erase(j.boxes.begin() + at);
    });
  });
  connect(table_, &QTableWidget::cellChanged, this, &RoomFace::changed);
  row->addLayout(left, 12);
  auto* right = new QVBoxLayout;
  drawing_ = new PictureView(tr("Room around the unit"), this);
  drawing_->set_maker(
      [this](QSizeF size) { return room_picture(session_.job(), session_.style(), size); });
  connect(drawing_, &PictureView::spot_clicked, this, &RoomFace::grab);
  connect(drawing_, &PictureView::dragged, this, &RoomFace::drag);
  connect(drawing_, &PictureView::drag_ended, this, [this] { grabbed_.reset(); });
  right->addWidget(drawing_, 3);
  figures_ = new FiguresView(session, {"envelope"},
                             tr("Add the unit and what stands near it: the tightest gap is said "
                                "here, with what a hot or moving neighbour needs."),
                             this);
  right->addWidget(figures_, 2);
  row->addLayout(right, 11);
}

void RoomFace::add(Box::Kind kind) {
  if (session_.job().boxes.size() >= kMostBoxes) {
    refusal_->setText(tr("60 boxes are the most a job keeps."));
    refusal_->show();
    return;
  }
  Box b;
  b.kind = kind;
  b.name = std::string(kind == Box::Kind::unit     ? "Unit"
                       : kind == Box::Kind::moving ? "Engine"
                       : kind == Box::Kind::hot    ? "Exhaust"
                                                   : "Obstacle");
  const Values v = resolve(session_.job(), As::plan);
  if (kind == Box::Kind::unit) {
    b.dx_m = v.known(param::unit_length) ? v.si(param::unit_length) : 0.2;
    b.dy_m = b.dz_m = v.known(param::unit_body_width) ? v.si(param::unit_body_width) : 0.1;
    b.x_m = b.dx_m / 2;
  } else {
    b.dx_m = b.dy_m = b.dz_m = 0.1;
    b.x_m = 0.1;
    b.y_m = 0.2;
    b.swing_m = kind == Box::Kind::moving ? 0.015 : 0;
  }
  session_.edit(tr("box %1").arg(text_of(b.name)), [&](Job& j) { j.boxes.push_back(b); });
}

void RoomFace::grab(const QString& id) {
  const auto at = static_cast<std::size_t>(id.section(QLatin1Char(':'), 2).toInt());
  if (!id.startsWith(QStringLiteral("box:")) || at >= session_.job().boxes.size()) return;
  table_->setCurrentCell(static_cast<int>(at), 0);
  // The scale of the beginning holds while it is dragged, whatever room it then takes.
  grabbed_ = Grabbed{at, session_.job().boxes[at],
                     room_pixels_per_metre(session_.job(), QSizeF(drawing_->size()))};
}

void RoomFace::drag(const QString& id, QPointF from, QPointF to) {
  if (!grabbed_ || grabbed_->box >= session_.job().boxes.size() || grabbed_->per_m <= 0) return;
  const QPointF by = (to - from) / grabbed_->per_m;
  // To the millimetre: that is what the table shows.
  const auto whole_mm = [](double m) { return std::round(m * 1e3) / 1e3; };
  const bool above = id.startsWith(QStringLiteral("box:above"));
  const std::size_t at = grabbed_->box;
  const Box start = grabbed_->start;
  session_.edit(
      tr("%1 moved").arg(text_of(start.name)),
      [&](Job& j) {
        j.boxes[at].x_m = whole_mm(start.x_m + by.x());
        if (above)
          j.boxes[at].y_m = whole_mm(start.y_m + by.y());
        else
          j.boxes[at].z_m = whole_mm(start.z_m - by.y());
      },
      QStringLiteral("box %1").arg(at));
}

void RoomFace::changed(int row, int column) {
  if (writing_ || row < 0 || static_cast<std::size_t>(row) >= session_.job().boxes.size()) return;
  const QString typed = table_->item(row, column)->text().trimmed();
  const auto at = static_cast<std::size_t>(row);
  QString why;
  if (column == 0) {
    if (typed.isEmpty()) why = tr("A box needs a name.");
    if (why.isEmpty())
      session_.edit(tr("box %1").arg(typed),
                    [&](Job& j) { j.boxes[at].name = typed.toStdString(); });
  } else if (column >= kFirst) {
    const Column& c = kColumns[column - kFirst];
    const auto v =
        typed_quantity(typed.toStdString(),
                       Message::data(table_->horizontalHeaderItem(column)->text().toStdString()),
                       Kind::length, c.range, session_.style());
    if (!v)
      why = error_text(v.error(), session_.style());
    else
      session_.edit(tr("box %1: %2").arg(text_of(session_.job().boxes[at].name), typed),
                    [&](Job& j) { j.boxes[at].*(c.member) = *v; });
  }
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
  if (!why.isEmpty()) refresh();
}

void RoomFace::refresh() {
  writing_ = true;
  const QString unit =
      quantity_text(0.1, Kind::length, 0, session_.style()).section(QLatin1Char(' '), -1);
  QStringList heads{tr("Box"), tr("It is")};
  for (const QString& h :
       {tr("forward"), tr("right"), tr("up"), tr("long"), tr("wide"), tr("high"), tr("swings")})
    heads << QStringLiteral("%1\n%2").arg(h, unit);
  table_->setHorizontalHeaderLabels(heads);
  const auto& boxes = session_.job().boxes;
  {
    const Qt::ItemFlags typed = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
    TableFill fill(table_, static_cast<int>(boxes.size()));
    for (std::size_t i = 0; i < boxes.size(); ++i) {
      const int row = static_cast<int>(i);
      fill.text(row, 0, text_of(boxes[i].name), typed);
      fill.text(row, 1, words_of(words_of_value(boxes[i].kind)));
      for (int c = 0; c < 7; ++c)
        fill.text(row, kFirst + c,
                  quantity_text(boxes[i].*(kColumns[c].member), Kind::length, 0, session_.style())
                      .section(QLatin1Char(' '), 0, -2),
                  typed);
    }
  }
  writing_ = false;
  drawing_->redraw();
  figures_->refresh();
}

}  // namespace yoke
