#pragma once

#include "core/geometry/profile.h"
#include "core/piece/finish.h"

#include <vector>

namespace vl {

/// The grits from a first one to a last one, none left out of the usual row.
std::vector<int> gritsFrom(int first, int last);

/// What is finished, mm²: the outlines turned (Pappus), rim and foot with them; edges, axes and cuts are not asked.
struct FinishArea {
    double outside = 0, inside = 0;
    double all() const { return outside + inside; }
};
FinishArea finishArea(const Polyline& outside, const Polyline& inside);

/// What a finish comes to: grams of all coats, minutes of waiting.
struct FinishSum {
    double grams = 0, minutes = 0;
};
FinishSum sumOf(const Finish& finish, double areaMm2);

/// Grams of a coat, and of its parts where it is mixed: an eighth more than lies on the wood stays in cup and rag (own
/// value).
struct CoatMass {
    double all = 0, a = 0, b = 0;
};
CoatMass coatMass(const FinishLayer& layer, double areaMm2);

}  // namespace vl
