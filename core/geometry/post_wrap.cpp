#include "core/geometry/post_wrap.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>

namespace vl {

double PostWrap::postDiagonal() const { return side * std::sqrt(2.0); }

void checkPostWrap(const PostWrap& w)
{
    if (!(w.side > 0)) throw InputError("side", exact(w.side), "more than 0 mm is");
    if (!(w.wrap > 0)) throw InputError("wrap", exact(w.wrap), "more than 0 mm is");
    if (!(w.bore >= 0) || !(w.bore < w.blankSide()))
        throw InputError("bore", exact(w.bore), "0 mm up to the blank's side, " + exact(w.blankSide()) + " mm, is");
}

}  // namespace vl
