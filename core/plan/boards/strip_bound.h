#pragma once

#include "core/plan/boards/strip_problem.h"

#include <atomic>
#include <functional>

namespace vl {

/// How a long calculation tells how far it is, and is told to stop.
struct Control {
    std::function<void(double share)> progress;
    const std::atomic<bool>* cancel = nullptr;
    bool canceled() const { return cancel && cancel->load(); }
    void at(double share) const
    {
        if (progress) progress(share);
    }
};

/// What linear programming says of a cutting problem.
struct StripBound {
    double bound = 0;              ///< mm²: no plan costs less
    std::vector<double> price;     ///< of each item, mm²: what one more of it would cost
    std::vector<double> scarcity;  ///< of each panel, mm²: what having it once more would save
};

/// The lower bound by column generation (Gilmore & Gomory 1961 and 1965, three stages; GLPK's simplex for the master
/// problem, dynamic programming for the strips of a block). Blocks shorter than their panel are counted as the shortest
/// of a range of lengths, and fill panels by their share of the length, so that it stays a bound. Lengths are rounded
/// down to 0.1 mm, so that the bound stays a bound; where the rounds end early it is Lasdon's (master value plus the
/// sum of the least reduced costs); they end where it is within `gap` of the master value.
StripBound boundOf(const StripProblem& problem, const Control& control = {}, double gap = 5e-4);

}  // namespace vl
