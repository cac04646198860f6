// Rings parted from one blank: their mesh against circles' areas.
#include "core/picture/parted.h"
#include "core/plan/plan.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

using namespace vl;

TEST(Parted, RingsHaveTheVolumeOfTheirCircles)
{
    const Piece piece = test::demo("porthole-bangles");
    ASSERT_TRUE(piece.nest.on);
    const Plan plan = makePlan(piece, Shop{});
    const double height = outlineHeight(piece);
    double expected = 0;
    for (const NestedRing& ring : nestedRings(piece.nest))
        expected += pi / 4 * (ring.outer * ring.outer - ring.inner * ring.inner) * height;
    const double measured = meshVolume(partedMesh(plan.assembly, piece.nest, height, {0.005, false}));
    EXPECT_NEAR(measured / expected, 1, 2e-3) << "plane geometry of the annulus";
}
