#include "ui/figures_view.hpp"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "session/job_kind.hpp"
#include "session/sheet_cells.hpp"
#include "session/texts.hpp"
#include "ui/fields.hpp"
#include "ui/printing.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

bool has_figures(Stage stage) {
  return stage != Stage::record;
}

CalcCard::CalcCard(Session& session, const Calculator& calculator, QWidget* parent)
    : QWidget(parent), session_(session), calculator_(calculator) {
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(0, 10, 0, 6);
  outer->setSpacing(4);
  auto* top = new QHBoxLayout;
  top->addWidget(label(words_of(calculator.title), "heading", this), 1);
  auto* paper = new QPushButton(tr("Print…"), this);
  paper->setObjectName(QStringLiteral("small"));
  paper->setAccessibleName(tr("Print: %1").arg(words_of(calculator.title)));
  connect(paper, &QPushButton::clicked, this,
          [this] { preview_html(window(), words_of(calculator_.title), card_html()); });
  top->addWidget(paper);
  outer->addLayout(top);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(10);
  grid->setVerticalSpacing(3);
  grid->setColumnStretch(0, 5);
  grid->setColumnStretch(1, 6);
  for (std::size_t i = 0; i < calculator.inputs.size(); ++i) {
    values_.push_back(calculator.inputs[i].start);
    entries_.push_back(nullptr);
    add_input(grid, static_cast<int>(i), i);
  }
  outer->addLayout(grid);
  refusal_ = label({}, "alarm", this);
  refusal_->hide();
  outer->addWidget(refusal_);
  results_ = new FigureSheet(1, this);
  outer->addWidget(results_);
  if (calculator.caution[0] != '\0')
    outer->addWidget(label(words_of(calculator.caution), "caution", this));
  outer->addWidget(label(words_of(calculator.source), "soft", this));
  connect(&session_, &Session::style_changed, this, &CalcCard::restyle);
  compute();
}

void CalcCard::add_input(QGridLayout* grid, int row, std::size_t index) {
  const CalcInput& in = calculator_.inputs[index];
  auto* words = label(words_of(in.words), "question", this);
  grid->addWidget(words, row, 0);
  const QString name =
      QStringLiteral("%1: %2").arg(words_of(calculator_.title), words_of(in.words));
  if (in.kind == Kind::choice) {
    auto* combo = new Combo(this);
    for (const auto& o : in.options) combo->addItem(words_of(o));
    combo->setCurrentIndex(static_cast<int>(in.start));
    combo->setAccessibleName(name);
    words->setBuddy(combo);
    connect(combo, &QComboBox::currentIndexChanged, this, [this, index](int choice) {
      values_[index] = choice;
      compute();
    });
    grid->addWidget(combo, row, 1);
    return;
  }
  auto* entry = new QLineEdit(this);
  entry->setProperty("scratch", true);  // of a bench calculation, nothing of the job
  entry->setAccessibleName(name);
  entry->setText(full_text(values_[index], in.kind, in.digits, session_.style()));
  words->setBuddy(entry);
  entries_[index] = entry;
  connect(entry, &QLineEdit::editingFinished, this, [this, index, entry] { commit(index, entry); });
  grid->addWidget(entry, row, 1);
}

void CalcCard::commit(std::size_t index, QLineEdit* entry) {
  const CalcInput& in = calculator_.inputs[index];
  const QString shown = full_text(values_[index], in.kind, in.digits, session_.style());
  if (entry->text() == shown) return;
  // Both units may stand in the field: what was typed over counts up to the bracket.
  const QString typed = entry->text().section(QLatin1Char('('), 0, 0).trimmed();
  const auto v = parse_input(in, typed.toStdString(), session_.style().units);
  if (!v) {
    refusal_->setText(error_text(v.error(), session_.style()));
    refusal_->show();
    return;
  }
  values_[index] = *v;
  entry->setText(full_text(*v, in.kind, in.digits, session_.style()));
  compute();
}

void CalcCard::restyle() {
  for (std::size_t i = 0; i < entries_.size(); ++i)
    if (entries_[i])
      entries_[i]->setText(full_text(values_[i], calculator_.inputs[i].kind,
                                     calculator_.inputs[i].digits, session_.style()));
  compute();
}

