// A piece that takes longer to plan than a hand waits is planned beside: no edit is lost, and the latest state is
// shown.
#include "app/bench/bench_window.h"
#include "core/piece/edits/edit.h"
#include "io/files.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <QDir>
#include <QJsonDocument>

#include <random>

using namespace vl;
using namespace vl::app;
using test::Desk;

namespace {

Piece wider(Piece piece, double by)
{
    piece.outside[1].r += by;
    return piece;
}

bool settled(Document& document)
{
    return QTest::qWaitFor([&] { return !document.planning(); }, 60000);
}

}  // namespace

TEST(Large, IsPlannedBesideAndTheLatestWishWins)
{
    Desk b;
    const Piece vase = test::tallVase(120, 12);
    b.doc().replace(vase, {});
    b.window.goTo("shape");
    const unsigned before = b.doc().version();
    const int merge = Document::newMergeKey();
    b.doc().beginDrag();
    for (int k = 1; k <= 40; ++k) {
        EXPECT_TRUE(b.doc().apply("drag", test::as(wider(vase, 0.05 * k)), merge));
        EXPECT_EQ(b.piece().outside[1].r, vase.outside[1].r) << "nothing waits for the plan";
    }
    EXPECT_TRUE(b.doc().planning());
    b.doc().endDrag();
    EXPECT_TRUE(b.doc().live()) << "until the last wish is planned";
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_FALSE(b.doc().live());
    EXPECT_NEAR(b.piece().outside[1].r, vase.outside[1].r + 2, 1e-12);
    EXPECT_LE(b.doc().version(), before + 2) << "the first and the last are planned, what lies between is not";
    EXPECT_EQ(b.doc().history().count(), 1) << "one step of the history";
    b.doc().history().undo();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece().outside[1].r, vase.outside[1].r);
}

TEST(Large, IsUndoneBesideEvenWhenPressedQuickly)
{
    Desk b;
    b.doc().replace(test::tallVase(120, 12), {});
    b.window.goTo("shape");
    const Piece vase = b.piece();
    for (int k = 1; k <= 3; ++k) {
        b.doc().apply("wider", test::as(wider(vase, k)));
        ASSERT_TRUE(settled(b.doc()));
    }
    const auto wide = [&] { return b.piece().outside[1].r - vase.outside[1].r; };
    b.doc().undo();
    b.doc().undo();
    EXPECT_NEAR(wide(), 3, 1e-12) << "nothing waits for the plan";
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_NEAR(wide(), 1, 1e-12);
    EXPECT_EQ(b.doc().history().index(), 1);
    b.press("Redo");
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_NEAR(wide(), 2, 1e-12);
    for (int k = 0; k < 5; ++k) b.doc().undo();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece(), vase);
    EXPECT_FALSE(b.doc().edited());
    // What is still being planned is what an undo takes back.
    b.doc().apply("wider", test::as(wider(vase, 7)));
    b.doc().undo();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece(), vase);
    b.doc().redo();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_NEAR(wide(), 7, 1e-12);
}

TEST(Large, WhatCannotBeIsRefusedAndAnotherPieceIsNotTouched)
{
    Desk b;
    const Piece vase = test::tallVase(120, 12);
    b.doc().replace(vase, {});
    Piece wrong = vase;
    wrong.layers[3].thickness = -4;
    EXPECT_FALSE(b.doc().apply("wrong", test::as(wrong)));
    EXPECT_EQ(b.doc().history().count(), 0);
    EXPECT_GT(b.piece().layers[3].thickness, 0);
    EXPECT_TRUE(b.window.message().contains("-4")) << b.window.message().toStdString();
    b.doc().apply("wider", test::as(wider(b.piece(), 1)));
    b.window.openDemo("chart-stand");
    const Piece stand = b.piece();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece(), stand);
    EXPECT_FALSE(b.doc().edited());
}

TEST(Large, TwoQuickEditsAreTwoSteps)
{
    Desk b;
    b.doc().replace(test::tallVase(80, 12), {});
    b.window.goTo("build");
    QApplication::processEvents();
    auto* section = b.window.findChild<SectionLane*>();
    for (auto* lane : b.window.findChildren<SectionLane*>())
        if (lane->isVisible()) section = lane;
    const size_t before = b.piece().layers.size();
    for (int k = 0; k < 2; ++k) QTest::keyClick(section, Qt::Key_Insert);
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece().layers.size(), before + 2);
    for (int k = 0; k < 3; ++k) QTest::keyClick(section, Qt::Key_Insert);
    EXPECT_EQ(b.piece().layers.size(), before + 2) << "nothing waits for the plan";
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece().layers.size(), before + 5);
    EXPECT_EQ(b.doc().history().count(), 5);
    for (int k = 0; k < 2; ++k) QTest::keyClick(section, Qt::Key_Delete);
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece().layers.size(), before + 3);
    QTest::keyClick(section, Qt::Key_Insert);
    b.doc().undo();
    b.doc().undo();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece().layers.size(), before + 4) << "what was inserted last, and one that was taken out";
}

