#include "ui/look.hpp"

#include <QApplication>
#include <QFontDatabase>
#include <QStyleFactory>

#include "paint/theme.hpp"

static void load_resources() {
  Q_INIT_RESOURCE(yoke_fonts);
}

namespace yoke {

bool apply_look(QApplication& app) {
  load_resources();
  bool ok = true;
  for (const char* name : {"Roboto-Regular.ttf", "Roboto-Medium.ttf", "Roboto-Bold.ttf",
                           "YokeFigures-Regular.otf", "YokeFigures-Bold.otf"})
    ok = QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/") +
                                           QString::fromLatin1(name)) >= 0 &&
         ok;
  QApplication::setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
  QFont font = theme::text(14);
  QApplication::setFont(font);
  app.setStyleSheet(style_sheet());
  return ok;
}

QString style_sheet() {
  return QStringLiteral(R"(
* { font-family: Roboto; font-size: 14px; color: #23262b; }
QMainWindow, QDialog, QWidget#page, QWidget#central { background: #f6f1e6; }
QScrollArea, QScrollArea > QWidget > QWidget { background: transparent; border: none; }
QMenuBar { background: #0a1e38; padding: 2px 6px; }
QMenuBar::item { color: #e8f0f7; background: transparent; padding: 6px 12px; }
QMenuBar::item:selected { background: #2c5a86; }
QMenu { background: #fcf9f2; border: 1px solid #b9b09d; padding: 4px; }
QMenu::item { padding: 7px 28px 7px 14px; min-height: 20px; }
QMenu::item:selected { background: #2c5a86; color: white; }
QMenu::item:disabled { color: #8b867b; }
QLabel#title { font-size: 19px; font-weight: bold; }
QLabel#question { color: #575b60; }
QLabel#heading { font-size: 15px; font-weight: bold; padding-top: 4px; }
QLabel#answer { font-size: 19px; font-weight: bold; }
QLabel#figure { font-family: "Yoke Figures"; font-size: 16px; font-weight: bold; }
QLabel#soft { color: #575b60; font-size: 13px; }
QLabel#alarm { color: #a83e00; font-weight: bold; }
QLabel#mark { color: #a83e00; font-weight: bold; }
QLabel#caution { color: #a83e00; font-size: 13px; }
QLabel#notice { background: #fff1e2; color: #a83e00; font-weight: bold; border-top: 2px solid #a83e00; padding: 8px 16px; }
QLabel#onDye { color: #e8f0f7; padding: 7px 8px 0 0; }
QLabel#bench { font-size: 24px; }
QLabel#benchBig { font-size: 34px; font-weight: bold; }
QLabel#benchAlarm { font-size: 34px; font-weight: bold; color: #a83e00; }
QLabel#benchSoft { font-size: 22px; color: #575b60; }
QLabel#benchCaution { font-size: 22px; color: #a83e00; font-weight: bold; }
QLabel#benchFigure { font-family: "Yoke Figures"; font-size: 64px; font-weight: bold; }
QLabel#benchCount { font-family: "Yoke Figures"; font-size: 132px; font-weight: bold; }
QLineEdit#benchEntry { font-family: "Yoke Figures"; font-size: 40px; padding: 6px 14px; }
QComboBox#benchWith { font-size: 24px; }
QLineEdit#benchName { font-size: 26px; padding: 6px 12px; }
QPushButton#benchKey { font-size: 20px; padding: 8px 12px; min-height: 64px; }
QPushButton#benchTool { font-size: 22px; min-height: 64px; }
QPushButton#benchMain { font-size: 26px; font-weight: bold; padding: 8px 12px; min-height: 64px; background: #10304f; color: white; border-color: #0a1e38; }
QLineEdit, QComboBox, QPlainTextEdit, QTextBrowser, QTableWidget, QListWidget {
  background: #fffdf8; border: 1px solid #b9b09d; border-radius: 3px; padding: 3px 7px;
  selection-background-color: #2c5a86; selection-color: white; }
QLineEdit, QComboBox { min-height: 24px; }
QLineEdit#figure { font-family: "Yoke Figures"; font-size: 15px; }
QLineEdit:focus, QComboBox:focus, QPlainTextEdit:focus, QListWidget:focus, QTableWidget:focus { border: 2px solid #2c5a86; padding: 2px 6px; }
QLineEdit[refused="true"] { border: 2px solid #a83e00; background: #fff1e2; }
QComboBox::drop-down { width: 22px; border: none; }
QComboBox::down-arrow { image: url(:/icons/down.svg); width: 10px; height: 10px; }
QComboBox QAbstractItemView { background: #fffdf8; selection-background-color: #2c5a86; selection-color: white; }
QPushButton { background: #fcf9f2; border: 1px solid #b9b09d; border-radius: 3px; padding: 5px 14px; min-height: 24px; }
QPushButton:hover { background: #efe7d6; }
QPushButton:pressed { background: #e0d6c0; }
QPushButton:checked { background: #2c5a86; color: white; border-color: #10304f; }
QPushButton:focus { border: 2px solid #2c5a86; padding: 4px 13px; }
QPushButton:checked:focus { border: 2px solid #ffb84d; }
QPushButton:disabled { color: #8b867b; background: #f1ebdd; }
QPushButton#main { background: #10304f; color: white; border-color: #0a1e38; }
QPushButton#main:hover { background: #2c5a86; }
QPushButton#main:disabled { background: #8b98a8; color: #f1ebdd; }
QPushButton#small { padding: 3px 8px; }
QPushButton#face { background: transparent; border: none; border-bottom: 3px solid transparent; border-radius: 0; padding: 5px 9px 3px 9px; color: #2c5a86; font-weight: 500; }
QPushButton#face:hover { background: #efe7d6; }
QPushButton#face:checked { background: transparent; color: #23262b; border-bottom: 3px solid #a83e00; font-weight: bold; }
QPushButton#face:focus { border: 2px solid #2c5a86; padding: 3px 7px 4px 7px; }
QCheckBox { spacing: 10px; min-height: 30px; }
QCheckBox::indicator { width: 20px; height: 20px; border: 1px solid #7d776a; background: #fffdf8; border-radius: 3px; }
QCheckBox::indicator:checked { image: url(:/icons/tick.svg); background: #2c5a86; border-color: #10304f; }
QCheckBox:focus { color: #2c5a86; }
QFrame#card { background: #fcf9f2; border: 1px solid #cfc5b2; border-radius: 4px; }
QFrame#line { background: #cfc5b2; max-height: 1px; border: none; }
QListWidget::item { min-height: 30px; }
QHeaderView::section { background: #e9e1d0; border: none; border-right: 1px solid #cfc5b2; padding: 5px 7px; font-weight: bold; }
QTableWidget { gridline-color: #ddd4c1; padding: 0; }
QTableWidget::indicator { width: 20px; height: 20px; border: 1px solid #7d776a; background: #fffdf8; border-radius: 3px; }
QTableWidget::indicator:checked { image: url(:/icons/tick.svg); background: #2c5a86; border-color: #10304f; }
QScrollBar:vertical { background: transparent; width: 12px; }
QScrollBar::handle:vertical { background: #c3b9a5; border-radius: 5px; min-height: 30px; margin: 1px; }
QScrollBar::add-line, QScrollBar::sub-line { height: 0; width: 0; }
QScrollBar:horizontal { background: transparent; height: 12px; }
QScrollBar::handle:horizontal { background: #c3b9a5; border-radius: 5px; min-width: 30px; margin: 1px; }
QToolTip { background: #0a1e38; color: #e8f0f7; border: 1px solid #9db6d0; padding: 4px; }
QSplitter::handle { background: #e2d9c6; }
)");
}

}  // namespace yoke
