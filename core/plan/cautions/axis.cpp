#include "core/plan/cautions/judge.h"

#include "core/measure/format.h"
#include "core/process/axis_recipe.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace vl {
namespace {

Caution atAxis(const Case& in, const char* kind, size_t axis, double z, Level level = Level::Care)
{
    Caution c;
    c.called(kind, in.piece.axes[axis].id);
    c.level = level;
    c.at = nameOf(in.piece, axis);
    c.z = z;
    c.layer = static_cast<int>(in.plan.assembly.layerAt(z));
    c.unit = "mm";
    return c;
}

Fix axisFix(std::string label, size_t axis, std::function<void(OffAxis&)> change)
{
    return pieceFix(std::move(label), [axis, change = std::move(change)](Piece& p) {
        if (axis < p.axes.size()) change(p.axes[axis]);
    });
}

Fix moreRadius(const Case& in, size_t axis, double by)
{
    return axisFix("a radius " + in.mm(by) + " larger", axis, [by](OffAxis& a) {
        for (Node& n : a.outside) n.r = std::clamp(n.r + by, 0.5, 1000.0);
    });
}

/// A center that is gone before it is needed.
void centers(const Case& in, std::vector<Caution>& out)
{
    std::set<std::string> said;
    for (const LostCenter& l : lostCenters(in.piece, in.plan.surfaces, in.plan.setUps)) {
        const auto by = std::ranges::find(in.plan.setUps, l.by.empty() ? l.setUp : l.by, &AxisSetUp::id);
        const size_t axis = by->axis;
        const double length = outlineHeight(in.piece), end = l.head ? 0 : length;
        Caution c = atAxis(in, l.head ? "centre-head" : "centre-tail", axis, end, Level::Stop);
        if (!said.insert(c.id).second) continue;
        c.measure = l.outside;
        c.limit = 0;
        const std::string where = l.head ? "at the headstock's end" : "at the tailstock's end";
        if (l.by.empty()) {
            c.message = "the center lies " + in.mm(l.outside) + " outside the wood " + where +
                        ": there is nothing for its point to hold in";
            c.fixes.push_back(
                axisFix("centers nearer to the true one", axis, [by_ = l.outside + 0.5, head = l.head](OffAxis& a) {
                    double& offset = head ? a.headOffset : a.tailOffset;
                    offset = std::max(0.0, offset - by_);
                }));
            out.push_back(c);
            continue;
        }
        c.message = (l.setUp.empty() ? "the true center" : "the next center") + std::string(" is turned away ") +
                    where + " before it is needed: it cannot be mounted there any more";
        constexpr double kept = 12;  // mm at the end
        c.fixes.push_back(
            axisFix("stop " + in.mm(kept) + " before the end", axis, [end, kept, head = l.head](OffAxis& a) {
                Outline& o = a.outside;
                for (Node& n : o) n.z = head ? std::max(n.z, end + kept) : std::min(n.z, end - kept);
                if (!(o.back().z > o.front().z)) o.back().z = o.front().z + 1;
            }));
        out.push_back(c);
    }
    // On its block a blank has no free head end.
    const bool marked = std::ranges::any_of(in.plan.assembly.recipe, [](const Step& s) { return s.id == "centres"; });
    if (marked) return;
    for (size_t a = 0; a < in.piece.axes.size(); ++a) {
        if (in.piece.axes[a].by != AxisBy::Centers) continue;
        Caution c = atAxis(in, "centres-block", a, 0, Level::Stop);
        c.measure = in.piece.axes[a].headOffset;
        c.message = "the blank stands on its block: its head end is not free to be marked and mounted";
        c.fixes.push_back(axisFix("on an eccentric chuck", a, [](OffAxis& q) { q.by = AxisBy::Eccentric; }));
        out.push_back(c);
    }
}

void wall(const Case& in, const AxisReport& r, std::vector<Caution>& out)
{
    const double least = in.piece.hollow.leastWall;
    if (!(r.leastWall < least)) return;
    Caution c = atAxis(in, "axis-wall", r.axis, r.leastWallAt, r.leastWall <= 0 ? Level::Stop : Level::Care);
    c.measure = r.leastWall;
    c.limit = least;
    c.message = r.leastWall <= 0 ? "its flats come through into the hollow"
                                 : "between its flats and the hollow " + in.mm(r.leastWall) + " of wall are left";
    c.fixes.push_back(moreRadius(in, r.axis, least - r.leastWall + 0.2));
    out.push_back(c);
}

/// Whether it cuts at all, and how its sides meet.
void flats(const Case& in, const AxisReport& r, std::vector<Caution>& out)
{
    const OffAxis& axis = in.piece.axes[r.axis];
    const bool cuts = std::ranges::any_of(
        r.at, [](const AxisAt& at) { return std::ranges::any_of(at.depths, [](double d) { return d > 0; }); });
    if (!cuts && !r.at.empty()) {
        Caution c = atAxis(in, "axis-air", r.axis, r.at[0].z);
        const AxisAt& at = *std::ranges::max_element(r.at, {}, [](const AxisAt& x) { return x.depths[0]; });
        c.z = at.z;
        c.measure = at.depths[0];
        c.limit = 0;
        c.message = "nothing is cut: its outline lies " + in.mm(-at.depths[0]) + " outside the wood";
        c.fixes.push_back(moreRadius(in, r.axis, at.depths[0] - 1));
        c.fixes.back().label = "a radius " + in.mm(1 - at.depths[0]) + " smaller";
        out.push_back(c);
        return;
    }
    if (axis.band <= 0 || marksOf(axis).size() < 2) return;
    for (const AxisAt& at : r.at) {
        const bool all = std::ranges::all_of(at.flats, [](double f) { return f > 0; });
        const double least = *std::ranges::min_element(at.bands);
        if (!all || least >= axis.band - 0.05) continue;
        Caution c = atAxis(in, "axis-band", r.axis, at.z);
        c.measure = least;
        c.limit = axis.band;
        c.message = least <= 0 ? "two neighboring sides meet in a ridge here"
                               : "only " + in.mm(least) + " of the round are left between two sides";
        const double more = at.bandRadius - in.plan.setUps[0].solid.radiusNear(at.z);
        if (std::isfinite(more) && more > 0) c.fixes.push_back(moreRadius(in, r.axis, more));
        c.fixes.push_back(axisFix("let them meet", r.axis, [](OffAxis& a) { a.band = 0; }));
        out.push_back(c);
        return;
    }
}

/// Sides that do not fall on the plate's holes.
void holes(const Case& in, size_t a, std::vector<Caution>& out)
{
    const OffAxis& axis = in.piece.axes[a];
    if (axis.plate == 0 || !axis.steps.empty()) return;
    const std::vector<IndexMark> marks = marksOf(axis);
    if (isExact(marks)) return;
    const double worst = std::abs(
        std::ranges::max_element(marks, {}, [](const IndexMark& m) { return std::abs(m.errorDeg); })->errorDeg);
    Caution c = atAxis(in, "index", a, axis.outside.front().z, Level::Stop);
    c.measure = worst;
    c.limit = 0;
    c.unit = "°";
    c.message = std::to_string(axis.sides) + " sides do not fall on " + std::to_string(axis.plate) +
                " holes: the nearest are up to " + fixed(worst, 1) + "° off";
    for (const int plate : platesFor(axis.sides)) {
        c.fixes.push_back(axisFix("a plate of " + std::to_string(plate) + " holes", a, [plate](OffAxis& q) {
            q.plate = plate;
            q.start = std::min(q.start, plate - 1);
        }));
        break;
    }
    c.fixes.push_back(axisFix("a paper wheel of " + std::to_string(axis.sides), a, [](OffAxis& q) {
        q.plate = q.sides;
        q.start = 0;
    }));
    std::string steps;
    for (size_t k = 0; k < marks.size(); ++k) {
        const int next = k + 1 < marks.size() ? marks[k + 1].hole : marks[0].hole;
        const int step = (next - marks[k].hole + axis.plate) % axis.plate;
        if (step == 0) return out.push_back(c);
        steps += (steps.empty() ? "" : " ") + std::to_string(step);
    }
    c.fixes.push_back(axisFix("unequal on purpose: " + steps, a, [steps](OffAxis& q) { q.steps = steps; }));
    out.push_back(c);
}

}  // namespace

void axisCautions(const Case& in, std::vector<Caution>& out)
{
    if (in.piece.axes.empty()) return;
    centers(in, out);
    for (const AxisReport& r : in.plan.axes) {
        wall(in, r, out);
        flats(in, r, out);
        holes(in, r.axis, out);
    }
}

}  // namespace vl
