#pragma once

#include "core/piece/edit.h"

#include <rapidcheck.h>

namespace vl::test {

/// A piece that a turner could have drawn on a bad day: any start, any division, walls, floors, stock set by hand.
inline Piece randomPiece()
{
    auto number = [](int low, int high) { return *rc::gen::inRange(low, high) / 10.0; };
    Piece p = starts()[static_cast<size_t>(*rc::gen::inRange(0, 6))].make();
    p = edit::divide(p, number(10, 300), *rc::gen::inRange(1, 20), *rc::gen::inRange(3, 97));
    p.hollow.rule = static_cast<WallRule>(*rc::gen::inRange(0, 4));
    p.hollow.rimWall = number(10, 400);
    p.hollow.baseWall = number(10, 400);
    p.hollow.leastWall = number(0, 200);
    p.hollow.floor = number(0, 2000);
    p.hollow.floorRound = number(0, 600);
    for (Node& n : p.outside) n.r = number(0, 1500);
    if (p.hollow.rule == WallRule::Drawn) p.hollow.inside = drawnFrom({}, p);
    for (Layer& l : p.layers) {
        if (*rc::gen::inRange(0, 6) == 0) l.stockOuter = number(10, 3000);
        if (*rc::gen::inRange(0, 6) == 0) l.stockInner = l.stockOuter ? *l.stockOuter * 0.6 : number(0, 500);
        if (*rc::gen::inRange(0, 4) == 0) l.woods = {"walnut", "maple", "cherry"};
        l.thickness = number(10, 400);
        l.outerAllowance = number(0, 100);
        l.innerAllowance = number(0, 100);
        if (*rc::gen::inRange(0, 5) == 0) l.kind = LayerKind::Disc;
    }
    p.choices.cutting = static_cast<CutSchool>(*rc::gen::inRange(0, 2));
    p.choices.closing = static_cast<RingSchool>(*rc::gen::inRange(0, 2));
    p.choices.stations = static_cast<StationRule>(*rc::gen::inRange(0, 2));
    return p;
}

}  // namespace vl::test
