#include "core/plan/cautions/judge.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

void shortSegments(const Case& in, std::vector<Caution>& out)
{
    for (const RingCut& r : in.plan.cuts.rings) {
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

/// Strips that are too narrow, thin or short for a machine: how they are cut safely instead.
void smallParts(const Case& in, std::vector<Caution>& out)
{
    constexpr double sheet = 3;  // mm: cut with a knife
    for (const Part& p : in.plan.assembly.parts) {
        if (p.thickness < sheet && p.width > p.thickness * 5) continue;
        auto say = [&](const char* kind, double measure, double limit, const std::string& what, const char* instead) {
            if (measure >= limit - 1e-6) return;
            Caution c = in.at(kind, p.layer);
            c.called(kind, p.id);
            c.at = p.name;
            c.measure = measure;
            c.limit = limit;
            c.message = what + in.mm(measure) + ", less than " + in.mm(limit) + ": " + instead +
                        "; the machine's manual and hands-on instruction come first";
            out.push_back(c);
        };
        say("narrow", p.width, in.shop.ripLeastWidth, "its strip is as narrow as ",
            "ripped between fence and blade it brings the hand to the blade. Cut it from a wider piece, the strip "
            "falling on the side away from the fence, or resaw it on the bandsaw; push stick, blade at rest before "
            "reaching in");
        say("thin", p.thickness, in.shop.planeLeastThickness, "it is planed to ",
            "the thicknesser lifts and shatters it. Plane a thicker board, then resaw and sand it, or tape it to a "
            "carrier board");
    }
}

}  // namespace

void cutCautions(const Case& in, std::vector<Caution>& out)
{
    shortSegments(in, out);
    smallParts(in, out);
}

}  // namespace vl
