#pragma once

#include "core/blank/assembly.h"
#include "core/holding/foot_hold.h"
#include "core/recipe/bench.h"

namespace vl {

/// What a construction is built in.
struct Site {
    const Piece& piece;
    const Shop& shop;
    const TurnedSurfaces& surfaces;
    size_t index;  ///< of the layer

    const Layer& layer() const { return piece.layers[index]; }
    /// The layer's own form, where it is this one.
    template <class Form> const Form& form() const { return *layer().as<Form>(); }
    std::string number() const { return std::to_string(index + 1); }
};

/// What a construction gives for a layer. Every fact of it is worked out once, in build(): parts, steps, settings and
/// concerns read it.
struct Building {
    BuiltLayer layer;
    std::vector<Part> parts;
    /// Its steps on the bench, from its parts up to what is ready to go onto the stack; none where another layer's
    /// steps make it too.
    std::function<WorkItem(Bench&, const WorkItems& parts)> steps;
};

/// A place on the half section that can be dragged: what it sets, and where it stands.
struct LayerHandle {
    std::string name;
    Point at;          ///< station and radius, mm
    double value = 0;  ///< what it sets, as it is now
    Unit unit = Unit::Length;
    std::function<void(Layer&, const Point&)> drag;  ///< the layer with the handle at another place
};

/// One way of putting a layer together. Each stands in a file of its own; assemble() and the recipe know only this.
struct Construction {
    /// Adds to a building whose layer has its faces, finished radii and phase.
    void (*build)(const Site&, Building&);
    const char* segment;         ///< what its segments are called, singular: "segment", "stave", "strip"
    const char* noun = "layer";  ///< what it is called before its number: "ring 3"
    bool stockDragged = true;    ///< the stock's outside follows the allowance, which can be dragged
    bool boreDragged = false;    ///< and its inside
    /// What else of it can be dragged; null: nothing.
    std::vector<LayerHandle> (*handles)(const Site&, const BuiltLayer&) = nullptr;
};

/// The construction of a layer's form; each form's own is declared beside it.
const Construction& constructionOf(const Layer& layer);

/// Every handle of a layer: its stock's outside, its bore's allowance, and its construction's own. Drags stay within
/// the fields' limits.
std::vector<LayerHandle> layerHandles(const Site& site, const BuiltLayer& layer);

// What several constructions share.

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
/// The woods of a layer, each once, as they come.
std::vector<const Species*> distinctWoods(const BuiltLayer& layer);

/// Every wood that is in a layer, those of bands, spacers and wedges too, each once.
std::vector<const Species*> woodsIn(const BuiltLayer& layer);

/// What a piece in one layer needs beyond its faces to be held, put into the layer with what it is glued up higher:
/// that is shared between both ends. Nothing where it is one of several.
EndWaste setWaste(const Site& site, BuiltLayer& layer);

/// A square or rectangular piece cut off a strip, mm.
struct SquarePart {
    std::string id;  ///< after the layer's
    std::string name;
    const Species* wood;
    int count = 1;
    double length, width, thickness;
    const char* grain;
};
Part squarePart(const Site& site, const SquarePart& part);
/// Adds a part to a list; one with the same id is counted up instead.
void addPart(std::vector<Part>& list, Part part);

/// What flattening a layer's faces takes off each, as a setting.
Setting sandingLoss(const Layer& layer);
/// Two faces to be trued on the sanding board: the last step of most layers, "flatten".
WorkItem flattenFaces(Bench& bench, const WorkItem& thing, const Layer& layer, double minutes);

}  // namespace vl
