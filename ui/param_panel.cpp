#include "ui/param_panel.hpp"

#include <QGridLayout>
#include <QScrollBar>
#include <algorithm>

#include "assembly/relevance.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

ParamPanel::ParamPanel(Session& session, int columns, QWidget* parent)
    : QScrollArea(parent), session_(session), columns_(columns) {
  setWidgetResizable(true);
  setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  setFocusPolicy(Qt::NoFocus);
  // Queued: a field must not be deleted inside its own signal.
  connect(&session_, &Session::changed, this, &ParamPanel::refresh_relevance, Qt::QueuedConnection);
}

void ParamPanel::show_group(As which, Group group) {
  group_ = std::pair(which, group);
  std::vector<std::pair<As, Param>> list;
  for (const Param p : relevant_params(session_.job(), which, group)) list.emplace_back(which, p);
  rebuild(list);
}

void ParamPanel::show_params(const std::vector<std::pair<As, Param>>& params) {
  group_.reset();
  rebuild(params);
}

void ParamPanel::refresh_relevance() {
  if (!group_) return;
  std::vector<std::pair<As, Param>> list;
  for (const Param p : relevant_params(session_.job(), group_->first, group_->second))
    list.emplace_back(group_->first, p);
  if (list == shown_) return;
  const auto* focus =
      qobject_cast<ParamField*>(focusWidget() ? focusWidget()->parentWidget() : nullptr);
  const std::optional<Param> kept = focus ? std::optional(focus->param()) : std::nullopt;
  rebuild(list);
  if (kept)
    if (auto* f = field(group_->first, *kept)) f->focus_entry();
}

void ParamPanel::rebuild(const std::vector<std::pair<As, Param>>& params) {
  shown_ = params;
  fields_.clear();
  auto* body = new QWidget;
  // Where both systems stand in one panel each field says whose it is.
  const auto of = [&params](As w) {
    return std::any_of(params.begin(), params.end(), [w](const auto& p) { return p.first == w; });
  };
  const bool both = of(As::found) && of(As::plan);
  body->setProperty("both", both);
  auto* grid = new QGridLayout(body);
  grid->setContentsMargins(4, 4, 8, 4);
  grid->setHorizontalSpacing(20);
  grid->setVerticalSpacing(4);
  const int rows = (static_cast<int>(params.size()) + columns_ - 1) / columns_;
  for (size_t i = 0; i < params.size(); ++i) {
    ParamField* f = make_field(session_, params[i].first, params[i].second, body);
    if (compact_) f->set_compact(both);
    connect(f, &ParamField::entered, this, &ParamPanel::entered);
    connect(f, &ParamField::entered, this, [this, f] { ensureWidgetVisible(f, 0, 20); });
    // Down the first column, then the second: Tab follows the eye.
    grid->addWidget(f, static_cast<int>(i) % std::max(1, rows),
                    static_cast<int>(i) / std::max(1, rows), Qt::AlignTop);
    fields_.push_back(f);
  }
  for (int c = 0; c < columns_; ++c) grid->setColumnStretch(c, 1);
  grid->setRowStretch(rows, 1);
  replace_inner(this, body);
}

ParamField* ParamPanel::field(As which, Param param) const {
  for (auto* f : fields_)
    if (f->which() == which && f->param() == param) return f;
  return nullptr;
}

}  // namespace yoke
