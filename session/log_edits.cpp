#include "session/log_edits.hpp"

#include <QRegularExpression>

#include "files/icalendar.hpp"
#include "files/limits.hpp"
#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr double kMinute = 60, kHour = 3600, kDay = 86400;

Error wrong(const std::string& value, Message reason, Message remedy) {
  return {"logbook", value, "", std::move(reason), std::move(remedy)};
}

bool timed(EventKind kind) {
  return kind == EventKind::worked || kind == EventKind::waited || kind == EventKind::wasted;
}

double unit_of(const QString& word) {
  if (word.startsWith(QLatin1Char('d')) || word.startsWith(QLatin1Char('t'))) return kDay;
  if (word.startsWith(QLatin1Char('h')) || word.startsWith(QLatin1Char('s'))) return kHour;
  return kMinute;
}

}  // namespace

Expected<double> typed_time(const std::string& text) {
  static const QRegularExpression piece(
      QStringLiteral("(\\d+(?:[.,]\\d+)?)\\s*(d|day|days|h|hour|hours|min|minutes|m|Tage?|Std|:)?"),
      QRegularExpression::CaseInsensitiveOption);
  const QString typed = QString::fromStdString(text).trimmed().toLower();
  double sum = 0, last = 0;
  qsizetype read = 0;
  auto it = piece.globalMatch(typed);
  while (it.hasNext()) {
    const auto m = it.next();
    const double n = m.captured(1).replace(QLatin1Char(','), QLatin1Char('.')).toDouble();
    const QString word = m.captured(2);
    // "2:30" and "2 h 30": what follows hours without a word is minutes; a bare number is hours.
    const double unit = word == QLatin1String(":") ? kHour
                        : !word.isEmpty()          ? unit_of(word)
                        : last == kHour            ? kMinute
                                                   : kHour;
    sum += n * unit;
    last = unit;
    read += m.capturedLength();
  }
  QString rest = typed;
  rest.remove(piece);
  if (read == 0 || !rest.trimmed().isEmpty() || !kEventTime.holds(sum))
    return fail(wrong(text, "That is no length of time", "2 h 30, 90 min, 3 days"));
  return sum;
}

Expected<bool> add_line(Session& session, const LogEntry& entry, const std::string& when) {
  Event e;
  e.kind = entry.kind;
  e.stage = entry.stage;
  e.when = when;
  e.who = entry.who;
  e.note = entry.note;
  if (timed(entry.kind)) {
    const auto s = typed_time(entry.amount);
    if (!s) return fail(s.error());
    e.seconds = *s;
  } else if (entry.kind == EventKind::cost) {
    const auto money = typed_quantity(entry.amount, "Money", Kind::number, kMoney, session.style());
    if (!money) return fail(money.error());
    e.money = *money;
  } else if (entry.note.empty()) {
    return fail(wrong("", "There is nothing to write down", "Write what happened"));
  }
  if (session.job().events.size() >= kMostEvents)
    return fail(wrong("", "The logbook is full", "Keep a version, and begin a new job file"));
  return session.edit(words_of(words_of_value(entry.kind)), [&](Job& j) {
    j.events.push_back(e);
    // What was moved must be done once more: the gates that rest on it see that.
    if (entry.kind != EventKind::moved || entry.step.empty()) return;
    const auto it = j.steps.find(entry.step);
    if (it == j.steps.end()) return;
    it->second.done = false;
    it->second.waits.clear();
  });
}

std::string last_writer(const Job& job) {
  for (auto it = job.events.rbegin(); it != job.events.rend(); ++it)
    if (!it->who.empty() && it->kind != EventKind::proof && it->kind != EventKind::road)
      return it->who;
  return last_prover(job);
}

Expected<bool> add_point(Session& session, const std::string& what, Stage stage,
                         const std::string& day) {
  if (what.find_first_not_of(' ') == std::string::npos)
    return fail(wrong("", "There is nothing to write down", "Say what is open"));
  return session.edit(QObject::tr("open point “%1”").arg(QString::fromStdString(what).left(40)),
                      [&](Job& j) {
                        j.points.push_back({what, stage, day, {}, {}, {}, {}});
                      });
}

Expected<bool> close_point(Session& session, std::size_t at, const std::string& day) {
  if (at >= session.job().points.size()) return false;
  return session.edit(day.empty() ? QObject::tr("open again") : QObject::tr("a point is done"),
                      [&](Job& j) {
                        j.points[at].done = day;
                        if (day.empty()) j.points[at].who = j.points[at].reason = {};
                      });
}

Expected<bool> sign_point(Session& session, std::size_t at, const std::string& who,
                          const std::string& reason) {
  if (at >= session.job().points.size()) return false;
  if (who.empty() || reason.empty())
    return fail(
        wrong(who, "It takes a name and a reason", "Say who signs it off, and why it may stay"));
  return session.edit(QObject::tr("a point is signed off"), [&](Job& j) {
    j.points[at].who = who;
    j.points[at].reason = reason;
  });
}

std::string calendar_of(const Session& session, std::string_view today, std::string_view stamp) {
  std::vector<CalendarDay> days;
  const Style& style = session.style();
  const std::string title = session.job().title;
  for (const DueThing& d : due_things(session.job(), today)) {
    if (d.kind == DueKind::point) continue;  // open since, not due on a day
    CalendarDay c;
    c.uid = d.key + "@" + title;
    c.day = d.day;
    c.what = title + ": " + text_of(d.what, style).toStdString();
    for (const Message& m : d.why)
      c.more += (c.more.empty() ? "" : "\n") + text_of(m, style).toStdString();
    days.push_back(std::move(c));
  }
  return calendar_text(days, stamp);
}

}  // namespace yoke
