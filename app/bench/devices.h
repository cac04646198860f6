#pragma once

#include "devices/port.h"

#include <QDialog>

#include <memory>
#include <vector>

class QComboBox;
class QLabel;
class QListWidget;

namespace vl::app {

/// The devices that are connected. What a caliper says goes into the field that has the keyboard, as if it were typed;
/// a pedal drives the bench's window; what cannot be is said and goes nowhere.
class Devices : public QObject {
    Q_OBJECT
public:
    explicit Devices(QObject* parent = nullptr) : QObject(parent) {}

    /// Listens to a port by its path; false where it cannot be opened, and trouble() says why.
    bool listen(const QString& path);
    void leave(const QString& path);
    QStringList paths() const;

    /// Hands a reading on to whoever it is for.
    void hand(const DeviceReading& reading);

signals:
    void said(const QString& words);
    void trouble(const QString& why);

private:
    std::vector<std::unique_ptr<DevicePort>> ports_;
};

/// Which ports are listened to, and what was said last.
class DevicesDialog : public QDialog {
    Q_OBJECT
public:
    DevicesDialog(Devices& devices, QWidget* parent = nullptr);

private:
    void refresh();

    Devices& devices_;
    QComboBox* path_;
    QListWidget* list_;
    QLabel* said_;
};

}  // namespace vl::app
