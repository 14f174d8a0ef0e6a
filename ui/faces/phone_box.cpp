#include "ui/faces/phone_box.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr double kG = 9.80665;

Combo* asked(const QString& name, const QString& ask,
             std::initializer_list<std::pair<QString, double>> all, QWidget* parent) {
  auto* c = new Combo(parent);
  c->setAccessibleName(name);
  c->setMinimumHeight(36);
  c->addItem(ask);
  for (const auto& [words, si] : all) c->addItem(words, si);
  return c;
}

}  // namespace

PhoneBox::PhoneBox(Session& session, Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), session_(session), dialogs_(dialogs) {
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->setSpacing(4);
  auto* top = new QHBoxLayout;
  open_ = new QPushButton(tr("From a phone's table…"), this);
  open_->setMinimumHeight(36);
  connect(open_, &QPushButton::clicked, this, &PhoneBox::choose);
  top->addWidget(open_);
  says_ = label({}, "soft", this);
  says_->setAccessibleName(tr("What the table says"));
  top->addWidget(says_, 1);
  all->addLayout(top);
  asked_ = new QWidget(this);
  auto* row = new QHBoxLayout(asked_);
  row->setContentsMargins(0, 0, 0, 0);
  time_ = asked(tr("Column of the time"), tr("time in column…"), {}, asked_);
  time_unit_ = asked(tr("Unit of the time"), tr("its unit…"),
                     {{tr("s"), 1}, {tr("ms"), 1e-3}, {tr("µs"), 1e-6}, {tr("ns"), 1e-9}}, asked_);
  along_ = asked(tr("Column along the car"), tr("along the car in column…"), {}, asked_);
  unit_ = asked(tr("Unit and way of braking"), tr("braking is…"),
                {{tr("more than 0, in m/s²"), 1},
                 {tr("more than 0, in g"), kG},
                 {tr("less than 0, in m/s²"), -1},
                 {tr("less than 0, in g"), -kG}},
                asked_);
  for (Combo* c : {time_, time_unit_, along_, unit_}) {
    row->addWidget(c, 1);
    connect(c, &QComboBox::currentIndexChanged, this, &PhoneBox::work_out);
  }
  asked_->hide();
  all->addWidget(asked_);
}

void PhoneBox::choose() {
  const QString path = dialogs_.open_file(this, tr("A phone's table of accelerations"),
                                          tr("Tables (*.csv *.txt *.tsv)"));
  if (!path.isEmpty()) load(path);
}

void PhoneBox::load(const QString& path) {
  auto table = phone_table(path.toStdString());
  asked_->setVisible(table.has_value());
  emit opened(table.has_value());
  if (!table) return says_->setText(error_text(table.error(), session_.style()));
  table_ = std::move(*table);
  for (Combo* c : {time_, along_}) {
    const QSignalBlocker quiet(c);
    while (c->count() > 1) c->removeItem(1);
    for (const std::string& head : table_.heads) c->addItem(one_line(q(head), 24));
    c->setCurrentIndex(0);
  }
  for (Combo* c : {time_unit_, unit_}) {
    const QSignalBlocker quiet(c);
    c->setCurrentIndex(0);
  }
  says_->setText(tr("%1 rows: say which columns, their units, and which way braking points")
                     .arg(table_.rows.size()));
}

void PhoneBox::work_out() {
  for (const Combo* c : {time_, time_unit_, along_, unit_})
    if (c->currentIndex() < 1) return;
  PhoneColumns columns;
  columns.time = static_cast<std::size_t>(time_->currentIndex() - 1);
  columns.along = static_cast<std::size_t>(along_->currentIndex() - 1);
  columns.time_s = time_unit_->currentData().toDouble();
  columns.along_m_s2 = unit_->currentData().toDouble();
  const auto stop = phone_stop(table_.rows, columns);
  if (!stop) return says_->setText(error_text(stop.error(), session_.style()));
  says_->setText(
      tr("%1 g over the stop, %2 g at most, %3 s; speed and distance are filled in below")
          .arg(stop->z_mean, 0, 'f', 2)
          .arg(stop->z_most, 0, 'f', 2)
          .arg(stop->seconds, 0, 'f', 1));
  emit read(*stop);
}

}  // namespace yoke
