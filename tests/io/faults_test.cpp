// What goes wrong on a disk: writes that fail at every byte in turn, ends by signal, books that cannot be read, two
// programs on one file.
#include "core/blank/assembly.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "io/dxf.h"
#include "io/files.h"
#include "io/fresh_file.h"
#include "io/rack_csv.h"
#include "io/shop_book.h"
#include "tests/support/property.h"

#include <QSqlDatabase>
#include <QSqlQuery>
#include <QStringConverter>
#include <QTemporaryDir>

#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <filesystem>
#include <fstream>

using namespace vl;

namespace {

size_t filesIn(const std::string& folder)
{
    return static_cast<size_t>(std::distance(std::filesystem::directory_iterator(folder), {}));
}

/// Does something in a process of its own in which no file grows beyond `most` bytes; whether it was refused in words.
bool refusedBeyond(rlim_t most, const std::function<void()>& write)
{
    const pid_t child = fork();
    if (child == 0) {
        io::removeLeftoversOnSignals();
        const rlimit limit{most, most};
        setrlimit(RLIMIT_FSIZE, &limit);
        try {
            write();
            _exit(0);
        } catch (const InputError&) {
            _exit(1);
        } catch (...) {
            _exit(2);
        }
    }
    int status = 0;
    waitpid(child, &status, 0);
    EXPECT_TRUE(WIFEXITED(status) && WEXITSTATUS(status) < 2) << "refused in words, not ended";
    return WIFEXITED(status) && WEXITSTATUS(status) == 1;
}

}  // namespace

TEST(Faults, AWriteThatFailsAtAnyByteLeavesTheOldFileAndNothingElse)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("piece.vlathe").toStdString(), old = "the old one";
    const std::string text(257, 'x');
    io::writeFile(path, old);
    for (rlim_t most = 0; most <= text.size(); ++most) {
        const bool refused = refusedBeyond(most, [&] { io::writeFile(path, text); });
        EXPECT_EQ(refused, most < text.size()) << most;
        EXPECT_EQ(io::readFile(path), most < text.size() ? old : text) << most;
        EXPECT_EQ(filesIn(folder.path().toStdString()), 1u) << "at " << most;
    }
    // A drawing is written by a stream that says nothing of it.
    const std::string drawing = folder.filePath("profile.dxf").toStdString();
    const TurnedSurfaces surfaces = turnedSurfacesOf(starts()[0].make());
    io::writeDxf(surfaces, drawing);
    const auto size = std::filesystem::file_size(drawing);
    for (rlim_t most = 0; most < size; most += 1999)
        EXPECT_TRUE(refusedBeyond(most, [&] { io::writeDxf(surfaces, drawing); })) << most;
    EXPECT_TRUE(io::readFile(drawing).ends_with("EOF\n")) << "the old one is whole";
    EXPECT_TRUE(refusedBeyond(size - 200, [&] { io::writeDxf(surfaces, drawing); }));
    EXPECT_FALSE(refusedBeyond(size + 4096, [&] { io::writeDxf(surfaces, drawing); }));
    EXPECT_TRUE(io::readFile(drawing).ends_with("EOF\n"));
    EXPECT_EQ(filesIn(folder.path().toStdString()), 2u);
}

TEST(Faults, ASignalInTheMiddleLeavesNoTemporary)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("big.csv").toStdString();
    for (const int signal : {SIGTERM, SIGINT, SIGKILL}) {
        const pid_t child = fork();
        if (child == 0) {
            io::removeLeftoversOnSignals();
            io::replaceFile(path, [&](QIODevice& file) {
                file.write("half");
                raise(signal);
            });
            _exit(0);
        }
        int status = 0;
        waitpid(child, &status, 0);
        EXPECT_TRUE(WIFSIGNALED(status)) << signal;
        EXPECT_EQ(filesIn(folder.path().toStdString()), 0u) << signal;
    }
}

