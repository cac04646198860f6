// A split piece rolls: the straight four-fold body against its closed forms, every other by what a roll must keep to.
#include "core/picture/rejoined.h"
#include "core/picture/rolling.h"
#include "core/piece/edits/edit.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"

#include <cmath>

using namespace vl;
using Eigen::Vector3d;

namespace {

Piece splitPiece(const Split& split) { return edit::setSplit(test::plainCylinder(20, 100, BlockForm::Along), split); }

Split fourFold(double r)
{
    Split split;
    split.on = true;
    split.size = 2 * r;
    return split;
}

double areaOf(const Rolling::Print& print)
{
    Vector3d twice(0, 0, 0);
    for (size_t k = 2; k < print.corners.size(); ++k)
        twice += (print.corners[k - 1] - print.corners[0]).cross(print.corners[k] - print.corners[0]);
    return twice.norm() / 2;
}

}  // namespace

TEST(Rolling, FourFoldBodyKeepsItsMiddleLevelAndPrintsItsSurface)
{
    // Four half cones of 90° on a radius r: every ruling is r/√2 from the middle; each cone's half is a sector of
    // π/√2 and slant r√2, and they take turns to both sides. Known volume 2πr³/3, area 2√2πr² (plane geometry).
    constexpr double r = 40;
    const Piece piece = splitPiece(fourFold(r));
    const Vector3d middle = middleOfMass(piece);
    EXPECT_NEAR((middle - Vector3d(r, 0, 0)).norm(), 0, 1e-3);
    const Surface hull = rollingHull(piece);
    EXPECT_NEAR(volumeOf(hull), 2 * pi * r * r * r / 3, 0.005 * volumeOf(hull));
    const double slant = r * std::sqrt(2.0), sector = pi / std::sqrt(2.0);
    const double period = 4 * slant * std::sin(sector / 2), area = 2 * std::sqrt(2.0) * pi * r * r;
    const Rolling roll = rollOn(hull, middle, 6 * period);
    ASSERT_GT(roll.places.size(), 300u);
    for (const auto& place : roll.places) EXPECT_NEAR((place * middle).x(), r / std::sqrt(2.0), 0.01 * r);
    double printed = 0;
    for (const Rolling::Print& p : roll.prints) printed += areaOf(p);
    EXPECT_NEAR(printed / roll.along * period, area, 0.03 * area);
    // It wavers to both sides of a straight line, and gets on along −y.
    double least = 0, most = 0;
    for (const auto& place : roll.places) {
        const Vector3d at = place * middle;
        least = std::min(least, at.z());
        most = std::max(most, at.z());
    }
    EXPECT_LT(most - least, 1.2 * slant);
    EXPECT_NEAR((roll.places.back() * middle).y(), -roll.along, 1e-6);
}

TEST(Rolling, NeverLeavesTheGroundAndNeverSinksIn)
{
    test::property([] {
        Split split;
        split.on = true;
        split.fold = std::array{3, 4, 6}[static_cast<size_t>(test::inRange(0, 3))];
        split.size = test::inRange(20, 300);
        split.band = split.size * test::inRange(0, 30) / 100.0 * std::tan(pi / split.fold);
        const double bend = std::tan(pi / (2 * split.fold)) / 2;
        split.bulge = split.fold % 2 ? 0 : bend * test::inRange(-9, 10) / 10.0;
        const Piece piece = splitPiece(split);
        const Surface hull = rollingHull(piece);
        const Rolling roll = rollOn(hull, middleOfMass(piece), 4 * split.size);
        RC_ASSERT(roll.places.size() > 10u);
        for (size_t k = 0; k < roll.places.size(); k += 7) {
            double lowest = 1e9;
            for (const auto& c : hull.corners)
                lowest = std::min(lowest, (roll.places[k] * Vector3d(c[0], c[1], c[2])).x());
            RC_ASSERT(std::abs(lowest) < 1e-3 * split.size);
        }
        // From one place to the next it turns by no more than is seen as one movement.
        for (size_t k = 1; k < roll.places.size(); ++k)
            RC_ASSERT(Eigen::AngleAxisd(roll.places[k].linear() * roll.places[k - 1].linear().transpose()).angle() <
                      0.13);
        for (const Rolling::Print& p : roll.prints)
            for (const Vector3d& c : p.corners) RC_ASSERT(std::abs(c.x()) < 1e-3 * split.size);
    });
}

TEST(Rolling, IsNothingWhereThereIsNoBody)
{
    EXPECT_TRUE(rollOn(Surface{}, Vector3d::Zero(), 100).places.empty());
    EXPECT_TRUE(rollingHull(Piece{}).faces.empty());
}
