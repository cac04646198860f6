#pragma once

#include "core/order/operation.h"

#include <span>

namespace vl {

/// Which of two operations comes first, and why. The name lasts: plans carry it.
struct Rule {
    const char* name;
    const Pattern& why;
    bool (*comesFirst)(const Operation& one, const Operation& other, const Manner& manner);
};

/// Every rule of the order; the first that speaks of two operations gives the reason.
std::span<const Rule> orderRules();

/// The rule by which one comes before the other; null where none does.
const Rule* ruleBetween(const Operation& one, const Operation& other, const Manner& manner);

}  // namespace vl
