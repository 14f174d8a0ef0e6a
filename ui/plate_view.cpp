#include "ui/plate_view.hpp"

#include "paint/plate.hpp"
#include "session/texts.hpp"

namespace yoke {

PlateView::PlateView(Session& session, QWidget* parent)
    : TallPicture(tr("What lies on the bench"), parent), session_(session) {
  editor_ = new CalloutEditor(session_, this);
  set_maker([this](QSizeF size) {
    return plate_of(group_, {session_.job(), which_, session_.style()}, size);
  });
  connect(&session_, &Session::changed, this, &TallPicture::renew);
  connect(&session_, &Session::style_changed, this, &TallPicture::renew);
  connect(this, &PictureView::spot_clicked, this, &PlateView::touched);
}

void PlateView::show_plate(As which, Group group) {
  which_ = which;
  group_ = group;
  setAccessibleName(words_of(group_words(group)));
  renew();
}

ParamField* PlateView::open_field() const {
  return editor_->isVisible() ? editor_->field() : nullptr;
}

void PlateView::touched(const QString& id) {
  const auto p = find_param(id.section(QLatin1Char(':'), 1).toStdString());
  if (!p) return;
  const QString of = id.section(QLatin1Char(':'), 0, 0);
  edit(of == QStringLiteral("found")  ? As::found
       : of == QStringLiteral("plan") ? As::plan
                                      : which_,
       *p);
}

bool PlateView::edit(As which, Param param) {
  const QString id = text_of(info(param).id);
  const QString prefix = which == which_      ? QStringLiteral("param:")
                         : which == As::found ? QStringLiteral("found:")
                                              : QStringLiteral("plan:");
  // The last place of a value is its label.
  const auto& spots = picture().spots;
  for (auto it = spots.rbegin(); it != spots.rend(); ++it)
    if (it->id == prefix + id) {
      editor_->open(which, param, it->area.center());
      return true;
    }
  return false;
}

}  // namespace yoke
