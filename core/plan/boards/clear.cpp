#include "core/plan/boards/clear.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace vl {
namespace {

class Clearing {
public:
    Clearing(std::vector<BoardRect> blocked, double leastLength, double leastWidth, double kerf)
        : blocked_(std::move(blocked)), leastLength_(leastLength), leastWidth_(leastWidth), kerf_(kerf)
    {
    }

    std::vector<BoardRect> of(const BoardRect& whole)
    {
        collect(whole);
        std::ranges::sort(
            out_, [](const BoardRect& a, const BoardRect& b) { return std::pair(a.y, a.x) < std::pair(b.y, b.x); });
        return out_;
    }

private:
    struct Best {
        double worth = 0;
        bool across = false;  ///< a cut across the board at x = at, else along it at y = at
        bool beyond = false;  ///< the blocked place lies beyond the cut
        double at = -1;       ///< below 0: no cut
    };

    std::vector<const BoardRect*> inside(const BoardRect& r) const
    {
        std::vector<const BoardRect*> list;
        for (const BoardRect& b : blocked_)
            if (b.overlaps(r)) list.push_back(&b);
        return list;
    }

    /// Wide pieces are worth more than as much area in narrow ones: lengths are crosscut from them first, then ripped.
    double worth(const BoardRect& r) const
    {
        return r.length < leastLength_ || r.width < leastWidth_ ? 0 : r.area() * std::pow(r.width, 0.3);
    }

    /// The two sides of a cut at the edge of a blocked place, which lies beyond it or before it.
    std::pair<BoardRect, BoardRect> split(const BoardRect& r, bool across, double at, bool beyond) const
    {
        const double to = beyond ? at : at - kerf_, from = beyond ? at + kerf_ : at;
        return across
                   ? std::pair{BoardRect{r.x, r.y, to - r.x, r.width}, BoardRect{from, r.y, r.right() - from, r.width}}
                   : std::pair{BoardRect{r.x, r.y, r.length, to - r.y}, BoardRect{r.x, from, r.length, r.top() - from}};
    }

    Best best(const BoardRect& r)
    {
        const auto in = inside(r);
        if (r.length < std::max(leastLength_, 1e-9) || r.width < std::max(leastWidth_, 1e-9)) return {};
        if (in.empty()) return {worth(r), false, false, -1};
        const std::array<double, 4> key{r.x, r.y, r.length, r.width};
        if (const auto it = known_.find(key); it != known_.end()) return it->second;
        Best found;
        const bool exactly = in.size() <= 8;
        for (const BoardRect* b : in)
            for (const auto& [across, beyond, at] : {std::tuple{true, true, b->x},
                                                     {true, false, b->right()},
                                                     {false, true, b->y},
                                                     {false, false, b->top()}}) {
                if (across ? at <= r.x + 1e-9 || at >= r.right() - 1e-9 : at <= r.y + 1e-9 || at >= r.top() - 1e-9)
                    continue;
                const auto [p, q] = split(r, across, at, beyond);
                const double sum = exactly ? best(p).worth + best(q).worth
                                           : (inside(p).empty() ? worth(p) : 0) + (inside(q).empty() ? worth(q) : 0);
                if (sum > found.worth || found.at < 0) found = {sum, across, beyond, at};
            }
        return known_[key] = found;
    }

    void collect(const BoardRect& r)
    {
        const Best b = best(r);
        if (b.at < 0) {
            if (worth(r) > 0 && inside(r).empty()) out_.push_back(r);
            return;
        }
        const auto [p, q] = split(r, b.across, b.at, b.beyond);
        collect(p);
        collect(q);
    }

    std::vector<BoardRect> blocked_;
    double leastLength_, leastWidth_, kerf_;
    std::map<std::array<double, 4>, Best> known_;
    std::vector<BoardRect> out_;
};

}  // namespace

std::vector<BoardRect> clearPanels(const Board& board, const std::vector<BoardRect>& blocked, double leastLength,
                                   double leastWidth, double kerf)
{
    return Clearing(blocked, leastLength, leastWidth, kerf).of({0, 0, board.length, board.width});
}

std::vector<BoardRect> defectsOf(const Board& board)
{
    std::vector<BoardRect> list;
    for (const Defect& d : board.defects)
        if (d.length > 0 && d.width > 0)
            list.push_back({d.along, d.across, std::min(d.length, board.length - d.along),
                            std::min(d.width, board.width - d.across)});
    return list;
}

}  // namespace vl
