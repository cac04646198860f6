// What is worked by index with the spindle locked: flutes, facets, legs, a leaning base, decorated grids; flaws of the
// wood; the shop's jaws and tools. Solids against closed forms, steps in their order, cautions with their fixes.
#include "core/blank/removed_volume.h"
#include "core/geometry/boolean.h"
#include "core/holding/foot_hold.h"
#include "core/measure/input_error.h"
#include "core/picture/closed_surface.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/index_rings.h"
#include "core/workpiece/worked_cuts.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <Eigen/Geometry>
#include <boost/math/quadrature/gauss_kronrod.hpp>

#include <algorithm>
#include <cmath>

using namespace vl;
using test::find;

namespace {

Piece with(Piece p, Worked w)
{
    p.worked.push_back(std::move(w));
    identifyCuts(p);
    return p;
}

Worked worked(Worked::Kind kind, int count)
{
    Worked w;
    w.kind = kind;
    w.count = count;
    return w;
}

/// Volume of the piece as a closed surface, mm³.
double volumeLeft(const Piece& p)
{
    const Solid s = solidOf(turnedSurfacesOf(p), 0.01);
    EXPECT_TRUE(s.whole);
    return volumeOf(s.surface);
}

double integral(double from, double to, const std::function<double(double)>& f)
{
    return boost::math::quadrature::gauss_kronrod<double, 61>::integrate(f, from, to, 12, 1e-10);
}

std::vector<const Step*> inOrder(const Plan& plan)
{
    std::vector<const Step*> steps;
    for (const size_t i : plan.schedule.order) steps.push_back(&plan.assembly.recipe[i]);
    return steps;
}

}  // namespace

TEST(WorkedByIndex, FlutesTakeTheLensOfTwoCirclesAndTheirRoundEnds)
{
    constexpr double R = 30, rho = 4, deep = 2.5, d = R - deep + rho, length = 40;
    Worked w = worked(Worked::Flutes, 8);
    w.from = 30;
    w.to = w.from + length;
    w.cutter = 2 * rho;
    w.depth = deep;
    const Piece round = test::plainCylinder(R, 100, BlockForm::Along), fluted = with(round, w);
    const double ends = 2 * integral(0, rho, [&](double t) { return test::lens(R, std::sqrt(rho * rho - t * t), d); });
    const double taken = w.count * (length * test::lens(R, rho, d) + ends);
    // Both surfaces have the same flat sides round the axis: the difference is the flutes'.
    EXPECT_NEAR(volumeLeft(round) - volumeLeft(fluted), taken, 0.02 * taken);
    const Plan plan = makePlan(fluted, Shop{});
    EXPECT_NEAR(removedByCuts(plan.assembly, plan.surfaces).volume, taken, 0.02 * taken);
    const auto cut = straightCut(w, plan.surfaces);
    ASSERT_TRUE(cut);
    EXPECT_NEAR(cut->deepest, deep, 1e-9);
    // Half the mouth is where both circles cross.
    const double along = (d * d + R * R - rho * rho) / (2 * d);
    EXPECT_NEAR(cut->widest, 2 * std::sqrt(R * R - along * along), 1e-9);
}

TEST(WorkedByIndex, FacetsThatMeetLeaveARegularPrism)
{
    for (const int n : {4, 6, 9}) {
        constexpr double R = 25, height = 80;
        const double apothem = R * std::cos(pi / n);
        Worked w = worked(Worked::Facets, n);
        w.from = 0;
        w.to = height;
        w.depth = R - apothem - 1e-4;
        const Piece p = with(test::plainCylinder(R, height, BlockForm::Along), w);
        const double prism = n * apothem * apothem * std::tan(pi / n) * height;
        EXPECT_NEAR(volumeLeft(p), prism, 0.002 * prism) << n;
        const auto cut = straightCut(w, turnedSurfacesOf(p));
        ASSERT_TRUE(cut);
        EXPECT_NEAR(cut->widest, 2 * R * std::sin(pi / n), 0.01) << "neighbors just meet";
        // Begun before the wood and ended after it, it is the same cut: what is set is set where wood is.
        w.from = -30;
        w.to = height + 200;
        const Piece beyond = with(test::plainCylinder(R, height, BlockForm::Along), w);
        EXPECT_NEAR(volumeLeft(beyond), prism, 0.002 * prism) << n;
        const auto over = straightCut(w, turnedSurfacesOf(beyond));
        ASSERT_TRUE(over);
        EXPECT_EQ(over->from, 0);
        EXPECT_EQ(over->to, height);
        EXPECT_NEAR(over->low, apothem, 1e-3);
        EXPECT_NEAR(over->radiusAt(-30), apothem, 1e-3);
    }
}

