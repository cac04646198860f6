#pragma once

#include "core/order/operations.h"

namespace vl {

/// Writes the steps of one workpiece, each on what the one before gives, and operations and mountings made of such
/// steps.
class WorkpieceWriter {
protected:
    explicit WorkpieceWriter(Recipe& recipe) : recipe_(recipe), bench_(recipe, "", -1, Text()) {}

    /// The next step on the whole piece.
    void step(Action action, const std::string& id, const std::string& gives, StepSpec doing);
    /// An operation whose steps are written by `how`.
    void does(Operations& all, Work work, Access access, std::function<void()> how, int number = 0);
    /// A mounting whose step is written by `how`.
    void offers(Operations& all, Mounting mounting, std::function<void(const Moment&)> how);

    Recipe& recipe_;
    Bench bench_;
    WorkItem now_;  ///< what the last step gave
};

}  // namespace vl
