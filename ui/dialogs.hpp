// The places where the builder is asked something in a dialog; tests replace them.
#pragma once

#include <QString>
#include <QStringList>
#include <functional>

class QWidget;

namespace yoke {

struct Dialogs {
  /// `filter`: "Jobs (*.yoke)" and the like; all files can be asked for besides.
  std::function<QString(QWidget*, const QString& title, const QString& filter)> open_file;
  /// A name as the builder gave it; `save_target` makes it whole and asks before it replaces.
  std::function<QString(QWidget*, const QString& title, const QString& suggestion,
                        const QString& filter)>
      save_file;
  std::function<QString(QWidget*, const QString& title)> pick_folder;
  /// One of some answers; -1 for `none`, the answer that changes nothing, and for a closed
  /// question.
  std::function<int(QWidget*, const QString& question, const QStringList& answers,
                    const QString& none)>
      ask;
  std::function<void(QWidget*, const QString& message)> tell;
};
[[nodiscard]] Dialogs real_dialogs();

/// Asks where to save: the ending is added first, then a file that stands there and is not empty is
/// asked about. Empty when the builder changed his mind.
[[nodiscard]] QString save_target(const Dialogs& dialogs, QWidget* parent, const QString& title,
                                  const QString& suggestion, const QString& filter,
                                  const QStringList& endings);

}  // namespace yoke
