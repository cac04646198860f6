// What other windows and programs do meanwhile, and books and files that cannot be read: nothing is lost.
#include "io/files.h"
#include "io/shop_book.h"
#include "tests/ui/desk.h"

#include <QDir>
#include <QFile>
#include <QSqlDatabase>
#include <QSqlQuery>

using namespace vl;
using test::Desk;

TEST(Meanwhile, AWindowWithAHistoryEndsQuietly)
{
    for (int k = 0; k < 3; ++k) {
        auto desk = std::make_unique<Desk>();
        desk->demo("Shape");
        for (int i = 0; i < 4; ++i) {
            Piece p = desk->piece();
            p.outside.back().r += 1;
            desk->doc().apply("wider", test::as(p));
        }
        if (k == 1) desk->doc().history().undo();
        QApplication::processEvents();
        desk.reset();  // the sanitizers and valgrind see what is touched here
    }
}

TEST(Meanwhile, APieceChangedOnTheDiskIsAskedAbout)
{
    Desk desk;
    desk.demo("Shape");
    const QString path = desk.folder.filePath("cup.vlathe");
    ASSERT_TRUE(desk.window.saveTo(path));
    Piece p = desk.piece();
    p.name = "another name";
    desk.doc().apply("name", test::as(p));
    ASSERT_TRUE(desk.window.save()) << "its own file as it left it";
    EXPECT_TRUE(desk.asked.isEmpty());
    const std::string others = io::readFile(path.toStdString()) + "\n";
    io::writeFile(path.toStdString(), others);
    p.name = "a third";
    desk.doc().apply("name", test::as(p));
    desk.way = 1;
    EXPECT_FALSE(desk.window.save());
    EXPECT_EQ(desk.asked.size(), 1);
    EXPECT_EQ(io::readFile(path.toStdString()), others) << "left as the other program wrote it";
    EXPECT_TRUE(desk.doc().edited());
    EXPECT_TRUE(desk.window.message().contains("changed on the disk"));
    desk.way = 0;
    EXPECT_TRUE(desk.window.save());
    EXPECT_NE(io::readFile(path.toStdString()), others);
    EXPECT_TRUE(desk.window.save());
    EXPECT_EQ(desk.asked.size(), 2) << "asked once for each change";
}

TEST(Meanwhile, AnotherWindowsShopIsNotTakenAway)
{
    Desk desk;
    const std::string book = desk.folder.filePath("shop.sqlite").toStdString();
    auto kerf = [&](double mm) {
        Shop shop = desk.doc().shop();
        shop.kerf = mm;
        desk.doc().setShop(shop);
        QApplication::processEvents();
    };
    kerf(2.5);
    io::ShopBook other(book);
    EXPECT_EQ(other.load().kerf, 2.5);
    Shop theirs = other.load();
    Board board;
    board.id = "B1";
    theirs.rack.push_back(board);
    ASSERT_TRUE(other.save(theirs));
    desk.way = 0;  // take the book's
    kerf(2.0);
    EXPECT_EQ(desk.asked.size(), 1);
    EXPECT_EQ(desk.doc().shop().rack.size(), 1u);
    EXPECT_EQ(other.load().rack.size(), 1u);
    ASSERT_TRUE(other.save(theirs));
    desk.way = -1;  // neither
    kerf(1.8);
    EXPECT_EQ(other.load().kerf, 2.5) << "the book stays as the other window left it";
    desk.way = 1;  // put this one in its place
    kerf(1.9);
    EXPECT_EQ(other.load().kerf, 1.9);
}

TEST(Meanwhile, ABookThatCannotBeReadWholeIsKeptAsideAndSaid)
{
    enum Damage { Beyond, Garbage, Newer };
    for (const Damage damage : {Beyond, Garbage, Newer}) {
        QString bookPath;
        Desk desk([&](const QString& folder) {
            bookPath = folder + "/shop.sqlite";
            {
                io::ShopBook book(bookPath.toStdString());
                Shop shop;
                Board board;
                board.id = "precious";
                shop.rack.push_back(board);
                book.save(shop);
            }
            if (damage == Garbage) {
                QFile file(bookPath);
                ASSERT_TRUE(file.open(QIODevice::WriteOnly));
                file.write(QByteArray(5000, 'x'));
                return;
            }
            QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "damage");
            db.setDatabaseName(bookPath);
            ASSERT_TRUE(db.open());
            QSqlQuery q(db);
            ASSERT_TRUE(
                q.exec(damage == Newer ? "PRAGMA user_version=99" : "UPDATE setting SET value=-5 WHERE key='kerf_mm'"));
            db.close();
        });
        QSqlDatabase::removeDatabase("damage");
        EXPECT_TRUE(desk.window.message().contains("book")) << damage;
        Shop shop = desk.doc().shop();
        shop.kerf = 2.25;
        desk.doc().setShop(shop);  // the next change of the shop
        QApplication::processEvents();
        const QStringList aside = QDir(desk.folder.path()).entryList({"shop-unread-*.sqlite"});
        if (damage == Newer) {
            EXPECT_TRUE(aside.isEmpty()) << "a newer program's book is left where it is";
            EXPECT_THROW(io::ShopBook(bookPath.toStdString()), InputError);
            continue;
        }
        ASSERT_EQ(aside.size(), 1) << damage;
        EXPECT_EQ(io::ShopBook(bookPath.toStdString()).load().kerf, 2.25) << "a fresh book takes over";
        if (damage == Beyond) {
            QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "aside");
            db.setDatabaseName(desk.folder.filePath(aside[0]));
            ASSERT_TRUE(db.open());
            {
                QSqlQuery q("SELECT id FROM board", db);
                ASSERT_TRUE(q.next());
                EXPECT_EQ(q.value(0).toString(), "precious") << "whole, and never written over";
            }
            db.close();
            db = {};
            QSqlDatabase::removeDatabase("aside");
        }
    }
}
