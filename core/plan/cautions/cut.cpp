#include "core/plan/cautions/judge.h"

#include <cmath>

namespace vl {
namespace {

void shortSegments(const Case& in, std::vector<Caution>& out)
{
    for (const RingCut& r : in.cuts.rings) {
        if (r.outerEdge >= in.shop.leastEdge) continue;
        const BuiltLayer& b = in.built(r.layer);
        int fewer = b.stock.sides - 1;
        for (; fewer > 3; --fewer)
            if (2 * b.stock.apothem() * std::tan(pi / fewer) >= in.shop.leastEdge) break;
        Caution c = in.at("short", r.layer);
        c.measure = r.outerEdge;
        c.limit = in.shop.leastEdge;
        c.message =
            "its segments are " + in.mm(r.outerEdge) +
            " long, too short to hold at a saw: a part this small can be thrown, and draws the hand to the blade. "
            "Hold-downs, a stop that frees the part and a blade at rest before reaching in are usual; the machine's "
            "manual and hands-on instruction come first";
        // An even number keeps half rings and two-wood patterns possible.
        if (fewer > 4 && fewer % 2) --fewer;
        if (fewer < b.stock.sides && fewer >= 3)
            c.fixes.push_back(layerFix(std::to_string(fewer) + " segments instead of " + std::to_string(b.stock.sides),
                                       r.layer, [fewer](Layer& l) { l.ring()->segments = fewer; }));
        if (b.finishedInner.low == 0)
            c.fixes.push_back(layerFix("a solid disc instead", r.layer, [](Layer& l) {
                l.form = DiscForm{};
                l.woods.resize(1);
                l.stockInner.reset();
            }));
        out.push_back(c);
    }
}

}  // namespace

void cutCautions(const Case& in, std::vector<Caution>& out) { shortSegments(in, out); }

}  // namespace vl
