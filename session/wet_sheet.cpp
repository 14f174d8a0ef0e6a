#include "session/wet_sheet.hpp"

#include "assembly/relevance.hpp"
#include "document/as_built.hpp"
#include "session/proof_edits.hpp"
#include "session/sheet_cells.hpp"
#include "session/stage_views.hpp"
#include "session/work_edits.hpp"
#include "work/bleed_count.hpp"
#include "work/bleeding.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMost = 22;  // of a page in large type

bool of_stage(Group g, Stage s) {
  switch (s) {
    case Stage::survey:
      return pressed_by(g) && g != Group::target && g != Group::lines && g != Group::circuit;
    case Stage::fit:
      return g == Group::fit;
    case Stage::rod:
      return g == Group::rod;
    case Stage::plumb:
      return g == Group::lines;
    default:
      return false;
  }
}

/// Values that nobody measured on the very thing.
void add_values(const Session& s, Stage stage, std::vector<WetBox>& list) {
  const As which = stage == Stage::survey ? As::found : As::plan;
  for (const ParamInfo& p : all_params()) {
    if (list.size() >= kMost) return;
    if (p.kind == Kind::choice || !of_stage(p.group, stage)) continue;
    if (!relevant(s.job(), which, p.param)) continue;
    const Value v = value_of(s.job(), which, p.param);
    if (v.settled() && !v.inherited) continue;
    WetBox b;
    b.key = (which == As::found ? "found:" : "plan:") + std::string(p.id);
    b.words = words_of(p.words);
    b.hint = v.known() ? QObject::tr("now %1").arg(shown_value(p.param, v.si, s.style()))
                       : QObject::tr("unknown");
    list.push_back(std::move(b));
  }
}

void add_steps(const Session& s, std::vector<WetBox>& list) {
  for (const StepRow& row : install_view(s.job()).steps) {
    if (list.size() + 1 >= kMost) return;
    if (row.done || row.step.by_bleeding || row.step.after_drive) continue;
    WetBox b;
    b.key = "step:" + row.step.key;
    b.words = text_of(row.step.text, s.style());
    b.tick = true;
    list.push_back(b);
    if (!row.step.measure) continue;
    WetBox m;
    m.key = "built:" + std::string(info(*row.step.measure).id);
    m.words = QObject::tr("as built: %1").arg(words_of(info(*row.step.measure).words));
    m.hint =
        QObject::tr("plan %1").arg(value_text(s.job(), As::plan, *row.step.measure, s.style()));
    list.push_back(std::move(m));
  }
}

void add_nipples(const Session& s, std::vector<WetBox>& list) {
  for (const BleedRow& r : bleed_rows(s.job(), bleed_plan(s.job()))) {
    WetBox b;
    b.key = "bleed:" + r.key;
    b.words = r.wheel            ? words_of(wheel_words(*r.wheel))
              : r.key == "bench" ? QObject::tr("The master on the bench")
                                 : QObject::tr("The slave");
    b.hint = r.planned ? QObject::tr("about %1 counts; a c behind it: the last three were clear")
                             .arg(r.planned->strokes)
                       : QObject::tr("counts; a c behind it: the last three were clear");
    list.push_back(std::move(b));
  }
}

void add_presses(const Session& s, std::vector<WetBox>& list) {
  for (const ProofPress& p : proof_protocol(s.job(), s.strip(), s.findings())) {
    if (list.size() >= kMost) return;
    if (p.state != ProofState::open || !p.number || p.where == ProofWhere::gate) continue;
    WetBox b;
    b.key = "press:" + std::string(proof_key(p.id));
    b.words = text_of(p.name, s.style());
    if (p.expect)
      b.hint = QObject::tr("expect %1")
                   .arg(text_of(say("{}", amount(*p.expect, p.kind, p.digits)), s.style()));
    list.push_back(std::move(b));
  }
}

Error unknown_box(const std::string& key) {
  return {"box", key, "", "That is no longer asked", "Print the sheet anew"};
}

Expected<bool> take_press_box(Session& s, const std::string& key, const QString& typed) {
  for (const ProofPress& p : proof_protocol(s.job(), s.strip(), s.findings()))
    if (proof_key(p.id) == key) {
      PressEntry e;
      e.got = typed.toStdString();
      return take_press(s, p, e);
    }
  return fail(unknown_box(key));
}

