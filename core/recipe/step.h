#pragma once

#include "core/measure/text.h"
#include "core/piece/shop/grips.h"
#include "core/recipe/effect.h"
#include "core/recipe/resource.h"
#include "core/wood/species.h"

#include <algorithm>
#include <string>
#include <string_view>
#include <vector>

namespace vl {

enum class Action {
    Cut,
    Glue,
    Wait,
    Flatten,
    Recut,
    Rotate,
    Drill,
    Mount,
    Turn,
    Sand,
    Finish,
    Split,
    PartOff,
    Inspect,
    Mark,
    Color,
    Carve,
    Fill
};

/// The action's name as files and screens write it: "cut", "part off".
const char* actionName(Action action);

/// How the wood of two glued faces meets.
enum class JointFaces { LongGrain, MiteredEnds, EndToLong, EndGrain, CrossGrain, Veneer, Block };
const char* jointName(JointFaces faces);

/// Sources of formulas that need none but school.
inline constexpr std::string_view planeGeometry = "plane geometry", planeArithmetic = "plane arithmetic";

/// A number to set or to check by, with how it came about.
struct Setting {
    Resource machine = Resource::None;  ///< none: a measure that is no setting
    std::string name{};
    double value = 0;
    Unit unit = Unit::Length;
    std::string_view formula{};  ///< in words and symbols; this and the source are literals
    std::string_view source{};
    int decimals = 2;
    bool ofPart = false;         ///< a part's own end cut or length: set-ups list it with every part's
    std::string_view usualOf{};  ///< a field of the layer that has this value where it is left out

    operator Text::Place() const { return Quantity{value, unit, decimals}; }
};

/// A joint to be glued, as far as choosing and measuring the glue needs it.
struct GlueJoint {
    JointFaces faces = JointFaces::LongGrain;
    double area = 0;  ///< mm², all of the step's joints together; 0 where the step glues nothing
    int joints = 0;
    int closings = 1;   ///< in how many goes they are spread and closed: each within the glue's open time
    bool open = false;  ///< open work: what squeezes out cannot be got at later
    std::vector<const Species*> woods{};
    std::string glue{};         ///< id in the glue book, once it is chosen
    double grams = 0;           ///< of it
    double lightMinutes = 0;    ///< from clamping until a face may be trued or a hole drilled on the press
    double machineMinutes = 0;  ///< from clamping until it may be turned
    double spreadMinutes = 0;   ///< from the first joint to the last: what the open time must cover
};

/// How the work is held from a step on, as far as proving it needs.
struct Held {
    bool set = false;  ///< this step mounts it
    Hold by = Hold::Tenon;
    double diameter = 0, depth = 0;  ///< mm, of the grip
    double overhang = 0;             ///< mm from the grip to the farthest place that is cut
    bool tailstock = false;          ///< stands up all the time
    bool onlyBored = false;          ///< nothing bends it: what is done in it presses along the axis
    int setUp = -1;                  ///< the set-up about whose axis it turns; −1: the true axis
    bool round = false;              ///< turned true already
    bool alongGrain = false;         ///< held where the grain runs along the axis
    bool rimToHead = false;          ///< its rim's end stands to the headstock
    bool forNow = false;             ///< its parts hold together only by paper, tape or their ends
    std::string jaws{};              ///< what they are called; empty: those on the chuck
    double from = 0, to = 0;         ///< stations of the piece that it is of, where it is a part of it; 0: all
    bool served = true;  ///< false: it was searched for an order that holds each operation as it needs, in vain
};

/// The speed, rpm, at which long work that one end alone holds is bored at the most; own cautious value.
inline constexpr double heldAtOneEnd = 500;

/// A step that another comes after by a rule of the order, not because it makes what the other uses.
struct PlacedBy {
    std::string step;
    std::string_view rule;  ///< its lasting name
    Text why;
};

/// What is done again until something is seen: how often as a rule, and what is seen.
struct Rounds {
    int usual = 0;    ///< 0: it is done once
    int planned = 0;  ///< the usual ones, or one more than were done
    int done = 0;
    Text until{};
};

/// One step from the boards to the piece.
struct Step {
    std::string id;  ///< lasts: made of what is done and the id of the layer
    Action action = Action::Cut;
    Text title;
    std::vector<std::string> inputs;   ///< what goes in: ids of parts or of things made by earlier steps
    std::vector<std::string> outputs;  ///< what comes out
    std::vector<std::string> after;    ///< ids of the steps that must be done first
    std::vector<PlacedBy> placedBy{};  ///< what puts it where it stands, the latest first
    Text why;                          ///< why it is done, and why then
    Text how;                          ///< tool and setting
    std::vector<Setting> settings;     ///< every number of it
    double workMinutes = 0;
    double waitMinutes = 0;
    std::vector<Resource> uses;  ///< what it occupies
    int layer = -1;              ///< place of its layer in the piece, or −1
    bool onStack = true;         ///< works on the stack as a whole rather than on one layer's own parts
    double rotationDeg = 0;      ///< on from the layer below, where it goes onto the stack
    GlueJoint glue{};
    Held held{};
    Effect effect{};
    /// Waits for a joint to set so far that a face may be trued, or that it may be turned.
    enum Cure { None, ForLight, ForHeavy } cure = None;
    Rounds rounds{};
    double untilPercent = 0;  ///< moisture at which its wait is over, whatever the clock says; 0: the clock says

    bool occupies(Resource r) const { return std::ranges::find(uses, r) != uses.end(); }
};

/// A directed acyclic graph of steps; `after` are its edges.
using Recipe = std::vector<Step>;

}  // namespace vl
