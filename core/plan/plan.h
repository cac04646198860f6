#pragma once

#include "core/holding/speed.h"
#include "core/holding/station.h"
#include "core/plan/cautions/caution.h"
#include "core/plan/figures/gluing.h"
#include "core/plan/figures/mounts.h"
#include "core/plan/schedule/schedule.h"
#include "core/workpiece/axis_report.h"

namespace vl {

struct LathePlan {
    double roughRadius = 0;  ///< mm, to the farthest corner of the blank
    Balance roughBalance = Balance::Round;
    SpeedRange rough, finished;  ///< rpm, within what the lathe can do
    double swingClearance = 0;   ///< mm left between the blank and the bed
};

/// Everything that follows from a piece and a shop. A pure function of the two.
struct Plan {
    Sides sides;
    Assembly assembly;
    Shape shape;
    CutPlan cuts;
    std::vector<Overlap> overlaps;
    std::vector<JointGlue> glues;
    Schedule schedule;
    std::vector<Station> stations;
    LathePlan lathe;
    std::vector<AxisSetUp> setUps;  ///< on other axes, in the order of Sides
    std::vector<AxisReport> axes;   ///< of each of the piece's other axes
    std::vector<Mount> mounts;
    Finish finish;  ///< of the shop's book, that the piece is finished by
    std::vector<Caution> cautions;

    bool mustStop() const;
    const RingCut* cutOf(int layer) const;
};

/// Plans a piece that checkPiece() accepts, in a shop that checkShop() accepts; throws their InputError where not.
/// `now` is what the shop's clock says, minutes since 1970-01-01 00:00: what is not done yet is not planned before it.
/// 0: before everything.
Plan makePlan(const Piece& piece, const Shop& shop, LengthStyle style = {}, double now = 0);

}  // namespace vl
