#include "ui/faces/tubes_face.hpp"

#include <QFileInfo>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>
#include <QScrollArea>
#include <QVBoxLayout>
#include <cmath>
#include <functional>

#include "files/limits.hpp"
#include "paint/tube_picture.hpp"
#include "session/entries.hpp"
#include "session/template_out.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/preferences.hpp"
#include "ui/stage_page.hpp"
#include "ui/table_fill.hpp"
#include "work/line_gaps.hpp"
#include "work/line_template.hpp"

namespace yoke {

namespace {

constexpr double TubeCorner::*kAxes[] = {&TubeCorner::x_m, &TubeCorner::y_m, &TubeCorner::z_m};

QPushButton* small(const QString& words, QWidget* parent) {
  auto* b = new QPushButton(words, parent);
  b->setObjectName(QStringLiteral("small"));
  return b;
}

}  // namespace

TubesFace::TubesFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(16);
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  left->addWidget(build_line(this));
  left->addWidget(build_corners(this), 1);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  left->addWidget(refusal_);
  row->addLayout(left, 10);
  auto* right = new QVBoxLayout;
  drawing_ = new PictureView(tr("The line to make"), this);
  drawing_->set_maker([this](QSizeF size) {
    const auto lines = planned_lines(session_.job());
    const int row_now = table_->currentRow();
    return tube_picture(shown_ < lines.size() ? &lines[shown_] : nullptr,
                        row_now < 0 ? 0 : static_cast<std::size_t>(row_now), session_.style(),
                        size);
  });
  connect(drawing_, &PictureView::spot_clicked, this, [this](const QString& id) {
    if (id.startsWith(QStringLiteral("corner:")))
      table_->setCurrentCell(id.section(QLatin1Char(':'), 2).toInt(), 0);
  });
  connect(drawing_, &PictureView::dragged, this, &TubesFace::drag);
  connect(drawing_, &PictureView::drag_ended, this, [this] { grabbed_.reset(); });
  right->addWidget(drawing_, 3);
  auto* list = new QScrollArea(this);
  list->setWidgetResizable(true);
  list->setFocusPolicy(Qt::NoFocus);
  auto* said = new QWidget(list);
  auto* words = new QVBoxLayout(said);
  words->addWidget(build_hold(said));
  steps_ = label({}, "plain", said);
  words->addWidget(steps_);
  cutting_ = label({}, "soft", said);
  words->addWidget(cutting_);
  words->addStretch(1);
  list->setWidget(said);
  right->addWidget(list, 2);
  row->addLayout(right, 13);
}

QWidget* TubesFace::build_line(QWidget* parent) {
  auto* box = new QWidget(parent);
  auto* grid = new QGridLayout(box);
  grid->setContentsMargins(0, 0, 0, 0);
  lines_ = new QComboBox(box);
  lines_->setAccessibleName(tr("Line"));
  grid->addWidget(lines_, 0, 0, 1, 2);
  auto* add = new QPushButton(tr("Add a line"), box);
  auto* remove = small(tr("Remove"), box);
  remove->setAccessibleName(tr("Remove this line"));
  grid->addWidget(add, 0, 2);
  grid->addWidget(remove, 0, 3);
  const auto entry = [&](const QString& words, int at_row, int column) {
    grid->addWidget(label(words, "question", box), at_row, column);
    auto* e = new QLineEdit(box);
    e->setAccessibleName(words);
    grid->addWidget(e, at_row, column + 1);
    return e;
  };
  name_ = entry(tr("Name"), 1, 0);
  name_->setMaxLength(60);
  outside_ = entry(tr("Tube outside"), 2, 0);
  radius_ = entry(tr("Bend radius"), 2, 2);
  for (int end = 0; end < 2; ++end) {
    const QString words = end == 0 ? tr("First end") : tr("Second end");
    grid->addWidget(label(words, "question", box), 3, 2 * end);
    flares_[end] = new QComboBox(box);
    flares_[end]->setAccessibleName(words);
    for (const Flare f : {Flare::double_45, Flare::bubble, Flare::single_37, Flare::none})
      flares_[end]->addItem(words_of(words_of_value(f)));
    grid->addWidget(flares_[end], 3, 2 * end + 1);
    connect(flares_[end], qOverload<int>(&QComboBox::activated), this, [this, end](int to) {
      edit_tube(tr("flare"),
                [&](TubeLine& t) { (end == 0 ? t.start : t.end) = static_cast<Flare>(to); });
    });
  }
  connect(lines_, qOverload<int>(&QComboBox::activated), this, [this](int at) {
    shown_ = static_cast<std::size_t>(std::max(0, at));
    refresh();
  });
  connect(add, &QPushButton::clicked, this, &TubesFace::add_line);
  connect(remove, &QPushButton::clicked, this, &TubesFace::remove_line);
  connect(name_, &QLineEdit::editingFinished, this, &TubesFace::rename);
  connect(outside_, &QLineEdit::editingFinished, this,
          [this] { tube_typed(outside_, &TubeLine::outside_m, QT_TR_NOOP("Tube outside")); });
  connect(radius_, &QLineEdit::editingFinished, this,
          [this] { tube_typed(radius_, &TubeLine::radius_m, QT_TR_NOOP("Bend radius")); });
  return box;
}

