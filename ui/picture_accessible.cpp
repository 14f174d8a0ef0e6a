#include "ui/picture_accessible.hpp"

#include <QAccessibleWidget>

#include "ui/picture_view.hpp"

namespace yoke {

namespace {

/// One spot. It is known by its place in the list, for pictures are made anew all the time: what it
/// says is asked of the picture as it is now.
class SpotAccessible : public QAccessibleInterface, public QAccessibleActionInterface {
 public:
  SpotAccessible(PictureView* view, std::size_t index) : view_(view), index_(index) {}

  [[nodiscard]] bool isValid() const override { return spot() != nullptr; }
  [[nodiscard]] QObject* object() const override { return nullptr; }
  [[nodiscard]] QAccessibleInterface* parent() const override {
    return view_ ? QAccessible::queryAccessibleInterface(view_) : nullptr;
  }
  [[nodiscard]] QAccessibleInterface* child(int) const override { return nullptr; }
  [[nodiscard]] QAccessibleInterface* childAt(int, int) const override { return nullptr; }
  [[nodiscard]] int childCount() const override { return 0; }
  [[nodiscard]] int indexOfChild(const QAccessibleInterface*) const override { return -1; }
  [[nodiscard]] QRect rect() const override {
    const Spot* s = spot();
    return s ? QRect(view_->mapToGlobal(s->area.topLeft().toPoint()), s->area.size().toSize())
             : QRect();
  }
  [[nodiscard]] QString text(QAccessible::Text t) const override {
    const Spot* s = spot();
    return s && t == QAccessible::Name ? (s->words().isEmpty() ? s->id : s->words()) : QString();
  }
  void setText(QAccessible::Text, const QString&) override {}
  [[nodiscard]] QAccessible::Role role() const override { return QAccessible::Button; }
  [[nodiscard]] QAccessible::State state() const override {
    QAccessible::State st;
    st.invalid = !isValid();
    st.invisible = !view_ || !view_->isVisible();
    return st;
  }
  void* interface_cast(QAccessible::InterfaceType t) override {
    return t == QAccessible::ActionInterface ? static_cast<QAccessibleActionInterface*>(this)
                                             : nullptr;
  }
  [[nodiscard]] QStringList actionNames() const override { return {pressAction()}; }
  void doAction(const QString& name) override {
    if (const Spot* s = spot(); s && name == pressAction()) emit view_->spot_clicked(s->id);
  }
  [[nodiscard]] QStringList keyBindingsForAction(const QString&) const override { return {}; }

 private:
  [[nodiscard]] const Spot* spot() const {
    if (!view_) return nullptr;
    const auto& spots = view_->picture().spots;
    return index_ < spots.size() ? &spots[index_] : nullptr;
  }
  QPointer<PictureView> view_;
  std::size_t index_;
};

class PictureAccessible : public QAccessibleWidget {
 public:
  explicit PictureAccessible(PictureView* view)
      : QAccessibleWidget(view, QAccessible::Graphic), view_(view) {}
  ~PictureAccessible() override {
    for (const QAccessible::Id id : children_) QAccessible::deleteAccessibleInterface(id);
  }
  PictureAccessible(const PictureAccessible&) = delete;
  PictureAccessible& operator=(const PictureAccessible&) = delete;

  [[nodiscard]] int childCount() const override {
    return static_cast<int>(view_->picture().spots.size());
  }
  [[nodiscard]] QAccessibleInterface* child(int index) const override {
    if (index < 0 || index >= childCount()) return nullptr;
    while (children_.size() <= static_cast<std::size_t>(index))
      children_.push_back(
          QAccessible::registerAccessibleInterface(new SpotAccessible(view_, children_.size())));
    return QAccessible::accessibleInterface(children_[static_cast<std::size_t>(index)]);
  }
  [[nodiscard]] QAccessibleInterface* childAt(int x, int y) const override {
    const QPointF at = view_->mapFromGlobal(QPoint(x, y));
    const auto& spots = view_->picture().spots;
    for (std::size_t i = spots.size(); i > 0; --i)
      if (spots[i - 1].area.contains(at)) return child(static_cast<int>(i - 1));
    return nullptr;
  }
  [[nodiscard]] int indexOfChild(const QAccessibleInterface* of) const override {
    for (int i = 0; i < childCount(); ++i)
      if (child(i) == of) return i;
    return -1;
  }
  [[nodiscard]] QString text(QAccessible::Text t) const override {
    if (t == QAccessible::Description) return view_->picture().said.join(QStringLiteral(". "));
    return QAccessibleWidget::text(t);
  }

 private:
  PictureView* view_;
  mutable std::vector<QAccessible::Id> children_;
};

QAccessibleInterface* make(const QString&, QObject* object) {
  auto* view = qobject_cast<PictureView*>(object);
  return view ? new PictureAccessible(view) : nullptr;
}

}  // namespace

void make_pictures_accessible() {
  static const bool done = [] {
    QAccessible::installFactory(make);
    return true;
  }();
  (void)done;
}

}  // namespace yoke
