#include "core/plan/boards/strip_cutting.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <random>

namespace vl {
namespace {

/// Of the items of a kind so many are tried as a strip's first: with more every few-th is.
constexpr size_t mostFirst = 24;

struct Filled {
    std::vector<StripRun> runs;
    double in = 0, worth = 0;
};

/// A way to complete a plan.
struct Way {
    std::vector<double> taste;   ///< of each kind: the greater, the sooner
    std::vector<double> liking;  ///< of each panel
    std::vector<size_t> order;   ///< of the panels that are packed whole
    double strictness = 2;  ///< worth for what it uses up that a whole panel must give; above 1: none is packed whole
    double thrift = 0;      ///< 0 … 1: how much the scarcity of panels counts
    std::vector<double> appetite;  ///< of each kind: the share of its parts that one strip may take at the most
    std::vector<bool> whole;       ///< of each kind: its strips are filled to their end, whatever it costs
};

class Cutter {
public:
    Cutter(const StripProblem& p, const StripBound& bound) : p_(p), price_(bound.price), scarcity_(bound.scarcity)
    {
        price_.resize(p.items.size(), 0);
        scarcity_.resize(p.panels.size(), 0);
        // Without a bound a part is worth the wood it takes.
        for (size_t i = 0; i < p.items.size(); ++i)
            if (!(price_[i] > 0) || price_[i] >= 0.5 * p.missing(i))
                price_[i] = p.items[i].pitch * (p.kinds[p.items[i].kind].width + p.kerf);
        for (const auto& q : p.panels)
            if (std::ranges::find(lengths_, q.length) == lengths_.end()) lengths_.push_back(q.length);
        for (const auto& q : p.panels)
            lengthOf_.push_back(static_cast<size_t>(std::ranges::find(lengths_, q.length) - lengths_.begin()));
    }

    /// Completes `start` with what is still missing: first whole panels, packed across their width, then strip by
    /// strip.
    StripSolution complete(StripSolution start, const Way& way) const
    {
        std::vector<int> left(p_.items.size());
        for (size_t i = 0; i < left.size(); ++i) left[i] = p_.items[i].count;
        std::vector<double> used(p_.panels.size(), 0);
        for (const StripCut& s : start.strips) {
            for (const StripRun& r : s.runs) left[r.item] -= r.count;
            used[s.panel] += p_.kinds[s.kind].width + p_.kerf;
        }
        if (way.strictness <= 1)
            for (const size_t panel : way.order) pack(panel, way.strictness, way.thrift, start, left, used);
        // The best strip of each kind for each length of panel, made anew when what is left of the kind changes.
        std::vector<std::vector<Filled>> table(p_.kinds.size(), std::vector<Filled>(lengths_.size()));
        auto remake = [&](size_t kind) {
            for (size_t l = 0; l < lengths_.size(); ++l)
                table[kind][l] = fill(kind, lengths_[l], left, way.appetite[kind], way.whole[kind]);
        };
        for (size_t k = 0; k < p_.kinds.size(); ++k) remake(k);
        for (;;) {
            double best = 0;
            StripCut chosen;
            for (size_t panel = 0; panel < p_.panels.size(); ++panel) {
                const auto& q = p_.panels[panel];
                for (size_t k = 0; k < p_.kinds.size(); ++k) {
                    const Filled& f = table[k][lengthOf_[panel]];
                    const double w = p_.kinds[k].width + p_.kerf;
                    if (f.runs.empty() || used[panel] + p_.kinds[k].width > q.width + 1e-9 || !p_.fits(panel, k))
                        continue;
                    double cost = use(panel, k, f, way.thrift);
                    const double rest = q.width - used[panel] - w;
                    if (rest > 0 && rest < p_.leastOffcutWidth) cost += rest * q.length;
                    // A panel once begun is used before another.
                    const double score =
                        f.worth / cost * way.taste[k] * way.liking[panel] * (used[panel] > 0 ? 1.004 : 1);
                    if (score > best) {
                        best = score;
                        chosen = {panel, k, f.runs};
                    }
                }
            }
            if (best <= 0) break;
            used[chosen.panel] += p_.kinds[chosen.kind].width + p_.kerf;
            for (const StripRun& r : chosen.runs) left[r.item] -= r.count;
            const size_t kind = chosen.kind;
            start.strips.push_back(std::move(chosen));
            remake(kind);
        }
        start.missing = left;
        start.cost = costOf(p_, start);
        return start;
    }

private:
    /// What a strip uses up: its wood, and its share of a panel that others would be glad of.
    double use(size_t panel, size_t kind, const Filled& f, double thrift) const
    {
        const auto& q = p_.panels[panel];
        const double w = p_.kinds[kind].width + p_.kerf;
        return p_.consumed(f.in, q.length) * w + thrift * scarcity_[panel] * w / (q.width + p_.kerf);
    }