/// What holds it, and what it is near to.
QWidget* TubesFace::build_hold(QWidget* parent) {
  auto* box = new QWidget(parent);
  auto* row = new QHBoxLayout(box);
  row->setContentsMargins(0, 0, 0, 0);
  const QString words = tr("Clip to clip");
  row->addWidget(label(words, "question", box));
  support_ = new QLineEdit(box);
  support_->setAccessibleName(words);
  support_->setFixedWidth(120);
  row->addWidget(support_);
  from_face_ = new QCheckBox(tr("Corners from the mounting face"), box);
  from_face_->setToolTip(
      plain_tip(tr("They are measured from the middle of the mounting face, as the boxes under Fit "
                   "are: then heat and what moves can be told")));
  row->addWidget(from_face_);
  row->addStretch(1);
  connect(support_, &QLineEdit::editingFinished, this,
          [this] { tube_typed(support_, &TubeLine::support_m, QT_TR_NOOP("Clip to clip")); });
  connect(from_face_, &QCheckBox::clicked, this, [this](bool on) {
    edit_tube(tr("where it is measured from"), [on](TubeLine& t) { t.from_face = on; });
  });
  return box;
}

QWidget* TubesFace::build_corners(QWidget* parent) {
  auto* box = new QWidget(parent);
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(
      label(tr("Corners from end to end, where the straights would meet"), "heading", box));
  table_ = new QTableWidget(0, 3, box);
  table_->verticalHeader()->setDefaultSectionSize(34);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->setAccessibleName(tr("Corners"));
  table_->setTabKeyNavigation(false);
  column->addWidget(table_, 1);
  legs_ = new QLineEdit(box);
  legs_->setProperty("scratch", true);  // it becomes corners, and is kept as those
  legs_->setMaxLength(1000);
  legs_->setPlaceholderText(tr("or by legs: 200 mm bend 90, 150 mm turn 45 bend 30, 300 mm"));
  legs_->setAccessibleName(tr("The line by legs and angles"));
  legs_->setToolTip(
      tr("From corner to corner, then how far the tube is turned and bent there; Enter makes the "
         "corners"));
  column->addWidget(legs_);
  connect(legs_, &QLineEdit::returnPressed, this, &TubesFace::legs_typed);
  auto* row = new QHBoxLayout;
  auto* more = new QPushButton(tr("Corner after this"), box);
  auto* fewer = small(tr("Remove"), box);
  fewer->setAccessibleName(tr("Remove the chosen corner"));
  auto* print = new QPushButton(tr("Full-size print…"), box);
  print->setObjectName(QStringLiteral("main"));
  row->addWidget(more);
  row->addWidget(fewer);
  row->addStretch(1);
  row->addWidget(print);
  column->addLayout(row);
  connect(more, &QPushButton::clicked, this, &TubesFace::add_corner);
  connect(fewer, &QPushButton::clicked, this, &TubesFace::remove_corner);
  connect(print, &QPushButton::clicked, this, &TubesFace::save_print);
  connect(table_, &QTableWidget::cellChanged, this, &TubesFace::corner_typed);
  connect(table_, &QTableWidget::currentCellChanged, this, [this] { drawing_->redraw(); });
  return box;
}

const TubeLine* TubesFace::tube() const {
  return shown_ < session_.job().tubes.size() ? &session_.job().tubes[shown_] : nullptr;
}

