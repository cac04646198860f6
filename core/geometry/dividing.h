#pragma once

#include <vector>

namespace vl {

// Dividing a turn on an index plate.

/// One of the marks of a division: the hole it falls on, or is nearest to.
struct IndexMark {
    int hole = 0;         ///< counted from 0
    double wanted = 0;    ///< degrees from the first
    double errorDeg = 0;  ///< the hole's angle less the wanted one
};

/// The holes for equal divisions of a turn on a plate of `holes`, the first in hole `start`; a tie goes to the lower
/// one. Throws InputError outside 1 … 3600 divisions, 1 … 3600 holes and 0 … holes − 1.
std::vector<IndexMark> dividedOn(int divisions, int holes, int start = 0);

/// The marks of equal divisions: on a plate, or where `holes` is 0 by angle; then their hole is −1.
std::vector<IndexMark> laidOut(int divisions, int holes, int start = 0);

/// Whether every mark falls on a hole of its own.
bool isExact(const std::vector<IndexMark>& marks);

/// The plates, of those that lathes and their wheels commonly have, that divide exactly (CONTRACT's list).
std::vector<int> platesFor(int divisions);

/// The marks of steps given in holes, as 2, 2, 2, 3, 3 of 12; wanted is where equal divisions would stand. Throws
/// InputError where a step is below 1 or they do not come round once.
std::vector<IndexMark> steppedOn(const std::vector<int>& steps, int holes, int start = 0);

/// Radii of the rings of a grid with `divisions` spokes whose cells are `aspect` times as long along the radius as they
/// are wide at middle radius, from `outer` inwards, rings + 1 of them: r' / r = (1 − aspect·π/n) / (1 + aspect·π/n).
/// Plane geometry. Throws InputError where no such cell is.
std::vector<double> gridRadii(int divisions, double outer, double aspect, int rings);

}  // namespace vl
