#pragma once

#include "core/workpiece/body.h"

#include <functional>

namespace vl {

/// A workpiece while its recipe is carried out, a step at a time, without drawing anything.
class Workpiece {
public:
    explicit Workpiece(const Stock& stock);

    /// Carries a step out: what it takes in is gone, what it gives is there.
    void carryOut(const Step& step);
    /// What is there, by the names of things; of boards as they lie on the rack nothing is.
    const std::map<std::string, Body>& bodies() const { return bodies_; }
    /// What the last step left in its first output; null where it gave nothing.
    const Body* last() const;

private:
    const Stock& stock_;
    std::map<std::string, Body> uncut_, bodies_;
    std::string last_;
};

/// Carries a recipe out in an order, and shows each step with the wood that it left.
void run(const Recipe& recipe, const std::vector<size_t>& order, const Stock& stock,
         const std::function<void(const Step&, const Body& before, const Body& after)>& see);

}  // namespace vl
