#include "core/plan/cautions/judge.h"

#include <algorithm>
#include <map>

namespace vl {
namespace {

/// One caution for each reason why a glue will not hold, whatever the number of joints it bites.
void gluing(const Case& in, std::vector<Caution>& out)
{
    std::map<std::string, std::vector<const JointGlue*>> reasons;
    for (const JointGlue& g : in.plan.glues)
        for (const Text& why : g.troubles) reasons[print(why, in.style)].push_back(&g);
    for (const auto& [why, joints] : reasons) {
        const Step& first = in.plan.assembly.recipe[joints[0]->step];
        Caution c;
        c.called("glue", first.id);
        for (int k = 2; std::ranges::find(out, c.id, &Caution::id) != out.end(); ++k)
            c.called("glue", first.id + "-" + std::to_string(k));
        c.level = Level::Care;
        c.at = print(first.title, in.style);
        if (joints.size() > 1) c.at = std::to_string(joints.size()) + " joints, first: " + c.at;
        c.layer = first.layer;
        c.z = first.layer >= 0 ? (in.built(first.layer).z0 + in.built(first.layer).z1) / 2 : 0;
        c.measure = first.glue.spreadMinutes;
        c.limit = joints[0]->openMinutes;
        c.unit = "min";
        c.message = why;
        if (joints[0]->suggested != joints[0]->glue) {
            std::vector<std::string> steps;
            for (const JointGlue* g : joints) steps.push_back(in.plan.assembly.recipe[g->step].id);
            c.fixes.push_back(pieceFix("take " + joints[0]->suggestedName + " instead", [steps](Piece& q) {
                std::erase_if(q.glues,
                              [&](const GlueChoice& g) { return std::ranges::find(steps, g.step) != steps.end(); });
            }));
        }
        out.push_back(c);
    }
}

}  // namespace

void glueCautions(const Case& in, std::vector<Caution>& out) { gluing(in, out); }

}  // namespace vl
