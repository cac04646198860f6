#include "app/bench/devices.h"

#include "app/bench/bench_window.h"
#include "app/fields/length_field.h"

#include <QApplication>
#include <QComboBox>
#include <QDialogButtonBox>
#include <QDoubleSpinBox>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QSerialPortInfo>
#include <QVBoxLayout>

#include <algorithm>

namespace vl::app {

bool Devices::listen(const QString& path)
{
    leave(path);
    auto port = std::make_unique<DevicePort>();
    connect(port.get(), &DevicePort::reading, this, &Devices::hand);
    connect(port.get(), &DevicePort::trouble, this, &Devices::trouble);
    port->setObjectName(path);  // as it was asked for: the port itself knows only its name
    if (!port->open(path)) return false;
    ports_.push_back(std::move(port));
    return true;
}

void Devices::leave(const QString& path)
{
    std::erase_if(ports_, [&](const auto& p) { return p->objectName() == path; });
}

QStringList Devices::paths() const
{
    QStringList all;
    for (const auto& p : ports_) all << p->objectName();
    return all;
}

void Devices::hand(const DeviceReading& r)
{
    static const QStringList units{tr("mm"), tr("%"), tr("°"), tr("rpm"), tr("°C"), tr("pedal")};
    emit said(tr("%1 %2").arg(r.value, 0, 'g', 6).arg(units[r.what]));
    for (QWidget* top : QApplication::topLevelWidgets())
        if (auto* bench = qobject_cast<BenchWindow*>(top)) return bench->heard(r);
    // A percentage or degrees go where such are asked for, a length into any field that reads lengths.
    static constexpr const char* asked[] = {"", " %", "°", " rpm", " °C", ""};
    if (auto* number = qobject_cast<QDoubleSpinBox*>(QApplication::focusWidget())) {
        if (*asked[r.what] && number->suffix() == QString::fromUtf8(asked[r.what])) number->setValue(r.value);
        return;
    }
    if (r.what != DeviceReading::Length) return;
    auto* field = qobject_cast<LengthField*>(QApplication::focusWidget());
    if (!field || field->isReadOnly()) return;
    // As a hand types it: a text that is only set counts as read, not as wished.
    field->selectAll();
    field->insert(QStringLiteral("%1mm").arg(r.value, 0, 'f', 3));
    QKeyEvent press(QEvent::KeyPress, Qt::Key_Return, Qt::NoModifier);
    QApplication::sendEvent(field, &press);
}

DevicesDialog::DevicesDialog(Devices& devices, QWidget* parent)
    : QDialog(parent), devices_(devices), path_(new QComboBox), list_(new QListWidget), said_(new QLabel)
{
    setWindowTitle(tr("Devices at the machine"));
    setObjectName("devices");
    auto* column = new QVBoxLayout(this);
    auto* words = new QLabel(tr(
        "A caliper types into the field that has the keyboard, a moisture meter and a thermometer into a "
        "field of their unit; a caliper that is a keyboard itself (a wedge) needs no port. A foot pedal "
        "drives the bench's cards; an encoder and a tachometer stand on the card. vivid-lathe-sim is a stand-in that "
        "prints the port it speaks on."));
    words->setWordWrap(true);
    column->addWidget(words);
    path_->setEditable(true);
    path_->setAccessibleName(tr("Port"));
    for (const QSerialPortInfo& port : QSerialPortInfo::availablePorts()) path_->addItem(port.systemLocation());
    column->addWidget(path_);
    auto* listen = new QPushButton(tr("Listen to it"));
    listen->setObjectName("listen");
    column->addWidget(listen);
    list_->setAccessibleName(tr("Ports listened to"));
    column->addWidget(list_);
    auto* leave = new QPushButton(tr("Leave it"));
    column->addWidget(leave);
    said_->setWordWrap(true);
    said_->setObjectName("device-said");
    column->addWidget(said_);
    auto* close = new QDialogButtonBox(QDialogButtonBox::Close);
    column->addWidget(close);
    connect(close, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(listen, &QPushButton::clicked, this, [this] {
        if (const QString path = path_->currentText().trimmed(); !path.isEmpty() && devices_.listen(path))
            said_->setText(tr("Listening."));
        refresh();
    });
    connect(leave, &QPushButton::clicked, this, [this] {
        if (const QListWidgetItem* item = list_->currentItem()) devices_.leave(item->text());
        refresh();
    });
    connect(&devices_, &Devices::said, said_, &QLabel::setText);
    connect(&devices_, &Devices::trouble, this,
            [this](const QString& why) { said_->setText(tr("Not understood: %1").arg(why)); });
    refresh();
}

void DevicesDialog::refresh()
{
    list_->clear();
    list_->addItems(devices_.paths());
}

}  // namespace vl::app