void CalcCard::compute() {
  const auto figures = calculate(calculator_, values_);
  refusal_->setVisible(!figures);
  results_->setVisible(figures.has_value());
  if (figures)
    results_->show_figures(*figures, session_.style());
  else
    refusal_->setText(error_text(figures.error(), session_.style()));
}

QString CalcCard::result() const {
  return results_->isHidden() ? QString() : results_->said().join(QLatin1Char('\n'));
}

QString CalcCard::card_html() const {
  QStringList asked;
  for (std::size_t i = 0; i < values_.size(); ++i) {
    const CalcInput& in = calculator_.inputs[i];
    const QString value = in.kind == Kind::choice
                              ? words_of(in.options[static_cast<std::size_t>(values_[i])])
                              : full_text(values_[i], in.kind, in.digits, session_.style());
    asked << sheet::row({sheet::esc(words_of(in.words)), sheet::esc(value)});
  }
  QString html = QStringLiteral("<h1>%1</h1>").arg(sheet::esc(words_of(calculator_.title))) +
                 sheet::table(asked) + QStringLiteral("<p></p>");
  for (const QString& line : result().split(QLatin1Char('\n')))
    html += QStringLiteral("<p style='font-size:15px'><b>%1</b></p>").arg(sheet::esc(line));
  if (calculator_.caution[0] != '\0')
    html += QStringLiteral("<p>▲ %1</p>").arg(sheet::esc(words_of(calculator_.caution)));
  return html +
         QStringLiteral("<p><small>%1</small></p>").arg(sheet::esc(words_of(calculator_.source)));
}

QLineEdit* CalcCard::entry(const QString& id) const {
  for (std::size_t i = 0; i < entries_.size(); ++i)
    if (id == QLatin1String(calculator_.inputs[i].id)) return entries_[i];
  return nullptr;
}

FiguresView::FiguresView(Session& session, Stage stage, QWidget* parent)
    : QScrollArea(parent), session_(session), stage_(stage) {
  build(2, true);
}

FiguresView::FiguresView(Session& session, std::vector<std::string> groups, const QString& empty,
                         QWidget* parent)
    : QScrollArea(parent), session_(session), only_(std::move(groups)) {
  empty_ = label(empty, "soft", this);
  build(1, false);
}

void FiguresView::build(int columns, bool bench) {
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setAccessibleName(tr("Figures"));
  auto* inner = new QWidget;
  auto* outer = new QVBoxLayout(inner);
  outer->setContentsMargins(0, 0, 10, 10);
  if (empty_) outer->addWidget(empty_);
  groups_ = new FigureSheet(columns, inner);
  outer->addWidget(groups_);
  if (bench) add_bench(outer, inner);
  outer->addStretch(1);
  setWidget(inner);
}

void FiguresView::add_bench(QVBoxLayout* outer, QWidget* inner) {
  std::vector<const Calculator*> mine;
  for (const Calculator& c : calculators())
    if (c.stage == stage_ && has_calculator(session_.job(), c.id)) mine.push_back(&c);
  if (mine.empty()) return;
  outer->addWidget(label(tr("At the bench: for anything, not kept in the job"), "question", inner));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(36);
  for (std::size_t i = 0; i < mine.size(); ++i) {
    auto* card = new CalcCard(session_, *mine[i], inner);
    cards_.emplace_back(QString::fromLatin1(mine[i]->id), card);
    grid->addWidget(card, static_cast<int>(i) / 2, static_cast<int>(i) % 2, Qt::AlignTop);
  }
  grid->setColumnStretch(0, 1);
  grid->setColumnStretch(1, 1);
  outer->addLayout(grid);
}

std::vector<FigureGroup> FiguresView::wanted() const {
  if (only_.empty()) return figure_groups(session_.job(), stage_);
  std::vector<GroupId> ids;
  for (const std::string& name : only_)
    if (const auto id = find_group(name)) ids.push_back(*id);
  return figure_groups(session_.job(), ids);
}

CalcCard* FiguresView::card(const QString& id) const {
  for (const auto& [name, card] : cards_)
    if (name == id) return card;
  return nullptr;
}

void FiguresView::refresh() {
  const auto groups = wanted();
  groups_->show_groups(groups, session_.style());
  groups_->setVisible(!groups.empty());
  if (empty_) empty_->setVisible(groups.empty());
}

QString FiguresView::text() const {
  return groups_->said().join(QLatin1Char('\n'));
}

}  // namespace yoke
