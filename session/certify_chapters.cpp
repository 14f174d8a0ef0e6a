// The chapters of the certifier's pack.
#include <QFileInfo>
#include <QImageReader>

#include "assembly/assemble.hpp"
#include "assembly/relevance.hpp"
#include "document/param/circuits.hpp"
#include "fitting/template.hpp"
#include "judge/compare.hpp"
#include "logbook/log.hpp"
#include "paint/net_picture.hpp"
#include "protocol/protocol.hpp"
#include "proving/gates.hpp"
#include "road/permits.hpp"
#include "session/certify.hpp"
#include "session/curves.hpp"
#include "session/job_pictures.hpp"
#include "session/sheet_cells.hpp"
#include "session/sheet_pictures.hpp"
#include "session/stage_views.hpp"

namespace yoke {

namespace {

using namespace sheet;

constexpr int kPhoto_px = 900;
constexpr std::size_t kMostPhotos = 60, kMostLines = 400;

QString paragraph(const QString& words) {
  return QStringLiteral("<p>%1</p>").arg(esc(words));
}

/// "2026-05-31 14:05"
QString moment(const std::string& when) {
  return text_of(when).left(16).replace(QLatin1Char('T'), QLatin1Char(' '));
}

/// The plumbing as it is looked at on paper.
QImage plumbing(const Session& s) {
  NetDrawing drawing = net_drawing(s.job(), {});
  drawing.paper = true;
  return for_paper(net_picture(drawing, QSizeF(900, 560)), 2);
}

QString nothing(const QString& words) {
  return QStringLiteral("<p><i>%1</i></p>").arg(esc(words));
}

/// What the pedal did before and does now, and what was changed for it.
Chapter changed(const Session& s, const QDate& on) {
  const Job& job = s.job();
  const Style& style = s.style();
  Chapter c{Printed::tr("What was changed, and why"), {}, {}};
  c.html += paragraph(text_of(job.title) + QStringLiteral(", ") + text_of(job.vehicle));
  c.html +=
      paragraph(Printed::tr("Printed on %1. %2")
                    .arg(on.toString(Qt::ISODate), text_of(state_words(job, s.findings()), style)));
  if (!job.notes.empty()) c.html += paragraph(text_of(job.notes));
  Job before = job;
  before.plan = {};
  before.built = {};
  QStringList rows{row({Printed::tr("What"), Printed::tr("As found"), Printed::tr("Now")}, "th")};
  for (const CompareRow& r : compare_jobs(before, job))
    if (r.of != CompareRow::Of::proof)
      rows << row({esc(r.what, style), esc(r.a, style), esc(r.b, style)});
  c.html += table(rows);
  return c;
}

Chapter drawings(const Session& s) {
  Chapter c{Printed::tr("Drawings"), {}, {}};
  const SheetPictures pictures = sheet_pictures(s);
  const auto add = [&c](const QString& name, const QString& words, const QImage& image) {
    c.html += title(words) + QStringLiteral("<p><img src='%1' width='660'></p>").arg(name);
    c.images.emplace_back(name, image);
  };
  add(QStringLiteral("pack:line"),
      Printed::tr("The line of force, to the lengths that were measured"), pictures.line);
  add(QStringLiteral("pack:curve"), Printed::tr("Effort over travel"), pictures.curve);
  add(QStringLiteral("pack:net"), Printed::tr("Lines and joints"), plumbing(s));
  QStringList templates;
  for (const auto& [kind, words] :
       {std::pair{TemplateKind::drilling, Printed::tr("drilling template of the firewall")},
        std::pair{TemplateKind::plate, Printed::tr("adapter plate")}})
    if (make_template(s.job(), kind)) templates << words;
  c.html +=
      title(Printed::tr("Templates")) +
      (templates.isEmpty() ? nothing(Printed::tr("No template was made from this job."))
                           : paragraph(Printed::tr("Made full size from the values of this job: %1")
                                           .arg(templates.join(QStringLiteral(", ")))));
  return c;
}

/// Every press with what was foretold, what was got, and by what it was read.
Chapter protocol(const Session& s) {
  const Style& style = s.style();
  Chapter c{Printed::tr("The proof, press by press"), {}, {}};
  const auto presses = proof_protocol(s.job(), s.strip(), s.findings());
  QStringList rows{row({Printed::tr("Press"), Printed::tr("Expected"), Printed::tr("8 in 10"),
                        Printed::tr("Got"), Printed::tr("What it means")},
                       "th")};
  const auto figure = [&](const std::optional<double>& v, const ProofPress& p) {
    return v ? esc(say("{}", amount(*v, p.kind, p.digits)), style) : QStringLiteral("–");
  };
  for (const ProofPress& p : presses) {
    const QString band = p.low && p.high
                             ? figure(p.low, p) + QStringLiteral(" … ") + figure(p.high, p)
                             : QStringLiteral("–");
    rows << row({esc(p.name, style), figure(p.expect, p), band,
                 p.got ? figure(p.got, p) : esc(p.seen, style), esc(p.says, style)});
  }
  c.html += table(rows);
  QStringList read{row({Printed::tr("Push"), Printed::tr("±"), Printed::tr("Travel"),
                        Printed::tr("±"), Printed::tr("How"), Printed::tr("Note")},
                       "th")};
  for (const Reading& r : s.job().readings) {
    QStringList how;
    how << (r.assist_alive ? Printed::tr("assist on") : Printed::tr("assist off"));
    if (r.second_apply) how << Printed::tr("second in a row");
    if (r.hoses_clamped) how << words_of(words_of_value(r.clamped)) + Printed::tr(" clamped");
    if (r.rejected) how << Printed::tr("does not count");
    read << row({esc(say("{}", amount(r.force_n, Kind::force, 0)), style),
                 esc(say("{}", amount(r.force_uncertainty_n, Kind::force, 1)), style),
                 esc(say("{}", amount(r.travel_m, Kind::length, 1)), style),
                 esc(say("{}", amount(r.travel_uncertainty_m, Kind::length, 2)), style),
                 esc(how.join(QStringLiteral(", "))), esc(text_of(r.note))});
  }
  c.html += title(Printed::tr("Readings"));
  c.html += read.size() > 1 ? table(read) : nothing(Printed::tr("Nothing was read."));
  for (const Message& m : prove_verdict(s.job())) c.html += paragraph(text_of(m, style));
  QStringList set{
      row({Printed::tr("Channel"), Printed::tr("Two known points"), Printed::tr("Set")}, "th")};
  for (const Calibration& k : s.job().calibrations)
    set << row({esc(text_of(k.channel)),
                QStringLiteral("%1 → %2, %3 → %4, ± %5 (SI)")
                    .arg(k.low_raw)
                    .arg(k.low)
                    .arg(k.high_raw)
                    .arg(k.high)
                    .arg(k.plus_minus),
                esc(moment(k.when))});
  if (set.size() > 1) c.html += title(Printed::tr("Instruments")) + table(set);
  return c;
}

Chapter gates(const Session& s) {
  const Style& style = s.style();
  Chapter c{Printed::tr("Gates: one circuit, no assist, lock order, and the rest"), {}, {}};
  QStringList rows{row({Printed::tr("What must hold"), Printed::tr("How it is proved"),
                        Printed::tr("Asked"), Printed::tr("State"), Printed::tr("Evidence")},
                       "th")};
  for (const Gate& g : gates_of(s.job(), s.strip(), s.findings()))
    rows << row({esc(g.words, style), esc(g.how, style), esc(expectation_words(g.ask), style),
                 esc(words_of(words_of_value(g.state))),
                 esc(g.evidence.empty() ? g.why : g.evidence, style)});
  c.html += table(rows);
  QStringList road{
      row({Printed::tr("Stage"), Printed::tr("Stop"), Printed::tr("Locked"), Printed::tr("When")},
          "th")};
  for (const RoadStop& stop : s.job().stops) {
    const auto f = stop_figures(stop);
    road << row({esc(words_of(words_of_value(stop.stage))),
                 f ? esc(stop_words(*f), style) : QStringLiteral("–"),
                 esc(words_of(words_of_value(stop.locked))), esc(moment(stop.when))});
  }
  c.html += title(Printed::tr("On the road"));
  c.html += road.size() > 1 ? table(road) : nothing(Printed::tr("It was not driven."));
  return c;
}

/// What an inspector asks of every brake, said whether or not there is anything.
QString always_asked(const Session& s) {
  const Job& job = s.job();
  if (works_clutch(resolve(job, As::plan))) return {};  // it has neither
  const Value unit = value_of(job, As::plan, param::circuit_antilock);
  // A guess that there is one is said; a guess that there is none is none.
  QString html = paragraph(
      unit.is(choice::CircuitAntilock::fitted)
          ? Printed::tr("Anti-lock unit: in the lines. Another master, valve, hose or brake is not "
                        "what its maker set it for: his word is asked for, and it is bled his way.")
      : unit.settled()
          ? Printed::tr("Anti-lock unit: none.")
          : Printed::tr("Anti-lock unit: nobody told for certain whether there is one."));
  const Assembly a = assemble(job, As::plan);
  html += paragraph(!a.system ? Printed::tr("Circuits: not known.")
                    : two_circuits(a.system->master)
                        ? Printed::tr("Circuits: two.")
                        : Printed::tr("Circuits: one. With it open nothing of this control stops "
                                      "the vehicle; who keeps it so signs for it."));
  return html;
}

Chapter signed_off(const Session& s) {
  Chapter c{Printed::tr("Deviations and what was signed off"), always_asked(s), {}};
  QStringList rows{row({Printed::tr("What"), Printed::tr("By whom"), Printed::tr("Why")}, "th")};
  for (const GateId id : {GateId::single_signed, GateId::deviation})
    if (const GateRecord* r = record_of(s.job(), id); r && !r->who.empty())
      rows << row(
          {esc(gate_words(key(id)), s.style()), esc(text_of(r->who)), esc(text_of(r->note))});
  for (const OpenPoint& p : s.job().points)
    if (!p.who.empty() && !p.reason.empty())
      rows << row({esc(text_of(p.what)), esc(text_of(p.who)), esc(text_of(p.reason))});
  c.html += rows.size() > 1 ? table(rows)
                            : nothing(Printed::tr("Nothing deviates, and nothing was signed off."));
  QStringList open;
  for (const OpenPoint& p : s.job().points)
    if (is_open(p)) open << text_of(p.what);
  if (!open.isEmpty())
    c.html += paragraph(Printed::tr("Still open: %1").arg(open.join(QStringLiteral("; "))));
  return c;
}

Chapter photos(const Session& s) {
  Chapter c{Printed::tr("Photos"), {}, {}};
  for (const std::string& name : picture_names(s.job())) {
    if (c.images.size() >= kMostPhotos) break;
    QImageReader reader(picture_path(s.path(), q(name)));
    reader.setAutoTransform(true);
    if (const QSize size = reader.size(); size.width() > kPhoto_px || size.height() > kPhoto_px)
      reader.setScaledSize(size.scaled(kPhoto_px, kPhoto_px, Qt::KeepAspectRatio));
    const QImage image = reader.read();
    if (image.isNull()) {
      c.html += nothing(Printed::tr("%1 is not beside the job any more").arg(q(name)));
      continue;
    }
    const QString id = QStringLiteral("pack:photo%1").arg(c.images.size());
    c.html += QStringLiteral("<p>%1<br><img src='%2' width='%3'></p>")
                  .arg(esc(text_of(name)), id)
                  .arg(std::min(520, image.width()));
    c.images.emplace_back(id, image.convertToFormat(QImage::Format_RGB32));
  }
  if (c.html.isEmpty()) c.html = nothing(Printed::tr("No photo was kept."));
  return c;
}

Chapter logbook(const Session& s) {
  Chapter c{Printed::tr("The logbook"), {}, {}};
  const auto& events = s.job().events;
  QStringList rows{row({Printed::tr("When"), Printed::tr("Stage"), Printed::tr("What")}, "th")};
  const std::size_t first = events.size() > kMostLines ? events.size() - kMostLines : 0;
  if (first > 0) c.html += paragraph(Printed::tr("The last %1 lines.").arg(kMostLines));
  for (std::size_t i = first; i < events.size(); ++i)
    rows << row({esc(moment(events[i].when)), esc(words_of(stage_words(events[i].stage))),
                 esc(event_words(s.job(), events[i]), s.style())});
  c.html += rows.size() > 1 ? table(rows) : nothing(Printed::tr("Nothing is written yet."));
  return c;
}

}  // namespace

QString pack_cover(const Session& s, const QDate& on) {
  QString html = paragraph(text_of(s.job().vehicle));
  html += QStringLiteral("<p><b>%1</b></p>")
              .arg(esc(text_of(state_words(s.job(), s.findings()), s.style())));
  html += paragraph(Printed::tr("Printed on %1.").arg(on.toString(Qt::ISODate)));
  html += paragraph(
      Printed::tr("Figures are help for a builder, not an approval: local rules and licensed "
                  "inspection win. Who signs this pack answers for it."));
  return html;
}

std::vector<Chapter> pack_chapters(const Session& s, const std::vector<JudgedRule>& rules,
                                   const QDate& on) {
  const auto sheet = [&](SheetPart part) {
    return sheet_html(s.job(), s.strip(), s.findings(), rules, s.style(), on, part);
  };
  const SheetPictures pictures = sheet_pictures(s);
  Chapter summary{Printed::tr("The job sheet: conditions and limits"), sheet(SheetPart::sheet), {}};
  summary.images = {{QString::fromLatin1(kLinePicture), pictures.line},
                    {QString::fromLatin1(kCurvePicture), pictures.curve}};
  return {changed(s, on),
          std::move(summary),
          drawings(s),
          {Printed::tr("Every number, its source and its doubt"), sheet(SheetPart::appendix), {}},
          protocol(s),
          gates(s),
          signed_off(s),
          photos(s),
          logbook(s)};
}

}  // namespace yoke
