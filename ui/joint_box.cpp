#include "ui/joint_box.hpp"

#include <QDateTime>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QSettings>
#include <QVBoxLayout>
#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/moment.hpp"
#include "files/limits.hpp"
#include "plumbing/paths.hpp"
#include "plumbing/torque.hpp"
#include "session/entries.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

namespace {

QString now() {
  return QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-ddTHH:mm:ss"));
}

}  // namespace

JointBox::JointBox(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
  auto* box = new QVBoxLayout(this);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  name_ = label({}, "answer", this);
  box->addWidget(name_);
  verdict_ = label({}, "plain", this);
  box->addWidget(verdict_);
  box->addWidget(build_sides());
  rules_ = label({}, "soft", this);
  box->addWidget(rules_);
  box->addWidget(build_state());
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  seized_ = label({}, "plain", this);
  box->addWidget(seized_);
  buy_ = new QPushButton(tr("Into the parts list"), this);
  buy_->setObjectName(QStringLiteral("small"));
  box->addWidget(buy_);
  connect(buy_, &QPushButton::clicked, this, &JointBox::add_to_parts);
  box->addStretch(1);
  show_joint({});
}

/// `thread`: of a unit's own port the choice goes to the unit's value, its thread or its seat.
template <class Choice>
QComboBox* JointBox::choices(const QString& name, QWidget* parent, Choice JointRecord::*member,
                             std::optional<bool> thread) {
  auto* list = new QComboBox(parent);
  list->setAccessibleName(name);
  list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  list->setMinimumContentsLength(7);
  for (const Choice c : all_values<Choice>()) list->addItem(words_of(words_of_value(c)));
  connect(list, qOverload<int>(&QComboBox::activated), this, [this, member, thread](int at) {
    const auto port = port_params(key_);
    if (!port || !thread) {
      edit(tr("joint"), [&](JointRecord& r) { r.*member = static_cast<Choice>(at); });
      return;
    }
    const Param p = *thread ? port->thread : port->seat;
    const int options = static_cast<int>(info(p).options.size());
    if (at > 0 && at <= options)
      session_.set_value(As::plan, p, {static_cast<double>(at - 1), How::stated, 0, {}});
    else
      session_.set_value(As::plan, p, {});
  });
  return list;
}

QWidget* JointBox::build_sides() {
  auto* sides = new QWidget(this);
  auto* grid = new QGridLayout(sides);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->addWidget(label(tr("In the part"), "question", sides), 0, 1);
  grid->addWidget(label(tr("On the line"), "question", sides), 0, 2);
  grid->addWidget(label(tr("Thread"), "question", sides), 1, 0);
  grid->addWidget(label(tr("Seat"), "question", sides), 2, 0);
  port_thread_ = choices(tr("Thread of the port"), sides, &JointRecord::port_thread, true);
  line_thread_ = choices(tr("Thread of the nut"), sides, &JointRecord::line_thread, std::nullopt);
  port_seat_ = choices(tr("Seat in the port"), sides, &JointRecord::port_seat, false);
  line_seat_ = choices(tr("Seat on the line"), sides, &JointRecord::line_seat, std::nullopt);
  grid->addWidget(port_thread_, 1, 1);
  grid->addWidget(line_thread_, 1, 2);
  grid->addWidget(port_seat_, 2, 1);
  grid->addWidget(line_seat_, 2, 2);
  grid->setColumnStretch(1, 1);
  grid->setColumnStretch(2, 1);
  return sides;
}

