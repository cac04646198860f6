#include "core/plan/film.h"

#include "core/picture/held_work.h"

#include <algorithm>

namespace vl {

void showHolding(const Piece& piece, const Shop& shop, const Plan& plan, size_t count, Mesh& mesh)
{
    const auto step = [&](size_t k) -> const Step& { return plan.assembly.recipe[plan.schedule.order[k]]; };
    if (count == 0 || count > plan.schedule.order.size()) return;
    const Step& now = step(count - 1);
    if (!now.held.set && !now.occupies(Resource::Lathe)) return;
    for (size_t k = count; k-- > 0;) {
        if (!step(k).held.set) continue;
        const auto mount = std::ranges::find(plan.mounts, step(k).id, &Mount::id);
        if (mount == plan.mounts.end()) return;
        const Held& held = mount->held;
        const Range span = held.to > 0 ? Range{held.from, held.to} : Range{0, outlineHeight(piece)};
        return addHolding(mesh, held, span, mount->sweep, shop);
    }
}

}  // namespace vl
