#include "core/plan/extras.h"

#include "core/process/inlay_recipe.h"
#include "core/wood/filler.h"
#include "core/words/inlay.h"
#include "core/workpiece/inlay_sides.h"

namespace vl {

std::vector<Extra> extrasOf(const Piece& piece, const TurnedSurfaces& surfaces)
{
    const auto mm = [](double v) { return Quantity{v, Unit::Length, 1}; };
    std::vector<Extra> all;
    for (const Bought& b : piece.bought)
        all.push_back({nameOf(b), "", b.count, says(words::acrossAndLong, mm(b.diameter), mm(b.length))});
    for (size_t i = 0; i < piece.holes.size(); ++i) {
        const Hole& h = piece.holes[i];
        if (!h.filled) continue;
        constexpr double spare = 10;  // mm of a rod at each end; own value
        double longest = 0;
        for (const DrilledHole& d : surfaces.holes)
            if (d.hole == i && !d.solid.profile.empty()) longest = std::max(longest, d.full);
        const Species& of = fillingOf(h.fill);
        if (isPacked(of) || longest <= 0) continue;
        all.push_back(
            {"rod", of.name, h.count, says(words::acrossAndLong, mm(h.diameter - h.fit), mm(longest + 2 * spare))});
    }
    for (const Inlay& f : piece.inlays) {
        const InlayPlace at = placeOf(f, surfaces);
        if (!at.meetsWood) continue;
        if (f.kind != Inlay::Crack && f.set != Inlay::None)
            all.push_back({f.set == Inlay::Rounds ? "round piece" : "block", fillingOf(f.wood).name, f.count,
                           says(words::acrossAndLong, mm(f.piece), mm(at.pieceLength))});
        const Filling filling = fillingOf(f, at);
        all.push_back(
            {"filler", fillingOf(f.filler).name, 1, says(words::byMass, Quantity{filling.filler, Unit::Mass, 0})});
    }
    return all;
}

}  // namespace vl