Expected<bool> take_step(Session& s, const std::string& key) {
  for (const StepRow& row : install_view(s.job()).steps)
    if (row.step.key == key) {
      tick_step(s, row.step, true);
      return true;
    }
  return fail(unknown_box(key));
}

Expected<bool> take_built(Session& s, Param p, const QString& typed) {
  const auto v = parse_with_doubt(p, typed.toStdString(), s.style());
  if (!v) return fail(v.error());
  Measured value = measured(p, v->si, s.tool_for(p, v->si));
  if (v->uncertainty_si) value.uncertainty_si = *v->uncertainty_si;
  return s.edit(QObject::tr("as-built %1 %2").arg(words_of(info(p).words), typed),
                [&](Job& j) { set_as_built(j, p, value); });
}

/// "18 c": so many counts, the last three of them clear. Without the c none of them was.
Expected<bool> take_counts(Session& s, const std::string& key, const QString& typed) {
  const bool clear = typed.contains(QLatin1Char('c'), Qt::CaseInsensitive);
  bool whole = false;
  const int n = typed.section(QLatin1Char(' '), 0, 0)
                    .remove(QLatin1Char('c'), Qt::CaseInsensitive)
                    .toInt(&whole);
  if (!whole || n < 0 || n > 1000)
    return fail({"box", typed.toStdString(), "0 to 1000", "That is no count",
                 "A whole number, and a c behind it when the last three were clear"});
  const BleedPlan plan = bleed_plan(s.job());
  return s.edit(QObject::tr("%1 counts from the sheet").arg(n), [&](Job& j) {
    for (int i = 0; i < n; ++i) count_at(j, plan, key, !clear || i + kClearStrokes < n);
  });
}

}  // namespace

std::vector<WetBox> wet_boxes(const Session& s, Stage stage) {
  std::vector<WetBox> list;
  switch (stage) {
    case Stage::install:
      add_steps(s, list);
      break;
    case Stage::bleed:
      add_nipples(s, list);
      break;
    case Stage::prove:
      add_presses(s, list);
      break;
    default:
      add_values(s, stage, list);
      break;
  }
  return list;
}

QString wet_html(const Session& s, Stage stage) {
  const auto boxes = wet_boxes(s, stage);
  QString h =
      QStringLiteral(
          "<html><head><style>body{font-family:Roboto;color:#23262b}"
          "h1{font-size:26px}td{font-size:20px}</style></head><body><h1>%1: %2</h1>")
          .arg(sheet::esc(words_of(stage_words(stage))), sheet::esc(text_of(s.job().title)));
  if (boxes.empty())
    return h + QStringLiteral("<p>%1</p>").arg(sheet::esc(QObject::tr("Nothing is open here.")));
  QStringList rows;
  int n = 0;
  for (const WetBox& b : boxes)
    rows << QStringLiteral(
                "<tr><td width='6%'>%1</td><td width='54%'>%2<br><span "
                "style='font-size:14px;color:#57595f'>%3</span></td><td "
                "width='40%' style='font-size:30px'>%4</td></tr>")
                .arg(++n)
                .arg(sheet::esc(b.words), sheet::esc(b.hint),
                     b.tick ? QStringLiteral("&#9633;") : QStringLiteral("&nbsp;"));
  h += sheet::table(rows);
  return h + QStringLiteral("<p>%1</p>")
                 .arg(sheet::esc(QObject::tr(
                     "Write with a pencil; then type it back in this order under Job.")));
}

Expected<bool> take_wet(Session& s, const WetBox& box, const QString& text) {
  const QString typed = text.trimmed();
  if (typed.isEmpty()) return false;
  const std::size_t colon = box.key.find(':');
  const std::string kind = box.key.substr(0, colon), name = box.key.substr(colon + 1);
  if (kind == "step") return take_step(s, name);
  if (kind == "bleed") return take_counts(s, name, typed);
  if (kind == "press") return take_press_box(s, name, typed);
  const auto p = find_param(name);
  if (!p) return fail(unknown_box(box.key));
  if (kind == "built") return take_built(s, *p, typed);
  return type_value(s, kind == "found" ? As::found : As::plan, *p, typed, std::nullopt);
}

}  // namespace yoke
