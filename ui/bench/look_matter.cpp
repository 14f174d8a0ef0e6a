#include "ui/bench/look_matter.hpp"

#include <QVBoxLayout>

#include "paint/condition_table.hpp"
#include "session/choose.hpp"
#include "session/stage_sentence.hpp"

namespace yoke {

LookMatter::LookMatter(Session& session, QWidget* parent) : BenchMatter(session, parent) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  table_ = new PictureView(tr("What the foot meets"), this);
  table_->set_maker([this](QSizeF size) {
    return condition_table_picture(session_.strip(), session_.style(), size);
  });
  box->addWidget(table_, 1);
}

std::vector<BenchKey> LookMatter::keys() {
  std::vector<BenchKey> list;
  if (better_cell(session_))
    list.push_back({Qt::Key_Return, tr("Take the cell that passes"),
                    [this] {
                      if (const auto cell = better_cell(session_))
                        choose_cell(session_, *cell, nullptr, {});
                    },
                    true});
  return list;
}

void LookMatter::refresh() {
  table_->redraw();
  emit keys_changed();
}

}  // namespace yoke
