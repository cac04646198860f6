#pragma once

#include <QKeyEvent>

#include <optional>

namespace vl::app {

/// An arrow key by the way it points on the drawing.
struct ArrowKey {
    int right = 0, up = 0;  ///< −1, 0 or 1
    /// Forwards through things in a row: right or up.
    int onward() const { return right + up; }
};

/// Nothing where another key was pressed.
inline std::optional<ArrowKey> arrowOf(const QKeyEvent& event)
{
    switch (event.key()) {
    case Qt::Key_Left:
        return ArrowKey{-1, 0};
    case Qt::Key_Right:
        return ArrowKey{1, 0};
    case Qt::Key_Up:
        return ArrowKey{0, 1};
    case Qt::Key_Down:
        return ArrowKey{0, -1};
    default:
        return std::nullopt;
    }
}

/// Whether a drag or a key is set free of the step that lengths keep to.
inline bool setFree(Qt::KeyboardModifiers modifiers) { return modifiers.testFlag(Qt::AltModifier); }

}  // namespace vl::app
