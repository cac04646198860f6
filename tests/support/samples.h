#pragma once

#include "core/plan/plan.h"
#include "core/workpiece/laws.h"

#include <string>
#include <vector>

namespace vl::test {

/// The whole of a file of the source tree.
std::string sourceFile(const std::string& path);

/// The names of the samples in demo/, in order.
std::vector<std::string> demoNames();
/// The same for tests that take long with each; under the sanitizers every third: memory that one of them misuses,
/// another misuses too.
std::vector<std::string> demoNamesForLongTests();
/// A sample of demo/ by its name.
Piece demo(const std::string& name);
/// The regatta cup of demo/.
Piece regattaCup();
/// The sample workshop.
Shop harbourShop();

/// A vase of `rings` rings of `segments` segments, for sizes that no sample has.
Piece tallVase(int rings, int segments);

/// The first caution whose id begins with this; null where there is none.
const Caution* find(const Plan& plan, const std::string& prefix);
/// The step of this id; null where there is none.
const Step* stepOf(const Plan& plan, const std::string& id);
/// A setting of a step by its name; NaN where it has none.
double settingOf(const Plan& plan, const std::string& step, const std::string& name);
/// The how-manieth step done is the one of this id; -1 where there is none.
long placeOf(const Plan& plan, const std::string& id);
/// Every step whose id begins with this.
std::vector<const Step*> stepsOf(const Plan& plan, const std::string& prefix);

/// What laws of the bench a plan breaks; that it ends with the piece only of what its turned sides say all of.
std::vector<BrokenLaw> brokenLawsOf(const Piece& piece, const Plan& plan);

}  // namespace vl::test
