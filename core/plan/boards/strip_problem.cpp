#include "core/plan/boards/strip_problem.h"

#include <algorithm>

namespace vl {

bool StripProblem::fits(size_t panel, size_t kind) const
{
    const double board = panels[panel].thickness, wanted = kinds[kind].thickness;
    if (wanted < 3) return board >= wanted - 0.05 && board <= wanted + 0.3;
    return board >= wanted + planing - 1e-6 &&
           board <= std::max(wanted + planing + 10, 1.6 * wanted) * (anyThickness ? 1e9 : 1);
}

double StripProblem::consumed(double inRuns, double panelLength) const
{
    const double used = std::min(panelLength, std::max(inRuns + endWaste, leastHold));
    return panelLength - used < leastOffcut ? panelLength : used;
}

double StripProblem::missing(size_t item) const
{
    const Item& i = items[item];
    const Kind& k = kinds[i.kind];
    return 4 * (i.pitch + i.lead + endWaste + leastHold) * (k.width + kerf);
}

double costOf(const StripProblem& p, const StripSolution& s)
{
    double cost = 0;
    std::vector<double> width(p.panels.size(), 0);
    for (const StripCut& strip : s.strips) {
        const auto& panel = p.panels[strip.panel];
        double in = 0;
        for (const StripRun& run : strip.runs) in += p.items[run.item].run(run.count);
        const double w = p.kinds[strip.kind].width + p.kerf;
        cost += p.consumed(in, panel.length) * w;
        width[strip.panel] += w;
    }
    for (size_t k = 0; k < p.panels.size(); ++k) {
        const double rest = p.panels[k].width - width[k];
        if (width[k] > 0 && rest > 0 && rest < p.leastOffcutWidth) cost += rest * p.panels[k].length;
    }
    for (size_t i = 0; i < s.missing.size(); ++i) cost += s.missing[i] * p.missing(i);
    return cost;
}

}  // namespace vl
