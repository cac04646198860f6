#pragma once

#include "core/piece/edit.h"

#include <rapidcheck.h>

namespace vl::test {

/// A piece that a turner could have drawn on a bad day: any start, any division, every construction, walls, floors, stock set by hand.
inline Piece randomPiece()
{
    auto number = [](int low, int high) { return *rc::gen::inRange(low, high) / 10.0; };
    auto oneIn = [](int n) { return *rc::gen::inRange(0, n) == 0; };
    Piece p = starts()[static_cast<size_t>(*rc::gen::inRange(0, 6))].make();
    p = edit::divide(p, number(10, 300), *rc::gen::inRange(1, 20), *rc::gen::inRange(3, 97));
    p.hollow.rule = static_cast<WallRule>(*rc::gen::inRange(0, 5));
    p.hollow.rimWall = number(10, 400);
    p.hollow.baseWall = number(10, 400);
    p.hollow.leastWall = number(0, 200);
    p.hollow.floor = number(0, 2000);
    p.hollow.floorRound = number(0, 600);
    p.hollow.bore = number(5, 2000);
    for (Node& n : p.outside) n.r = number(0, 1500);
    if (p.hollow.rule == WallRule::Drawn) p.hollow.inside = drawnFrom({}, p);
    for (Layer& l : p.layers) {
        if (oneIn(6)) l.stockOuter = number(10, 3000);
        if (oneIn(6)) l.stockInner = l.stockOuter ? *l.stockOuter * 0.6 : number(0, 500);
        if (oneIn(4)) l.woods = {"walnut", "teak", "cherry"};
        l.thickness = number(10, 400);
        l.outerAllowance = number(0, 100);
        l.innerAllowance = number(0, 100);
        if (oneIn(2)) l.kind = static_cast<LayerKind>(*rc::gen::inRange(0, 9));
        l.joint = {static_cast<SegmentJoint::Kind>(*rc::gen::inRange(0, 4)), number(1, 300), number(1, 600), "holly", {}};
        l.madeUp = {static_cast<MadeUp::Kind>(*rc::gen::inRange(0, 4)), "maple", number(2, 300), number(0, 300), {}};
        l.slab = {static_cast<SlabForm::Kind>(*rc::gen::inRange(0, 3)), number(20, 800), number(20, 800), number(0, 20), number(0, 30), {}};
        l.wrapped = {number(20, 900), number(10, 600), oneIn(2), "ash", {}};
        l.boardRings = {oneIn(2) ? BoardRingForm::Bandsaw : BoardRingForm::PartingTool, number(100, 850), number(0, 80), *rc::gen::inRange(1, 12), number(-900, 900), {}};
        l.letIn = {number(20, 2000), number(0, 30), "walnut", {}};
        l.cornersOff = oneIn(2);
        if (oneIn(5)) l.partedFrom = l.thickness + number(0, 200);
        if (oneIn(5)) l.slope = number(-600, 600);
    }
    if (oneIn(3)) p.nest = {true, number(50, 900), number(50, 2000), number(5, 200), number(3, 100), number(5, 300), {}};
    p.choices.cutting = static_cast<CutSchool>(*rc::gen::inRange(0, 2));
    p.choices.closing = static_cast<RingSchool>(*rc::gen::inRange(0, 2));
    p.choices.staves = static_cast<StaveSchool>(*rc::gen::inRange(0, 2));
    p.choices.sections = static_cast<SectionRule>(*rc::gen::inRange(0, 2));
    p.choices.stations = static_cast<StationRule>(*rc::gen::inRange(0, 2));
    return p;
}

}  // namespace vl::test
