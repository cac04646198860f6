#pragma once

#include <string>
#include <vector>

namespace vl {

enum class Action { Cut, Glue, Wait, Flatten, Recut, Rotate, Drill, Mount, Turn, Sand, Finish, Split, PartOff };

/// The action's name as files and screens write it: "cut", "part off".
const char* actionName(Action action);

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
};

/// A directed acyclic graph of steps; `after` are its edges.
using Recipe = std::vector<Step>;

}  // namespace vl
