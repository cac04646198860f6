// The shop book, the rack as CSV, the timetable as iCalendar read back by libical.
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/piece/edits/picture.h"
#include "core/piece/records/field_items.h"
#include "io/files.h"
#include "io/ical.h"
#include "io/rack_csv.h"
#include "io/shop_book.h"
#include "io/shop_csv.h"
#include "io/shop_json.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <libical/ical.h>

#include <QSqlDatabase>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QThread>

#include <array>
#include <cmath>
#include <filesystem>
#include <memory>
#include <set>

using namespace vl;

namespace {

std::string randomText()
{
    static const std::string letters = "abcXYZ 019,;\"'\\\n\r@äß漢";
    std::string out;
    for (int n = test::inRange(1, 12); n > 0; --n) out += letters[static_cast<size_t>(test::inRange(0, 18))];
    return out;
}

std::vector<Board> randomRack()
{
    std::vector<Board> rack;
    for (int n = test::inRange(0, 8); n > 0; --n) {
        Board b;
        b.id = std::to_string(n) + randomText();
        b.wood = allSpecies()[static_cast<size_t>(test::inRange(0, 16))].id;
        b.length = test::inRange(200, 60000) / 10.0;
        b.width = test::inRange(50, 15000) / 10.0;
        b.thickness = test::inRange(5, 5000) / 10.0;
        b.price = test::inRange(0, 100000) / 100.0;
        for (int k = test::inRange(0, 4); k > 0; --k)
            b.defects.push_back({b.length / 4, b.width / 5, b.length / 8, b.width / 3, k % 2 ? "knot" : "sapwood"});
        rack.push_back(b);
    }
    return rack;
}

}  // namespace

TEST(RackCsv, ComesBackAsItWent)
{
    test::property([] {
        const std::vector<Board> rack = randomRack();
        RC_ASSERT(io::readRackCsv(io::writeRackCsv(rack)) == rack);
    });
    const auto rack = io::readRackCsv("wood,id,thickness_mm,width_mm,length_mm\nmaple,A1,1in,6 1/2in,4'\n");
    ASSERT_EQ(rack.size(), 1u);
    EXPECT_NEAR(rack[0].length, 4 * 12 * 25.4, 1e-9);
    EXPECT_NEAR(rack[0].width, 165.1, 1e-9);
}

TEST(RackCsv, SaysWhereItIsWrong)
{
    const std::pair<const char*, const char*> cases[] = {
        {"", "line 1"},
        {"id,wood\n", "length_mm"},
        {"id,wood,length_mm,width_mm,thickness_mm\nA,maple,long,100,20\n", "line 2, length_mm"},
        {"id,wood,length_mm,width_mm,thickness_mm\nA,maple,1000,100,20\nA,maple,1000,100,20\n", "twice"},
        {"id,wood,length_mm,width_mm,thickness_mm\nA,unobtainium,1000,100,20\n", "unobtainium"},
        {"id,wood,length_mm,width_mm,thickness_mm,defects\nA,maple,1000,100,20,knot\n", "line 2, defects"},
        {"id,wood,length_mm,width_mm,thickness_mm\nA,maple,-5,100,20\n", "-5"},
    };
    for (const auto& [text, expected] : cases) try {
            io::readRackCsv(text);
            ADD_FAILURE() << "accepted: " << text;
        } catch (const InputError& e) {
            EXPECT_NE(std::string(e.what()).find(expected), std::string::npos) << e.what();
        }
    test::property([] {
        // Any bytes: an error or a rack, never a crash.
        std::string text = "id,wood,length_mm,width_mm,thickness_mm,price,defects\n";
        for (int n = test::inRange(0, 60); n > 0; --n) text += static_cast<char>(test::inRange(1, 256));
        try {
            io::readRackCsv(text);
        } catch (const InputError&) {
        }
    });
}

