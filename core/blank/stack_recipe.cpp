#include "core/blank/stack_recipe.h"

#include "core/blank/construction.h"
#include "core/blank/nest.h"
#include "core/blank/sections.h"
#include "core/measure/format.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

class StackWriter {
public:
    StackWriter(const Piece& piece, const Shop& shop, const Sides& sides, const Assembly& assembly) : piece_(piece), shop_(shop), sides_(sides), a_(assembly) {}

    Recipe write()
    {
        for (size_t i = 0; i < a_.layers.size(); ++i) {
            std::vector<std::string> ids;
            for (const Part& p : a_.parts)
                if (p.layer == static_cast<int>(i)) ids.push_back(p.id);
            constructionOf(a_.layers[i].kind).steps({piece_, shop_, sides_, i}, a_.layers[i], ids, recipe_);
        }
        const std::vector<Section> sections = sectionsOf(piece_, shop_, sides_, a_.layers);
        Made whole{};
        for (size_t s = 0; s < sections.size(); ++s) {
            Made part = stack(sections[s], s, sections.size());
            if (sections.size() > 1) part = inside(part, sections[s], s, sections.size());
            whole = s ? close(whole, part, sections[s], s) : part;
        }
        turning(whole, sections.size());
        return std::move(recipe_);
    }

private:
    /// A thing, and the step that it comes from.
    struct Made {
        std::string thing, step;
    };

    void add(Step step) { recipe_.push_back(std::move(step)); }
    static std::string number(size_t i) { return std::to_string(i + 1); }
    static std::string sheet(size_t i) { return "layer " + number(i); }

    /// The layers of a section one on another on a waste block; a section worked from below starts with its uppermost.
    Made stack(const Section& section, size_t s, size_t sections)
    {
        const std::string mark = s ? "-" + std::to_string(s + 1) : "", of = sections > 1 ? " for section " + std::to_string(s + 1) : "";
        add({"waste-block" + mark, Action::Mount, "Turn a waste block true on the faceplate" + of, {"waste-block" + mark}, {"mounted-block" + mark}, {},
             "the whole stack is built on it; what is not flat here is not flat anywhere", "scrap of even grain, flat across", 15, 0, {"lathe"}, -1});
        std::vector<size_t> order;
        for (size_t i = section.first; i <= section.last; ++i) order.push_back(i);
        if (section.fromBelow) std::ranges::reverse(order);
        const size_t first = order[0];
        add({"stack-" + number(first), Action::Glue, "Glue " + sheet(first) + " to the waste block" + of, {"mounted-block" + mark, "flat-" + number(first)}, {"stack-" + number(first)},
             {"waste-block" + mark, "flatten-" + number(first)}, "centred now, the stack runs true to the end", "centre with the tailstock, glue, tailstock pressure", 6, 0, {"lathe", "clamp"}, static_cast<int>(first),
             {JointFaces::Temporary, pi * std::pow(a_.layers[first].stockOuterRadius(), 2), 1, {a_.layers[first].woods[0]}}});
        add({"set-" + number(first), Action::Wait, "Leave the base" + of + " under pressure", {"stack-" + number(first)}, {"held-" + number(first)}, {"stack-" + number(first)}, "it carries everything that follows", "", 0,
             inClamp, {"lathe", "clamp"}, static_cast<int>(first)});
        Made made{"held-" + number(first), "set-" + number(first)};
        made = part(first, made);
        for (size_t k = 1; k < order.size(); ++k) made = join(order[k], order[k - 1], made, section.fromBelow);
        return made;
    }

    /// A layer that was glued on thick is parted down to what it should be.
    Made part(size_t i, Made made)
    {
        const Layer& l = piece_.layers[i];
        if (gluedThickness(l) <= l.thickness) return made;
        const std::string n = number(i);
        const double rest = gluedThickness(l) - l.thickness;
        add({"thin-" + n, Action::PartOff, "Part " + sheet(i) + " down to " + fixed(l.thickness, 2) + " mm", {made.thing}, {"thinned-" + n, "offcut-" + n}, {made.step},
             "a ring this thin cannot be flattened and glued by itself; thick, it can", "thin parting tool from the outside in, " + fixed(rest, 1) + " mm from the far face; what comes off is the next thin ring", 10, 0, {"lathe"}, static_cast<int>(i)});
        return {"thinned-" + n, "thin-" + n};
    }

