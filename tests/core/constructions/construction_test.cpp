// Every construction against a solid built another way: CGAL's polygons and half-spaces, turned by CGAL and Eigen from
// the layer's own numbers.
#include "core/constructions/construction.h"
#include "core/constructions/flipped_board.h"
#include "core/constructions/made_up.h"
#include "core/workpiece/nest.h"
#include "core/geometry/board_rings.h"
#include "core/geometry/post_wrap.h"
#include "core/geometry/stave.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <CGAL/Exact_predicates_exact_constructions_kernel.h>
#include <CGAL/Polygon_mesh_processing/measure.h>
#include <CGAL/Polygon_set_2.h>
#include <CGAL/Surface_mesh.h>
#include <CGAL/convex_hull_3.h>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <Eigen/Geometry>

#include <cmath>
#include <random>
#include <set>

using namespace vl;

namespace {

using Exact = CGAL::Exact_predicates_exact_constructions_kernel;
using Polygon = CGAL::Polygon_2<Exact>;
using ExactRegion = CGAL::Polygon_set_2<Exact>;

double area(const ExactRegion& region)
{
    std::vector<CGAL::Polygon_with_holes_2<Exact>> parts;
    region.polygons_with_holes(std::back_inserter(parts));
    double sum = 0;
    for (const auto& p : parts) {
        sum += std::abs(CGAL::to_double(p.outer_boundary().area()));
        for (auto h = p.holes_begin(); h != p.holes_end(); ++h) sum -= std::abs(CGAL::to_double(h->area()));
    }
    return sum;
}

Polygon polygonOf(const std::vector<Point>& corners)
{
    Polygon p;
    // A micrometer's grid: what comes out of rounding is no overlap.
    for (const Point& c : corners) p.push_back({std::round(c.x() * 1e6) / 1e6, std::round(c.y() * 1e6) / 1e6});
    if (p.size() > 2 && p.is_clockwise_oriented()) p.reverse_orientation();
    return p;
}

struct Sample {
    std::string name;
    Piece piece;
};

/// Every sample of the harbour museum.
std::vector<Sample> samples()
{
    std::vector<Sample> all;
    for (const std::string& name : test::demoNames()) all.push_back({name, test::demo(name)});
    return all;
}

}  // namespace

TEST(Construction, EveryKindHasASampleAndItsOwnWords)
{
    std::set<size_t> seen;
    bool gaps = false, spacers = false, parted = false, nested = false;
    std::set<MadeUp::Kind> made;
    for (const Sample& s : samples()) {
        nested |= s.piece.nest.on;
        for (const Layer& l : s.piece.layers) {
            seen.insert(l.form.index());
            if (const RingForm* ring = l.ring()) {
                made.insert(ring->madeUp.kind);
                gaps |= ring->joint.kind == SegmentJoint::GapByAngle;
                spacers |= ring->joint.kind == SegmentJoint::Spacer;
            }
            parted |= l.partedFrom.has_value();
        }
    }
    EXPECT_EQ(seen.size(), std::variant_size_v<LayerForm>);
    EXPECT_EQ(made.size(), 4u);
    EXPECT_TRUE(gaps && spacers && parted && nested);
    std::set<std::string> words;
    for (const Choice& kind : layerKinds()) words.insert(kind.words);
    EXPECT_EQ(words.size(), std::variant_size_v<LayerForm>);
}

