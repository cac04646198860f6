#pragma once

#include "core/plan/schedule/problem.h"
#include "core/plan/schedule/resources.h"
#include "core/plan/schedule/schedule.h"

#include <map>

namespace vl {

/// A schedule while its steps are being placed, one after another, each as soon as what comes before, hands and
/// clamps allow (serial generation scheme; Kolisch 1996). The problem must outlive it.
class Placing {
public:
    explicit Placing(const ScheduleProblem& all);

    Schedule schedule;         ///< all but its order and bounds
    std::vector<size_t> open;  ///< whose steps before are all placed

    /// Places the step at `which` of `open`.
    void place(size_t which);

private:
    void takeDone(size_t i);
    std::vector<Usage*> holdsOf(const Step& step);
    void fit(size_t i);

    const ScheduleProblem& all_;
    Hands hands_;
    std::map<Resource, Usage> usage_;
    std::vector<size_t> missing_;  // how many steps before are not placed yet
};

}  // namespace vl
