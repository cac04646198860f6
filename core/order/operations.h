#pragma once

#include "core/order/rules.h"

namespace vl {

/// An order of operations and mountings.
struct FoundOrder {
    struct Place {
        bool mounting = false;
        size_t at = 0;  ///< among the operations or the mountings
    };
    std::vector<Place> places;
    int mountings = 0;
    bool held = true;  ///< every operation is done in a mounting that serves it
};

/// Among the orders that keep every rule and do each operation in a mounting that serves it, the one with the fewest
/// mountings; of several the one that does the least without a center. Exact: what is free to be done in a mounting and
/// spoils no other is done there, which bars nothing later, so that only the mountings and what spoils them are
/// searched. The same whatever order the operations are given in. Where no order does, `held` is false and what is left
/// stands at its end.
FoundOrder findOrder(const std::vector<Operation>& operations, const std::vector<Mounting>& mountings,
                     const Manner& manner);

/// Operations on one workpiece and ways to hold it, gathered in any order and written in the one that is found.
class Operations {
public:
    explicit Operations(Recipe& recipe, Manner manner = {}) : recipe_(recipe), manner_(manner) {}

    void add(Operation operation) { operations_.push_back(std::move(operation)); }
    void add(Mounting mounting) { mountings_.push_back(std::move(mounting)); }
    /// Their steps, each with the rules that placed it; a step that says no why takes that of the rule. Returns what
    /// the last of them gives.
    WorkItem write(Bench& bench, WorkItem now) const;

private:
    Recipe& recipe_;
    Manner manner_;
    std::vector<Operation> operations_;
    std::vector<Mounting> mountings_;
};

}  // namespace vl
