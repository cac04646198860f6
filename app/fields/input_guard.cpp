#include "app/fields/input_guard.h"

#include "app/fields/length_field.h"

#include <QAbstractSpinBox>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QSlider>
#include <QTimer>

namespace vl::app {
namespace {

/// The line that a widget types into, its own or a number field's.
QLineEdit* lineOf(QObject* watched)
{
    auto* line = qobject_cast<QLineEdit*>(watched);
    return !line && qobject_cast<QAbstractSpinBox*>(watched) ? watched->findChild<QLineEdit*>() : line;
}

/// The field that a widget is, or is a part of.
QWidget* fieldOf(QObject* watched)
{
    for (auto* w = qobject_cast<QWidget*>(watched); w; w = w->parentWidget()) {
        if (qobject_cast<QComboBox*>(w) || qobject_cast<QAbstractSpinBox*>(w) || qobject_cast<QSlider*>(w)) return w;
        if (w->isWindow()) break;
    }
    return nullptr;
}

}  // namespace

void InputGuard::install()
{
    static bool installed = false;
    if (!installed) qApp->installEventFilter(new InputGuard(qApp));
    installed = true;
}

bool InputGuard::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Wheel) {
        if (QWidget* field = fieldOf(watched); field && !field->hasFocus()) {
            event->ignore();
            return true;
        }
    } else if (event->type() == QEvent::FocusIn && static_cast<QFocusEvent*>(event)->reason() == Qt::MouseFocusReason) {
        // After the press that brought the keyboard has set its cursor.
        if (auto* length = qobject_cast<LengthField*>(watched))
            QTimer::singleShot(0, length, &QLineEdit::selectAll);
        else if (auto* number = qobject_cast<QAbstractSpinBox*>(watched))
            QTimer::singleShot(0, number, &QAbstractSpinBox::selectAll);
    } else if (event->type() == QEvent::KeyPress) {
        // What was typed is taken with Return: from then on it is the piece that is undone.
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (QLineEdit* line = lineOf(watched); line && (key == Qt::Key_Return || key == Qt::Key_Enter))
            QTimer::singleShot(0, line, [line] { line->setModified(false); });
    } else if (event->type() == QEvent::ShortcutOverride) {
        auto* key = static_cast<QKeyEvent*>(event);
        const QLineEdit* line = lineOf(watched);
        const bool halfTyped = line && line->isModified() && line->isUndoAvailable();
        if (line && !halfTyped && (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo))) {
            event->ignore();
            return true;
        }
    }
    return QObject::eventFilter(watched, event);
}

}  // namespace vl::app
