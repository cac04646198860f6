// Forms that follow a rule: what they are, that they stay so, and what stands beside them.
#include "core/geometry/forms.h"
#include "core/geometry/profile.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <algorithm>
#include <cmath>
#include <map>

using namespace vl;

namespace {

Piece stem()
{
    Piece p = starts()[0].make();
    auto node = [](double z, double r) {
        Node n;
        n.z = z;
        n.r = r;
        n.span = Span::Line;
        return n;
    };
    p.outside = {node(0, 30), node(60, 24), node(120, 30), node(200, 20)};
    p.hollow.rule = WallRule::Solid;
    return p;
}

FormPart form(FormPart::Kind kind, double at, double length)
{
    FormPart f;
    f.id = "F1";
    f.kind = kind;
    f.at = at;
    f.length = length;
    return f;
}

Polyline line(const Piece& p) { return flatten(withForms(p.outside, p.forms)); }

}  // namespace

TEST(FormParts, AnEllipseIsOneToAFewHundredths)
{
    for (const double ratio : {1.0, golden, 2.5})
        for (const double neck : {0.0, 12.0}) {
            Piece p = stem();
            FormPart f = form(FormPart::Ellipse, 50, 0);
            f.diameter = 50;
            f.ratio = ratio;
            f.neck = neck;
            p.forms = {f};
            const Polyline made = line(p);
            const Ellipse e{50 * ratio, 50};
            const double half = e.length / 2 * std::sqrt(1 - neck * neck / 2500);
            // D·√(1 − x²) (CHECKS, Ornament as an ellipse); its steep ends within what a hundredth along it makes
            // there.
            for (double z = -0.9 * half; z <= 0.9 * half; z += half / 37)
                EXPECT_NEAR(2 * radiusAt(made, 50 + half + z), e.diameterAt(z), 0.05) << ratio << " at " << z;
            EXPECT_NEAR(2 * radiusAt(made, 50.001), neck, 1.2) << "it begins at its neck";
        }
}

TEST(FormParts, WhicheverMeasureIsLessLimitsAnEllipse)
{
    FormPart f = form(FormPart::Ellipse, 50, 100);
    f.diameter = 80;
    f.ratio = 2;
    const Polyline made = flatten(withForms(stem().outside, {f}));
    EXPECT_NEAR(radiusRange(made, 50, 150).high, 25, 0.01) << "100 long and half as wide";
}

TEST(FormParts, RideOnTheOutlineAndStayWhatTheyAre)
{
    struct Case {
        FormPart::Kind kind;
        double middle;  // what the radius is in the middle beyond the outline there, of a length of 10
    };
    // A bead is half a circle over its chord, a cove half a circle into it, a V as deep as it says.
    for (const Case& c : {Case{FormPart::Bead, 5}, Case{FormPart::Cove, -5}, Case{FormPart::Vee, -3}}) {
        Piece p = stem();
        p.outside[1].r = 30;  // level from the foot to 120
        p.forms = {form(c.kind, 80, 10)};
        EXPECT_NEAR(radiusAt(line(p), 85), 30 + c.middle, 0.02) << static_cast<int>(c.kind);
        EXPECT_NEAR(radiusAt(line(p), 79), 30, 0.02);
        EXPECT_NEAR(radiusAt(line(p), 91), 30, 0.02);
        // Dragged thinner: it goes along, and is the same.
        Piece thinner = p;
        for (Node& n : thinner.outside)
            if (n.z > 0 && n.z < 150) n.r = 20;
        const double base = (radiusAt(flatten(thinner.outside), 80) + radiusAt(flatten(thinner.outside), 90)) / 2;
        EXPECT_NEAR(radiusAt(line(thinner), 85) - base, c.middle, 0.1) << static_cast<int>(c.kind);
    }
    Piece p = stem();
    FormPart step = form(FormPart::Step, 80, 10);
    step.diameter = 36;
    p.forms = {step};
    EXPECT_NEAR(radiusAt(line(p), 85), 18, 1e-9);
    FormPart foot = form(FormPart::Foot, 0, 10);
    p.forms = {foot};
    EXPECT_NEAR(radiusAt(line(p), 0), 20, 0.01) << "two thirds of the greatest radius, 30";
}

