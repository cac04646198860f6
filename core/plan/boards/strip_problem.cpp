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

double StripProblem::need(double inRuns, double panelLength) const
{
    return std::min(panelLength, std::max(inRuns + endWaste, leastHold));
}

double StripProblem::consumed(double inRuns, double blockLength) const
{
    return usedUp(need(inRuns, blockLength), blockLength);
}

double StripProblem::sliver(size_t panel, double length, double used) const
{
    const double rest = panels[panel].width - used;
    return rest > 0 && (rest < leastOffcutWidth || length < leastOffcut) ? rest * length : 0;
}

double StripProblem::missing(size_t item) const
{
    const Item& i = items[item];
    const Kind& k = kinds[i.kind];
    return 4 * (i.pitch + i.lead + endWaste + leastHold) * (k.width + kerf);
}

namespace {

double inRuns(const StripProblem& p, const StripCut& strip)
{
    double in = 0;
    for (const StripRun& run : strip.runs) in += p.items[run.item].run(run.count);
    return in;
}

}  // namespace

std::vector<double> blockLengths(const StripProblem& p, const StripSolution& s)
{
    std::vector<double> lengths(s.blocks.size(), 0), left(p.panels.size());
    std::vector<size_t> last(p.panels.size(), s.blocks.size());
    for (const StripCut& c : s.strips) {
        double& length = lengths[c.block];
        length = std::max(length, p.need(inRuns(p, c), p.panels[s.blocks[c.block]].length));
    }
    for (size_t k = 0; k < p.panels.size(); ++k) left[k] = p.panels[k].length;
    for (size_t b = 0; b < s.blocks.size(); ++b) {
        left[s.blocks[b]] -= lengths[b] + p.crosscutKerf;
        last[s.blocks[b]] = b;
    }
    for (size_t k = 0; k < p.panels.size(); ++k)
        if (last[k] < lengths.size() && left[k] < p.leastOffcut) lengths[last[k]] += left[k] + p.crosscutKerf;
    return lengths;
}

double crosscutCost(const StripProblem& p, const StripSolution& s)
{
    double cost = 0;
    const std::vector<double> lengths = blockLengths(p, s);
    std::vector<double> left(p.panels.size());
    for (size_t k = 0; k < p.panels.size(); ++k) left[k] = p.panels[k].length;
    for (size_t b = 0; b < s.blocks.size(); ++b) {
        double& rest = left[s.blocks[b]];
        if ((rest -= lengths[b]) <= 1e-6) continue;
        cost += p.crosscutKerf * p.panels[s.blocks[b]].width;
        rest -= p.crosscutKerf;
    }
    return cost;
}

double costOf(const StripProblem& p, const StripSolution& s)
{
    double cost = crosscutCost(p, s);
    const std::vector<double> lengths = blockLengths(p, s);
    std::vector<double> width(s.blocks.size(), 0);
    for (const StripCut& strip : s.strips) {
        const double w = p.kinds[strip.kind].width + p.kerf;
        cost += p.consumed(inRuns(p, strip), lengths[strip.block]) * w;
        width[strip.block] += w;
    }
    for (size_t b = 0; b < s.blocks.size(); ++b) cost += p.sliver(s.blocks[b], lengths[b], width[b]);
    for (size_t i = 0; i < s.missing.size(); ++i) cost += s.missing[i] * p.missing(i);
    return cost;
}

}  // namespace vl
