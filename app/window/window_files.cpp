// What the window does with files: opening, saving, printing, exporting, drafts and the shop book.
#include "app/stages/shape/shape_stage.h"
#include "app/window/main_window.h"

#include "app/theme/theme.h"
#include "app/window/packet_dialog.h"
#include "app/window/preferences.h"
#include "app/window/start_page.h"
#include "app/window/waiting.h"
#include "core/measure/input_error.h"
#include "io/drawing_file.h"
#include "io/export.h"
#include "io/files.h"
#include "io/rack_csv.h"
#include "io/records_csv.h"
#include "io/shop_csv.h"
#include "io/shop_json.h"
#include "report/label.h"
#include "report/packet.h"

#include <QBuffer>
#include <QDir>
#include <QDropEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QMenu>
#include <QMimeData>
#include <QPrintDialog>
#include <QPrinter>
#include <QSettings>
#include <QStackedWidget>

namespace vl::app {

bool MainWindow::mayDiscard()
{
    doc_.settle();
    if (!doc_.edited()) return true;
    const int way =
        ask_.choose(this, tr("%1 has changes that are not saved.").arg(QString::fromStdString(doc_.piece().name)),
                    {tr("Save"), tr("Discard the changes")});
    return way == 1 || (way == 0 && save());
}

namespace {

Shop shippedShop(const QString& name)
{
    QFile file(QStringLiteral(":/demo/%1.json").arg(name));
    if (!file.open(QIODevice::ReadOnly)) throw InputError("shop", name.toStdString(), "one that ships is");
    std::vector<std::string> notes;
    return io::readShop(file.readAll().toStdString(), notes);
}

}  // namespace

void MainWindow::lendShop(const QString& name)
{
    tryTo([&] {
        const Shop lent = shippedShop(name);
        keeper_->lend();
        doc_.setShop(lent);
    });
}

void MainWindow::fillLentShops(QMenu* menu)
{
    menu->clear();
    for (const char* name : {"harbour-shop", "lifeboat-shop"})
        menu->addAction(QString::fromStdString(shippedShop(name).name), this, [this, name] { lendShop(name); });
    menu->addSeparator();
    menu->addAction(tr("In mine again"), this, &MainWindow::giveShopBack)->setEnabled(keeper_->isLent());
}

void MainWindow::giveShopBack()
{
    if (!keeper_->isLent()) return;
    doc_.setShop(Shop(keeper_->own()));
    keeper_->giveBack();
}

QString MainWindow::lentWords()
{
    return tr("This workshop is lent: nothing that is changed here is kept. Yours is back with your own piece, or by "
              "the menu Shop; \"Keep the lent workshop as mine\" there takes it over.");
}

void MainWindow::keepLentShop()
{
    if (!keeper_->isLent()) return;
    if (ask_.choose(this, tr("The lent machines, glues and boards take the place of yours in the shop book."),
                    {tr("Keep the lent ones")}) != 0)
        return;
    keeper_->takeOver();
    if (keeper_->trouble().isEmpty()) say(tr("The lent workshop is yours now."));
}

bool MainWindow::openPiece(const Piece& piece, const QString& path, const std::optional<Shop>& lent)
{
    const QString words = tr("Planning %1 …").arg(QString::fromStdString(piece.name));
    auto opened = planWaiting(this, doc_.opening(piece, lent ? *lent : keeper_->own()), words);
    if (!opened) return false;
    if (lent) keeper_->lend();
    doc_.replace(std::move(*opened), path);
    drafts_->setOnDisk({});
    if (!lent) keeper_->giveBack();
    everOpened_ = true;
    pages_->setCurrentIndex(1);
    setStage(0);
    return true;
}

namespace {

/// What was put right in a file; empty where nothing was.
QString putRight(const std::vector<std::string>& notes)
{
    if (notes.empty()) return {};
    return MainWindow::tr("%n things were put right in the file: %1", nullptr, static_cast<int>(notes.size()))
        .arg(QString::fromStdString(notes.front()));
}

}  // namespace

bool MainWindow::openPath(const QString& path)
{
    bool opened = false;
    tryTo([&] {
        const io::LoadedPiece loaded = io::loadPiece(path.toStdString());
        const QByteArray digest = digestOf(io::readFile(path.toStdString()));
        if (!openPiece(loaded.piece, path)) return;
        drafts_->setOnDisk(digest);
        addRecent(path);
        say(putRight(loaded.notes));
        opened = true;
    });
    return opened;
}

namespace {

/// The piece's file that is carried; empty where it is none.
QString carried(const QMimeData* data)
{
    for (const QUrl& url : data->urls())
        if (url.isLocalFile() && url.toLocalFile().endsWith(QStringLiteral(".vlathe"))) return url.toLocalFile();
    return {};
}

}  // namespace

void MainWindow::dragEnterEvent(QDragEnterEvent* event)
{
    if (!carried(event->mimeData()).isEmpty()) event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event)
{
    const QString path = carried(event->mimeData());
    if (path.isEmpty()) return;
    event->acceptProposedAction();
    if (mayDiscard()) openPath(path);
}

bool MainWindow::openDemo(const QString& name)
{
    QFile file(QStringLiteral(":/demo/%1.vlathe").arg(name));
    if (!file.open(QIODevice::ReadOnly)) {
        say(tr("There is no sample named %1").arg(name));
        return false;
    }
    // The samples are built in their own workshop; the turner's is back with the turner's piece.
    bool opened = false;
    tryTo([&] {
        opened = openPiece(io::readPiece(file.readAll().toStdString()).piece, {},
                           shippedShop(QStringLiteral("harbour-shop")));
    });
    return opened;
}

bool MainWindow::save() { return doc_.path().isEmpty() ? saveAs() : saveTo(doc_.path()); }

/// Where a file of this ending goes; empty where nowhere. The dialog asks before another file is replaced, but not
/// about the name that the ending makes of what was typed.
QString MainWindow::askWhere(const QString& title, const QString& name, const QString& ending, const QString& kind)
{
    QString path = ask_.save(this, title, name + ending, tr("%1 (*%2)").arg(kind, ending));
    if (path.isEmpty() || path.endsWith(ending, Qt::CaseInsensitive)) return path;
    path += ending;
    const bool keep =
        QFileInfo::exists(path) && path != doc_.path() &&
        ask_.choose(this, tr("%1 is there already.").arg(QFileInfo(path).fileName()), {tr("Replace it")}) != 0;
    return keep ? QString() : path;
}

bool MainWindow::saveAs()
{
    const QString path = askWhere(tr("Save the piece"), QString::fromStdString(doc_.piece().name),
                                  QStringLiteral(".vlathe"), tr("Pieces"));
    return !path.isEmpty() && saveTo(path);
}

/// Whether the piece's own file may be written: it is as it was read or written last, or the turner says so.
bool MainWindow::mayReplace(const QString& path)
{
    if (path != doc_.path() || !QFileInfo::exists(path)) return true;
    try {
        // Of a piece that came back from an old draft it is not known how its file was.
        if (drafts_->onDisk().isEmpty() || digestOf(io::readFile(path.toStdString())) == drafts_->onDisk()) return true;
    } catch (const InputError&) {
        return true;  // what cannot be read is said when it cannot be written
    }
    const int way = ask_.choose(this, tr("%1 was changed on the disk meanwhile.").arg(QFileInfo(path).fileName()),
                                {tr("Save over it"), tr("Do not save")});
    if (way != 0)
        say(tr("Not saved: %1 was changed on the disk. Save it under another name.").arg(QFileInfo(path).fileName()));
    return way == 0;
}

bool MainWindow::saveTo(const QString& path)
{
    bool saved = false;
    doc_.settle();
    tryTo([&] {
        if (!mayReplace(path)) return;
        const std::string text = io::writePiece(doc_.wanted().piece);
        io::writeFile(path.toStdString(), text);
        drafts_->setOnDisk(digestOf(text));
        doc_.savedAs(path);
        addRecent(path);
        sayWritten(path, tr("Saved in %1"));
        saved = true;
    });
    return saved;
}

bool MainWindow::printPacket(const report::PacketChoice& choice)
{
    const QString path = askWhere(tr("Print the packet to a PDF"), QString::fromStdString(doc_.piece().name),
                                  QStringLiteral(".pdf"), tr("PDF"));
    if (path.isEmpty()) return false;
    doc_.settle();
    bool written = false;
    tryTo([&] {
        io::replaceFile(path.toStdString(), [&](QIODevice& file) {
            report::writePacket(doc_.piece(), doc_.shop(), doc_.plan(), doc_.boards(), doc_.style(), choice, file);
        });
        sayWritten(path, tr("The packet is in %1. Print it at 100 %."));
        written = true;
    });
    return written;
}

void MainWindow::sendToPrinter(const report::PacketChoice& choice)
{
    QPrinter printer(QPrinter::HighResolution);
    printer.setFullPage(true);
    printer.setDocName(QString::fromStdString(doc_.piece().name));
    QPrintDialog dialog(&printer, this);
    if (dialog.exec() != QDialog::Accepted) return;
    doc_.settle();
    report::PacketChoice loaded = choice;
    loaded.paper =
        printer.pageLayout().pageSize().id() == QPageSize::Letter ? report::Paper::Letter : report::Paper::A4;
    tryTo([&] {
        report::printPacket(doc_.piece(), doc_.shop(), doc_.plan(), doc_.boards(), doc_.style(), loaded, printer);
    });
}

report::PacketChoice MainWindow::wholePacket() const
{
    return Preferences::stored().letter ? report::Paper::Letter : report::Paper::A4;
}

void MainWindow::previewPacket()
{
    doc_.settle();
    PacketDialog dialog(doc_, wholePacket(), this);
    connect(&dialog, &PacketDialog::pdfWanted, this, &MainWindow::printPacket);
    connect(&dialog, &PacketDialog::printWanted, this, &MainWindow::sendToPrinter);
    dialog.exec();
}

void MainWindow::exportFile()
{
    const QString path = ask_.save(this, tr("Export"), QString::fromStdString(doc_.piece().name) + ".dxf",
                                   tr("Profile (*.dxf *.svg);;Solid, in millimeters (*.stl *.obj *.3mf);;"
                                      "Cut list and stations (*.csv);;Timetable (*.ics)"));
    if (path.isEmpty()) return;
    doc_.settle();
    tryTo([&] {
        io::exportPiece(doc_.piece(), doc_.plan(), path.toStdString());
        sayWritten(path);
    });
}

void MainWindow::savePicture()
{
    const QString path = askWhere(tr("Picture of this view"), QString::fromStdString(doc_.piece().name),
                                  QStringLiteral(".png"), tr("Pictures"));
    if (path.isEmpty()) return;
    doc_.settle();
    tryTo([&] {
        QByteArray png;
        QBuffer buffer(&png);
        buffer.open(QIODevice::WriteOnly);
        lanes_->currentWidget()->grab().save(&buffer, "PNG");
        io::writeFile(path.toStdString(), png.toStdString());
        sayWritten(path);
    });
}

void MainWindow::sayWritten(const QString& path, const QString& words)
{
    const QFileInfo file(path);
    const QString link = QStringLiteral("<a style='color:%1' href=\"%2\">%3</a>");
    const QString color = theme().accent.name();
    say((words.isEmpty() ? tr("Written to %1") : words).arg(file.fileName().toHtmlEscaped()) + "<br>" +
        link.arg(color, QUrl::fromLocalFile(file.absoluteFilePath()).toString().toHtmlEscaped(), tr("open it")) +
        QStringLiteral(" · ") +
        link.arg(color, QUrl::fromLocalFile(file.absolutePath()).toString().toHtmlEscaped(), tr("show its folder")));
}

void MainWindow::showStart()
{
    start_->setRecent(recent());
    start_->setOwn(ownStarts(startsFolder()));
    start_->setReturn(everOpened_);
    pages_->setCurrentIndex(0);
}

void MainWindow::keepStart()
{
    tryTo([&] {
        keepAsStart(doc_.piece(), startsFolder());
        say(tr("%1 is among your own starts on the first page.").arg(QString::fromStdString(doc_.piece().name)));
    });
}

QStringList MainWindow::recent() const { return QSettings().value("recent").toStringList(); }

void MainWindow::addRecent(const QString& path)
{
    QStringList paths = recent();
    const QString full = QFileInfo(path).absoluteFilePath();
    paths.removeAll(full);
    paths.prepend(full);
    QSettings().setValue("recent", paths.mid(0, 10));
}

/// Two windows have changed the shop book: the turner says whose shop stays.
void MainWindow::settleClash()
{
    switch (ask_.choose(this, tr("Another window has changed the shop book meanwhile."),
                        {tr("Take the book's shop"), tr("Put this shop in its place")})) {
    case 0:
        return keeper_->takeTheBooks();
    case 1:
        return keeper_->writeOver();
    default:
        keeper_->leave();
        say(tr("This shop is not in the book: another window's is."));
    }
}

void MainWindow::importRack()
{
    const QString path = ask_.open(this, tr("Bring boards in"), tr("Boards (*.csv)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        const std::vector<Board> boards = io::readRackCsv(io::readFile(path.toStdString()));
        int fresh = 0;
        const auto bringIn = [&](Shop& shop) {
            for (const Board& b : boards) {
                const auto same = std::ranges::find(shop.rack, b.id, &Board::id);
                if (same != shop.rack.end())
                    *same = b;
                else
                    shop.rack.push_back(b), ++fresh;
            }
        };
        if (!doc_.changeShop(tr("boards brought in"), bringIn)) return;
        say(tr("%n new boards are on the rack.", nullptr, fresh));
    });
}

void MainWindow::takeDrawing(ShapeStage& shape)
{
    const QString path = ask_.open(this, tr("A drawing of the outside"), tr("Drawings (*.svg *.dxf)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        if (shape.takeDrawing(io::readDrawing(path.toStdString())))
            say(tr("The outside is the drawing's longest line, in its own size."));
    });
}

void MainWindow::takePicture()
{
    const QString path = ask_.open(this, tr("A picture to trace"), tr("Pictures (*.png *.jpg *.jpeg *.bmp *.svg)"));
    if (path.isEmpty()) return;
    if (QImage(path).isNull()) return say(tr("%1: no picture that can be shown").arg(path));
    const auto lay = [&](Piece& p) {
        p.trace = {};
        p.trace.picture = path.toStdString();
        p.trace.along = outlineHeight(p) / 2;
        p.trace.width = outlineHeight(p);
    };
    if (doc_.apply(tr("picture to trace"), lay))
        say(tr("Now draw its axis: from the middle of its foot to the middle of its rim."));
}

void MainWindow::exportRack()
{
    const QString path = ask_.save(this, tr("Write the rack"), "rack.csv", tr("Boards (*.csv)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        io::writeFile(path.toStdString(), io::writeRackCsv(doc_.shop().rack));
        sayWritten(path);
    });
}

void MainWindow::exportLog()
{
    const QString path = ask_.save(this, tr("Write the log"), "log.csv", tr("Tables (*.csv)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        io::writeFile(path.toStdString(), io::writeRecordsCsv(doc_.shop().log));
        sayWritten(path);
    });
}

void MainWindow::exportBook()
{
    const QString path =
        ask_.save(this, tr("Write the whole book"), "shop.json", tr("Shop's book (*.json);;Table of values (*.csv)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        const bool table = path.endsWith(QStringLiteral(".csv"), Qt::CaseInsensitive);
        io::writeFile(path.toStdString(), table ? io::writeShopCsv(doc_.shop()) : io::writeShop(doc_.shop()));
        sayWritten(path);
    });
}

void MainWindow::importBook()
{
    const QString path = ask_.open(this, tr("Bring a whole book in"), tr("Shop's book (*.json *.csv)"));
    if (path.isEmpty()) return;
    tryTo([&] {
        std::vector<std::string> notes;
        const std::string text = io::readFile(path.toStdString());
        const bool table = path.endsWith(QStringLiteral(".csv"), Qt::CaseInsensitive);
        const Shop shop = table ? io::readShopCsv(text, notes) : io::readShop(text, notes);
        if (doc_.changeShop(tr("book brought in"), [&](const Shop&) { return shop; }))
            say(tr("This shop is \"%1\" now; undo brings the one before back.").arg(QString::fromStdString(shop.name)) +
                QLatin1Char(' ') + putRight(notes));
    });
}

void MainWindow::printLabel(int entry)
{
    if (entry < 0 || entry >= static_cast<int>(doc_.shop().log.size())) return;
    const Logged& logged = doc_.shop().log[static_cast<size_t>(entry)];
    const QString path = askWhere(tr("Print the label to a PDF"), QString::fromStdString(logged.name),
                                  QStringLiteral(".pdf"), tr("PDF"));
    if (path.isEmpty()) return;
    // The foot's own size is known where the piece is the one that is open.
    const bool own = !logged.piece.empty() && logged.piece == doc_.piece().id;
    const double foot = own ? 2 * doc_.plan().shape.footRadius : 60;
    tryTo([&] {
        io::replaceFile(path.toStdString(),
                        [&](QIODevice& file) { report::writeLabel(logged, foot, wholePacket().paper, file); });
        sayWritten(path, tr("The label is in %1. Print it at 100 %."));
    });
}

void MainWindow::addPhoto(int entry)
{
    if (entry < 0 || entry >= static_cast<int>(doc_.shop().log.size())) return;
    const QString path = ask_.open(this, tr("A photograph of the piece"), tr("Pictures (*.png *.jpg *.jpeg)"));
    if (path.isEmpty()) return;
    if (QImage(path).isNull()) return say(tr("%1: no picture that can be shown").arg(path));
    doc_.changeShop(tr("photograph"), [&](Shop& shop) {
        std::string& photos = shop.log.at(static_cast<size_t>(entry)).photos;
        photos += (photos.empty() ? "" : "\n") + path.toStdString();
    });
}

void MainWindow::exportCalendar()
{
    const QString path = ask_.save(this, tr("Write the timetable"), QString::fromStdString(doc_.piece().name) + ".ics",
                                   tr("Calendar (*.ics)"));
    if (path.isEmpty()) return;
    doc_.settle();
    tryTo([&] {
        io::exportPiece(doc_.piece(), doc_.plan(), path.toStdString());
        sayWritten(path);
    });
}

void MainWindow::offerRecovery()
{
    for (const Draft& draft : drafts_->leftBehind()) {
        const int way = ask_.choose(this,
                                    tr("%1 was open when the program last ended, with changes that were not saved.")
                                        .arg(QString::fromStdString(draft.piece.name)),
                                    {tr("Restore it"), tr("Delete it"), tr("Ask again later")});
        if (way == 1) Drafts::discard(draft);
        if (way != 0) continue;
        tryTo([&] {
            if (!openPiece(draft.piece, draft.path)) return;
            doc_.neverSaved();
            drafts_->setOnDisk(draft.onDisk);
            // The old draft goes once there is another.
            if (drafts_->write()) Drafts::discard(draft);
        });
        break;
    }
}

}  // namespace vl::app