TEST(Construction, PartsDoNotOverlapAndFillTheBlank)
{
    for (const Sample& s : samples()) {
        const Plan plan = makePlan(s.piece, {});
        for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
            const BuiltLayer& b = plan.assembly.layers[i];
            const Layer& l = s.piece.layers[i];
            if (l.is<BoardRingForm>()) continue;  // round, below
            const BlockForm* block = l.as<BlockForm>();
            if (block && block->shape == BlockForm::HalfLog) continue;  // no two of its sections are alike
            for (const double share : {0.21, 0.47, 0.83}) {
                const double z = b.z0 + (b.z1 - b.z0) * share;
                ExactRegion all;
                double sum = 0;
                for (const Cell& c : b.cells) {
                    const Polygon p = polygonOf(b.planOf(c, z));
                    if (p.size() < 3) continue;
                    ASSERT_TRUE(p.is_simple()) << s.name << " layer " << i;
                    sum += CGAL::to_double(p.area());
                    all.join(p);
                }
                const double together = area(all);
                // A ring that is bored for a disc is drawn with flat faces at its bore: there the two meet inside a
                // circle.
                if (b.segmented && !b.radial()) continue;
                // A round cell is drawn whole, what stands in its middle over it.
                if (std::ranges::any_of(b.cells, [](const Cell& c) { return c.low > 0; })) continue;
                EXPECT_NEAR(sum / together, 1, 1e-6) << s.name << " layer " << i + 1 << ": parts lie over one another";
                if (l.is<DiscForm>() || l.is<StavesForm>()) continue;
                EXPECT_NEAR(together * (b.z1 - b.z0) / b.volume, 1, 2e-3)
                    << s.name << " layer " << i + 1 << ": the parts are not the blank";
            }
        }
    }
}

TEST(Construction, TheBlankHoldsTheFinishedPieceWithItsAllowance)
{
    std::mt19937 dice(3);
    auto share = [&] { return static_cast<double>(dice() % 100000) / 100000; };
    for (const Sample& s : samples()) {
        const Plan plan = makePlan(s.piece, {});
        for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
            const BuiltLayer& b = plan.assembly.layers[i];
            const Layer& l = s.piece.layers[i];
            int air = 0;
            for (int k = 0; k < 3000; ++k) {
                const double z = b.z0 + 1e-6 + (b.z1 - b.z0 - 2e-6) * share(), angle = 360 * share(),
                             outer = radiusAt(plan.surfaces.outside, z);
                if (std::isnan(outer)) continue;
                const Range in = plan.surfaces.inside.empty() ? Range{std::nan(""), std::nan("")}
                                                              : radiusRange(plan.surfaces.inside, z, z);
                const double inner = std::isnan(in.low) ? 0 : in.low;
                // A wrap has no allowance of its own, and a board's rings are as wide as their cut leaves them: they
                // hold the piece itself.
                const double keep = l.is<BoardRingForm>() || l.is<WrapForm>() ? 0 : 0.9999;
                const double r = inner - keep * std::min(inner, l.innerAllowance) +
                                 (outer + keep * l.outerAllowance - inner) * share();
                if (r > outer + keep * l.outerAllowance || r < 0.01) continue;
                // What lies beyond edges that stay is no wood of the piece.
                if (std::ranges::any_of(plan.surfaces.edges,
                                        [&](const HalfSpace& h) { return h.beyond(pointAt(z, r, angle)) > 0; }))
                    continue;
                // Nor is what the log has not grown.
                if (std::ranges::any_of(plan.surfaces.cuts, [&](const Cut& c) {
                        return c.step.empty() && takes(c.solid, pointAt(z, r, angle));
                    }))
                    continue;
                const Cell* cell = b.cellAt(z, r, angle);
                if (!cell) {
                    ++air;
                    EXPECT_TRUE(b.gaps) << s.name << " layer " << i + 1 << " has no wood at z " << z << ", r " << r
                                        << ", " << angle << "°";
                    if (!b.gaps) return;
                    continue;
                }
                for (const HalfSpace& h : b.sawnFaces(*cell))
                    ASSERT_LT(h.beyond(pointAt(z, r, angle)), 1e-6)
                        << s.name << " layer " << i + 1 << ": the saw took wood of the piece at z " << z << ", r " << r;
            }
            if (b.gaps) {
                EXPECT_GT(air, 0) << s.name << " layer " << i + 1;
            }
        }
    }
}

