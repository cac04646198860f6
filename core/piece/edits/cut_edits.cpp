#include "core/geometry/forms.h"
#include "core/geometry/profile.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl::edit {
namespace {

Node node(double z, double r, Span span = Span::Curve)
{
    Node n;
    n.z = z;
    n.r = r;
    n.span = span;
    return n;
}

double widest(const Piece& piece)
{
    double most = 1;
    for (const Node& n : piece.outside) most = std::max(most, n.r);
    return most;
}

/// How far the foot reaches along the grain or across it.
double footReach(const Piece& piece)
{
    const double foot = piece.outside.empty() ? 1 : piece.outside.front().r;
    return piece.edge.kind == Edge::Square ? std::min(foot, piece.edge.length / 2) : foot;
}

}  // namespace

Piece addHole(Piece piece)
{
    const double height = outlineHeight(piece);
    Hole h;
    h.at = std::round(height / 2);
    h.diameter = std::clamp(std::round(widest(piece) / 6), 2.0, 12.0);
    h.ends = piece.hollow.rule == WallRule::Solid ? Hole::Through : Hole::Wall;
    piece.holes.push_back(std::move(h));
    identifyCuts(piece);
    return piece;
}

void shapeSawn(Sawn& sawn, double middle, double end, double out)
{
    // Level over the axis, and running out steadily: the cubic's own way between the two.
    sawn.curve = {node(0, middle), node(out / 2, (middle + end) / 2 + (middle - end) * 0.2), node(out, end)};
}

Piece addSawn(Piece piece, Sawn::From from)
{
    Sawn s;
    s.from = from;
    const double height = outlineHeight(piece), foot = footReach(piece), wide = widest(piece);
    const double floor = piece.hollow.rule == WallRule::Solid ? height / 3 : piece.hollow.floor;
    switch (from) {
    case Sawn::Underside:
        shapeSawn(s, std::max(0.5, std::min(floor - piece.hollow.leastWall - 1, height / 4)), 0, foot * 0.6);
        break;
    case Sawn::Top:
        shapeSawn(s, height * 0.85, height, wide);
        break;
    case Sawn::Sides:
        shapeSawn(s, wide * 0.75, wide * 0.35, wide);
        s.when = Sawn::Twice;
        break;
    }
    piece.sawn.push_back(std::move(s));
    identifyCuts(piece);
    return piece;
}

Piece barkFromHeights(Piece piece, double middle, double rim)
{
    std::erase_if(piece.sawn, [](const Sawn& s) { return s.when == Sawn::Grown && s.from == Sawn::Top; });
    const double out = piece.outside.empty() ? 1 : std::max(1.0, piece.outside.back().r);
    Sawn s;
    s.name = "bark line";
    s.from = Sawn::Top;
    s.run = Sawn::AcrossGrain;
    s.when = Sawn::Grown;
    // The circle through the two heights and their mirror image: a log's own round.
    const double drop = std::clamp(middle - rim, 0.0, out);
    Node top = node(0, middle, drop > 0 ? Span::Arc : Span::Line);
    if (drop > 0) {
        // Half of the arc whose chord is 2 · out and whose sagitta is the drop.
        const double sweep = 2 * std::atan(drop / out);
        top.bulge = std::tan(sweep / 4);
    }
    s.curve = {top, node(out, middle - drop, Span::Line)};
    piece.sawn.push_back(std::move(s));
    identifyCuts(piece);
    return piece;
}

Piece addWorked(Piece piece, Worked::Kind kind)
{
    const double height = outlineHeight(piece);
    const double floor = piece.hollow.rule == WallRule::Solid ? height / 3 : piece.hollow.floor;
    Worked w;
    w.kind = kind;
    w.from = std::round(height / 4);
    w.to = std::max(w.from + 1, std::round(height * 3 / 4));
    w.cutter = std::clamp(std::round(widest(piece) / 5), 2.0, 20.0);
    w.depth = w.cutter / 4;
    w.height = std::max(1.0, std::round((floor - piece.hollow.leastWall) * 0.8));
    if (kind == Worked::Legs) {
        const double foot = piece.outside.empty() ? 20 : piece.outside.front().r;
        w.count = 3;
        w.width = w.thick = std::clamp(std::round(foot / 3), 4.0, 60.0);
    }
    piece.worked.push_back(std::move(w));
    identifyCuts(piece);
    return piece;
}

Piece addDecor(Piece piece)
{
    const double height = outlineHeight(piece), wide = widest(piece);
    Decor d;
    d.on = wide > height ? Decor::Face : Decor::Wall;
    d.to = std::floor(d.on == Decor::Face ? wide - 1 : height);
    d.from = std::floor(d.to / 2);
    d.to = std::max(d.to, d.from + 1);
    piece.decors.push_back(std::move(d));
    identifyCuts(piece);
    return piece;
}

Piece workCell(Piece piece, size_t decor, int ring, int spoke, GridCells::Work work, const std::string& color)
{
    if (decor >= piece.decors.size()) return piece;
    std::vector<GridCells>& cells = piece.decors[decor].cells;
    const int spokes = piece.decors[decor].spokes;
    for (auto it = cells.begin(); it != cells.end(); ++it) {
        if (it->ring != ring || !covers(*it, spoke, spokes)) continue;
        const GridCells was = *it;
        const bool same = was.work == work && (work != GridCells::Color || was.color == color);
        // What stands round the ring with it stays: each by itself.
        it = cells.erase(it);
        for (int k = spokes - 1; k >= 0; --k)
            if (k != spoke && covers(was, k, spokes)) {
                GridCells one = was;
                one.first = k;
                one.every = 0;
                it = cells.insert(it, one);
            }
        if (same) return piece;
        break;
    }
    GridCells one;
    one.ring = ring;
    one.first = spoke;
    one.work = work;
    one.color = color;
    cells.push_back(one);
    return piece;
}

