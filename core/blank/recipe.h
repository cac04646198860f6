#pragma once

#include "core/wood/species.h"

#include <string>
#include <vector>

namespace vl {

enum class Action { Cut, Glue, Wait, Flatten, Recut, Rotate, Drill, Mount, Turn, Sand, Finish, Split, PartOff };

/// The action's name as files and screens write it: "cut", "part off".
const char* actionName(Action action);

/// What kind of faces a glue joint brings together.
enum class JointFaces { LongGrain, MiteredEnds, EndToLong, EndGrain, CrossGrain, Veneer, Temporary };
const char* jointName(JointFaces faces);

/// A joint to be glued, as far as choosing and measuring the glue needs it.
struct GlueJoint {
    JointFaces faces = JointFaces::LongGrain;
    double area = 0;  ///< mm², all of the step's joints together; 0 where the step glues nothing
    int joints = 0;
    std::vector<const Species*> woods;
    std::string glue{};       ///< id in the glue book, once it is chosen
    double grams = 0;         ///< of it
    double spreadMinutes = 0; ///< from the first joint to the last: what the open time must cover
};

/// One step from the boards to the piece.
struct Step {
    std::string id;
    Action action = Action::Cut;
    std::string title;
    std::vector<std::string> inputs;   ///< what goes in: ids of parts or of things made by earlier steps
    std::vector<std::string> outputs;  ///< what comes out
    std::vector<std::string> after;    ///< ids of the steps that must be done first
    std::string why;                   ///< why it is done, and why then
    std::string how;                   ///< tool and setting
    double workMinutes = 0;
    double waitMinutes = 0;
    std::vector<std::string> uses;  ///< what it occupies: "saw", "clamp", "lathe", "drum sander"
    int layer = -1;                 ///< of the piece, or −1
    GlueJoint glue{};
};

/// A directed acyclic graph of steps; `after` are its edges.
using Recipe = std::vector<Step>;

}  // namespace vl
