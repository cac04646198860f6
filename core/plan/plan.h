#pragma once

#include "core/holding/speed.h"
#include "core/holding/station.h"
#include "core/plan/cautions/caution.h"

namespace vl {

struct LathePlan {
    double roughRadius = 0;  ///< mm, to the farthest corner of the blank
    Balance roughBalance = Balance::Round;
    SpeedRange rough, finished;  ///< rpm, within what the lathe can do
    double swingClearance = 0;   ///< mm left between the blank and the bed
};

/// Everything that follows from a piece and a shop. A pure function of the two.
struct Plan : Scheduled {
    std::vector<Station> stations;
    LathePlan lathe;
    std::vector<Caution> cautions;

    bool mustStop() const;
    const RingCut* cutOf(int layer) const;
};

/// Plans a piece that checkPiece() accepts, in a shop that checkShop() accepts; throws their InputError where not.
/// `now` is what the shop's clock says, minutes since 1970-01-01 00:00: what is not done yet is not planned before it.
/// 0: before everything.
Plan makePlan(const Piece& piece, const Shop& shop, LengthStyle style = {}, double now = 0);

}  // namespace vl