TEST(WorkedByIndex, LegsStandInTheFootsRingAndTheirFibersAreCounted)
{
    constexpr double R = 40, thick = 10, wide = 12, high = 15, height = 60;
    Worked w = worked(Worked::Legs, 3);
    w.width = wide;
    w.thick = thick;
    w.height = high;
    w.direction = 90;
    const Piece bowl = test::plainCylinder(R, height, BlockForm::Across, 6, 25), legged = with(bowl, w);
    const double r = R - thick;
    const double leg =
        integral(-wide / 2, wide / 2, [&](double y) { return std::sqrt(R * R - y * y) - std::sqrt(r * r - y * y); });
    const double taken = high * (pi * R * R - 3 * leg);
    EXPECT_NEAR(volumeLeft(bowl) - volumeLeft(legged), taken, 0.003 * taken);
    const LegRing ring = legRing(legged, 0, turnedSurfacesOf(legged));
    ASSERT_EQ(ring.grain.size(), 3u);
    EXPECT_NEAR(ring.grain[0], thick, 1e-9) << "outwards along the fibers";
    EXPECT_NEAR(ring.grain[1], wide / std::sin(pi / 3), 1e-9);
    EXPECT_NEAR(ring.outer - ring.inner, thick, 1e-9);
}

TEST(WorkedByIndex, ALeaningBaseTakesHalfOfWhatItTakesAtItsLowSideAllOver)
{
    constexpr double R = 20, height = 90;
    for (const double lean : {3.0, 12.0, 30.0}) {
        Piece p = test::plainCylinder(R, height, BlockForm::Along);
        p.lean = {.angle = lean, .direction = 40, .extra = {}};
        const double taken = pi * R * R * R * std::tan(lean * degrees);
        EXPECT_NEAR(volumeLeft(test::plainCylinder(R, height, BlockForm::Along)) - volumeLeft(p), taken, 0.003 * taken);
        // It is taken from where it leans to.
        EXPECT_FALSE(turnedSurfacesOf(p).holds(pointAt(1, R - 1, 40)));
        EXPECT_TRUE(turnedSurfacesOf(p).holds(pointAt(1, R - 1, 220)));
    }
}

TEST(WorkedByIndex, NothingIsSandedOnATurningLatheAfterIt)
{
    for (const std::string& sample : test::demoNames()) {
        Piece p = edit::addWorked(edit::addWorked(test::demo(sample), Worked::Flutes), Worked::Facets);
        p = edit::addDecor(std::move(p));
        if (p.nest.on) continue;
        p = edit::addWorked(std::move(p), Worked::Legs);
        p.lean.angle = 2;
        const Plan plan = makePlan(p, test::harbourShop());
        bool begun = false, freed = false;
        for (const Step* s : inOrder(plan)) {
            if (s->id.starts_with("work-")) begun = true;
            if (begun && s->action == Action::Sand)
                EXPECT_FALSE(s->occupies(Resource::Lathe)) << sample << ": " << s->id;
            if (s->id == "lean-base" || s->id == "work-" + p.worked.back().id) {
                freed = true;
                continue;
            }
            // Out of the lathe it stays.
            if (freed) EXPECT_NE(s->action, Action::Turn) << sample << ": " << s->id;
        }
        EXPECT_TRUE(begun && freed) << sample;
        const std::string last = inOrder(plan).back()->id;
        EXPECT_TRUE(last.starts_with("finish") || last.starts_with("fit-")) << sample << ": " << last;
    }
}

