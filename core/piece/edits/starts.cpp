#include "core/piece/edits/edit.h"

#include <array>

namespace vl {
namespace {

struct Recipe {
    const char* name;
    Outline outside;
    Hollow hollow;
    double base;
    int rings, segments;
    const char *main, *foot;
};

Piece built(const Recipe& r)
{
    Piece p;
    p.name = r.name;
    p.outside = r.outside;
    p.hollow = r.hollow;
    Layer base;
    base.woods = {r.foot};
    Layer ring;
    ring.woods = {r.main};
    p.layers = {base, ring};
    p = edit::divide(p, r.base, r.rings, r.segments);
    if (p.layers.size() > 3) {
        p.layers[p.layers.size() - 2].woods = {r.foot, r.main};
        p.layers.back().woods = {r.foot};
    }
    return p;
}

Hollow even(double wall, double floor, double round)
{
    Hollow h;
    h.rule = WallRule::Even;
    h.rimWall = wall;
    h.floor = floor;
    h.floorRound = round;
    return h;
}

Hollow tapered(double rim, double base, double floor, double round)
{
    Hollow h = even(rim, floor, round);
    h.rule = WallRule::Tapered;
    h.baseWall = base;
    return h;
}

Node node(double z, double r, Span span = Span::Curve, bool smooth = true, double bulge = 0)
{
    return {z, r, span, bulge, smooth, {}};
}

Piece bowl()
{
    return built({"Open bowl",
                  {node(0, 42, Span::Line, false), node(5, 42, Span::Curve, false), node(32, 80), node(70, 101),
                   node(96, 105, Span::Curve, false)},
                  tapered(7, 10, 12, 30),
                  12,
                  5,
                  12,
                  "cherry",
                  "walnut"});
}
Piece dish()
{
    return built({"Shallow dish",
                  {node(0, 60, Span::Line, false), node(4, 62, Span::Curve, false), node(18, 112),
                   node(40, 140, Span::Curve, false)},
                  even(8, 11, 18),
                  11,
                  2,
                  18,
                  "ash",
                  "walnut"});
}
Piece vase()
{
    return built({"Shouldered vase",
                  {node(0, 40, Span::Line, false), node(6, 40, Span::Curve, false), node(70, 60), node(140, 78),
                   node(182, 60), node(200, 45), node(212, 48, Span::Curve, false)},
                  even(8, 16, 25),
                  16,
                  10,
                  12,
                  "maple",
                  "walnut"});
}
/// A foot, a stem of one piece with its grain along the axis, the bowl's bottom, and rings from the floor up.
Piece cup()
{
    Piece p = built({"Footed cup",
                     {node(0, 40, Span::Line, false), node(6, 40, Span::Curve, false), node(24, 18), node(50, 13),
                      node(78, 20), node(104, 44), node(140, 52), node(170, 48, Span::Curve, false)},
                     even(6, 84, 18),
                     84,
                     5,
                     12,
                     "cherry",
                     "walnut"});
    Layer foot = p.layers[0], stem = foot, bottom = foot;
    foot.thickness = bottom.thickness = 12;
    stem.thickness = 84 - 2 * 12;
    stem.form = SpindleForm{.tenon = 16, .below = 8, .above = 8, .extra = {}};
    bottom.woods = {"mahogany"};
    p.layers[0] = bottom;
    p.layers.insert(p.layers.begin(), {foot, stem});
    for (Layer& l : p.layers) l.id.clear();
    p.layersMade = 0;
    identifyLayers(p);
    return p;
}
Piece canister()
{
    return built({"Straight canister",
                  {node(0, 55, Span::Line, false), node(120, 55, Span::Line, false)},
                  even(7, 12, 6),
                  12,
                  6,
                  12,
                  "maple",
                  "walnut"});
}
Piece globe()
{
    return built({"Hollow globe",
                  {node(0, 34, Span::Line, false), node(4, 34, Span::Arc, false, 0.62),
                   node(118, 34, Span::Line, false), node(124, 34, Span::Line, false)},
                  even(7, 12, 25),
                  12,
                  7,
                  12,
                  "birch",
                  "padauk"});
}

constexpr std::array all{
    Start{"bowl", "Open bowl", "wide rings, easy to reach inside: a good first piece", bowl},
    Start{"dish", "Shallow dish", "few rings, wide and low", dish},
    Start{"vase", "Shouldered vase", "rises to a shoulder, then closes", vase},
    Start{"cup", "Footed cup", "a foot, a stem and a bowl", cup},
    Start{"canister", "Straight canister", "straight lines, even wall", canister},
    Start{"globe", "Hollow globe", "an arc with a narrow mouth", globe},
};

}  // namespace

std::span<const Start> starts() { return all; }

}  // namespace vl