namespace {

/// What of a layer's parts the workshop takes off before it is the layer, mm³: worked out from what is cut, planed and
/// sawn, not from the parts' own volumes. Thickness lost at the faces, square boards that become round ones, strips
/// jointed and trimmed, spare length and width.
double lostAtTheBench(const Piece& piece, const Shop& shop, const BuiltLayer& b, size_t i)
{
    const Layer& l = piece.layers[i];
    const double height = b.z1 - b.z0, thick = l.gluedThickness() + 2 * l.sandingLoss;
    if (l.is<DiscForm>()) return b.stock.outer * b.stock.outer * thick - b.volume;
    if (l.is<SheetForm>()) return b.stock.outer * b.stock.outer * (l.gluedThickness() - height);
    if (const BilletForm* f = l.as<BilletForm>()) {
        const double corner = f->cornersOff ? b.stock.outer / 2 * (2 - std::sqrt(2.0)) : 0;
        const double ends = 2 * l.sandingLoss + b.wasteBelow + b.wasteAbove;
        return b.stock.outer * b.stock.outer * ends + 2 * corner * corner * height;
    }
    if (const WrapForm* f = l.as<WrapForm>()) {
        const double length = height + 2 * l.sandingLoss + 10 + b.wasteBelow + b.wasteAbove,
                     side = f->post + 2 * f->wrap;
        const double wedge = (f->wrap * std::sqrt(2.0) + 2) * (f->wrap / std::sqrt(2.0) + 2);
        return length * (f->post * f->post + 4 * (f->post + f->wrap) * f->wrap + (f->wedges ? 4 * wedge : 0)) -
               side * side * height;
    }
    const SlabForm* slab = l.as<SlabForm>();
    const BoardRingForm* rings = l.as<BoardRingForm>();
    if (rings) slab = &rings->board;
    // A ring of a board loses 0.2 mm on each face once it is cut, and the stack what flattening takes.
    const double cone = rings ? 2 * (b.outerHold.back().y() + l.sandingLoss / std::tan(rings->angle * degrees)) : 0;
    if (slab && (!rings || slab->pattern != SlabForm::Plain)) {
        const double size = rings ? cone : b.stock.outer, strips = b.count(),
                     board = rings ? (height + 2 * l.sandingLoss) / rings->rings + 0.4 : height;
        const bool recut = slab->pattern == SlabForm::Checkered;
        const double rows = recut ? std::ceil((l.stockOuter ? *l.stockOuter : size) / slab->row - 1e-9) : 1;
        const double row = recut ? slab->row : rings ? size + 10 : 2 * (b.finishedOuter.high + l.outerAllowance);
        const double length = rows * (row + 2 * slab->jointing) + (rows - 1) * shop.kerf + 10;
        // A board that is never cut across becomes round at once: each strip is as long as its longest chord.
        const double circle = rings          ? size + 0.4 / std::tan(rings->angle * degrees)
                              : l.stockOuter ? *l.stockOuter
                                             : row;
        double sum = 0;
        for (int k = 0; k < static_cast<int>(strips); ++k) {
            const double off = std::max(0.0, (std::abs(2 * k + 1 - strips) - 1) / 2 * slab->strip);
            const double chord = 2 * std::sqrt(std::max(0.0, circle * circle / 4 - off * off));
            sum += recut ? length : std::min(length, chord + 10);
        }
        return (slab->strip + 2 * slab->jointing) * sum * (board + 2 * slab->flattening * (recut ? 2 : 1)) - b.volume;
    }
    if (rings) return std::pow(cone + 0.4 / std::tan(rings->angle * degrees) + 10, 2) * b.planeTo - b.volume;
    if (const StavesForm* f = l.as<StavesForm>()) {  // both ends flattened: so much more of the same stave
        const double s = b.settings[2].value * degrees, t = b.planeTo / std::cos(s);
        double lost = 0;
        for (const auto& [z, out] : {std::pair{b.outerHold.front(), -1.0}, std::pair{b.outerHold.back(), 1.0}}) {
            // A slice square to the axis: between two polygons t / cos s apart, half way through what is taken off.
            const double a = z.y() + out * l.sandingLoss / 2 * std::tan(s), in = std::max(0.0, a - t);
            lost += f->segments * std::tan(pi / f->segments) * (a * a - in * in) * l.sandingLoss;
        }
        return lost;
    }
    if (l.is<BlockForm>())  // sawn round, or out of a log: what the saw leaves of the box round it
        return b.settings[0].value * b.settings[1].value * b.settings[2].value - b.volume;
    if (const SpindleForm* f = l.as<SpindleForm>()) return b.stock.outer * b.stock.outer * (f->below + f->above);
    const double wood = b.volume / height;  // of the ring's face
    if (l.is<InsideOutForm>()) return wood * (thick - height);
    if (const LetInForm* f = l.as<LetInForm>()) {
        // Its square is 4 mm wider than the disc that is turned from it.
        const double square = std::pow(f->diameter + 4, 2), round = pi / 4 * f->diameter * f->diameter;
        return (wood - round) * (thick - height) + square * thick - round * height;
    }
    double lost = wood * (thick - height);
    if (const RingForm* ring = l.ring(); ring->joint.kind == SegmentJoint::Spacer)
        lost += ring->segments * ring->joint.width *
                ((b.stock.boardWidth() + 4) * (thick + 1) -
                 (b.stock.apothem() - b.stock.innerCorner() * std::cos(pi / ring->segments)) * thick);
    return lost;
}

}  // namespace

