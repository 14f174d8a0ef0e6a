#include "ui/fields.hpp"

#include <QGridLayout>
#include <QKeyEvent>
#include <QStyle>
#include <QWheelEvent>

#include "document/ahead.hpp"
#include "document/param/lines.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr int kLabelWidth = 130;

QString origin_hint(const Job& job, As which, Param param, const Style& style) {
  const Value v = value_of(job, which, param);
  if (!v.known()) return words_of("unknown");
  if (v.said_unknown) return QObject::tr("? (counted as %1)").arg(shown_value(param, v.si, style));
  if (v.origin == Origin::typical || v.inherited) return shown_value(param, v.si, style);
  return {};
}

/// What stands where "how measured" would, when the value is not this system's own.
QString origin_word(const Job& job, As which, Param param) {
  const Value v = value_of(job, which, param);
  if (v.said_unknown) return words_of(words_of_value(How::unknown));
  if (v.origin == Origin::typical) return QObject::tr("typical");
  if (v.follows) return QObject::tr("worked out");
  if (v.other_unit) return QObject::tr("old unit's");
  if (v.inherited) return QObject::tr("as found");
  return words_of(words_of_value(How::unknown));
}

/// What this system's own sheet says, where it says anything; else what stands in for it.
Value shown_of(const Job& job, As which, Param param) {
  const Value own = stated_value(job, which, param);
  return own.origin == Origin::measured && !own.inherited ? own : value_of(job, which, param);
}

void mark_refused(QWidget* w, bool refused) {
  // Painted anew only when something changes.
  if (w->property("refused").toBool() == refused) return;
  w->setProperty("refused", refused);
  w->update();
}

}  // namespace

void Combo::wheelEvent(QWheelEvent* e) {
  e->ignore();
}

ParamField::ParamField(Session& session, As which, Param param, QWidget* parent)
    : QWidget(parent), session_(session), which_(which), param_(param) {
  QString words = words_of(info(param).words);
  if (info(param).group == Group::unit && parent && parent->property("both").toBool())
    words = (which == As::found ? tr("Old: ") : tr("New: ")) + words;
  if (info(param).group == Group::kit)
    words = (which == As::found ? tr("In it: ") : tr("Kit: ")) + words;
  label_ = label(words, "entry", this);
  label_->setFixedWidth(kLabelWidth);
  label_->setToolTip(plain_tip(words_of(info(param).help)));
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  setObjectName(QStringLiteral("field:%1:%2")
                    .arg(which == As::found ? "found" : "plan", text_of(info(param).id)));
  // A field of a page that is not looked at waits until it is.
  const auto again = [this] {
    if (isVisible()) refresh();
  };
  connect(&session_, &Session::changed, this, again);
  connect(&session_, &Session::style_changed, this, again);
}

void ParamField::showEvent(QShowEvent* e) {
  QWidget::showEvent(e);
  refresh();
}

void ParamField::set_compact(bool says_whose) {
  constexpr int kCompactLabel = 146;
  label_->setFixedWidth(kCompactLabel);
  const QString words = words_of(info(param_).words);
  label_->setText(
      says_whose ? (which_ == As::found ? tr("Found: ") : tr("Plan: ")) + words.toLower() : words);
}

void ParamField::refuse(const QString& why) {
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
}

QuantityField::QuantityField(Session& session, As which, Param param, QWidget* parent)
    : ParamField(session, which, param, parent) {
  entry_ = new QLineEdit(this);
  entry_->setObjectName(QStringLiteral("figure"));
  entry_->setMinimumWidth(96);
  entry_->setMaxLength(64);
  entry_->setAccessibleName(words_of(info(param).words));
  entry_->setAccessibleDescription(words_of(info(param).help));
  entry_->installEventFilter(this);
  label_->setBuddy(entry_);
  other_ = plain_label({}, "soft", this);
  other_->setFixedWidth(60);
  how_ = new Combo(this);
  how_->setFixedWidth(106);
  how_->setAccessibleName(tr("How %1 was measured").arg(words_of(info(param).words)));
  for (const How h : all_values<How>()) how_->addItem(words_of(words_of_value(h)));
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(1);
  grid->addWidget(label_, 0, 0);
  grid->addWidget(entry_, 0, 1);
  grid->addWidget(other_, 0, 2);
  grid->addWidget(how_, 0, 3);
  grid->addWidget(refusal_, 1, 1, 1, 3);
  grid->setColumnStretch(1, 1);
  connect(entry_, &QLineEdit::editingFinished, this, &QuantityField::commit);
  connect(how_, &QComboBox::activated, this, &QuantityField::commit_how);
  refresh();
}

void QuantityField::set_compact(bool says_whose) {
  ParamField::set_compact(says_whose);
  how_->hide();
}

void QuantityField::focus_entry() {
  entry_->setFocus(Qt::OtherFocusReason);
  entry_->selectAll();
}

void QuantityField::refresh() {
  if (entry_->hasFocus() && entry_->isModified()) return;
  restore();
}