    /// Fills the free width of a panel with the strips that together are worth most beyond what they use up (knapsack
    /// over the width).
    void pack(size_t panel, double strictness, double thrift, StripSolution& plan, std::vector<int>& left,
              std::vector<double>& used) const
    {
        constexpr double grid = 0.25;
        const auto& q = p_.panels[panel];
        const int room = static_cast<int>(std::floor((q.width - used[panel] + p_.kerf) / grid));
        struct Candidate {
            size_t kind;
            Filled fill;
            int width;
            double cost;
        };
        std::vector<Candidate> candidates;
        for (size_t k = 0; k < p_.kinds.size(); ++k) {
            if (!p_.fits(panel, k)) continue;
            const int width = static_cast<int>(std::ceil((p_.kinds[k].width + p_.kerf) / grid));
            std::vector<int> rest = left;
            for (int copies = room / width; copies > 0; --copies) {
                Filled f = fill(k, q.length, rest, 1, false);
                if (f.runs.empty()) break;
                for (const StripRun& r : f.runs) rest[r.item] -= r.count;
                const double cost = use(panel, k, f, thrift);
                if (f.worth < 0.8 * cost) break;
                candidates.push_back({k, std::move(f), width, cost});
            }
        }
        if (room <= 0 || candidates.empty()) return;
        const auto cells = static_cast<size_t>(room) + 1;
        std::vector<double> value(cells, -1e300);
        std::vector<std::vector<bool>> taken(candidates.size(), std::vector<bool>(cells, false));
        value[0] = 0;
        for (size_t c = 0; c < candidates.size(); ++c)
            for (size_t w = cells; w-- > static_cast<size_t>(candidates[c].width);) {
                const double before = value[w - static_cast<size_t>(candidates[c].width)];
                if (before + candidates[c].fill.worth - candidates[c].cost > value[w]) {
                    value[w] = before + candidates[c].fill.worth - candidates[c].cost;
                    taken[c][w] = true;
                }
            }
        double best = -1e300;
        size_t end = 0;
        for (size_t w = 1; w < cells; ++w) {
            const double rest = (room - static_cast<double>(w)) * grid - p_.kerf;
            const double v = value[w] - (rest < p_.leastOffcutWidth ? std::max(0.0, rest) * q.length : 0);
            // Of two that are as good the one that uses the panel up.
            if (v > best - 1e-9) {
                best = v;
                end = w;
            }
        }
        double worth = 0, cost = 0;
        std::vector<size_t> chosen;
        size_t w = end;
        for (size_t c = candidates.size(); c-- > 0;)
            if (taken[c][w]) {
                chosen.push_back(c);
                worth += candidates[c].fill.worth;
                cost += candidates[c].cost;
                w -= static_cast<size_t>(candidates[c].width);
            }
        const double sliver = worth - cost - best;
        if (chosen.empty() || worth < strictness * (cost + sliver)) return;
        for (const size_t c : chosen) {
            for (const StripRun& r : candidates[c].fill.runs) left[r.item] -= r.count;
            used[panel] += p_.kinds[candidates[c].kind].width + p_.kerf;
            plan.strips.push_back({panel, candidates[c].kind, candidates[c].fill.runs});
        }
    }

    /// The best filling of a strip from what is left: all of it, or so much that the rest is worth keeping.
    Filled fill(size_t kind, double length, const std::vector<int>& left, double appetite, bool whole) const
    {
        Filled best;
        double bestRate = 0;
        const auto& items = p_.kinds[kind].items;
        for (const double end : {length, length - p_.leastOffcut}) {
            const double room = end - p_.endWaste;
            if (room <= 0 || (whole && end < length)) continue;
            // Each kind of part may come first; the others follow, the longest first.
            const size_t step = 1 + items.size() / mostFirst;
            for (size_t first = 0; first < items.size(); first += step) {
                Filled f;
                double open = room;
                for (size_t k = 0; k < items.size(); ++k) {
                    const size_t at = items[k == 0 ? first : k <= first ? k - 1 : k];
                    const auto& item = p_.items[at];
                    const int wanted = std::min(left[at], static_cast<int>(std::ceil(item.count * appetite))),
                              n = std::min(wanted,
                                           static_cast<int>(std::floor((open - item.lead) / item.pitch + 1e-9)));
                    if (n <= 0) continue;
                    f.runs.push_back({at, n});
                    f.in += item.run(n);
                    f.worth += n * price_[at];
                    open -= item.run(n);
                }
                if (f.runs.empty()) continue;
                const double rate = f.worth / p_.consumed(f.in, length);
                if (rate > bestRate) {
                    bestRate = rate;
                    best = f;
                }
            }
        }
        return best;
    }

