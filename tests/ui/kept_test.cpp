// What the turner made is kept, and nothing of it is replaced without a question.
#include "app/bench/devices.h"
#include "io/files.h"
#include "io/shop_book.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QDir>
#include <QElapsedTimer>
#include <QFile>
#include <QJsonDocument>
#include <QJsonObject>
#include <QLabel>
#include <QLineEdit>
#include <QSqlDatabase>
#include <QSqlQuery>

using namespace vl;
using namespace vl::app;
using test::Desk;

TEST(Kept, AnEndingThatIsAddedAsksBeforeItReplaces)
{
    Desk desk;
    desk.demo("Shape");
    struct Way {
        const char* ending;
        std::function<void()> write;
    };
    for (const Way& way :
         {Way{".vlathe", [&] { desk.window.saveAs(); }}, Way{".png", [&] { desk.window.savePicture(); }},
          Way{".pdf", [&] { desk.window.printPacket(desk.window.wholePacket()); }},
          Way{".pdf", [&] { desk.window.printLabel(0); }}}) {
        const QString file = desk.folder.filePath(QStringLiteral("other") + way.ending);
        io::writeFile(file.toStdString(), "theirs");
        desk.answer = desk.folder.filePath("other");
        desk.asked.clear();
        desk.way = -1;
        way.write();
        EXPECT_EQ(desk.asked.size(), 1) << way.ending;
        EXPECT_EQ(io::readFile(file.toStdString()), "theirs") << way.ending;
        desk.way = 0;
        way.write();
        EXPECT_NE(io::readFile(file.toStdString()), "theirs") << way.ending;
        if (QLatin1String(way.ending) == QLatin1String(".pdf")) continue;  // printing takes its time
        // Typed with its ending, the dialog has asked already.
        desk.answer = file;
        desk.asked.clear();
        way.write();
        EXPECT_TRUE(desk.asked.isEmpty()) << way.ending;
    }
}

TEST(Kept, ALentWorkshopsWishStaysOutOfTheBook)
{
    Desk desk;
    const std::string book = desk.folder.filePath("shop.sqlite").toStdString();
    ASSERT_TRUE(desk.doc().changeShop("kerf", [](Shop& s) { s.kerf = 2.5; }));
    QApplication::processEvents();
    ASSERT_EQ(io::ShopBook(book).load().kerf, 2.5);
    const QString own = desk.folder.filePath("own.vlathe");
    ASSERT_TRUE(desk.window.saveTo(own));
    desk.demo("Cut");
    desk.doc().replace(test::tallVase(80, 12), {});
    ASSERT_TRUE(desk.doc().changeShop("kerf", [](Shop& s) { s.kerf = 1.1; }));
    EXPECT_TRUE(desk.doc().planning()) << "its plan is not there yet";
    ASSERT_TRUE(desk.window.openPath(own));
    ASSERT_TRUE(QTest::qWaitFor([&] { return !desk.doc().planning(); }, 60000));
    EXPECT_EQ(desk.doc().shop().kerf, 2.5);
    EXPECT_EQ(io::ShopBook(book).load().kerf, 2.5);
}

TEST(Kept, AFailedSaveOfTheBookIsShownAndTriedAgain)
{
    Desk desk;
    desk.demo("Cut");
    ASSERT_TRUE(desk.window.openPath([&] {
        const QString path = desk.folder.filePath("own.vlathe");
        desk.window.saveTo(path);
        return path;
    }()));
    const QString book = desk.folder.filePath("shop.sqlite");
    {
        QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "holder");
        db.setDatabaseName(book);
        ASSERT_TRUE(db.open());
        QSqlQuery held(db);
        ASSERT_TRUE(held.exec("BEGIN IMMEDIATE"));  // another program writes, and does not end
        ASSERT_TRUE(desk.doc().changeShop("kerf", [](Shop& s) { s.kerf = 2.75; }));
        auto* standing = desk.window.findChild<QLabel*>("standing");
        ASSERT_TRUE(QTest::qWaitFor([&] { return standing->isVisible(); }, 20000));
        EXPECT_TRUE(standing->text().contains("cannot be written")) << standing->text().toStdString();
        // It does not end unasked either.
        desk.asked.clear();
        desk.way = -1;
        EXPECT_FALSE(desk.window.close());
        EXPECT_FALSE(desk.asked.isEmpty());
        ASSERT_TRUE(held.exec("ROLLBACK"));
        ASSERT_TRUE(QTest::qWaitFor([&] { return !standing->isVisible(); }, 30000)) << "tried again by itself";
        db.close();
    }
    QSqlDatabase::removeDatabase("holder");
    EXPECT_EQ(io::ShopBook(book.toStdString()).load().kerf, 2.75);
    desk.way = 1;
}

