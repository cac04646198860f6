// An outline is taken back by hand: past its neighbors with Shift, never across itself.
#include "app/lanes/section_lane.h"
#include "core/geometry/fall_back.h"
#include "tests/support/samples.h"
#include "tests/ui/desk.h"

#include <gtest/gtest.h>

using namespace vl;
using namespace vl::app;
using vl::test::Desk;

TEST(FallBack, ANodeGoesPastItsNeighborWithShift)
{
    Desk b;
    ASSERT_TRUE(b.window.openDemo("belaying-pin"));
    b.window.goTo("shape");
    QApplication::processEvents();
    auto* section = b.lane<SectionLane>();
    const Piece before = b.piece();
    // The shoulder's outer corner, back over the stem: an overhang.
    const int shoulder = 2;
    const QPointF node = section->nodePosition(Side::Outside, shoulder);
    const double scale = section->nodePosition(Side::Outside, 3).x() - node.x();  // pixels for 28 mm
    const QPointF back(-12 * scale / (before.outside[3].z - before.outside[2].z), 0);
    b.drag(section, node, node + back);
    EXPECT_GE(b.piece().outside[2].z, b.piece().outside[1].z) << "its neighbor holds it";
    b.doc().history().undo();
    b.drag(section, section->nodePosition(Side::Outside, shoulder), node + back, 6, Qt::ShiftModifier);
    ASSERT_TRUE(fallsBack(b.piece().outside));
    EXPECT_EQ(b.doc().plan().surfaces.back.undercut.empty(), false);
    EXPECT_TRUE(vl::test::stepOf(b.doc().plan(), "undercut-1"));
    // Typed, it may come forward again; across itself it may not go.
    const Outline fallen = b.piece().outside;
    b.type("Station", "125");
    EXPECT_NE(b.piece().outside, fallen);
    b.doc().history().undo();
    EXPECT_EQ(b.piece().outside, fallen);
    // From the overhang's edge back through the stem.
    const auto crosses = [&](Piece& p) {
        p.outside[3].z = 100;
        p.outside[3].r = 5;
    };
    EXPECT_FALSE(b.doc().apply("cross", crosses));
    EXPECT_EQ(b.piece().outside, fallen) << "what is refused changes nothing";
}
