#include "devices/port.h"

namespace vl {

DevicePort::DevicePort(QObject* parent) : QObject(parent)
{
    connect(&port_, &QSerialPort::readyRead, this, &DevicePort::take);
    connect(&port_, &QSerialPort::errorOccurred, this, [this](QSerialPort::SerialPortError error) {
        if (error == QSerialPort::NoError) return;
        const QString why = port_.errorString();
        // Unplugged: nothing more comes from it.
        if (error == QSerialPort::ResourceError && port_.isOpen()) port_.close();
        emit trouble(why);
    });
}

bool DevicePort::open(const QString& path)
{
    close();
    lines_ = {};
    port_.setPortName(path);
    port_.setBaudRate(QSerialPort::Baud9600);
    return port_.open(QIODevice::ReadOnly);
}

void DevicePort::close()
{
    if (port_.isOpen()) port_.close();
}

void DevicePort::take()
{
    const QByteArray bytes = port_.readAll();
    for (const std::string& line : lines_.take({bytes.constData(), static_cast<size_t>(bytes.size())})) {
        const DeviceLine said = readDeviceLine(line);
        if (said.reading)
            emit reading(*said.reading);
        else
            emit trouble(QString::fromStdString("\"" + line.substr(0, 40) + "\": " + said.why));
    }
}

}  // namespace vl
