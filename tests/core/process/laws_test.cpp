// The laws of the bench, on the wood as it is at each step of every sample, and on recipes that break them.
#include "core/plan/plan.h"
#include "core/workpiece/laws.h"
#include "core/workpiece/turning.h"
#include "tests/support/makeable_piece.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <gtest/gtest.h>

#include <set>

namespace vl::test {
namespace {

/// A bar of 100 by Ø 60 that steps are done to, one after another.
struct Bar {
    Recipe recipe;
    Stock stock{.parts = {{"bar", {0}}}, .layers = {{Region::box({0, 100}, {0, 42}), Region::box({0, 100}, {0, 30})}}};
    std::string thing = "bar";

    void add(const std::string& id, Effect effect, Held held = {})
    {
        Step s;
        s.id = id;
        s.inputs = {thing};
        s.outputs = {thing = "after-" + id};
        if (std::holds_alternative<effect::Turn>(effect)) s.action = Action::Turn;
        s.effect = std::move(effect);
        s.held = held;
        recipe.push_back(std::move(s));
    }
    std::vector<BrokenLaw> broken(const Region& piece = {}) const
    {
        std::vector<size_t> order(recipe.size());
        for (size_t i = 0; i < order.size(); ++i) order[i] = i;
        return brokenLaws(recipe, order, stock, piece);
    }
};

const Held centers{.set = true, .by = Hold::Centers, .diameter = 20, .depth = 5, .tailstock = true};
const Held onTenon{.set = true, .by = Hold::Tenon, .diameter = 50, .depth = 8};

effect::Turn turned(effect::Turn::Side side, Range z, Range r) { return {side, Region::box(z, r)}; }

/// A bar that is turned to Ø 56 with a tenon of Ø 50, held by it and bored: as it should be.
Bar goodBar()
{
    Bar bar;
    bar.add("mount", effect::None{}, centers);
    bar.add("rough", turned(effect::Turn::Outside, {0, 100}, {28, farOut}));
    bar.add("tenon", turned(effect::Turn::Foot, {0, 8}, {25, farOut}));
    bar.add("reverse", effect::None{}, onTenon);
    bar.add("bore", turned(effect::Turn::Inside, {20, 100}, {0, 20}));
    return bar;
}

const Region cup = Region::box({8, 100}, {0, 28}) - Region::box({20, 100}, {0, 20});

/// A vessel, a bowl or a stack of any size and wall.
Piece anyHollow()
{
    const double radius = inRange(25, 130), height = inRange(40, 240), wall = inRange(4, 14);
    Piece p = plainCylinder(radius, height, coin() ? BlockForm::Along : BlockForm::Across, wall, inRange(6, 25));
    const double foot = radius * inRange(50, 101) / 100, rim = radius * inRange(50, 101) / 100;
    p.outside = {corner(0, foot), corner(0.4 * height, radius), corner(height, rim)};
    p.hollow.floorRound = inRange(0, 10);
    p.layers[0].outerAllowance = p.layers[0].innerAllowance = inRange(1, 7);
    if (coin()) p.choices.foot = FootMethod::Faceplate;
    if (coin()) p.choices.sides = SideMethod::BothRoughed;
    switch (inRange(0, 4)) {
    case 0: {
        BilletForm billet;
        billet.boards = inRange(3, 9);
        p.layers[0].form = billet;
        break;
    }
    case 1: {
        Piece rings = ringCone(foot, rim, height, inRange(2, 9), inRange(4, 16));
        rings.hollow = p.hollow;
        p = rings;
        break;
    }
    case 2:
        p.hollow.rule = WallRule::Bored;
        p.hollow.bore = radius;
        break;
    default:
        break;
    }
    return p;
}

Shop anyJaws()
{
    Shop shop;
    shop.jaws.gripLeast = inRange(20, 60);
    shop.jaws.gripMost = shop.jaws.gripLeast + inRange(10, 80);
    shop.jaws.depth = inRange(4, 14);
    return shop;
}

}  // namespace

TEST(Laws, AreKeptByACup)
{
    Bar bar = goodBar();
    EXPECT_TRUE(bar.broken().empty());
    bar.add("off", effect::Part{.stays = {8, 100}});
    EXPECT_TRUE(bar.broken(cup).empty());
}

TEST(Laws, CatchARecipeThatBreaksThem)
{
    struct Case {
        Law law;
        const char* step;
        void (*spoil)(Bar&);
    };
    const Case cases[]{
        {Law::TakesWood, "again",
         [](Bar& b) {
             b.add("again", turned(effect::Turn::Inside, {20, 100}, {0, 20}));
         }},
        {Law::HeldToTheEnd, "through",
         [](Bar& b) {
             b.add("through", turned(effect::Turn::Inside, {0, 100}, {0, 20}));
         }},
        {Law::GripIsThere, "reverse", [](Bar& b) { b.recipe[3].held.diameter = 60; }},
        {Law::GripIsThere, "reverse", [](Bar& b) { b.recipe[3].held.by = Hold::Recess; }},
        {Law::ToolComesIn, "bore", [](Bar& b) { b.recipe[3].held = centers; }},
        {Law::ToolComesIn, "recess",
         [](Bar& b) {
             b.recipe.resize(2);
             b.thing = "after-rough";
             b.add("recess", turned(effect::Turn::Foot, {95, 100}, {0, 20}));
         }},
        {Law::GripIsThere, "between", [](Bar& b) { b.add("between", effect::None{}, centers); }},
        {Law::IsHeld, "edges",
         [](Bar& b) {
             b.add("off", effect::Part{.stays = {8, 100}});
             b.add("edges", effect::None{});
             b.recipe.back().action = Action::Turn;
             b.recipe.back().uses = {Resource::Lathe};
         }},
    };
    for (const Case& c : cases) {
        Bar bar = goodBar();
        c.spoil(bar);
        const auto broken = bar.broken();
        EXPECT_EQ(broken, (std::vector<BrokenLaw>{{c.law, c.step}})) << lawName(c.law) << " at " << c.step;
    }
    // A wall that is left thick is not the piece.
    Bar thick = goodBar();
    thick.recipe.pop_back();
    thick.add("off", effect::Part{.stays = {8, 100}});
    EXPECT_EQ(thick.broken(cup), (std::vector<BrokenLaw>{{Law::LeavesThePiece, "off"}}));
    // Bare jaws on the outside of the cup.
    Bar bare = goodBar();
    bare.recipe[2].effect = effect::None{};
    bare.recipe[3].held = {.set = true, .by = Hold::Eccentric, .diameter = 56, .depth = 20};
    bare.add("off", effect::Part{.stays = {8, 100}});
    EXPECT_EQ(bare.broken(cup), (std::vector<BrokenLaw>{{Law::SurfaceIsSpared, "reverse"}}));
}

TEST(Laws, AreKeptByEverySample)
{
    // What breaks today; it may only shrink.
    const std::set<std::string> known{};
    std::set<std::string> found;
    for (const std::string& name : demoNames()) {
        const Piece piece = demo(name);
        const Plan plan = makePlan(piece, harbourShop());
        for (const BrokenLaw& b : brokenLawsOf(piece, plan))
            found.insert(name + ": " + lawName(b.law) + " at " + b.step);
    }
    for (const std::string& one : found) EXPECT_TRUE(known.contains(one)) << one;
    for (const std::string& one : known) EXPECT_TRUE(found.contains(one)) << one << " is mended: take it off the list";
}

TEST(Laws, AreKeptByAnyHollow)
{
    int cases = 0, planned = 0;
    property([&] {
        ++cases;
        const Piece p = anyHollow();
        const Plan plan = makePlan(p, anyJaws());
        if (plan.mustStop()) return;
        ++planned;
        for (const BrokenLaw& b : brokenLawsOf(p, plan)) RC_FAIL(std::string(lawName(b.law)) + " at " + b.step);
    });
    EXPECT_GT(planned, cases / 20) << "enough of them can be made";
}

TEST(Laws, AreKeptByAnythingThatCanBeMade)
{
    std::map<std::string, std::string> broken;
    int cases = 0, planned = 0;
    property([&] {
        ++cases;
        const Piece p = makeablePiece();
        const Plan plan = makePlan(p, anyShop());
        if (plan.mustStop()) return;
        ++planned;
        const bool stays = p.edge.kind == Edge::Square || !plan.surfaces.cuts.empty();
        for (const BrokenLaw& b : brokenLawsOf(p, plan)) {
            // Where the blank's own rim stays, roughing may find nothing left to take.
            if (stays && b.law == Law::TakesWood && b.step == "rough") continue;
            RC_FAIL(p.name + ": " + lawName(b.law) + " at " + b.step);
        }
        // What comes round with an open hole in it is sanded by nobody.
        bool open = false;
        for (const size_t i : plan.schedule.order) {
            const Step& s = plan.assembly.recipe[i];
            if (open && s.action == Action::Sand && s.occupies(Resource::Lathe)) RC_FAIL(p.name + ": " + s.id);
            open |= s.id.starts_with("drill-") && std::ranges::any_of(p.holes, [&](const Hole& h) {
                        return s.id == "drill-" + h.id && !h.filled && !h.early && h.into == Hole::Side;
                    });
        }
    });
    EXPECT_GT(planned, cases / 5) << "many of them can be made";
}

}  // namespace vl::test
