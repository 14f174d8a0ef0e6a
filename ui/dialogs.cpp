#include "ui/dialogs.hpp"

#include <QDateTime>
#include <QFileDialog>
#include <QFileInfo>
#include <QLocale>
#include <QMessageBox>
#include <QPushButton>

#include "ui/plain.hpp"

namespace yoke {

namespace {

/// Text of others may stand in a message: it is shown, never read as markup.
QMessageBox* message_box(QWidget* parent, const QString& text) {
  auto* box = new QMessageBox(QMessageBox::NoIcon, QObject::tr("Yoke Step"), QString(),
                              QMessageBox::NoButton, parent);
  box->setTextFormat(Qt::PlainText);
  box->setText(text);
  return box;
}

int ask(QWidget* parent, const QString& question, const QStringList& answers, const QString& none) {
  const std::unique_ptr<QMessageBox> box(message_box(parent, question));
  QList<QAbstractButton*> buttons;
  for (const QString& a : answers)
    buttons << box->addButton(plain_action(a), QMessageBox::ActionRole);
  // Escape is no answer at all: nothing is chosen by closing a question.
  auto* escape = box->addButton(none, QMessageBox::RejectRole);
  box->setEscapeButton(escape);
  box->exec();
  return static_cast<int>(buttons.indexOf(box->clickedButton()));
}

}  // namespace

Dialogs real_dialogs() {
  Dialogs d;
  d.open_file = [](QWidget* w, const QString& title, const QString& filter) {
    return QFileDialog::getOpenFileName(w, title, {}, QObject::tr("%1;;All files (*)").arg(filter));
  };
  d.save_file = [](QWidget* w, const QString& title, const QString& suggestion,
                   const QString& filter) {
    return QFileDialog::getSaveFileName(w, title, suggestion, filter, nullptr,
                                        QFileDialog::DontConfirmOverwrite);
  };
  d.pick_folder = [](QWidget* w, const QString& title) {
    return QFileDialog::getExistingDirectory(w, title);
  };
  d.ask = ask;
  d.tell = [](QWidget* w, const QString& message) {
    const std::unique_ptr<QMessageBox> box(message_box(w, message));
    box->addButton(QMessageBox::Ok);
    box->exec();
  };
  return d;
}

QString save_target(const Dialogs& dialogs, QWidget* parent, const QString& title,
                    const QString& suggestion, const QString& filter, const QStringList& endings) {
  QString path = dialogs.save_file(parent, title, suggestion, filter);
  if (path.isEmpty()) return path;
  const bool whole = std::any_of(endings.begin(), endings.end(), [&path](const QString& e) {
    return path.endsWith(e, Qt::CaseInsensitive);
  });
  if (!whole) path += endings.front();
  const QFileInfo there(path);
  if (!there.exists() || there.size() == 0) return path;
  const QString question =
      QObject::tr("“%1” is there already, changed %2. Replace it?")
          .arg(there.fileName(), QLocale().toString(there.lastModified(), QLocale::ShortFormat));
  return dialogs.ask(parent, question, {QObject::tr("Replace it")}, QObject::tr("Keep it")) == 0
             ? path
             : QString();
}

}  // namespace yoke
