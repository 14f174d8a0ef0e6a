# What nearly every file includes is compiled once for each target. A file still includes what it
# uses: the sanitizer build goes without (CMAKE_DISABLE_PRECOMPILE_HEADERS) and would fail.
set(pch_std <algorithm> <array> <cmath> <functional> <map> <optional> <span> <string> <string_view> <vector>)
set(pch_core ${pch_std} <fmt/format.h> <tl/expected.hpp> "${PROJECT_SOURCE_DIR}/core/quantity/units.hpp")
set(pch_files ${pch_core} <filesystem> <nlohmann/json.hpp>)
set(pch_gui ${pch_core} <QPainter> <QPainterPath> <QFontMetricsF> <QString> <QVariant>)
set(pch_ui ${pch_gui} <QApplication> <QBoxLayout> <QCheckBox> <QComboBox> <QGridLayout> <QHeaderView> <QKeyEvent>
    <QLabel> <QLineEdit> <QListWidget> <QMainWindow> <QPushButton> <QScrollArea> <QTableWidget> <QTimer> <QWidget>)