TEST(Construction, PartsAreTheLayerAndWhatTheBenchTakesOffIt)
{
    const Shop shop;
    for (const Sample& s : samples()) {
        const Plan plan = makePlan(s.piece, shop);
        for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
            const BuiltLayer& b = plan.assembly.layers[i];
            // The wood of a tenon that stands in a ring is a part of another layer.
            if (b.segmented && !b.radial() && !s.piece.layers[i].is<LetInForm>()) continue;
            // Panels of made-up segments are longer than their segments: whole panels, and the slant's ends.
            if (const RingForm* ring = s.piece.layers[i].ring(); ring && ring->madeUp.kind != MadeUp::Plain) continue;
            double parts = 0;
            for (const Part& p : plan.assembly.parts)
                if (p.layer == static_cast<int>(i)) parts += p.count * p.volume;
            EXPECT_NEAR(parts, b.volume + lostAtTheBench(s.piece, shop, b, i), 1e-3 * b.volume)
                << s.name << " layer " << i + 1;
        }
    }
}

/// A ring with gaps and spacers, by CGAL polygons laid down from the numbers of the layer.
TEST(Ring, GapsAndSpacersAreWhereAnotherConstructionPutsThem)
{
    for (const auto& [kind, width, angle] : {std::tuple{SegmentJoint::GapByWidth, 5.0, 0.0},
                                             {SegmentJoint::GapByAngle, 0.0, 8.0},
                                             {SegmentJoint::Spacer, 4.0, 0.0}}) {
        Piece p = starts()[4].make();
        for (Layer& l : p.layers)
            if (RingForm* ring = l.ring())
                ring->joint = {kind, std::max(width, 0.1), std::max(angle, 0.1), "holly", {}};
        const Plan plan = makePlan(p, {});
        const BuiltLayer& b = plan.assembly.layers[2];
        const int n = p.layers[2].ring()->segments;
        const double outer = 55 + p.layers[2].outerAllowance;
        // One segment between two lines that leave the gap, cut off at the outer face; turned n times.
        ExactRegion ring;
        for (int k = 0; k < n; ++k) {
            const double mid = (b.phaseDeg + 360.0 * k / n) * degrees, half = pi / n - angle / 2 * degrees,
                         gap = kind == SegmentJoint::GapByAngle ? 0 : width;
            auto at = [&](double along, double across) {
                return Point(-(along * std::sin(mid) + across * std::cos(mid)),
                             along * std::cos(mid) - across * std::sin(mid));
            };
            auto edge = [&](double x) { return x * std::tan(half) - gap / 2 / std::cos(half); };
            const double x0 = b.stock.innerCorner() * std::cos(half);
            ring.join(
                polygonOf({at(x0, -edge(x0)), at(outer, -edge(outer)), at(outer, edge(outer)), at(x0, edge(x0))}));
        }
        ExactRegion built;
        for (const Cell& c : b.cells)
            if (c.segment >= 0) built.join(polygonOf(b.planOf(c, (b.z0 + b.z1) / 2)));
        const double whole = area(ring);
        ExactRegion missing = ring, extra = built;
        missing.difference(built);
        extra.difference(ring);
        EXPECT_LT(area(missing) / whole, 1e-6);
        EXPECT_LT(area(extra) / whole, 1e-6);
        for (int k = 0; k < n; ++k) {
            const Cell* at = b.cellAt((b.z0 + b.z1) / 2, 52, b.phaseDeg + 360.0 * (k + 0.5) / n);
            EXPECT_EQ(at != nullptr, kind == SegmentJoint::Spacer);
            if (at) {
                EXPECT_STREQ(at->wood->id, "holly");
            }
        }
    }
}

