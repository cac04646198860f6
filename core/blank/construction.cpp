#include "core/blank/construction.h"

#include "core/measure/format.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace vl {

const Construction& constructionOf(LayerKind kind)
{
    static constexpr std::array all{&discConstruction,  &ringConstruction,   &stavesConstruction,   &sheetConstruction,     &slabConstruction,
                                    &letInConstruction, &billetConstruction, &postWrapConstruction, &boardRingsConstruction};
    return *all[static_cast<size_t>(kind)];
}

std::vector<LayerHandle> layerHandles(const Site& site, const BuiltLayer& b)
{
    const Layer& l = site.layer();
    const double middle = (b.z0 + b.z1) / 2;
    auto allowance = [](double v) { return std::clamp(v, limits::allowance.low, limits::allowance.high); };
    std::vector<LayerHandle> all;
    if (l.kind != LayerKind::PostWrap && l.kind != LayerKind::Staves && l.kind != LayerKind::BoardRings) {
        const double finished = b.finishedOuter.high;
        all.push_back({l.stockOuter ? "stock outside, Ø" : "allowance outside", {middle, radiusAt(b.outerHold, middle)}, l.stockOuter ? *l.stockOuter : l.outerAllowance, Setting::Unit::Length,
                       [finished, allowance](Layer& q, const Point& p) {
                           if (q.stockOuter)
                               q.stockOuter = std::clamp(2 * p.y(), std::max(1.0, q.stockInner.value_or(0) + 1), limits::stock.high);
                           else
                               q.outerAllowance = allowance(p.y() - finished);
                       }});
    }
    if (l.kind == LayerKind::Ring && b.finishedInner.low > 0 && !l.stockInner) {
        const double finished = b.finishedInner.low;
        all.push_back({"allowance inside", {middle, b.stockInnerRadius()}, l.innerAllowance, Setting::Unit::Length, [finished, allowance](Layer& q, const Point& p) { q.innerAllowance = allowance(finished - p.y()); }});
    }
    if (const auto own = constructionOf(l.kind).handles)
        for (LayerHandle& h : own(site, b)) all.push_back(std::move(h));
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
    if (inner > 0) b.innerHold = {{b.z0, inner}, {b.z1, inner}};
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

const Species* woodAt(const Layer& l, int place) { return &speciesOf(l.woods[static_cast<size_t>(place) % l.woods.size()]); }

Part squarePart(const Site& site, const std::string& id, const std::string& name, const Species* wood, int count, double length, double width, double thickness, const char* grain)
{
    Part p;
    p.id = "L" + site.number() + (id.empty() ? "" : "-" + id);
    p.name = name + " of " + site.sheet();
    p.count = count;
    p.species = wood;
    p.length = p.shortEdge = length;
    p.width = width;
    p.thickness = thickness;
    p.grain = grain;
    p.volume = length * width * thickness;
    p.pitch = length + site.shop.kerf;
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

std::vector<const Species*> distinctWoods(const BuiltLayer& layer)
{
    std::vector<const Species*> distinct;
    for (const Species* s : layer.woods)
        if (std::ranges::find(distinct, s) == distinct.end()) distinct.push_back(s);
    return distinct;
}

Step flattenStep(const Site& site, const std::string& thing, const std::string& after, double minutes)
{
    return {site.key("flatten"),
            Action::Flatten,
            "Flatten both faces of " + site.sheet(),
            {thing},
            {site.key("flat")},
            {after},
            "a glue joint holds only where the faces meet everywhere",
            "drum sander or sanding board, " + fixed(site.layer().sandingLoss, 1) + " mm each face and no more: what is taken here is missing in the height",
            minutes,
            0,
            {"sanding board"},
            static_cast<int>(site.index)};
}

Step clampWait(const Site& site, const std::string& id, const std::string& thing, const std::string& out, const std::string& after, const char* clamp)
{
    return {id,
            Action::Wait,
            "Leave " + site.sheet() + " in the clamp",
            {thing},
            {out},
            {after},
            "a joint moved before the glue has set is a weak one",
            "",
            0,
            inClamp,
            {clamp},
            static_cast<int>(site.index)};
}

}  // namespace vl