namespace {

struct Warned {
    const char* id;
    Level level;
    double wall;  ///< of the cylinder, radius 40, 100 high, floor 30; 0: solid
    void (*change)(Piece&);
    bool healed = true;  ///< by its first fix
};
void PrintTo(const Warned& w, std::ostream* out) { *out << w.id; }
class WarnedPiece : public testing::TestWithParam<Warned> {};

Worked& add(Piece& p, Worked::Kind kind)
{
    p = edit::addWorked(std::move(p), kind);
    return p.worked.back();
}

}  // namespace

TEST_P(WarnedPiece, SaysItAndIsMended)
{
    const Warned& w = GetParam();
    Piece p = test::plainCylinder(40, 100, BlockForm::Across, w.wall, 30);
    p.hollow.leastWall = 4;
    EXPECT_EQ(find(makePlan(p, Shop{}), w.id), nullptr);
    w.change(p);
    identifyCuts(p);
    const Plan plan = makePlan(p, Shop{});
    const Caution* c = find(plan, w.id);
    ASSERT_NE(c, nullptr);
    EXPECT_EQ(c->level, w.level) << print(c->message);
    if (!w.healed) return;
    ASSERT_FALSE(c->fixes.empty());
    EXPECT_EQ(find(makePlan(c->fixes[0].apply(p), Shop{}), w.id), nullptr) << print(c->message);
}

INSTANTIATE_TEST_SUITE_P(
    Worked, WarnedPiece,
    testing::Values(Warned{"worked-none", Level::Stop, 0,
                           [](Piece& p) {
                               Worked& f = add(p, Worked::Flutes);
                               f.from = 150;
                               f.to = 160;
                           }},
                    Warned{"worked-wall", Level::Care, 6,
                           [](Piece& p) {
                               Worked& f = add(p, Worked::Flutes);
                               f.cutter = 12;
                               f.depth = 4;
                           }},
                    Warned{"worked-wall", Level::Stop, 6, [](Piece& p) { add(p, Worked::Facets).depth = 7; }, false},
                    Warned{"worked-core", Level::Care, 0, [](Piece& p) { add(p, Worked::Facets).depth = 38; }},
                    Warned{"flute-deep", Level::Care, 0,
                           [](Piece& p) {
                               p.outside[0].r = 30;
                               p.outside.insert(p.outside.begin() + 1, test::corner(50, 48));
                               Worked& f = add(p, Worked::Flutes);
                               f.cutter = 10;
                               f.depth = 2;
                           },
                           false},
                    Warned{"worked-air", Level::Note, 0,
                           [](Piece& p) {
                               p.outside.insert(p.outside.begin() + 1, test::corner(50, 30));
                               add(p, Worked::Facets).depth = 1;
                           },
                           false},
                    Warned{"flutes-meet", Level::Care, 0,
                           [](Piece& p) {
                               Worked& f = add(p, Worked::Flutes);
                               f.cutter = 16;
                               f.depth = 6;
                               f.count = 17;
                           }},
                    Warned{"worked-axes", Level::Care, 0,
                           [](Piece& p) {
                               p = edit::addAxis(std::move(p));
                               add(p, Worked::Flutes);
                           },
                           false},
                    Warned{"worked-index", Level::Care, 0,
                           [](Piece& p) {
                               Worked& f = add(p, Worked::Flutes);
                               f.count = 5;
                               f.plate = 12;
                           }},
                    Warned{"legs-floor", Level::Stop, 6, [](Piece& p) { add(p, Worked::Legs).height = 31; }},
                    Warned{"legs-floor", Level::Care, 6, [](Piece& p) { add(p, Worked::Legs).height = 28; }},
                    Warned{"legs-meet", Level::Stop, 6, [](Piece& p) { add(p, Worked::Legs).width = 75; }},
                    Warned{"legs-narrow", Level::Care, 14,
                           [](Piece& p) {
                               Worked& l = add(p, Worked::Legs);
                               l.width = 12;
                               l.height = 8;
                           }},
                    Warned{"legs-grain", Level::Care, 6,
                           [](Piece& p) {
                               Worked& l = add(p, Worked::Legs);
                               l.thick = 8;
                               l.direction = 90;
                               l.height = 20;
                           }},
                    Warned{"legs-two", Level::Care, 6, [](Piece& p) { add(p, Worked::Legs).count = 2; }},
                    Warned{"lean-floor", Level::Stop, 6, [](Piece& p) { p.lean.angle = 25; }},
                    Warned{"lean-tips", Level::Stop, 0, [](Piece& p) { p.lean.angle = 44; }},
                    Warned{"grid-none", Level::Care, 0,
                           [](Piece& p) {
                               Decor d;
                               d.from = 200;
                               d.to = 210;
                               p.decors.push_back(d);
                           },
                           false},
                    Warned{"grid-index", Level::Care, 0,
                           [](Piece& p) {
                               Decor d;
                               d.plate = 36;
                               p.decors.push_back(d);
                           }},
                    Warned{"flaw-", Level::Stop, 6, [](Piece& p) { p = edit::addFlaw(std::move(p)); }},
                    Warned{"flaw-", Level::Note, 6,
                           [](Piece& p) {
                               p = edit::addFlaw(std::move(p));
                               p.flaws[0].kind = Flaw::Knot;
                           }},
                    Warned{"flaw-", Level::Stop, 6, [](Piece& p) {
                               p = edit::addFlaw(std::move(p));
                               p.flaws[0].kind = Flaw::Metal;
                               p.flaws[0].radius = 300;
                           }}));