TEST(Stave, AnglesAreThoseOfTwoPlanesTurnedByEigen)
{
    // CHECKS: n = 8, s = 15°: 21.6937° and 6.1191°; n = 12, s = 10°: 14.7669° and 2.6640°; s = 0: 180°/n.
    EXPECT_NEAR((Stave{8, 15, 100, 100, 10}.bladeTiltDeg()), 21.6937, 5e-5);
    EXPECT_NEAR((Stave{8, 15, 100, 100, 10}.edgeTaperDeg()), 6.1191, 5e-5);
    EXPECT_NEAR((Stave{12, 10, 100, 100, 10}.bladeTiltDeg()), 14.7669, 5e-5);
    EXPECT_NEAR((Stave{12, 10, 100, 100, 10}.edgeTaperDeg()), 2.6640, 5e-5);
    test::property([] {
        const int n = test::inRange(3, 61);
        const double slope = test::inRange(-800, 801) / 10.0;
        const Stave s{n, slope, 300, 10, 8};
        // The face leans by the slope; the joint's plane holds the axis and is half a stave round.
        const Eigen::Vector3d axis = Eigen::Vector3d::UnitX(),
                              leaning = Eigen::AngleAxisd(slope * degrees, Eigen::Vector3d::UnitZ()) *
                                        Eigen::Vector3d::UnitY();
        const Eigen::Vector3d joint = Eigen::AngleAxisd(pi / n, axis) * Eigen::Vector3d::UnitZ();
        const double between = std::acos(std::abs(leaning.dot(joint)));
        RC_ASSERT(std::abs(90 - between / degrees - s.bladeTiltDeg()) < 1e-9);
        // The stave's edge is where joint and face meet; its middle line runs up the face.
        const Eigen::Vector3d edge = joint.cross(leaning).normalized(),
                              middle = Eigen::AngleAxisd(slope * degrees, Eigen::Vector3d::UnitZ()) * axis;
        RC_ASSERT(std::abs(std::acos(std::min(1.0, std::abs(edge.dot(middle)))) / degrees -
                           std::abs(s.edgeTaperDeg())) < 1e-6);
    });
}

TEST(Stave, LayersVolumeIsThatOfCgalsHull)
{
    using Kernel = CGAL::Exact_predicates_exact_constructions_kernel;
    for (const double slope : {-12.0, 0.0, 9.0}) {
        Piece p = starts()[4].make();
        p.layers.resize(1);
        p.layers[0].sandingLoss = 0;  // the stave as it is in the layer
        StavesForm staves;
        staves.segments = 10;
        staves.slope = slope;
        p.layers[0].form = staves;
        p.layers[0].thickness = 120;
        p.layers[0].stockInner = 60;
        const Plan plan = makePlan(p, {});
        const BuiltLayer& b = plan.assembly.layers[0];
        auto pyramid = [&](double r0, double r1) {
            std::vector<Kernel::Point_3> corners;
            for (int k = 0; k < 10; ++k)
                for (const auto& [z, r] : {std::pair{0.0, r0}, {120.0, r1}}) {
                    const double a = 2 * pi * (k + 0.5) / 10;
                    corners.emplace_back(z, r * std::cos(a), r * std::sin(a));
                }
            CGAL::Surface_mesh<Kernel::Point_3> hull;
            CGAL::convex_hull_3(corners.begin(), corners.end(), hull);
            return CGAL::to_double(CGAL::Polygon_mesh_processing::volume(hull));
        };
        const double out = std::cos(pi / 10), cells = [&] {
            double v = 0;
            for (const Cell& c : b.cells) v += volumeOf(convexBody(b.body(c), 400));
            return v;
        }();
        const double hulls = pyramid(b.outerHold[0].y() / out, b.outerHold[1].y() / out) -
                             pyramid(b.innerHold[0].y(), b.innerHold[1].y());
        EXPECT_NEAR(b.volume / hulls, 1, 1e-6) << slope;
        EXPECT_NEAR(cells / hulls, 1, 1e-6) << slope;
        EXPECT_NEAR(plan.assembly.parts[0].volume * 10 / hulls, 1, 1e-6);
    }
}