std::vector<std::size_t> TubesFace::places() const {
  std::vector<std::size_t> list;
  const TubeLine* const t = tube();
  if (t == nullptr) return list;
  const auto& all = session_.job().tube_corners;
  for (std::size_t i = 0; i < all.size(); ++i)
    if (all[i].line == t->name) list.push_back(i);
  return list;
}

void TubesFace::refuse(const QString& why) {
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
}

void TubesFace::show_tube() {
  const TubeLine* const t = tube();
  const Style& style = session_.style();
  lines_->clear();
  for (const TubeLine& line : session_.job().tubes) lines_->addItem(text_of(line.name));
  lines_->setCurrentIndex(t ? static_cast<int>(shown_) : -1);
  for (QWidget* w : std::initializer_list<QWidget*>{name_, outside_, radius_, support_, from_face_,
                                                    flares_[0], flares_[1], table_, legs_})
    w->setEnabled(t != nullptr);
  if (!name_->isModified() || t == nullptr) name_->setText(t ? text_of(t->name) : QString());
  name_->setModified(false);
  const auto show = [&](QLineEdit* e, std::optional<double> m, double usual) {
    // What nobody measured stands there in grey.
    e->setPlaceholderText(t ? QStringLiteral("≈ ") + quantity_text(usual, Kind::length, 2, style)
                            : QString());
    if (!e->isModified()) e->setText(m ? quantity_text(*m, Kind::length, 2, style) : QString());
  };
  const double outside = t ? t->outside_m.value_or(kUsualTube_m) : kUsualTube_m;
  show(outside_, t ? t->outside_m : std::nullopt, kUsualTube_m);
  show(radius_, t ? t->radius_m : std::nullopt, kUsualBend * outside);
  show(support_, t ? t->support_m : std::nullopt, kSupport_m);
  from_face_->setChecked(t && t->from_face);
  flares_[0]->setCurrentIndex(t ? static_cast<int>(t->start) : -1);
  flares_[1]->setCurrentIndex(t ? static_cast<int>(t->end) : -1);
}

void TubesFace::show_corners() {
  writing_ = true;
  const QString unit =
      quantity_text(0.1, Kind::length, 0, session_.style()).section(QLatin1Char(' '), -1);
  QStringList heads;
  for (const QString& h : {tr("forward"), tr("right"), tr("up")})
    heads << QStringLiteral("%1\n%2").arg(h, unit);
  table_->setHorizontalHeaderLabels(heads);
  const auto at = places();
  {
    const Qt::ItemFlags typed = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
    TableFill fill(table_, static_cast<int>(at.size()));
    for (std::size_t i = 0; i < at.size(); ++i)
      for (int c = 0; c < 3; ++c)
        fill.text(static_cast<int>(i), c,
                  quantity_text(session_.job().tube_corners[at[i]].*kAxes[c], Kind::length, 1,
                                session_.style())
                      .section(QLatin1Char(' '), 0, -2),
                  typed);
  }
  writing_ = false;
}

void TubesFace::show_steps() {
  const auto lines = planned_lines(session_.job());
  const Style& style = session_.style();
  QStringList words;
  if (shown_ < lines.size()) {
    const PlannedLine& line = lines[shown_];
    if (line.list) {
      if (const Message rests = typical_words(*line.list); !rests.empty())
        words << QStringLiteral("≈ ") + text_of(rests, style);
      for (const Message& m : line.list->warnings)
        words << QStringLiteral("▲ ") + text_of(m, style);
      for (const Message& m : making_steps(*line.tube, *line.list)) words << text_of(m, style);
      for (const Message& m : hold_words(session_.job(), line)) words << text_of(m, style);
    } else {
      words << QStringLiteral("■ ") + error_text(line.list.error(), style);
    }
  }
  steps_->setText(words.join(QLatin1Char('\n')));
  QStringList cut;
  for (const Message& m : cutting_words(lines)) cut << text_of(m, style);
  cutting_->setText(cut.join(QLatin1Char('\n')));
}

void TubesFace::refresh() {
  if (shown_ >= session_.job().tubes.size())
    shown_ = session_.job().tubes.empty() ? 0 : session_.job().tubes.size() - 1;
  show_tube();
  show_corners();
  show_steps();
  drawing_->redraw();
}

}  // namespace yoke