TEST(WorkedByIndex, ACrackIsSaidWhereverItLies)
{
    Piece p = edit::addFlaw(test::plainCylinder(40, 100, BlockForm::Across, 6, 30));
    p.flaws[0].radius = 10;  // in the hollow
    p.flaws[0].at = 70;
    const Plan inWaste = makePlan(p, Shop{});
    ASSERT_NE(find(inWaste, "flaw-"), nullptr);
    EXPECT_NE(print(find(inWaste, "flaw-")->message).find("turned away"), std::string::npos);
    // What the inspection found stands in its step, with its numbers.
    const auto step = std::ranges::find(inWaste.assembly.recipe, Action::Inspect, &Step::action);
    ASSERT_NE(step, inWaste.assembly.recipe.end());
    EXPECT_NE(print(step->how).find("a crack"), std::string::npos) << print(step->how);
    EXPECT_EQ(std::ranges::count(step->settings, 70.0, &Setting::value), 1);
}

TEST(DecoratedGrid, OnAFlatFaceItIsTheGeometricRow)
{
    Piece p = test::plainCylinder(75, 40, BlockForm::Across);
    Decor d;
    d.on = Decor::Face;
    d.from = 20;
    d.to = 75;
    d.spokes = 24;
    p.decors = {d};
    identifyCuts(p);
    const std::vector<GridOf> grids = gridsOf(p, turnedSurfacesOf(p));
    ASSERT_EQ(grids.size(), 1u);
    // CHECKS: n = 24, outermost 75: 57.638 is next, ratio 0.76850 (plane geometry).
    ASSERT_GE(grids[0].rings.size(), 4u);
    EXPECT_NEAR(grids[0].rings[0].r1, 57.638, 5e-4);
    for (const GridRing& r : grids[0].rings) {
        EXPECT_NEAR(r.r1 / r.r0, 0.76850, 5e-6);
        EXPECT_NEAR(r.ratio(), 1, 1e-9);
        EXPECT_GE(r.r1, 20 - 1e-9);
    }
    EXPECT_LT(grids[0].rings.back().r1 * 0.7685, 20) << "no further whole ring had room";
}

TEST(DecoratedGrid, OnAnyWallItsCellsAreAsSquareAsWishedAlongTheSurface)
{
    test::property([] {
        auto between = [](int low, int high) { return test::inRange(low * 10, high * 10) / 10.0; };
        Piece p = test::plainCylinder(between(20, 80), 120, BlockForm::Along);
        p.outside.insert(p.outside.begin() + 1, test::corner(between(20, 100), between(20, 80)));
        Decor d;
        d.from = between(0, 40);
        d.to = between(60, 120);
        d.spokes = test::inRange(6, 60);
        d.aspect = between(1, 30) / 10;
        d.rings = static_cast<Decor::Rings>(test::inRange(0, 2));
        d.wide = between(1, 20);
        p.decors = {d};
        identifyCuts(p);
        const GridOf grid = gridsOf(p, turnedSurfacesOf(p))[0];
        double last = d.from;
        for (const GridRing& r : grid.rings) {
            RC_ASSERT(std::abs(r.z0 - last) < 1e-6 && r.z1 > r.z0 && r.z1 <= d.to + 1e-6);
            last = r.z1;
            // Each is at least as long as the straight way between its circles.
            RC_ASSERT(r.length >= std::hypot(r.z1 - r.z0, r.r1 - r.r0) - 1e-6);
            if (d.rings == Decor::Square)
                RC_ASSERT(std::abs(r.length - d.aspect * 2 * pi / d.spokes * (r.r0 + r.r1) / 2) < 1e-6);
            else
                RC_ASSERT(std::abs(r.length - d.wide) < 1e-9);
        }
    });
}

