// The cutting problem as numbers: the bound is a bound, large plans come near it, small ones against the exact optimum
// of an integer program.
#include "core/plan/boards/strip_cutting.h"

#include <glpk.h>

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <random>

using namespace vl;

namespace {

/// A rack and as many parts as a large commission has.
StripProblem largeProblem(unsigned seed, int parts, int boards)
{
    std::mt19937 dice(seed);
    auto number = [&](double low, double high) { return low + (high - low) * (dice() % 10000) / 10000.0; };
    StripProblem p;
    constexpr int kinds = 30;
    for (int k = 0; k < kinds; ++k) {
        StripProblem::Kind kind{number(18, 60), 18.0 + (seed % 2 ? 0 : k % 3 * 4), {}};
        const int items = 1 + static_cast<int>(dice() % 2);
        for (int i = 0; i < items; ++i) {
            kind.items.push_back(p.items.size());
            p.items.push_back({static_cast<size_t>(k), parts / kinds / items, number(25, 80), number(3, 15)});
        }
        p.kinds.push_back(kind);
    }
    for (int b = 0; b < boards; ++b) p.panels.push_back({number(1200, 2800), number(120, 260), 22.0 + b % 3 * 5});
    return p;
}

/// A way to cut a panel: what it costs and what it gives.
struct Pattern {
    size_t panel;
    double cost;
    std::vector<int> takes;
};

/// Every way to cut lengths from a panel, strips from them and parts from those; of ways that give the same the
/// cheapest.
std::vector<Pattern> patternsOf(const StripProblem& p, size_t panel)
{
    const auto& q = p.panels[panel];
    struct Strip {
        double need, width;
        std::vector<int> takes;
    };
    struct Block {
        double need = 0, used = 0;
        std::vector<size_t> strips;
        std::vector<int> takes;
        double cost(const std::vector<Strip>& all, const StripProblem& pr, double length, double wide) const
        {
            double sum = 0;
            for (const size_t s : strips)
                sum += all[s].width * (length - all[s].need < pr.leastOffcut ? length : all[s].need);
            const double rest = wide - used;
            return sum + (rest > 0 && (rest < pr.leastOffcutWidth || length < pr.leastOffcut) ? rest * length : 0);
        }
    };
    auto wanted = [&](const std::vector<int>& takes) {
        for (size_t i = 0; i < p.items.size(); ++i)
            if (takes[i] > p.items[i].count) return false;
        return true;
    };
    auto sum = [](std::vector<int> x, const std::vector<int>& y) {
        for (size_t i = 0; i < x.size(); ++i) x[i] += y[i];
        return x;
    };
    const std::vector<int> none(p.items.size(), 0);
    std::vector<Strip> strips;
    for (size_t k = 0; k < p.kinds.size(); ++k) {
        std::vector<int> takes = none;
        std::function<void(size_t, double)> fill = [&](size_t at, double in) {
            if (at == p.kinds[k].items.size()) {
                const double need = std::min(q.length, std::max(in + p.endWaste, p.leastHold));
                if (in > 0) strips.push_back({need, p.kinds[k].width + p.kerf, takes});
                return;
            }
            const size_t item = p.kinds[k].items[at];
            for (int n = 0; n <= p.items[item].count && in + p.items[item].run(n) + p.endWaste <= q.length + 1e-9;
                 ++n) {
                takes[item] = n;
                fill(at + 1, in + p.items[item].run(n));
            }
            takes[item] = 0;
        };
        if (p.fits(panel, k)) fill(0, 0);
    }
    std::vector<Block> blocks;
    std::function<void(size_t, const Block&)> lay = [&](size_t from, const Block& block) {
        for (size_t s = from; s < strips.size(); ++s) {
            Block next{std::max(block.need, strips[s].need), block.used + strips[s].width, block.strips,
                       sum(block.takes, strips[s].takes)};
            if (next.used - p.kerf > q.width + 1e-9 || !wanted(next.takes)) continue;
            next.strips.push_back(s);
            blocks.push_back(next);
            lay(s, next);
        }
    };
    lay(0, {0, 0, {}, none});
    std::map<std::vector<int>, double> best;
    auto note = [&](const std::vector<int>& takes, double cost) {
        const auto [it, fresh] = best.try_emplace(takes, cost);
        it->second = std::min(it->second, cost);
    };
    for (size_t a = 0; a < blocks.size(); ++a) {
        auto alone = [&](const Block& b, double room) {
            const double rest = room - b.need - p.crosscutKerf;
            return rest < p.leastOffcut ? b.cost(strips, p, room, q.width)
                                        : b.cost(strips, p, b.need, q.width) + p.crosscutKerf * q.width;
        };
        note(blocks[a].takes, alone(blocks[a], q.length));
        // Three lengths do not go into these panels.
        EXPECT_LT(q.length, 3 * p.leastHold + 2 * p.crosscutKerf);
        for (size_t b = 0; b < blocks.size(); ++b) {
            const double room = q.length - blocks[a].need - p.crosscutKerf;
            if (blocks[b].need > room + 1e-9) continue;
            const std::vector<int> takes = sum(blocks[a].takes, blocks[b].takes);
            if (wanted(takes))
                note(takes, blocks[a].cost(strips, p, blocks[a].need, q.width) + p.crosscutKerf * q.width +
                                alone(blocks[b], room));
        }
    }
    std::vector<Pattern> out;
    for (const auto& [takes, cost] : best) out.push_back({panel, cost, takes});
    return out;
}

/// The cheapest whole choice of ways to cut each panel of a small problem, by GLPK's branch and cut.
double exactOptimum(const StripProblem& p)
{
    std::vector<Pattern> patterns;
    for (size_t panel = 0; panel < p.panels.size(); ++panel)
        std::ranges::copy(patternsOf(p, panel), std::back_inserter(patterns));
    glp_term_out(GLP_OFF);
    glp_prob* lp = glp_create_prob();
    glp_set_obj_dir(lp, GLP_MIN);
    const int items = static_cast<int>(p.items.size()), panels = static_cast<int>(p.panels.size());
    glp_add_rows(lp, items + panels);
    for (int i = 0; i < items; ++i) glp_set_row_bnds(lp, i + 1, GLP_LO, p.items[static_cast<size_t>(i)].count, 0);
    for (int k = 0; k < panels; ++k) glp_set_row_bnds(lp, items + k + 1, GLP_UP, 0, 1);
    glp_add_cols(lp, items + static_cast<int>(patterns.size()));
    for (int j = 0; j < items + static_cast<int>(patterns.size()); ++j) {
        std::vector<int> index{0};
        std::vector<double> value{0};
        if (j < items) {
            glp_set_obj_coef(lp, j + 1, p.missing(static_cast<size_t>(j)));
            glp_set_col_bnds(lp, j + 1, GLP_LO, 0, 0);
            glp_set_col_kind(lp, j + 1, GLP_IV);
            index.push_back(j + 1);
            value.push_back(1);
        } else {
            const Pattern& t = patterns[static_cast<size_t>(j - items)];
            glp_set_obj_coef(lp, j + 1, t.cost);
            glp_set_col_kind(lp, j + 1, GLP_BV);
            for (int i = 0; i < items; ++i)
                if (t.takes[static_cast<size_t>(i)]) {
                    index.push_back(i + 1);
                    value.push_back(t.takes[static_cast<size_t>(i)]);
                }
            index.push_back(items + static_cast<int>(t.panel) + 1);
            value.push_back(1);
        }
        glp_set_mat_col(lp, j + 1, static_cast<int>(index.size()) - 1, index.data(), value.data());
    }
    glp_iocp how;
    glp_init_iocp(&how);
    how.msg_lev = GLP_MSG_OFF;
    how.presolve = GLP_ON;
    EXPECT_EQ(glp_intopt(lp, &how), 0);
    const double best = glp_mip_obj_val(lp);
    glp_delete_prob(lp);
    return best;
}

void expectWhole(const StripProblem& p, const StripSolution& s)
{
    std::vector<int> cut(p.items.size(), 0);
    std::vector<double> width(s.blocks.size(), -p.kerf), length(p.panels.size(), -p.crosscutKerf);
    const std::vector<double> lengths = blockLengths(p, s);
    for (const StripCut& strip : s.strips) {
        double in = 0;
        for (const StripRun& r : strip.runs) {
            EXPECT_EQ(p.items[r.item].kind, strip.kind);
            cut[r.item] += r.count;
            in += p.items[r.item].run(r.count);
        }
        EXPECT_TRUE(p.holds(in, lengths[strip.block]));
        EXPECT_TRUE(p.fits(s.blocks[strip.block], strip.kind));
        width[strip.block] += p.kinds[strip.kind].width + p.kerf;
    }
    for (size_t b = 0; b < s.blocks.size(); ++b) {
        EXPECT_GT(width[b], 0) << "no length is cut for nothing";
        EXPECT_LE(width[b], p.panels[s.blocks[b]].width + 1e-6);
        EXPECT_GE(lengths[b], std::min(p.leastHold, p.panels[s.blocks[b]].length) - 1e-9);
        length[s.blocks[b]] += lengths[b] + p.crosscutKerf;
    }
    for (size_t k = 0; k < length.size(); ++k) EXPECT_LE(length[k], p.panels[k].length + 1e-6);
    for (size_t i = 0; i < cut.size(); ++i) EXPECT_EQ(cut[i] + s.missing[i], p.items[i].count);
}

}  // namespace

