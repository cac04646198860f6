#pragma once

#include "core/blank/assembly.h"
#include "core/holding/foot_hold.h"
#include "core/order/workpiece_writer.h"
#include "core/process/finish_recipe.h"
#include "core/wood/drying.h"
#include "core/workpiece/air_sweep.h"

namespace vl {

/// Writes one block from its first mount to the piece: what there is to do and to hold it by (block_recipe.cpp), its
/// cuts (block_cuts.cpp), its mounts and its foot (block_holds.cpp), and what wet wood asks for (wet_block.cpp).
class BlockWriter : WorkpieceWriter {
public:
    BlockWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, double corner, Recipe& recipe);
    void write(const WorkItem& blank);

private:
    /// What the headstock holds it by.
    enum class MountedBy { Rim, Hollow, Foot };

    // What there is to do, and to hold it by
    void offer(Operations& all, MountedBy by, const std::string& id);
    /// Outside and foot, cracks, and sides on other axes.
    void turnOutside(Operations& all, bool sanded);
    /// From the rim's end: what is half air from its tips inwards, then the middle, then the last cuts.
    void turnInside(Operations& all, bool together, bool twice);
    /// The foot: nothing where its recess stays.
    void freeTheFoot(Operations& all);

    // Its cuts
    /// End grain is hollowed from the middle out, from a hole that the tool begins in; the rim's waste comes off first.
    /// `thicker`: mm that more are left over the floor than usual.
    void startBore(double thicker = 0);
    void turn(const char* id, const Pattern& title, const Pattern& why, const Pattern& how, double minutes,
              effect::Turn effect);
    /// Where edges, wings or a bark rim come round, as a measure and in words.
    void sayAir(StepSpec& d);
    effect::Turn bandTurned(double from, double to) const;
    /// Wings and corners are finished: the tool stays within what is wood all round.
    void sayInwards(StepSpec& d);
    /// How far out the hollow goes into what is half air, mm; 0 where it ends within the wood all round, and corners
    /// stay flat.
    double wingTip() const;
    /// What is half air is brought to its thickness from the tip inwards, each band finished before the next.
    void thinWings(Operations& all);
    void thinBand(int number, double outer, double inner);
    void sand(const char* id, const Pattern& title, Sanded what);
    void sharpen(const char* what);

    // Wet wood
    /// Rough while it is wet, with a thick wall all round; dried; held again to be turned as any dry blank is.
    void turnWet(const BlockForm& block);
    /// Its hollow is oval now: what goes in is as wide as it is narrow.
    void mountDry(const BlockForm& block);
    /// What a size of the wet blank comes to across the grain.
    double dried(const BlockForm& block, double size) const;
    /// A tenon is turned so wide while it is wet that the jaws still close on it once it is dry and round again.
    void wetFoot(const BlockForm& block);
    /// A tenon that dried oval is turned round again, smaller; a recess only round again.
    void driedFoot(const BlockForm& block);
    /// Waits for wet wood to dry, until the meter says so or, where none is asked, about as long as it takes.
    void dry(const BlockForm& block, double thickness, Coat coat, const Pattern& title, const Pattern& how,
             const Pattern& why);
    /// What dried on its last wall is oval: nothing but a hand follows it.
    void sandByHand();

    // Its mounts and its foot
    void mountFirst(const std::string& id);
    Setting footDiameter() const;
    Setting footDepth() const;
    /// A tenon stands below the foot; a recess goes into it.
    effect::Turn footTurned() const;
    void turnFoot(const char* id, const char* gives);
    /// What stood under the live cup in a recess, before anything goes into that.
    void cutNubOff();
    /// As its foot holds it, whatever holds the foot.
    Held footHeld(bool round) const;
    /// On what was turned for it at the foot; by a faceplate that may be its first mounting.
    void mountByFoot(const std::string& id, const Moment& moment);
    /// Bored right through: the waste under it closes the bore until it is parted off.
    bool isRing() const { return vessel_ && hollow_ && surfaces_.inside.front().x() <= 0; }
    void sayDownToWaste(StepSpec& d) const;
    void partRingOff();
    /// What is bored right through is a ring: no center holds it once it is parted from its waste.
    void mountRing();
    void trueRing();
    void mountLast();
    void turnFootOff();

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    FootHold foot_;
    bool recessOpen_ = false;  // turned before
    std::string nubStep_;      // that cuts off what stands in it under the live cup; empty: nothing does
    double height_;
    Range air_ = airSweep(piece_, surfaces_);
    bool edged_ = air_.high > 0;  // what turns is not seen all round
    bool hollow_;
    double depth_, rim_;
    bool barkSaid_ = false;
    double sweeps_;  // mm, as far as it is turned by now
    double thickest_ = thickestWall(surfaces_);
    EndWaste waste_ = endWaste(piece_, shop_, surfaces_);
    bool vessel_ = isVessel(piece_);
};

}  // namespace vl
