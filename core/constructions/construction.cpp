#include "core/constructions/construction.h"

#include "core/piece/records/field_items.h"
#include "core/words/build.h"
#include "core/words/cut.h"

#include <algorithm>
#include <cmath>

namespace vl {

const Construction& constructionOf(const Layer& layer)
{
    return std::visit([](const auto& form) -> const Construction& { return constructionOf(form); }, layer.form);
}

EndWaste setWaste(const Site& site, BuiltLayer& b)
{
    if (site.piece.layers.size() != 1) return {};
    const EndWaste waste = endWaste(site.piece, site.shop, site.surfaces);
    const double higher = (b.glued - site.layer().thickness) / 2;
    b.wasteBelow = waste.foot + higher;
    b.wasteAbove = waste.rim + higher;
    return waste;
}

std::vector<LayerHandle> layerHandles(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    const double middle = (b.z0 + b.z1) / 2;
    std::vector<LayerHandle> all;
    if (b.how->stockDragged)
        all.push_back({.name = l.stockOuter ? "stock outside, Ø" : "allowance outside",
                       .at = {middle, radiusAt(b.outerHold, middle)},
                       .value = l.stockOuter ? *l.stockOuter : l.outerAllowance,
                       .drag = [finished = b.finishedOuter.high](Layer& q, const Point& p) {
                           if (q.stockOuter)
                               q.stockOuter = std::max(2 * p.y(), std::max(1.0, q.stockInner.value_or(0) + 1));
                           else
                               q.outerAllowance = p.y() - finished;
                       }});
    if (b.how->boreDragged && b.finishedInner.low > 0 && !l.stockInner)
        all.push_back({.name = "allowance inside",
                       .at = {middle, b.stockInnerRadius()},
                       .value = l.innerAllowance,
                       .drag = [finished = b.finishedInner.low](Layer& q, const Point& p) {
                           q.innerAllowance = finished - p.y();
                       }});
    if (b.how->handles)
        for (LayerHandle& h : b.how->handles(site, b)) all.push_back(std::move(h));
    for (LayerHandle& h : all)
        h.drag = [drag = std::move(h.drag)](Layer& q, const Point& p) {
            drag(q, p);
            clampToLimits(q);
        };
    return all;
}

double wantedOuter(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    return std::max(0.5, l.stockOuter ? *l.stockOuter / 2 : b.finishedOuter.high + l.outerAllowance);
}

double wantedInner(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    return l.stockInner ? *l.stockInner / 2 : std::max(0.0, b.finishedInner.low - l.innerAllowance);
}

void holdStraight(BuiltLayer& b, double outer, double inner)
{
    b.outerHold = {{b.z0, outer}, {b.z1, outer}};
    b.innerHold = inner > 0 ? Polyline{{b.z0, inner}, {b.z1, inner}} : Polyline{};
}

BoardFrame flatFrame(double z0, double angleDeg)
{
    BoardFrame f;
    f.axes.row(0) = onwards(angleDeg);
    f.axes.row(1) = outwards(angleDeg);
    f.axes.row(2) = Eigen::Vector3d::UnitX();
    f.origin = {z0, 0, 0};
    return f;
}

const Species* woodAt(const Layer& l, int place)
{
    return &speciesOf(l.woods[static_cast<size_t>(place) % l.woods.size()]);
}

std::vector<const Species*> distinctWoods(const BuiltLayer& layer)
{
    std::vector<const Species*> distinct;
    for (const Species* s : layer.woods)
        if (std::ranges::find(distinct, s) == distinct.end()) distinct.push_back(s);
    return distinct;
}

std::vector<const Species*> woodsIn(const BuiltLayer& layer)
{
    std::vector<const Species*> distinct;
    for (const Cell& c : layer.cells)
        if (std::ranges::find(distinct, c.wood) == distinct.end()) distinct.push_back(c.wood);
    return distinct;
}

Part squarePart(const Site& site, const SquarePart& square)
{
    Part p;
    p.id = site.layer().id + (square.id.empty() ? "" : "-" + square.id);
    p.name = print(says(words::ofLayer, square.name, site.number()));
    p.count = square.count;
    p.species = square.wood;
    p.length = p.shortEdge = square.length;
    p.width = square.width;
    p.thickness = square.thickness;
    p.grain = square.grain;
    p.volume = square.length * square.width * square.thickness;
    p.pitch = square.length + site.shop.kerf;
    return p;
}

void addPart(std::vector<Part>& list, Part part)
{
    const auto same = std::ranges::find(list, part.id, &Part::id);
    if (same != list.end())
        same->count += part.count;
    else
        list.push_back(std::move(part));
}

Setting sandingLoss(const Layer& layer)
{
    return {.machine = Resource::Sander,
            .name = "each face",
            .value = layer.sandingLoss,
            .formula = "chosen",
            .decimals = 1};
}

WorkItem flattenFaces(Bench& bench, const WorkItem& thing, const Layer& layer, double minutes)
{
    const Setting loss = sandingLoss(layer);
    return bench.step(Action::Flatten, "flatten", {thing}, "flat",
                      {.title = says(words::flattenBoth, bench.name()),
                       .why = says(words::facesMeet),
                       .how = says(words::sandNoMore, loss),
                       .settings = {loss},
                       .minutes = minutes,
                       .uses = {Resource::SandingBoard}});
}

}  // namespace vl
