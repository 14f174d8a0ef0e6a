// Parts in a row that goes on in the next line where the room ends.
#pragma once

#include <QLayout>

namespace yoke {

class FlowLayout : public QLayout {
  Q_OBJECT

 public:
  explicit FlowLayout(int gap, QWidget* parent = nullptr);
  ~FlowLayout() override;
  void addItem(QLayoutItem* item) override { items_ << item; }
  [[nodiscard]] int count() const override { return static_cast<int>(items_.size()); }
  [[nodiscard]] QLayoutItem* itemAt(int i) const override { return items_.value(i); }
  QLayoutItem* takeAt(int i) override;
  [[nodiscard]] Qt::Orientations expandingDirections() const override { return {}; }
  [[nodiscard]] bool hasHeightForWidth() const override { return true; }
  [[nodiscard]] int heightForWidth(int width) const override;
  [[nodiscard]] QSize sizeHint() const override { return minimumSize(); }
  [[nodiscard]] QSize minimumSize() const override;
  void setGeometry(const QRect& rect) override;

 private:
  int place(const QRect& rect, bool really) const;
  QList<QLayoutItem*> items_;
  int gap_;
};

}  // namespace yoke
