#include "core/plan/boards/board_plan.h"

#include "core/plan/boards/strip_cutting.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <utility>

namespace vl {
namespace {

constexpr size_t manyItems = 60;
constexpr double narrowestOffcut = 20;  // mm: nothing narrower is put back
constexpr double alike = 0.05;          // mm: strips closer than this are ripped and planed together

/// A wood's cutting problem, and what its numbers stand for.
struct Wood {
    const Species* species = nullptr;
    StripProblem problem;
    /// Parts that are cut alike from the same strip are one item: which, and how many of each.
    std::vector<std::vector<std::pair<const Part*, int>>> parts;
    std::vector<std::pair<size_t, BoardRect>> panels;  // of each panel: place in the plan's boards, and where on it
};

class BoardPlanner {
public:
    BoardPlanner(const Piece& piece, const Shop& shop, const Assembly& assembly, const Control& control)
        : piece_(piece), shop_(shop), assembly_(assembly), control_(control)
    {
    }

    BoardPlan run()
    {
        for (const Board& b : shop_.rack) {
            PlannedBoard p;
            p.board = b;
            plan_.boards.push_back(p);
        }
        std::map<std::string, int> left;
        for (const Part& p : assembly_.parts) left[p.id] += p.count;
        for (const KeptStrip& k : piece_.progress.strips) keep(k, left);
        std::vector<Wood> woods = gather(left);
        double done = 0;
        for (Wood& w : woods) {
            Control own = control_;
            own.progress = [&](double share) { control_.at((done + share) / static_cast<double>(woods.size())); };
            solve(w, own);
            ++done;
        }
        for (PlannedBoard& b : plan_.boards) finish(b);
        std::erase_if(plan_.boards, [](const PlannedBoard& b) { return b.strips.empty(); });
        balance();
        plan_.canceled = control_.canceled();
        return std::move(plan_);
    }

private:
    const Part* partOf(const std::string& id) const
    {
        const auto it = std::ranges::find(assembly_.parts, id, &Part::id);
        return it == assembly_.parts.end() ? nullptr : &*it;
    }

    /// Whether a strip that is cut is still as wide and as thick as a part wants, and of its wood.
    static bool serves(const KeptStrip& k, const Part& p)
    {
        return std::abs(k.width - p.width) < alike && std::abs(k.thickness - p.thickness) < alike &&
               (k.wood.empty() || k.wood == p.species->id);
    }

    /// A strip that is already cut stays; what is no longer wanted of it is surplus.
    void keep(const KeptStrip& k, std::map<std::string, int>& left)
    {
        const auto board =
            std::ranges::find_if(plan_.boards, [&](const PlannedBoard& b) { return b.board.id == k.board; });
        PlannedStrip s;
        s.place = {k.x, k.y, k.length, k.width};
        s.thickness = k.thickness;
        s.kept = true;
        s.kerf = shop_.ripKerf;
        double at = 0;
        for (const KeptRun& r : k.runs) {
            const Part* p = partOf(r.part);
            if (p && serves(k, *p)) {
                int& still = left.at(r.part);
                still = std::max(0, still - r.count);
            }
            const double run = p ? p->run(r.count) : 0;
            s.runs.push_back({r.part, r.count, at, run});
            at += run;
        }
        s.used = std::min(k.length, std::max(at + piece_.choices.endWaste, shop_.leastHold));
        if (board == plan_.boards.end()) return;
        if (s.place.right() > board->board.length + alike || s.place.top() > board->board.width + alike)
            plan_.beyondBoard.push_back(k);
        board->strips.push_back(s);
    }

