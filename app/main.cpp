#include "app/document/beside.h"
#include "app/solid/solid_view.h"
#include "app/window/main_window.h"
#include "app/window/preferences.h"
#include "io/fresh_file.h"

#include <CLI/CLI.hpp>

#include <QApplication>
#include <QElapsedTimer>
#include <QLibrary>
#include <QStandardPaths>
#include <QTimer>

#include <iostream>

namespace {

/// Lets the window paint and the bakes beside it end.
void settle()
{
    QElapsedTimer clock;
    clock.start();
    while (clock.elapsed() < 1200 || (vl::app::besideThreads().activeThreadCount() > 0 && clock.elapsed() < 20000))
        QApplication::processEvents(QEventLoop::AllEvents, 20);
    QApplication::processEvents();
}

/// Whether a display is there that lets the program in: Qt ends the program without a word where none is. Asked by
/// libxcb itself, which Qt's own plugin loads too; where it cannot be loaded Qt is left to say so. It stays connected
/// as long as it lives: a server may start anew when its last client leaves.
class DisplayProbe {
public:
    DisplayProbe()
    {
        if (qEnvironmentVariableIsEmpty("DISPLAY") || !qEnvironmentVariableIsEmpty("WAYLAND_DISPLAY")) return;
        if (const QString platform = qEnvironmentVariable("QT_QPA_PLATFORM"); !platform.isEmpty() && platform != "xcb")
            return;
        const auto open = reinterpret_cast<void* (*)(const char*, int*)>(xcb_.resolve("xcb_connect"));
        const auto failed = reinterpret_cast<int (*)(void*)>(xcb_.resolve("xcb_connection_has_error"));
        close_ = reinterpret_cast<void (*)(void*)>(xcb_.resolve("xcb_disconnect"));
        if (!open || !failed || !close_) return;
        connection_ = open(nullptr, nullptr);
        answers_ = !failed(connection_);
    }
    ~DisplayProbe()
    {
        if (connection_) close_(connection_);
    }
    DisplayProbe(const DisplayProbe&) = delete;
    DisplayProbe& operator=(const DisplayProbe&) = delete;

    bool answers() const { return answers_; }

private:
    QLibrary xcb_{"xcb", 1};
    void (*close_)(void*) = nullptr;
    void* connection_ = nullptr;
    bool answers_ = true;
};

}  // namespace

int main(int argc, char** argv)
{
    vl::io::removeLeftoversOnSignals();
    // Without a display there is still a picture to be drawn.
    if (qEnvironmentVariableIsEmpty("DISPLAY") && qEnvironmentVariableIsEmpty("WAYLAND_DISPLAY") &&
        qEnvironmentVariableIsEmpty("QT_QPA_PLATFORM"))
        qputenv("QT_QPA_PLATFORM", "offscreen");
    const DisplayProbe display;
    if (!display.answers()) {
        std::cerr << "vivid-lathe: the display '" << qEnvironmentVariable("DISPLAY").toStdString()
                  << "' does not answer; start it on one that does, or without DISPLAY to draw pictures only\n";
        return 3;
    }
    // How large text and drawings are is asked before there is a window to ask it of.
    QCoreApplication::setOrganizationName("vivid-lathe");
    QCoreApplication::setApplicationName("vivid-lathe");
    if (const int percent = vl::app::Preferences::stored().textPercent;
        percent != 100 && !qEnvironmentVariableIsSet("QT_SCALE_FACTOR"))
        qputenv("QT_SCALE_FACTOR", QByteArray::number(percent / 100.0));
    QApplication app(argc, argv);
    QApplication::setApplicationDisplayName("Vivid Lathe");

    CLI::App cli{"Vivid Lathe: plan a built-up turning before the wood is cut", "vivid-lathe"};
    std::string piece, stage, page, measure, screenshot;
    std::vector<int> size{1280, 800};
    int layer = 0;
    std::vector<std::string> demo;
    bool dark = false;
    cli.add_option("PIECE", piece, "a .vlathe file");
    auto* demoOption = cli.add_option("--demo", demo, "open a sample piece")->expected(0, 1);
    cli.add_option("--stage", stage, "start, shape, build, cut, glue or turn");
    cli.add_option("--page", page, "of a stage: boards, strips, set-ups, shopping; timetable, recipe");
    cli.add_option("--measure", measure, "what the solid shows in place of the wood: end grain, wall, tool marks ...");
    cli.add_option("--layer", layer, "the layer that is chosen, counted from 1");
    cli.add_option("--screenshot", screenshot, "draw the view into a PNG and exit");
    cli.add_option("--size", size, "of that picture, 1280x800 where nothing is said")
        ->delimiter('x')
        ->type_name("WIDTHxHEIGHT")
        ->expected(2)
        ->check(CLI::Range(300, 8000));
    cli.add_flag("--dark", dark, "the dark bench");
    try {
        cli.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        return cli.exit(e) == 0 ? 0 : 2;
    }

    vl::app::MainWindow window(QStandardPaths::writableLocation(QStandardPaths::AppLocalDataLocation));
    if (dark) window.setDark(true);
    bool good = true;
    if (!piece.empty())
        good = window.openPath(QString::fromStdString(piece));
    else if (*demoOption || (!stage.empty() && stage != "start"))
        good = window.openDemo(QString::fromStdString(demo.empty() || demo[0].empty() ? "regatta-cup" : demo[0]));
    if (!good && !screenshot.empty()) {
        std::cerr << window.message().toStdString() << "\n";
        return 3;
    }
    if (!stage.empty() && !window.goTo(QString::fromStdString(stage))) {
        std::cerr << "vivid-lathe: there is no stage '" << stage
                  << "'; start, shape, build, cut, glue and turn are there\n";
        return 2;
    }
    window.showPage(QString::fromStdString(page));
    window.showMeasure(measure);
    if (layer > 0) window.document().selectLayer(layer - 1);
    window.show();
    if (!screenshot.empty()) {
        window.resize(size[0], size[1]);
        settle();
        if (!window.grab().save(QString::fromStdString(screenshot))) {
            std::cerr << screenshot
                      << ": cannot be written; a place with room, and a name that ends in .png, is needed\n";
            return 3;
        }
        return 0;
    }
    QTimer::singleShot(0, &window, &vl::app::MainWindow::offerRecovery);
    return QApplication::exec();
}
