#pragma once

#include "core/plan/cautions/judge.h"

namespace vl {

/// Layers that one turned spindle can take the place of: the first and the last.
struct StemRun {
    int first, last;
};

/// The layers beside `layer` that are solid and no thicker than a stem, itself among them; nothing where it is not.
std::optional<StemRun> stemAt(const Case& in, int layer);

/// One spindle instead of these layers, its tenons no deeper than the wood they stand in.
Fix spindleFix(const Case& in, const StemRun& run);

/// Short grain across a slender part, and tenons that are deeper than the wood they stand in.
void stemCautions(const Case& in, std::vector<Caution>& out);

}  // namespace vl
