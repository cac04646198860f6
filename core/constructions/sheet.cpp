#include "core/constructions/construction.h"

#include "core/wood/figure.h"
#include "core/words/build.h"
#include "core/words/cut.h"

#include <cmath>

namespace vl {
namespace {

void buildSheet(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const Layer& l = site.layer();
    const double outer = wantedOuter(site, b);
    b.stock = {1, 2 * outer, 0};
    b.woods = {woodAt(l, 0)};
    b.corner = outer * std::sqrt(2.0);
    holdStraight(b, outer, 0);
    b.volume = 4 * outer * outer * (b.z1 - b.z0);
    b.density = b.woods[0]->density;
    b.lay({b.woods[0], 0, segmentSeed(site.index, 0)});
    b.cells[0].board = flatFrame(b.z0, 90);  // across what it lies on
    for (const double a : {0.0, 90.0, 180.0, 270.0}) b.cells[0].faces.push_back({outwards(a), outer, false});
    b.planeTo = b.glued;                     // as it comes: nothing is sanded off a sheet
    constexpr double board = 6, thin = 1.5;  // mm
    if (l.thickness > board)
        b.cautions.push_back({.kind = "sheet",
                              .measure = l.thickness,
                              .limit = board,
                              .unit = "mm",
                              .message = says(words::sheetIsBoard),
                              .fixes = {layerFix(says(words::thinSheet, Quantity{thin}), b.index,
                                                 [](Layer& q) { q.thickness = thin; })}});

    out.parts = {squarePart(site, {.id = "",
                                   .name = l.partedFrom ? "sheet" : "veneer",
                                   .wood = b.woods[0],
                                   .length = 2 * outer,
                                   .width = 2 * outer,
                                   .thickness = b.planeTo,
                                   .grain = "across the axis"})};

    const Setting side{.machine = Resource::Knife, .name = "side of the square", .value = 2 * outer, .decimals = 0};
    out.steps = [side](Bench& bench, const WorkItems& parts) {
        return bench.step(Action::Cut, "flatten", parts, "flat",
                          {.title = says(words::cutSheet, bench.name()),
                           .why = says(words::sheetOversize),
                           .how = says(words::knife, side),
                           .settings = {side},
                           .minutes = 4});
    };
}

}  // namespace

const Construction& constructionOf(const SheetForm&)
{
    static constexpr Construction sheet{.build = buildSheet, .segment = "sheet"};
    return sheet;
}

}  // namespace vl
