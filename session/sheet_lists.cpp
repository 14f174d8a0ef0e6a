// The lists of the sheet that may grow.
#include "proving/gates.hpp"
#include "session/sheet_cells.hpp"
#include "survey/rules.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

namespace yoke::sheet {

QString printed(const LongList& list) {
  if (list.rows.size() < 2 && list.line.isEmpty()) return {};
  QString h = title(list.words);
  if (!list.line.isEmpty()) h += QStringLiteral("<p>%1</p>").arg(esc(list.line));
  if (list.rows.size() < 2) return h;
  h += table(list.rows.mid(0, 1 + list.most));
  const auto beyond = static_cast<int>(list.rows.size() - 1 - list.most);
  if (beyond > 0)
    h += QStringLiteral("<p>%1</p>").arg(esc(Printed::tr("%1 more in the appendix").arg(beyond)));
  return h;
}

QString left_out(const LongList& list) {
  if (list.rows.size() - 1 <= list.most) return {};
  return title(list.words) + table(list.rows.mid(0, 1) + list.rows.mid(1 + list.most));
}

LongList finding_list(const std::vector<Finding>& findings, const Style& style) {
  LongList l{Printed::tr("Open findings"), {}, {}, 9};
  l.rows << row({Printed::tr("How serious"), Printed::tr("Finding"), Printed::tr("Held against"),
                 Printed::tr("Remedy")},
                "th");
  for (const Finding& x : findings)
    l.rows << row({esc(x.severity == Severity::hard ? Printed::tr("do not drive")
                                                    : words_of(severity_words(x.severity))),
                   esc(x.message, style), esc(x.limit, style), esc(x.remedy, style)});
  return l;
}

LongList rests_list(const std::vector<JudgedRule>& rules, const Style& style) {
  LongList l{Printed::tr("What nobody measured decides"), {}, {}, 10};
  l.rows << row(
      {Printed::tr("Holds if typical"), Printed::tr("Limit"), Printed::tr("Measure to settle it")},
      "th");
  for (const JudgedRule& r : rules) {
    if (r.verdict != Verdict::if_typical) continue;
    const QString words = text_of(r.words, style);
    l.rows << row(
        {esc(r.condition.empty() ? words
                                 : text_of(r.condition, style) + QStringLiteral(": ") + words),
         esc(r.limit, style), esc(param_list(r.decided_by), style)});
  }
  return l;
}

LongList step_list(const Job& job, const Style& style) {
  LongList l{Printed::tr("Work"), {}, {}, 12};
  l.rows << row({Printed::tr("Still to do"), Printed::tr("Done")}, "th");
  std::size_t done = 0;
  const auto steps = install_steps(job);
  for (const Step& s : steps) {
    if (is_done(job, s))
      ++done;
    else
      l.rows << row({esc(s.text, style), QStringLiteral("□")});
  }
  l.line = text_of(say("{} of {} steps done", done, steps.size()), style);
  return l;
}

LongList part_list(const Job& job, const Style& style, const QDate& on) {
  LongList l{Printed::tr("Parts in hand"), {}, {}, 10};
  if (job.parts.empty()) return l;
  const PartsGate g = parts_gate(job, on.toString(Qt::ISODate).toStdString());
  l.line = text_of(g.sentence, style);
  l.rows << row({Printed::tr("Part"), Printed::tr("Promised"), Printed::tr("Lacks")}, "th");
  for (const PartState& s : g.parts) {
    QStringList lacks;
    for (const Message& m : s.lacks) lacks << text_of(m, style);
    l.rows << row({esc(std::string_view(job.parts[s.index].name)),
                   esc(std::string_view(job.parts[s.index].promised)),
                   esc(lacks.isEmpty() ? Printed::tr("ready") : lacks.join(QStringLiteral(", ")))});
  }
  return l;
}

LongList later_list(const Job& job, const Style& style) {
  LongList l{Printed::tr("Later"), {}, {}, 6};
  l.rows << row(
      {Printed::tr("Later conversion"), Printed::tr("Planned for"), Printed::tr("Makes wrong")},
      "th");
  const Values plan = resolve(job, As::plan);
  for (const Later& later : job.later) {
    QStringList wrong;
    for (const Consequence& c : later_consequences(later.what, plan))
      wrong << text_of(c.what, style);
    l.rows << row({esc(words_of(words_of_value(later.what))), esc(std::string_view(later.date)),
                   esc(wrong.join(QStringLiteral("; ")))});
  }
  return l;
}

LongList reading_list(const Job& job, const Style& style) {
  LongList l{Printed::tr("Readings"), {}, {}, 8};
  l.rows << row({Printed::tr("Pedal force"), Printed::tr("Pedal travel"), Printed::tr("Assist")},
                "th");
  for (const Reading& x : job.readings)
    l.rows << row({full_text(x.force_n, Kind::force, 0, style),
                   full_text(x.travel_m, Kind::length, 0, style),
                   (x.assist_alive ? Printed::tr("on") : Printed::tr("off")) +
                       (x.rejected ? Printed::tr(", does not count") : QString()) +
                       (x.note.empty() ? QString() : QStringLiteral(": ") + esc(x.note))});
  return l;
}

}  // namespace yoke::sheet
