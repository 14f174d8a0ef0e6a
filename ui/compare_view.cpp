#include "ui/compare_view.hpp"

#include <QHeaderView>

#include "session/texts.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

CompareView::CompareView(QWidget* parent) : QTableWidget(0, 3, parent) {
  setTabKeyNavigation(false);  // Tab goes on, the arrows walk the rows
  horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  verticalHeader()->hide();
  setEditTriggers(QAbstractItemView::NoEditTriggers);
  setAccessibleName(tr("Side by side"));
  setMinimumHeight(120);
  hide();
}

void CompareView::show_rows(const std::vector<CompareRow>& rows, const QString& a, const QString& b,
                            const Style& style) {
  setVisible(!rows.empty());
  setHorizontalHeaderLabels({QString(), a, b});
  TableFill fill(this, static_cast<int>(rows.size()));
  for (std::size_t i = 0; i < rows.size(); ++i) {
    const CompareRow& r = rows[i];
    const int row = static_cast<int>(i);
    fill.text(row, 0, text_of(r.what, style));
    const auto side = [&](int column, const Message& words, bool better) {
      auto* item = fill.text(row, column, text_of(words, style));
      QFont f = font();
      f.setBold(better);
      item->setFont(f);
    };
    side(1, r.a, r.better_a);
    side(2, r.b, r.better_b);
  }
}

}  // namespace yoke