    Made join(size_t i, size_t under, Made before, bool down)
    {
        const std::string below = number(under), here = number(i);
        const BuiltLayer &b = a_.layers[i], &u = a_.layers[under];
        add({"true-" + below + "-face", Action::Flatten, "True the face of " + sheet(under) + " on the lathe", {before.thing}, {"faced-" + below}, {before.step},
             "flat and square to the axis, to " + fixed(down ? u.z0 : u.z1, 1) + (down ? " mm from the foot" : " mm from the waste block"), "sanding board held against the turning face, check with a straightedge", 5, 0, {"lathe"},
             static_cast<int>(under)});
        const double shift = piece_.layers[i].turn;
        const std::string rotation =
            !constructionOf(b.kind).turns ? "grain in line with the layer below" : fixed(shift * 360.0 / std::max(piece_.layers[i].segments, 1), 2) + "° on from the layer below (" + fixed(shift, 2) + " of a segment)";
        const double outer = std::min(b.stockOuterRadius(), u.stockOuterRadius()), inner = std::max(b.stockInnerRadius(), u.stockInnerRadius());
        const bool veneer = b.kind == LayerKind::Sheet || u.kind == LayerKind::Sheet;
        // Discs lie across one another; segments' grain runs round, whatever lies on it.
        const bool cross = (b.kind == LayerKind::Disc || b.kind == LayerKind::Slab) != (u.kind == LayerKind::Disc || u.kind == LayerKind::Slab);
        const bool endOn = (b.kind == LayerKind::Staves || b.kind == LayerKind::Billet || b.kind == LayerKind::PostWrap) != (u.kind == LayerKind::Staves || u.kind == LayerKind::Billet || u.kind == LayerKind::PostWrap);
        std::vector<const Species*> woods = b.woods;
        woods.insert(woods.end(), u.woods.begin(), u.woods.end());
        std::string how = "pencil marks on both joints, rub, centre with the tailstock cone, press; two spots of hot melt at the rim keep it from sliding under the pressure";
        if (b.gaps)
            how = "one segment at a time against an index stop: glue, press ten seconds, one segment on; keep the gaps free of glue, it cannot be got out later";
        else if (inner <= 0)
            how += "; keep the middle free of glue for the centre's mark";
        add({"stack-" + here, Action::Glue, b.gaps ? "Set the " + std::to_string(b.count()) + " segments of " + sheet(i) + " onto the stack" : "Glue " + sheet(i) + " onto the stack", {"faced-" + below, "flat-" + here}, {"stack-" + here},
             {"true-" + below + "-face", "flatten-" + here}, "turned " + rotation + ", so that no joint stands over a joint", how, b.gaps ? 5 + 1.0 * b.count() : 7, 0, {"lathe", "clamp"}, static_cast<int>(i),
             {veneer ? JointFaces::Veneer : endOn ? JointFaces::EndToLong : cross ? JointFaces::CrossGrain : JointFaces::LongGrain, std::max(0.0, pi * (outer * outer - inner * inner)) * b.fill, b.gaps ? b.count() : 1, woods}});
        add({"set-" + here, Action::Wait, "Leave " + sheet(i) + " under pressure", {"stack-" + here}, {"held-" + here}, {"stack-" + here}, veneer ? "a sheet curls with the glue's water until all of it is gone: it stays in the press far longer" : "facing a joint that has not set tears it", "", 0,
             inClamp, {"lathe", "clamp"}, static_cast<int>(i)});
        return part(i, {"held-" + here, "set-" + here});
    }

    Made inside(Made made, const Section& section, size_t s, size_t)
    {
        const std::string n = std::to_string(s + 1), of = " of section " + n;
        add({"inside-" + n, Action::Turn, "Turn the inside" + of, {made.thing}, {"turned-inside-" + n}, {made.step}, "once the next section is on, no straight tool comes here",
             "from " + fixed(section.z0, 1) + " to " + fixed(section.z1, 1) + " mm" + (section.fromBelow ? "; at its lower face the inside is " + fixed(section.meetInside, 2) + " mm wide, to meet the section below" : ", wall by calliper at each station"), 30, 0, {"lathe"}, static_cast<int>(section.first)});
        add({"sand-inside-" + n, Action::Sand, "Sand the inside" + of, {"turned-inside-" + n}, {"sanded-inside-" + n}, {"inside-" + n}, "it cannot be seen later, but it can be felt", "tool rest taken off first; all grits; dust extraction and mask", 20, 0, {"lathe"}, static_cast<int>(section.first)});
        add({"seal-inside-" + n, Action::Finish, "Seal the inside" + of, {"sanded-inside-" + n}, {"section-" + n}, {"sand-inside-" + n}, "bare wood inside and finish outside pull the wall to one side", "one thin coat; mask the joint's face, glue does not hold on finish; fresh air, and gloves", 10, 60, {}, static_cast<int>(section.first)});
        return {"section-" + n, "seal-inside-" + n};
    }

