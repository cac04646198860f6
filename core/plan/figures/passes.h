#pragma once

#include "core/blank/shape.h"
#include "core/plan/figures/cut.h"
#include "core/plan/figures/gluing.h"
#include "core/plan/figures/mounts.h"
#include "core/plan/figures/overlap.h"
#include "core/plan/schedule/schedule.h"
#include "core/workpiece/axis_report.h"

namespace vl {

// A plan in the order in which it comes about: a pass takes what the pass before it made, and can take nothing less.

/// The blank is laid out; the recipe has every step, each as long as it takes in this shop.
struct Drafted {
    TurnedSurfaces surfaces;
    Assembly assembly;
    Shape shape;
    CutPlan cuts;
    std::vector<Overlap> overlaps;
    Finish finish;  ///< of the shop's book, that the piece is finished by
};

/// What holds the work at each mounting is found and said in its steps.
struct Equipped : Drafted {
    std::vector<AxisSetUp> setUps;  ///< on other axes, in the order of TurnedSurfaces
    std::vector<AxisReport> axes;   ///< of each of the piece's other axes
    std::vector<Mount> mounts;
};

/// Every joint has its glue, and the recipe the times that the glue asks for.
struct Glued : Equipped {
    std::vector<JointGlue> glues;
};

/// Every step has its place in the shop's time.
struct Scheduled : Glued {
    Schedule schedule;
};

}  // namespace vl
