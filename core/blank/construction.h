#pragma once

#include "core/blank/assembly.h"
#include "core/piece/limits.h"

namespace vl {

/// What a construction is built in.
struct Site {
    const Piece& piece;
    const Shop& shop;
    const Sides& sides;
    size_t index;  ///< of the layer

    const Layer& layer() const { return piece.layers[index]; }
    std::string number() const { return std::to_string(index + 1); }
    /// Id of a thing or step of this layer: "cut-3".
    std::string key(const char* what) const { return std::string(what) + "-" + number(); }
    std::string sheet() const { return "layer " + number(); }
};

/// A place on the half section that can be dragged: what it sets, and where it stands.
struct LayerHandle {
    std::string name;
    Point at;                                        ///< station and radius, mm
    double value = 0;                                ///< what it sets, as it is now
    Setting::Unit unit = Setting::Unit::Length;
    std::function<void(Layer&, const Point&)> drag;  ///< the layer with the handle at another place
};

/// One way of putting a layer together. Each stands in a file of its own; assemble() and the recipe know only this.
struct Construction {
    /// Stock and cells of a layer whose kind, faces, finished radii and phase are set.
    void (*build)(const Site&, BuiltLayer&);
    /// The parts to cut for it.
    void (*parts)(const Site&, const BuiltLayer&, std::vector<Part>&);
    /// Its steps, up to the thing "flat-n", ready to go onto the stack, which the step "flatten-n" yields.
    void (*steps)(const Site&, const BuiltLayer&, const std::vector<std::string>& parts, Recipe&);
    const char* name;       ///< "segmented ring"
    const char* segment;    ///< what its segments are called, singular: "segment", "stave", "strip"
    bool counted;           ///< Layer::segments says how many there are
    bool turns;             ///< Layer::turn is used
    /// What of it can be dragged beside its stock; null: nothing.
    std::vector<LayerHandle> (*handles)(const Site&, const BuiltLayer&) = nullptr;
};

extern const Construction discConstruction, ringConstruction, stavesConstruction, sheetConstruction, slabConstruction, letInConstruction, billetConstruction,
    postWrapConstruction, boardRingsConstruction;

const Construction& constructionOf(LayerKind kind);

/// Every handle of a layer: its stock's outside, its bore's allowance, and its construction's own.
std::vector<LayerHandle> layerHandles(const Site& site, const BuiltLayer& layer);

// What several constructions share.

/// Minutes that a joint waits in its clamp until its glue is chosen; the glue then says how long (core/plan/gluing.h).
constexpr double inClamp = 60;

/// Radius that the stock must hold outside, mm: the finished one and the allowance, or what was set by hand.
double wantedOuter(const Site& site, const BuiltLayer& layer);
/// Radius that the stock may be bored to, mm; 0 where it stays solid.
double wantedInner(const Site& site, const BuiltLayer& layer);
/// Sets a layer's stock to the same two circles along all of it.
void holdStraight(BuiltLayer& layer, double outer, double inner);
/// The frame of a board that lies across the axis, its grain in the direction `angleDeg` + 90°, from station z0.
BoardFrame flatFrame(double z0, double angleDeg);
/// The wood at a place of a repeating pattern.
const Species* woodAt(const Layer& layer, int place);
/// The part of a square or rectangular piece cut off a strip.
Part squarePart(const Site& site, const std::string& id, const std::string& name, const Species* wood, int count, double length, double width, double thickness, const char* grain);
/// Adds a part to a list; one with the same id is counted up instead.
void addPart(std::vector<Part>& list, Part part);
/// The woods of a layer, each once, as they come.
std::vector<const Species*> distinctWoods(const BuiltLayer& layer);
/// Two faces to be trued on the sanding board.
Step flattenStep(const Site& site, const std::string& thing, const std::string& after, double minutes);
/// Time in the clamp after gluing `thing`; its output is `out`.
Step clampWait(const Site& site, const std::string& id, const std::string& thing, const std::string& out, const std::string& after, const char* clamp);

}  // namespace vl