TEST(ShopBook, KeepsTheShopThroughClosingAndOpening)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    Shop shop = test::harbourShop();
    shop.glues[2].openMinutes = 17;
    shop.name = "Förde \"workshop\"";
    {
        io::ShopBook book(path);
        EXPECT_TRUE(book.empty());
        book.save(shop);
    }
    {
        io::ShopBook book(path);
        EXPECT_FALSE(book.empty());
        EXPECT_EQ(book.load(), shop);
        shop.rack.pop_back();
        book.save(shop);
        EXPECT_EQ(book.load(), shop);
        Shop bad = shop;
        bad.kerf = -3;
        EXPECT_THROW(book.save(bad), InputError);
        EXPECT_EQ(book.load(), shop) << "what cannot be saved leaves the book as it was";
    }
    // JSON carries the same.
    std::vector<std::string> notes;
    EXPECT_EQ(io::readShop(io::writeShop(shop), notes), shop);
    EXPECT_TRUE(notes.empty());
}

TEST(ShopBook, KeepsEveryMachineOfTheShop)
{
    const QTemporaryDir folder;
    const std::string path = folder.filePath("machines.book").toStdString();
    Shop shop = test::harbourShop();
    ASSERT_FALSE(shop.otherLathes.empty() || shop.otherJaws.empty() || shop.tools.empty());
    ASSERT_GT(shop.lathe.plate, 0);
    while (shop.tools.size() < 12) shop.tools.push_back(shop.tools[shop.tools.size() % 3]);
    for (size_t i = 0; i < shop.tools.size(); ++i) shop.tools[i].name = std::to_string(i);
    {
        io::ShopBook book(path);
        EXPECT_TRUE(book.save(shop));
    }
    {
        io::ShopBook book(path);
        EXPECT_EQ(book.load(), shop);
    }
    // As JSON too.
    std::vector<std::string> notes;
    EXPECT_EQ(io::readShop(io::writeShop(shop), notes), shop);
    EXPECT_TRUE(notes.empty());
}

TEST(ShopBook, OlderIsBroughtUpToDateAndNewerLeftAlone)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    {
        io::ShopBook book(path);
    }
    auto run = [&](const QString& sql) {
        {
            QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "other");
            db.setDatabaseName(QString::fromStdString(path));
            ASSERT_TRUE(db.open());
            QSqlQuery query(db);
            ASSERT_TRUE(query.exec(sql));
        }
        QSqlDatabase::removeDatabase("other");
    };
    run("DROP TABLE glue");
    run("PRAGMA user_version=1");
    {
        io::ShopBook book(path);
        book.save(test::harbourShop());
        EXPECT_EQ(book.load(), test::harbourShop());
    }
    run("PRAGMA user_version=99");
    EXPECT_THROW(io::ShopBook{path}, InputError);
    run("PRAGMA user_version=2");
    EXPECT_EQ(io::ShopBook(path).load(), test::harbourShop());
    // No database at all, and a folder that is not there.
    const std::string torn = folder.filePath("torn.sqlite").toStdString();
    io::writeFile(torn, std::string(5000, 'x'));
    EXPECT_THROW(io::ShopBook{torn}, InputError);
    EXPECT_THROW(io::ShopBook{"/no/such/folder/shop.sqlite"}, InputError);
}

TEST(ShopBook, AnOlderLogKeepsItsEntries)
{
    // Version 6 kept an entry as a row of a table of its own.
    QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    {
        io::ShopBook book(path);
        book.save(test::harbourShop());
    }
    {
        QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "older");
        db.setDatabaseName(QString::fromStdString(path));
        ASSERT_TRUE(db.open());
        QSqlQuery query(db);
        QStringList columns, values;
        for (const FieldItem& f : itemsOf(Logged{})) {
            if (f.path == "solid") continue;  // came later
            columns << QString::fromStdString(f.path);
            const bool text = f.field.kind == Field::Kind::Text;
            values << (f.path == "name" ? "'A bowl, older'" : f.path == "number" ? "41" : text ? "''" : "1");
        }
        ASSERT_TRUE(query.exec("CREATE TABLE log (place INTEGER NOT NULL, " + columns.join(", ") + ")"));
        ASSERT_TRUE(query.exec("DELETE FROM record WHERE list='log'"));
        ASSERT_TRUE(query.exec("INSERT INTO log VALUES (0, " + values.join(", ") + ")"));
        ASSERT_TRUE(query.exec("PRAGMA user_version=6"));
    }
    QSqlDatabase::removeDatabase("older");
    const Shop shop = io::ShopBook(path).load();
    ASSERT_EQ(shop.log.size(), 1u);
    EXPECT_EQ(shop.log[0].name, "A bowl, older");
    EXPECT_EQ(shop.log[0].number, 41);
    EXPECT_EQ(io::ShopBook(path).load().log, shop.log) << "once, not twice";
}

