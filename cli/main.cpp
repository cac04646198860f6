#include "cli/commands.h"
#include "io/fresh_file.h"

#include <QGuiApplication>

#include <iostream>

int main(int argc, char** argv)
{
    vl::io::removeLeftoversOnSignals();
    // The packet's type needs Qt's fonts, not a display.
    qputenv("QT_QPA_PLATFORM", "offscreen");
    // Standard error is the contract's: one line about bad input, nothing about the desktop that is not there.
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
    QGuiApplication app(argc, argv);
    return vl::cli::run(argc, argv, std::cout, std::cerr);
}
