// Fonts, colours and room of each role.
#include <QAbstractScrollArea>
#include <QFrame>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QPushButton>
#include <QScrollArea>

#include "paint/theme.hpp"
#include "ui/yoke_style.hpp"

namespace yoke {

namespace {

constexpr QRgb kInk = 0xff23262b;
constexpr QRgb kSoft = 0xff575b60;
constexpr QRgb kMark = 0xffa83e00;
constexpr QRgb kScribe = 0xffe8f0f7;
constexpr QRgb kWhite = 0xffffffff;

constexpr TextRole kRoles[] = {
    {"title", 19, true, false, kInk},       {"question", 14, false, false, kSoft},
    {"heading", 15, true, false, kInk},     {"answer", 19, true, false, kInk},
    {"figure", 16, true, true, kInk},       {"soft", 13, false, false, kSoft},
    {"alarm", 14, true, false, kMark},      {"mark", 14, true, false, kMark},
    {"caution", 13, false, false, kMark},   {"notice", 14, true, false, kMark},
    {"onDye", 14, false, false, kScribe},   {"bench", 24, false, false, kInk},
    {"benchBig", 34, true, false, kInk},    {"benchAlarm", 34, true, false, kMark},
    {"benchSoft", 22, false, false, kSoft}, {"benchCaution", 22, true, false, kMark},
    {"benchFigure", 64, true, true, kInk},  {"benchCount", 132, true, true, kInk},
    {"count", 76, true, true, kInk},        {"benchEntry", 40, false, true, kInk},
    {"benchWith", 24, false, false, kInk},  {"benchName", 26, false, false, kInk},
    {"pressEntry", 26, false, true, kInk},  {"benchKey", 20, false, false, kInk},
    {"benchTool", 22, false, false, kInk},  {"benchMain", 26, true, false, kWhite}};

void dress(QWidget* w, const TextRole& role) {
  // An entry's figures are a little smaller than a label's.
  const int px = role.figures && role.px == 16 && qobject_cast<QLineEdit*>(w) ? 15 : role.px;
  const bool bold = role.bold && !qobject_cast<QLineEdit*>(w);
  w->setFont(role.figures ? theme::figure(px, bold) : theme::text(px, bold));
  if (qobject_cast<QPushButton*>(w)) return;  // painted with its state's own colour
  QPalette p = w->palette();
  p.setColor(QPalette::WindowText, QColor::fromRgb(role.colour));
  p.setColor(QPalette::Text, QColor::fromRgb(role.colour));
  w->setPalette(p);
}

void give_room(QLabel* l, const QString& name) {
  if (name == QLatin1String("heading")) l->setContentsMargins(0, 4, 0, 0);
  if (name == QLatin1String("notice")) l->setContentsMargins(16, 10, 16, 8);
  if (name == QLatin1String("onDye")) l->setContentsMargins(0, 7, 8, 0);
}

}  // namespace

const TextRole* text_role(const QString& name) {
  if (name.isEmpty()) return nullptr;
  for (const TextRole& r : kRoles)
    if (name == QLatin1String(r.name)) return &r;
  return nullptr;
}

void YokeStyle::polish(QWidget* w) {
  QProxyStyle::polish(w);
  const QString name = w->objectName();
  if (const TextRole* role = text_role(name)) dress(w, *role);
  if (auto* l = qobject_cast<QLabel*>(w)) {
    give_room(l, name);
  } else if (auto* area = qobject_cast<QScrollArea*>(w)) {
    area->setFrameShape(QFrame::NoFrame);
    area->viewport()->setAutoFillBackground(false);
  } else if (auto* head = qobject_cast<QHeaderView*>(w)) {
    head->setFont(theme::text(14, true));
  } else if (name == QLatin1String("line") && qobject_cast<QFrame*>(w)) {
    w->setMaximumHeight(1);
  } else if (qobject_cast<QPushButton*>(w)) {
    w->setAttribute(Qt::WA_Hover);
    if (name == QLatin1String("face")) w->setFont(theme::text(14, false));
    if (name.startsWith(QLatin1String("bench"))) w->setMinimumHeight(82);
  } else if (qobject_cast<QMenuBar*>(w)) {
    QPalette p = w->palette();
    p.setColor(QPalette::ButtonText, theme::kScribe);
    p.setColor(QPalette::Window, theme::kDyeDeep);
    w->setPalette(p);
  }
  // What lies in a scroll area lets the page through.
  if (QWidget* parent = w->parentWidget();
      parent && qobject_cast<QScrollArea*>(parent->parentWidget()))
    w->setAutoFillBackground(false);
}

QPalette YokeStyle::standardPalette() const {
  QPalette p;
  const QColor field(0xff, 0xfd, 0xf8);
  p.setColor(QPalette::Window, theme::kPaper);
  p.setColor(QPalette::WindowText, theme::kInk);
  p.setColor(QPalette::Base, field);
  p.setColor(QPalette::AlternateBase, theme::kPaper);
  p.setColor(QPalette::Text, theme::kInk);
  p.setColor(QPalette::Button, theme::kPaperRaised);
  p.setColor(QPalette::ButtonText, theme::kInk);
  p.setColor(QPalette::BrightText, Qt::white);
  p.setColor(QPalette::Light, theme::kPaperRaised);
  p.setColor(QPalette::Midlight, QColor(0xef, 0xe7, 0xd6));
  p.setColor(QPalette::Mid, QColor(0xb9, 0xb0, 0x9d));
  p.setColor(QPalette::Dark, QColor(0x7d, 0x77, 0x6a));
  p.setColor(QPalette::Shadow, theme::kInkSoft);
  p.setColor(QPalette::Highlight, theme::kSteel);
  p.setColor(QPalette::HighlightedText, Qt::white);
  p.setColor(QPalette::ToolTipBase, theme::kDyeDeep);
  p.setColor(QPalette::ToolTipText, theme::kScribe);
  p.setColor(QPalette::Link, theme::kSteel);
  p.setColor(QPalette::PlaceholderText, QColor(0x8b, 0x86, 0x7b));
  for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
    p.setColor(QPalette::Disabled, role, QColor(0x8b, 0x86, 0x7b));
  return p;
}

}  // namespace yoke
