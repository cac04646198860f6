// Set-ups of the machines: the fewest there can be, all that are needed, none that is done.
#include "core/geometry/piercing.h"
#include "core/plan/boards/setups.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>
#include <set>

using namespace vl;

namespace {

/// The fewest points that pierce all intervals, by trying every set of right ends.
int exhaustive(const std::vector<Interval>& all)
{
    const size_t n = all.size();
    int best = static_cast<int>(n);
    for (unsigned set = 0; set < (1u << n); ++set) {
        const int size = std::popcount(set);
        if (size >= best) continue;
        const bool every = std::ranges::all_of(all, [&](const Interval& i) {
            for (size_t k = 0; k < n; ++k)
                if ((set >> k & 1) && all[k].high >= i.low && all[k].high <= i.high) return true;
            return false;
        });
        if (every) best = size;
    }
    return best;
}

}  // namespace

TEST(Piercing, IsTheLeastNumberAndEverySettingServes)
{
    test::property([] {
        std::vector<Interval> all(test::inRange<size_t>(0, 11));
        for (Interval& i : all) {
            i.low = test::inRange(0, 200) / 10.0;
            i.high = i.low + test::inRange(0, 60) / 10.0;
        }
        const Piercing p = pierce(all);
        RC_ASSERT(p.groups == exhaustive(all));
        std::set<double> used;
        for (size_t i = 0; i < all.size(); ++i) {
            RC_ASSERT(p.settings[i] >= all[i].low && p.settings[i] <= all[i].high);
            used.insert(p.settings[i]);
        }
        RC_ASSERT(static_cast<int>(used.size()) <= p.groups);
    });
}

TEST(Setups, AlikeRingsNeedFewerOfThemAndMoreWood)
{
    Piece p = test::regattaCup();
    const Plan before = makePlan(p, {});
    const int least = leastSetups(p, {}, before.assembly);
    const auto now = setupsOf(p, before.assembly, {});
    EXPECT_LT(least, static_cast<int>(now.size()));
    size_t fewest = now.size();
    double volume = before.cuts.volume;
    for (const double within : {1.0, 3.0, 5.0}) {
        p.choices.setOnceWithin = within;
        const Plan after = makePlan(p, {});
        const auto fewer = setupsOf(p, after.assembly, {});
        EXPECT_LE(fewer.size(), fewest) << within;
        EXPECT_GT(after.cuts.volume, volume) << within;
        fewest = fewer.size();
        volume = after.cuts.volume;
    }
    EXPECT_EQ(static_cast<int>(fewest), least) << "as much as can be asked for";
}

namespace {

/// Different values to a nanometer.
int different(const std::vector<double>& all)
{
    std::set<long> seen;
    for (const double v : all) seen.insert(std::lround(v * 1e6));
    return static_cast<int>(seen.size());
}

}  // namespace

TEST(Setups, WhatIsMadeAlikeIsTheFewestThereIsAndStaysARing)
{
    test::property([] {
        Piece p = test::randomPiece();
        // A few plain rings of one mitre, each with its own allowances.
        const int n = test::inRange(6, 20);
        p.layers.resize(std::min<size_t>(p.layers.size(), 6));
        for (Layer& l : p.layers) {
            l.form = RingForm{};
            l.ring()->segments = n;
            l.stockOuter.reset();
            l.stockInner.reset();
            l.outerAllowance = test::inRange(0, 60) / 10.0;
            l.sandingLoss = test::inRange(2, 10) / 10.0;
        }
        p.choices.setOnceWithin = 0;
        const Plan before = makePlan(p, {});
        // Layers beyond the outline, and bores as wide as the ring, are no rings, which their own stops say.
        for (const BuiltLayer& b : before.assembly.layers)
            RC_PRE(b.finishedOuter.high > 1 && b.stock.outer - b.stock.inner > 0.5 + 1e-6);
        const double within = test::inRange(1, 50) / 10.0;
        p.choices.setOnceWithin = within;
        const Plan after = makePlan(p, {});
        std::vector<Interval> stops, planes;
        std::vector<double> stopsSet, planesSet;
        for (size_t i = 0; i < p.layers.size(); ++i) {
            const BuiltLayer &a = before.assembly.layers[i], &b = after.assembly.layers[i];
            // The ring grows by twice as much on the radius at the most.
            const double room = within * std::min(1.0, 4 * std::tan(pi / n));
            stops.push_back({a.stock.outerEdge(), a.stock.outerEdge() + room});
            RC_ASSERT(b.stock.apothem() <= a.stock.apothem() + 2 * within + 1e-9);
            planes.push_back({a.planeTo, a.planeTo + std::min(within, 1.0)});
            stopsSet.push_back(b.stock.outerEdge());
            planesSet.push_back(b.planeTo);
            RC_ASSERT(stopsSet[i] >= stops[i].low - 1e-9 && stopsSet[i] <= stops[i].high + 1e-9);
            RC_ASSERT(planesSet[i] >= planes[i].low - 1e-9 && planesSet[i] <= planes[i].high + 1e-9);
            // It holds what it held, and its height in the stack is the same.
            RC_ASSERT(b.stockOuterRadius() >= a.stockOuterRadius() - 1e-9);
            RC_ASSERT(b.stock.innerCorner() <= a.stock.innerCorner() + 1e-9);
            RC_ASSERT(b.z0 == a.z0 && b.z1 == a.z1);
            // The part is cut as its layer says.
            for (const Part& part : after.assembly.parts)
                if (part.layer == static_cast<int>(i)) {
                    RC_ASSERT(std::abs(part.length - b.stock.outerEdge()) < 1e-9);
                    RC_ASSERT(std::abs(part.width - b.stock.boardWidth()) < 1e-9);
                    RC_ASSERT(std::abs(part.thickness - b.planeTo) < 1e-9);
                }
        }
        RC_ASSERT(different(stopsSet) <= exhaustive(stops));
        RC_ASSERT(different(planesSet) <= exhaustive(planes));
    });
}