TEST(StripCutting, ThreeThousandPartsOnFortyBoardsEndWithinAPercentOfTheBound)
{
    for (const unsigned seed : {1u, 3u, 5u, 2u}) {
        const StripProblem p = largeProblem(seed, 3000, 40);
        const StripBound bound = boundOf(p);
        const StripSolution s = cutStrips(p, bound);
        expectWhole(p, s);
        EXPECT_TRUE(std::ranges::all_of(s.missing, [](int n) { return n == 0; }));
        EXPECT_GT(bound.bound, 0);
        EXPECT_GE(s.cost, bound.bound * (1 - 1e-6));
        EXPECT_LE(s.cost, bound.bound * 1.01) << "seed " << seed;
        EXPECT_EQ(cutStrips(p, bound).cost, s.cost) << "the same problem has the same answer";
    }
}

TEST(StripCutting, SmallPlansAgainstTheExactOptimum)
{
    std::mt19937 dice(11);
    auto number = [&](double low, double high) { return low + (high - low) * (dice() % 1000) / 1000.0; };
    int optimal = 0, cases = 0;
    double worst = 1;
    for (int round = 0; round < 40; ++round) {
        StripProblem p;
        const int kinds = 1 + static_cast<int>(dice() % 3);
        for (int k = 0; k < kinds; ++k) {
            StripProblem::Kind kind{number(25, 60), 18, {}};
            kind.items.push_back(p.items.size());
            p.items.push_back(
                {static_cast<size_t>(k), 2 + static_cast<int>(dice() % 4), number(60, 180), number(2, 12)});
            p.kinds.push_back(kind);
        }
        for (int b = 0; b < 2; ++b) p.panels.push_back({number(500, 900), number(70, 140), 22});
        const double exact = exactOptimum(p);
        const StripBound bound = boundOf(p);
        const StripSolution s = cutStrips(p, bound);
        expectWhole(p, s);
        EXPECT_LE(bound.bound, exact * (1 + 1e-6)) << "a bound above the optimum is none";
        EXPECT_GE(s.cost, exact * (1 - 1e-6));
        optimal += s.cost <= exact * (1 + 1e-6);
        worst = std::max(worst, s.cost / exact);
        ++cases;
    }
    EXPECT_GE(optimal, cases * 9 / 10);
    EXPECT_LE(worst, 1.05);
}