QWidget* JointBox::build_state() {
  auto* state = new QWidget(this);
  auto* grid = new QGridLayout(state);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  const auto entry = [&](const QString& words, int row, std::optional<double> JointRecord::*member,
                         Kind kind) {
    grid->addWidget(label(words, "question", state), row, 0);
    auto* e = new QLineEdit(state);
    e->setAccessibleName(words);
    grid->addWidget(e, row, 1);
    connect(e, &QLineEdit::editingFinished, this,
            [this, e, member, kind] { typed(e, member, kind); });
    return e;
  };
  bore_ = entry(tr("Smallest hole"), 0, &JointRecord::bore_m, Kind::length);
  torque_ = entry(tr("Maker's torque"), 1, &JointRecord::torque_nm, Kind::torque);
  grid->addWidget(label(tr("Old nut"), "question", state), 2, 0);
  grip_ = choices(tr("How the old nut sits"), state, &JointRecord::grip, std::nullopt);
  grid->addWidget(grip_, 2, 1);
  soak_ = new QPushButton(tr("Soaked now"), state);
  soak_->setObjectName(QStringLiteral("small"));
  grid->addWidget(soak_, 2, 2);
  connect(soak_, &QPushButton::clicked, this, [this] {
    const std::string moment = now().toStdString();
    edit(tr("soaked"), [&](JointRecord& r) { r.soaked = moment; });
  });
  grid->addWidget(label(tr("Wrench, crowfoot"), "question", state), 3, 0);
  const auto tool = [&](const QString& words, int column, const char* key) {
    auto* e = new QLineEdit(state);
    e->setToolTip(words);
    e->setAccessibleName(words);
    e->setProperty("scratch", true);  // of the builder's tools, nothing of the job
    e->setProperty("kept_as", QLatin1String(key));
    grid->addWidget(e, 3, column);
    connect(e, &QLineEdit::editingFinished, this, [this, e] { tool_typed(e); });
    return e;
  };
  wrench_ = tool(tr("Torque wrench, drive to grip"), 1, "tool_wrench");
  crowfoot_ = tool(tr("Crowfoot, drive to nut"), 2, "tool_crowfoot");
  proved_ = new QCheckBox(tr("Screwed together by hand, on the very parts"), state);
  grid->addWidget(proved_, 4, 0, 1, 3);
  connect(proved_, &QCheckBox::clicked, this, [this](bool on) {
    if (key_.empty()) return;
    session_.edit(tr("joint proved"), [&](Job& j) { prove_joint(j, key_, on); });
  });
  grid->setColumnStretch(1, 1);
  return state;
}

/// Tools are the builder's: what was typed is kept for every job.
void JointBox::tool_typed(QLineEdit* entry) {
  const QString key = entry->property("kept_as").toString();
  const QString typed_now = entry->text().trimmed();
  if (typed_now.isEmpty()) {
    QSettings().remove(key);
  } else {
    const auto v = parse_quantity(typed_now.toStdString(), Kind::length, session_.style().units);
    if (!v || *v <= 0 || *v > 2) {
      refusal_->setText(v ? tr("A tool is more than 0 and 2 m at most long.")
                          : error_text(v.error(), session_.style()));
      refusal_->show();
      return;
    }
    QSettings().setValue(key, *v);
  }
  refusal_->hide();
  refresh();
}

void JointBox::edit(const QString& what, const std::function<void(JointRecord&)>& fn) {
  if (key_.empty()) return;
  session_.edit(what, [&](Job& j) {
    JointRecord r = j.joints.count(key_) ? j.joints.at(key_) : JointRecord{};
    fn(r);
    // What says nothing is no record.
    if (r == JointRecord{})
      j.joints.erase(key_);
    else
      j.joints[key_] = r;
  });
}

void JointBox::typed(QLineEdit* entry, std::optional<double> JointRecord::*member, Kind kind) {
  if (!entry->isModified()) return;
  entry->setModified(false);
  std::optional<double> value;
  if (!entry->text().trimmed().isEmpty()) {
    const Message words = kind == Kind::torque ? "Maker's torque" : "Smallest hole";
    const auto v =
        typed_quantity(entry->text().toStdString(), words, kind,
                       kind == Kind::torque ? kJointTorque : kJointBore, session_.style());
    refusal_->setVisible(!v);
    if (!v) return refusal_->setText(error_text(v.error(), session_.style()));
    value = *v;
  }
  refusal_->hide();
  edit(entry->accessibleName(), [&](JointRecord& r) { r.*member = value; });
}

