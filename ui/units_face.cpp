#include "ui/units_face.hpp"

#include <QButtonGroup>
#include <QHeaderView>
#include <QScrollArea>
#include <QSettings>
#include <QVBoxLayout>
#include <algorithm>

#include "paint/budget.hpp"
#include "paint/unit_ghost.hpp"
#include "session/texts.hpp"
#include "ui/fields.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

/// Largest part list shown at once: more is narrowed by typing, not by scrolling.
constexpr std::size_t kMostShown = 400;
constexpr int kTypingPause_ms = 120;
const QColor kAlarm{0xa8, 0x3e, 0x00};

QTableWidgetItem* cell(const QString& text, bool loud) {
  auto* item = new QTableWidgetItem(text);
  item->setToolTip(plain_tip(text));
  if (loud) {
    QFont f = item->font();
    f.setBold(true);
    item->setFont(f);
    item->setForeground(kAlarm);
  }
  return item;
}

}  // namespace

UnitsFace::UnitsFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(16);
  row->addLayout(build_matrix(), 20);
  row->addLayout(build_catalogue(), 9);
  delay_.setSingleShot(true);
  delay_.setInterval(kTypingPause_ms);
  connect(&delay_, &QTimer::timeout, this, &UnitsFace::narrow);
  connect(&parts_, &PartList::changed, this, &UnitsFace::narrow);
  parts_.load(QSettings().value(QStringLiteral("catalogue")).toString(),
              with_shipped_->isChecked());
}

QLayout* UnitsFace::build_matrix() {
  auto* box = new QVBoxLayout;
  box->setSpacing(6);
  sentence_ = label({}, "answer", this);
  sentence_->setAccessibleName(tr("Fitted unit against the others"));
  box->addWidget(sentence_);
  pins_ = new FlowLayout(6);
  auto* views = new QButtonGroup(this);
  const auto view = [&](const QString& words, const QString& tip) {
    auto* b = new QPushButton(words, this);
    b->setObjectName(QStringLiteral("small"));
    b->setCheckable(true);
    b->setToolTip(plain_tip(tip));
    views->addButton(b);
    pins_->addWidget(b);
    return b;
  };
  auto* drawing = view(tr("Drawn"), tr("One unit laid over the fitted one"));
  all_dimensions_ = view(tr("All dimensions"), tr("The list of all dimensions, side by side"));
  auto* travel = view(tr("Travel"), tr("What eats the pedal's travel, side by side"));
  drawing->setChecked(true);
  box->addLayout(pins_);
  ghost_ = new GhostView(session_, this);
  QScrollArea* area = moved_area(ghost_, this);
  box->addWidget(area, 3);
  connect(ghost_, &GhostView::dimension_touched, this, &UnitsFace::show_dimension);
  matrix_ = new QTableWidget(0, 2, this);
  matrix_->verticalHeader()->hide();
  matrix_->verticalHeader()->setDefaultSectionSize(28);
  matrix_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  matrix_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  matrix_->setSelectionBehavior(QAbstractItemView::SelectRows);
  matrix_->setAccessibleName(tr("All dimensions, side by side"));
  matrix_->setTabKeyNavigation(false);
  box->addWidget(matrix_, 3);
  matrix_->hide();
  detail_ =
      label(tr("A dimension that was not compared may be the one that does not fit. Touch one: "
               "it says what a difference asks for, or opens what is to be measured."),
            "soft", this);
  box->addWidget(detail_);
  connect(matrix_, &QTableWidget::currentCellChanged, this, [this](int at, int, int, int) {
    if (const auto* first = at >= 0 ? matrix_->item(at, 0) : nullptr)
      show_dimension(static_cast<Param>(first->data(Qt::UserRole).toInt()));
  });
  budget_ = new PictureView(tr("Travel budgets side by side"), this);
  budget_->set_maker([this](QSizeF size) {
    std::vector<ConditionReport> all{session_.strip()[0], session_.strip()[1]};
    auto pinned = candidate_views(session_.job(), 0);
    for (std::size_t i = 0; i < pinned.size(); ++i) {
      pinned[i].report.title = Message::data(pin_letter(i).toStdString());
      all.push_back(std::move(pinned[i].report));
    }
    return budget_picture(all, session_.style(), size);
  });
  budget_->hide();
  box->insertWidget(box->indexOf(matrix_), budget_, 3);
  const auto shows = [](QPushButton* b, QWidget* w) {
    connect(b, &QPushButton::toggled, w, &QWidget::setVisible);
  };
  shows(drawing, area);
  shows(all_dimensions_, matrix_);
  shows(travel, budget_);
  return box;
}

