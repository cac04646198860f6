#include "core/plan/boards/setups.h"

#include "core/measure/format.h"
#include "core/piece/records/field_items.h"
#include "core/plan/figures/cut.h"
#include "core/process/assemble.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>
#include <set>

namespace vl {
namespace {

/// Values to a hundredth: what is set alike. Rounded in two goes, so that what differs by less than a nanometer never
/// falls on both sides of a half.
long rounded(double v) { return std::lround(static_cast<double>(std::lround(v * 1e6)) / 1e4); }

void addOnce(std::vector<std::string>& list, const std::string& id)
{
    if (std::ranges::find(list, id) == list.end()) list.push_back(id);
}

Setting length(const char* name, double mm) { return {.name = name, .value = mm}; }
Setting angle(const char* name, double deg) { return {.name = name, .value = deg, .unit = Unit::Angle}; }

}  // namespace

namespace {

bool isDone(const Piece& piece, const Step& s)
{
    return std::ranges::find(piece.progress.done, s.id, &StepDone::step) != piece.progress.done.end();
}

/// How many of each part are still to be cut: those of strips in the progress, and of steps that are done, are not.
std::map<std::string, int> stillToCut(const Piece& piece, const Assembly& assembly)
{
    std::map<std::string, int> left;
    for (const Part& p : assembly.parts) left[p.id] = p.count;
    for (const KeptStrip& k : piece.progress.strips)
        for (const KeptRun& r : k.runs)
            if (const auto it = left.find(r.part); it != left.end()) it->second = std::max(0, it->second - r.count);
    for (const Step& s : assembly.recipe)
        if (isDone(piece, s))
            for (const std::string& id : s.inputs) left.erase(id);
    return left;
}

/// What a step asks of a saw beside ripping to width and cutting to length at a mitre: tilts, tapers, slants, re-cuts.
std::vector<Setup> hardSetups(const Piece& piece, const Assembly& assembly)
{
    std::vector<Setup> out;
    for (const Step& step : assembly.recipe) {
        if ((step.action != Action::Cut && step.action != Action::Recut) || isDone(piece, step)) continue;
        const bool bandsaw = step.occupies(Resource::Bandsaw);
        Setup s;
        for (const Setting& one : step.settings) {
            const bool saw = one.machine == Resource::Saw || one.machine == Resource::Bandsaw;
            if (saw && !(one.ofPart && step.action == Action::Cut)) s.settings.push_back(one);
        }
        const bool angled = std::ranges::any_of(
            s.settings, [](const Setting& one) { return one.unit == Unit::Angle && one.value != 0; });
        if (!angled && step.action != Action::Recut) continue;
        s.machine = bandsaw ? "bandsaw" : angled ? "table saw, at an angle" : "table saw, re-cut";
        for (const Part& p : assembly.parts)
            if (p.layer == step.layer) s.parts.push_back(p.id);
        s.cuts = std::max(1, step.glue.joints);
        s.what = print(step.title);
        s.trial = angled ? "a trial joint of two offcuts, held to the light"
                         : "one from a scrap as thick, measured at both ends";
        out.push_back(std::move(s));
    }
    return out;
}

using Ids = std::vector<std::string>;

/// Thicknesser and rip fence. What is planed is a whole length of board, then ripped: nothing narrow goes through the
/// thicknesser on edge. By thickness and by width, the greatest first: table and fence only ever move one way.
class Ripping {
public:
    /// Strips of this section, for these parts.
    void add(double width, double thickness, const Ids& parts)
    {
        if (isSheet(thickness)) return;
        Setup& rip = rips_[rounded(width)];
        rip.machine = "table saw, ripping";
        if (rip.settings.empty()) rip.settings.push_back(length("fence", width));
        rip.trial = "rip 100 mm into a scrap and measure it";
        Setup& plane = planes_[rounded(thickness)];
        plane.machine = "thicknesser";
        if (plane.settings.empty()) plane.settings.push_back(length("thickness", thickness));
        plane.trial = "plane an offcut of the same wood and measure both ends; nothing shorter than the manual's least "
                      "length";
        for (Setup* s : {&rip, &plane}) {
            ++s->cuts;
            for (const std::string& id : parts) addOnce(s->parts, id);
        }
    }
    void moveTo(std::vector<Setup>& out)
    {
        for (auto* all : {&planes_, &rips_})
            for (auto& [key, s] : *all) out.push_back(std::move(s));
    }
    /// Cut with a knife.
    static bool isSheet(double thickness)
    {
        constexpr double thin = 3;  // mm
        return thickness < thin;
    }

private:
    std::map<long, Setup, std::greater<>> rips_, planes_;
};

/// Cutting to length. Angle first, then stop: the angle is what is hard to find again.
class Crosscutting {
public:
    Crosscutting(const Piece& piece, const Assembly& assembly)
        : sled_(piece.choices.cutting == CutMethod::WedgeSled), figures_(planCuts(piece, assembly))
    {
    }
    void add(const Part& p)
    {
        Setup& s = all_[{rounded(p.left.miterDeg), rounded(p.left.bevelDeg), p.rough ? 0 : rounded(p.length)}];
        s.machine = p.left.miterDeg == 0 && p.left.bevelDeg == 0 ? "crosscut sled"
                    : sled_ && p.left.miterDeg > 0               ? "wedge sled"
                                                                 : "miter gauge";
        if (s.settings.empty()) s.settings = settingsOf(p);
        if (s.trial.empty()) s.trial = trialOf(p);
        s.cuts += p.count + (p.lead > 0 ? 1 : 0);
        addOnce(s.parts, p.id);
    }
    void moveTo(std::vector<Setup>& out)
    {
        for (auto& [key, s] : all_) out.push_back(std::move(s));
    }

private:
    std::vector<Setting> settingsOf(const Part& p) const
    {
        std::vector<Setting> settings;
        const auto ring = std::ranges::find(figures_.rings, p.layer, &RingCut::layer);
        const double correction = ring != figures_.rings.end() && p.left.miterDeg > 0 ? ring->correction : 0;
        if (p.left.miterDeg != 0)
            settings.push_back(angle(correction == 0 ? "miter from square" : "miter from square, corrected",
                                     p.left.miterDeg + correction));
        if (p.left.bevelDeg != 0) settings.push_back(angle("blade tilt", p.left.bevelDeg));
        if (!p.rough) settings.push_back(length("stop", p.length));
        return settings;
    }
    std::string trialOf(const Part& p)
    {
        if (p.rough) return "each by its own mark, a little long: no stop, the ends are sawn round later";
        // A whole ring is tried once for an angle: at the stops that follow it stands.
        const bool ringAngle = p.left.miterDeg != 0 && p.left.miterDeg == p.right.miterDeg && p.shortEdge < p.length;
        return ringAngle && tried_.insert({rounded(p.left.miterDeg), rounded(p.left.bevelDeg)}).second
                   ? "cut a whole trial ring from scrap and close it dry: the gap of its last joint corrects the angle"
                   : "cut one from scrap, measure its length and check both ends";
    }

