#include "core/plan/gluing.h"

#include "core/measure/format.h"

#include <algorithm>
#include <cmath>
#include <unordered_map>

namespace vl {
namespace {

bool anyOily(const GlueJoint& j)
{
    return std::ranges::any_of(j.woods, [](const Species* s) { return s->oily; });
}

const Glue* byId(const std::vector<Glue>& book, const std::string& id)
{
    const auto it = std::ranges::find(book, id, &Glue::id);
    return it == book.end() ? nullptr : &*it;
}

const Glue* suggestion(const Shop& shop, const GlueJoint& joint)
{
    const Glue* inTime = nullptr;
    for (const Glue& g : shop.glues) {
        if (!suits(g, joint, shop.temperature)) continue;
        if (g.openMinutes >= joint.spreadMinutes) return &g;
        if (!inTime || g.openMinutes > inTime->openMinutes) inTime = &g;
    }
    if (inTime) return inTime;
    // In a shop too cold for all of them: what would suit if it were warm.
    for (const Glue& g : shop.glues)
        if (suits(g, joint, (g.leastCelsius + g.mostCelsius) / 2) && g.openMinutes >= joint.spreadMinutes) return &g;
    return &shop.glues.front();
}

}  // namespace

bool suits(const Glue& g, const GlueJoint& joint, double celsius, std::vector<std::string>* why)
{
    std::vector<std::string> reasons;
    if (anyOily(joint) && !g.oily && joint.faces != JointFaces::Temporary) reasons.push_back(g.name + " does not hold on oily wood: its oil keeps the glue off");
    switch (joint.faces) {
    case JointFaces::Temporary:
        if (!g.temporary) reasons.push_back("this joint must come apart again, and " + g.name + " does not");
        if (g.temporary && joint.area > 2000 && g.machineMinutes < 60) reasons.push_back(g.name + " holds for light cuts only, and this joint carries the whole stack");
        break;
    case JointFaces::Veneer:
        if (!g.veneer) reasons.push_back(g.name + " grabs before a sheet lies flat, or lets it curl");
        break;
    case JointFaces::EndGrain:
        if (!g.endGrain) reasons.push_back("end grain drinks " + g.name + " until the joint is dry");
        break;
    case JointFaces::EndToLong:
        if (!g.endGrain) reasons.push_back("one face is end grain, which drinks " + g.name + "; and the joint moves with the seasons");
        break;
    default:
        break;
    }
    if (joint.faces != JointFaces::Temporary && g.temporary) reasons.push_back(g.name + " comes apart again: it is no glue for a joint that stays");
    if (joint.faces != JointFaces::Temporary && joint.area > 4000 && g.openMinutes < 1) reasons.push_back(g.name + " sets before so large a joint is closed");
    if (celsius < g.leastCelsius) reasons.push_back("at " + fixed(celsius, 0) + " °C " + g.name + " does not set to its strength; it wants " + fixed(g.leastCelsius, 0) + " °C or more");
    if (celsius > g.mostCelsius) reasons.push_back("at " + fixed(celsius, 0) + " °C " + g.name + " skins over before the joint is closed");
    if (why) why->insert(why->end(), reasons.begin(), reasons.end());
    return reasons.empty();
}

GluedRecipe withGlue(const Piece& piece, const Shop& shop, Recipe recipe)
{
    GluedRecipe out;
    double machining = 0;
    std::unordered_map<std::string, double> clampOf;  // minutes, of each gluing step
    for (size_t i = 0; i < recipe.size(); ++i) {
        Step& s = recipe[i];
        if (s.action != Action::Glue || s.glue.joints == 0) continue;
        GlueJoint& j = s.glue;
        j.spreadMinutes = 0.25 * j.joints + j.area / 20000;
        const Glue* suggested = suggestion(shop, j);
        const auto own = std::ranges::find(piece.glues, s.id, &GlueChoice::step);
        const Glue* chosen = own == piece.glues.end() ? nullptr : byId(shop.glues, own->glue);
        const Glue& glue = chosen ? *chosen : *suggested;
        JointGlue g{i, glue.id, glue.name, suggested->id, suggested->name, glue.openMinutes, {}, {}};
        suits(glue, j, shop.temperature, &g.troubles);
        if (glue.openMinutes < j.spreadMinutes)
            g.troubles.push_back("spreading " + std::to_string(j.joints) + (j.joints == 1 ? " joint" : " joints") + " takes about " + fixed(j.spreadMinutes, 0) + " min and " + glue.name + " stays open " +
                                 fixed(glue.openMinutes, 1) + ": glue it in two goes");
        if (anyOily(j)) g.advice.push_back("wipe the oily faces with solvent and glue within minutes; gloves, fresh air, no flame");
        if (j.faces == JointFaces::Veneer && glue.water) g.advice.push_back("the sheet curls with the glue's water: press it between flat cauls with paper, four times as long as a ring joint");
        if (j.faces == JointFaces::EndGrain && glue.water) g.advice.push_back("size both faces first with a thin coat, ten minutes, then glue");
        if (j.faces == JointFaces::Temporary) g.advice.push_back("comes apart by: " + glue.release + "; light cuts, tailstock up as long as it can be");
        if (!glue.note.empty()) g.advice.push_back(glue.note);
        j.glue = glue.id;
        j.grams = glue.spread * j.area / 1e6;
        const double slow = coldFactor(glue, shop.temperature), clamp = glue.clampMinutes * slow * (j.faces == JointFaces::Veneer && glue.water ? 4 : 1);
        if (!glue.temporary) machining = std::max(machining, glue.machineMinutes * slow);
        if (s.waitMinutes > 0) s.waitMinutes = clamp;
        clampOf[s.id] = clamp;
        s.how = (j.grams >= 0.5 ? fixed(j.grams, 0) + " g of " : std::string("a little ")) + glue.name + ", open " + fixed(glue.openMinutes, glue.openMinutes < 2 ? 1 : 0) + " min; " + s.how;
        out.joints.push_back(std::move(g));
    }
    for (Step& s : recipe) {
        if (s.action != Action::Wait) continue;
        if (s.id == "cure")
            s.waitMinutes = machining;
        else if (s.after.size() == 1)
            if (const auto it = clampOf.find(s.after[0]); it != clampOf.end()) s.waitMinutes = it->second;
    }
    out.recipe = std::move(recipe);
    return out;
}

}  // namespace vl
