#include "ui/readings_box.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QPushButton>

#include "session/entries.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

QLineEdit* figure_entry(const QString& name, const QString& hint, QWidget* parent) {
  auto* e = new QLineEdit(parent);
  e->setObjectName(QStringLiteral("figure"));
  e->setPlaceholderText(hint);
  e->setAccessibleName(name);
  e->setMaxLength(40);
  return e;
}

namespace {
/// How a reading was taken, short: "off, 2nd, clamped, 3.20 MPa".
QString taken_words(const Reading& r, const Style& style) {
  QString w = r.assist_alive ? QObject::tr("on") : QObject::tr("off");
  if (r.second_apply) w += QObject::tr(", 2nd");
  if (r.hoses_clamped)
    w += r.clamped == ClampedHoses::all     ? QObject::tr(", clamped")
         : r.clamped == ClampedHoses::first ? QObject::tr(", outlet 1 clamped")
                                            : QObject::tr(", outlet 2 clamped");
  if (r.rejected) w += QObject::tr(", does not count");
  if (r.pressure_pa)
    w += QStringLiteral(", ") + quantity_text(*r.pressure_pa, Kind::pressure, 2, style);
  return w;
}
}  // namespace

ReadingsBox::ReadingsBox(Session& session, std::vector<Reading> Job::*list, const QString& title,
                         QWidget* parent)
    : QWidget(parent), session_(session), list_(list) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(4);
  box->addWidget(label(title, "heading", this));
  table_ = new QTableWidget(0, 3, this);
  table_->setTabKeyNavigation(false);  // Tab goes on, the arrows walk the rows
  table_->setHorizontalHeaderLabels({tr("force"), tr("travel"), tr("assist")});
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
  table_->verticalHeader()->hide();
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setAccessibleName(title);
  table_->setMinimumHeight(64);
  box->addWidget(table_, 1);
  auto* row = new QHBoxLayout;
  force_ = figure_entry(tr("Pedal force"), tr("20 kg"), this);
  travel_ = figure_entry(tr("Pedal travel"), tr("48 mm"), this);
  gauge_ = figure_entry(tr("Gauge pressure, if there is one"), tr("gauge"), this);
  gauge_->setToolTip(
      plain_tip(tr("Line pressure at this press, where a gauge is fitted: 30 bar, 450 psi")));
  assist_ = new QCheckBox(tr("assist"), this);
  second_ = new QCheckBox(tr("2nd in a row"), this);
  second_->setToolTip(
      plain_tip(tr("Clearances are taken up then: it tells them from slack and air")));
  clamped_ = new QComboBox(this);
  clamped_->addItems(
      {tr("hoses free"), tr("hoses clamped"), tr("outlet 1 clamped"), tr("outlet 2 clamped")});
  clamped_->setAccessibleName(tr("Hoses clamped off"));
  clamped_->setToolTip(plain_tip(tr("With clamps made for hoses, never on braided ones")));
  auto* add = new QPushButton(tr("Add"), this);
  add->setObjectName(QStringLiteral("main"));
  row->addWidget(force_);
  row->addWidget(travel_);
  row->addWidget(gauge_);
  row->addWidget(assist_);
  row->addWidget(add);
  box->addLayout(row);
  auto* taken = new QHBoxLayout;
  taken->addWidget(second_);
  taken->addWidget(clamped_);
  auto* remove = new QPushButton(tr("Remove"), this);
  remove->setObjectName(QStringLiteral("small"));
  remove->setToolTip(plain_tip(tr("Removes the chosen reading")));
  remove->setAccessibleName(tr("Remove the chosen reading"));
  taken->addWidget(remove);
  box->addLayout(taken);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  connect(add, &QPushButton::clicked, this, &ReadingsBox::add_reading);
  connect(travel_, &QLineEdit::returnPressed, this, &ReadingsBox::add_reading);
  connect(gauge_, &QLineEdit::returnPressed, this, &ReadingsBox::add_reading);
  connect(remove, &QPushButton::clicked, this, [this] {
    const int row_at = table_->currentRow();
    if (row_at < 0) return;
    session_.edit(tr("remove a reading"), [&](Job& j) {
      if (static_cast<size_t>(row_at) < (j.*list_).size())
        (j.*list_).erase((j.*list_).begin() + row_at);
    });
  });
}

void ReadingsBox::add_reading() {
  const auto r = typed_reading(
      {.force = force_->text().toStdString(),
       .travel = travel_->text().toStdString(),
       .gauge = gauge_->text().toStdString(),
       .assist_alive = assist_->isChecked(),
       .second_apply = second_->isChecked(),
       .hoses_clamped = clamped_->currentIndex() > 0,
       .clamped = static_cast<ClampedHoses>(std::max(0, clamped_->currentIndex() - 1))},
      session_.style());
  refuse(r ? QString() : error_text(r.error(), session_.style()));
  if (!r) return;
  const auto ok = session_.edit(tr("reading %1 at %2").arg(force_->text(), travel_->text()),
                                [&](Job& j) { (j.*list_).push_back(*r); });
  if (!ok) return refuse(error_text(ok.error(), session_.style()));
  force_->clear();
  travel_->clear();
  gauge_->clear();
  force_->setFocus();
}

void ReadingsBox::refuse(const QString& why) {
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
}

void ReadingsBox::refresh() {
  const auto& readings = session_.job().*list_;
  // A long list is filled when it changed, not at every edit elsewhere.
  if (readings == shown_ && session_.style() == shown_in_) return;
  shown_ = readings;
  shown_in_ = session_.style();
  TableFill fill(table_, static_cast<int>(readings.size()));
  for (size_t i = 0; i < readings.size(); ++i) {
    const int row = static_cast<int>(i);
    const Reading& r = readings[i];
    const Style& style = session_.style();
    const auto cell = [&](double si, double uncertainty_si, Kind kind, int digits) {
      return quantity_text(si, kind, digits, style) + QStringLiteral(" ± ") +
             quantity_text(uncertainty_si, kind, digits, style);
    };
    fill.text(row, 0, cell(r.force_n, r.force_uncertainty_n, Kind::force, 0));
    fill.text(row, 1, cell(r.travel_m, r.travel_uncertainty_m, Kind::length, 1));
    fill.text(row, 2, taken_words(r, style));
  }
}

}  // namespace yoke
