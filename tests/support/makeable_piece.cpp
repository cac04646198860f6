#include "tests/support/makeable_piece.h"

#include "core/geometry/fall_back.h"
#include "core/piece/edits/edit.h"
#include "tests/support/plain_piece.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

namespace vl::test {
namespace {

bool oneIn(int n) { return inRange(0, n) == 0; }
double between(int low, int high) { return inRange(low * 10, high * 10 + 1) / 10.0; }

/// One block, along or across: solid, hollowed, bored, wet, a box.
Piece plainBlock()
{
    const bool along = coin();
    const double radius = between(22, along ? 60 : 130), height = between(40, along ? 220 : 110);
    Piece p = plainCylinder(radius, height, along ? BlockForm::Along : BlockForm::Across, oneIn(3) ? 0 : between(5, 12),
                            between(8, 20));
    p.outside = {corner(0, radius * between(6, 10) / 10), corner(height * 0.4, radius),
                 corner(height, radius * between(6, 10) / 10)};
    p.hollow.floorRound = between(0, 8);
    BlockForm& block = *p.layers[0].as<BlockForm>();
    if (along && oneIn(3)) {
        p.hollow.rule = WallRule::Bored;
        p.hollow.bore = radius * between(4, 12) / 10;
    } else if (along && p.hollow.rule != WallRule::Solid && coin()) {
        p.lid.on = true;
        p.lid.at = height * 0.7;
        p.lid.joint = coin() ? Lid::OnBox : Lid::OnLid;
        p.lid.top = between(5, 9);
    }
    if (oneIn(4)) {
        block.moisture = between(20, 60);
        block.wet = element(BlockForm::DriedFirst, BlockForm::TurnedTwice, BlockForm::TurnedOnce);
    }
    return p;
}

/// A sample, or a shape of one block, a billet or rings.
Piece anyBeginning()
{
    if (coin()) {
        static const std::vector<std::string> names = demoNames();
        return demo(oneOf(names));
    }
    Piece p = plainBlock();
    if (oneIn(3)) {
        const Hollow hollow = p.hollow;
        const double wide = p.outside[1].r;
        p = ringCone(wide * 0.7, wide, outlineHeight(p), inRange(2, 9), inRange(5, 17));
        if (hollow.rule != WallRule::Bored) p.hollow = hollow;
    } else if (oneIn(4) && !p.lid.on) {
        BilletForm billet;
        billet.boards = inRange(3, 9);
        p.layers[0].form = billet;
    }
    return p;
}

void turnOnOtherAxes(Piece& p)
{
    p = edit::addAxis(std::move(p));
    OffAxis& axis = p.axes.back();
    axis.by = element(AxisBy::Centers, AxisBy::Eccentric, AxisBy::Tilt);
    const double height = outlineHeight(p), reach = p.outside.front().r;
    axis.headOffset = axis.tailOffset = reach * between(1, 5) / 10;
    axis.tilt = between(1, 4);
    axis.pivot = height / 2;
    axis.sides = inRange(1, 5);
    edit::stretchAxis(axis, height * 0.2, height * 0.8);
}

/// A recess in the foot, from its ring inwards, where the outline leaves room for it.
void recessFoot(Piece& p)
{
    const double ring = p.outside.front().r * 0.6, deep = between(2, 5);
    const auto node = [](double z, double r) { return Node{.z = z, .r = r, .span = Span::Line, .smooth = false}; };
    Outline recessed = p.outside;
    recessed.insert(recessed.begin(), {node(deep, 0), node(deep, ring), node(0, ring)});
    if (!crossesItself(flatten(recessed))) p.outside = std::move(recessed);
}

void cutMore(Piece& p)
{
    const double height = outlineHeight(p);
    if (p.forms.empty() && !p.nest.on && oneIn(6)) recessFoot(p);
    if (oneIn(3)) {
        p = edit::addHole(std::move(p));
        Hole& h = p.holes.back();
        h.into = element(Hole::Side, Hole::Rim, Hole::Foot);
        h.at = h.into == Hole::Side ? height * between(3, 7) / 10 : coin() ? 0 : p.outside.front().r / 2;
        h.ends = Hole::Depth;
        h.depth = between(5, 20);
        h.diameter = between(4, 14);
        h.count = h.at == 0 ? 1 : inRange(1, 4);
        h.filled = oneIn(3);
    }
    if (oneIn(5)) p = edit::addWorked(std::move(p), element(Worked::Flutes, Worked::Facets, Worked::Legs));
    if (oneIn(6)) p = edit::addFlaw(std::move(p));
    if (oneIn(6)) p = edit::addInlay(std::move(p), element(Inlay::Rim, Inlay::Wall));
    if (p.axes.empty() && oneIn(4)) turnOnOtherAxes(p);
}

}  // namespace

Piece makeablePiece()
{
    Piece p = anyBeginning();
    const double wider = between(9, 12) / 10;
    for (Node& n : p.outside) n.r *= wider;
    for (Node& n : p.hollow.inside) n.r *= wider;
    cutMore(p);
    p.choices.foot = element(FootMethod::Tenon, FootMethod::Recess, FootMethod::Faceplate);
    p.choices.sides = element(SideMethod::BothRoughed, SideMethod::OneThenOther);
    p.choices.last = element(LastMethod::Jam, LastMethod::Cushion, LastMethod::Buttons, LastMethod::Vacuum);
    p.choices.holding = element(HoldMethod::WasteBlock, HoldMethod::GlueBlock, HoldMethod::GluedTenon);
    p.choices.stacking = element(StackMethod::RingByRing, StackMethod::SectionAtOnce);
    p.choices.sections = element(SectionRule::Proposed, SectionRule::Whole);
    p.choices.curedFully = coin();
    for (Layer& l : p.layers) l.outerAllowance = l.innerAllowance = between(1, 6);
    identifyCuts(p);
    return withForms(std::move(p));
}

Shop anyShop()
{
    Shop shop = harbourShop();
    if (coin()) shop.otherJaws.clear();
    shop.jaws.gripLeast = inRange(20, 60);
    shop.jaws.gripMost = shop.jaws.gripLeast + inRange(20, 80);
    shop.jaws.spreadLeast = inRange(25, 60);
    shop.jaws.spreadMost = shop.jaws.spreadLeast + inRange(20, 80);
    shop.jaws.depth = inRange(5, 14);
    shop.lathe.lowestRpm = element(50, 100, 250);
    shop.lathe.mass = between(40, 300);
    return shop;
}

}  // namespace vl::test
