#pragma once

#include "core/workpiece/openings.h"

namespace vl {

/// What of an opening is taken hold of on the unrolled skin. Places are along the skin and round it from the opening's
/// middle, mm, as in Opening::flat.
struct OpeningHandle {
    enum What { LowerEnd, UpperEnd, Side, Swing, Corner } what = Side;
    size_t corner = 0;  ///< of one that is drawn by hand
    Point at{0, 0};
};
std::vector<OpeningHandle> openingHandles(const Worked& worked, const Opening& opening);

/// The handle dragged to another place; unchanged where that cannot be, as when an outline would cross itself.
Worked dragged(const Worked& worked, const Opening& opening, const TurnedSurfaces& surfaces,
               const OpeningHandle& handle, const Point& to);

/// A corner more, half way on to the next; one less, as long as three stay.
Worked cornerAdded(Worked worked, size_t after);
Worked cornerRemoved(Worked worked, size_t corner);

}  // namespace vl
