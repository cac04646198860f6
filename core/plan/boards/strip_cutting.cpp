#include "core/plan/boards/strip_cutting.h"

#include <algorithm>
#include <cmath>
#include <functional>
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

/// A plan while it is made: the blocks of each panel, and what is free.
class Layout {
public:
    struct Strip {
        double need = 0, width = 0;  ///< mm, with its kerf
    };
    struct Block {
        size_t panel = 0;
        double need = 0, used = 0;  ///< mm, of its longest strip; of its width
        std::vector<Strip> strips;
    };

    Layout(const StripProblem& p, const StripSolution& start)
        : p_(p), left_(p.panels.size()), last_(p.panels.size(), none)
    {
        for (size_t k = 0; k < left_.size(); ++k) left_[k] = p.panels[k].length;
        for (const size_t panel : start.blocks) begin(panel);
        for (const StripCut& c : start.strips) {
            double in = 0;
            for (const StripRun& run : c.runs) in += p.items[run.item].run(run.count);
            add(c.block, stripOf(c.kind, in, p.panels[start.blocks[c.block]].length));
        }
    }

    const std::vector<Block>& blocks() const { return blocks_; }
    Strip stripOf(size_t kind, double in, double room) const
    {
        return {p_.need(in, room), p_.kinds[kind].width + p_.kerf};
    }

    size_t begin(size_t panel)
    {
        blocks_.push_back({panel, 0, 0, {}});
        left_[panel] -= last_[panel] == none ? 0 : p_.crosscutKerf;
        return last_[panel] = blocks_.size() - 1;
    }
    void add(size_t block, const Strip& s)
    {
        Block& b = blocks_[block];
        left_[b.panel] -= std::max(0.0, s.need - b.need);
        b.need = std::max(b.need, s.need);
        b.used += s.width;
        b.strips.push_back(s);
    }
    /// How long a new block of a panel can be.
    double freeLength(size_t panel) const { return left_[panel] - (last_[panel] == none ? 0 : p_.crosscutKerf); }
    /// Whether a new block could be held.
    bool hasRoom(size_t panel) const
    {
        return freeLength(panel) >= std::min(p_.leastHold, p_.panels[panel].length) - 1e-9;
    }
    /// How long a block can be made.
    double longest(size_t block) const { return blocks_[block].need + left_[blocks_[block].panel]; }
    /// How long a block is that needs so much: with what is left of its panel, where that is too short to keep.
    double length(size_t block, double need) const
    {
        const Block& b = blocks_[block];
        const double rest = left_[b.panel] - (need - b.need);
        return block == last_[b.panel] && rest - p_.crosscutKerf < p_.leastOffcut ? need + rest : need;
    }
    double length(size_t block) const { return length(block, blocks_[block].need); }
    double free(size_t block) const { return p_.panels[blocks_[block].panel].width - blocks_[block].used; }

    /// What a block costs more with one strip more, mm².
    double costWith(size_t block, const Strip& s) const
    {
        const Block& b = blocks_[block];
        const double now = length(block), then = length(block, std::max(b.need, s.need));
        double cost = p_.usedUp(s.need, then) * s.width + p_.sliver(b.panel, then, b.used + s.width) -
                      p_.sliver(b.panel, now, b.used);
        for (const Strip& o : b.strips) cost += (p_.usedUp(o.need, then) - p_.usedUp(o.need, now)) * o.width;
        return cost;
    }
    /// What a new block with one strip costs.
    double costOfNew(size_t panel, const Strip& s) const
    {
        const double rest = freeLength(panel) - s.need;
        const bool whole = rest - p_.crosscutKerf < p_.leastOffcut;
        const double length = whole ? s.need + rest : s.need;
        return p_.usedUp(s.need, length) * s.width + p_.sliver(panel, length, s.width) +
               (whole ? 0 : p_.crosscutKerf * p_.panels[panel].width);
    }

private:
    static constexpr size_t none = static_cast<size_t>(-1);
    const StripProblem& p_;
    std::vector<Block> blocks_;
    std::vector<double> left_;  ///< of each panel, mm beyond its blocks
    std::vector<size_t> last_;  ///< of each panel its last block
};

class StripCutter {
public:
    StripCutter(const StripProblem& p, const StripBound& bound) : p_(p), price_(bound.price), scarcity_(bound.scarcity)
    {
        price_.resize(p.items.size(), 0);
        scarcity_.resize(p.panels.size(), 0);
        // Without a bound a part is worth the wood it takes.
        for (size_t i = 0; i < p.items.size(); ++i)
            if (!(price_[i] > 0) || price_[i] >= 0.5 * p.missing(i))
                price_[i] = p.items[i].pitch * (p.kinds[p.items[i].kind].width + p.kerf);
    }