    std::vector<Wood> gather(const std::map<std::string, int>& left)
    {
        std::vector<Wood> woods;
        for (const Part& p : assembly_.parts) {
            const int count = left.at(p.id);
            if (count <= 0) continue;
            auto w = std::ranges::find(woods, p.species, &Wood::species);
            if (w == woods.end()) {
                w = woods.insert(woods.end(), Wood{});
                w->species = p.species;
                StripProblem& q = w->problem;
                q.kerf = shop_.ripKerf;
                q.crosscutKerf = shop_.kerf;
                q.endWaste = piece_.choices.endWaste;
                q.leastHold = shop_.leastHold;
                q.leastOffcut = shop_.leastOffcut;
                q.leastOffcutWidth = narrowestOffcut;
                q.planing = shop_.planing;
            }
            auto& kinds = w->problem.kinds;
            auto kind = std::ranges::find_if(kinds, [&](const StripProblem::Kind& k) {
                return std::abs(k.width - p.width) < alike && std::abs(k.thickness - p.thickness) < alike;
            });
            if (kind == kinds.end()) kind = kinds.insert(kinds.end(), {p.width, p.thickness, {}});
            const auto place = static_cast<size_t>(kind - kinds.begin());
            auto& items = w->problem.items;
            // Hundreds of parts that are alike would be tried one against another for nothing.
            const auto same = std::ranges::find_if(items, [&](const auto& i) {
                return i.kind == place && std::abs(i.pitch - p.pitch) < 1e-9 && std::abs(i.lead - p.lead) < 1e-9;
            });
            if (same != items.end() && items.size() >= manyItems) {
                same->count += count;
                w->parts[static_cast<size_t>(same - items.begin())].emplace_back(&p, count);
                continue;
            }
            kind->items.push_back(items.size());
            items.push_back({place, count, p.pitch, p.lead});
            w->parts.push_back({{&p, count}});
        }
        for (Wood& w : woods)
            for (size_t b = 0; b < plan_.boards.size(); ++b) {
                PlannedBoard& board = plan_.boards[b];
                if (board.board.wood != w.species->id) continue;
                std::vector<BoardRect> blocked = defectsOf(board.board);
                for (const PlannedStrip& s : board.strips)
                    blocked.push_back({s.place.x, std::max(0.0, s.place.y - shop_.ripKerf), s.place.length,
                                       s.place.width + 2 * shop_.ripKerf});
                // A short panel can be held where the whole board is no longer.
                const double least = std::min(shop_.leastHold, board.board.length);
                board.panels = clearPanels(board.board, blocked, least, 5, shop_.ripKerf);
                for (const BoardRect& r : board.panels) {
                    w.panels.emplace_back(b, r);
                    w.problem.panels.push_back({r.length, r.width, board.board.thickness});
                }
            }
        return woods;
    }

    void solve(Wood& w, const Control& own)
    {
        StripProblem& p = w.problem;
        int parts = 0;
        for (const auto& item : p.items) parts += item.count;
        // Where there are hundreds of parts the last half per cent is not worth the wait.
        const double enough = parts > 300 ? 0.006 : 0.002;
        StripBound bound = boundOf(p, own, enough / 4);
        StripSolution s = cutStrips(p, bound, own, enough);
        if (std::ranges::any_of(s.missing, [](int n) { return n > 0; })) {
            // Rather a thick board planed to shavings than a trip to the yard.
            p.anyThickness = true;
            StripBound other = boundOf(p, own, enough / 4);
            StripSolution again = cutStrips(p, other, own, enough);
            if (again.cost < s.cost - 1e-6) {
                s = std::move(again);
                bound = std::move(other);
            }
        }
        plan_.consumed += s.cost;
        plan_.lowerBound += std::min(bound.bound, s.cost);
        place(w, s);
        for (size_t i = 0; i < s.missing.size(); ++i)
            if (s.missing[i] > 0) {
                // The last of those that are alike are the ones that lack.
                int lack = s.missing[i];
                for (size_t k = w.parts[i].size(); lack > 0 && k-- > 0;) {
                    const Part& part = *w.parts[i][k].first;
                    const int count = std::min(lack, w.parts[i][k].second);
                    lack -= count;
                    const double length = part.run(count) + p.endWaste,
                                 board = part.thickness < 3 ? part.thickness : part.thickness + p.planing;
                    plan_.shortfall.push_back({part.id, part.species, count, part.thickness, part.width, length, board,
                                               length * (part.width + p.kerf) * board});
                }
            }
    }

