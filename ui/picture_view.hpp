// Shows a picture and answers touch: one widget for every drawing.
#pragma once

#include <QPixmap>
#include <QWidget>
#include <functional>
#include <optional>

#include "paint/picture.hpp"
#include "quantity/error.hpp"
#include "ui/dialogs.hpp"

namespace yoke {

class PictureView : public QWidget {
  Q_OBJECT

 public:
  using Make = std::function<Picture(QSizeF)>;
  explicit PictureView(const QString& name, QWidget* parent = nullptr);
  /// The maker is called again after every redraw() and resize.
  void set_maker(Make make);
  /// What it is called changed with the job.
  void rename(const QString& name);
  void redraw();
  [[nodiscard]] const Picture& picture() const;
  /// Takes the focus: arrow keys walk its places, Enter or Space touches one.
  void set_walkable();
  void copy_picture();
  void copy_numbers() const;
  /// Asks where to; an error names the file and the reason.
  Expected<bool> save_picture(const Dialogs& dialogs);
  /// The place the keys stand on; nothing before they moved.
  [[nodiscard]] const Spot* walked() const;

 signals:
  void spot_clicked(const QString& id);
  void dragged(const QString& id, QPointF from, QPointF to);
  void drag_ended();

 protected:
  void paintEvent(QPaintEvent*) override;
  void resizeEvent(QResizeEvent*) override;
  void mousePressEvent(QMouseEvent* e) override;
  void mouseMoveEvent(QMouseEvent* e) override;
  void mouseReleaseEvent(QMouseEvent* e) override;
  void contextMenuEvent(QContextMenuEvent* e) override;
  bool event(QEvent* e) override;
  void showEvent(QShowEvent* e) override;
  void keyPressEvent(QKeyEvent* e) override;

 private:
  void build() const;
  void paint_still(QPainter& p);
  void show_walked();
  Make make_;
  QString name_;
  mutable Picture picture_;
  mutable bool stale_ = true;
  QPixmap still_;  ///< the picture's first layers, as long as they look the same
  std::size_t still_key_ = 0;
  bool walkable_ = false;
  std::optional<std::size_t> walked_;
  QString grabbed_;
  QPointF grabbed_at_;
};

}  // namespace yoke