    const StripProblem& p_;
    std::vector<double> price_, scarcity_;
    std::vector<double> lengths_;
    std::vector<size_t> lengthOf_;
};

}  // namespace

StripSolution cutStrips(const StripProblem& p, const StripBound& bound, const Control& control, double closeEnough)
{
    const Cutter cutter(p, bound);
    Way plain{std::vector<double>(p.kinds.size(), 1), std::vector<double>(p.panels.size(), 1), {}, 2, 0,
              std::vector<double>(p.kinds.size(), 1), std::vector<bool>(p.kinds.size(), false)};
    for (size_t i = 0; i < p.panels.size(); ++i) plain.order.push_back(i);
    std::ranges::stable_sort(plain.order, [&](size_t a, size_t b) {
        const auto &x = p.panels[a], &y = p.panels[b];
        return std::tuple(x.thickness, -x.length, x.width) < std::tuple(y.thickness, -y.length, y.width);
    });
    StripSolution best = cutter.complete({}, plain);
    // Of two plans that use up as much the one that leaves more panels whole.
    auto judged = [&](const StripSolution& s) {
        std::vector<bool> begun(p.panels.size(), false);
        for (const StripCut& c : s.strips) begun[c.panel] = true;
        return s.cost + 1e-4 * bound.bound * static_cast<double>(std::ranges::count(begun, true));
    };
    double least = judged(best);
    auto keep = [&](StripSolution next) {
        if (const double now = judged(next); now < least - 1e-6) {
            least = now;
            best = std::move(next);
        }
    };
    const int fewTries = 24;  // even a plan that is good enough may leave more boards whole
    int tried = 0;
    auto good = [&] { return ++tried > fewTries && best.cost <= bound.bound * (1 + closeEnough) + 1e-6; };
    for (const double thrift : {0.0, 0.5, 1.0})
        for (const double strictness : {0.85, 0.93, 0.97, 0.985, 0.99}) {
            Way way = plain;
            way.strictness = strictness;
            way.thrift = thrift;
            keep(cutter.complete({}, way));
        }
    // The wide ones first, where the panels are narrow.
    Way wide = plain;
    double widest = 1;
    for (const auto& k : p.kinds) widest = std::max(widest, k.width);
    for (size_t k = 0; k < wide.taste.size(); ++k) wide.taste[k] = 1 + 0.3 * p.kinds[k].width / widest;
    keep(cutter.complete({}, wide));

    std::mt19937 dice(20260101);  // always the same throws: the same problem has the same answer
    auto share = [&] { return static_cast<double>(dice() >> 8) / (1 << 24); };
    const int strips = static_cast<int>(best.strips.size()) + 1;
    // What one try costs grows with its strips, panels and the items of a kind: so many tries as a few seconds hold.
    size_t items = 0;
    for (const auto& k : p.kinds) items = std::max(items, k.items.size());
    const double size =
        strips * static_cast<double>(p.panels.size() * p.kinds.size() + items * std::min(items, mostFirst));
    const int most = static_cast<int>(std::min(3000.0, 6e8 / std::max(size, 1.0)));
    const int tries = std::min(std::clamp(14000 / strips, 60, 3000), most);
    for (int k = 0; k < tries && !good() && !control.cancelled(); ++k) {
        control.at(static_cast<double>(k) / tries);
        Way way = plain;
        for (int swap = static_cast<int>(dice() % 8); swap > 0 && !way.order.empty(); --swap) {
            const size_t at = dice() % way.order.size(), near = std::min(way.order.size() - 1, at + 1 + dice() % 4);
            std::swap(way.order[at], way.order[near]);
        }
        StripSolution part;
        if (k % 4 != 3 && !p.panels.empty()) {
            // Out with a few panels and the strips that are filled worst; the rest stays.
            std::vector<bool> out(p.panels.size(), false);
            for (int n = 2 + static_cast<int>(dice() % 4); n > 0; --n) out[dice() % out.size()] = true;
            const double poor = share() * 0.6;
            for (const StripCut& s : best.strips) {
                double in = 0;
                for (const StripRun& r : s.runs) in += p.items[r.item].run(r.count);
                if (!out[s.panel] && in >= poor * p.panels[s.panel].length && share() >= 0.03) part.strips.push_back(s);
            }
        }
        const bool bold = k % 5 >= 3;
        way.strictness = bold ? 2 : 0.88 + 0.13 * share();
        way.thrift = k % 2 ? share() : 0;
        for (double& v : way.taste) v += (bold ? 1.6 : k % 3 == 0 ? 0.02 : 0.2) * (share() - 0.5);
        if (bold && strips < 40) {
            for (double& v : way.liking) v += 1.6 * (share() - 0.5);
            for (double& v : way.appetite) v = share() < 0.5 ? 1 : 0.2 + 0.8 * share();
            for (size_t i = 0; i < way.whole.size(); ++i) way.whole[i] = share() < 0.5;
        }
        keep(cutter.complete(std::move(part), way));
    }
    return best;
}

}  // namespace vl
