#include "core/plan/caution_kinds.h"

#include <algorithm>
#include <set>

namespace vl {

std::vector<CautionKind> cautionKinds(const std::vector<Caution>& cautions)
{
    std::vector<CautionKind> kinds;
    for (const Caution& c : cautions) {
        const std::string& kind = c.perLayer ? c.kind : c.id;
        auto it = std::ranges::find(kinds, kind, &CautionKind::kind);
        if (it == kinds.end()) it = kinds.insert(kinds.end(), {kind, {}});
        it->all.push_back(&c);
    }
    return kinds;
}

Piece mendedAll(Piece piece, const Shop& shop, const std::string& kind, size_t fix)
{
    auto ofKind = [&](const Plan& plan) {
        std::vector<Caution> all;
        for (const Caution& c : plan.cautions)
            if ((c.perLayer ? c.kind : c.id) == kind && !c.fixes.empty()) all.push_back(c);
        return all;
    };
    Piece now = piece;
    std::vector<Caution> left = ofKind(makePlan(now, shop));
    const size_t before = left.size();
    std::set<std::string> tried;
    // One fix may mend only its half of a joint: each is tried once, and what it does to the others is seen anew.
    while (!left.empty()) {
        const auto next = std::ranges::find_if(left, [&](const Caution& c) { return !tried.contains(c.id); });
        if (next == left.end()) break;
        tried.insert(next->id);
        now = next->fixes[std::min(fix, next->fixes.size() - 1)].apply(now);
        left = ofKind(makePlan(now, shop));
    }
    return left.size() < before ? now : piece;
}

}  // namespace vl