    bool sled_;
    CutPlan figures_;
    std::map<std::tuple<long, long, long>, Setup, std::greater<>> all_;
    std::set<std::pair<long, long>> tried_;
};

Setup logSetup(const Part& p)
{
    Setup s;
    s.machine = "bandsaw, the log in a cradle";
    s.settings = {length("length", p.length)};
    s.parts = {p.id};
    s.cuts = 2 * p.count;
    s.trial = "measure the length along the log before the second cut";
    return s;
}

}  // namespace

std::vector<Setup> setupsOf(const Piece& piece, const Assembly& assembly, const BoardPlan& boards)
{
    std::vector<Setup> out = hardSetups(piece, assembly);
    const std::map<std::string, int> left = stillToCut(piece, assembly);
    Ripping ripping;
    Ids planned;
    for (const PlannedBoard& b : boards.boards)
        for (const PlannedStrip& s : b.strips) {
            if (s.kept) continue;
            Ids ids;
            for (const PlannedRun& r : s.runs) addOnce(ids, r.part);
            for (const std::string& id : ids) addOnce(planned, id);
            ripping.add(s.place.width, s.thickness, ids);
        }
    for (const Part& p : assembly.parts)
        if (const auto wanted = left.find(p.id);
            !p.grown && wanted != left.end() && wanted->second > 0 && std::ranges::find(planned, p.id) == planned.end())
            ripping.add(p.width, p.thickness, {p.id});
    ripping.moveTo(out);
    Crosscutting crosscutting(piece, assembly);
    for (const Part& p : assembly.parts)
        if (!p.grown && !Ripping::isSheet(p.thickness) && left.contains(p.id)) crosscutting.add(p);
    crosscutting.moveTo(out);
    for (const Part& p : assembly.parts)
        if (p.grown && left.contains(p.id)) out.push_back(logSetup(p));
    return out;
}

int leastSetups(const Piece& piece, const Shop& shop, const Assembly& now)
{
    Piece most = piece;
    most.choices.setOnceWithin = fieldOf(&Choices::setOnceWithin).limit.high;
    const size_t least = setupsOf(most, assemble(most, shop, turnedSurfacesOf(most)), {}).size();
    return static_cast<int>(std::min(least, setupsOf(piece, now, {}).size()));
}

}  // namespace vl
