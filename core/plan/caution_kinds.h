#pragma once

#include "core/plan/plan.h"

namespace vl {

/// Cautions of one kind: "overlap" at 27 joints is one thing to know and to mend.
struct CautionKind {
    std::string kind;
    std::vector<const Caution*> all;  ///< the gravest first
};
/// The cautions by kind, in the order in which each kind comes first. What has no layer is a kind of its own.
std::vector<CautionKind> cautionKinds(const std::vector<Caution>& cautions);

/// The piece with fix number `fix` (or the last, where there are fewer) taken for every caution of a kind, one after
/// another, each judged anew. Where that leaves as many as there were, the piece as it was.
Piece mendedAll(Piece piece, const Shop& shop, const std::string& kind, size_t fix);

}  // namespace vl
