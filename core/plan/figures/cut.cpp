#include "core/plan/figures/cut.h"

#include <algorithm>
#include <cmath>

namespace vl {

CutPlan planCuts(const Piece& piece, const Assembly& assembly)
{
    CutPlan plan;
    const Choices& c = piece.choices;
    const int tried = placeOf(piece, c.trialRing);
    double correctionTotal = 0;  // the error is the saw's: it shows in every ring in proportion to nothing but itself
    int trialSides = 0;
    if (tried >= 0 && assembly.layers[static_cast<size_t>(tried)].segmented) {
        const RegularRing& trial = assembly.layers[static_cast<size_t>(tried)].stock;
        trialSides = trial.sides;
        correctionTotal = fenceCorrectionDeg(trial.sides, c.trialGap, 2 * trial.outerCorner(),
                                             trial.outerCorner() - trial.innerCorner());
        plan.trialRing = tried;
    }
    for (size_t i = 0; i < assembly.layers.size(); ++i) {
        const BuiltLayer& l = assembly.layers[i];
        if (!l.segmented) continue;
        RingCut r;
        r.layer = static_cast<int>(i);
        r.miter = l.stock.miterDeg();
        r.fence = l.stock.fenceDeg();
        r.outerEdge = l.stock.outerEdge();
        r.innerEdge = l.stock.innerEdge();
        r.boardWidth = l.stock.boardWidth();
        r.planeTo = l.planeTo;
        r.sledOffset = c.sledRun * std::tan(r.miter * degrees);
        r.wedge = 2 * r.miter;
        if (l.stock.sides == trialSides) r.correction = correctionTotal;
        plan.rings.push_back(r);
    }
    for (const Part& p : assembly.parts) {
        const double length = p.run(p.count) + c.endWaste;
        if (const auto ring = std::ranges::find(plan.rings, p.layer, &RingCut::layer); ring != plan.rings.end())
            ring->stripLength += length;
        auto same = [&](const Strip& s) {
            return s.species == p.species && std::abs(s.thickness - p.thickness) < 0.05 &&
                   std::abs(s.width - p.width) < 0.05;
        };
        auto it = std::ranges::find_if(plan.strips, same);
        if (it == plan.strips.end())
            it = plan.strips.insert(plan.strips.end(), {p.species, p.thickness, p.width, 0, 0, 0, {}});
        it->length += length;
        it->volume += length * p.width * p.thickness;
        it->partsVolume += p.volume * p.count;
        it->parts.push_back(p.id);
    }
    std::ranges::stable_sort(plan.strips, [](const Strip& a, const Strip& b) {
        return std::tuple(std::string_view(a.species->name), -a.thickness, -a.width) <
               std::tuple(std::string_view(b.species->name), -b.thickness, -b.width);
    });
    for (const Strip& s : plan.strips) {
        plan.volume += s.volume;
        plan.partsVolume += s.partsVolume;
    }
    return plan;
}

}  // namespace vl