TEST(DecoratedGrid, CellsAreWorkedOneByOneAndWhatADrillTakesIsLost)
{
    Piece p = test::plainCylinder(40, 80, BlockForm::Along);
    Decor d;
    d.from = 20;
    d.to = 60;
    d.spokes = 12;
    d.rings = Decor::Width;
    d.wide = 20;
    GridCells every;
    every.every = 3;
    d.cells = {every};
    p.decors = {d};
    identifyCuts(p);
    const auto count = [](const Piece& q) { return gridsOf(q, turnedSurfacesOf(q))[0].worked.size(); };
    EXPECT_EQ(count(p), 4u);
    const Piece more = edit::workCell(p, 0, 1, 5, GridCells::Burn, "#000000");
    EXPECT_EQ(count(more), 5u);
    const Piece fewer = edit::workCell(more, 0, 0, 3, GridCells::Color, every.color);
    EXPECT_EQ(count(fewer), 4u) << "pressed again it is plain, the others of its row stay";
    const Piece other = edit::workCell(more, 0, 0, 3, GridCells::Carve, every.color);
    EXPECT_EQ(count(other), 5u) << "worked in another way instead";
    checkPiece(other);
    // A hole through the middle of the cell that begins on spoke 1.
    Piece drilled = p;
    Hole h;
    h.at = 30;
    h.direction = 15;
    h.diameter = 6;
    h.ends = Hole::Depth;
    drilled.holes = {h};
    identifyCuts(drilled);
    const GridOf grid = gridsOf(drilled, turnedSurfacesOf(drilled))[0];
    EXPECT_EQ(std::ranges::count(grid.worked, true, &GridCell::lost), 1);
    const Plan plan = makePlan(drilled, Shop{});
    EXPECT_NE(find(plan, "grid-lost"), nullptr);
    const auto color = std::ranges::find(plan.assembly.recipe, Action::Color, &Step::action);
    ASSERT_NE(color, plan.assembly.recipe.end());
    EXPECT_NE(print(color->how).find("spokes 4 7 10"), std::string::npos) << print(color->how);
}

TEST(ShopsMachines, TheJawsThatTakeItAreChosenAndAnyTenonSuitsThem)
{
    Shop shop;
    shop.jaws.name = "standard jaws";
    Jaws small;
    small.name = "pin jaws";
    small.gripLeast = 12;
    small.gripMost = 40;
    small.depth = 6;
    shop.otherJaws = {small};
    checkShop(shop);
    const Piece wide = test::plainCylinder(60, 60, BlockForm::Across, 6),
                narrow = test::plainCylinder(16, 60, BlockForm::Across, 4);
    const FootHold f = footHold(wide, shop, turnedSurfacesOf(wide)),
                   g = footHold(narrow, shop, turnedSurfacesOf(narrow));
    EXPECT_EQ(f.jaws, "standard jaws");
    EXPECT_EQ(g.jaws, "pin jaws");
    EXPECT_TRUE(f.fits && g.fits);
    EXPECT_LE(g.depth, small.depth);
    EXPECT_EQ(f.depth, endWaste(wide, shop, turnedSurfacesOf(wide)).foot);
    const Plan plan = makePlan(narrow, shop);
    const auto mount = std::ranges::find(plan.mounts, "mount-reversed", &Mount::id);
    ASSERT_NE(mount, plan.mounts.end());
    EXPECT_EQ(mount->held.jaws, "pin jaws");
    EXPECT_FALSE(footHold(narrow, Shop{}, turnedSurfacesOf(narrow)).fits);
    useJaws(shop, 0);
    EXPECT_EQ(shop.jaws.name, "pin jaws");
    EXPECT_EQ(shop.otherJaws[0].name, "standard jaws");
    useJaws(shop, 9);
    EXPECT_EQ(shop.jaws.name, "pin jaws");
}