TEST(Setups, EveryPartIsOnOneAndWhatIsHardComesFirst)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        std::set<std::string> set;
        for (const vl::Setup& s : setupsOf(p, plan.assembly, {})) set.insert(s.parts.begin(), s.parts.end());
        for (const Part& part : plan.assembly.parts) RC_ASSERT(part.thickness < 3 || set.contains(part.id));
    });
    struct Case {
        const char *sample, *machine, *setting;
    };
    for (const Case& c : {Case{"lamp-stand", "table saw, at an angle", "blade tilt"},
                          {"flag-bowl", "table saw, at an angle", "re-cut slant"},
                          {"chart-stand", "table saw, re-cut", "cut rows to"},
                          {"ballast-dish", "bandsaw", "table"}}) {
        const Piece p = test::demo(c.sample);
        const Plan plan = makePlan(p, test::harbourShop());
        const auto all = setupsOf(p, plan.assembly, {});
        const auto it = std::ranges::find_if(all, [&](const vl::Setup& s) {
            return s.machine == c.machine &&
                   std::ranges::any_of(s.settings, [&](const Setting& one) { return one.name == c.setting; });
        });
        ASSERT_NE(it, all.end()) << c.sample;
        const auto plane = std::ranges::find(all, "thicknesser", &vl::Setup::machine);
        const auto rip = std::ranges::find(all, "table saw, ripping", &vl::Setup::machine);
        EXPECT_LT(it - all.begin(), plane - all.begin()) << "the hard ones first";
        EXPECT_LT(plane - all.begin(), rip - all.begin()) << "planed before it is narrow";
        // The numbers are those of the step.
        for (const Setting& one : it->settings) {
            const bool said = std::ranges::any_of(plan.assembly.recipe, [&](const Step& s) {
                return std::ranges::any_of(
                    s.settings, [&](const Setting& t) { return t.name == one.name && t.value == one.value; });
            });
            EXPECT_TRUE(said) << one.name;
        }
    }
}

TEST(Setups, TakeTheTrialRingsCorrectionAndAskForAWholeRingOnceAnAngle)
{
    Piece p = test::regattaCup();
    const auto tried =
        std::ranges::find_if(p.layers, [](const Layer& l) { return l.ring() && l.ring()->segments == 18; });
    for (const double gap : {0.6, -0.4}) {
        p.choices.trialRing = tried->id;
        p.choices.trialGap = gap;
        const Plan plan = makePlan(p, {});
        const RegularRing& ring = plan.assembly.layers[static_cast<size_t>(tried - p.layers.begin())].stock;
        // Open outside the ends stand apart about the center; open inside they gape over the joint.
        const double total = gap > 0 ? 2 * std::asin(gap / (2 * ring.outerCorner()))
                                     : -2 * std::asin(-gap / (2 * (ring.outerCorner() - ring.innerCorner())));
        const double corrected = 10 + total / degrees / 36;
        int rings = 0, whole = 0, other = 0;
        for (const vl::Setup& s : setupsOf(p, plan.assembly, {}))
            for (const Setting& one : s.settings)
                if (one.name.starts_with("miter from square") && std::abs(one.value - 10) < 3) {
                    EXPECT_NEAR(one.value, corrected, 1e-9) << gap;
                    ++rings;
                    whole += s.trial.find("whole trial ring") != std::string::npos;
                } else if (one.name == "miter from square")
                    ++other;
        EXPECT_GT(rings, 3);
        EXPECT_EQ(whole, 1);
        EXPECT_GT(other, 0) << "rings of other numbers are not corrected by it";
        const auto step = std::ranges::find(plan.assembly.recipe, "cut-" + tried->id, &Step::id);
        EXPECT_NE(print(step->how).find("trial ring has shown"), std::string::npos) << "step and set-up say the same";
    }
}

TEST(Setups, LeaveOutWhatIsCut)
{
    Piece p = test::regattaCup();
    const Plan plan = makePlan(p, {});
    const Part part = plan.assembly.parts[2];
    auto onRip = [&](const Piece& piece) {
        for (const vl::Setup& s : setupsOf(piece, plan.assembly, {}))
            if (s.machine == "table saw, ripping" && std::ranges::find(s.parts, part.id) != s.parts.end()) return true;
        return false;
    };
    EXPECT_TRUE(onRip(p));
    KeptStrip cut{.board = "gone",
                  .length = 500,
                  .width = part.width,
                  .thickness = part.thickness,
                  .wood = part.species->id,
                  .runs = {{part.id, part.count, {}}},
                  .extra = {}};
    p.progress.strips.push_back(cut);
    EXPECT_FALSE(onRip(p));
}
