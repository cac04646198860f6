// The cutting plan: nothing overlaps, nothing is lost, the bound is a bound, small plans against the exact optimum of
// an integer program.
#include "core/piece/edit.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/boards/setups.h"
#include "core/plan/boards/strip_cutting.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/multi_polygon.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>
#include <glpk.h>

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

namespace {

namespace bg = boost::geometry;
using Flat = bg::model::polygon<bg::model::d2::point_xy<double>>;
using Flats = bg::model::multi_polygon<Flat>;

Flat flatOf(const BoardRect& r)
{
    Flat out;
    for (const auto& [x, y] : {std::pair{r.x, r.y}, {r.x, r.top()}, {r.right(), r.top()}, {r.right(), r.y}, {r.x, r.y}})
        bg::append(out, bg::model::d2::point_xy<double>(x, y));
    return out;
}

Flats unionOf(const std::vector<BoardRect>& rects)
{
    Flats all;
    for (const BoardRect& r : rects) {
        Flats more;
        bg::union_(all, flatOf(r), more);
        all = std::move(more);
    }
    return all;
}

double shared(const Flats& a, const Flats& b)
{
    Flats both;
    bg::intersection(a, b, both);
    return bg::area(both);
}

/// Offcuts against the union of what is cut, by Boost.Geometry: on the board, apart from one another and from every
/// strip and its kerf as far as it is used; a defect lies in none but the board that is left, and goes back to the rack
/// in it.
void expectOffcutsAreWhatIsLeft(const PlannedBoard& b, const Shop& shop, const std::string& name)
{
    std::vector<BoardRect> gone;
    for (const PlannedStrip& s : b.strips)
        gone.push_back({s.place.x, s.place.y, s.used, s.place.width + std::min(s.kerf, shop.ripKerf)});
    const Flats cut = unionOf(gone), kept = unionOf(b.offcuts), face = unionOf({{0, 0, b.board.length, b.board.width}});
    EXPECT_NEAR(shared(cut, kept), 0, 1e-3) << name << " " << b.board.id << ": an offcut is cut into";
    double sum = 0;
    for (const BoardRect& r : b.offcuts) sum += r.length * r.width;
    EXPECT_NEAR(bg::area(kept), sum, 1e-3) << name << ": offcuts lie over one another";
    EXPECT_NEAR(shared(kept, face), sum, 1e-3) << name << ": an offcut hangs over the board";
    for (const BoardRect& r : b.offcuts) EXPECT_GE(r.length, shop.leastOffcut - 1e-9) << name;
    const Flats bad = unionOf(defectsOf(b.board));
    for (const BoardRect& r : b.offcuts)
        if (r.width < b.board.width - 1e-9)
            EXPECT_NEAR(shared(bad, unionOf({r})), 0, 1e-3) << name << " " << b.board.id;
    BoardPlan alone;
    alone.boards = {b};
    double back = 0;
    for (const Board& board : rackAfter({b.board}, alone, true)) back += bg::area(unionOf(defectsOf(board)));
    EXPECT_NEAR(back, shared(bad, kept), 0.05) << name << ": a defect is lost from sight";
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

TEST(ClearPanels, AvoidDefectsAndLoseLittle)
{
    test::property([] {
        Board b;
        b.length = *rc::gen::inRange(600, 2600);
        b.width = *rc::gen::inRange(80, 300);
        const int count = *rc::gen::inRange(0, 7);
        double bad = 0;
        for (int k = 0; k < count; ++k) {
            Defect d;
            d.along = *rc::gen::inRange(0, static_cast<int>(b.length));
            d.across = *rc::gen::inRange(0, static_cast<int>(b.width));
            d.length = std::min<double>(*rc::gen::inRange(10, 120), b.length - d.along);
            d.width = std::min<double>(*rc::gen::inRange(10, 60), b.width - d.across);
            bad += d.length * d.width;
            b.defects.push_back(d);
        }
        const auto panels = clearPanels(b, defectsOf(b), 0, 0);
        double sum = 0;
        for (size_t i = 0; i < panels.size(); ++i) {
            sum += panels[i].area();
            RC_ASSERT(panels[i].x >= 0 && panels[i].y >= 0 && panels[i].right() <= b.length + 1e-9 &&
                      panels[i].top() <= b.width + 1e-9);
            for (const BoardRect& d : defectsOf(b)) RC_ASSERT(!panels[i].overlaps(d));
            for (size_t k = i + 1; k < panels.size(); ++k) RC_ASSERT(!panels[i].overlaps(panels[k]));
        }
        // Nothing but defects is left out when every size counts.
        RC_ASSERT(sum >= b.length * b.width - bad - 1e-6);
    });
    Board sapwood;
    sapwood.length = 1500;
    sapwood.width = 150;
    sapwood.defects = {{0, 0, 1500, 20, "sapwood"}, {700, 100, 60, 50, "knot"}};
    const auto panels = clearPanels(sapwood, defectsOf(sapwood), 300, 5);
    ASSERT_GE(panels.size(), 2u);
    double sum = 0;
    for (const BoardRect& r : panels) sum += r.area();
    EXPECT_GT(sum / (1500.0 * 130), 0.95);
}

TEST(BoardPlan, EverySampleIsCutFromTheHarboursRackWithNothingLost)
{
    const Shop shop = test::harbourShop();
    for (const std::string& name : test::demoNames()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, shop);
        const BoardPlan boards = planBoards(piece, shop, plan.assembly);
        std::map<std::string, int> cut;
        for (const PlannedBoard& b : boards.boards) {
            std::vector<BoardRect> taken = defectsOf(b.board);
            for (const PlannedStrip& s : b.strips) {
                EXPECT_GE(s.place.x, 0);
                EXPECT_LE(s.place.right(), b.board.length + 1e-6) << name;
                EXPECT_LE(s.place.top(), b.board.width + 1e-6) << name;
                for (const BoardRect& t : taken) EXPECT_FALSE(s.place.overlaps(t)) << name << " " << b.board.id;
                taken.push_back({s.place.x, s.place.y, s.place.length, s.place.width + shop.ripKerf - 1e-6});
                double at = 0;
                for (const PlannedRun& r : s.runs) {
                    cut[r.part] += r.count;
                    EXPECT_NEAR(r.from, at, 1e-9);
                    at += r.length;
                }
                EXPECT_LE(at + piece.choices.endWaste, s.place.length + 1e-6) << name;
                EXPECT_EQ(s.ganged, at + piece.choices.endWaste < shop.leastHold - 1e-9) << name;
                EXPECT_GE(s.used, std::min(shop.leastHold, s.place.length) - 1e-9) << "too short to hold";
            }
            expectOffcutsAreWhatIsLeft(b, shop, name);
            // A length is cut from the board over its whole width, no longer than its longest strip asks for, unless
            // what is left would be too short to keep.
            for (size_t k = 0; k < b.lengths.size(); ++k) {
                const BoardRect& r = b.lengths[k];
                double longest = 0;
                for (const PlannedStrip& s : b.strips)
                    if (!s.kept && s.length == k) {
                        longest = std::max(longest, s.used);
                        EXPECT_NEAR(s.place.x, r.x, 1e-9);
                        EXPECT_NEAR(s.place.length, r.length, 1e-9);
                    }
                const auto panel = std::ranges::find_if(b.panels, [&](const BoardRect& q) { return q.overlaps(r); });
                ASSERT_NE(panel, b.panels.end());
                EXPECT_NEAR(r.width, panel->width, 1e-9) << "across the whole panel";
                const double over = r.right() < panel->right() - 1e-6 ? 1e-6 : shop.leastOffcut + shop.kerf + 1e-6;
                EXPECT_GE(r.length, longest - 1e-6) << name << " " << b.board.id;
                EXPECT_LT(r.length, longest + over) << name << " " << b.board.id;
            }
            // Cuts are numbered as they are made: lengths first, and a strip is ripped before it is cut across.
            for (size_t k = 0; k < b.cuts.size(); ++k) EXPECT_EQ(b.cuts[k].number, static_cast<int>(k) + 1);
            for (const BoardCut& rip : b.cuts)
                for (const BoardCut& cross : b.cuts)
                    if (rip.kind == BoardCut::Rip && cross.kind == BoardCut::Crosscut && rip.strip == cross.strip)
                        EXPECT_LT(rip.number, cross.number);
        }
        for (const Shortfall& s : boards.shortfall) cut[s.part] += s.count;
        for (const Part& p : plan.assembly.parts) EXPECT_EQ(cut[p.id], p.count) << name << " " << p.id;
        EXPECT_TRUE(boards.shortfall.empty())
            << name << " lacks " << (boards.shortfall.empty() ? "" : boards.shortfall[0].part);
        EXPECT_GE(boards.consumed, boards.lowerBound * (1 - 1e-6)) << name;
        EXPECT_NEAR((boards.partsVolume + boards.kerfVolume + boards.wasteVolume) / boards.boardVolume, 1, 1e-9)
            << name << ": boards are parts, kerf and waste";
        EXPECT_GT(boards.yield(), 0.1) << name;
        // Every part is set up for somewhere, and no setting comes twice.
        std::set<std::string> set;
        std::set<std::string> seen;
        for (const vl::Setup& s : setupsOf(piece, plan.assembly, boards)) {
            std::string key = s.machine;
            for (const Setting& one : s.settings) key += " " + one.name + std::to_string(std::lround(one.value * 100));
            EXPECT_TRUE(seen.insert(key).second) << name << ": " << key << " is set twice";
            EXPECT_FALSE(s.trial.empty());
            set.insert(s.parts.begin(), s.parts.end());
        }
        for (const Part& p : plan.assembly.parts)
            if (p.thickness >= 3) EXPECT_TRUE(set.contains(p.id)) << name << " " << p.id;
    }
}

TEST(BoardPlan, WhatIsCutStaysWhenThePieceChangesALittle)
{
    const Shop shop = test::harbourShop();
    Piece piece = test::regattaCup();
    const BoardPlan first = planBoards(piece, shop, makePlan(piece, shop).assembly);
    ASSERT_FALSE(first.boards.empty());
    const PlannedBoard& board = first.boards[0];
    const KeptStrip kept = keptStrip(board, board.strips[0]);
    piece.progress.strips = {kept};
    piece.layers.back().thickness += 1.5;
    const Plan plan = makePlan(piece, shop);
    const BoardPlan next = planBoards(piece, shop, plan.assembly);
    int found = 0;
    std::map<std::string, int> cut;
    for (const PlannedBoard& b : next.boards)
        for (const PlannedStrip& s : b.strips) {
            for (const PlannedRun& r : s.runs) cut[r.part] += r.count;
            if (s.kept) {
                ++found;
                EXPECT_EQ(b.board.id, kept.board);
                EXPECT_EQ(s.place.x, kept.x);
                EXPECT_EQ(s.place.y, kept.y);
            } else if (b.board.id == kept.board)
                EXPECT_FALSE(s.place.overlaps({kept.x, kept.y, kept.length, kept.width}))
                    << "new cuts go round what is cut";
        }
    EXPECT_EQ(found, 1);
    for (const Shortfall& s : next.shortfall) cut[s.part] += s.count;
    for (const Part& p : plan.assembly.parts) EXPECT_GE(cut[p.id], p.count);
}

TEST(BoardPlan, CanBeCancelledAndAnEmptyRackSaysWhatToBuy)
{
    const Piece piece = test::regattaCup();
    Shop shop;
    const Plan plan = makePlan(piece, shop);
    const BoardPlan none = planBoards(piece, shop, plan.assembly);
    EXPECT_TRUE(none.boards.empty());
    int parts = 0, missing = 0;
    double volume = 0;
    for (const Part& p : plan.assembly.parts) {
        parts += p.count;
        volume += p.count * p.volume;
    }
    double buy = 0;
    for (const Shortfall& s : none.shortfall) {
        missing += s.count;
        buy += s.volume;
        EXPECT_GT(s.board, s.thickness - 1e-9);
    }
    EXPECT_EQ(parts, missing);
    EXPECT_GT(buy, volume);
    std::atomic<bool> stop{true};
    double last = -1;
    const BoardPlan cancelled =
        planBoards(piece, test::harbourShop(), plan.assembly, {[&](double share) { last = share; }, &stop});
    EXPECT_TRUE(cancelled.cancelled);
    (void)last;
}

TEST(BoardPlan, OffcutsGoBackOnTheRack)
{
    const Shop shop = test::harbourShop();
    const Piece piece = test::demo("chart-stand");
    const BoardPlan plan = planBoards(piece, shop, makePlan(piece, shop).assembly);
    size_t offcuts = 0;
    for (const PlannedBoard& b : plan.boards) offcuts += b.offcuts.size();
    EXPECT_EQ(rackAfter(shop.rack, plan, true).size(), shop.rack.size() - plan.boards.size() + offcuts);
    EXPECT_EQ(rackAfter(shop.rack, plan, false).size(), shop.rack.size() - plan.boards.size());
    checkRack(rackAfter(shop.rack, plan, true));
}
