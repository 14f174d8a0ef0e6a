#include "ui/ghost_view.hpp"

#include "paint/unit_ghost.hpp"
#include "session/texts.hpp"

namespace yoke {

GhostView::GhostView(Session& session, QWidget* parent)
    : TallPicture(tr("The other unit drawn over the fitted one"), parent), session_(session) {
  editor_ = new CalloutEditor(session_, this);
  set_maker([this](QSizeF size) {
    const Job& job = session_.job();
    const bool pin = pinned_ && *pinned_ < job.candidates.size();
    return ghost_picture({job, kind_, pin ? job.candidates[*pinned_].sheet : job.plan,
                          pin ? pin_letter(*pinned_) : tr("Plan"), session_.style()},
                         size);
  });
  connect(this, &PictureView::spot_clicked, this, &GhostView::touched);
}

void GhostView::show_ghost(PartKind kind, std::optional<std::size_t> pinned) {
  kind_ = kind;
  pinned_ = pinned;
  renew();
}

ParamField* GhostView::open_field() const {
  return editor_->isVisible() ? editor_->field() : nullptr;
}

std::optional<As> GhostView::blank_of(Param param) const {
  const Job& job = session_.job();
  const auto blank = [&](const MeasuredSet& sheet) {
    const auto& m = sheet.at(param);
    return !m || !m->known();
  };
  if (blank(job.found)) return As::found;
  if (!pinned_ && blank(job.plan)) return As::plan;
  return std::nullopt;
}

void GhostView::touched(const QString& id) {
  const auto p = find_param(id.section(QLatin1Char(':'), 1).toStdString());
  if (!p) return;
  emit dimension_touched(*p);
  const auto& spots = picture().spots;
  for (auto it = spots.rbegin(); it != spots.rend(); ++it)
    if (it->id == id) {
      if (const auto which = blank_of(*p)) editor_->open(*which, *p, it->area.center());
      return;
    }
}

}  // namespace yoke