TEST(ShopsMachines, ALongerToolReachesWhatTheOneInUseDoesNot)
{
    Piece deep = test::plainCylinder(60, 400, BlockForm::Along, 6);
    Shop shop;
    shop.toolReach = 120;
    EXPECT_NE(find(makePlan(deep, shop), "inside"), nullptr);
    TurningTool bar;
    bar.shank = 20;
    bar.reach = 420;
    shop.tools = {bar};
    EXPECT_EQ(find(makePlan(deep, shop), "inside"), nullptr);
    shop.tools[0].use = TurningTool::Scraper;
    EXPECT_NE(find(makePlan(deep, shop), "inside"), nullptr) << "no scraper hollows that deep";
    Lathe other;
    other.lowestRpm = 50;
    other.swingRadius = 300;
    shop.otherLathes = {other};
    useLathe(shop, 0);
    EXPECT_EQ(shop.lathe.swingRadius, 300);
    EXPECT_EQ(shop.otherLathes[0].swingRadius, 200);
    shop.otherLathes[0].lowestRpm = 9000;
    EXPECT_THROW(checkShop(shop), InputError);
}

TEST(Holes, AReamedHoleTellsItsPegAndARoundedEdgeTakesAQuarterRound)
{
    constexpr double height = 60, r = 5, deep = 20, lean = 3, ease = 2;
    Hole h;
    h.into = Hole::Rim;
    h.at = 0;
    h.diameter = 2 * r;
    h.ends = Hole::Depth;
    h.depth = deep;
    h.bit = Hole::Flat;
    const Piece block = test::plainCylinder(30, height, BlockForm::Along);
    const auto drilled = [&](double taper, double round) {
        Piece p = block;
        p.holes = {h};
        p.holes[0].taper = taper;
        p.holes[0].ease = round;
        identifyCuts(p);
        checkPiece(p);
        return p;
    };
    const Piece reamed = drilled(lean, 0);
    const double mouth = r + deep * std::tan(lean * degrees);
    EXPECT_NEAR(turnedSurfacesOf(reamed).holes[0].mouth, 2 * mouth, 1e-9);
    const double cone = pi * deep / 3 * (r * r + r * mouth + mouth * mouth), straight = pi * r * r * deep;
    EXPECT_NEAR(volumeLeft(drilled(0, 0)) - volumeLeft(reamed), cone - straight, 0.02 * (cone - straight));
    // A quarter round beside an edge of radius r: Pappus, its middle (1 − π/4)·e² lies 0.2234·e from both faces (the
    // spandrel of a quarter circle, handbook tables, from memory).
    const double ring = (1 - pi / 4) * ease * ease * 2 * pi * (r + 0.2234 * ease);
    EXPECT_NEAR(volumeLeft(drilled(0, 0)) - volumeLeft(drilled(0, ease)), ring, 0.05 * ring);
    const Plan plan = makePlan(reamed, Shop{});
    const auto steps = test::stepsOf(plan, "drill-");
    ASSERT_EQ(steps.size(), 1u);
    EXPECT_EQ(std::ranges::count(steps[0]->settings, "peg's Ø at the surface", &Setting::name), 1);
    Piece both = reamed;
    both.holes[0].wide = 20;
    EXPECT_THROW(checkPiece(both), InputError);
}

TEST(TracedPicture, TwoPlacesOfItComeOntoTheAxis)
{
    test::property([] {
        auto any = [](int low, int high) { return test::inRange(low * 10, high * 10) / 10.0; };
        Trace t;
        t.along = any(-50, 200);
        t.up = any(-50, 100);
        t.width = any(50, 400);
        t.turned = any(-180, 180);
        // A place of the picture, in shares of its width from its middle, as it lies.
        const auto lies = [](const Trace& on, const Point& share) -> Point {
            const double c = std::cos(on.turned * degrees), s = std::sin(on.turned * degrees);
            const Point p = share * on.width;
            return {on.along + c * p.x() - s * p.y(), on.up + s * p.x() + c * p.y()};
        };
        const Point a{any(-5, 5) / 10, any(-5, 5) / 10}, b{any(-5, 5) / 10, any(-5, 5) / 10};
        const double length = any(20, 300);
        RC_PRE((a - b).norm() > 0.1);
        const Trace next = straightened(t, lies(t, a), lies(t, b), length);
        RC_ASSERT(lies(next, a).norm() < 1e-6);
        RC_ASSERT((lies(next, b) - Point(length, 0)).norm() < 1e-6);
        RC_ASSERT(straightened(t, {3, 4}, {3, 4}, length) == t);
    });
}