TEST(Faults, WhatStandsInAFilesPlaceKeepsItsRightsAndLinks)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("a.vlathe").toStdString(),
                      link = folder.filePath("b.vlathe").toStdString();
    io::writeFile(path, "one");
    std::filesystem::permissions(path, std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
    std::filesystem::create_symlink(path, link);
    io::writeFile(link, "two");
    EXPECT_TRUE(std::filesystem::is_symlink(link)) << "what it names was replaced, not the link";
    EXPECT_EQ(io::readFile(path), "two");
    EXPECT_EQ(std::filesystem::status(path).permissions(),
              std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
    EXPECT_THROW(io::writeFile(folder.path().toStdString(), "x"), InputError) << "a folder is no file";
    EXPECT_THROW(io::readFile("/dev/zero"), InputError) << "without end";
}

TEST(ShopBook, TwoProgramsNeverTakeEachOthersBoardsAway)
{
    QTemporaryDir folder;
    const std::string path = folder.filePath("shop.sqlite").toStdString();
    Shop first, second;
    io::ShopBook a(path);
    EXPECT_TRUE(a.save(first));
    io::ShopBook b(path);
    second = b.load();
    Board board;
    board.id = "B1";
    first.rack.push_back(board);
    EXPECT_TRUE(a.save(first));
    second.kerf = 2.2;
    EXPECT_FALSE(b.save(second)) << "the book has changed since b read it";
    EXPECT_EQ(b.load().rack.size(), 1u) << "and nothing was taken away";
    second = b.load();
    second.kerf = 2.2;
    EXPECT_TRUE(b.save(second)) << "now it knows";
    EXPECT_FALSE(a.save(first));
    EXPECT_TRUE(a.save(first, io::ShopBook::Changed::WriteOver)) << "the turner says so";
    EXPECT_EQ(b.load().kerf, first.kerf);
}

TEST(ShopBook, OfEarlierVersionsGetsTheFieldsThatCameSince)
{
    QTemporaryDir folder;
    const QString path = folder.filePath("shop.sqlite");
    {
        io::ShopBook made(path.toStdString());
        Shop shop;
        Board board;
        board.id = "B7";
        shop.rack.push_back(board);
        ASSERT_TRUE(made.save(shop));
    }
    {
        // As the second version left it.
        QSqlDatabase db = QSqlDatabase::addDatabase("QSQLITE", "older");
        db.setDatabaseName(path);
        ASSERT_TRUE(db.open());
        QSqlQuery q(db);
        for (const char* change : {"ALTER TABLE glue DROP COLUMN least_g", "ALTER TABLE glue DROP COLUMN foams",
                                   "DELETE FROM setting WHERE key='saves'", "PRAGMA user_version=2"})
            ASSERT_TRUE(q.exec(change)) << change;
        db.close();
    }
    QSqlDatabase::removeDatabase("older");
    io::ShopBook book(path.toStdString());
    const Shop shop = book.load();
    EXPECT_EQ(shop.rack.size(), 1u);
    EXPECT_EQ(shop.glues, commonGlues()) << "polyurethane foams, epoxy is mixed in no less than 6 g";
    EXPECT_TRUE(book.save(shop));
}

TEST(Rack, InAnotherEncodingIsReadAsWhatItIs)
{
    const QString text = QString::fromUtf8("id,wood,length_mm,width_mm,thickness_mm\nBrücke 1,maple,1000,100,25\n");
    for (const QByteArray& bytes :
         {text.toUtf8(), QByteArray("\xef\xbb\xbf") + text.toUtf8(), text.toLatin1(),
          QByteArray(QStringEncoder(QStringEncoder::Utf16LE, QStringEncoder::Flag::WriteBom).encode(text))}) {
        const auto boards = io::readRackCsv(std::string_view(bytes.data(), static_cast<size_t>(bytes.size())));
        ASSERT_EQ(boards.size(), 1u);
        EXPECT_EQ(boards[0].id, "Brücke 1");
        QTemporaryDir folder;
        io::ShopBook book(folder.filePath("s.sqlite").toStdString());
        Shop shop;
        shop.rack = boards;
        EXPECT_TRUE(book.save(shop));
        EXPECT_EQ(book.load().rack, boards);
    }
}

TEST(Errors, AreOneLineOfWholeLettersAndNameTheirPlace)
{
    const std::string long1(300000, 'x'), letters = [] {
        std::string all;
        for (int i = 0; i < 400; ++i) all += "漢";
        return all;
    }();
    for (const std::string& value : {long1, letters, std::string("tab\tnew\nline\x01"), letters.substr(0, 301)}) {
        const InputError e("field", value, "something else is");
        const std::string said = e.what();
        EXPECT_LT(said.size(), 2000u);
        for (const char c : said) EXPECT_FALSE(static_cast<unsigned char>(c) < 32 || c == 127);
    }
    const std::string cut = oneLine(letters);
    EXPECT_EQ(cut.size() % 3, 0u) << "no letter is cut in two";
    EXPECT_TRUE(cut.ends_with("…"));
    struct Case {
        std::string text, field, value;
    };
    std::string keys = "{\n\"a\": 1";
    for (int i = 0; i < 100000; ++i) keys += ",\"k" + std::to_string(i) + "\":1";
    const Case cases[] = {
        {"{\n\"format\": \"vivid-lathe-piece\",\n  \"id\": 1e400\n}", "line 3, column 9", "1e400"},
        {"{\n\"a\": tru\n}", "line 2", "what stands there"},
        {keys + "}", "line 2", "more than 2000 keys in one object"},
        {std::string(100, '[') + std::string(100, ']'), "line 1, column 65", "nesting deeper than 64"},
    };
    for (const Case& c : cases) {
        try {
            io::readPiece(c.text);
            ADD_FAILURE() << c.field;
        } catch (const InputError& e) {
            EXPECT_EQ(e.field().substr(0, c.field.size()), c.field) << e.what();
            EXPECT_EQ(e.value(), c.value) << e.what();
        }
    }
}

TEST(Faults, ALinkToNothingYetGetsItsFileAndLongNamesWork)
{
    const QTemporaryDir folder;
    const std::string at = folder.path().toStdString();
    std::filesystem::create_symlink("made.txt", at + "/link");
    io::writeFile(at + "/link", "words");
    EXPECT_TRUE(std::filesystem::is_symlink(at + "/link"));
    EXPECT_EQ(io::readFile(at + "/made.txt"), "words");
    // 255 bytes are what most file systems take.
    const std::string longest = at + "/" + std::string(250, 'n');
    io::writeFile(longest, "first");
    io::writeFile(longest, "second");
    EXPECT_EQ(io::readFile(longest), "second");
    EXPECT_EQ(std::distance(std::filesystem::directory_iterator(at), std::filesystem::directory_iterator()), 3)
        << "nothing else is left there";
}
