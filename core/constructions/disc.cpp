#include "core/constructions/construction.h"

#include "core/wood/figure.h"
#include "core/words/cut.h"

namespace vl {
namespace {

void buildDisc(const Site& site, Building& out)
{
    BuiltLayer& b = out.layer;
    const double outer = wantedOuter(site, b);
    b.stock = {1, 2 * outer, 0};
    b.woods = {woodAt(site.layer(), 0)};
    b.corner = outer;
    holdStraight(b, outer, 0);
    b.volume = pi * outer * outer * (b.z1 - b.z0);
    b.density = b.woods[0]->density;
    b.lay({b.woods[0], 0, segmentSeed(site.index, 0)});
    constexpr int facets = 48;  // of the bandsawn edge, where a solid of flat faces is asked for
    for (int k = 0; k < facets; ++k) b.cells[0].faces.push_back({outwards(k * 360.0 / facets), outer, false});
    b.cells[0].board = flatFrame(b.z0, 0);

    out.parts = {squarePart(site, {.id = "",
                                   .name = "disc",
                                   .wood = b.woods[0],
                                   .length = 2 * outer,
                                   .width = 2 * outer,
                                   .thickness = b.planeTo,
                                   .grain = "across the axis"})};

    const Setting plane{.machine = Resource::Thicknesser, .name = "thickness", .value = b.planeTo, .decimals = 1};
    const Setting circle{.machine = Resource::Bandsaw, .name = "circle", .value = 2 * outer, .decimals = 1};
    out.steps = [plane, circle, &layer = site.layer()](Bench& bench, const WorkItems& parts) {
        const WorkItem disc = bench.step(Action::Cut, "cut", parts, "disc",
                                         {.title = says(words::cutDisc, bench.name()),
                                          .why = says(words::oneBoardOneWay, plane),
                                          .how = says(words::bandsawCircle, circle),
                                          .settings = {plane, circle},
                                          .minutes = 8,
                                          .uses = {Resource::Bandsaw}});
        return flattenFaces(bench, disc, layer, 6);
    };
}

}  // namespace

const Construction& constructionOf(const DiscForm&)
{
    static constexpr Construction disc{.build = buildDisc, .segment = "disc", .noun = "disc"};
    return disc;
}

}  // namespace vl
