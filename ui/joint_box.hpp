// One joint of the plumbing: what is on each side of it, and what that comes to. Beside the drawing
// in which it was touched.
#pragma once

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <functional>

#include "plumbing/joints.hpp"
#include "session/session.hpp"

namespace yoke {

class JointBox : public QWidget {
  Q_OBJECT
 public:
  JointBox(Session& session, QWidget* parent);
  /// The joint with that key of the planned net; an empty key, or none of the net's: nothing.
  void show_joint(const std::string& key);
  void refresh();
  [[nodiscard]] const std::string& key() const { return key_; }
  [[nodiscard]] QString said() const { return verdict_->text(); }

 private:
  QWidget* build_sides();
  QWidget* build_state();
  template <class Choice>
  QComboBox* choices(const QString& name, QWidget* parent, Choice JointRecord::*member,
                     std::optional<bool> thread);
  void typed(QLineEdit* entry, std::optional<double> JointRecord::*member, Kind kind);
  void edit(const QString& what, const std::function<void(JointRecord&)>& fn);
  void fill(const JudgedJoint& j);
  void tool_typed(QLineEdit* entry);
  [[nodiscard]] QString path_words(const JudgedJoint& j) const;
  [[nodiscard]] SeizedPlan seized(const JudgedJoint& j) const;
  void add_to_parts();
  [[nodiscard]] QString seized_words(const JudgedJoint& j) const;
  Session& session_;
  std::string key_;
  QLabel* name_;
  QLabel* verdict_;
  QLabel* rules_;
  QLabel* seized_;
  QLabel* refusal_;
  QComboBox* port_thread_;
  QComboBox* port_seat_;
  QComboBox* line_thread_;
  QComboBox* line_seat_;
  QComboBox* grip_;
  QLineEdit* bore_;
  QLineEdit* torque_;
  QLineEdit* wrench_;
  QLineEdit* crowfoot_;
  QCheckBox* proved_;
  QPushButton* soak_;
  QPushButton* buy_;
};

}  // namespace yoke
