// Boards of strips that have each their own width: what they give, where they lie, what turning rows over does.
#include "core/blank/leftovers.h"
#include "core/constructions/flipped_board.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <cmath>
#include <numeric>

using namespace vl;

namespace {

/// The largest circle by trying: every order of every choice of the strips, its middle stepped across them.
double circleByTrying(const std::vector<Leftover>& strips)
{
    double best = 0;
    std::vector<size_t> order(strips.size());
    std::iota(order.begin(), order.end(), 0u);
    do
        for (size_t used = 1; used <= strips.size(); ++used) {
            double width = 0;
            for (size_t k = 0; k < used; ++k) width += strips[order[k]].width;
            for (int step = 1; step < 400; ++step) {
                const double middle = width * step / 400;
                double radius = std::min(middle, width - middle), at = 0;
                for (size_t k = 0; k < used; ++k) {
                    const Leftover& s = strips[order[k]];
                    // The chord is longest at the edge that is nearest the middle.
                    const double near = std::max({0.0, at - middle, middle - at - s.width});
                    radius = std::min(radius, std::sqrt(s.length * s.length / 4 + near * near));
                    at += s.width;
                }
                best = std::max(best, 2 * radius);
            }
        }
    while (std::ranges::next_permutation(order).found);
    return best;
}

/// A slab of its own by the samples' shop.
Piece slabOf(const SlabForm& form, double diameter)
{
    Piece p = test::demo("chart-stand");
    p.layers.resize(1);
    p.layers[0].form = form;
    p.layers[0].woods = {"maple", "walnut", "cherry"};
    p.layers[0].stockOuter = diameter;
    return p;
}

}  // namespace

TEST(Leftovers, TheLargestRoundAndSquareBoardAgainstTrying)
{
    test::property([] {
        std::vector<Leftover> strips(test::inRange<size_t>(1, 6));
        for (Leftover& s : strips)
            s = {static_cast<double>(test::inRange(15, 80)), static_cast<double>(test::inRange(40, 400))};
        const LaidLeftovers circle = largestCircle(strips), square = largestSquare(strips);
        const double tried = circleByTrying(strips);
        RC_ASSERT(circle.size >= tried - 1e-6);
        RC_ASSERT(circle.size <= tried * 1.02);
        // Of every number of strips, the longest: what is narrower or shorter than the square does not hold it.
        double best = 0;
        for (unsigned chosen = 1; chosen < 1u << strips.size(); ++chosen) {
            double width = 0, length = 1e9;
            for (size_t i = 0; i < strips.size(); ++i)
                if (chosen >> i & 1) width += strips[i].width, length = std::min(length, strips[i].length);
            best = std::max(best, std::min(width, length));
        }
        RC_ASSERT(std::abs(square.size - best) < 1e-9);
        for (const LaidLeftovers* laid : {&circle, &square})
            RC_ASSERT(std::accumulate(laid->widths.begin(), laid->widths.end(), 0.0) >= laid->size - 1e-6);
    });
    EXPECT_EQ(largestCircle({}).size, 0);
    EXPECT_TRUE(largestSquare({}).widths.empty());
    EXPECT_EQ(leftoversOf({20, 30}, {400}).back().length, 400) << "the last length goes on";
}

TEST(Leftovers, LieInTheSlabAsTheyAreListedAndTurnedRowsShowThemMirrored)
{
    SlabForm form;
    form.pattern = SlabForm::Checkered;
    form.widths = {18, 42, 25, 33, 27};  // 145 in all
    form.row = 29;
    const Piece p = slabOf(form, 140);
    const Plan plan = makePlan(p, test::harbourShop());
    const BuiltLayer& b = plan.assembly.layers[0];
    const double z = (b.z0 + b.z1) / 2;
    const Lattice& lattice = b.lattices.front();
    for (int row = 0; row < 5; ++row)
        for (double x = -72; x < 72; x += 0.7) {
            const double y = lattice.along[0] + 29 * (row + 0.5);
            // The place in the row by adding up widths from the side that it begins at.
            double from = -72.5;
            size_t place = 0;
            for (size_t i = 0; i < 5; ++i) {
                const size_t strip = row % 2 ? 4 - i : i;
                if (x >= from) place = strip;
                from += form.widths[strip];
            }
            const Eigen::Vector3d at = lattice.x * x + lattice.y * y;
            const double r = at.norm(), angle = std::atan2(at.z(), at.y()) / degrees;
            EXPECT_EQ(b.segmentAt(z, r, angle), static_cast<int>(place)) << "row " << row << " at " << x;
        }
    // What is ripped is what is listed, and both edges are trued.
    for (size_t i = 0; i < 5; ++i) {
        const std::string name = "rip strip " + std::to_string(i + 1) + " to";
        const auto it = std::ranges::find(b.settings, name, &Setting::name);
        ASSERT_NE(it, b.settings.end());
        EXPECT_NEAR(it->value, form.widths[i] + 2 * form.jointing, 1e-12);
    }
}

TEST(Slab, StripsOfABoardThatBecomesRoundAreAsLongAsTheirChord)
{
    test::property([] {
        SlabForm form;
        form.pattern = SlabForm::Striped;
        form.strip = test::inRange(12, 50);
        const double diameter = test::inRange(120, 320);
        if (test::coin()) {
            form.widths.resize(test::inRange<size_t>(5, 9));
            for (double& w : form.widths) w = test::inRange(20, 70);
        }
        const Piece p = slabOf(form, diameter);
        const Plan plan = makePlan(p, test::harbourShop());
        const BuiltLayer& b = plan.assembly.layers[0];
        const double trim = FlippedBoard{}.trim;
        const std::vector<double>& edges = b.lattices.front().across;
        double wanted = 0, cut = 0;
        for (size_t i = 0; i + 1 < edges.size(); ++i) {
            const double near = std::max({0.0, edges[i], -edges[i + 1]});
            const double chord = 2 * std::sqrt(std::max(0.0, diameter * diameter / 4 - near * near));
            wanted += (edges[i + 1] - edges[i] + 2 * form.jointing) * (chord + 2 * trim);
        }
        for (const Part& part : plan.assembly.parts) cut += part.count * part.length * part.width;
        RC_ASSERT(std::abs(cut / wanted - 1) < 1e-9);
        // Too narrow is said, and healed.
        const Caution* narrow = test::find(plan, "narrow");
        RC_ASSERT((narrow != nullptr) == (edges.back() - edges.front() < diameter - 1e-6));
        if (narrow) RC_ASSERT(!test::find(makePlan(narrow->fixes.at(0).apply(p), test::harbourShop()), "narrow"));
    });
}