Piece addFlaw(Piece piece)
{
    Flaw f;
    f.at = std::round(outlineHeight(piece) / 2);
    f.radius = std::round(widest(piece) / 2);
    piece.flaws.push_back(std::move(f));
    identifyCuts(piece);
    return piece;
}

Piece addInlay(Piece piece, Inlay::Kind kind)
{
    const double height = outlineHeight(piece), wide = widest(piece);
    const bool solid = piece.hollow.rule == WallRule::Solid;
    const double wall = solid ? wide : std::max(2.0, piece.hollow.rimWall);
    Inlay f;
    f.kind = kind;
    f.at = std::round(height / 2);
    f.width = std::clamp(std::round(wall / 2), 2.0, 10.0);
    f.depth = std::clamp(std::round(wall / 3), 1.0, 6.0);
    f.piece = std::max(1.0, f.width - 2);
    const double rim = piece.outside.empty() ? wide : piece.outside.back().r;
    f.center = std::max(f.width + 1, std::round(2 * rim - wall));
    f.length = std::max(2.0, std::round(height / 4));
    if (kind == Inlay::Crack) {
        f.width = 3;
        f.loss = 4;
    }
    piece.inlays.push_back(std::move(f));
    identifyCuts(piece);
    return piece;
}

Piece addRod(Piece piece)
{
    Hole h;
    h.at = std::round(outlineHeight(piece) / 2);
    h.diameter = std::clamp(std::round(widest(piece) / 4), 2.0, 10.0);
    h.ends = Hole::Through;
    h.bit = Hole::Flat;
    h.early = h.filled = true;
    h.fill = "brass";
    piece.holes.push_back(std::move(h));
    identifyCuts(piece);
    return piece;
}

Piece addBought(Piece piece, Bought::Kind kind)
{
    struct Usual {
        double diameter, length, flange;
        Hole::Into into;
    };
    // Our own samples: the part itself is measured.
    static constexpr std::array usual{Usual{40, 1, 0, Hole::Rim},   Usual{10, 50, 0, Hole::Rim},
                                      Usual{2, 8, 8, Hole::Rim},    Usual{20, 15, 0, Hole::Foot},
                                      Usual{36, 12, 40, Hole::Rim}, Usual{8, 20, 12, Hole::Rim},
                                      Usual{20, 10, 24, Hole::Rim}};
    const Usual& u = usual[static_cast<size_t>(kind)];
    Bought b;
    b.kind = kind;
    if (kind == Bought::Tube && piece.hollow.rule == WallRule::Bored) {
        // It lines the bore, and what is bought goes into it.
        constexpr double room = 0.2;  // mm for the glue; own value
        b.hole = Bought::ownBore;
        b.diameter = piece.hollow.bore - room;
        b.length = outlineHeight(piece);
        b.flange = 0;
        piece.bought.push_back(std::move(b));
        identifyCuts(piece);
        return piece;
    }
    Hole h;
    h.into = u.into;
    h.at = 0;
    h.ends = Hole::Depth;
    h.bit = Hole::Flat;
    h.diameter = u.diameter + 0.25;
    h.depth = u.length + 0.5;
    piece.holes.push_back(h);
    identifyCuts(piece);
    b.hole = piece.holes.back().id;
    b.diameter = u.diameter;
    b.length = u.length;
    b.flange = u.flange;
    piece.bought.push_back(std::move(b));
    identifyCuts(piece);
    return piece;
}

Piece setSplit(Piece piece, const Split& split)
{
    piece.split = split;
    if (!split.on) return piece;
    try {
        checkSplit(split);
    } catch (const InputError&) {
        return piece;  // whoever takes it says what is wrong
    }
    piece.forms.clear();
    piece.outside = splitOutline(split);
    piece.hollow.rule = WallRule::Solid;
    const bool along =
        piece.layers.size() == 1 && (piece.layers[0].is<BilletForm>() ||
                                     (piece.layers[0].is<BlockForm>() && piece.layers[0].as<BlockForm>()->alongAxis()));
    if (!along) {
        Layer one;
        one.id = piece.layers.front().id;
        one.woods = {piece.layers.front().woods.front()};
        BlockForm block;
        block.grain = BlockForm::Along;
        one.form = block;
        piece.layers = {one};
    }
    piece.layers[0].thickness = outlineHeight(piece);
    piece.layers[0].partedFrom = outlineHeight(piece) + 2 * split.waste;
    return piece;
}

Piece addForm(Piece piece, FormPart::Kind kind)
{
    const double height = outlineHeight(piece), wide = 2 * widest(piece);
    FormPart f;
    f.kind = kind;
    f.length = std::max(2.0, std::round(height / 10));
    f.at = std::max(0.0, std::round((height - f.length) / 2));
    const double here = 2 * radiusAt(outsideRadii(piece), f.at + f.length / 2);
    if (kind == FormPart::Ellipse) {
        f.diameter = wide;
        f.length = std::round(height / 2);
        f.at = std::round(height / 4);
        f.neck = std::floor(Ellipse::within(f.length, f.diameter, f.ratio).diameter / 5);
    } else if (kind == FormPart::Step || kind == FormPart::Cone)
        f.diameter = std::max(2.0, std::round(here * 0.9));
    if (kind == FormPart::Tenon) {
        f.shoulder = std::max(2.0, std::round(2 * piece.outside.front().r));
        f.diameter = std::max(1.5, std::round(f.shoulder / 2));
    }
    piece.forms.push_back(std::move(f));
    identifyCuts(piece);
    return withForms(std::move(piece));
}

}  // namespace vl::edit
