#include "ui/tables_window.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPagedPaintDevice>
#include <QPushButton>
#include <QTextDocument>
#include <QVBoxLayout>

#include "calc/bench_tables.hpp"
#include "paint/words.hpp"
#include "session/sheet.hpp"
#include "ui/plain.hpp"
#include "ui/printing.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

TablesWindow::TablesWindow(QWidget* parent) : QDialog(parent) {
  setWindowTitle(tr("Tables for the bench"));
  setObjectName(QStringLiteral("page"));
  resize(860, 640);
  auto* box = new QVBoxLayout(this);
  auto* top = new QHBoxLayout;
  which_ = new QComboBox(this);
  which_->setAccessibleName(tr("Which table"));
  which_->setMinimumHeight(40);
  for (const BenchTable& t : bench_tables()) which_->addItem(words_of(t.title));
  top->addWidget(which_, 3);
  search_ = new QLineEdit(this);
  search_->setAccessibleName(tr("Search the table"));
  search_->setPlaceholderText(tr("a word or a size: 21/64, 8.4 mm, letter p"));
  search_->setClearButtonEnabled(true);
  search_->setMinimumHeight(40);
  top->addWidget(search_, 3);
  auto* print = new QPushButton(tr("Print it…"), this);
  print->setMinimumHeight(40);
  print->setAutoDefault(false);
  connect(print, &QPushButton::clicked, this, &TablesWindow::print);
  top->addWidget(print);
  box->addLayout(top);
  table_ = new QTableWidget(this);
  table_->setTabKeyNavigation(false);  // Tab goes on, the arrows walk the rows
  table_->verticalHeader()->hide();
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setAccessibleName(tr("The table"));
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  QFont large = table_->font();
  large.setPixelSize(20);
  table_->setFont(large);
  table_->verticalHeader()->setDefaultSectionSize(34);
  box->addWidget(table_, 1);
  source_ = label({}, "soft", this);
  box->addWidget(source_);
  connect(which_, &QComboBox::currentIndexChanged, this, &TablesWindow::show_rows);
  connect(search_, &QLineEdit::textChanged, this, &TablesWindow::show_rows);
  show_rows();
  search_->setFocus();
}

void TablesWindow::show_rows() {
  const BenchTable& t =
      bench_tables()[static_cast<std::size_t>(std::max(0, which_->currentIndex()))];
  const auto rows = bench_rows(t, search_->text().toStdString());
  QStringList heads;
  for (const BenchColumn& c : t.columns) heads << words_of(c.words);
  table_->setColumnCount(static_cast<int>(heads.size()));
  table_->setHorizontalHeaderLabels(heads);
  {
    TableFill fill(table_, static_cast<int>(rows.size()));
    for (std::size_t i = 0; i < rows.size(); ++i)
      for (std::size_t c = 0; c < t.columns.size(); ++c)
        fill.text(static_cast<int>(i), static_cast<int>(c),
                  q(bench_text(t.columns[c], t.rows[rows[i]][c])));
  }
  source_->setText(
      tr("%1 of %2 rows. %3").arg(rows.size()).arg(t.rows.size()).arg(words_of(t.source)));
}

QString TablesWindow::page_html() const {
  QString html = QStringLiteral(
                     "<h2>%1</h2><p>%2</p><table border='1' cellspacing='0' "
                     "cellpadding='4'><tr>")
                     .arg(which_->currentText().toHtmlEscaped(), source_->text().toHtmlEscaped());
  for (int c = 0; c < table_->columnCount(); ++c)
    html +=
        QStringLiteral("<th>%1</th>").arg(table_->horizontalHeaderItem(c)->text().toHtmlEscaped());
  html += QStringLiteral("</tr>");
  for (int r = 0; r < table_->rowCount(); ++r) {
    html += QStringLiteral("<tr>");
    for (int c = 0; c < table_->columnCount(); ++c)
      html += QStringLiteral("<td>%1</td>").arg(table_->item(r, c)->text().toHtmlEscaped());
    html += QStringLiteral("</tr>");
  }
  return html + QStringLiteral("</table>");
}

void TablesWindow::print() {
  const auto pages = sheet_document(page_html(), {});
  print_pages(this, which_->currentText(),
              [&pages](QPagedPaintDevice& device) { yoke::print_sheet(*pages, device); });
}

}  // namespace yoke
