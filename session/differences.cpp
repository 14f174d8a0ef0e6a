#include "session/differences.hpp"

#include <QObject>

#include "session/texts.hpp"

namespace yoke {

namespace {

QString sheet_value(const MeasuredSet& sheet, const ParamInfo& p, const Style& style) {
  const auto& m = sheet.at(p.param);
  if (!m) return QObject::tr("not entered");
  return m->known() ? QString::fromStdString(format_value(p.param, m->si, style))
                    : QObject::tr("unknown");
}

void compare_sheets(const QString& name, const MeasuredSet& before, const MeasuredSet& after,
                    const Style& style, QStringList& lines) {
  for (const ParamInfo& p : all_params()) {
    if (before.at(p.param) == after.at(p.param)) continue;
    const QString from = sheet_value(before, p, style);
    const QString to = sheet_value(after, p, style);
    lines << (from == to ? QObject::tr("%1, %2: how it was measured").arg(words_of(p.words), name)
                         : QObject::tr("%1, %2: %3 → %4").arg(words_of(p.words), name, from, to));
  }
}

void compare_text(const QString& name, const std::string& before, const std::string& after,
                  QStringList& lines) {
  if (before == after) return;
  const auto shown = [](const std::string& s) {
    const QString t = text_of(s);
    return t.size() > 40 ? t.left(40) + QStringLiteral("…") : t;
  };
  lines << QObject::tr("%1: “%2” → “%3”").arg(name, shown(before), shown(after));
}

template <class List>
void compare_count(const QString& name, const List& before, const List& after, QStringList& lines) {
  if (before == after) return;
  if (before.size() == after.size())
    lines << QObject::tr("%1: changed").arg(name);
  else
    lines << QObject::tr("%1: %2 → %3").arg(name).arg(before.size()).arg(after.size());
}

}  // namespace

QStringList differences(const Job& before, const Job& after, const Style& style, int most) {
  QStringList lines;
  compare_text(QObject::tr("Title"), before.title, after.title, lines);
  compare_text(QObject::tr("Vehicle"), before.vehicle, after.vehicle, lines);
  compare_text(QObject::tr("Notes"), before.notes, after.notes, lines);
  if (before.state != after.state) lines << QObject::tr("How the job stands");
  compare_sheets(QObject::tr("as found"), before.found, after.found, style, lines);
  compare_sheets(QObject::tr("plan"), before.plan, after.plan, style, lines);
  compare_sheets(QObject::tr("as built"), before.built, after.built, style, lines);
  compare_count(QObject::tr("Steps"), before.steps, after.steps, lines);
  compare_count(QObject::tr("Bleeding"), before.bleeding, after.bleeding, lines);
  compare_count(QObject::tr("Readings"), before.readings, after.readings, lines);
  compare_count(QObject::tr("Readings as found"), before.before, after.before, lines);
  compare_count(QObject::tr("Candidates"), before.candidates, after.candidates, lines);
  compare_count(QObject::tr("Later conversions"), before.later, after.later, lines);
  compare_count(QObject::tr("Parts"), before.parts, after.parts, lines);
  compare_count(QObject::tr("Boxes"), before.boxes, after.boxes, lines);
  compare_count(QObject::tr("Gates"), before.gates, after.gates, lines);
  if (before.pump != after.pump) lines << QObject::tr("Pump test");
  const auto left = lines.size() - most;
  if (left > 0) {
    lines = lines.mid(0, most);
    lines << QObject::tr("and %1 more").arg(left);
  }
  return lines;
}

}  // namespace yoke
