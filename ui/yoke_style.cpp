#include "ui/yoke_style.hpp"

#include <QComboBox>
#include <QFrame>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPainter>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStyleFactory>
#include <QStyleOption>
#include <QTableView>
#include <QTextEdit>

#include "paint/theme.hpp"

namespace yoke {

namespace {

const QColor kField{0xff, 0xfd, 0xf8};
const QColor kFieldLine{0xb9, 0xb0, 0x9d};
const QColor kRefusedField{0xff, 0xf1, 0xe2};
const QColor kSand{0xef, 0xe7, 0xd6};
constexpr int kRoomAside = 8;     ///< from the edge of an entry to its text
constexpr int kEntryHeight = 32;  ///< of entries; fingers in gloves
constexpr int kButtonHeight = 36;
constexpr int kRowHeight = 30;

void box(QPainter* p, const QRect& r, const QColor& fill, const QColor& line, double width = 1,
         double radius = 3) {
  p->save();
  p->setRenderHint(QPainter::Antialiasing);
  p->setBrush(fill);
  p->setPen(QPen(line, width));
  const double half = width / 2;
  p->drawRoundedRect(QRectF(r).adjusted(half, half, -half, -half), radius, radius);
  p->restore();
}

/// An entry: marked where the hand is, and where what was typed is refused.
void entry_box(QPainter* p, const QStyleOption* o, const QWidget* w) {
  const bool refused = w && w->property("refused").toBool();
  const bool here = (o->state & QStyle::State_HasFocus) != 0;
  box(p, o->rect, refused ? kRefusedField : kField,
      refused ? theme::kMark
      : here  ? theme::kSteel
              : kFieldLine,
      refused || here ? 2 : 1);
}

struct ButtonLook {
  QColor fill;
  QColor line;
  QColor text;
  double width = 1;
};

ButtonLook plain_button(QStyle::State s) {
  if (!(s & QStyle::State_Enabled))
    return {QColor(0xf1, 0xeb, 0xdd), kFieldLine, QColor(0x8b, 0x86, 0x7b)};
  if (s & QStyle::State_On) return {theme::kSteel, QColor(0x10, 0x30, 0x4f), Qt::white};
  if (s & QStyle::State_Sunken) return {QColor(0xe0, 0xd6, 0xc0), kFieldLine, theme::kInk};
  if (s & QStyle::State_MouseOver) return {kSand, kFieldLine, theme::kInk};
  return {theme::kPaperRaised, kFieldLine, theme::kInk};
}

ButtonLook main_button(QStyle::State s) {
  if (!(s & QStyle::State_Enabled))
    return {QColor(0x8b, 0x98, 0xa8), theme::kDyeDeep, QColor(0xf1, 0xeb, 0xdd)};
  const bool over = (s & (QStyle::State_MouseOver | QStyle::State_Sunken)) != 0;
  return {over ? theme::kSteel : QColor(0x10, 0x30, 0x4f), theme::kDyeDeep, Qt::white};
}

bool is_main(const QWidget* w) {
  return w && (w->objectName() == QLatin1String("main") ||
               w->objectName() == QLatin1String("benchMain"));
}

bool is_face(const QWidget* w) {
  return w && w->objectName() == QLatin1String("face");
}

ButtonLook button_look(const QStyleOption* o, const QWidget* w) {
  ButtonLook look = is_main(w) ? main_button(o->state) : plain_button(o->state);
  if (is_face(w)) look.text = o->state & QStyle::State_On ? theme::kInk : theme::kSteel;
  if (o->state & QStyle::State_HasFocus) {
    look.width = 2;
    look.line = is_main(w) || o->state & QStyle::State_On ? theme::kMarkOnDye : theme::kSteel;
  }
  return look;
}

/// A face's button: a word over a line, as a tab of a card is.
void face_button(QPainter* p, const QStyleOption* o) {
  if (o->state & QStyle::State_MouseOver) p->fillRect(o->rect, kSand);
  if (o->state & QStyle::State_On)
    p->fillRect(QRect(o->rect.left(), o->rect.bottom() - 2, o->rect.width(), 3), theme::kMark);
  if (o->state & QStyle::State_HasFocus) box(p, o->rect, Qt::transparent, theme::kSteel, 2);
}

void check_box(QPainter* p, const QStyleOption* o) {
  const bool on = (o->state & QStyle::State_On) != 0;
  const bool enabled = (o->state & QStyle::State_Enabled) != 0;
  box(p, o->rect, on ? theme::kSteel : kField,
      on ? QColor(0x10, 0x30, 0x4f) : QColor(0x7d, 0x77, 0x6a));
  if (!enabled) p->fillRect(o->rect.adjusted(1, 1, -1, -1), QColor(0xf1, 0xeb, 0xdd, 150));
  if (!on) return;
  p->save();
  p->setRenderHint(QPainter::Antialiasing);
  p->setPen(QPen(Qt::white, 2.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  const QRectF r = o->rect;
  p->drawPolyline(QPolygonF({r.topLeft() + QPointF(r.width() * 0.24, r.height() * 0.52),
                             r.topLeft() + QPointF(r.width() * 0.43, r.height() * 0.71),
                             r.topLeft() + QPointF(r.width() * 0.77, r.height() * 0.30)}));
  p->restore();
}

void chevron(QPainter* p, const QRect& r, bool enabled) {
  p->save();
  p->setRenderHint(QPainter::Antialiasing);
  p->setPen(
      QPen(enabled ? theme::kInkSoft : kFieldLine, 2, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  const QPointF c = QRectF(r).center();
  p->drawPolyline(QPolygonF({c + QPointF(-4, -2), c + QPointF(0, 2.5), c + QPointF(4, -2)}));
  p->restore();
}

/// The frame around lists, tables and texts.
void view_frame(QPainter* p, const QStyleOption* o, const QWidget* w) {
  const bool here = w && w->hasFocus();
  box(p, o->rect, Qt::transparent, here ? theme::kSteel : kFieldLine, here ? 2 : 1);
}

bool is_view(const QWidget* w) {
  return qobject_cast<const QTableView*>(w) || qobject_cast<const QListView*>(w) ||
         qobject_cast<const QPlainTextEdit*>(w) || qobject_cast<const QTextEdit*>(w);
}

/// Cards, lines and notices are frames by their names.
bool named_frame(QPainter* p, const QStyleOption* o, const QWidget* w) {
  if (!w) return false;
  const QString name = w->objectName();
  const bool chosen = name == QLatin1String("chosenCard");
  if (chosen || name == QLatin1String("card")) {
    box(p, o->rect, theme::kPaperRaised, chosen ? theme::kMark : theme::kPaperLine, 1 + chosen, 4);
  } else if (name == QLatin1String("line")) {
    p->fillRect(o->rect, theme::kPaperLine);
  } else if (name == QLatin1String("notice")) {
    p->fillRect(o->rect, kRefusedField);
    p->fillRect(QRect(o->rect.left(), o->rect.top(), o->rect.width(), 2), theme::kMark);
  } else {
    return false;
  }
  return true;
}

}  // namespace

YokeStyle::YokeStyle() : QProxyStyle(QStyleFactory::create(QStringLiteral("Fusion"))) {}

void YokeStyle::drawPrimitive(PrimitiveElement e, const QStyleOption* o, QPainter* p,
                              const QWidget* w) const {
  switch (e) {
    case PE_PanelLineEdit:
      // The text of a list that can be typed into lies in the list's own box.
      if (!(w && qobject_cast<QComboBox*>(w->parentWidget()))) entry_box(p, o, w);
      return;
    case PE_FrameLineEdit:
    case PE_FrameFocusRect:
      return;
    case PE_IndicatorCheckBox:
    case PE_IndicatorItemViewItemCheck:
      check_box(p, o);
      return;
    case PE_Frame:
      if (is_view(w)) return view_frame(p, o, w);
      break;
    case PE_PanelTipLabel:
      p->fillRect(o->rect, theme::kDyeDeep);
      p->setPen(theme::kScribeSoft);
      p->drawRect(o->rect.adjusted(0, 0, -1, -1));
      return;
    case PE_PanelMenu:
      p->fillRect(o->rect, theme::kPaperRaised);
      return;
    default:
      break;
  }
  QProxyStyle::drawPrimitive(e, o, p, w);
}

void YokeStyle::drawControl(ControlElement e, const QStyleOption* o, QPainter* p,
                            const QWidget* w) const {
  switch (e) {
    case CE_ShapedFrame:
      if (named_frame(p, o, w)) return;
      if (is_view(w)) return view_frame(p, o, w);
      break;
    case CE_PushButtonBevel:
      if (is_face(w)) {
        face_button(p, o);
      } else {
        const ButtonLook look = button_look(o, w);
        box(p, o->rect, look.fill, look.line, look.width);
      }
      return;
    case CE_PushButtonLabel:
      if (const auto* b = qstyleoption_cast<const QStyleOptionButton*>(o)) {
        QStyleOptionButton with = *b;
        with.palette.setColor(QPalette::ButtonText, button_look(o, w).text);
        if (is_face(w) && o->state & State_On) {
          QFont bold = p->font();
          bold.setBold(true);
          p->setFont(bold);
        }
        return QProxyStyle::drawControl(e, &with, p, w);
      }
      break;
    case CE_CheckBoxLabel:
      if (const auto* b = qstyleoption_cast<const QStyleOptionButton*>(o);
          b && o->state & State_HasFocus) {
        QStyleOptionButton with = *b;
        with.palette.setColor(QPalette::WindowText, theme::kSteel);
        return QProxyStyle::drawControl(e, &with, p, w);
      }
      break;
    case CE_HeaderSection:
      p->fillRect(o->rect, QColor(0xe9, 0xe1, 0xd0));
      p->fillRect(QRect(o->rect.right(), o->rect.top(), 1, o->rect.height()), theme::kPaperLine);
      return;
    case CE_MenuBarEmptyArea:
      p->fillRect(o->rect, theme::kDyeDeep);
      return;
    case CE_MenuBarItem:
      if (const auto* m = qstyleoption_cast<const QStyleOptionMenuItem*>(o)) {
        const bool over = (m->state & State_Selected) != 0;
        p->fillRect(m->rect, over ? theme::kSteel : theme::kDyeDeep);
        QPalette with = m->palette;
        with.setColor(QPalette::ButtonText, theme::kScribe);
        drawItemText(p, m->rect, Qt::AlignCenter | Qt::TextShowMnemonic, with,
                     (m->state & State_Enabled) != 0, m->text, QPalette::ButtonText);
        return;
      }
      break;
    case CE_Splitter:
      p->fillRect(o->rect, QColor(0xe2, 0xd9, 0xc6));
      return;
    case CE_ScrollBarAddLine:
    case CE_ScrollBarSubLine:
      return;
    default:
      break;
  }
  QProxyStyle::drawControl(e, o, p, w);
}

void YokeStyle::drawComplexControl(ComplexControl c, const QStyleOptionComplex* o, QPainter* p,
                                   const QWidget* w) const {
  if (c == CC_ComboBox) {
    entry_box(p, o, w);
    chevron(p, subControlRect(c, o, SC_ComboBoxArrow, w), (o->state & State_Enabled) != 0);
    return;
  }
  if (c == CC_ScrollBar) {
    const auto* bar = qstyleoption_cast<const QStyleOptionSlider*>(o);
    if (bar && bar->maximum <= bar->minimum) return;  // nothing to move
    const QRect handle = subControlRect(c, o, SC_ScrollBarSlider, w).adjusted(1, 1, -1, -1);
    const QColor grip(0xc3, 0xb9, 0xa5);
    box(p, handle, o->state & State_MouseOver ? grip.darker(115) : grip, Qt::transparent, 0, 5);
    return;
  }
  QProxyStyle::drawComplexControl(c, o, p, w);
}

QSize YokeStyle::sizeFromContents(ContentsType t, const QStyleOption* o, const QSize& contents,
                                  const QWidget* w) const {
  switch (t) {
    case CT_LineEdit:
      return {contents.width() + 2 * kRoomAside, std::max(contents.height() + 8, kEntryHeight)};
    case CT_ComboBox: {
      const QSize text = QProxyStyle::sizeFromContents(t, o, contents, w);
      return {text.width() + 12, std::max(contents.height() + 8, kEntryHeight)};
    }
    case CT_PushButton: {
      const bool face = is_face(w);
      const int aside = face ? 20 : w && w->objectName() == QLatin1String("small") ? 18 : 30;
      // The bold words of the face that is shown need their room before they are shown.
      const int bolder = face ? contents.width() / 14 + 1 : 0;
      const int low = w && w->objectName() == QLatin1String("small") ? 32 : kButtonHeight;
      return {contents.width() + aside + bolder, std::max(contents.height() + 12, low)};
    }
    case CT_CheckBox: {
      const QSize s = QProxyStyle::sizeFromContents(t, o, contents, w);
      return {s.width(), std::max(s.height(), kRowHeight)};
    }
    case CT_MenuBarItem:
      return contents + QSize(24, 12);
    case CT_MenuItem: {
      const QSize s = QProxyStyle::sizeFromContents(t, o, contents, w);
      const auto* m = qstyleoption_cast<const QStyleOptionMenuItem*>(o);
      if (m && m->menuItemType == QStyleOptionMenuItem::Separator) return s;
      return {s.width() + 16, std::max(s.height(), 34)};
    }
    case CT_ItemViewItem: {
      const QSize s = QProxyStyle::sizeFromContents(t, o, contents, w);
      return qobject_cast<const QListView*>(w) ? QSize(s.width(), std::max(s.height(), kRowHeight))
                                               : s;
    }
    case CT_HeaderSection: {
      const QSize s = QProxyStyle::sizeFromContents(t, o, contents, w);
      return s + QSize(6, 2);
    }
    default:
      return QProxyStyle::sizeFromContents(t, o, contents, w);
  }
}

QRect YokeStyle::subElementRect(SubElement e, const QStyleOption* o, const QWidget* w) const {
  if (e == SE_LineEditContents && !(w && qobject_cast<QComboBox*>(w->parentWidget())))
    return o->rect.adjusted(kRoomAside - 2, 1, -(kRoomAside - 2), -1);
  return QProxyStyle::subElementRect(e, o, w);
}

QRect YokeStyle::subControlRect(ComplexControl c, const QStyleOptionComplex* o, SubControl s,
                                const QWidget* w) const {
  if (c == CC_ComboBox) {
    constexpr int kArrow = 24;
    const QRect r = o->rect;
    if (s == SC_ComboBoxArrow) return {r.right() - kArrow, r.top(), kArrow, r.height()};
    if (s == SC_ComboBoxEditField) return r.adjusted(kRoomAside - 1, 1, -kArrow - 1, -1);
  }
  const auto* bar = c == CC_ScrollBar ? qstyleoption_cast<const QStyleOptionSlider*>(o) : nullptr;
  if (bar) {
    const bool level = bar->orientation == Qt::Horizontal;
    const int length = level ? bar->rect.width() : bar->rect.height();
    const int range = bar->maximum - bar->minimum;
    const int handle = range > 0
                           ? std::clamp(length * bar->pageStep / std::max(1, range + bar->pageStep),
                                        std::min(30, length), length)
                           : length;
    const int at = sliderPositionFromValue(bar->minimum, bar->maximum, bar->sliderPosition,
                                           length - handle, bar->upsideDown);
    const auto part = [&](int from, int to) {
      return level ? QRect(bar->rect.left() + from, bar->rect.top(), to - from, bar->rect.height())
                   : QRect(bar->rect.left(), bar->rect.top() + from, bar->rect.width(), to - from);
    };
    switch (s) {
      case SC_ScrollBarSlider:
        return part(at, at + handle);
      case SC_ScrollBarGroove:
        return bar->rect;
      case SC_ScrollBarSubPage:
        return part(0, at);
      case SC_ScrollBarAddPage:
        return part(at + handle, length);
      default:
        return {};
    }
  }
  return QProxyStyle::subControlRect(c, o, s, w);
}

int YokeStyle::pixelMetric(PixelMetric m, const QStyleOption* o, const QWidget* w) const {
  switch (m) {
    case PM_IndicatorWidth:
    case PM_IndicatorHeight:
      return 22;
    case PM_CheckBoxLabelSpacing:
      return 10;
    case PM_ScrollBarExtent:
      return 12;
    case PM_ScrollBarSliderMin:
      return 30;
    case PM_MenuBarPanelWidth:
    case PM_ButtonShiftHorizontal:
    case PM_ButtonShiftVertical:
      return 0;
    case PM_MenuBarVMargin:
      return 2;
    case PM_MenuBarHMargin:
      return 6;
    case PM_MenuPanelWidth:
    case PM_DefaultFrameWidth:
      return 1;
    default:
      return QProxyStyle::pixelMetric(m, o, w);
  }
}

int YokeStyle::styleHint(StyleHint h, const QStyleOption* o, const QWidget* w,
                         QStyleHintReturn* r) const {
  if (h == SH_Table_GridLineColor) return static_cast<int>(QColor(0xdd, 0xd4, 0xc1).rgb());
  if (h == SH_ScrollBar_Transient) return 0;
  return QProxyStyle::styleHint(h, o, w, r);
}

}  // namespace yoke