TEST(BoardRings, AreWhatLiesBetweenTwoCones)
{
    // CHECKS: t = 28.575, φ = 45°, k = 3: 24.332 and 17.206.
    const BoardRings check{28.575, 45, 3, 250, 60};
    EXPECT_NEAR(check.ringWidth(), 24.332, 5e-4);
    EXPECT_NEAR(check.wall(), 17.206, 5e-4);
    EXPECT_NEAR(boardRingAngleDeg(28.575, check.wall(), 3), 45, 1e-9);
    EXPECT_THROW(boardRingAngleDeg(20, 18, 3), InputError);
    test::property([] {
        const BoardRings b{test::inRange(100, 500) / 10.0, test::inRange(25, 75) * 1.0, test::inRange(0, 40) / 10.0,
                           400, 20};
        RC_PRE(b.wall() > 1);
        // The cut is a cone whose wall leans φ from the face; the saw takes a shell of kerf across it. Two neighbors,
        // measured square to them.
        const double phi = b.angleDeg * degrees;
        const auto radii = b.radii();
        RC_ASSERT(!radii.empty());
        for (size_t i = 0; i + 1 < radii.size(); ++i) {
            // Two cuts as lines in the plane of the axis, (z down from the top face, r): direction (sin φ, −cos φ);
            // their distance.
            const Point along(std::sin(phi), -std::cos(phi)), across = Point(0, radii[i]) - Point(0, radii[i + 1]);
            const double apart = std::abs(along.x() * across.y() - along.y() * across.x());
            RC_ASSERT(std::abs(apart - b.board * std::cos(phi)) < 1e-9);
            RC_ASSERT(std::abs(apart - b.kerf - b.wall()) < 1e-9);
        }
        for (size_t i = 0; i < radii.size(); ++i)
            RC_ASSERT(std::abs(b.lowerRadii()[i] - (radii[i] - b.board / std::tan(phi))) < 1e-9);
        RC_ASSERT(b.lowerRadii().back() >= b.base / 2 - 1e-9);
        // Stacked, each ring's lower edge meets the upper edge of the next: one straight cone.
        if (radii.size() > 1) RC_ASSERT(std::abs(b.lowerRadii()[0] - radii[1]) < 1e-9);
        // Also when each ring's faces are flattened once it is cut from a board that much thicker.
        BoardRings thick = b;
        thick.flatten = test::inRange(1, 80) / 100.0;
        const double taken = thick.flatten / std::tan(phi);
        RC_ASSERT(std::abs(thick.scribedBelow(0) + taken - (thick.scribed(1) - taken)) < 1e-9);
        RC_ASSERT(std::abs(thick.scribed(0) - taken - b.scribed(0)) < 1e-9);
    });
    const Plan plan = makePlan(test::demo("ballast-dish"), {});
    const BuiltLayer& b = plan.assembly.layers[0];
    boost::math::quadrature::gauss_kronrod<double, 31> rule;
    double volume = 0;
    const double bottom = b.innerHold[1].x();  // where the disc ends
    for (int k = 0; k < 2; ++k) {
        const double z0 = k ? bottom : b.z0, z1 = k ? b.z1 : bottom;
        volume += rule.integrate(
            [&](double z) {
                const double outer = radiusAt(b.outerHold, z),
                             width = k ? b.outerHold[1].y() - b.innerHold.back().y() : outer;
                return pi * (outer * outer - (outer - width) * (outer - width));
            },
            z0, z1);
    }
    EXPECT_NEAR(b.volume / volume, 1, 1e-6);
}

