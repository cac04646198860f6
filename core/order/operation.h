#pragma once

#include "core/recipe/bench.h"

#include <functional>

namespace vl {

/// What is done to one workpiece at the lathe, as far as its place in the order asks. Of two that no rule orders, the
/// one that stands first here comes first.
enum class Work {
    Bore,  ///< right through, while both ends are free
    Rough,
    Grip,      ///< what a later mounting holds: a tenon, a recess
    FillWeak,  ///< cracks
    LastOutside,
    Undercut,  ///< under what overhangs
    SandOutside,
    MarkDepth,  ///< lines that another axis cuts down to
    Side,       ///< on another axis, and sanded
    StartBore,
    ThinBand,  ///< of what is half air
    Hollow,
    SandInside,
    Fit,       ///< of two parts that fit, the second
    LastCuts,  ///< both sides, on what has moved
    LetIn,     ///< holes, grooves and what goes into them
    Sand,
    IndexWork,  ///< flutes, facets and grids on what is sanded
    Ease,       ///< what fits, to its fit in use
    PartOff,
    FreeFoot,  ///< what held the foot is turned away
    Dry,
    SandAtRest,
    OnceFree,  ///< legs, openings, holes in the foot
    Finish
};

/// What has to be free or turning for it.
enum class Access {
    AtRest,   ///< nothing turns: held or not
    Turning,  ///< about the true axis
    Outside,  ///< the tool comes at the outside
    Rim,      ///< it comes at the rim's end, or in by it
    Foot,     ///< it comes at the foot's end
    SetUp     ///< it turns about the axis of a set-up
};

/// One thing to do, before its place is known.
struct Operation {
    Work work;
    Access access = Access::Turning;
    int number = 0;  ///< of several alike: which band from the tip inwards, which set-up
    std::function<WorkItem(Bench&, const WorkItem&)> write;
};

/// How far the work has come when it is mounted.
struct Moment {
    bool first = true;   ///< nothing has held it before
    bool round = false;  ///< it has been turned round
};

/// One way to hold the workpiece, which is taken or left.
struct Mounting {
    bool standing = false;          ///< holds it already: what it was built on
    bool rimToHead = false;         ///< its rim's end stands to the headstock
    bool center = false;            ///< a center stands before the end that the headstock does not hold
    int setUp = -1;                 ///< the set-up on another axis that it is for
    std::vector<Work> only{};       ///< what it holds well enough for; empty: everything
    std::vector<Work> needs{};      ///< what must have been done, as far as it is done at all
    std::vector<Work> spoiledBy{};  ///< what would bear its marks, or takes the wood that it holds
    std::function<WorkItem(Bench&, const WorkItem&, const Moment&)> write{};

    bool serves(const Operation& operation) const;
};

/// What the turner has chosen of the order.
struct Manner {
    bool bothRoughed = false;   ///< both sides are roughed before either is finished; not with sides on other axes
    bool finishedHeld = false;  ///< the finish goes on before the piece is freed
};

}  // namespace vl
