// A piece that takes longer to plan than a hand waits: it is planned beside, and the latest wish wins.
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

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
        EXPECT_TRUE(b.doc().apply("drag", wider(vase, 0.05 * k), merge));
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
    EXPECT_EQ(b.piece().outside[1].r, vase.outside[1].r);
}

TEST(Large, IsUndoneBesideEvenWhenPressedQuickly)
{
    Desk b;
    b.doc().replace(test::tallVase(120, 12), {});
    b.window.goTo("shape");
    const Piece vase = b.piece();
    for (int k = 1; k <= 3; ++k) {
        b.doc().apply("wider", wider(vase, k));
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
    b.doc().apply("wider", wider(vase, 7));
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
    b.doc().apply("wrong", wrong);
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_GT(b.piece().layers[3].thickness, 0);
    EXPECT_TRUE(b.window.message().contains("-4")) << b.window.message().toStdString();
    b.doc().apply("wider", wider(b.piece(), 1));
    b.window.openDemo("chart-stand");
    const Piece stand = b.piece();
    ASSERT_TRUE(settled(b.doc()));
    EXPECT_EQ(b.piece(), stand);
    EXPECT_FALSE(b.doc().edited());
}
