#pragma once

#include "core/plan/boards/clear.h"

#include <cstddef>
#include <vector>

namespace vl {

/// The cutting of one wood as numbers: blocks, lengths over the whole width, are cut across from clear panels, blocks
/// are ripped into strips, strips are cut across into runs of parts. What is left of a panel stays a board. Lengths mm.
struct StripProblem {
    /// One kind of part: a run of n takes n · pitch + lead of a strip.
    struct Item {
        size_t kind = 0;
        int count = 0;
        double pitch = 0, lead = 0;
        double run(int n) const { return n > 0 ? n * pitch + lead : 0; }
    };
    /// Strips of one width and planed thickness.
    struct Kind {
        double width = 0, thickness = 0;
        std::vector<size_t> items;
    };
    struct Panel {
        double length = 0, width = 0, thickness = 0;
    };
    std::vector<Item> items;
    std::vector<Kind> kinds;
    std::vector<Panel> panels;
    double kerf = 3;                                  ///< of the saw that rips
    double crosscutKerf = 3;                          ///< of the saw that cuts blocks from a panel
    double endWaste = 25;                             ///< of each strip
    double leastHold = 300;                           ///< a strip is ripped at least this long
    double leastOffcut = 250, leastOffcutWidth = 20;  ///< what is left and smaller is used up with its strip or panel
    double planing = 1;                               ///< a board is thicker by this than what is planed from it
    bool anyThickness = false;  ///< a thick board may be planed to a thin strip, most of it to shavings

    /// Whether a panel is as thick as a kind of strip wants: sheets under 3 mm are not planed, they must be as thick;
    /// others are planed, from boards not more than 10 mm or six tenths too thick unless anyThickness.
    bool fits(size_t panel, size_t kind) const;
    /// Length of strip that runs of this length ask for: their end waste, and what can be held safely, as far as the
    /// panel goes.
    double need(double inRuns, double panelLength) const;
    /// Length of a block that a strip with this much of it in runs uses up: with a rest too short to keep.
    double consumed(double inRuns, double blockLength) const;
    /// The same of a strip that needs this much.
    double usedUp(double need, double blockLength) const
    {
        return blockLength - need < leastOffcut ? blockLength : need;
    }
    /// Whether the strip can be had at all.
    bool holds(double inRuns, double panelLength) const { return inRuns + endWaste <= panelLength + 1e-9; }
    /// What a block of a panel uses up of what is left beside its strips, which take `used` of its width, kerfs too.
    double sliver(size_t panel, double length, double used) const;
    /// What a part that cannot be cut counts as, mm²: far more than what it would take, so that none is left out to
    /// save wood.
    double missing(size_t item) const;
};

/// Part of a strip: n parts of one kind.
struct StripRun {
    size_t item = 0;
    int count = 0;
};

/// A strip in a block.
struct StripCut {
    size_t block = 0, kind = 0;
    std::vector<StripRun> runs;
};

struct StripSolution {
    std::vector<size_t> blocks;  ///< of each its panel; a panel's lie along it in this order
    std::vector<StripCut> strips;
    std::vector<int> missing;  ///< of each item
    double cost = 0;           ///< mm² of board face used up, and what is missing
};

/// The length of each block, mm: what its longest strip needs; the last of a panel takes the rest in where that is too
/// short to keep.
std::vector<double> blockLengths(const StripProblem& problem, const StripSolution& solution);

/// What the saw turns to dust where blocks are cut off, mm².
double crosscutCost(const StripProblem& problem, const StripSolution& solution);

/// Wood used up and missing parts of a solution, mm².
double costOf(const StripProblem& problem, const StripSolution& solution);

}  // namespace vl
