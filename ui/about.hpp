// What this program is, whose it is, and what it is not.
#pragma once

class QWidget;

namespace yoke {

void about_yoke_step(QWidget* parent);

}  // namespace yoke
