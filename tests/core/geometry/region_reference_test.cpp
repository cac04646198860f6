// Regions of the half plane beside CGAL's exact booleans on the same polygons.
#include "core/geometry/region.h"
#include "tests/support/property.h"

#include <CGAL/Boolean_set_operations_2.h>
#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Polygon_set_2.h>

namespace {

using namespace vl;
using Exact = CGAL::Exact_predicates_exact_constructions_kernel;
using ExactPolygon = CGAL::Polygon_2<Exact>;
using ExactSet = CGAL::Polygon_set_2<Exact>;

/// A star-shaped polygon about a place, so that it never crosses itself; on a grid of a tenth, so that Clipper's grid
/// and the exact one are the same.
Polyline anyPolygon()
{
    const double z = test::inRange(0, 800) / 10.0, r = test::inRange(300, 900) / 10.0;
    const int corners = test::inRange(3, 12);
    Polyline polygon;
    for (int k = 0; k < corners; ++k) {
        const double a = 2 * pi * k / corners, far = test::inRange(40, 290) / 10.0;
        polygon.emplace_back(std::round(10 * (z + far * std::cos(a))) / 10,
                             std::round(10 * (r + far * std::sin(a))) / 10);
    }
    return polygon;
}

bool isSound(const Polyline& polygon)
{
    ExactPolygon exact;
    for (const Point& p : polygon) exact.push_back({p.x(), p.y()});
    return exact.is_simple() && exact.is_counterclockwise_oriented();
}

ExactSet exactOf(const Polyline& polygon)
{
    ExactPolygon exact;
    for (const Point& p : polygon) exact.push_back({p.x(), p.y()});
    return ExactSet(exact);
}

double areaOf(const ExactSet& set)
{
    std::vector<CGAL::Polygon_with_holes_2<Exact>> parts;
    set.polygons_with_holes(std::back_inserter(parts));
    double area = 0;
    for (const auto& part : parts) {
        area += CGAL::to_double(part.outer_boundary().area());
        for (const auto& hole : part.holes()) area += CGAL::to_double(hole.area());
    }
    return area;
}

}  // namespace

TEST(Region, BooleansAreThoseOfTheReference)
{
    test::property([] {
        const Polyline a = anyPolygon(), b = anyPolygon(), c = anyPolygon();
        if (!isSound(a) || !isSound(b) || !isSound(c)) return;
        const Region ra({a}), rb({b}), rc({c});
        ExactSet both = exactOf(a);
        both.join(exactOf(b));
        // Corners that are cut anew lie on Clipper's grid of 0.1 µm: an area is off by no more than the border · that.
        constexpr double close = 1e-2;  // mm²
        RC_ASSERT(std::abs((ra | rb).area() - areaOf(both)) < close);
        ExactSet left = both;
        left.difference(exactOf(c));
        RC_ASSERT(std::abs(((ra | rb) - rc).area() - areaOf(left)) < close);
        ExactSet shared = both;
        shared.intersection(exactOf(c));
        RC_ASSERT(std::abs(((ra | rb) & rc).area() - areaOf(shared)) < close);
    });
}

TEST(Region, TurnedSolidsAddUp)
{
    test::property([] {
        const Polyline a = anyPolygon(), b = anyPolygon();
        if (!isSound(a) || !isSound(b)) return;
        const Region ra({a}), rb({b});
        const double all = (ra | rb).revolved().volume, sum = ra.revolved().volume + rb.revolved().volume,
                     shared = (ra & rb).revolved().volume;
        RC_ASSERT(std::abs(all - (sum - shared)) < 1e-5 * (1 + sum));
        const double moment = ra.revolved().momentZ + rb.revolved().momentZ;
        RC_ASSERT(std::abs((ra | rb).revolved().momentZ + (ra & rb).revolved().momentZ - moment) <
                  1e-4 * (1 + std::abs(moment)));
        // A solid's middle lies between its ends, and what is within it by more is smaller.
        const Range along = ra.along();
        const Revolved solid = ra.revolved();
        RC_ASSERT(solid.momentZ / solid.volume >= along.low - 1e-6 &&
                  solid.momentZ / solid.volume <= along.high + 1e-6);
        RC_ASSERT(ra.inset(1).revolved().volume < solid.volume);
        RC_ASSERT(ra.inset(-1).revolved().volume > solid.volume);
    });
}

TEST(Region, StretchesAtAStationAreItsWood)
{
    test::property([] {
        const Polyline a = anyPolygon();
        if (!isSound(a)) return;
        const Region region({a});
        const Range along = region.along();
        // Its area is the integral of its stretches.
        constexpr int looks = 2000;
        double area = 0;
        for (int k = 0; k < looks; ++k) {
            const double z = along.low + (along.high - along.low) * (k + 0.5) / looks;
            for (const Range& r : region.at(z)) area += (r.high - r.low) * (along.high - along.low) / looks;
        }
        RC_ASSERT(std::abs(area - region.area()) < 1e-3 * region.area() + 0.05);
        RC_ASSERT(region.at(along.low - 0.1).empty() && region.at(along.high + 0.1).empty());
        const double middle = (along.low + along.high) / 2;
        const Region half = region.between(along.low - 1, middle);
        RC_ASSERT(half.along().high <= middle + 1e-6);
    });
}
