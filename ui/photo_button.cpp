#include "ui/photo_button.hpp"

#include <QImageReader>

#include "session/job_pictures.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr int kThumb = 40;

}  // namespace

PhotoButton::PhotoButton(Session& session, Dialogs& dialogs, const QString& of, QWidget* parent)
    : QPushButton(tr("Photo…"), parent), session_(session), dialogs_(dialogs), of_(of) {
  setObjectName(QStringLiteral("small"));
  setAccessibleName(tr("Photo: %1").arg(of));
  connect(this, &QPushButton::clicked, this, &PhotoButton::choose);
}

void PhotoButton::choose() {
  if (!session_.has_path())
    return emit refused(tr("Save the job first: the photo is kept beside it."));
  const QString from = dialogs_.open_file(this, tr("A photo of it"),
                                          tr("Pictures (*.jpg *.jpeg *.png *.bmp *.svg *.webp)"));
  if (from.isEmpty()) return;
  const auto name = keep_picture(session_.path(), from);
  if (!name) return emit refused(error_text(name.error(), session_.style()));
  show_photo(name->toStdString());
  emit taken(*name);
}

void PhotoButton::show_photo(const std::string& name) {
  if (name_ == name) return;
  name_ = name;
  if (name.empty()) {
    setIcon({});
    setText(tr("Photo…"));
    setToolTip({});
    return;
  }
  const QString path = picture_path(session_.path(), QString::fromStdString(name));
  QImageReader reader(path);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  if (size.isValid()) reader.setScaledSize(size.scaled(kThumb, kThumb, Qt::KeepAspectRatio));
  const QImage image = reader.read();
  setText(image.isNull() ? tr("Photo is gone…") : tr("Photo"));
  setIcon(image.isNull() ? QIcon() : QIcon(QPixmap::fromImage(image)));
  setIconSize(QSize(kThumb, 24));
  setToolTip(plain_tip(image.isNull() ? tr("The photo %1 is not beside the job any more")
                                            .arg(one_line(QString::fromStdString(name), 40))
                                      : QString::fromStdString(name)));
}

}  // namespace yoke