    /// Completes `start` with what is still missing: first whole panels, packed across their width, then strip by
    /// strip.
    StripSolution complete(StripSolution start, const Way& way) const
    {
        std::vector<int> left(p_.items.size());
        for (size_t i = 0; i < left.size(); ++i) left[i] = p_.items[i].count;
        for (const StripCut& s : start.strips)
            for (const StripRun& r : s.runs) left[r.item] -= r.count;
        Layout layout(p_, start);
        if (way.strictness <= 1)
            for (const size_t panel : way.order) {
                for (size_t b = 0; b < start.blocks.size(); ++b)
                    if (start.blocks[b] == panel)
                        pack(panel, b, layout.length(b), way.strictness, way.thrift, start, layout, left);
                if (layout.hasRoom(panel))
                    pack(panel, newBlock, layout.freeLength(panel), way.strictness, way.thrift, start, layout, left);
            }
        stripByStrip(way, start, layout, left);
        start.missing = left;
        start.cost = costOf(p_, start);
        return start;
    }

private:
    static constexpr size_t newBlock = static_cast<size_t>(-1);

    /// Where a strip can go: into a block as it is, into a block that grows for it, into a new block of a panel.
    struct Slot {
        size_t panel = 0, block = newBlock;
        bool grows = false;
    };
    struct Offer {
        double score = 0, room = 0;
        const Filled* fill = nullptr;
    };

    /// The best fillings from what is left, each worked out once until some of its kind is cut.
    class Fills {
    public:
        Fills(const StripCutter& cutter, const Way& way, const std::vector<int>& left)
            : cutter_(cutter), way_(way), left_(left), known_(way.whole.size())
        {
        }
        const Filled& of(size_t kind, double room)
        {
            const auto [it, fresh] = known_[kind].try_emplace(room);
            if (fresh) it->second = cutter_.fill(kind, room, left_, way_.appetite[kind], way_.whole[kind]);
            return it->second;
        }
        void changed(size_t kind) { known_[kind].clear(); }

    private:
        const StripCutter& cutter_;
        const Way& way_;
        const std::vector<int>& left_;
        std::vector<std::map<double, Filled>> known_;  // by length, mm
    };

    Offer offerOf(const Slot& slot, size_t kind, const Way& way, const Layout& layout, Fills& fills) const
    {
        const bool fresh = slot.block == newBlock;
        if (fresh && !layout.hasRoom(slot.panel)) return {};
        const double free = fresh ? p_.panels[slot.panel].width : layout.free(slot.block);
        if (p_.kinds[kind].width > free + 1e-9 || !p_.fits(slot.panel, kind)) return {};
        Offer o;
        o.room = fresh        ? layout.freeLength(slot.panel)
                 : slot.grows ? layout.longest(slot.block)
                              : layout.length(slot.block);
        if (!fresh && slot.grows && o.room < layout.length(slot.block) + 1) return {};
        o.fill = &fills.of(kind, o.room);
        if (o.fill->runs.empty()) return {};
        const Layout::Strip strip = layout.stripOf(kind, o.fill->in, o.room);
        const double cost = (fresh ? layout.costOfNew(slot.panel, strip) : layout.costWith(slot.block, strip)) +
                            share(slot.panel, strip, way.thrift);
        // A panel once begun is used before another.
        o.score = o.fill->worth / std::max(cost, 1.0) * way.taste[kind] * way.liking[slot.panel] * (fresh ? 1 : 1.004);
        return o;
    }

    void stripByStrip(const Way& way, StripSolution& plan, Layout& layout, std::vector<int>& left) const
    {
        /// A slot's score for each kind, and the kind that it would rather have.
        struct Row {
            Slot slot;
            std::vector<double> score;
            size_t best = 0;
            void settle() { best = static_cast<size_t>(std::ranges::max_element(score) - score.begin()); }
        };
        Fills fills(*this, way, left);
        std::vector<Row> rows;
        auto score = [&](Row& row) {
            row.score.resize(p_.kinds.size());
            for (size_t k = 0; k < row.score.size(); ++k) row.score[k] = offerOf(row.slot, k, way, layout, fills).score;
            row.settle();
        };
        auto add = [&](const Slot& slot) { rows.push_back({slot, std::vector<double>(p_.kinds.size(), 0), 0}); };
        for (size_t k = 0; k < p_.panels.size(); ++k) add({k, newBlock, false});
        for (size_t b = 0; b < plan.blocks.size(); ++b)
            for (const bool grows : {false, true}) add({plan.blocks[b], b, grows});
        for (Row& row : rows) score(row);
        for (;;) {
            const auto at = std::ranges::max_element(rows, {}, [](const Row& r) { return r.score[r.best]; });
            if (at == rows.end() || at->score[at->best] <= 0) return;
            const Slot slot = at->slot;
            const size_t kind = at->best;
            const Offer chosen = offerOf(slot, kind, way, layout, fills);
            size_t block = slot.block;
            if (block == newBlock) {
                block = layout.begin(slot.panel);
                plan.blocks.push_back(slot.panel);
                for (const bool grows : {false, true}) add({slot.panel, block, grows});
            }
            layout.add(block, layout.stripOf(kind, chosen.fill->in, chosen.room));
            plan.strips.push_back({block, kind, chosen.fill->runs});
            for (const StripRun& r : plan.strips.back().runs) left[r.item] -= r.count;
            fills.changed(kind);
            for (Row& row : rows)
                if (row.slot.panel == slot.panel)
                    score(row);
                else if (row.score[kind] > 0) {
                    row.score[kind] = offerOf(row.slot, kind, way, layout, fills).score;
                    if (row.best == kind || row.score[kind] > row.score[row.best]) row.settle();
                }
        }
    }

