// What the window does with files: opening, saving, leaving, and unsaved work left behind.
#include <QApplication>
#include <QDate>
#include <QFileInfo>
#include <QLocale>
#include <QSettings>

#include "files/versions.hpp"
#include "logbook/anonymous.hpp"
#include "session/differences.hpp"
#include "session/job_pictures.hpp"
#include "session/live_edits.hpp"
#include "session/packing.hpp"
#include "session/resume.hpp"
#include "session/texts.hpp"
#include "ui/main_window.hpp"
#include "ui/plain.hpp"
#include "ui/stages/install_page.hpp"

namespace yoke {

bool MainWindow::open_path(const QString& path) {
  return open_file(path.toStdString());
}

bool MainWindow::open_file(const std::filesystem::path& file) {
  if (file.extension() == kPackEnding) return open_pack(QString::fromStdString(file.string()));
  const auto ok = session_.open_file(file);
  if (!ok) {
    dialogs_.tell(this, error_text(ok.error(), session_.style()));
    return false;
  }
  // A name that is no UTF-8 opens, but cannot be remembered as text.
  if (session_.path().toStdString() == file.string()) remember(session_.path());
  make_anew();  // whoever opens a job may hold on to its pages at once
  if (begins()) show_stage(Stage::survey);
  // Weeks later the first thing is where it stands.
  if (rested_long(session_, QDate::currentDate().toString(Qt::ISODate).toStdString())) {
    show_stage(Stage::install);
    static_cast<InstallPage*>(page(Stage::install))->show_resume(true);
  }
  offer_leftovers();
  return true;
}

bool MainWindow::open_pack(const QString& pack) {
  const QString folder = dialogs_.pick_folder(this, tr("Where to unpack the job"));
  if (folder.isEmpty()) return false;
  const auto got = unpack_job(pack, folder);
  if (!got) {
    dialogs_.tell(this, error_text(got.error(), session_.style()));
    return false;
  }
  if (!got->left_out.isEmpty())
    dialogs_.tell(this, tr("Left out, for it is no picture of the job: %1")
                            .arg(one_line(got->left_out.join(QStringLiteral(", ")), 200)));
  return open_path(got->job_path);
}

void MainWindow::save_pack() {
  QString name = text_of(session_.job().title).left(60);
  name.replace(QLatin1Char('/'), QLatin1Char('-'));
  const QString to = save_target(dialogs_, this, tr("Pack the job with its photos"),
                                 name + QLatin1String(kPackEnding), tr("Packed jobs (*.yokepack)"),
                                 {QLatin1String(kPackEnding)});
  if (to.isEmpty()) return;
  if (const auto ok = pack_job(to, session_.job(), session_.path()); !ok)
    dialogs_.tell(this, error_text(ok.error(), session_.style()));
  else
    dialogs_.tell(this, tr("Packed: %1").arg(QFileInfo(to).fileName()));
}

void MainWindow::save_without_names() {
  const QString to =
      save_target(dialogs_, this, tr("A copy without names, photos and places"),
                  QStringLiteral("job.yoke"), tr("Jobs (*.yoke)"), {QStringLiteral(".yoke")});
  if (to.isEmpty()) return;
  if (to == session_.path())
    return dialogs_.tell(this, tr("That is the job itself: choose another name"));
  if (const auto ok = save_job(to.toStdString(), without_names(session_.job())); !ok)
    dialogs_.tell(this, error_text(ok.error(), session_.style()));
}

bool MainWindow::save_by(const std::function<Expected<bool>(bool)>& how) {
  auto ok = how(false);
  if (!ok && ok.error().field == kReadOnlyField &&
      dialogs_.ask(this,
                   text_of(ok.error().reason, session_.style()) + tr(". Replace it all the same?"),
                   {tr("Replace it")}, tr("Keep it")) == 0)
    ok = how(true);
  else if (!ok && ok.error().field == kReadOnlyField)
    return false;
  if (!ok) dialogs_.tell(this, error_text(ok.error(), session_.style()));
  return ok.has_value();
}

bool MainWindow::save() {
  if (QWidget* w = QApplication::focusWidget()) w->clearFocus();  // what is typed counts
  if (!session_.has_path()) return save_as();
  return save_by([this](bool into) { return session_.save(into); });
}

bool MainWindow::save_as() {
  QString name = text_of(session_.job().title).left(60);
  name.replace(QLatin1Char('/'), QLatin1Char('-'));
  const QString f = save_target(dialogs_, this, tr("Save the job"), name + QStringLiteral(".yoke"),
                                tr("Jobs (*.yoke)"), {QStringLiteral(".yoke")});
  if (f.isEmpty()) return false;
  const QString was = session_.path();
  if (!save_by([&](bool into) { return session_.save_as(f, into); })) return false;
  remember(session_.path());
  if (const int left =
          was.isEmpty() ? 0 : carry_pictures(was, session_.path(), picture_names(session_.job()));
      left > 0)
    dialogs_.tell(this,
                  tr("The job is saved; photos that could not be copied beside it: %1").arg(left));
  if (const int left =
          was.isEmpty() ? 0 : carry_versions(was.toStdString(), session_.path().toStdString());
      left > 0)
    dialogs_.tell(this,
                  tr("The job is saved; kept versions that could not be copied: %1").arg(left));
  if (const int left = was.isEmpty() ? 0 : carry_recordings(was, session_.path(), session_.job());
      left > 0)
    dialogs_.tell(this,
                  tr("The job is saved; recorded presses that could not be copied: %1").arg(left));
  return true;
}

QList<QLineEdit*> MainWindow::typed_entries() const {
  QList<QLineEdit*> list;
  for (QLineEdit* e : findChildren<QLineEdit*>())
    if (e->isModified() && !e->text().trimmed().isEmpty() && !e->property("scratch").toBool())
      list << e;
  return list;
}

bool MainWindow::enter_typed() {
  if (QWidget* w = QApplication::focusWidget(); w && w->window() == this) w->clearFocus();
  const QList<QLineEdit*> left = typed_entries();
  if (left.isEmpty()) return true;
  QStringList lines;
  for (const QLineEdit* e : left)
    lines << QStringLiteral("%1: “%2”").arg(e->accessibleName(), one_line(e->text(), 60));
  if (dialogs_.ask(this, tr("Typed, but not entered into the job:\n%1").arg(lines.join('\n')),
                   {tr("Leave it out")}, tr("Back to it")) != 0) {
    left.front()->setFocus(Qt::OtherFocusReason);
    return false;
  }
  for (QLineEdit* e : left) e->clear();
  return true;
}

bool MainWindow::may_leave() {
  if (!enter_typed()) return false;
  if (!session_.dirty()) return true;
  const int answer = dialogs_.ask(
      this, tr("“%1” has changes that are not saved.").arg(text_of(session_.job().title)),
      {tr("Save"), tr("Discard")}, tr("Stay here"));
  if (answer == 0) return save();
  if (answer == 1) session_.discard_journal();
  return answer == 1;
}

bool MainWindow::offer(const Leftover& left) {
  const QString when = left.written.empty() ? tr("an unknown day") : text_of(left.written);
  const QString whose = left.file.empty()
                            ? tr("a job without a file, “%1”").arg(text_of(left.title))
                            : tr("“%1”").arg(QString::fromStdString(left.file.filename().string()));
  QString words = tr("Unsaved work on %1, of %2, was left behind.").arg(whose, when);
  if (left.owner == Leftover::Owner::elsewhere)
    words += tr("\nIt was done on another machine, “%1”, and may still be open there.")
                 .arg(text_of(left.host));
  const QString keep = tr("Keep it as a file of its own");
  const QString later = tr("Leave it for later");
  int answer = -1;
  if (!left.job) {
    words += tr("\nIt cannot be read: %1.").arg(text_of(left.error, session_.style()));
    answer = dialogs_.ask(this, words, {keep}, later) == 0 ? 1 : -1;
  } else {
    if (!left.file.empty() && left.tells_state && !session_.fits(left))
      words += tr("\nThe file was saved by something else after that.");
    const Job& now = left.file.empty() ? blank_job() : session_.job();
    words += QStringLiteral("\n\n") +
             differences(now, *left.job, session_.style()).join(QLatin1Char('\n'));
    answer = dialogs_.ask(this, words, {tr("Bring it back"), keep}, later);
  }
  if (answer == 1) {
    const auto to = session_.put_aside(left);
    dialogs_.tell(this, to ? tr("Kept as %1").arg(*to) : error_text(to.error(), session_.style()));
  }
  if (answer != 0) return false;
  const auto ok = session_.bring_back(left);
  if (!ok) dialogs_.tell(this, error_text(ok.error(), session_.style()));
  return ok.has_value();
}

void MainWindow::offer_leftovers() {
  const std::vector<Leftover> list = session_.leftovers();  // a copy: it shrinks meanwhile
  for (const Leftover& left : list)
    if (offer(left)) break;  // what else there is stays, and is offered at the next opening
}

void MainWindow::offer_unnamed() {
  for (const Leftover& left : session_.unnamed_leftovers()) {
    // Bringing it back replaces what is open: only when that is safe.
    if (session_.dirty() && !may_leave()) return;
    if (offer(left)) {
      show_stage(Stage::survey);
      return;
    }
  }
}

void MainWindow::offer_again() {
  if (session_.leftovers().empty() && session_.unnamed_leftovers().empty())
    return dialogs_.tell(this, tr("No unsaved work was left behind."));
  offer_leftovers();
  offer_unnamed();
}

}  // namespace yoke
