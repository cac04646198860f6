// Heights of the parts after every loss at the bench add up to the layer, for every construction and any piece.
#include "core/constructions/made_up.h"
#include "core/holding/foot_hold.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/random_piece.h"
#include "tests/support/samples.h"

#include <cmath>

using namespace vl;

namespace {

double settingOf(const BuiltLayer& b, const std::string& name)
{
    for (const Setting& s : b.settings)
        if (s.name == name) return s.value;
    return std::nan("");
}

/// What is left of a layer's height when its parts have lost what flattening, gluing and trimming take, mm. Worked from
/// the parts that are cut and the losses that the layer's fields name.
double heightLeft(const Piece& p, const Plan& plan, size_t i, const Part& part)
{
    const Layer& l = p.layers[i];
    const BuiltLayer& b = plan.assembly.layers[i];
    const double faces = 2 * (l.sandingLoss + b.sharedSetUps.loss);
    auto board = [](const SlabForm& f, double thickness) {
        return thickness - 2 * f.flattening * (f.pattern == SlabForm::Checkered ? 2 : 1);
    };
    if (l.is<SheetForm>()) return part.thickness;
    if (const SlabForm* f = l.as<SlabForm>()) return board(*f, part.thickness);
    if (l.is<StavesForm>()) {
        const double slope = std::abs(settingOf(b, "slope of the wall")) * degrees;
        const bool jig = p.choices.staves == StaveMethod::TaperJig;
        const double along = jig ? part.length : part.width - part.thickness * std::tan(slope);
        return along * std::cos(slope) - faces;
    }
    // Turned or parted off last; what it is glued up higher is no part of it.
    const double waste = std::max(0.0, b.wasteBelow + b.wasteAbove - (l.gluedThickness() - l.thickness));
    if (l.is<BilletForm>()) return part.length - faces - waste;
    if (l.is<WrapForm>()) return part.length - 10 - faces - waste;  // spare length, squared off at the end
    if (const BlockForm* f = l.as<BlockForm>()) {
        const double high = f->alongAxis() ? part.length : part.thickness;
        if (p.layers.size() > 1) return high - faces;
        return high - waste;
    }
    if (l.is<SpindleForm>()) return part.length - b.tenon.below - b.tenon.above - waste;
    if (const BoardRingForm* f = l.as<BoardRingForm>()) {
        // Glued of strips the board is flattened first; then every ring loses 0.2 mm on each face, and the stack both.
        const bool strips = f->board.pattern != SlabForm::Plain;
        const double planed = strips ? board(f->board, part.thickness) : part.thickness;
        return f->rings * (planed - 0.4) - faces;
    }
    if (const RingForm* f = l.ring();
        f && f->madeUp.kind != MadeUp::Plain && part.id.find("disc") == std::string::npos) {
        const double slant = std::isnan(settingOf(b, "re-cut slant")) ? 0 : settingOf(b, "re-cut slant") * degrees;
        // Across the panel, less what the slant takes: the height of a blank.
        const double blank = (settingOf(b, "panel width") - b.stock.outerEdge() * std::sin(slant)) / std::cos(slant);
        return f->madeUp.kind == MadeUp::Diamond ? 2 * (blank - l.sandingLoss) - faces : blank - faces;
    }
    return part.thickness - faces;
}

}  // namespace

TEST(Losses, LeaveTheLayerAsHighAsItIsGluedOn)
{
    test::property([] {
        const Piece p = test::randomPiece();
        const Plan plan = makePlan(p, {});
        for (const Part& part : plan.assembly.parts) {
            const auto i = static_cast<size_t>(part.layer);
            if (part.id.ends_with("-spacer")) continue;  // 1 mm proud, sanded with the ring
            const double left = heightLeft(p, plan, i, part), wanted = p.layers[i].gluedThickness();
            if (std::abs(left - wanted) > 1e-6)
                RC_FAIL(part.id + " of kind " + layerKinds()[p.layers[i].form.index()].name + " leaves " +
                        std::to_string(left) + " of " + std::to_string(wanted));
        }
    });
}

TEST(Losses, AreTheSameInStepPartAndSetting)
{
    // The board of rings and the strips it is glued of: one thickness, said by step, part and setting alike.
    const Piece dish = test::demo("ballast-dish");
    const Plan plan = makePlan(dish, test::harbourShop());
    const BuiltLayer& b = plan.assembly.layers[0];
    const BoardRingForm& f = *dish.layers[0].as<BoardRingForm>();
    const double planed = (108 + 2 * dish.layers[0].sandingLoss) / f.rings + 0.4;
    EXPECT_NEAR(settingOf(b, "board thickness"), planed, 1e-9);
    for (const Part& part : plan.assembly.parts) EXPECT_NEAR(part.thickness, planed + 2 * f.board.flattening, 1e-9);
    for (const Step& s : plan.assembly.recipe)
        for (const Setting& one : s.settings) {
            if (one.name == "board thickness") {
                EXPECT_NEAR(one.value, planed, 1e-9) << s.id;
            } else if (one.name == "plane strips to") {
                EXPECT_NEAR(one.value, planed + 2 * f.board.flattening, 1e-9) << s.id;
            }
        }
    // Panels of made-up segments: strips lie flat in the board, planed to their height and ripped to the ring's width.
    const Piece bowl = test::demo("flag-bowl");
    const Plan made = makePlan(bowl, test::harbourShop());
    int strips = 0;
    for (const Part& part : made.assembly.parts) {
        const auto i = static_cast<size_t>(part.layer);
        const RingForm* ring = bowl.layers[i].ring();
        if (!ring || ring->madeUp.kind == MadeUp::Plain || bowl.layers[i].is<LetInForm>()) continue;
        ++strips;
        EXPECT_NEAR(part.width, made.assembly.layers[i].stock.boardWidth(), 1e-9) << part.id;
        EXPECT_LT(part.thickness, part.width) << part.id;
        const char* name = part.id.ends_with("-band") ? "band strip" : "strips beside it";
        EXPECT_NEAR(part.thickness, settingOf(made.assembly.layers[i], name), 1e-9) << part.id;
    }
    EXPECT_GE(strips, 6);
    // Diamonds are glued of two halves before they are mitred.
    const auto diamond = std::ranges::find_if(
        bowl.layers, [](const Layer& l) { return l.ring() && l.ring()->madeUp.kind == MadeUp::Diamond; });
    std::vector<std::string> order;
    for (const Step& s : made.assembly.recipe)
        if (s.layer == diamond - bowl.layers.begin()) order.push_back(s.id.substr(0, s.id.rfind('-')));
    const auto at = [&](const char* id) { return std::ranges::find(order, id) - order.begin(); };
    EXPECT_LT(at("blanks"), at("middle"));
    EXPECT_LT(at("middle"), at("cut"));
    EXPECT_LT(at("cut"), static_cast<long>(order.size()));
}