void QuantityField::restore() {
  writing_ = true;
  const Job& job = session_.job();
  const Style& style = session_.style();
  const Value v = shown_of(job, which_, param_);
  const ParamInfo& p = info(param_);
  const bool own = v.origin == Origin::measured && !v.inherited;
  entry_->setText(own ? shown_value(param_, v.si, style) : QString());
  entry_->setPlaceholderText(origin_hint(job, which_, param_, style));
  entry_->setModified(false);
  other_->setText(v.known() ? QString::fromStdString(format_other(v.si, p.kind, p.digits, style))
                            : QString());
  how_->setItemText(
      0, own ? words_of(words_of_value(How::unknown)) : origin_word(job, which_, param_));
  how_->setCurrentIndex(own ? static_cast<int>(v.how) : 0);
  how_->setEnabled(own);
  refuse({});
  mark_refused(entry_, false);
  writing_ = false;
}

void QuantityField::commit() {
  if (writing_ || !entry_->isModified()) return;
  entry_->setModified(false);  // an edit refreshes: what was typed must not stand in its way
  const QString typed = entry_->text();
  if (const auto ok = type_value(session_, which_, param_, typed); !ok) {
    entry_->setModified(true);
    refuse(error_text(ok.error(), session_.style()) + tr("  Escape gives the old value back."));
    mark_refused(entry_, true);
    return;
  }
  restore();
}

void QuantityField::commit_how(int index) {
  if (writing_) return;
  const Value v = shown_of(session_.job(), which_, param_);
  const auto how = static_cast<How>(index);
  if (how == How::unknown)
    session_.set_value(which_, param_, Measured{});
  else if (v.known()) {
    session_.set_value(which_, param_, measured(param_, v.si, how));
    session_.remember_tool(param_, how);
  }
  restore();
}

bool QuantityField::eventFilter(QObject* watched, QEvent* e) {
  if (e->type() == QEvent::FocusIn) emit entered(param_);
  if (e->type() == QEvent::KeyPress && static_cast<QKeyEvent*>(e)->key() == Qt::Key_Escape) {
    restore();
    entry_->selectAll();
    return true;
  }
  return ParamField::eventFilter(watched, e);
}

ChoiceField::ChoiceField(Session& session, As which, Param param, QWidget* parent)
    : ParamField(session, which, param, parent) {
  entry_ = new Combo(this);
  // Long words must not push the field out of its column; the list itself is as wide as they are.
  entry_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  entry_->setMinimumContentsLength(10);
  entry_->setAccessibleName(words_of(info(param).words));
  entry_->setAccessibleDescription(words_of(info(param).help));
  entry_->addItem(QString());
  for (const auto& o : info(param).options) entry_->addItem(words_of(o.words));
  entry_->installEventFilter(this);
  label_->setBuddy(entry_);
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setHorizontalSpacing(8);
  grid->setVerticalSpacing(1);
  grid->addWidget(label_, 0, 0);
  grid->addWidget(entry_, 0, 1);
  grid->addWidget(refusal_, 1, 1);
  grid->setColumnStretch(1, 1);
  connect(entry_, &QComboBox::activated, this, &ChoiceField::commit);
  // A grade can be typed: bottles say what they say, and a wrong word must be answered.
  if (param == param::fluid_grade) {
    entry_->setEditable(true);
    entry_->setInsertPolicy(QComboBox::NoInsert);
    entry_->setCompleter(nullptr);
    connect(entry_->lineEdit(), &QLineEdit::editingFinished, this, &ChoiceField::commit_text);
  }
  refresh();
}

void ChoiceField::focus_entry() {
  entry_->setFocus(Qt::OtherFocusReason);
}

void ChoiceField::refresh() {
  writing_ = true;
  const Value v = value_of(session_.job(), which_, param_);
  const bool own = v.origin == Origin::measured && !v.inherited;
  entry_->setItemText(0, v.known()
                             ? QStringLiteral("%1 (%2)").arg(
                                   origin_hint(session_.job(), which_, param_, session_.style()),
                                   origin_word(session_.job(), which_, param_))
                             : tr("unknown"));
  if (own) entry_->setItemText(0, which_ == As::plan ? tr("(as found)") : tr("(not entered)"));
  entry_->setCurrentIndex(own ? static_cast<int>(v.si) + 1 : 0);
  refuse({});
  writing_ = false;
}

void ChoiceField::commit(int index) {
  if (writing_) return;
  if (index == 0)
    session_.clear_value(which_, param_);
  else
    session_.set_value(which_, param_,
                       Measured{static_cast<double>(index - 1), How::stated, 0, {}});
  refresh();
}

void ChoiceField::commit_text() {
  if (writing_ || !entry_->lineEdit()->isModified()) return;
  entry_->lineEdit()->setModified(false);
  const auto v = parse_value(param_, entry_->currentText().toStdString(), session_.style());
  if (!v) {
    const QString why = error_text(v.error(), session_.style());
    refresh();
    refuse(why);
    return;
  }
  commit(static_cast<int>(*v) + 1);
}

bool ChoiceField::eventFilter(QObject* watched, QEvent* e) {
  if (e->type() == QEvent::FocusIn) emit entered(param_);
  return ParamField::eventFilter(watched, e);
}

ParamField* make_field(Session& session, As which, Param param, QWidget* parent) {
  if (info(param).kind == Kind::choice) return new ChoiceField(session, which, param, parent);
  return new QuantityField(session, which, param, parent);
}

}  // namespace yoke