    /// Lays the lengths along each panel, and in each its strips side by side: the thickest first, so that the rest can
    /// be planed on; of those the widest, so that narrow rests stay in one piece.
    void place(const Wood& w, const StripSolution& s)
    {
        auto left = w.parts;  // of each item, which part's turn it is and how many of it are still to come
        for (auto& parts : left) std::ranges::reverse(parts);
        const std::vector<double> lengths = blockLengths(w.problem, s);
        std::vector<double> along(w.panels.size(), 0);
        for (size_t block = 0; block < s.blocks.size(); ++block) {
            std::vector<const StripCut*> mine;
            for (const StripCut& c : s.strips)
                if (c.block == block) mine.push_back(&c);
            std::ranges::stable_sort(mine, std::greater{}, [&](const StripCut* c) {
                return std::pair(w.problem.kinds[c->kind].thickness, w.problem.kinds[c->kind].width);
            });
            const auto& [board, panel] = w.panels[s.blocks[block]];
            PlannedBoard& planned = plan_.boards[board];
            double& at = along[s.blocks[block]];
            const BoardRect whole{panel.x + at, panel.y, lengths[block], panel.width};
            at += whole.length + shop_.kerf;
            planned.lengths.push_back(whole);
            double y = whole.y;
            for (const StripCut* c : mine) {
                const auto& kind = w.problem.kinds[c->kind];
                PlannedStrip strip = laid(*c, w.problem, left);
                strip.place = {whole.x, y, whole.length, kind.width};
                strip.kerf = std::clamp(whole.top() - strip.place.top(), 0.0, shop_.ripKerf);
                strip.used = std::min(whole.length, strip.used);
                strip.length = planned.lengths.size() - 1;
                planned.strips.push_back(strip);
                y += kind.width + w.problem.kerf;
            }
        }
    }

    /// A strip with its parts one after another; `left` says whose turn it is, the last first.
    static PlannedStrip laid(const StripCut& c, const StripProblem& p,
                             std::vector<std::vector<std::pair<const Part*, int>>>& left)
    {
        PlannedStrip strip;
        strip.thickness = p.kinds[c.kind].thickness;
        double at = 0;
        for (const StripRun& run : c.runs) {
            auto& turn = left[run.item];
            double lead = p.items[run.item].lead;  // once for a run, whosever parts are in it
            for (int rest = run.count; rest > 0 && !turn.empty();) {
                const int count = std::min(rest, turn.back().second);
                const double length = count * p.items[run.item].pitch + std::exchange(lead, 0);
                strip.runs.push_back({turn.back().first->id, count, at, length});
                at += length;
                rest -= count;
                if ((turn.back().second -= count) == 0) turn.pop_back();
            }
        }
        strip.ganged = at + p.endWaste < p.leastHold;
        strip.used = std::max(at + p.endWaste, p.leastHold);
        return strip;
    }