TEST(FormParts, AreAddedTwiceToNoEffectAndGoWithoutATrace)
{
    test::property([] {
        Piece p = stem();
        const bool curved = test::coin();
        for (Node& n : p.outside) n.span = curved ? Span::Curve : Span::Line;
        const int count = test::inRange(1, 4);
        for (int k = 0; k < count; ++k) {
            FormPart f =
                form(static_cast<FormPart::Kind>(test::inRange(0, 9)), 10 + 60.0 * k, test::inRange(10, 400) / 10.0);
            f.id = "F" + std::to_string(k + 1);
            f.diameter = 20;
            f.depth = test::inRange(1, 100) / 10.0;
            f.neck = test::inRange(0, 15);
            f.end = k % 2 ? FormPart::AtRim : FormPart::AtFoot;
            f.taper = test::inRange(0, 4);
            try {
                checkFormPart(f, "form");
            } catch (const InputError&) {
                RC_DISCARD("no such form");
            }
            p.forms.push_back(f);
        }
        const Piece once = withForms(p), twice = withForms(once);
        RC_ASSERT(once == twice);
        checkOutline(once.outside, "outside", limits::nodes);
        for (size_t i = 1; i < once.outside.size(); ++i) RC_ASSERT(once.outside[i].z >= once.outside[i - 1].z);
        Piece bare = once;
        bare.forms.clear();
        bare = withForms(bare);
        RC_ASSERT(std::ranges::none_of(bare.outside, [](const Node& n) { return !n.form.empty(); }));
        RC_ASSERT(bare.outside.front().z == 0);
    });
}

TEST(FormParts, ATenonFitsItsHoleAndItsStepSaysHow)
{
    const double lean = std::tan(2 * degrees);
    for (const auto end : {FormPart::AtFoot, FormPart::AtRim})
        for (const double taper : {0.0, 2.0}) {
            Piece p = edit::addForm(stem(), FormPart::Tenon);
            FormPart& f = p.forms[0];
            f.end = end;
            f.diameter = 16;
            f.length = 25;
            f.shoulder = 34;
            f.fit = 0.2;
            f.taper = taper;
            p.layers.resize(1);
            BlockForm block;
            block.grain = BlockForm::Along;
            p.layers[0].form = block;
            p.layers[0].thickness = 200;
            p = withForms(std::move(p));
            const bool foot = end == FormPart::AtFoot;
            const double tip = 7.9 - (taper > 0 ? 25 * lean : 0);
            const Polyline line = flatten(p.outside);
            const auto from = [&](double fromEnd) { return foot ? fromEnd : 200 - fromEnd; };
            EXPECT_NEAR(radiusAt(line, from(0)), tip, 1e-9);
            EXPECT_NEAR(radiusAt(line, from(24.999)), 7.9, 0.001);
            EXPECT_NEAR(radiusAt(line, from(25.001)), 17, 0.01) << "its shoulder";
            EXPECT_GT(radiusAt(line, from(40)), 17) << "what stands beside it is as it was";

            const Plan plan = makePlan(p, Shop{});
            const auto step = std::ranges::find_if(plan.assembly.recipe,
                                                   [&](const Step& s) { return s.id == "tenon-" + p.forms[0].id; });
            ASSERT_NE(step, plan.assembly.recipe.end());
            std::map<std::string, double> said;
            for (const Setting& s : step->settings) said[s.name] = s.value;
            EXPECT_NEAR(said["hole, Ø"] - said["tenon at its shoulder, Ø"], 0.2, 1e-9);
            EXPECT_NEAR(said["tenon at its tip, Ø"], 2 * tip, 1e-9);
            EXPECT_GT(said["its hole, deep"], said["tenon, long"]);
            const auto has = [](const Plan& of, const std::string& id) {
                return std::ranges::any_of(of.cautions, [&](const Caution& c) { return c.id.starts_with(id); });
            };
            EXPECT_FALSE(has(plan, "tenon-grain")) << "its grain runs along it";
            EXPECT_FALSE(has(plan, "tenon-shoulder"));
            block.grain = BlockForm::Across;
            p.layers[0].form = block;
            p.forms[0].shoulder = 16.5;
            p = withForms(std::move(p));
            const Plan weak = makePlan(p, Shop{});
            EXPECT_TRUE(has(weak, "tenon-grain"));
            for (const Caution& c : weak.cautions)
                if (c.id.starts_with("tenon-shoulder")) {
                    ASSERT_EQ(c.fixes.size(), 1u);
                    EXPECT_FALSE(has(makePlan(c.fixes[0].apply(p), Shop{}), "tenon-shoulder"));
                }
            EXPECT_TRUE(has(weak, "tenon-shoulder"));
        }
}

TEST(FormParts, ThatCannotBeAreRefusedByName)
{
    FormPart f = form(FormPart::Ellipse, 10, 0);
    EXPECT_THROW(checkFormPart(f, "forms[0]"), InputError);
    f.diameter = 20;
    f.neck = 20;
    EXPECT_THROW(checkFormPart(f, "forms[0]"), InputError);
    EXPECT_THROW(checkFormPart(form(FormPart::Bead, 10, 0), "forms[0]"), InputError);
    Piece p = edit::addForm(stem(), FormPart::Bead);
    p.forms[0].length = 0;
    try {
        checkPiece(p);
        FAIL();
    } catch (const InputError& e) {
        EXPECT_EQ(e.field(), "forms[0].length_mm");
    }
}
