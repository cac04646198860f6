// A stand-in for the devices at the machine: a pseudo-terminal that says what its small window is set to. Without a
// window it hands on the lines that come on standard input.
#include "devices/line.h"
#include "devices/sim/face.h"

#include <QApplication>
#include <QCheckBox>
#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFormLayout>
#include <QLabel>
#include <QPushButton>

#include <array>
#include <cstdio>
#include <cstdlib>
#include <fcntl.h>
#include <iostream>
#include <termios.h>
#include <unistd.h>

namespace {

/// A pseudo-terminal that stays open on both ends; −1 where none can be had. Its name is printed.
int openTerminal(std::string& name)
{
    const int own = posix_openpt(O_RDWR | O_NOCTTY);
    if (own < 0 || grantpt(own) != 0 || unlockpt(own) != 0) return -1;
    const char* other = ptsname(own);
    if (!other) return -1;
    name = other;
    // Lines go through as they are.
    termios how{};
    if (const int held = open(other, O_RDWR | O_NOCTTY); held >= 0 && tcgetattr(held, &how) == 0) {
        cfmakeraw(&how);
        tcsetattr(held, TCSANOW, &how);
    }
    return own;
}

bool send(int terminal, const std::string& line)
{
    return write(terminal, line.data(), line.size()) == static_cast<ssize_t>(line.size());
}

int withoutWindow(int terminal)
{
    for (std::string line; std::getline(std::cin, line);)
        if (!send(terminal, line + "\n")) return 1;
    return 0;
}

}  // namespace

int main(int argc, char** argv)
{
    std::string name;
    const int terminal = openTerminal(name);
    if (terminal < 0) {
        std::fputs("no pseudo-terminal can be had here\n", stderr);
        return 1;
    }
    std::printf("%s\n", name.c_str());
    std::fflush(stdout);
    if (argc > 1 && std::string_view(argv[1]) == "--headless") return withoutWindow(terminal);
    QApplication app(argc, argv);
    QWidget window;
    window.setWindowTitle(QStringLiteral("Simulated device"));
    auto* form = new QFormLayout(&window);
    auto* kind = new QComboBox;
    kind->addItems({QStringLiteral("caliper, mm"), QStringLiteral("moisture meter, %"),
                    QStringLiteral("spindle's angle, degrees"), QStringLiteral("tachometer, rpm"),
                    QStringLiteral("kiln's thermometer, °C"), QStringLiteral("foot pedal")});
    auto* face = new vl::DeviceFace;
    auto* value = new QDoubleSpinBox;
    value->setDecimals(2);
    auto* say = new QPushButton(QStringLiteral("Say it"));
    auto* always = new QCheckBox(QStringLiteral("as it moves"));
    form->addRow(new QLabel(QStringLiteral("On ") + QString::fromStdString(name)));
    form->addRow(QStringLiteral("Device"), kind);
    form->addRow(face);
    form->addRow(QStringLiteral("Reads"), value);
    form->addRow(always, say);
    const auto what = [=] { return static_cast<vl::DeviceReading::What>(kind->currentIndex()); };
    const auto tell = [=] { send(terminal, vl::writeDeviceLine({what(), value->value()})); };
    const auto changed = [=] {
        const auto [low, high] = vl::DeviceFace::range(what());
        value->setRange(low, high);
        face->set(what(), value->value());
    };
    QObject::connect(kind, &QComboBox::currentIndexChanged, changed);
    QObject::connect(value, &QDoubleSpinBox::valueChanged, [=] {
        changed();
        if (always->isChecked()) tell();
    });
    QObject::connect(face, &vl::DeviceFace::dragged, [=](double v) {
        value->setValue(v);
        // A pedal is trodden each time, also when it is the same one.
        if (what() == vl::DeviceReading::Pedal && !always->isChecked()) tell();
    });
    QObject::connect(say, &QPushButton::clicked, tell);
    changed();
    value->setValue(18.4);
    window.show();
    return QApplication::exec();
}
