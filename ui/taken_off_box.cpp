#include "ui/taken_off_box.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QImageReader>
#include <QPushButton>
#include <QVBoxLayout>

#include "files/limits.hpp"
#include "session/entries.hpp"
#include "session/job_pictures.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

TakenOffBox::TakenOffBox(Session& session, Dialogs& dialogs, QWidget* parent)
    : QFrame(parent), session_(session), dialogs_(dialogs) {
  setObjectName(QStringLiteral("card"));
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(12, 8, 12, 8);
  box->addWidget(label(tr("Counted out, counted in"), "heading", this));
  left_ = label({}, "caution", this);
  box->addWidget(left_);
  table_ = new QTableWidget(0, 4, this);
  table_->setHorizontalHeaderLabels({tr("What"), tr("out"), tr("back"), tr("order of it")});
  table_->verticalHeader()->hide();
  table_->verticalHeader()->setDefaultSectionSize(34);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(3, QHeaderView::Stretch);
  table_->setAccessibleName(tr("Clips, pins and washers"));
  table_->setTabKeyNavigation(false);
  table_->setMinimumHeight(150);
  box->addWidget(table_, 1);
  photo_ = new QLabel(this);
  photo_->setAccessibleName(tr("Photo"));
  photo_->hide();
  box->addWidget(photo_);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  auto* row = new QHBoxLayout;
  const auto button = [&](const QString& words, auto fn) {
    auto* b = new QPushButton(words, this);
    b->setObjectName(QStringLiteral("small"));
    row->addWidget(b);
    connect(b, &QPushButton::clicked, this, fn);
  };
  button(tr("Add"), &TakenOffBox::add);
  button(tr("Photo…"), &TakenOffBox::add_photo);
  button(tr("Take out"), &TakenOffBox::remove);
  box->addLayout(row);
  connect(table_, &QTableWidget::cellChanged, this, &TakenOffBox::typed);
  connect(table_, &QTableWidget::currentCellChanged, this, &TakenOffBox::show_photo);
}

void TakenOffBox::refuse(const QString& why) {
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
}

void TakenOffBox::add() {
  if (session_.job().taken_off.size() >= kMostTakenOff)
    return refuse(tr("300 are the most a job keeps."));
  TakenOff t;
  t.name = tr("clip").toStdString();
  session_.edit(tr("counted out"), [&](Job& j) { j.taken_off.push_back(t); });
  table_->setCurrentCell(table_->rowCount() - 1, 0);
  table_->setFocus();
}

void TakenOffBox::remove() {
  const int row = table_->currentRow();
  if (row < 0 || static_cast<std::size_t>(row) >= session_.job().taken_off.size()) return;
  session_.edit(tr("not taken off after all"),
                [&](Job& j) { j.taken_off.erase(j.taken_off.begin() + row); });
}

void TakenOffBox::add_photo() {
  const int row = table_->currentRow();
  if (row < 0 || static_cast<std::size_t>(row) >= session_.job().taken_off.size())
    return refuse(tr("Choose what it shows first."));
  if (!session_.has_path()) return refuse(tr("Save the job first: the photo is kept beside it."));
  const QString from = dialogs_.open_file(this, tr("A photo of how it sat"),
                                          tr("Pictures (*.jpg *.jpeg *.png *.bmp *.svg *.webp)"));
  if (from.isEmpty()) return;
  const auto name = keep_picture(session_.path(), from);
  if (!name) return refuse(error_text(name.error(), session_.style()));
  refuse({});
  session_.edit(tr("photo"), [&](Job& j) {
    j.taken_off[static_cast<std::size_t>(row)].photo = name->toStdString();
  });
  show_photo();
}

void TakenOffBox::typed(int row, int column) {
  if (writing_ || row < 0 || static_cast<std::size_t>(row) >= session_.job().taken_off.size())
    return;
  const auto at = static_cast<std::size_t>(row);
  const QString text = table_->item(row, column)->text().simplified();
  if (column == 0 && text.isEmpty()) {
    refuse(tr("It needs a name."));
    return refresh();
  }
  if (column == 0 || column == 3) {
    refuse({});
    session_.edit(tr("counted out: %1").arg(text.left(40)), [&](Job& j) {
      (column == 0 ? j.taken_off[at].name : j.taken_off[at].order) = text.toStdString();
    });
    return;
  }
  bool whole = false;
  const int n = text.toInt(&whole);
  if (!whole || n < 0 || n > kPieces.most) {
    refuse(tr("A whole number from 0 to %1.").arg(kPieces.most));
    return refresh();
  }
  refuse({});
  session_.edit(column == 1 ? tr("counted out") : tr("counted in"),
                [&](Job& j) { (column == 1 ? j.taken_off[at].out : j.taken_off[at].back) = n; });
}

void TakenOffBox::show_photo() {
  const int row = table_->currentRow();
  const auto& all = session_.job().taken_off;
  const QString name = row >= 0 && static_cast<std::size_t>(row) < all.size()
                           ? text_of(all[static_cast<std::size_t>(row)].photo)
                           : QString();
  photo_->setVisible(!name.isEmpty());
  if (name.isEmpty()) return;
  const QString path = picture_path(session_.path(), name);
  QImageReader reader(path);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  if (size.isValid() && size.width() > 320)
    reader.setScaledSize(size.scaled(320, 220, Qt::KeepAspectRatio));
  const QImage image = reader.read();
  if (image.isNull())
    photo_->setText(tr("The photo %1 is not beside the job any more").arg(one_line(name, 40)));
  else
    photo_->setPixmap(QPixmap::fromImage(image.scaled(320, 220, Qt::KeepAspectRatio)));
}

void TakenOffBox::refresh() {
  const auto& all = session_.job().taken_off;
  writing_ = true;
  QStringList left;
  {
    const Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
    TableFill fill(table_, static_cast<int>(all.size()));
    for (std::size_t i = 0; i < all.size(); ++i) {
      const int row = static_cast<int>(i);
      fill.text(row, 0, text_of(all[i].name), flags);
      fill.text(row, 1, QString::number(all[i].out), flags);
      fill.text(row, 2, QString::number(all[i].back), flags);
      fill.text(row, 3, text_of(all[i].order), flags);
      if (all[i].back < all[i].out) left << text_of(all[i].name);
    }
  }
  writing_ = false;
  left_->setText(all.empty()      ? tr("Nothing is counted yet: what comes off goes in here.")
                 : left.isEmpty() ? tr("All of it is back.")
                                  : tr("Not back yet: %1").arg(left.join(QStringLiteral(", "))));
  show_photo();
}

}  // namespace yoke