QLayout* UnitsFace::build_catalogue() {
  auto* box = new QVBoxLayout;
  box->setSpacing(6);
  box->addWidget(label(tr("Catalogue"), "heading", this));
  auto* top = new QHBoxLayout;
  kinds_ = new Combo(this);
  for (const PartKind k : all_values<PartKind>()) kinds_->addItem(words_of(words_of_value(k)));
  kinds_->setAccessibleName(tr("Kind of part"));
  words_ = new QLineEdit(this);
  words_->setProperty("scratch", true);  // a search, nothing of the job
  words_->setPlaceholderText(tr("words, or a bore: 7/8 in"));
  words_->setAccessibleName(tr("Words of a part"));
  words_->setMaxLength(80);
  words_->setClearButtonEnabled(true);
  top->addWidget(kinds_);
  top->addWidget(words_, 1);
  box->addLayout(top);
  list_ = new QListWidget(this);
  list_->setAccessibleName(tr("Parts"));
  list_->setUniformItemSizes(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setTextElideMode(Qt::ElideRight);
  box->addWidget(list_, 1);
  auto* pin = new QPushButton(tr("Pin to compare"), this);
  pin->setObjectName(QStringLiteral("main"));
  auto* take = new QPushButton(tr("Take into the plan"), this);
  auto* row = new QHBoxLayout;
  row->addWidget(pin);
  row->addWidget(take);
  box->addLayout(row);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  state_ = label({}, "soft", this);
  state_->setAccessibleName(tr("Catalogue in use"));
  box->addWidget(state_);
  auto* own = new QPushButton(tr("Open my own catalogue…"), this);
  own->setObjectName(QStringLiteral("small"));
  auto* shipped = new QPushButton(tr("Shipped parts"), this);
  shipped->setObjectName(QStringLiteral("small"));
  with_shipped_ = new QCheckBox(tr("add my own to the shipped parts"), this);
  with_shipped_->setChecked(QSettings().value(QStringLiteral("catalogue_adds")).toBool());
  box->addWidget(with_shipped_);
  connect(with_shipped_, &QCheckBox::toggled, this, [this](bool on) {
    QSettings().setValue(QStringLiteral("catalogue_adds"), on);
    if (!parts_.path().isEmpty()) parts_.load(parts_.path(), on);
  });
  auto* files = new QHBoxLayout;
  files->addWidget(own);
  files->addWidget(shipped);
  box->addLayout(files);
  connect(kinds_, &QComboBox::activated, this, [this](int k) {
    kind_ = static_cast<PartKind>(k);
    kind_asked_ = true;
    refresh();
    narrow();
  });
  connect(words_, &QLineEdit::textChanged, &delay_, qOverload<>(&QTimer::start));
  const auto pin_it = [this] {
    const Part* p = chosen();
    if (!p) return;
    const auto ok = pin_part(session_, *p);
    refusal_->setText(ok ? QString() : error_text(ok.error(), session_.style()));
    refusal_->setVisible(!ok);
  };
  connect(pin, &QPushButton::clicked, this, pin_it);
  connect(list_, &QListWidget::itemActivated, this, pin_it);
  connect(take, &QPushButton::clicked, this, [this] {
    if (const Part* p = chosen()) take_candidate(session_, candidate_of(*p));
  });
  connect(own, &QPushButton::clicked, this, &UnitsFace::open_catalogue);
  connect(shipped, &QPushButton::clicked, this, [this] {
    QSettings().remove(QStringLiteral("catalogue"));
    parts_.load({});
  });
  return box;
}

void UnitsFace::open_catalogue() {
  const QString path = dialogs_.open_file(this, tr("Open a catalogue (CSV or JSON)"),
                                          tr("Catalogues (*.csv *.json)"));
  if (path.isEmpty()) return;
  QSettings().setValue(QStringLiteral("catalogue"), path);
  parts_.load(path, with_shipped_->isChecked());
}

const Part* UnitsFace::chosen() const {
  const int at = list_->currentRow();
  if (at < 0 || static_cast<std::size_t>(at) >= shown_.size()) return nullptr;
  const std::size_t i = shown_[static_cast<std::size_t>(at)];
  return i < parts_.parts().size() ? &parts_.parts()[i] : nullptr;
}

void UnitsFace::narrow() {
  PartFilter f;
  f.kind = kind_;
  // A quantity is a bore; anything else is words.
  const std::string typed = words_->text().trimmed().toStdString();
  if (const auto bore = parse_quantity(typed, Kind::length, UnitStyle::both);
      bore && *bore > 5e-3 && *bore < 0.1)
    f.bore_m = *bore;
  else
    f.words = typed;
  shown_ = filter_parts(parts_.parts(), f);
  const std::size_t found = shown_.size();
  shown_.resize(std::min(found, kMostShown));
  QStringList names;
  for (const std::size_t i : shown_) {
    const Part& p = parts_.parts()[i];
    names << text_of(p.name) + QStringLiteral("  ·  ") + text_of(p.maker) + QLatin1Char(' ') +
                 text_of(p.id);
  }
  list_->clear();
  list_->addItems(names);
  if (!names.isEmpty()) list_->setCurrentRow(0);
  QString state = parts_.state();
  if (!parts_.reading())
    state += found > kMostShown ? tr("\n%1 fit; the first %2 are shown").arg(found).arg(kMostShown)
                                : tr("\n%1 fit").arg(found);
  state_->setText(state);
  QStringList all;
  for (const RowProblem& p : parts_.problems()) all << text_of(p.text(), session_.style());
  state_->setToolTip(plain_tip(all.mid(0, 30).join(QLatin1Char('\n'))));
}

void UnitsFace::refresh() {
  if (!kind_asked_) {
    const PartKind k = part_kind_of(session_.job());
    if (k != kind_) {
      kind_ = k;
      narrow();
    }
    kinds_->setCurrentIndex(static_cast<int>(kind_));
  }
  refresh_pins();
  refresh_matrix();
  budget_->redraw();
}

void UnitsFace::refresh_pins() {
  for (QWidget* w : pin_buttons_) {
    w->hide();
    w->deleteLater();
  }
  pin_buttons_.clear();
  const auto& pinned = session_.job().candidates;
  // What was just pinned is what is being thought about; what was taken off is shown no longer.
  if (pinned.size() > pin_count_)
    for (std::size_t i = 0; i < pinned.size(); ++i)
      if (pinned[i].kind == kind_) shown_pin_ = i;
  if (shown_pin_ && *shown_pin_ >= pinned.size()) shown_pin_.reset();
  pin_count_ = pinned.size();
  if (shown_pin_ && pinned[*shown_pin_].kind != kind_) shown_pin_.reset();
  add_pin(tr("Plan"), {});
  for (std::size_t i = 0; i < pinned.size(); ++i)
    add_pin(tr("%1  %2").arg(pin_letter(i), plain_action(text_of(pinned[i].name).left(18))), i);
}

void UnitsFace::add_pin(const QString& words, std::optional<std::size_t> pin) {
  auto* b = new QPushButton(words, this);
  b->setObjectName(QStringLiteral("small"));
  b->setCheckable(true);
  b->setChecked(pin == shown_pin_);
  b->setToolTip(plain_tip(pin ? text_of(session_.job().candidates[*pin].name)
                              : tr("Lay it over the fitted unit")));
  connect(b, &QPushButton::clicked, this, [this, pin] {
    shown_pin_ = pin;
    if (pin && session_.job().candidates[*pin].kind != kind_) {
      kind_ = session_.job().candidates[*pin].kind;
      kind_asked_ = true;
      kinds_->setCurrentIndex(static_cast<int>(kind_));
      narrow();
    }
    refresh();
  });
  pins_->addWidget(b);
  pin_buttons_.push_back(b);
  if (!pin) return;
  auto* off = new QPushButton(QStringLiteral("✕"), this);
  off->setObjectName(QStringLiteral("small"));
  off->setFixedWidth(36);
  off->setToolTip(plain_tip(tr("Take it off")));
  off->setAccessibleName(tr("Take %1 off").arg(text_of(session_.job().candidates[*pin].name)));
  connect(off, &QPushButton::clicked, this, [this, at = *pin] { unpin(session_, at); });
  pins_->addWidget(off);
  pin_buttons_.push_back(off);
}

void UnitsFace::refresh_matrix() {
  const Job& job = session_.job();
  std::vector<std::pair<QString, Matrix>> columns;
  columns.emplace_back(tr("Plan"), compare(job, kind_, job.plan));
  std::size_t drawn = 0;
  for (std::size_t i = 0; i < job.candidates.size(); ++i) {
    if (job.candidates[i].kind != kind_) continue;
    if (shown_pin_ == i) drawn = columns.size();
    columns.emplace_back(pin_letter(i), compare(job, kind_, job.candidates[i].sheet));
  }
  const Matrix& shown = columns[drawn].second;
  sentence_->setText(tr("%1 against fitted: %2 equal, %3 differ, %4 NOT COMPARED")
                         .arg(columns[drawn].first)
                         .arg(shown.equal)
                         .arg(shown.differ)
                         .arg(shown.not_compared));
  ghost_->show_ghost(kind_, shown_pin_);
  fill_matrix(columns);
}

void UnitsFace::fill_matrix(const std::vector<std::pair<QString, Matrix>>& columns) {
  const Job& job = session_.job();
  std::vector<Param> rows;
  for (const PartDim& d : part_dims(kind_))
    if (std::any_of(columns.begin(), columns.end(), [&](const auto& c) {
          return std::any_of(c.second.rows.begin(), c.second.rows.end(),
                             [&](const MatrixRow& r) { return r.param == d.param; });
        }))
      rows.push_back(d.param);
  const int kept = matrix_->currentRow();
  matrix_->setColumnCount(static_cast<int>(columns.size()) + 2);
  QStringList heads{tr("Dimension"), tr("Fitted")};
  for (const auto& c : columns) heads << c.first;
  matrix_->setHorizontalHeaderLabels(heads);
  matrix_->setRowCount(static_cast<int>(rows.size()));
  const Style& style = session_.style();
  for (std::size_t i = 0; i < rows.size(); ++i) {
    const int at = static_cast<int>(i);
    matrix_->setItem(at, 0, cell(words_of(info(rows[i]).words), false));
    matrix_->item(at, 0)->setData(Qt::UserRole, static_cast<int>(rows[i]));
    const Value v = value_of(job, As::found, rows[i]);
    const bool own = v.origin == Origin::measured;
    matrix_->setItem(at, 1,
                     cell(own ? dimension_words(rows[i], v.si, style) : tr("not measured"), !own));
    for (std::size_t c = 0; c < columns.size(); ++c) {
      const auto& list = columns[c].second.rows;
      const auto it = std::find_if(list.begin(), list.end(),
                                   [&](const MatrixRow& r) { return r.param == rows[i]; });
      matrix_->setItem(at, static_cast<int>(c) + 2,
                       it == list.end()
                           ? cell(QString(), false)
                           : cell(verdict_words(*it, style), it->sameness != Sameness::equal));
      if (it != list.end())
        matrix_->item(at, static_cast<int>(c) + 2)
            ->setToolTip(plain_tip(text_of(it->consequence, session_.style())));
    }
  }
  auto* header = matrix_->horizontalHeader();
  matrix_->setColumnWidth(0, 152);
  matrix_->setColumnWidth(1, 98);
  for (int c = 2; c < matrix_->columnCount(); ++c)
    header->setSectionResizeMode(c, QHeaderView::Stretch);
  if (kept >= 0 && kept < matrix_->rowCount()) matrix_->setCurrentCell(kept, 0);
}

void UnitsFace::show_dimension(Param p) {
  QStringList parts{words_of(info(p).help)};
  for (int r = 0; r < matrix_->rowCount(); ++r)
    if (static_cast<Param>(matrix_->item(r, 0)->data(Qt::UserRole).toInt()) == p)
      for (int c = 2; c < matrix_->columnCount(); ++c)
        if (const auto* item = matrix_->item(r, c); item && !item->toolTip().isEmpty())
          parts << matrix_->horizontalHeaderItem(c)->text() + QStringLiteral(": ") +
                       item->toolTip() + QLatin1Char('.');
  detail_->setText(parts.join(QLatin1Char(' ')));
}

}  // namespace yoke