void JointBox::show_joint(const std::string& key) {
  key_ = key;
  refusal_->hide();
  refresh();
}

void JointBox::refresh() {
  const auto joints = judged_joints(session_.job(), As::plan);
  const JudgedJoint* j = nullptr;
  for (const JudgedJoint& one : joints)
    if (one.joint.key == key_) j = &one;
  for (QWidget* w :
       {static_cast<QWidget*>(port_thread_), static_cast<QWidget*>(port_seat_),
        static_cast<QWidget*>(line_thread_), static_cast<QWidget*>(line_seat_),
        static_cast<QWidget*>(grip_), static_cast<QWidget*>(bore_), static_cast<QWidget*>(torque_),
        static_cast<QWidget*>(proved_), static_cast<QWidget*>(soak_)})
    w->setEnabled(j != nullptr);
  // A reservoir's grommet or hose has no thread to say, and nothing is torqued there.
  if (j && j->joint.node == "reservoir")
    for (QWidget* w : {static_cast<QWidget*>(port_thread_), static_cast<QWidget*>(line_thread_),
                       static_cast<QWidget*>(torque_)})
      w->setEnabled(false);
  if (j) return fill(*j);
  key_.clear();
  std::size_t fresh = 0, good = 0;
  for (const JudgedJoint& one : joints) {
    fresh += one.joint.fresh ? 1 : 0;
    good += one.joint.fresh && one.good() ? 1 : 0;
  }
  name_->setText(tr("Touch a joint"));
  verdict_->setText(tr("%1 joints; %2 of them belong to new parts, %3 of these are proved.")
                        .arg(joints.size())
                        .arg(fresh)
                        .arg(good));
  buy_->hide();
  rules_->setText(
      tr("A joint is four things, and each can be wrong alone: thread, seat, bore, "
         "circuit. A nut that screws in proves the first only."));
  seized_->clear();
}

void JointBox::fill(const JudgedJoint& j) {
  const Style style = session_.style();
  const auto words = [&](const Message& m) { return text_of(m, style); };
  name_->setText(words(j.joint.name));
  QString verdict = words_of(verdict_words(j.verdict)) + QStringLiteral(". ") + words(j.words);
  if (!j.mends.empty()) verdict += QStringLiteral(" ") + words(j.mends) + QLatin1Char('.');
  verdict_->setText(verdict);
  port_thread_->setCurrentIndex(static_cast<int>(j.seen.port_thread));
  port_seat_->setCurrentIndex(static_cast<int>(j.seen.port_seat));
  line_thread_->setCurrentIndex(static_cast<int>(j.seen.line_thread));
  line_seat_->setCurrentIndex(static_cast<int>(j.seen.line_seat));
  grip_->setCurrentIndex(static_cast<int>(j.seen.grip));
  const auto show = [&](QLineEdit* e, const std::optional<double>& v, Kind kind, int digits) {
    if (!e->isModified())
      e->setText(v ? QString::fromStdString(format_quantity(*v, kind, digits, style)) : QString());
  };
  show(bore_, j.seen.bore_m, Kind::length, 2);
  show(torque_, j.seen.torque_nm, Kind::torque, 0);
  proved_->setChecked(j.proved);
  QStringList rules;
  for (const Message& m : {j.spanner, j.put, j.tighten})
    if (!m.empty()) rules << words(m) + QLatin1Char('.');
  const double wrench = QSettings().value(QStringLiteral("tool_wrench")).toDouble();
  const double crowfoot = QSettings().value(QStringLiteral("tool_crowfoot")).toDouble();
  if (wrench > 0 && crowfoot > 0)
    if (const auto dial = dial_words(j.seen, wrench, crowfoot); dial && !dial->empty())
      rules << words(*dial) + QLatin1Char('.');
  const auto tool = [&](QLineEdit* e, double si) {
    if (!e->isModified() || !e->hasFocus())
      e->setText(si > 0 ? quantity_text(si, Kind::length, 0, style) : QString());
  };
  tool(wrench_, wrench);
  tool(crowfoot_, crowfoot);
  rules << path_words(j);
  rules_->setText(rules.join(QLatin1Char('\n')));
  soak_->setEnabled(j.seen.grip == JointGrip::rusted || j.seen.grip == JointGrip::rounded);
  seized_->setText(seized_words(j));
  buy_->setVisible(soak_->isEnabled());
}