TEST(ShopFile, IsATableOfValuesThatIsReadBack)
{
    std::vector<std::string> notes;
    const Shop shop = test::harbourShop();
    const std::string table = io::writeShopCsv(shop);
    EXPECT_EQ(io::readShopCsv(table, notes), shop);
    // A line that a spreadsheet took out is an entry less, no hole.
    std::string shorter;
    const std::string gone = "/log/3/";
    for (size_t from = 0, end; (end = table.find("\r\n", from)) != std::string::npos; from = end + 2)
        if (table.compare(from, gone.size(), gone) != 0) shorter += table.substr(from, end + 2 - from);
    Shop less = shop;
    less.log.erase(less.log.begin() + 3);
    EXPECT_EQ(io::readShopCsv(shorter, notes), less);
    for (const char* bad :
         {"", "a,b,c\r\n", "path,kind,value\r\n/name,text\r\n", "path,kind,value\r\nname,text,x\r\n",
          "path,kind,value\r\n/name,text,x\r\n/name/y,text,x\r\n", "path,kind,value\r\n/kerf_mm,number,wide\r\n",
          "path,kind,value\r\n/kerf_mm,number,900\r\n",
          "path,kind,value\r\n/a/b/c/d/e/f/g/h/i/j/k/l/m/n/o/p/q/r/s/t/u/v/w/x/y/z/1/2/3/4/5/6/7,text,x\r\n",
          "path,kind,value\r\n/log/999999999999999999999/name,text,x\r\n"})
        EXPECT_THROW(io::readShopCsv(bad, notes), InputError) << bad;
}

TEST(ShopFile, OlderMixturesOfTwoPartsAreRead)
{
    std::vector<std::string> notes;
    Shop shop = test::harbourShop();
    std::string text = io::writeShop(shop);
    const std::string now = "\"mix\": \"oil 3, hardener 1\"";
    const size_t at = text.find(now);
    ASSERT_NE(at, std::string::npos);
    text.replace(at, now.size(), "\"parts_a\": 3.0, \"parts_b\": 1.0");
    shop = io::readShop(text, notes);
    const FinishLayer& layer = finishOf(shop.finishes, "two-part oil").layers.front();
    EXPECT_EQ(layer.mix, "A 3, B 1");
    EXPECT_TRUE(layer.extra.empty());
}

