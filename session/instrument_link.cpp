#include "session/instrument_link.hpp"

#include <QFileInfo>
#include <QProcess>
#include <QSerialPort>
#include <QSerialPortInfo>

#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr double kLately_s = 60;
constexpr double kSilent_s = 1.5;
constexpr int kAgain_ms = 700;
constexpr int kWatch_ms = 500;

tl::unexpected<Error> wrong(const QString& what, const Message& reason, const Message& remedy) {
  return fail({"instrument", what.toStdString(), "", reason, remedy});
}

}  // namespace

std::vector<InstrumentPort> instrument_ports() {
  std::vector<InstrumentPort> list;
  for (const QSerialPortInfo& p : QSerialPortInfo::availablePorts()) {
    QString words = p.portName();
    if (!p.description().isEmpty()) words += QStringLiteral(", ") + p.description();
    list.push_back({p.systemLocation(), words});
  }
  return list;
}

InstrumentLink::InstrumentLink(QObject* parent) : QObject(parent) {
  clock_.start();
  again_.setSingleShot(true);
  again_.setInterval(kAgain_ms);
  watch_.setInterval(kWatch_ms);
  connect(&again_, &QTimer::timeout, this, &InstrumentLink::reopen);
  connect(&watch_, &QTimer::timeout, this, &InstrumentLink::look);
}

InstrumentLink::~InstrumentLink() {
  blockSignals(true);
  shut();
}

Expected<bool> InstrumentLink::open(const QString& path, int baud) {
  shut();
  if (path.isEmpty()) return wrong(path, "No line is chosen", "Choose one, or type where it is");
  path_ = path;
  baud_ = baud;
  reader_ = {};
  lately_.clear();
  reopen();
  if (port_ && port_->isOpen()) {
    watch_.start();
    return true;
  }
  const QString why = port_ ? port_->errorString() : QString();
  shut();
  return wrong(path, Message::data("The line cannot be opened: " + why.toStdString()),
               "Look at its plug; close whatever else uses it; your user may need the group that "
               "owns the port");
}

void InstrumentLink::reopen() {
  port_ = std::make_unique<QSerialPort>(path_);
  port_->setBaudRate(baud_);
  connect(port_.get(), &QSerialPort::readyRead, this, [this] { take(port_->readAll()); });
  // A plug that is pulled is told as either, again and again: the first shuts the port.
  connect(port_.get(), &QSerialPort::errorOccurred, this, [this](QSerialPort::SerialPortError e) {
    if (e == QSerialPort::ReadError || e == QSerialPort::ResourceError ||
        e == QSerialPort::PermissionError)
      went_away();
  });
  if (port_->open(QIODevice::ReadOnly)) {
    set(State::silent);
    last_s_ = 1e-3 * static_cast<double>(clock_.elapsed());
    return;
  }
  if (state_ == State::lost) again_.start();
}

void InstrumentLink::went_away() {
  if (state_ == State::off || state_ == State::lost || !port_ || !port_->isOpen()) return;
  port_->close();
  reader_.unplugged();
  set(State::lost);
  again_.start();
}

void InstrumentLink::shut() {
  again_.stop();
  watch_.stop();
  if (port_) {
    port_->disconnect(this);
    port_->close();
    port_.release()->deleteLater();
  }
  if (rig_) {
    rig_->disconnect(this);
    rig_->terminate();
    if (!rig_->waitForFinished(1000)) rig_->kill();
    rig_.reset();
  }
  set(State::off);
}

Expected<bool> InstrumentLink::start_rig(const QString& program, const QString& job_file,
                                         const QString& fault) {
  shut();
  if (!QFileInfo(program).isExecutable())
    return wrong(program, "The stand-in is not there",
                 "It comes with the program: install it whole");
  auto rig = std::make_unique<QProcess>();
  rig->start(program, {job_file, QStringLiteral("--fault"), fault, QStringLiteral("--child")});
  QByteArray told;
  while (!told.contains('\n') && rig->waitForReadyRead(3000)) told += rig->readAllStandardOutput();
  if (!told.contains('\n')) {
    const QString why = QString::fromUtf8(rig->readAllStandardError()).trimmed();
    rig->kill();
    rig->waitForFinished(1000);
    return wrong(program, Message::data("The stand-in did not start: " + why.toStdString()),
                 "Enter what the plan lacks, then try again");
  }
  auto ok = open(QString::fromLocal8Bit(told.left(told.indexOf('\n'))), baud_);
  rig_ = std::move(rig);
  return ok;
}

void InstrumentLink::take(const QByteArray& bytes) {
  const double now = 1e-3 * static_cast<double>(clock_.elapsed());
  reader_.take({bytes.constData(), static_cast<std::size_t>(bytes.size())}, now);
  const auto samples = reader_.drain();
  if (samples.empty()) {
    if (!reader_.head()) set(reader_.wrong_speed() ? State::wrong_speed : State::unread);
    return;
  }
  last_s_ = now;
  for (const LineSample& s : samples) {
    lately_.push_back(s);
    if (recording_ && trace_.samples.size() < kMostTrace) trace_.samples.push_back(s);
  }
  while (lately_.size() > 1 && lately_.back().t_s - lately_.front().t_s > kLately_s)
    lately_.pop_front();
  set(State::good);
  emit came();
}

void InstrumentLink::look() {
  if (state_ != State::off && state_ != State::lost && silent_s() > kSilent_s)
    set(reader_.wrong_speed()   ? State::wrong_speed
        : reader_.head()        ? State::silent
        : state_ == State::good ? State::silent
                                : state_);
}

double InstrumentLink::silent_s() const {
  return 1e-3 * static_cast<double>(clock_.elapsed()) - last_s_;
}

std::optional<LineSample> InstrumentLink::newest() const {
  return lately_.empty() ? std::nullopt : std::optional(lately_.back());
}

void InstrumentLink::record() {
  if (!reader_.head()) return;
  trace_ = {*reader_.head(), {}};
  before_ = reader_.counts();
  recording_ = true;
  emit state_changed();
}

int InstrumentLink::lost_in_recording() const {
  const LineCounts& now = reader_.counts();
  return static_cast<int>(now.lost - before_.lost);
}

Trace InstrumentLink::recorded() {
  recording_ = false;
  emit state_changed();
  Trace t = std::exchange(trace_, {});
  if (!t.samples.empty()) {
    const double from = t.samples.front().t_s;
    for (LineSample& s : t.samples) s.t_s -= from;
  }
  return t;
}

void InstrumentLink::set(State state) {
  if (state == state_) return;
  state_ = state;
  emit state_changed();
}

}  // namespace yoke
