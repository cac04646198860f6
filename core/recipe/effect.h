#pragma once

#include "core/geometry/region.h"

#include <variant>

namespace vl {

/// What a step does to the wood. Who writes a step says only this; everything that follows from it (sweep, grip, reach,
/// weight, what is drawn) is read off the workpiece that core/workpiece/run.h makes of it.
namespace effect {

/// The wood stays as it is: marked, measured, mounted, waited for.
struct None {};

/// Made one body of what goes in.
struct Join {};

/// Wood that is not the piece's: a waste block, a glued-on tenon.
struct Bring {
    Region wood;
};

/// A region turned away about the true axis; a bit along the axis turns too. Stations are the piece's: below 0 is waste
/// at the foot, above its height waste at the rim.
struct Turn {
    enum Side { Outside, Inside, Foot } side = Outside;
    Region away;
};

/// The side that a set-up on another axis gives.
struct TurnAxis {
    size_t setUp = 0;
};

/// What saw, drill or cutter takes: solids that the turned surfaces keep under this step's id.
struct Remove {};

/// Wood, metal, filler or color let in or put on at its place, known under this step's id.
struct LetIn {};

/// Cut through on the lathe: the first output is what goes on, or the box, the last the rest, or the lid.
struct Part {
    enum What {
        Off,   ///< what held it is scrap
        Lid,   ///< both are turned on
        Thin,  ///< an offcut off its layer
        Nest,  ///< one ring of a nest
        Ends   ///< one ring into two layers
    } what = Off;
    Range stays{};              ///< stations of what goes on, mm; of a lid where the cut begins and where it ends;
                                ///< of a nest the groove, by its radii
    std::vector<int> layers{};  ///< of Ends: whose wood each output is, by its place in the piece
};

/// Parts that are turned inside out: the first turning, and put together the other way.
struct TurnFirst {};
struct Reassemble {};

/// Halves that come apart, and that are glued again with one of them turned on.
struct Open {};
struct TurnOn {};

/// What is bought goes on.
struct Fit {};

}  // namespace effect

using Effect = std::variant<effect::None, effect::Join, effect::Bring, effect::Turn, effect::TurnAxis, effect::Remove,
                            effect::LetIn, effect::Part, effect::TurnFirst, effect::Reassemble, effect::Open,
                            effect::TurnOn, effect::Fit>;

}  // namespace vl
