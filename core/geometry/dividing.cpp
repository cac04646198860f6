#include "core/geometry/dividing.h"

#include "core/geometry/point.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"

#include <array>
#include <cmath>
#include <numeric>
#include <set>
#include <string>

namespace vl {
namespace {

void within(const char* field, int value, int low, int high)
{
    if (value < low || value > high)
        throw InputError(field, std::to_string(value), std::to_string(low) + " to " + std::to_string(high) + " is");
}

}  // namespace

std::vector<IndexMark> dividedOn(int divisions, int holes, int start)
{
    within("divisions", divisions, 1, 3600);
    within("holes", holes, 1, 3600);
    within("start", start, 0, holes - 1);
    std::vector<IndexMark> marks;
    for (int k = 0; k < divisions; ++k) {
        // In whole numbers, so that a tie is a tie: k · holes / divisions, rounded half down.
        const int on = (2 * k * holes + divisions - 1) / (2 * divisions);
        marks.push_back({.hole = (start + on) % holes,
                         .wanted = 360.0 * k / divisions,
                         .errorDeg = 360.0 * (on * divisions - k * holes) / (1.0 * holes * divisions)});
    }
    return marks;
}

std::vector<IndexMark> laidOut(int divisions, int holes, int start)
{
    if (holes > 0) return dividedOn(divisions, holes, start);
    std::vector<IndexMark> marks;
    for (int k = 0; k < divisions; ++k) marks.push_back({.hole = -1, .wanted = 360.0 * k / divisions});
    return marks;
}

bool isExact(const std::vector<IndexMark>& marks)
{
    std::set<int> used;
    for (const IndexMark& m : marks)
        if (std::abs(m.errorDeg) > 1e-9 || !used.insert(m.hole).second) return false;
    return true;
}

std::vector<int> platesFor(int divisions)
{
    static constexpr std::array common{12, 14, 16, 20, 24, 30, 32, 36, 40, 48, 60, 72, 96, 100, 120, 144, 180, 192};
    std::vector<int> plates;
    for (const int holes : common)
        if (holes % divisions == 0) plates.push_back(holes);
    return plates;
}

std::vector<IndexMark> steppedOn(const std::vector<int>& steps, int holes, int start)
{
    within("holes", holes, 1, 3600);
    within("start", start, 0, holes - 1);
    for (const int s : steps) within("steps", s, 1, holes);
    const int round = std::accumulate(steps.begin(), steps.end(), 0);
    if (round != holes)
        throw InputError("steps", "a sum of " + std::to_string(round), "once round, " + std::to_string(holes) + ", is");
    std::vector<IndexMark> marks;
    int on = 0;
    for (size_t k = 0; k < steps.size(); ++k) {
        const double wanted = 360.0 * static_cast<double>(k) / static_cast<double>(steps.size());
        marks.push_back({.hole = (start + on) % holes, .wanted = wanted, .errorDeg = 360.0 * on / holes - wanted});
        on += steps[k];
    }
    return marks;
}

std::vector<double> gridRadii(int divisions, double outer, double aspect, int rings)
{
    within("divisions", divisions, 3, 3600);
    within("rings", rings, 1, 1000);
    if (!(outer > 0 && outer <= 3000)) throw InputError("outer", exact(outer), "above 0 up to 3000 mm is");
    const double share = aspect * pi / divisions;
    if (!(aspect > 0 && share < 1))
        throw InputError("aspect", exact(aspect),
                         "above 0 and below " + exact(divisions / pi) + ", at which one cell reaches the middle, is");
    std::vector<double> radii{outer};
    for (int k = 0; k < rings; ++k) radii.push_back(radii.back() * (1 - share) / (1 + share));
    return radii;
}

}  // namespace vl
