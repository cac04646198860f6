#pragma once

#include "core/plan/boards/clear.h"

#include <cstddef>
#include <vector>

namespace vl {

/// The cutting of one wood as numbers: clear panels are ripped into strips, strips are cut across into runs of parts.
/// Lengths mm.
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
    double endWaste = 25;                             ///< of each strip
    double leastHold = 300;                           ///< a strip is ripped at least this long
    double leastOffcut = 250, leastOffcutWidth = 20;  ///< what is left and smaller is used up with its strip or panel
    double planing = 1;                               ///< a board is thicker by this than what is planed from it
    bool anyThickness = false;  ///< a thick board may be planed to a thin strip, most of it to shavings

    /// Whether a panel is as thick as a kind of strip wants: sheets under 3 mm are not planed, they must be as thick;
    /// others are planed, from boards not more than 10 mm or six tenths too thick unless anyThickness.
    bool fits(size_t panel, size_t kind) const;
    /// Length of a panel that a strip with this much of it in runs uses up: with its end waste, and with a rest too
    /// short to keep.
    double consumed(double inRuns, double panelLength) const;
    /// Whether the strip can be had at all.
    bool holds(double inRuns, double panelLength) const { return inRuns + endWaste <= panelLength + 1e-9; }
    /// What a part that cannot be cut counts as, mm²: far more than what it would take, so that none is left out to
    /// save wood.
    double missing(size_t item) const;
};

/// Part of a strip: n parts of one kind.
struct StripRun {
    size_t item = 0;
    int count = 0;
};

/// A strip in a panel.
struct StripCut {
    size_t panel = 0, kind = 0;
    std::vector<StripRun> runs;
};

struct StripSolution {
    std::vector<StripCut> strips;
    std::vector<int> missing;  ///< of each item
    double cost = 0;           ///< mm² of board face used up, and what is missing
};

/// Wood used up and missing parts of a solution, mm².
double costOf(const StripProblem& problem, const StripSolution& solution);

}  // namespace vl
