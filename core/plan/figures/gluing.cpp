#include "core/plan/figures/gluing.h"

#include "core/recipe/cure.h"
#include "core/wood/filler.h"
#include "core/words/glue.h"

#include <algorithm>
#include <cmath>
#include <unordered_map>

namespace vl {
namespace {

bool anyOily(const GlueJoint& j)
{
    return std::ranges::any_of(j.woods, [](const Species* s) { return s->oily; });
}

bool anyMetal(const GlueJoint& j)
{
    return std::ranges::any_of(j.woods, [](const Species* s) { return isMetal(*s); });
}

const Glue* byId(const std::vector<Glue>& book, const std::string& id)
{
    const auto it = std::ranges::find(book, id, &Glue::id);
    return it == book.end() ? nullptr : &*it;
}

/// What spreading may use of a glue's open time, so that some is left to close the clamp: own cautious value. What sets
/// at once, or only tacks, is spread a spot at a time.
double timeToSpread(const Glue& g)
{
    constexpr double share = 0.6, atOnce = 2;  // minutes
    return g.temporary || g.openMinutes < atOnce ? g.openMinutes : share * g.openMinutes;
}

const Glue* suggestion(const Shop& shop, const GlueJoint& joint)
{
    const Glue* inTime = nullptr;
    for (const Glue& g : shop.glues) {
        if (!suits(g, joint, shop.temperature)) continue;
        if (timeToSpread(g) >= joint.spreadMinutes) return &g;
        if (!inTime || g.openMinutes > inTime->openMinutes) inTime = &g;
    }
    if (inTime) return inTime;
    // In a shop too cold for all of them: what would suit if it were warm.
    for (const Glue& g : shop.glues)
        if (suits(g, joint, (g.leastCelsius + g.mostCelsius) / 2) && timeToSpread(g) >= joint.spreadMinutes) return &g;
    return &shop.glues.front();
}

}  // namespace

bool suits(const Glue& g, const GlueJoint& joint, double celsius, std::vector<Text>* why)
{
    std::vector<Text> reasons;
    auto against = [&](bool holds, auto&&... said) {
        if (holds) reasons.push_back(says(std::forward<decltype(said)>(said)...));
    };
    const bool block = joint.faces == JointFaces::Block;
    const Quantity now{celsius, Unit::Count, 0};
    against(anyOily(joint) && !g.oily, words::notOily, g.name);
    against(anyMetal(joint) && (g.water || g.temporary), words::notOnMetal, g.name);
    against(block && !g.block, g.temporary ? words::lightCutsOnly : words::notApart, g.name);
    against(g.foams && joint.open, words::foamsIntoGaps, g.name);
    against(g.foams && joint.faces == JointFaces::MiteredEnds, words::foamsMitres, g.name);
    against(joint.faces == JointFaces::Veneer && !g.veneer, words::notVeneer, g.name);
    against(joint.faces == JointFaces::EndGrain && !g.endGrain, words::endGrainDry, g.name);
    against(joint.faces == JointFaces::EndToLong && !g.endGrain, words::oneEndGrain, g.name);
    against(!block && g.temporary, words::comesApart, g.name);
    against(!block && joint.area > 4000 && g.openMinutes < 1, words::setsTooSoon, g.name);
    against(celsius < g.leastCelsius, words::tooCold, now, g.name, Quantity{g.leastCelsius, Unit::Count, 0});
    against(celsius > g.mostCelsius, words::tooWarm, now, g.name);
    if (why) why->insert(why->end(), reasons.begin(), reasons.end());
    return reasons.empty();
}

namespace {

Quantity minutes(double v) { return {v, Unit::Minutes, 0}; }

/// What is to be said of a glue at a joint: what speaks against it, and what to mind with it.
void judge(const Glue& glue, const GlueJoint& j, double celsius, JointGlue& said)
{
    suits(glue, j, celsius, &said.troubles);
    const Text joints = j.joints == 1 ? says(words::oneJoint) : says(words::manyJoints, j.joints);
    const Quantity open{glue.openMinutes, Unit::Count, 1};
    if (glue.openMinutes < j.spreadMinutes)
        said.troubles.push_back(says(words::twoGoes, joints, minutes(j.spreadMinutes), glue.name, open));
    else if (timeToSpread(glue) < j.spreadMinutes)
        said.troubles.push_back(
            says(words::littleTimeLeft, joints, Quantity{j.spreadMinutes, Unit::Minutes, 1}, glue.name, open));
    for (const Species* s : j.woods)
        if (s->oily) said.advice.push_back(says(words::wipeOily, s->name));
    if (j.faces == JointFaces::Veneer && glue.water) said.advice.push_back(says(words::pressSheet));
    if (j.faces == JointFaces::EndGrain && glue.water) said.advice.push_back(says(words::sizeBoth));
    if (j.faces == JointFaces::Block) said.advice.push_back(says(words::comesApartBy, glue.release));
    if (!glue.note.empty()) said.advice.push_back(says({"%1"}, glue.note));
}

/// Puts the chosen glue first in how a step is done.
void tell(Step& s, const Glue& glue, const std::vector<Text>& advice)
{
    const Setting grams{.name = "glue",
                        .value = s.glue.grams,
                        .unit = Unit::Mass,
                        .formula = "spread · area",
                        .source = "common practice",
                        .decimals = s.glue.grams < 9.95 ? 1 : 0};
    const Setting open{.name = "open time",
                       .value = glue.openMinutes,
                       .unit = Unit::Minutes,
                       .source = "the glue book",
                       .decimals = glue.openMinutes < 2 ? 1 : 0};
    const bool measured = grams.value > 0;  // not what comes from a gun or a roll
    if (measured) s.settings.push_back(grams);
    s.settings.push_back(open);
    Text how = measured ? says(words::glueOpen, grams, glue.name, open) : says(words::glueByEye, glue.name, open);
    s.how = how.also(std::move(s.how));
    for (const Text& a : advice) s.how.also(a);
}

}  // namespace

GluedRecipe withGlue(const Piece& piece, const Shop& shop, Recipe recipe)
{
    GluedRecipe out;
    struct Times {
        double clamp = 0, light = 0, heavy = 0;  // minutes from the glue-up
    };
    std::unordered_map<std::string, Times> timesOf, cureAfter;  // by the gluing step, and by the wait in the clamp
    for (size_t i = 0; i < recipe.size(); ++i) {
        Step& s = recipe[i];
        if (s.action != Action::Glue || s.glue.joints == 0) continue;
        GlueJoint& j = s.glue;
        j.spreadMinutes = (0.25 * j.joints + j.area / 20000) / j.closings;
        const Glue* suggested = suggestion(shop, j);
        const auto own = std::ranges::find(piece.glues, s.id, &GlueChoice::step);
        const Glue* chosen = own == piece.glues.end() ? nullptr : byId(shop.glues, own->glue);
        const Glue& glue = chosen ? *chosen : *suggested;
        JointGlue g{.step = i,
                    .glue = glue.id,
                    .name = glue.name,
                    .suggested = suggested->id,
                    .suggestedName = suggested->name,
                    .openMinutes = glue.openMinutes,
                    .troubles = {},
                    .advice = {}};
        judge(glue, j, shop.temperature, g);
        j.glue = glue.id;
        j.grams = glue.spread > 0 ? std::max(glue.leastGrams, glue.spread * j.area / 1e6) : 0;
        const double slow = coldFactor(glue, shop.temperature);
        const double clamp = glue.clampMinutes * slow * (j.faces == JointFaces::Veneer && glue.water ? 4 : 1);
        j.machineMinutes = glue.machineMinutes * slow;
        j.lightMinutes = piece.choices.curedFully ? j.machineMinutes : std::max(clamp, lightAfter(glue) * slow);
        timesOf[s.id] = {clamp, j.lightMinutes, j.machineMinutes};
        tell(s, glue, g.advice);
        out.joints.push_back(std::move(g));
    }
    for (Step& s : recipe) {
        if (s.action != Action::Wait || s.after.size() != 1) continue;
        if (const auto glued = timesOf.find(s.after[0]); glued != timesOf.end()) {
            s.waitMinutes = glued->second.clamp;
            cureAfter[s.id] = glued->second;
        } else if (const auto held = cureAfter.find(s.after[0]); held != cureAfter.end() && s.cure) {
            const Times& times = held->second;
            s.waitMinutes = std::max(0.0, (s.cure == Step::ForLight ? times.light : times.heavy) - times.clamp);
        }
    }
    // Cures that nothing waits for go: the places of the joints' steps change with them.
    std::vector<std::string> ids;
    for (const JointGlue& g : out.joints) ids.push_back(recipe[g.step].id);
    out.recipe = withCures(std::move(recipe));
    std::unordered_map<std::string, size_t> place;
    for (size_t i = 0; i < out.recipe.size(); ++i) place[out.recipe[i].id] = i;
    for (size_t k = 0; k < ids.size(); ++k) out.joints[k].step = place.at(ids[k]);
    return out;
}

}  // namespace vl
