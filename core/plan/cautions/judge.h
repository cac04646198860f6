#pragma once

#include "core/plan/cautions/caution.h"

namespace vl {

/// What cautions are judged by: the piece, the shop, and what the plan has worked out of them so far.
struct Case {
    const Piece& piece;
    const Shop& shop;
    const Scheduled& plan;
    LengthStyle style;

    const Layer& layer(int i) const { return piece.layers[static_cast<size_t>(i)]; }
    const BuiltLayer& built(int i) const { return plan.assembly.layers[static_cast<size_t>(i)]; }
    int widestLayer() const { return plan.assembly.widestLayer()->index; }
    int layers() const { return static_cast<int>(plan.assembly.layers.size()); }
    std::string mm(double v) const { return formatLengthUnit(v, style); }
    /// What a layer is called: "ring 3".
    std::string name(int layer) const;
    /// A caution of one kind at a layer, in its middle: "short-L3". Its measure and limit are mm.
    Caution at(const char* kind, int layer, Level level = Level::Care) const;
};

/// A caution at a station, of what has a name of its own.
Caution atPlace(const Case& in, const char* kind, const std::string& place, std::string name, double z, Level level);

/// Where equal shares do not fall on a plate: how far off, and another plate, which `set` gives the piece; 0: by angle.
void offPlate(Caution at, int count, int plate, int start, const std::function<void(Piece&, int)>& set,
              std::vector<Caution>& out);

/// The wall made thicker, or the drawn inside smaller, by this and a little more, mm.
Fix thickerWall(const Case& in, double by);
/// A layer's stock set free to follow the outline, where it was set by hand.
void letStockFollow(const Case& in, int layer, const std::string& label, std::vector<Fix>& fixes);

// What each stage has to say; each adds to `out`.
void shapeCautions(const Case& in, std::vector<Caution>& out);
void buildCautions(const Case& in, std::vector<Caution>& out);
void cutCautions(const Case& in, std::vector<Caution>& out);
void glueCautions(const Case& in, std::vector<Caution>& out);
void turnCautions(const Case& in, std::vector<Caution>& out);
void holdCautions(const Case& in, std::vector<Caution>& out);
void axisCautions(const Case& in, std::vector<Caution>& out);
void lidCautions(const Case& in, std::vector<Caution>& out);
void cutCurveCautions(const Case& in, std::vector<Caution>& out);
void workedCautions(const Case& in, std::vector<Caution>& out);
void flawCautions(const Case& in, std::vector<Caution>& out);
void finishCautions(const Case& in, std::vector<Caution>& out);
void inlayCautions(const Case& in, std::vector<Caution>& out);
void reversedCautions(const Case& in, std::vector<Caution>& out);

}  // namespace vl
