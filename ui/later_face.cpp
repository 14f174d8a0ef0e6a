#include "ui/later_face.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLocale>

#include "files/limits.hpp"
#include "session/texts.hpp"
#include "survey/rules.hpp"
#include "ui/fields.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"
#include "ui/table_fill.hpp"
#include "work/parts_gate.hpp"

namespace yoke {

namespace {

/// The ticks of a part, in the order of the columns behind name and day.
constexpr bool PartInHand::*kTicks[] = {&PartInHand::here, &PartInHand::thread, &PartInHand::seat,
                                        &PartInHand::place, &PartInHand::before_apart};

void dress(QTableWidget* t, const QStringList& heads, const QString& name) {
  t->setColumnCount(static_cast<int>(heads.size()));
  t->setHorizontalHeaderLabels(heads);
  t->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  t->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  t->verticalHeader()->hide();
  t->verticalHeader()->setDefaultSectionSize(32);
  t->setSelectionBehavior(QAbstractItemView::SelectRows);
  t->setSelectionMode(QAbstractItemView::SingleSelection);
  t->setTabKeyNavigation(false);
  t->setAccessibleName(name);
}

}  // namespace

LaterFace::LaterFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(24);
  row->addLayout(build_parts(), 15);
  row->addLayout(build_later(), 10);
}

QLayout* LaterFace::build_parts() {
  auto* box = new QVBoxLayout;
  box->setSpacing(6);
  sentence_ = label({}, "answer", this);
  sentence_->setAccessibleName(tr("May it come apart"));
  box->addWidget(sentence_);
  parts_ = new QTableWidget(0, 0, this);
  dress(parts_,
        {tr("Part"), tr("Promised"), tr("Here"), tr("Thread"), tr("Seat"), tr("In place"),
         tr("Needed first")},
        tr("Parts in hand"));
  parts_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
  box->addWidget(parts_, 1);
  box->addWidget(label(tr("Thread and seat tried by hand on the real mate, the part held where it "
                          "goes: a packet's label proves nothing."),
                       "soft", this));
  auto* entry = new QHBoxLayout;
  name_ = new QLineEdit(this);
  name_->setPlaceholderText(tr("part"));
  name_->setAccessibleName(tr("Name of the part"));
  name_->setMaxLength(120);
  day_ = new QLineEdit(this);
  day_->setPlaceholderText(tr("2026-12-24"));
  day_->setAccessibleName(tr("Promised for"));
  day_->setMaxLength(20);
  auto* add = new QPushButton(tr("Add"), this);
  add->setObjectName(QStringLiteral("main"));
  auto* remove = new QPushButton(tr("Remove"), this);
  remove->setAccessibleName(tr("Remove the chosen part"));
  entry->addWidget(name_, 3);
  entry->addWidget(day_, 2);
  entry->addWidget(add);
  entry->addWidget(remove);
  box->addLayout(entry);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  connect(add, &QPushButton::clicked, this, &LaterFace::add_part);
  connect(name_, &QLineEdit::returnPressed, this, &LaterFace::add_part);
  connect(day_, &QLineEdit::returnPressed, this, &LaterFace::add_part);
  connect(parts_, &QTableWidget::cellChanged, this, &LaterFace::tick);
  connect(remove, &QPushButton::clicked, this, [this] {
    const int at = parts_->currentRow();
    if (at < 0 || static_cast<std::size_t>(at) >= order_.size()) return;
    const std::size_t i = order_[static_cast<std::size_t>(at)];
    session_.edit(tr("remove a part"), [&](Job& j) {
      if (i < j.parts.size()) j.parts.erase(j.parts.begin() + static_cast<std::ptrdiff_t>(i));
    });
  });
  return box;
}

QLayout* LaterFace::build_later() {
  auto* box = new QVBoxLayout;
  box->setSpacing(6);
  box->addWidget(label(tr("Later conversions: what expires, and when"), "heading", this));
  later_ = new QTableWidget(0, 0, this);
  dress(later_, {tr("Conversion"), tr("Planned for")}, tr("Later conversions"));
  later_->horizontalHeader()->setStretchLastSection(true);
  later_->setMaximumHeight(122);
  later_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  box->addWidget(later_);
  auto* entry = new QHBoxLayout;
  what_ = new Combo(this);
  for (const LaterKind k : all_values<LaterKind>()) what_->addItem(words_of(words_of_value(k)));
  what_->setAccessibleName(tr("Later conversion"));
  when_ = new QLineEdit(this);
  when_->setPlaceholderText(tr("2027-05-01"));
  when_->setAccessibleName(tr("Planned for"));
  when_->setMaxLength(20);
  when_->setMinimumWidth(112);
  what_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  auto* add = new QPushButton(tr("Add"), this);
  add->setObjectName(QStringLiteral("main"));
  add->setAccessibleName(tr("Add the conversion"));
  auto* remove = new QPushButton(tr("Remove"), this);
  remove->setAccessibleName(tr("Remove the chosen conversion"));
  entry->addWidget(what_, 3);
  entry->addWidget(when_, 3);
  entry->addWidget(add);
  entry->addWidget(remove);
  box->addLayout(entry);
  later_refusal_ = label({}, "caution", this);
  later_refusal_->hide();
  box->addWidget(later_refusal_);
  figures_ = new FiguresView(session_, {"later", "concealed", "plain-bore", "valves", "upstream"},
                             {}, this);
  box->addWidget(figures_, 1);
  connect(add, &QPushButton::clicked, this, &LaterFace::add_later);
  connect(when_, &QLineEdit::returnPressed, this, &LaterFace::add_later);
  connect(remove, &QPushButton::clicked, this, [this] {
    const int at = later_->currentRow();
    if (at < 0) return;
    session_.edit(tr("remove a conversion"), [&](Job& j) {
      if (static_cast<std::size_t>(at) < j.later.size()) j.later.erase(j.later.begin() + at);
    });
  });
  return box;
}