TEST(Large, IsSavedWholeAndAskedAboutBeforeItsPlanIsThere)
{
    Desk b;
    b.doc().replace(test::tallVase(80, 12), {});
    const QString path = b.folder.filePath("vase.vlathe");
    ASSERT_TRUE(b.window.saveTo(path));
    const auto more = [](Piece p) { return edit::addLayer(std::move(p), 5); };
    b.doc().apply("ring", more);
    ASSERT_TRUE(b.doc().planning());
    EXPECT_TRUE(b.doc().edited());
    ASSERT_TRUE(b.window.save());
    EXPECT_EQ(io::loadPiece(path.toStdString()).piece.layers.size(), 82u);
    EXPECT_FALSE(b.doc().edited());
    // Closed at once, it is asked about.
    b.doc().apply("ring", more);
    ASSERT_TRUE(b.doc().planning());
    b.way = -1;
    EXPECT_FALSE(b.window.close());
    ASSERT_EQ(b.asked.size(), 1);
    EXPECT_EQ(b.piece().layers.size(), 83u);
    // And kept in a draft before it is planned.
    b.doc().apply("ring", more);
    ASSERT_TRUE(b.doc().planning());
    ASSERT_TRUE(b.window.drafts().write());
    const QDir drafts(b.folder.filePath("drafts"));
    const QStringList kept = drafts.entryList({"*.draft"});
    ASSERT_EQ(kept.size(), 1);
    const auto draft =
        QJsonDocument::fromJson(QByteArray::fromStdString(io::readFile(drafts.filePath(kept[0]).toStdString())));
    EXPECT_EQ(io::readPiece(draft["piece"].toString().toStdString()).piece.layers.size(), 84u);
    b.way = 1;
}

TEST(Large, APedalPressedTwiceFinishesTwoSteps)
{
    Desk b;
    b.doc().replace(test::tallVase(80, 12), {});
    BenchWindow bench(b.doc(), {});
    bench.setAttribute(Qt::WA_DeleteOnClose, false);
    bench.show();
    // Cautions, clocks and questions take presses of their own: a step is done once it is ticked.
    const auto done = [&] { return b.doc().wanted().piece.progress.done.size(); };
    for (int k = 0; k < 20 && done() < 3; ++k) bench.heard({DeviceReading::Pedal, 1});
    ASSERT_TRUE(settled(b.doc()));
    ASSERT_EQ(b.piece().progress.done.size(), 3u) << "none is taken back by the next press";
}

TEST(Large, WhatIsBeingPlannedCanBeTakenBack)
{
    Desk b;
    b.doc().replace(test::tallVase(80, 12), {});
    const Piece vase = b.piece();
    for (int k = 1; k <= 3; ++k) b.doc().apply("wider", test::as(wider(vase, k)));
    ASSERT_TRUE(b.doc().planning());
    b.doc().giveUp();
    EXPECT_FALSE(b.doc().planning());
    EXPECT_EQ(b.doc().wanted().piece, vase);
    EXPECT_EQ(b.doc().history().count(), 0);
    EXPECT_TRUE(b.doc().apply("wider", test::as(wider(vase, 1))));
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_NE(b.piece(), vase);
}

// Whatever is done in whatever order, quickly or slowly: what is wanted is what a plain list of states says, and what
// is shown is that once the plans are made.
TEST(Large, TheHistoryIsThatOfAPlainList)
{
    Document doc;
    const Piece vase = test::tallVase(70, 8);
    std::mt19937 dice(20261201);
    for (int round = 0; round < 6; ++round) {
        doc.replace(vase, {});
        std::vector<State> list{doc.wanted()};
        std::vector<int> keys{0};  // of the step that led to each
        size_t at = 0;
        const auto put = [&](const State& next, int key) {
            const bool merges = key > 0 && at > 0 && keys[at] == key;
            list.resize(at + (merges ? 0 : 1));
            keys.resize(list.size());
            list.push_back(next);
            keys.push_back(key);
            at = list.size() - 1;
        };
        for (int k = 0; k < 60; ++k) {
            const int what = static_cast<int>(dice() % 10);
            if (what < 4) {
                const int merge = dice() % 2 ? 0 : 1 + static_cast<int>(dice() % 2);
                const double by = 0.01 * static_cast<double>(1 + dice() % 50);
                ASSERT_TRUE(doc.apply(
                    "wider", [by](Piece& p) { p.outside[1].r += by; }, merge));
                State next = list[at];
                next.piece.outside[1].r += by;
                put(next, merge);
            } else if (what == 4) {
                ASSERT_TRUE(doc.changeShop("kerf", [&](Shop& s) { s.kerf += 0.001; }));
                State next = list[at];
                next.shop.kerf += 0.001;
                put(next, 0);
            } else if (what == 5) {
                EXPECT_FALSE(doc.apply("wrong", [](Piece& p) { p.layers[1].thickness = -1; }));
            } else if (what == 6) {
                doc.undo();
                if (at > 0) --at;
            } else if (what == 7) {
                doc.redo();
                if (at + 1 < list.size()) ++at;
            } else if (what == 8)
                QTest::qWait(static_cast<int>(dice() % 40));
            else
                doc.settle();
            ASSERT_EQ(doc.wanted(), list[at]) << "round " << round << ", step " << k;
        }
        doc.settle();
        EXPECT_FALSE(doc.planning());
        EXPECT_EQ(doc.piece(), list[at].piece);
        EXPECT_EQ(doc.shop(), list[at].shop);
        EXPECT_EQ(doc.plan().assembly.layers.size(), list[at].piece.layers.size());
    }
}
