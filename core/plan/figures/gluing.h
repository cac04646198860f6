#pragma once

#include "core/blank/assembly.h"

namespace vl {

/// The glue of one step, and what is to be said of it.
struct JointGlue {
    size_t step = 0;         ///< index into the recipe
    std::string glue, name;  ///< id in the shop's book, and its name
    std::string suggested, suggestedName;
    double openMinutes = 0;
    std::vector<Text> troubles;  ///< why this glue will not hold here
    std::vector<Text> advice;    ///< what to mind with it
};

/// A recipe with the glue of every joint chosen, its amount, and the times that it asks for.
struct GluedRecipe {
    Recipe recipe;
    std::vector<JointGlue> joints;
};

/// Chooses a glue for every gluing step: the turner's, or the first of the book that suits joint, woods and the time
/// that spreading takes (0.25 min a joint and 1 min for every 0.02 m², common practice). Waits become the glue's clamp
/// time, four times that for veneer on water-based glue, and the cures before light work and before turning its times
/// to these, each longer in the cold (coldFactor); all of it before any tool where the turner wants rings cured fully.
GluedRecipe withGlue(const Piece& piece, const Shop& shop, Recipe recipe);

/// Whether a glue may be used for a joint, as far as its faces and woods go; the reasons against it are added to `why`.
bool suits(const Glue& glue, const GlueJoint& joint, double celsius, std::vector<Text>* why = nullptr);

}  // namespace vl
