#include "core/plan/boards/setups.h"

#include "core/measure/format.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>

namespace vl {
namespace {

/// Values to a hundredth: what is set alike.
long rounded(double v) { return std::lround(v * 100); }

void addOnce(std::vector<std::string>& list, const std::string& id)
{
    if (std::ranges::find(list, id) == list.end()) list.push_back(id);
}

Setting length(const char* name, double mm) { return {.name = name, .value = mm}; }
Setting angle(const char* name, double deg) { return {.name = name, .value = deg, .unit = Unit::Angle}; }

}  // namespace

std::vector<Setup> setupsOf(const Piece& piece, const Assembly& assembly, const BoardPlan& boards)
{
    std::vector<Setup> out;
    // Ripping and planing, by width and by thickness, the greatest first: the fence only ever moves one way.
    std::map<long, Setup, std::greater<>> rips, planes;
    auto strip = [&](double width, double thickness, const std::vector<std::string>& parts, int cuts) {
        if (thickness < 3) return;  // sheets are cut with a knife
        Setup& rip = rips[rounded(width)];
        rip.machine = "table saw, ripping";
        if (rip.settings.empty()) rip.settings.push_back(length("fence", width));
        rip.trial = "rip 100 mm into a scrap and measure it: " + fixed(width, 2) + " mm";
        rip.cuts += cuts;
        Setup& plane = planes[rounded(thickness)];
        plane.machine = "thicknesser";
        if (plane.settings.empty()) plane.settings.push_back(length("thickness", thickness));
        plane.trial = "plane an offcut of the same wood and measure both ends: " + fixed(thickness, 2) +
                      " mm; no strip shorter than the manual's least length";
        plane.cuts += cuts;
        for (const std::string& id : parts) {
            addOnce(rip.parts, id);
            addOnce(plane.parts, id);
        }
    };
    std::vector<std::string> planned;
    for (const PlannedBoard& b : boards.boards)
        for (const PlannedStrip& s : b.strips) {
            if (s.kept) continue;
            std::vector<std::string> ids;
            for (const PlannedRun& r : s.runs) addOnce(ids, r.part);
            for (const std::string& id : ids) addOnce(planned, id);
            strip(s.place.width, s.thickness, ids, 1);
        }
    for (const Part& p : assembly.parts)
        if (std::ranges::find(planned, p.id) == planned.end()) strip(p.width, p.thickness, {p.id}, 1);
    for (auto& [key, s] : rips) out.push_back(std::move(s));
    for (auto& [key, s] : planes) out.push_back(std::move(s));

    // Angle first, then stop: the angle is what is hard to find again.
    std::map<std::tuple<long, long, long>, Setup, std::greater<>> cross;
    for (const Part& p : assembly.parts) {
        if (p.thickness < 3) continue;
        Setup& s = cross[{rounded(p.left.miterDeg), rounded(p.left.bevelDeg), rounded(p.length)}];
        const bool sled = piece.choices.cutting == CutSchool::WedgeSled && p.left.miterDeg > 0;
        s.machine = p.left.miterDeg == 0 && p.left.bevelDeg == 0 ? "crosscut sled"
                    : sled                                       ? "wedge sled"
                                                                 : "miter gauge";
        if (s.settings.empty()) {
            if (p.left.miterDeg != 0) s.settings.push_back(angle("miter from square", p.left.miterDeg));
            if (p.left.bevelDeg != 0) s.settings.push_back(angle("blade tilt", p.left.bevelDeg));
            s.settings.push_back(length("stop", p.length));
        }
        s.trial =
            p.left.miterDeg != 0 && p.left.miterDeg == p.right.miterDeg && p.shortEdge < p.length
                ? "cut a whole trial ring from scrap and close it dry: the gap of its last joint corrects the angle"
                : "cut one from scrap, measure its length and check both ends with a square";
        s.cuts += p.count + (p.lead > 0 ? 1 : 0);
        addOnce(s.parts, p.id);
    }
    for (auto& [key, s] : cross) out.push_back(std::move(s));
    return out;
}

}  // namespace vl