TEST(PostWrap, PinwheelByRectanglesOfCgal)
{
    // CHECKS: post 1 7/8 in: diagonal 2.652 in.
    EXPECT_NEAR((PostWrap{1.875 * 25.4, 10, 0}.postDiagonal()) / 25.4, 2.652, 5e-4);
    Piece p = test::demo("spyglass-barrel");
    for (const bool wedges : {false, true}) {
        p.layers[0].as<WrapForm>()->wedges = wedges;
        const Plan plan = makePlan(p, {});
        const BuiltLayer& b = plan.assembly.layers[0];
        const WrapForm& f = *p.layers[0].as<WrapForm>();
        const double side = f.post / 2, half = side + f.wrap;
        for (int i = 0; i < 4; ++i) {
            // One piece lies from the post's near corner to past its far one; a quarter turn brings it to the next.
            ExactRegion expected;
            const double a = 90.0 * i * degrees;
            auto at = [&](double out, double on) {
                return Point(-(out * std::sin(a) + on * std::cos(a)), out * std::cos(a) - on * std::sin(a));
            };
            const double from = -half, to = side;
            bool mirrored = false;
            for (const bool other : {false, true}) {
                ExactRegion guess;
                const double u = other ? -to : from, v = other ? -from : to;
                guess.join(polygonOf({at(side, u), at(half, u), at(half, v), at(side, v)}));
                if (wedges) {
                    const double edge = half + side;  // x + y beyond which the corner goes to the wedges
                    for (const double s : {1.0, -1.0})
                        guess.difference(polygonOf({at(half + 1, s * (edge - half - 1)), at(half + 1, s * (half + 60)),
                                                    at(edge - half - 60, s * (half + 60))}));
                }
                ExactRegion built;
                for (const Cell& c : b.cells)
                    if (c.segment == i + 1) built.join(polygonOf(b.planOf(c, 100)));
                ExactRegion rest = built;
                rest.difference(guess);
                if (area(rest) < 1e-3 && std::abs(area(built) - area(guess)) < 1e-2) {
                    mirrored = other;
                    expected = guess;
                    break;
                }
            }
            EXPECT_GT(area(expected), 0) << "piece " << i + 1 << " with wedges " << wedges << mirrored;
        }
    }
}

TEST(MadeUp, ASlantThatNoGaugeTurnsToIsAStopWithItsFix)
{
    // A ring 30 mm across of 12 segments: from joint to joint it is 7.8 mm, and 45 mm of rise slant by 80°.
    Piece p = test::ringCone(15, 15, 100, 2, 12);
    for (Layer& l : p.layers)
        l.ring()->madeUp = {.kind = MadeUp::Zigzag, .wood = "walnut", .band = 2, .rise = 45, .extra = {}};
    const auto slant = [](const Piece& piece, size_t layer) {
        const Plan plan = makePlan(piece, {});
        const auto& all = plan.assembly.layers[layer].cautions;
        const auto it = std::ranges::find(all, "slant", &Caution::kind);
        return it == all.end() ? std::optional<Caution>() : *it;
    };
    for (size_t i = 0; i < p.layers.size(); ++i) {
        const auto c = slant(p, i);
        ASSERT_TRUE(c);
        EXPECT_EQ(c->level, Level::Stop);
        EXPECT_NEAR(c->measure, std::atan(45 / (30 * std::sin(pi / 12))) / degrees, 0.5);
        p = c->fixes.at(0).apply(p);
        EXPECT_FALSE(slant(p, i)) << "at 45° it can be sawn";
    }
}