TEST(Calendar, IsReadBackByLibical)
{
    for (const std::string& name : test::demoNames()) {
        Piece piece = test::demo(name);
        piece.progress = {};
        piece.progress.start = 29928960;  // 2026-11-27 00:00, a Friday
        const Plan plan = makePlan(piece, test::harbourShop());
        const std::string text = io::writeCalendar(piece, plan);
        size_t from = 0;
        for (size_t end; (end = text.find("\r\n", from)) != std::string::npos; from = end + 2)
            ASSERT_LE(end - from, 75u) << "RFC 5545, 3.1: lines of 75 octets";
        EXPECT_EQ(from, text.size());
        icalcomponent* calendar = icalparser_parse_string(text.c_str());
        ASSERT_NE(calendar, nullptr);
        EXPECT_EQ(icalcomponent_count_errors(calendar), 0);
        int events = 0;
        double worked = 0;
        for (icalcomponent* e = icalcomponent_get_first_component(calendar, ICAL_VEVENT_COMPONENT); e;
             e = icalcomponent_get_next_component(calendar, ICAL_VEVENT_COMPONENT)) {
            const icaltimetype start = icalcomponent_get_dtstart(e), end = icalcomponent_get_dtend(e);
            worked += static_cast<double>(icaltime_as_timet(end) - icaltime_as_timet(start)) / 60;
            EXPECT_GE(start.year, 2026);
            // The harbour's workshop: every day from nine to half past five, Saturday to one, Sunday closed.
            const int day = icaltime_day_of_week(start), minute = start.hour * 60 + start.minute;
            EXPECT_GE(minute, 540) << icalcomponent_get_summary(e);
            EXPECT_LT(minute, day == 7 ? 780 : 1050) << icalcomponent_get_summary(e);
            EXPECT_NE(day, 1) << "Sunday";
            EXPECT_NE(std::string(icalcomponent_get_summary(e)), "");
            ++events;
        }
        icalcomponent_free(calendar);
        EXPECT_GT(events, 5) << name;
        EXPECT_NEAR(worked, plan.schedule.workMinutes, 1.0 * events) << name << ": times are to the minute";
    }
}

TEST(Calendar, TellsOnePiecesEventsFromAnothers)
{
    auto uids = [](Piece piece, const std::string& id) {
        piece.id = id;
        const std::string text = io::writeCalendar(piece, makePlan(piece, test::harbourShop()));
        std::set<std::string> all;
        icalcomponent* calendar = icalparser_parse_string(text.c_str());
        for (icalcomponent* e = icalcomponent_get_first_component(calendar, ICAL_VEVENT_COMPONENT); e;
             e = icalcomponent_get_next_component(calendar, ICAL_VEVENT_COMPONENT))
            EXPECT_TRUE(all.insert(icalcomponent_get_uid(e)).second) << "an event of each id";
        icalcomponent_free(calendar);
        return all;
    };
    const Piece cup = test::regattaCup();
    const std::set<std::string> first = uids(cup, "one"), second = uids(cup, "another");
    ASSERT_GT(first.size(), 20u);
    for (const std::string& uid : second)
        EXPECT_FALSE(first.contains(uid)) << "importing one piece would move the other's " << uid;
    EXPECT_EQ(uids(cup, "one"), first) << "imported again, the same events are moved";
}

TEST(Picture, ColorsAreThoseOfTheStandard)
{
    // sRGB primaries in CIE L*a*b* under D65 (IEC 61966-2-1 and CIE 15; the figures from memory).
    const std::pair<std::array<float, 3>, std::array<double, 3>> known[] = {{{1, 1, 1}, {100, 0, 0}},
                                                                            {{0, 0, 0}, {0, 0, 0}},
                                                                            {{1, 0, 0}, {53.24, 80.09, 67.20}},
                                                                            {{0, 1, 0}, {87.73, -86.18, 83.18}},
                                                                            {{0, 0, 1}, {32.30, 79.19, -107.86}}};
    for (const auto& [rgb, lab] : known)
        for (size_t k = 0; k < 3; ++k) EXPECT_NEAR(labOf(rgb)[k], lab[k], 0.05);
}

