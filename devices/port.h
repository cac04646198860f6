#pragma once

#include "devices/line.h"

#include <QObject>
#include <QSerialPort>

namespace vl {

/// A device on a serial line: says every reading, and every line that is none, with the reason. What is said never
/// changes anything by itself.
class DevicePort : public QObject {
    Q_OBJECT
public:
    explicit DevicePort(QObject* parent = nullptr);

    /// Opens a port by its path; false where it cannot be, and trouble() says why.
    bool open(const QString& path);
    void close();
    bool isOpen() const { return port_.isOpen(); }
    QString path() const { return port_.portName(); }

signals:
    void reading(const vl::DeviceReading& reading);
    void trouble(const QString& why);

private:
    void take();

    QSerialPort port_;
    DeviceLines lines_;
};

}  // namespace vl