    Made close(const Made& lower, const Made& upper, const Section& section, size_t s)
    {
        const std::string n = std::to_string(s + 1);
        const double outer = section.meetOutside / 2, inner = section.meetInside / 2;
        add({"close-" + n, Action::Glue, "Glue section " + n + " onto what is below", {lower.thing, upper.thing}, {"closed-" + n}, {lower.step, upper.step},
             "both insides are finished: this joint closes them off",
             "both sides must meet at outside Ø " + fixed(section.meetOutside, 2) + " mm and inside Ø " + fixed(section.meetInside, 2) + " mm; dry first, centre between both faceplates, thin glue, none towards the inside", 12, 0, {"lathe", "clamp"}, static_cast<int>(section.first),
             {JointFaces::LongGrain, std::max(0.0, pi * (outer * outer - inner * inner)), 1, a_.layers[section.first].woods}});
        add({"close-set-" + n, Action::Wait, "Leave section " + n + " under pressure", {"closed-" + n}, {"whole-" + n}, {"close-" + n}, "the one joint that cannot be reached from inside", "", 0, inClamp, {"lathe", "clamp"}, static_cast<int>(section.first)});
        add({"close-part-" + n, Action::PartOff, "Part section " + n + "'s waste block off", {"whole-" + n}, {"free-" + n}, {"close-set-" + n}, "from now on it runs from the foot's block alone", "parting tool, tailstock up", 8, 0, {"lathe"}, static_cast<int>(section.last)});
        return {"free-" + n, "close-part-" + n};
    }

    void turning(const Made& stacked, size_t sections)
    {
        add({"cure", Action::Wait, "Let the stack cure", {stacked.thing}, {"blank"}, {stacked.step}, "glue that still holds water lets the joints creep under the finish", "", 0, inClamp, {}, -1});
        add({"rough", Action::Turn, "Turn the outside round and close to the template", {"blank"}, {"rough-turned"}, {"cure"}, "the stack is strongest while it is still thick inside", "lowest speed until round", 40, 0, {"lathe"}, -1});
        Made now{"rough-turned", "rough"};
        auto next = [&](const std::string& id, Action action, const std::string& title, const std::string& thing, const std::string& why, const std::string& how, double work, double wait, std::vector<std::string> uses) {
            add({id, action, title, {now.thing}, {thing}, {now.step}, why, how, work, wait, std::move(uses), -1});
            now = {thing, id};
        };
        if (piece_.hollow.rule == WallRule::Bored)
            next("bore", Action::Drill, "Bore through, " + fixed(piece_.hollow.bore, 1) + " mm", "hollowed", "before the outside is finished: the bore is what the outside is then made true to", "from both ends to the middle, clear the chips often, slow", 20, 0, {"lathe"});
        else if (piece_.hollow.rule != WallRule::Solid && sections == 1)
            next("hollow", Action::Turn, "Hollow to the stations", "hollowed", "both sides are roughed before either is finished: wood moves as it is opened", "wall by calliper at each station, from the rim inwards", 50, 0, {"lathe"});
        next("fine", Action::Turn, "Finish the wall to the template", "turned", "the last cuts go on a shape that has already moved", "light cuts, sharp edge", 30, 0, {"lathe"});
        next("sand", Action::Sand, "Sand", "sanded", "through the grits, none left out", "tool rest taken off first; dust extraction and mask", 30, 0, {"lathe"});
        if (piece_.nest.on) {
            const auto rings = nestedRings(piece_.nest);
            for (size_t k = 0; k < rings.size(); ++k)
                next("ring-" + number(k), Action::PartOff, "Part ring " + number(k) + ", Ø " + fixed(rings[k].outer, 1) + " / " + fixed(rings[k].inner, 1) + " mm", "after-ring-" + number(k),
                     "the outermost first: what is left stays held in the middle", "groove outside Ø " + fixed(rings[k].inner, 1) + " mm, " + fixed(piece_.nest.tool, 1) + " mm tool, in steps, widened a little so that the blade does not bind; catch the ring on a dowel, not by hand", 8, 0, {"lathe"});
        }
        next("finish", Action::Finish, "Put on the finish", "finished", "inside and outside alike, so that both take up moisture at the same pace", "spread oily rags flat outdoors to dry: heaped, they can catch fire by themselves", 20, shop_.finishMinutes, {});
        next("part-off", Action::PartOff, "Part off from the waste block and finish the foot", "piece", "last: until now the block held the piece true", "parting tool, then hand sanding", 15, 0, {"lathe"});
    }

    const Piece& piece_;
    const Shop& shop_;
    const Sides& sides_;
    const Assembly& a_;
    Recipe recipe_;
};

}  // namespace

Recipe stackRecipe(const Piece& piece, const Shop& shop, const Sides& sides, const Assembly& assembly) { return StackWriter(piece, shop, sides, assembly).write(); }

}  // namespace vl
