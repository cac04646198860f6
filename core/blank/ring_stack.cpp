#include "core/blank/ring_recipe.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// The stock that covers the turned shape: outside from its largest diameter, inside from its smallest bore.
BuiltLayer buildLayer(const Layer& layer, const Sides& sides, double z0, double phase)
{
    BuiltLayer b;
    b.kind = layer.kind;
    b.z0 = z0;
    b.z1 = z0 + layer.thickness;
    b.planeTo = layer.thickness + 2 * layer.sandingLoss;
    b.phaseDeg = phase;
    auto rangeOr = [](Range r, double other) { return std::isnan(r.low) ? Range{other, other} : r; };
    b.finishedOuter = rangeOr(radiusRange(sides.outside, b.z0, b.z1), 0);
    const bool bored = !sides.inside.empty() && sides.inside.front().x() <= b.z0 && sides.inside.back().x() > b.z0;
    b.finishedInner = bored ? rangeOr(radiusRange(sides.inside, b.z0, b.z1), 0) : Range{0, 0};
    b.stock.sides = layer.kind == LayerKind::Disc ? 1 : layer.segments;
    b.stock.outer = 2 * b.finishedOuter.high;
    b.stock.inner = 2 * b.finishedInner.low;
    b.stock.allowance = 0;
    const double outer = layer.stockOuter ? *layer.stockOuter : b.stock.outer + 2 * layer.outerAllowance;
    const double inner = layer.stockInner ? *layer.stockInner : std::max(0.0, b.stock.inner - 2 * layer.innerAllowance);
    b.stock.outer = std::max(outer, 1.0);
    b.stock.inner = layer.kind == LayerKind::Disc ? 0 : std::clamp(inner, 0.0, b.stock.outer - 0.5);
    for (int k = 0; k < b.count(); ++k) b.woods.push_back(&speciesOf(layer.woods[static_cast<size_t>(k) % layer.woods.size()]));
    return b;
}

void addParts(const BuiltLayer& b, size_t index, std::vector<Part>& parts)
{
    if (b.kind == LayerKind::Disc) {
        const double d = b.stock.outer;
        parts.push_back({"L" + std::to_string(index + 1),
                         "disc of layer " + std::to_string(index + 1),
                         1,
                         b.woods[0],
                         d,
                         d,
                         d,
                         b.planeTo,
                         {},
                         {},
                         "across the axis",
                         static_cast<int>(index),
                         d * d * b.planeTo});
        return;
    }
    std::vector<const Species*> distinct;
    for (const Species* s : b.woods)
        if (std::ranges::find(distinct, s) == distinct.end()) distinct.push_back(s);
    for (const Species* s : distinct) {
        Part p;
        p.id = "L" + std::to_string(index + 1) + "-" + s->id;
        p.name = std::string(s->name) + " segment of ring " + std::to_string(index + 1);
        p.count = static_cast<int>(std::ranges::count(b.woods, s));
        p.species = s;
        p.length = b.stock.outerEdge();
        p.shortEdge = b.stock.innerEdge();
        p.width = b.stock.boardWidth();
        p.thickness = b.planeTo;
        p.left = p.right = {b.stock.miterDeg(), 0};
        p.grain = "along the segment's length";
        p.layer = static_cast<int>(index);
        p.volume = b.stock.segmentArea() * b.planeTo;
        parts.push_back(p);
    }
}

}  // namespace

Assembly assembleRingStack(const Piece& piece, const Shop& shop, const Sides& sides)
{
    Assembly a;
    double z = 0, phase = 0;
    for (size_t i = 0; i < piece.layers.size(); ++i) {
        const Layer& l = piece.layers[i];
        if (l.kind == LayerKind::Ring) phase += i ? l.turn * 360.0 / l.segments : 0;
        a.layers.push_back(buildLayer(l, sides, z, std::fmod(phase, 360.0)));
        z = a.layers.back().z1;
    }
    for (size_t i = 0; i < a.layers.size(); ++i) addParts(a.layers[i], i, a.parts);
    a.recipe = ringStackRecipe(piece, shop, a);
    return a;
}

}  // namespace vl