    /// A strip's share of a panel that others would be glad of.
    double share(size_t panel, const Layout::Strip& strip, double thrift) const
    {
        const auto& q = p_.panels[panel];
        return thrift * scarcity_[panel] * strip.width / (q.width + p_.kerf) * strip.need / q.length;
    }

    /// Fills the free width of a block with the strips that together are worth most beyond what they use up (knapsack
    /// over the width).
    void pack(size_t panel, size_t block, double length, double strictness, double thrift, StripSolution& plan,
              Layout& layout, std::vector<int>& left) const
    {
        constexpr double grid = 0.25;
        const double free = block == newBlock ? p_.panels[panel].width : layout.free(block);
        const int room = static_cast<int>(std::floor((free + p_.kerf) / grid));
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
                Filled f = fill(k, length, rest, 1, false);
                if (f.runs.empty()) break;
                for (const StripRun& r : f.runs) rest[r.item] -= r.count;
                const Layout::Strip strip = layout.stripOf(k, f.in, length);
                const double cost = p_.usedUp(strip.need, length) * strip.width + share(panel, strip, thrift);
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
            const double v = value[w] - (rest < p_.leastOffcutWidth ? std::max(0.0, rest) * length : 0);
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
        if (block == newBlock) {
            block = layout.begin(panel);
            plan.blocks.push_back(panel);
        }
        for (const size_t c : chosen) {
            for (const StripRun& r : candidates[c].fill.runs) left[r.item] -= r.count;
            layout.add(block, layout.stripOf(candidates[c].kind, candidates[c].fill.in, length));
            plan.strips.push_back({block, candidates[c].kind, candidates[c].fill.runs});
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
};

/// A solution without the strips for which `out` holds, and without blocks that are empty then.
StripSolution without(const StripSolution& s, const std::function<bool(const StripCut&)>& out)
{
    StripSolution rest;
    std::vector<size_t> place(s.blocks.size(), s.blocks.size());
    std::vector<const StripCut*> kept;
    for (const StripCut& c : s.strips)
        if (!out(c)) {
            kept.push_back(&c);
            place[c.block] = 0;
        }
    for (size_t b = 0; b < s.blocks.size(); ++b)
        if (place[b] == 0) {
            place[b] = rest.blocks.size();
            rest.blocks.push_back(s.blocks[b]);
        }
    for (const StripCut* c : kept) rest.strips.push_back({place[c->block], c->kind, c->runs});
    return rest;
}

/// Looks for the cheapest solution, by tries that each change something of the best so far.
class StripSearch {
public:
    StripSearch(const StripProblem& p, const StripBound& bound, double closeEnough)
        : p_(p), bound_(bound), closeEnough_(closeEnough), cutter_(p, bound), plain_(plainWay(p)),
          best_(cutter_.complete({}, plain_)), least_(judged(best_))
    {
    }

    StripSolution run(const Control& control)
    {
        tryPlainWays();
        const int strips = static_cast<int>(best_.strips.size()) + 1, tries = triesFor(strips);
        for (int k = 0; k < tries && !good() && !control.canceled(); ++k) {
            control.at(static_cast<double>(k) / tries);
            tryAgain(k, strips);
        }
        return std::move(best_);
    }

private:
    static Way plainWay(const StripProblem& p)
    {
        Way plain{std::vector<double>(p.kinds.size(), 1), std::vector<double>(p.panels.size(), 1), {}, 2, 0,
                  std::vector<double>(p.kinds.size(), 1), std::vector<bool>(p.kinds.size(), false)};
        for (size_t i = 0; i < p.panels.size(); ++i) plain.order.push_back(i);
        std::ranges::stable_sort(plain.order, [&](size_t a, size_t b) {
            const auto &x = p.panels[a], &y = p.panels[b];
            return std::tuple(x.thickness, -x.length, x.width) < std::tuple(y.thickness, -y.length, y.width);
        });
        return plain;
    }

    /// Of two plans that use up as much the one that leaves more panels whole, and has fewer lengths cut from them.
    double judged(const StripSolution& s) const
    {
        std::vector<bool> begun(p_.panels.size(), false);
        for (const size_t panel : s.blocks) begun[panel] = true;
        return s.cost + bound_.bound * (1e-4 * static_cast<double>(std::ranges::count(begun, true)) +
                                        2e-5 * static_cast<double>(s.blocks.size()));
    }

    void keep(StripSolution next)
    {
        if (const double now = judged(next); now < least_ - 1e-6) {
            least_ = now;
            best_ = std::move(next);
        }
    }

    /// The bound knows next to nothing of the kerfs of crosscuts, which no plan can do without.
    bool good()
    {
        constexpr int fewTries = 24;  // even a plan that is good enough may leave more boards whole
        return ++tried_ > fewTries && best_.cost - crosscutCost(p_, best_) <= bound_.bound * (1 + closeEnough_) + 1e-6;
    }

    void tryPlainWays()
    {
        for (const double thrift : {0.0, 0.5, 1.0})
            for (const double strictness : {0.85, 0.93, 0.97, 0.985, 0.99}) {
                Way way = plain_;
                way.strictness = strictness;
                way.thrift = thrift;
                keep(cutter_.complete({}, way));
            }
        // The wide ones first, where the panels are narrow.
        Way wide = plain_;
        double widest = 1;
        for (const auto& k : p_.kinds) widest = std::max(widest, k.width);
        for (size_t k = 0; k < wide.taste.size(); ++k) wide.taste[k] = 1 + 0.3 * p_.kinds[k].width / widest;
        keep(cutter_.complete({}, wide));
    }

    /// What one try costs grows with its strips, panels and the items of a kind: so many tries as a few seconds hold.
    int triesFor(int strips) const
    {
        size_t items = 0;
        for (const auto& k : p_.kinds) items = std::max(items, k.items.size());
        const double size =
            strips * static_cast<double>(p_.panels.size() * p_.kinds.size() + items * std::min(items, mostFirst));
        const int most = static_cast<int>(std::min(3000.0, 6e8 / std::max(size, 1.0)));
        return std::min(std::clamp(14000 / strips, 60, 3000), most);
    }

    double share() { return static_cast<double>(dice_() >> 8) / (1 << 24); }

    void tryAgain(int k, int strips)
    {
        Way way = plain_;
        for (int swap = static_cast<int>(dice_() % 8); swap > 0 && !way.order.empty(); --swap) {
            const size_t at = dice_() % way.order.size(), near = std::min(way.order.size() - 1, at + 1 + dice_() % 4);
            std::swap(way.order[at], way.order[near]);
        }
        StripSolution part;
        if (k % 4 != 3 && !p_.panels.empty()) part = thinnedOut();
        const bool bold = k % 5 >= 3;
        way.strictness = bold ? 2 : 0.88 + 0.13 * share();
        way.thrift = k % 2 ? share() : 0;
        for (double& v : way.taste) v += (bold ? 1.6 : k % 3 == 0 ? 0.02 : 0.2) * (share() - 0.5);
        if (bold && strips < 40) {
            for (double& v : way.liking) v += 1.6 * (share() - 0.5);
            for (double& v : way.appetite) v = share() < 0.5 ? 1 : 0.2 + 0.8 * share();
            for (size_t i = 0; i < way.whole.size(); ++i) way.whole[i] = share() < 0.5;
        }
        keep(cutter_.complete(std::move(part), way));
    }

    /// The best without a few panels and the strips that are filled worst.
    StripSolution thinnedOut()
    {
        std::vector<bool> out(p_.panels.size(), false);
        for (int n = 2 + static_cast<int>(dice_() % 4); n > 0; --n) out[dice_() % out.size()] = true;
        const double poor = share() * 0.6;
        return without(best_, [&](const StripCut& s) {
            double in = 0;
            for (const StripRun& r : s.runs) in += p_.items[r.item].run(r.count);
            const size_t panel = best_.blocks[s.block];
            return out[panel] || in < poor * p_.panels[panel].length || share() < 0.03;
        });
    }

    const StripProblem& p_;
    const StripBound& bound_;
    double closeEnough_;
    StripCutter cutter_;
    Way plain_;
    StripSolution best_;
    double least_;
    int tried_ = 0;
    std::mt19937 dice_{20260101};  // always the same throws: the same problem has the same answer
};

}  // namespace

StripSolution cutStrips(const StripProblem& p, const StripBound& bound, const Control& control, double closeEnough)
{
    return StripSearch(p, bound, closeEnough).run(control);
}

}  // namespace vl
