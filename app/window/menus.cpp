// The menu bar: every action of the program stands in it, with its key.
#include "app/bench/bench_window.h"
#include "app/bench/devices.h"
#include "app/lanes/layer_edits.h"
#include "app/solid/solid_view.h"
#include "app/stages/build/as_built_dialog.h"
#include "app/stages/glue/glue_book_dialog.h"
#include "app/stages/stage.h"
#include "app/theme/theme.h"
#include "app/window/error_dialog.h"
#include "app/window/help.h"
#include "app/window/lessons_dialog.h"
#include "app/window/main_window.h"
#include "app/window/mishap_dialog.h"
#include "app/window/preferences.h"
#include "app/window/start_page.h"

#include <QFileInfo>
#include <QMenu>
#include <QMenuBar>
#include <QStackedWidget>
#include <QToolButton>

namespace vl::app {

QMenuBar* MainWindow::makeMenus()
{
    auto* bar = new QMenuBar;
    bar->setNativeMenuBar(false);
    makePieceMenu(bar->addMenu(tr("&Piece")));
    makeEditMenu(bar->addMenu(tr("&Edit")));
    makeViewMenu(bar->addMenu(tr("&View")));
    QMenu* shop = bar->addMenu(tr("&Shop"));
    shop->addAction(tr("The shop …"), Qt::Key_F3, this, &MainWindow::editShop);
    shop->addAction(tr("Lathes, chucks and tools …"), this, &MainWindow::editMachines);
    shop->addAction(tr("Glue book …"), this, [this] { GlueBookDialog(doc_, this).exec(); });
    shop->addAction(tr("Learned at the bench …"), this, [this] { LessonsDialog(doc_, this).exec(); });
    shop->addAction(tr("Write the whole book …"), this, &MainWindow::exportBook);
    shop->addAction(tr("Bring a whole book in …"), this, &MainWindow::importBook);
    shop->addAction(tr("Devices …"), this, &MainWindow::openDevices);
    QMenu* lent = shop->addMenu(tr("Plan in a lent workshop"));
    lent->setObjectName("lent workshops");
    connect(lent, &QMenu::aboutToShow, this, [this, lent] { fillLentShops(lent); });
    QAction* keep = shop->addAction(tr("Keep the lent workshop as mine"), this, &MainWindow::keepLentShop);
    connect(shop, &QMenu::aboutToShow, this, [this, keep] { keep->setEnabled(keeper_->isLent()); });
    shop->addSeparator();
    shop->addAction(tr("Bring a rack in from CSV …"), this, &MainWindow::importRack);
    shop->addAction(tr("Write the rack to CSV …"), this, &MainWindow::exportRack);
    QMenu* help = bar->addMenu(tr("&Help"));
    help->addAction(tr("Help"), QKeySequence::HelpContents, this,
                    [this] { openHelp(stages_[lanes_->currentIndex()]->name()); });
    help->addAction(tr("Keys"), this, [this] { openHelp(tr("Keys")); });
    help->addAction(tr("About Vivid Lathe"), this, [this] { openHelp(tr("About")); });
    return bar;
}

void MainWindow::openHelp(const QString& heading)
{
    showHelp(this, heading,
             solid_->materialMesh()
                 ? tr("The solid is painted by the processor: no OpenGL 3.3 of a graphics card is here.")
                 : tr("The solid is drawn by OpenGL on the graphics card."));
}

void MainWindow::makePieceMenu(QMenu* menu)
{
    menu->addAction(tr("New …"), QKeySequence::New, this, [this] { goTo("start"); });
    menu->addAction(tr("Open …"), QKeySequence::Open, this, [this] { emit start_->open({}); });
    QMenu* lately = menu->addMenu(tr("Lately opened"));
    connect(lately, &QMenu::aboutToShow, this, [this, lately] {
        lately->clear();
        for (const QString& path : recent())
            lately->addAction(QFileInfo(path).completeBaseName(), this, [this, path] { emit start_->open(path); })
                ->setToolTip(path);
        if (lately->isEmpty()) lately->addAction(tr("none yet"))->setEnabled(false);
    });
    menu->addSeparator();
    menu->addAction(tr("Save"), QKeySequence::Save, this, &MainWindow::save);
    menu->addAction(tr("Save as …"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S), this, &MainWindow::saveAs);
    menu->addAction(tr("Keep as a start of my own"), this, &MainWindow::keepStart);
    menu->addAction(tr("Export profile, solid or lists …"), QKeySequence(tr("Ctrl+E")), this, &MainWindow::exportFile);
    menu->addAction(tr("Picture of this view …"), this, &MainWindow::savePicture);
    menu->addSeparator();
    printMenu_ = menu->addMenu(tr("Print packet"));
    printMenu_->addAction(tr("Look at it, choose pages …"), QKeySequence::Print, this, &MainWindow::previewPacket);
    printMenu_->addAction(tr("PDF …"), this, [this] { printPacket(wholePacket()); });
    printMenu_->addAction(tr("To a printer …"), this, [this] { sendToPrinter(wholePacket()); });
    QMenu* bench = menu->addMenu(tr("At the bench"));
    bench->addAction(tr("Step by step …"), Qt::Key_F5, this, [this] { openBench({}); });
    connect(bench, &QMenu::aboutToShow, this, [this, bench] {
        // The lists that this piece has.
        for (QAction* old : bench->actions().mid(1)) bench->removeAction(old);
        for (const Checklist& w : checklistsOf(doc_.piece(), doc_.plan(), doc_.boards()))
            bench->addAction(localized(w.name) + QStringLiteral(" …"), this,
                             [this, id = QString::fromLatin1(w.id)] { openBench(id); });
    });
    menu->addAction(tr("How exact it must be …"), this, [this] { ErrorDialog(doc_, this).exec(); });
    menu->addAction(tr("As built …"), this, [this] { AsBuiltDialog(doc_, {}, this).exec(); });
    menu->addAction(tr("Something went wrong …"), this, [this] { MishapDialog(doc_, this).exec(); });
    menu->addSeparator();
    menu->addAction(tr("Name and notes …"), Qt::Key_F2, this, &MainWindow::editName);
    menu->addSeparator();
    menu->addAction(tr("Quit"), QKeySequence::Quit, this, &QWidget::close);
}

void MainWindow::openBench(const QString& list)
{
    auto* bench = new BenchWindow(doc_, list, this);
    bench->showFullScreen();
}

void MainWindow::openDevices()
{
    if (!devices_) {
        devices_ = new Devices(this);
        connect(devices_, &Devices::trouble, this,
                [this](const QString& why) { say(tr("A device said what is not understood: %1").arg(why)); });
    }
    auto* dialog = new DevicesDialog(*devices_, this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->show();
}

void MainWindow::makeEditMenu(QMenu* menu)
{
    undoAction_ = menu->addAction(tr("Undo"), QKeySequence::Undo, &doc_, &Document::undo);
    redoAction_ = menu->addAction(tr("Redo"), QKeySequence::Redo, &doc_, &Document::redo);
    menu->addSeparator();
    menu->addAction(tr("Choose every layer"), QKeySequence::SelectAll, this, [this] {
        Selection all = doc_.selection();
        for (int i = 0; i < static_cast<int>(doc_.piece().layers.size()); ++i) all.layers.insert(i);
        doc_.select(all);
    });
    QMenu* layer = menu->addMenu(tr("The chosen layer"));
    connect(layer, &QMenu::aboutToShow, this, [this, layer] {
        layer->clear();
        fillLayerMenu(*layer, doc_, doc_.selection().layer);
    });
    menu->addAction(tr("Add a node to the outline"), this, [this] {
        Selection s = doc_.selection();
        s.side = Side::Outside;
        const auto add = [&](Piece& p) { s.node = static_cast<int>(insertInLongestSpan(p.outside)); };
        if (doc_.apply(tr("add node"), add)) doc_.whenShown(this, [this, s] { doc_.select(s); });
    });
    menu->addSeparator();
    menu->addAction(tr("Preferences …"), QKeySequence(tr("Ctrl+,")), this, [this] {
        PreferencesDialog dialog(this);
        connect(&dialog, &PreferencesDialog::changed, this, &MainWindow::takePreferences);
        dialog.exec();
    });
}

void MainWindow::makeViewMenu(QMenu* menu)
{
    // The stages are not there yet: they are asked for by their place.
    const QString names[] = {tr("Shape"), tr("Build"), tr("Cut"), tr("Glue"), tr("Turn"), tr("Finish"), tr("Log")};
    for (int i = 0; i < 7; ++i)
        menu->addAction(names[i], QKeySequence(QStringLiteral("Ctrl+%1").arg(i + 1)), this,
                        [this, i] { goTo(stages_[i]->name()); });
    menu->addSeparator();
    const std::pair<QString, int> solid[] = {
        {tr("Stand the piece up"), 0}, {tr("Cut the near half away"), 1}, {tr("Show the glued blank"), 2}};
    for (const auto& [words, i] : solid) menu->addAction(words, this, [this, i = i] { solidToggles_[i]->toggle(); });
    menu->addSeparator();
    menu->addAction(tr("Zoom in"), QKeySequence::ZoomIn, this, [this] { stages_[lanes_->currentIndex()]->zoom(1.25); });
    menu->addAction(tr("Zoom out"), QKeySequence::ZoomOut, this,
                    [this] { stages_[lanes_->currentIndex()]->zoom(0.8); });
    menu->addAction(tr("Fit the drawing"), QKeySequence(tr("Ctrl+0")), this,
                    [this] { stages_[lanes_->currentIndex()]->zoom(0); });
    menu->addSeparator();
    menu->addAction(tr("Light or dark"), this, [this] {
        Preferences wanted = Preferences::stored();
        wanted.dark = !theme().dark;
        wanted.store();
        takePreferences();
    });
    menu->addAction(tr("Next pane"), Qt::Key_F6, this, [this] { nextPane(false); });
}

}  // namespace vl::app