std::string LaterFace::today() const {
  return (today_.isValid() ? today_ : QDate::currentDate()).toString(Qt::ISODate).toStdString();
}

std::optional<std::string> LaterFace::day_of(const QString& typed) const {
  const QString t = typed.trimmed();
  if (t.isEmpty()) return std::string();
  QDate d = QDate::fromString(t, Qt::ISODate);
  if (!d.isValid()) d = QLocale().toDate(t, QLocale::ShortFormat);
  if (!d.isValid()) d = QDate::fromString(t, QStringLiteral("d.M.yyyy"));
  if (!d.isValid()) return std::nullopt;
  return d.toString(Qt::ISODate).toStdString();
}

void LaterFace::add_part() {
  const QString name = name_->text().trimmed();
  const auto day = day_of(day_->text());
  QString why;
  if (name.isEmpty())
    why = tr("The part has no name yet.");
  else if (!day)
    why = tr("“%1” is no day. Write it as 2026-12-24, or leave it blank.").arg(day_->text());
  else if (session_.job().parts.size() >= kMostParts)
    why = tr("200 parts are the most a job keeps.");
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
  if (!why.isEmpty()) return;
  session_.edit(tr("part %1").arg(name), [&](Job& j) {
    PartInHand p;
    p.name = name.toStdString();
    p.promised = *day;
    j.parts.push_back(std::move(p));
  });
  name_->clear();
  day_->clear();
  name_->setFocus();
}

void LaterFace::add_later() {
  const auto day = day_of(when_->text());
  QString why;
  if (!day)
    why = tr("“%1” is no day. Write it as 2027-05-01, or leave it blank.").arg(when_->text());
  else if (session_.job().later.size() >= kMostLater)
    why = tr("50 later conversions are the most a job keeps.");
  later_refusal_->setText(why);
  later_refusal_->setVisible(!why.isEmpty());
  if (!why.isEmpty()) return;
  const auto what = static_cast<LaterKind>(what_->currentIndex());
  session_.edit(tr("later: %1").arg(what_->currentText()), [&](Job& j) {
    j.later.push_back({what, *day});
  });
  when_->clear();
}

void LaterFace::tick(int row, int column) {
  if (writing_ || column < 2 || static_cast<std::size_t>(row) >= order_.size()) return;
  const bool on = parts_->item(row, column)->checkState() == Qt::Checked;
  const std::size_t i = order_[static_cast<std::size_t>(row)];
  const auto member = kTicks[column - 2];
  session_.edit(
      tr("%1: %2").arg(parts_->item(row, 0)->text(), parts_->horizontalHeaderItem(column)->text()),
      [&](Job& j) {
        if (i < j.parts.size()) j.parts[i].*member = on;
      });
}

void LaterFace::refresh_parts() {
  const PartsGate g = parts_gate(session_.job(), today());
  sentence_->setText(text_of(g.sentence, session_.style()));
  writing_ = true;
  const int kept = parts_->currentRow();
  order_.clear();
  {
    TableFill fill(parts_, static_cast<int>(g.parts.size()));
    for (std::size_t k = 0; k < g.parts.size(); ++k) fill_part(fill, static_cast<int>(k), g, k);
  }
  if (kept >= 0 && kept < parts_->rowCount() && kept != parts_->currentRow())
    parts_->setCurrentCell(kept, 0);
  writing_ = false;
}

void LaterFace::fill_part(TableFill& fill, int row, const PartsGate& g, std::size_t k) {
  const PartState& s = g.parts[k];
  const PartInHand& p = session_.job().parts[s.index];
  order_.push_back(s.index);
  const bool waits = g.critical == s.index;
  auto* name = fill.text(row, 0, (waits ? QStringLiteral("▶ ") : QString()) + text_of(p.name));
  QFont font = parts_->font();
  font.setBold(waits);
  name->setFont(font);
  name->setToolTip(waits ? plain_tip(tr("The work waits for this one")) : QString());
  QString day = p.promised.empty() ? tr("no day") : text_of(p.promised);
  if (s.days) day += s.late ? tr(" (late)") : tr(" (%1 d)").arg(*s.days);
  fill.text(row, 1, day);
  for (int c = 0; c < 5; ++c) fill.tick(row, c + 2, p.*kTicks[c]);
}

void LaterFace::refresh_later() {
  const auto& list = session_.job().later;
  const auto due = due_reminders(session_.job(), today(), 30);
  TableFill fill(later_, static_cast<int>(list.size()));
  for (std::size_t i = 0; i < list.size(); ++i) {
    const int row = static_cast<int>(i);
    fill.text(row, 0, words_of(words_of_value(list[i].what)));
    QString day = list[i].date.empty() ? tr("some day") : text_of(list[i].date);
    if (std::find(due.begin(), due.end(), i) != due.end()) day += tr("  ← due");
    fill.text(row, 1, day);
  }
}

void LaterFace::refresh() {
  refresh_parts();
  refresh_later();
  figures_->refresh();
}

}  // namespace yoke
