#pragma once

#include "core/blank/shape.h"
#include "core/measure/length.h"
#include "core/plan/figures/cut.h"
#include "core/plan/figures/gluing.h"
#include "core/plan/figures/mounts.h"
#include "core/plan/figures/overlap.h"
#include "core/workpiece/axis_report.h"

#include <functional>

namespace vl {

enum class Level { Note, Care, Stop };
const char* levelName(Level level);

/// A change that takes the cause of a caution away.
struct Fix {
    std::string label;
    std::function<Piece(const Piece&)> apply;
};

/// Something that will not work at the machine, said while it is still only a drawing.
struct Caution {
    std::string id;  ///< kind and place: "overlap-3"
    Level level = Level::Care;
    std::string at;  ///< in the trade's words
    double z = 0;    ///< where on the axis, mm
    int layer = -1;
    double measure = 0, limit = 0;
    std::string unit;     ///< of measure and limit: "mm" or "°"
    std::string message;  ///< what fails, and what will happen
    std::vector<Fix> fixes;
};

/// Every caution of the plan, the gravest first, then from the headstock on. Lengths in messages are in `style`.
std::vector<Caution> cautionsOf(const Piece& piece, const Shop& shop, const Assembly& assembly, const Sides& sides,
                                const Shape& shape, const CutPlan& cuts, const std::vector<Overlap>& overlaps,
                                const std::vector<JointGlue>& glues, const std::vector<AxisSetUp>& setUps,
                                const std::vector<AxisReport>& axes, const std::vector<Mount>& mounts,
                                LengthStyle style = {});

}  // namespace vl