TEST(Picture, IsLaidOnTheRingsInTheWoodsThatAreNearest)
{
    Piece piece = starts()[4].make();
    piece = edit::divide(piece, 12, 8, 12);
    // Dark stripes, nine round: the number of segments that shows them is a multiple of eighteen.
    Picture picture;
    picture.width = 360;
    picture.height = 80;
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            picture.pixels.push_back((x + 5) / 20 % 2 ? std::array<float, 3>{0.3f, 0.2f, 0.15f}
                                                      : std::array<float, 3>{0.95f, 0.9f, 0.8f});
    PictureFit fit;
    const Piece laid = layPicture(piece, picture, 1, 1, {"maple", "walnut"}, 0, 60, 2, &fit);
    EXPECT_GT(fit.tried.size(), 50u);
    const double least = std::ranges::min_element(fit.tried, {}, [](const auto& t) { return t.second; })->second;
    EXPECT_LE(fit.error, 1.02 * least + 1e-9);
    EXPECT_GE(fit.segments, 18);
    const Piece eighteen = layPicture(piece, picture, 1, 1, {"maple", "walnut"}, 36, 60, 2, &fit);
    EXPECT_EQ(eighteen.layers[1].ring()->segments, 36);
    int dark = 0;
    for (int k = 0; k < 36; ++k)
        dark += eighteen.layers[1].woods[static_cast<size_t>(k) % eighteen.layers[1].woods.size()] == "walnut";
    EXPECT_NEAR(dark, 18, 1);
    EXPECT_EQ(eighteen.layers[2], piece.layers[2]) << "other layers are left alone";
    EXPECT_THROW(layPicture(piece, {}, 1, 2, {"maple"}, 0, 60, 2), InputError);
    EXPECT_THROW(layPicture(piece, picture, 0, 0, {"maple"}, 0, 60, 2), InputError);
    EXPECT_THROW(layPicture(piece, picture, 1, 2, {}, 0, 60, 2), InputError);
    makePlan(laid, {});
}

TEST(ShopBook, TwoWindowsThatBeginAtOnceBothKeepIt)
{
    for (int k = 0; k < 5; ++k) {
        const QTemporaryDir folder;
        const std::string path = folder.filePath("shop.sqlite").toStdString();
        std::array<std::string, 2> trouble;
        std::vector<std::unique_ptr<QThread>> windows;
        for (std::string& said : trouble)
            windows.emplace_back(QThread::create([&path, &said] {
                try {
                    const io::ShopBook book(path);
                    if (!book.empty()) said = "a new book is empty";
                } catch (const std::exception& e) {
                    said = e.what();
                }
            }));
        for (const auto& w : windows) w->start();
        for (const auto& w : windows) w->wait();
        for (const std::string& said : trouble) EXPECT_EQ(said, "");
        io::ShopBook book(path);
        EXPECT_TRUE(book.save(Shop{}));
    }
}

TEST(ShopBook, WhatAnotherProgramHoldsIsOutOfReachAndNotDamaged)
{
    const QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    io::ShopBook book(path);
    ASSERT_TRUE(book.save(Shop{}));
    {
        QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "holds");
        db.setDatabaseName(QString::fromStdString(path));
        ASSERT_TRUE(db.open());
        QSqlQuery held(db);
        ASSERT_TRUE(held.exec("BEGIN IMMEDIATE"));
        EXPECT_THROW(book.save(Shop{}, io::ShopBook::Changed::WriteOver), io::BookOutOfReach);
        ASSERT_TRUE(held.exec("ROLLBACK"));
        db.close();
    }
    QSqlDatabase::removeDatabase("holds");
    EXPECT_TRUE(book.save(Shop{}, io::ShopBook::Changed::WriteOver));
    const std::string other = folder.filePath("other.sqlite").toStdString();
    io::writeFile(other, std::string(5000, 'x'));
    try {
        io::ShopBook damaged(other);
        FAIL();
    } catch (const io::BookOutOfReach&) {
        FAIL() << "no book at all is unreadable";
    } catch (const InputError&) {
    }
}

TEST(ShopFile, ItsOwnFinishesStandBesideTheUsualOnes)
{
    Shop shop;
    const std::string usual = shop.finishes.front().id, name = "as the harbor does it";
    Finish own = shop.finishes.front();
    own.name = name;  // of the same id: in its place
    Finish more = own;
    more.id = "own-1";
    shop.finishes = {own, more};
    std::vector<std::string> notes;
    const Shop read = io::readShop(io::writeShop(shop), notes);
    EXPECT_EQ(read.finishes.size(), commonFinishes().size() + 1);
    EXPECT_EQ(std::ranges::find(read.finishes, usual, &Finish::id)->name, name);
    EXPECT_NE(std::ranges::find(read.finishes, "own-1", &Finish::id), read.finishes.end());
}
