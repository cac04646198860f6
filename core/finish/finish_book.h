#pragma once

#include "core/geometry/profile.h"
#include "core/measure/text.h"
#include "core/piece/finish.h"

#include <span>

namespace vl {

/// One layer of a finish: what it is, how often, how long each takes and what comes between. Common practice; the
/// maker's label comes first.
struct FinishLayer {
    enum Kind { Sealer, Colour, Body, Paste, Wax, Polish };
    Kind kind = Body;
    const char* name = "";
    int coats = 1;
    double waitMinutes = 0;            ///< after each coat
    Range celsius{15, 25};             ///< within which it dries as it should
    double gramsPerM2 = 60;            ///< of one coat
    const Pattern* between = nullptr;  ///< what is done between two coats
    double partsA = 0, partsB = 0;     ///< of what is mixed, by mass; 0: it is used as it is
    double potMinutes = 0;             ///< that a mixture can be used
    double buffRpm = 0;                ///< it is buffed at up to on the lathe, of a piece 100 mm across; 0: it is not
    double rpm = 0;  ///< it is put on or polished at on the lathe, of a piece 100 mm across; 0: at rest
};

struct FinishSchedule {
    std::vector<FinishLayer> layers;
    int lastGrit = 320;        ///< that it asks for
    bool raisesGrain = false;  ///< sanded one grit short, raised and cut back
    bool food = false;         ///< used for food once it has cured, as is common practice
    bool spontaneous = false;  ///< its rags can heat by themselves
    bool fumes = false;
};
const FinishSchedule& scheduleOf(FinishSchool school);

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
FinishSum sumOf(const FinishSchedule& schedule, double areaMm2);

/// Grams of a coat, and of its parts where it is mixed: an eighth more than lies on the wood stays in cup and rag (own
/// value).
struct CoatMass {
    double all = 0, a = 0, b = 0;
};
CoatMass coatMass(const FinishLayer& layer, double areaMm2);

}  // namespace vl
