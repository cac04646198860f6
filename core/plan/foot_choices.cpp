#include "core/plan/foot_choices.h"

#include "core/holding/foot_hold.h"
#include "core/process/assemble.h"
#include "core/words/turn.h"

#include <algorithm>

namespace vl {

std::vector<FootChoice> footChoices(const Piece& piece, const Shop& shop)
{
    std::vector<FootChoice> all;
    if (!isWholeBlock(piece)) return all;
    for (size_t k = 0; k < choicesOf<FootMethod>().size(); ++k) {
        Piece as = piece;
        as.choices.foot = static_cast<FootMethod>(k);
        const TurnedSurfaces surfaces = turnedSurfacesOf(as);
        const Assembly assembly = assemble(as, shop, surfaces);
        const Shape shape = measureShape(as, assembly, surfaces);
        const FootHold foot = footHold(as, shop, surfaces);
        FootChoice c{.method = as.choices.foot, .waste = endWaste(as, shop, surfaces).foot};
        const Part& block = assembly.parts[0];
        c.volume = c.waste * block.width * (isVessel(as) ? block.thickness : block.length);
        for (const Step& s : assembly.recipe) c.minutes += s.workMinutes;
        const std::vector<Mount> mounts = mountsOf(as, shop, assembly, surfaces, shape, {});
        c.holds =
            foot.fits && foot.left > 0 && std::ranges::all_of(mounts, [](const Mount& m) { return m.proof.holds; });
        c.leaves = says(c.method == FootMethod::Tenon    ? words::leavesNothing
                        : c.method == FootMethod::Recess ? words::leavesRecess
                                                         : words::leavesHoles);
        all.push_back(std::move(c));
    }
    return all;
}

}  // namespace vl