TEST(RingsOfMarks, StandWhereEachOfThemDoesAndSayTheirOffset)
{
    Piece p = test::plainCylinder(40, 100, BlockForm::Along);
    Worked flutes = worked(Worked::Flutes, 12), facets = worked(Worked::Facets, 6);
    flutes.plate = 24;
    flutes.start = 3;
    facets.direction = 15;
    Hole h;
    h.count = 1;
    p.holes = {h};
    p.worked = {flutes, facets};
    identifyCuts(p);
    const std::vector<IndexRing> rings = indexRings(p);
    ASSERT_EQ(rings.size(), 2u) << "a single hole is no ring";
    EXPECT_NEAR(rings[0].angles[1] - rings[0].angles[0], 30, 1e-9);
    EXPECT_EQ(rings[0].marks[0].hole, 3);
    EXPECT_NEAR(rings[1].offset, std::fmod(rings[1].angles[0] - rings[0].angles[0] + 360, 360), 1e-9);
    for (const WorkedPlace& place : workedPlaces(p)) {
        const double angle = std::fmod(place.angleDeg + 720, 360);
        EXPECT_NEAR(rings[place.worked].angles[static_cast<size_t>(place.which)], angle, 1e-9);
    }
}

TEST(Wings, AreThinnedFromTheTipInwardsInBandsOfAnInchOrTwo)
{
    const Plan plan = makePlan(test::demo("gull-dish"), test::harbourShop());
    const auto bands = test::stepsOf(plan, "wing-");
    ASSERT_FALSE(bands.empty());
    double last = 0;
    for (const Step* s : bands) {
        const double from = s->settings[0].value, to = s->settings[1].value;
        if (s != bands.front()) EXPECT_NEAR(from, last, 1e-9);
        EXPECT_GT(from, to);
        EXPECT_LE(from - to, 50.8);
        last = to;
    }
    // All before the rest of the wall; a round bowl has none of them.
    EXPECT_NE(std::ranges::find(plan.assembly.recipe, "fine", &Step::id), plan.assembly.recipe.end());
    EXPECT_TRUE(test::stepsOf(makePlan(test::demo("buoy-bowl"), test::harbourShop()), "wing-").empty());
}

TEST(Use, WhatItIsForSaysWhatItMustNotBe)
{
    Piece bangle = test::plainCylinder(36, 20, BlockForm::Across);
    bangle.hollow.rule = WallRule::Bored;
    bangle.hollow.bore = 52;
    bangle.choices.use = Use::Worn;
    ASSERT_NE(find(makePlan(bangle, Shop{}), "worn-bore"), nullptr);
    EXPECT_EQ(find(makePlan(find(makePlan(bangle, Shop{}), "worn-bore")->fixes[0].apply(bangle), Shop{}), "worn-bore"),
              nullptr);
    Piece heavy = test::plainCylinder(80, 200, BlockForm::Along);
    EXPECT_EQ(find(makePlan(heavy, Shop{}), "hung-weight"), nullptr);
    heavy.choices.use = Use::Hung;
    EXPECT_NE(find(makePlan(heavy, Shop{}), "hung-weight"), nullptr);
    Piece point = test::plainCylinder(20, 80, BlockForm::Along);
    point.outside.back().r = 0.5;
    point.outside.insert(point.outside.begin() + 1, test::corner(50, 12));
    point.choices.use = Use::Children;
    const Plan sharp = makePlan(point, Shop{});
    ASSERT_NE(find(sharp, "sharp-tip"), nullptr);
    EXPECT_EQ(find(makePlan(find(sharp, "sharp-tip")->fixes[0].apply(point), Shop{}), "sharp-tip"), nullptr);
}
