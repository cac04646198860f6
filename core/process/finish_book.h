#pragma once

#include "core/geometry/profile.h"
#include "core/piece/shop/finish.h"

#include <vector>

namespace vl {

/// The grits from a first one to a last one, none left out of the usual row.
std::vector<int> gritsFrom(int first, int last);

/// What a finish comes to: grams of all coats, minutes of waiting.
struct FinishSum {
    double grams = 0, minutes = 0;
};
FinishSum sumOf(const Finish& finish, double areaMm2, double leastMix);

/// What a coat takes: an eighth more than lies on the wood stays in cup and rag (own value); of what is mixed at least
/// `leastMix` grams, which a scale can still share out.
struct CoatMass {
    double all = 0;   ///< g
    double left = 0;  ///< g, of it in the cup once the wood has its coat
    struct Share {
        std::string name;
        double amount = 0;  ///< g, or ml where the layer is mixed by volume
    };
    std::vector<Share> shares{};  ///< none where it is used as it is
};
CoatMass coatMass(const FinishLayer& layer, double areaMm2, double leastMix);

/// How thirsty a surface is.
struct Absorbency {
    double endGrain = 0;   ///< share of what is finished that shows end grain, 0 … 1
    double density = 650;  ///< kg/m³, mean of its woods
    bool faceGrainFoot = false;
};
/// Coats more or fewer than the book says of one that seals or builds up in two or more: one more where a third shows
/// end grain or the wood is lighter than 480 kg/m³, one fewer of three or more on hard wood, above 800, without end
/// grain. That they take more and fewer is common practice, where one begins our own choice.
int moreCoats(const FinishLayer& layer, const Absorbency& absorbency);
/// The finish with the coats that a surface takes.
Finish suited(Finish finish, const Absorbency& absorbency);

}  // namespace vl
