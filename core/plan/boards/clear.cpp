#include "core/plan/boards/clear.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace vl {
namespace {

class Clearing {
public:
    Clearing(std::vector<BoardRect> blocked, double leastLength, double leastWidth) : blocked_(std::move(blocked)), leastLength_(leastLength), leastWidth_(leastWidth) {}

    std::vector<BoardRect> of(const BoardRect& whole)
    {
        collect(whole);
        std::ranges::sort(out_, [](const BoardRect& a, const BoardRect& b) { return std::pair(a.y, a.x) < std::pair(b.y, b.x); });
        return out_;
    }

private:
    struct Best {
        double worth = 0;
        bool across = false;  ///< a cut across the board at x = at, else along it at y = at
        double at = -1;       ///< below 0: no cut
    };

    std::vector<const BoardRect*> inside(const BoardRect& r) const
    {
        std::vector<const BoardRect*> list;
        for (const BoardRect& b : blocked_)
            if (b.overlaps(r)) list.push_back(&b);
        return list;
    }

    /// Long pieces are worth a little more than as much area in short ones.
    double worth(const BoardRect& r) const { return r.length < leastLength_ || r.width < leastWidth_ ? 0 : r.area() * std::pow(r.length, 0.1); }

    static std::pair<BoardRect, BoardRect> split(const BoardRect& r, bool across, double at)
    {
        return across ? std::pair{BoardRect{r.x, r.y, at - r.x, r.width}, BoardRect{at, r.y, r.right() - at, r.width}}
                      : std::pair{BoardRect{r.x, r.y, r.length, at - r.y}, BoardRect{r.x, at, r.length, r.top() - at}};
    }

    Best best(const BoardRect& r)
    {
        const auto in = inside(r);
        if (in.empty()) return {worth(r), false, -1};
        if (r.length < leastLength_ || r.width < leastWidth_) return {};
        const std::array<double, 4> key{r.x, r.y, r.length, r.width};
        if (const auto it = known_.find(key); it != known_.end()) return it->second;
        Best found;
        const bool exactly = in.size() <= 8;
        for (const BoardRect* b : in)
            for (const auto& [across, at] : {std::pair{true, b->x}, {true, b->right()}, {false, b->y}, {false, b->top()}}) {
                if (across ? at <= r.x + 1e-9 || at >= r.right() - 1e-9 : at <= r.y + 1e-9 || at >= r.top() - 1e-9) continue;
                const auto [p, q] = split(r, across, at);
                const double sum = exactly ? best(p).worth + best(q).worth : (inside(p).empty() ? worth(p) : 0) + (inside(q).empty() ? worth(q) : 0);
                if (sum > found.worth || found.at < 0) found = {sum, across, at};
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
        const auto [p, q] = split(r, b.across, b.at);
        collect(p);
        collect(q);
    }

    std::vector<BoardRect> blocked_;
    double leastLength_, leastWidth_;
    std::map<std::array<double, 4>, Best> known_;
    std::vector<BoardRect> out_;
};

}  // namespace

std::vector<BoardRect> clearPanels(const Board& board, const std::vector<BoardRect>& blocked, double leastLength, double leastWidth)
{
    return Clearing(blocked, leastLength, leastWidth).of({0, 0, board.length, board.width});
}

std::vector<BoardRect> defectsOf(const Board& board)
{
    std::vector<BoardRect> list;
    for (const Defect& d : board.defects)
        if (d.length > 0 && d.width > 0) list.push_back({d.along, d.across, std::min(d.length, board.length - d.along), std::min(d.width, board.width - d.across)});
    return list;
}

}  // namespace vl
