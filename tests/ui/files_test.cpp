// Files that cannot be read, and places that cannot be written: what is wrong is said, and nothing is lost.
#include "app/stages/shape/shape_stage.h"
#include "io/piece_json.h"
#include "io/shop_json.h"
#include "tests/ui/desk.h"

#include <QFile>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

namespace {

struct Hostile {
    const char* called;
    QByteArray bytes;
};

/// What a file may hold that is not what it is called.
std::vector<Hostile> hostileFiles(const Desk& desk)
{
    QByteArray noise(4096, 0);
    for (int i = 0; i < noise.size(); ++i) noise[i] = static_cast<char>((i * 7919 + i / 13) % 251);
    const QByteArray shop = QByteArray::fromStdString(io::writeShop(Shop{}));
    return {{"empty", {}},
            {"one byte", "{"},
            {"noise", noise},
            {"half a book", shop.left(shop.size() / 2)},
            {"deep", QByteArray(20000, '[')},
            {"another's format", "{\"format\": \"something-else\", \"version\": 1}"},
            {"no numbers", "id,name,length,width\nB1,plank,long,wide\n"},
            {"huge numbers", "id,species,thickness_mm,width_mm,length_mm\nB1,ash,1e308,1e308,1e308\n"},
            {"a drawing of nothing", "<svg xmlns='http://www.w3.org/2000/svg'></svg>"},
            {"half a drawing", "0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n90\n"},
            {"its own name", desk.folder.path().toUtf8()}};
}

}  // namespace

TEST(HostileFiles, AreSaidWhereverTheyAreOpenedAndNothingIsLost)
{
    Desk desk;
    desk.demo("log");
    ASSERT_FALSE(desk.doc().shop().log.empty());
    const Piece piece = desk.piece();
    const Shop shop = desk.doc().shop();
    auto* shape = desk.window.findChild<ShapeStage*>();
    ASSERT_TRUE(shape);
    struct Door {
        const char* ending;
        std::function<void()> open;
    };
    MainWindow& w = desk.window;
    const std::vector<Door> doors{{"vlathe", [&] { w.openPath(desk.answer); }},
                                  {"csv", [&] { w.importRack(); }},
                                  {"json", [&] { w.importBook(); }},
                                  {"csv", [&] { w.importBook(); }},
                                  {"svg", [&] { w.takeDrawing(*shape); }},
                                  {"dxf", [&] { w.takeDrawing(*shape); }},
                                  {"png", [&] { w.takePicture(); }},
                                  {"jpg", [&] { w.addPhoto(0); }}};
    int said = 0;
    const auto stands = [&](const std::string& what) {
        EXPECT_EQ(desk.piece(), piece) << what;
        EXPECT_EQ(desk.doc().shop(), shop) << what;
        EXPECT_FALSE(w.message().isEmpty()) << what;
        said += !w.message().isEmpty();
        while (desk.doc().history().canUndo()) desk.doc().history().undo();
        EXPECT_EQ(desk.doc().shop(), shop) << what;
    };
    for (const Door& door : doors) {
        for (const Hostile& h : hostileFiles(desk)) {
            desk.answer = desk.folder.filePath(QStringLiteral("hostile.%1").arg(QLatin1String(door.ending)));
            QFile file(desk.answer);
            ASSERT_TRUE(file.open(QIODevice::WriteOnly | QIODevice::Truncate));
            file.write(h.bytes);
            file.close();
            door.open();
            QApplication::processEvents();
            stands(std::string(door.ending) + ", " + h.called);
        }
        // A folder, and what is not there.
        for (const QString& path : {desk.folder.path(), desk.folder.filePath(QStringLiteral("no/such.file"))}) {
            desk.answer = path;
            door.open();
            stands(path.toStdString());
        }
        desk.answer.clear();
        door.open();  // called off: nothing happens
    }
    EXPECT_GT(said, 80);
}

TEST(HostileFiles, WhatCannotBeWrittenIsSaidAndStaysUnsaved)
{
    Desk desk;
    desk.demo("log");
    const Piece piece = desk.piece();
    const Shop shop = desk.doc().shop();
    MainWindow& w = desk.window;
    struct Door {
        const char* ending;
        std::function<void()> write;
    };
    const std::vector<Door> doors{{"dxf", [&] { w.exportFile(); }},  {"svg", [&] { w.exportFile(); }},
                                  {"stl", [&] { w.exportFile(); }},  {"3mf", [&] { w.exportFile(); }},
                                  {"png", [&] { w.exportFile(); }},  {"png", [&] { w.savePicture(); }},
                                  {"csv", [&] { w.exportRack(); }},  {"csv", [&] { w.exportLog(); }},
                                  {"json", [&] { w.exportBook(); }}, {"csv", [&] { w.exportBook(); }},
                                  {"pdf", [&] { w.printLabel(0); }}, {"ics", [&] { w.exportCalendar(); }},
                                  {"vlathe", [&] { w.saveAs(); }},   {"pdf", [&] { w.printPacket(w.wholePacket()); }}};
    // A file stands where a folder is asked for; a folder where the file is.
    QFile file(desk.folder.filePath(QStringLiteral("file")));
    ASSERT_TRUE(file.open(QIODevice::WriteOnly));
    file.close();
    for (const Door& door : doors) {
        const QString ending = QLatin1String(door.ending);
        const QString folder = desk.folder.filePath(QStringLiteral("taken.") + ending);
        ASSERT_TRUE(QDir().mkpath(folder));
        for (const QString& path : {desk.folder.filePath(QStringLiteral("file/within.") + ending), folder,
                                    QStringLiteral("/no/such/folder/x.") + ending}) {
            desk.answer = path;
            door.write();
            QApplication::processEvents();
            EXPECT_FALSE(w.message().isEmpty()) << path.toStdString();
            EXPECT_FALSE(QFileInfo(path).isFile()) << path.toStdString();
            EXPECT_EQ(desk.piece(), piece) << path.toStdString();
            EXPECT_EQ(desk.doc().shop(), shop) << path.toStdString();
        }
        // The same goes where it can be written.
        desk.answer = desk.folder.filePath(QStringLiteral("good-%1.").arg(&door - doors.data()) + ending);
        door.write();
        QApplication::processEvents();
        EXPECT_GT(QFileInfo(desk.answer).size(), 100) << desk.answer.toStdString();
    }
}