    /// Cuts in their order, what is left, what is used up.
    void finish(PlannedBoard& b)
    {
        int number = 0;
        auto cut = [&](BoardCut::Kind kind, double x0, double y0, double x1, double y1, size_t strip) {
            b.cuts.push_back({kind, ++number, x0, y0, x1, y1, strip});
        };
        auto keep = [&](const BoardRect& r) {
            const bool worth = r.width >= narrowestOffcut && r.length >= shop_.leastOffcut - 1e-9;
            if (worth) b.offcuts.push_back(r);
            return worth;
        };
        // What lies beyond everything that is wanted stays a board, with the defects that are in it.
        double wanted = 0;
        for (const BoardRect& r : b.lengths) wanted = std::max(wanted, r.right());
        for (const PlannedStrip& s : b.strips) wanted = std::max(wanted, s.place.right());
        const BoardRect beyond{wanted + shop_.kerf, 0, b.board.length - wanted - shop_.kerf, b.board.width};
        const bool whole = wanted > 0 && keep(beyond);
        const double end = whole ? wanted : b.board.length;
        if (whole) cut(BoardCut::Length, end, 0, end, b.board.width, 0);
        for (BoardRect r : b.panels) {
            r.length = std::min(r.right(), end) - r.x;
            if (r.length <= 0) continue;
            std::vector<size_t> mine;
            for (size_t k = 0; k < b.lengths.size(); ++k)
                if (r.overlaps(b.lengths[k])) mine.push_back(k);
            if (mine.empty()) {
                keep(r);
                continue;
            }
            if (r.x > 1e-9) cut(BoardCut::Clear, r.x, r.y, r.x, r.top(), 0);
            if (r.right() < end - 1e-9) cut(BoardCut::Clear, r.right(), r.y, r.right(), r.top(), 0);
            if (r.y > 1e-9) cut(BoardCut::Clear, r.x, r.y, r.right(), r.y, 0);
            double last = r.x;
            for (const size_t k : mine) {
                last = b.lengths[k].right();
                if (last < r.right() - 1e-6) cut(BoardCut::Length, last, r.y, last, r.top(), 0);
            }
            keep({last + shop_.kerf, r.y, r.right() - last - shop_.kerf, r.width});
            for (const size_t k : mine) rip(b, k, cut, keep);
        }
        for (const PlannedStrip& s : b.strips)
            if (s.kept) keep({s.place.x + s.used, s.place.y, s.place.length - s.used, s.place.width});
        // Whatever is not put back is used up: also flaws, and rests too short or too narrow to keep.
        b.consumed = b.board.length * b.board.width;
        for (const BoardRect& r : b.offcuts) b.consumed -= r.area();
        b.cost = b.board.price * b.consumed / (b.board.length * b.board.width);
    }

    /// A length is ripped, what is beside its strips and beyond their parts is kept, its strips are cut across.
    template <class Cut, class Keep> void rip(PlannedBoard& b, size_t length, const Cut& cut, const Keep& keep)
    {
        const BoardRect& r = b.lengths[length];
        double y = r.y;
        for (size_t i = 0; i < b.strips.size(); ++i) {
            const PlannedStrip& s = b.strips[i];
            if (s.kept || s.length != length) continue;
            y = s.place.top();
            if (y < r.top() - 1e-6) cut(BoardCut::Rip, r.x, y, r.right(), y, i);
            keep({s.place.x + s.used, s.place.y, s.place.length - s.used, s.place.width});
        }
        keep({r.x, y + shop_.ripKerf, r.length, r.top() - y - shop_.ripKerf});
        for (size_t i = 0; i < b.strips.size(); ++i) {
            const PlannedStrip& s = b.strips[i];
            if (s.kept || s.length != length) continue;
            for (const PlannedRun& run : s.runs) {
                const double x = s.place.x + run.from + run.length;
                cut(BoardCut::Crosscut, x, s.place.y, x, s.place.top(), i);
            }
        }
    }

    /// boards = parts + kerf and planing + waste, and the offcuts are not counted as boards.
    void balance()
    {
        for (const PlannedBoard& b : plan_.boards) {
            plan_.cost += b.cost;
            plan_.boardVolume += b.consumed * b.board.thickness;
            for (const BoardCut& c : b.cuts)
                if (c.kind == BoardCut::Length) plan_.kerfVolume += (c.y1 - c.y0) * shop_.kerf * b.board.thickness;
            for (const PlannedStrip& s : b.strips) {
                plan_.kerfVolume += s.place.length * s.kerf * b.board.thickness;
                for (const PlannedRun& run : s.runs) {
                    const Part* p = partOf(run.part);
                    if (!p) continue;
                    plan_.partsVolume += run.count * p->volume;
                    const double cuts = run.count + (p->lead > 0 ? 1 : 0);
                    plan_.kerfVolume +=
                        s.place.width * run.length * (b.board.thickness - s.thickness) +
                        cuts * shop_.kerf / std::cos(p->left.miterDeg * degrees) * s.place.width * s.thickness;
                }
            }
        }
        plan_.wasteVolume = std::max(0.0, plan_.boardVolume - plan_.partsVolume - plan_.kerfVolume);
        // What is to be bought is bought with as much waste as the rest has, or the usual third where nothing is cut
        // yet.
        const double usual = plan_.yield() > 0 ? std::clamp(1 / plan_.yield(), 1.05, 2.5) : 1.35;
        for (Shortfall& s : plan_.shortfall) {
            const Part* p = partOf(s.part);
            if (p) s.volume = std::max(s.volume, s.count * p->volume * usual);
        }
    }

