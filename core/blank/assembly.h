#pragma once

#include "core/blank/cell.h"
#include "core/blank/inset.h"
#include "core/blank/lattice.h"
#include "core/geometry/regular_ring.h"
#include "core/piece/document/piece.h"
#include "core/piece/edits/caution.h"
#include "core/piece/shop/shop.h"
#include "core/recipe/step.h"
#include "core/workpiece/turned_surfaces.h"

namespace vl {

/// How one end of a part is cut: from square in the board's face, and the blade's tilt from upright.
struct EndCut {
    double miterDeg = 0, bevelDeg = 0;
};

/// A cut piece of wood, and how many of it.
struct Part {
    std::string id, name;
    int count = 1;
    const Species* species = nullptr;
    double length = 0;     ///< mm, the longest edge
    double shortEdge = 0;  ///< mm, the edge opposite
    double width = 0;      ///< mm
    double thickness = 0;  ///< mm, planed, before the ring's faces are flattened
    EndCut left, right;
    bool grown = false;  ///< a length of a log: crosscut in a cradle, and no other machine
    bool rough = false;  ///< cut off by a mark, to no stop: its ends are sawn or turned away
    double spare = 0;    ///< mm that it may be wider than wanted: what turning takes of it anyway
    std::string grain;   ///< which way the fibers run
    int layer = 0;
    double volume = 0;  ///< mm³ of one, as cut
    double pitch = 0;   ///< mm of strip that each takes, the saw's kerf in it
    double lead = 0;    ///< mm of strip that a run of them takes more, the slant of its ends and the first cut

    /// Strip for a run of `n` of them without the end waste, mm.
    double run(int n) const { return n * pitch + lead; }
};

/// A round tenon at each end of a layer, which stands in a hole of its neighbors; lengths 0: none.
struct Tenon {
    double radius = 0, below = 0, above = 0;  ///< mm

    /// How deep the hole for a tenon is: 1 mm more than it is long, room for the glue (common practice).
    static double hole(double length) { return length + 1; }
};

/// A circle scribed on a board that rings are cut from: its radius on the upper face, and on the lower where the cut
/// comes out, mm.
struct Scribed {
    double upper = 0, lower = 0;
};

/// What a layer is given beyond what it asks for, so that one setting of a machine serves several: mm.
struct SharedSetUp {
    double outer = 0, inner = 0;  ///< on the radius
    double loss = 0;              ///< at each face
};

/// One layer as it will be built.
struct BuiltLayer {
    int index = 0;  ///< in the piece, from the headstock on
    const Construction* how = nullptr;
    double z0 = 0, z1 = 0;  ///< mm, faces in the stack
    double glued = 0;       ///< mm, height when it is glued on, before anything is parted off it
    double planeTo = 0;     ///< mm, thickness to plane the boards to: as glued, and the sanding loss of both faces
    Range finishedOuter,
        finishedInner;  ///< radii of the turned shape within the layer's height, mm; inner 0 where solid
    RegularRing stock;  ///< of rings and staves (at their wider end); else sides is 1 and `outer` the diameter it holds
    double phaseDeg = 0;                ///< where segment 0 is centered, from 12 o'clock
    std::vector<const Species*> woods;  ///< of each segment in turn; of a disc one
    std::vector<Lattice> lattices;      ///< from below up: all its cells in rows and strips; or none
    std::vector<Inset> insets{};  ///< what is let into it: a later one before an earlier one, all before the cells
    std::vector<Cell> cells;      ///< where `sectors` is set, those of segment 0 first
    bool segmented = false;       ///< a ring of mitred segments, with the figures of RegularRing
    int sectors = 0;              ///< equal shares of the circle with equally many cells each, or 0
    bool gaps = false;            ///< air between its segments
    Polyline outerHold;           ///< the largest circle that the blank holds, along the layer
    Polyline innerHold;           ///< the smallest circle outside its bore; empty where it is solid
    double corner = 0;            ///< mm, its farthest corner from the axis
    double wasteBelow = 0,
           wasteAbove = 0;          ///< mm that the blank has beyond both faces for holding it, where it is alone
    double volume = 0;              ///< mm³ of the glued layer
    double density = 0;             ///< kg/m³, mean of the wood that turning leaves
    double fill = 1;                ///< share of the turned wall that is wood
    Tenon tenon;                    ///< of a spindle
    std::vector<Scribed> scribed;   ///< of rings from one board, the outermost first
    SharedSetUp sharedSetUps;       ///< what is in its stock and its losses for the sake of fewer set-ups
    std::vector<Setting> settings;  ///< what this construction has to set and to know
    std::vector<Caution> cautions;  ///< of what its construction knows will not work; they have a kind and no id yet

    /// Adds a cell, which is told its place.
    void lay(Cell cell);
    double stockOuterRadius() const;  ///< the largest circle the whole layer holds, mm
    double stockInnerRadius() const;  ///< the smallest circle outside its bore, mm
    double cornerRadius() const { return corner; }
    int count() const { return static_cast<int>(woods.size()); }
    /// Whether joints stand round it at equal shares of the circle, whatever fills its middle.
    bool sectored() const { return stock.sides > 1; }
    /// Whether it is cut in sectors about the axis, so that segments are spans of angle.
    bool radial() const { return sectors > 1; }
    /// The sector at an angle from 12 o'clock; 0 where there are none.
    size_t sectorAt(double angleDeg) const;
    /// The cell at a place; null in a gap.
    const Cell* cellAt(double z, double r, double angleDeg) const;
    /// What is painted at a place; −1 where nothing is.
    int segmentAt(double z, double r, double angleDeg) const;
    /// The sawn faces of a cell that turning takes away; those of a ring's segments stand in its stock.
    std::vector<HalfSpace> sawnFaces(const Cell& cell) const;
    /// Corners of a cell as sawn, seen from the tailstock at station z: x to 3 o'clock, y to 12 o'clock, mm.
    std::vector<Point> planOf(const Cell& cell, double z) const;
    /// Where the middle of a painted segment lies: radius (mm) and angle (degrees) at station z.
    Point middleOf(int segment, double z) const;
    /// A box round the axis that holds a cell: what a search of it can leave out. Stations and radii mm, angles
    /// degrees.
    struct Extent {
        Range z, r;
        double from = 0, to = 360;
    };
    Extent extentOf(const Cell& cell) const;
    /// The sawn body of a cell: its joints, its faces and the layer's own two.
    std::vector<HalfSpace> body(const Cell& cell) const;
};

/// The built blank.
struct Assembly {
    std::vector<Part> parts;
    Recipe recipe;
    std::vector<BuiltLayer> layers;

    /// How many painted segments each layer has.
    std::vector<int> segmentCounts() const;
    /// The layer at a station; the first or last beyond the ends.
    size_t layerAt(double z) const;
    bool hasInsets() const;
    /// The layer whose corner sweeps farthest; null where there is none.
    const BuiltLayer* widestLayer() const;
    /// How far that corner is from the axis, mm.
    double cornerRadius() const { return layers.empty() ? 0 : widestLayer()->corner; }
};

}  // namespace vl
