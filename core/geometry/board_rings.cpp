#include "core/geometry/board_rings.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <cmath>

namespace vl {

double BoardRings::step() const { return board / std::tan(angleDeg * degrees); }
double BoardRings::ringWidth() const { return step() - kerf / std::sin(angleDeg * degrees); }
double BoardRings::wall() const { return board * std::cos(angleDeg * degrees) - kerf; }
double BoardRings::scribed(int i) const { return outer / 2 + flatten / std::tan(angleDeg * degrees) - i * step(); }
double BoardRings::scribedBelow(int i) const { return scribed(i) - planed() / std::tan(angleDeg * degrees); }
double BoardRings::cutDepth() const { return planed() / std::sin(angleDeg * degrees); }
double BoardRings::wallStretch(double angleDeg) { return 1 / std::cos(angleDeg * degrees); }

std::vector<double> BoardRings::radii() const
{
    std::vector<double> all;
    for (int i = 0; i < 1000; ++i) {
        // The first is always there: a board gives at least its one disc.
        if (i > 0 && outer / 2 - (i + 1) * step() < base / 2 - 1e-9) break;
        all.push_back(scribed(i));
    }
    return all;
}

std::vector<double> BoardRings::lowerRadii() const
{
    std::vector<double> all;
    for (size_t i = 0; i < radii().size(); ++i) all.push_back(scribedBelow(static_cast<int>(i)));
    return all;
}

double boardRingAngleDeg(double board, double wall, double kerf)
{
    if (!(board > 0)) throw InputError("board", exact(board), "a thickness above 0 mm is");
    if (!(wall > 0) || !(wall + kerf < board))
        throw InputError("wall", exact(wall),
                         "more than 0 mm and less than the board less the kerf, " + exact(board - kerf) + " mm, is");
    return std::acos((wall + kerf) / board) / degrees;
}

void checkBoardRings(const BoardRings& b)
{
    if (!(b.board > 0)) throw InputError("board", exact(b.board), "a thickness above 0 mm is");
    if (!(b.angleDeg >= 10 && b.angleDeg <= 85)) throw InputError("angle", exact(b.angleDeg), "10° to 85° is");
    if (!(b.kerf >= 0) || !(b.wall() > 0))
        throw InputError("kerf", exact(b.kerf),
                         "0 mm up to less than t · cos φ, " + exact(b.wall() + b.kerf) + " mm, is");
    if (!(b.base >= 0) || !(b.base < b.outer))
        throw InputError("base", exact(b.base), "0 mm up to the outside diameter, " + exact(b.outer) + " mm, is");
    if (b.outer / 2 <= b.step())
        throw InputError("outer", exact(b.outer),
                         "more than twice what one cut leans, " + exact(2 * b.step()) + " mm, is");
    const double most = b.outer - 2 * b.step();
    if (b.base > most + 1e-9)
        throw InputError("base", exact(b.base),
                         "0 mm up to what the outermost cut leaves on the lower face, " + exact(most) + " mm, is");
}

int ringsUntilLost(double stripe, double radius, double rotateDeg)
{
    if (rotateDeg == 0 || radius <= 0) return 0;
    for (int n = 1; n < 1000; ++n)
        if (2 * radius * std::sin(std::min(90.0, std::abs(n * rotateDeg) / 2) * degrees) >= stripe / 2) return n;
    return 0;
}

}  // namespace vl