    const Piece& piece_;
    const Shop& shop_;
    const Assembly& assembly_;
    const Control& control_;
    BoardPlan plan_;
};

}  // namespace

BoardPlan planBoards(const Piece& piece, const Shop& shop, const Assembly& assembly, const Control& control)
{
    return BoardPlanner(piece, shop, assembly, control).run();
}

KeptStrip keptStrip(const PlannedBoard& board, const PlannedStrip& strip)
{
    KeptStrip kept{.board = board.board.id,
                   .x = strip.place.x,
                   .y = strip.place.y,
                   .length = strip.place.length,
                   .width = strip.place.width,
                   .thickness = strip.thickness,
                   .wood = board.board.wood,
                   .runs = {},
                   .extra = {}};
    for (const PlannedRun& r : strip.runs) kept.runs.push_back({r.part, r.count, {}});
    return kept;
}

Piece withAllCut(Piece piece, const BoardPlan& plan)
{
    // Strips of boards that are off the rack by now stay as they are.
    std::erase_if(piece.progress.strips, [&](const KeptStrip& k) {
        return std::ranges::any_of(plan.boards, [&](const PlannedBoard& b) { return b.board.id == k.board; });
    });
    for (const PlannedBoard& b : plan.boards)
        for (const PlannedStrip& strip : b.strips) piece.progress.strips.push_back(keptStrip(b, strip));
    return piece;
}

namespace {

/// The next free of "id-a", "id-b" …, within what an id may be long.
std::string offcutId(const std::string& board, int& number, const std::function<bool(const std::string&)>& taken)
{
    constexpr size_t longest = 60;
    for (;; ++number) {
        const std::string mark =
            "-" + (number < 26 ? std::string(1, static_cast<char>('a' + number)) : std::to_string(number));
        std::string id = board.substr(0, longest - mark.size());
        // No letter is cut in two.
        while (!id.empty() && id.size() < board.size() && (static_cast<unsigned char>(board[id.size()]) & 0xC0) == 0x80)
            id.pop_back();
        if (id += mark; !taken(id)) return id;
    }
}

}  // namespace

std::vector<Board> rackAfter(const std::vector<Board>& rack, const BoardPlan& plan, bool keepOffcuts)
{
    std::vector<Board> out;
    for (const Board& b : rack) {
        const auto cut = std::ranges::find_if(plan.boards, [&](const PlannedBoard& p) { return p.board.id == b.id; });
        if (cut == plan.boards.end()) {
            out.push_back(b);
            continue;
        }
        if (!keepOffcuts) continue;
        int number = 0;
        for (const BoardRect& r : cut->offcuts) {
            Board rest = b;
            rest.id = offcutId(b.id, number, [&](const std::string& id) {
                return std::ranges::find(rack, id, &Board::id) != rack.end() ||
                       std::ranges::find(out, id, &Board::id) != out.end();
            });
            rest.length = r.length;
            rest.width = r.width;
            rest.price = b.price * r.area() / (b.length * b.width);
            rest.defects.clear();
            for (Defect d : b.defects) {
                const double right = std::min(d.along + d.length, r.right()),
                             top = std::min(d.across + d.width, r.top());
                d.along = std::max(d.along, r.x) - r.x;
                d.across = std::max(d.across, r.y) - r.y;
                d.length = right - r.x - d.along;
                d.width = top - r.y - d.across;
                if (d.length > 0 && d.width > 0) rest.defects.push_back(d);
            }
            out.push_back(rest);
        }
    }
    return out;
}

}  // namespace vl
