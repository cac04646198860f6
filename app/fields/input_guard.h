#pragma once

#include <QObject>

namespace vl::app {

/// One guard for every field of the program. The wheel scrolls, and changes no field that has not the keyboard; a click
/// in a number selects it; Ctrl+Z undoes the piece where nothing is half typed.
class InputGuard : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    /// Sets it before the application's events, once.
    static void install();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
};

}  // namespace vl::app