TEST(Kept, ADraftIsThrownAwayOnlyOnceAnotherIsOnTheDisk)
{
    const auto leave = [](const QString& folder, const QString& path, const QByteArray& onDisk) {
        QDir(folder).mkpath("drafts");
        const QJsonObject draft{{"path", path},
                                {"on_disk", QString::fromLatin1(onDisk)},
                                {"piece", QString::fromStdString(io::writePiece(test::regattaCup()))}};
        io::writeFile((folder + "/drafts/old.draft").toStdString(), QJsonDocument(draft).toJson().toStdString());
    };
    QTemporaryDir elsewhere;
    const QString path = elsewhere.filePath("cup.vlathe");
    for (const bool touched : {false, true}) {
        const std::string text = io::writePiece(test::tallVase(4, 12));
        io::writeFile(path.toStdString(), text);
        Desk desk([&](const QString& folder) { leave(folder, path, digestOf(text)); });
        desk.way = 0;
        desk.window.offerRecovery();
        EXPECT_EQ(desk.doc().piece().name, test::regattaCup().name);
        EXPECT_TRUE(desk.doc().edited());
        EXPECT_FALSE(QFile::exists(desk.folder.filePath("drafts/old.draft")));
        EXPECT_EQ(QDir(desk.folder.filePath("drafts")).entryList({"*.draft"}).size(), 1) << "the new one";
        // Its file is as it was when the draft was written, or another program has changed it: that is told apart.
        if (touched) io::writeFile(path.toStdString(), text + "\n");
        desk.asked.clear();
        EXPECT_TRUE(desk.window.save());
        EXPECT_EQ(desk.asked.size(), touched ? 1 : 0);
        desk.way = 1;
    }
}

TEST(Kept, ADraftIsWrittenWhileChangesGoOn)
{
    Desk desk;
    desk.demo("Shape");
    const QDir drafts(desk.folder.filePath("drafts"));
    QElapsedTimer clock;
    clock.start();
    while (clock.elapsed() < 5000 && drafts.entryList({"*.draft"}).isEmpty()) {
        desk.doc().apply("wider", [](Piece& p) { p.outside.back().r += 0.01; });
        QTest::qWait(50);
    }
    EXPECT_FALSE(drafts.entryList({"*.draft"}).isEmpty());
    desk.way = 1;
}

TEST(Kept, ADevicesLineGoesOnlyIntoFieldsOfItsUnit)
{
    Desk desk;
    desk.demo("Log");
    Devices devices;
    QLineEdit foreign(&desk.window);  // as a dialog of the desktop has
    foreign.show();
    foreign.setFocus();
    QApplication::processEvents();
    devices.hand({DeviceReading::Length, 35});
    EXPECT_EQ(foreign.text(), "");
    LengthField length(desk.doc(), "Length", {0, 500});
    length.setParent(&desk.window);
    length.show();
    length.setFocus();
    QApplication::processEvents();
    double read = 0;
    QObject::connect(&length, &LengthField::edited, [&](double mm) { read = mm; });
    devices.hand({DeviceReading::Length, 35});
    EXPECT_EQ(read, 35);
    devices.hand({DeviceReading::Moisture, 11});
    EXPECT_EQ(read, 35);
    desk.way = 1;
}