/// Of the first brake behind this joint.
QString JointBox::path_words(const JudgedJoint& j) const {
  if (!j.seen.bore_m)
    return tr("Smallest hole not measured: the line is counted as if it were none.");
  for (const LinePath& p : line_paths(session_.job())) {
    if (std::find(p.joints.begin(), p.joints.end(), j.joint.key) == p.joints.end()) continue;
    QString words = tr("On the way to %1 a quick press takes %2 ms, in deep frost %3 ms; without "
                       "narrow joints %4 ms. A held pedal loses nothing.")
                        .arg(text_of(p.name, session_.style()))
                        .arg(p.mild_s * 1e3, 0, 'f', 1)
                        .arg(p.cold_s * 1e3, 0, 'f', 0)
                        .arg(p.without_s * 1e3, 0, 'f', 1);
    if (!p.typical.empty())
      words += tr(" Rests on what nobody measured: %1.")
                   .arg(text_of(param_list(p.typical), session_.style()));
    return words;
  }
  return {};
}

SeizedPlan JointBox::seized(const JudgedJoint& j) const {
  std::optional<double> soaked;
  if (const auto s = seconds_between(j.seen.soaked, now().toStdString()))
    soaked = static_cast<double>(*s);
  return seized_plan(j.seen.grip, soaked, line_length(session_.job(), j.joint));
}

/// What must be at hand before the first turn, under the joint's name; what is listed stays.
void JointBox::add_to_parts() {
  for (const JudgedJoint& j : judged_joints(session_.job(), As::plan)) {
    if (j.joint.key != key_) continue;
    const Style style = session_.style();
    session_.edit(tr("parts for %1").arg(text_of(j.joint.name, style)), [&](Job& job) {
      for (const Message& b : seized(j).buy) {
        PartInHand part;
        part.name =
            (text_of(j.joint.name, style) + QStringLiteral(": ") + text_of(b, style)).toStdString();
        const bool listed = std::any_of(job.parts.begin(), job.parts.end(),
                                        [&](const PartInHand& o) { return o.name == part.name; });
        if (!listed && job.parts.size() < kMostParts) job.parts.push_back(part);
      }
    });
    return;
  }
}

QString JointBox::seized_words(const JudgedJoint& j) const {
  if (j.seen.grip != JointGrip::rusted && j.seen.grip != JointGrip::rounded) return {};
  const Style style = session_.style();
  std::optional<double> soaked;
  if (const auto s = seconds_between(j.seen.soaked, now().toStdString()))
    soaked = static_cast<double>(*s);
  const SeizedPlan p = seized(j);
  QStringList lines{text_of(p.decision, style)};
  if (soaked && *soaked < kSoak_s)
    lines << tr("Soaked %1 min ago; leave it %2 min more.")
                 .arg(qRound(*soaked / 60))
                 .arg(qRound((kSoak_s - *soaked) / 60));
  for (const Message& step : p.steps) lines << text_of(step, style) + QLatin1Char('.');
  QStringList buy;
  for (const Message& b : p.buy) buy << text_of(b, style);
  lines << tr("Have ready: %1.").arg(buy.join(QStringLiteral("; ")));
  return lines.join(QLatin1Char('\n'));
}

}  // namespace yoke