TEST(MadeUp, BandsMeetAtTheJointsAndRiseAsAsked)
{
    const Piece p = test::demo("flag-bowl");
    const Plan plan = makePlan(p, {});
    for (size_t i = 0; i < p.layers.size(); ++i) {
        const RingForm* ring = p.layers[i].ring();
        if (!ring || ring->madeUp.kind == MadeUp::Plain) continue;
        const RingForm& l = *ring;
        const BuiltLayer& b = plan.assembly.layers[i];
        const int n = l.segments;
        auto bandAt = [&](double r, double angle) {
            // Middle of the band, by asking the material map.
            double sum = 0;
            int count = 0;
            for (int k = 0; k < 4000; ++k) {
                const double z = b.z0 + (b.z1 - b.z0) * (k + 0.5) / 4000;
                const Cell* c = b.cellAt(z, r, angle);
                if (c && c->segment < 0) {
                    sum += z;
                    ++count;
                }
            }
            return std::pair(count ? sum / count : -1, count * (b.z1 - b.z0) / 4000);
        };
        const double corner = b.finishedOuter.high, pitch = 360.0 / n;
        // Just this side of a joint and just beyond it the band stands at one height: it runs on.
        for (int k = 0; k < n; k += 3) {
            const double joint = b.phaseDeg + pitch * (k + 0.5);
            EXPECT_NEAR(bandAt(corner, joint - 0.02).first, bandAt(corner, joint + 0.02).first, 0.1) << l.madeUp.kind;
        }
        if (l.madeUp.kind == MadeUp::Zigzag) {
            const double low = bandAt(corner, b.phaseDeg + pitch * 0.5 - 0.01).first,
                         high = bandAt(corner, b.phaseDeg - pitch * 0.5 + 0.01).first;
            EXPECT_NEAR(std::abs(high - low), l.madeUp.rise, 0.15);
        }
        if (l.madeUp.kind == MadeUp::Band) {
            EXPECT_NEAR(bandAt(corner, b.phaseDeg).second, l.madeUp.band, 0.05);
        }
    }
}

TEST(FlippedBoard, BuyingAndUsingUpAreInverse)
{
    test::property([] {
        FlippedBoard want;
        want.strips = test::inRange(2, 30);
        want.rows = test::inRange(2, 30);
        want.strip = test::inRange(50, 500) / 10.0;
        want.row = test::inRange(50, 500) / 10.0;
        want.thickness = test::inRange(100, 500) / 10.0;
        want.jointing = test::inRange(0, 10) / 10.0;
        want.flattening = test::inRange(0, 20) / 10.0;
        want.kerf = test::inRange(0, 40) / 10.0;
        const FlippedBoard got = flippedFrom(want.strips, want.stripSawn(), want.stockLength(), want.stockThickness(),
                                             want.row, want.jointing, want.flattening, want.kerf, want.trim);
        RC_ASSERT(got.rows == want.rows);
        RC_ASSERT(std::abs(got.width() - want.width()) < 1e-9);
        RC_ASSERT(std::abs(got.length() - want.length()) < 1e-9);
        RC_ASSERT(std::abs(got.thickness - want.thickness) < 1e-9);
        // Wood balances along the strip: rows, what jointing takes, the kerfs, the trims.
        RC_ASSERT(std::abs(want.rows * want.row + want.rows * 2 * want.jointing + (want.rows - 1) * want.kerf +
                           2 * want.trim - want.stockLength()) < 1e-9);
    });
}

TEST(Nest, RingsAndGroovesFitOneInsideAnother)
{
    test::property([] {
        Nest n;
        n.on = true;
        n.smallest = test::inRange(200, 800) / 10.0;
        n.largest = test::inRange(300, 3000) / 10.0;
        n.wall = test::inRange(20, 200) / 10.0;
        n.tool = test::inRange(10, 60) / 10.0;
        const auto rings = nestedRings(n);
        for (size_t k = 0; k < rings.size(); ++k) {
            RC_ASSERT(std::abs(rings[k].outer - rings[k].inner - 2 * n.wall) < 1e-9);
            RC_ASSERT(rings[k].inner >= n.smallest - 1e-6);
            if (k) RC_ASSERT(std::abs(rings[k - 1].inner - rings[k].outer - 2 * n.tool) < 1e-9);
        }
        const double next = (rings.empty() ? n.largest : rings.back().inner - 2 * n.tool) - 2 * n.wall;
        RC_ASSERT(next < n.smallest + 1e-6);
    });
    // A blade 8 mm below its edge in a groove of radius 29: the chord's sagitta, by the circle's own points.
    const double c = bladeClearance(29, 8);
    EXPECT_NEAR(std::hypot(29 - c, 8), 29, 1e-9);
    EXPECT_TRUE(std::isnan(bladeClearance(7, 8)));
}
