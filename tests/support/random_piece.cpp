#include "tests/support/random_piece.h"

#include "core/piece/edits/edit.h"
#include "tests/support/property.h"
#include "tests/support/random_fields.h"

namespace vl::test {

Piece randomPiece()
{
    auto number = [](int low, int high) { return inRange(low, high) / 10.0; };
    auto oneIn = [](int n) { return inRange(0, n) == 0; };
    Piece p = starts()[static_cast<size_t>(inRange(0, 6))].make();
    p = edit::divide(p, number(10, 300), inRange(1, 20), inRange(3, 97));
    p.hollow.rule = static_cast<WallRule>(inRange(0, 5));
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
        const int segments = l.ring() ? l.ring()->segments : 12;
        if (oneIn(2)) l = asKind(l, inRange<size_t>(0, layerKinds().size()));
        // Every field of its construction, by its declaration; as many segments as the division gave.
        randomize(l, "form.");
        if (int* counted = l.counted()) *counted = segments;
        if (Sectors* sectors = l.sectors()) sectors->turn = number(-10, 10);
        if (BoardRingForm* rings = l.as<BoardRingForm>()) rings->rings = inRange(1, 12);
        if (oneIn(5)) l.partedFrom = l.thickness + number(0, 200);
    }
    randomize(p.nest, "", 200);
    p.nest.on = oneIn(3);
    // Not so many strips that the piece is refused, whatever a fix makes of them.
    for (Layer& l : p.layers)
        if (boardCells(p) > limits::cells / 3) {
            if (SlabForm* slab = l.as<SlabForm>()) slab->pattern = SlabForm::Striped;
            if (BoardRingForm* rings = l.as<BoardRingForm>()) rings->board.pattern = SlabForm::Striped;
        }
    p.choices.cutting = static_cast<CutMethod>(inRange(0, 2));
    p.choices.closing = static_cast<RingMethod>(inRange(0, 2));
    p.choices.staves = static_cast<StaveMethod>(inRange(0, 2));
    p.choices.sections = static_cast<SectionRule>(inRange(0, 2));
    p.choices.stacking = static_cast<StackMethod>(inRange(0, 2));
    p.choices.setOnceWithin = oneIn(3) ? number(0, 20) : 0;
    p.choices.stations = static_cast<StationRule>(inRange(0, 2));
    return p;
}

Piece randomWorkpiece()
{
    auto oneIn = [](int n) { return inRange(0, n) == 0; };
    auto share = [] { return inRange(0, 1001) / 1000.0; };
    Piece p = randomPiece();
    const double height = outlineHeight(p);
    if (oneIn(3)) {
        Layer one = p.layers.front();
        one.thickness = std::min(400.0, height);
        if (oneIn(2))
            one.form = InsideOutForm{};
        else
            one.form = BlockForm{};
        randomize(one, "form.");
        p.layers = {one};
    }
    for (int k = inRange(0, 3); k > 0; --k) {
        Hole h;
        randomize(h, "", 60);
        h.at = share() * height;
        h.count = inRange(1, 6);
        if (h.wide <= h.diameter) h.wide = 0;
        if (h.wide > 0) h.taper = 0;
        if (h.filled) h.wide = h.taper = h.ease = 0;
        h.fit = std::min(h.fit, h.diameter / 2);
        if (h.plate > 0) h.start = std::min(h.start, h.plate - 1);
        p.holes.push_back(h);
    }
    for (int k = inRange(0, 3); k > 0; --k) {
        p = edit::addSawn(std::move(p), static_cast<Sawn::From>(inRange(0, 3)));
        randomize(p.sawn.back(), "");
        edit::shapeSawn(p.sawn.back(), share() * height, share() * height, 1 + share() * 150);
    }
    for (int k = inRange(0, 3); k > 0; --k) {
        Worked w;
        randomize(w, "", 60);
        w.count = std::min(w.count, 8);
        w.from = share() * height;
        w.to = w.from + 1 + share() * height;
        w.depth = std::min(w.depth, w.cutter / 2);
        if (w.plate > 0) w.start = std::min(w.start, w.plate - 1);
        p.worked.push_back(w);
    }
    if (oneIn(3)) {
        p = edit::addDecor(std::move(p));
        randomize(p.decors.back(), "", 60);
        p.decors.back().to = p.decors.back().from + 1 + share() * height;
        if (p.decors.back().plate > 0)
            p.decors.back().start = std::min(p.decors.back().start, p.decors.back().plate - 1);
        p.decors.back().cells.clear();
        for (int c = inRange(0, 4); c > 0; --c)
            p = edit::workCell(std::move(p), 0, c, 2 * c, static_cast<GridCells::Work>(c % 4), "#aabbcc");
    }
    if (oneIn(3)) {
        p = edit::addFlaw(std::move(p));
        randomize(p.flaws.back(), "");
    }
    for (int k = inRange(0, 3); k > 0; --k) {
        Inlay f;
        randomize(f, "", 60);
        f.at = share() * height;
        f.center = std::max(f.center, f.width + 1);
        f.count = std::min(f.count, 20);
        p.inlays.push_back(f);
    }
    if (oneIn(4)) p = edit::addBought(std::move(p), static_cast<Bought::Kind>(inRange(0, 7)));
    if (oneIn(4)) {
        Split split;
        split.on = true;
        split.fold = 2 + 2 * inRange(0, 3);
        split.bulge = std::min(0.4, (0.1 + share() * 0.85) * std::tan(pi / (2 * split.fold)) / 2);
        p = oneIn(2) ? edit::setSplit(std::move(p), split) : p;
        p.split = split;
    }
    if (oneIn(4)) p.lean.angle = share() * 45;
    if (oneIn(3)) p = edit::addForm(std::move(p), static_cast<FormPart::Kind>(inRange(0, 9)));
    if (oneIn(4)) p = edit::addAxis(std::move(p));
    if (oneIn(3)) {
        p.edge.kind = Edge::Square;
        p.edge.length = 10 + share() * 300;
        p.edge.width = 10 + share() * 300;
        if (oneIn(2)) p.edge.nipped = share() * 200;
    }
    if (oneIn(2)) {
        randomize(p.lid, "");
        p.lid.at = std::max(1.0, share() * height);
    }
    p.choices.foot = static_cast<FootMethod>(inRange(0, 3));
    p.choices.sides = static_cast<SideMethod>(inRange(0, 2));
    p.choices.last = static_cast<LastMethod>(inRange(0, 4));
    identifyCuts(p);
    return withForms(std::move(p));
}

}  // namespace vl::test
