#pragma once

#include "core/holding/foot_hold.h"
#include "core/order/workpiece_writer.h"
#include "core/process/turn_recipe.h"
#include "core/words/build.h"
#include "core/workpiece/air_sweep.h"
#include "core/workpiece/turning.h"

namespace vl {

/// Writes the recipe of what is turned on centers, on a tube, or on a block: from the blank to the finished piece.
class TurnWriter : WorkpieceWriter {
public:
    TurnWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, Turning how, Recipe& recipe);
    void write(const WorkItem& blank);

private:
    /// Turned inside out: windows come round.
    bool reversed() const { return piece_.layers.size() == 1 && piece_.layers[0].is<InsideOutForm>(); }
    Setting boreSetting() const { return {Resource::Drill, "bore", piece_.hollow.bore, Unit::Length, "chosen", "", 1}; }
    bool drilledThrough() const { return piece_.hollow.rule == WallRule::Bored && piece_.hollow.bore <= widestBit; }
    /// Bored before it is mounted, which cones then hold by its bore.
    bool boredFirst() const { return drilledThrough() && how_ == Turning::BetweenCenters && !hasTenon_; }
    /// Opened on its axis where a live center would stand, once it is held by its tenon.
    bool isOpened() const { return hasTenon_ && (drilledThrough() || std::ranges::any_of(piece_.holes, inRimsMiddle)); }
    Bench firstLayer() const { return {recipe_, piece_.layers[0].id, 0, says(words::layerNumber, 1)}; }

    // What it does, in the order that is found
    void turn(Operations& all);
    void sand(Operations& all);
    /// Off what held it, and finished; `later`: something is left to do once it is free.
    void free(Operations& all, bool later);
    void partOff();

    // What holds it
    void mountBetweenCenters();
    void mountOnMandrel();
    /// The step that mounted the block that it stands on; none where it stands on none.
    const Step* blockMounted() const;
    /// The tenon that a chuck closes on: its own, or its block's.
    Held grip() const;
    /// It stands on its block from the first; between sides on other axes it comes back to it.
    void offerBlock(Operations& all);
    /// Its tenon in the chuck once its sides are cut: for the bore, and with the tailstock up for what is left to do.
    void offerChuck(Operations& all);
    void turnTenon();

    // Its bore
    /// Whether the inside is opened on the lathe, by one of these operations.
    bool hollow(Operations& all);
    /// Solid until its sides are cut. The waste at the free end comes off first; that under a bore closes it.
    void openOnAxis();
    void boreInChuck();
    /// Bored at the press, lined, and squared to its tube.
    void lineBore();

    // Rings nested in one blank
    void nest();
    /// Held by the outside for the inside, and the other way round; each turned over between.
    void finishRings(const WorkItems& rings);

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    Turning how_;
    double left_ = leftByRoughing(piece_);  // mm
    Range waste_{};                         // at foot and rim, turned round with the piece, mm: none on a block
    Range air_ = airSweep(piece_, surfaces_);
    const Bought* tube_ = how_ == Turning::BetweenCenters ? tubeInBore(piece_) : nullptr;
    bool hasTenon_ = how_ == Turning::BetweenCenters && hasChuckTenon(piece_);
    FootHold tenon_ = hasTenon_ ? chuckTenon(piece_, shop_, surfaces_) : FootHold{};
};

}  // namespace vl
