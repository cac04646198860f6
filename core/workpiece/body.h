#pragma once

#include "core/recipe/step.h"

#include <map>
#include <set>

namespace vl {

/// Some layers of a piece as they are at one moment of the work: cut, glued together, turned so far.
struct Body {
    std::vector<size_t> layers;  ///< from the headstock on; none of a waste block alone
    bool joined = false;         ///< its parts are glued together
    bool round = false;          ///< turned outside
    bool hollow = false;
    size_t axes = 0;                                             ///< set-ups on other axes that are turned
    bool rings = false;                                          ///< parted into nested rings
    enum Part { All, Box, Lid } part = All;                      ///< of a piece whose lid is parted from it
    enum Reversed { None, First, Reassembled } reversed = None;  ///< of parts that are turned inside out
    enum Split { Whole, Opened, TurnedOn } split = Whole;
    bool fitted = false;          ///< with what is bought
    std::set<std::string> cut{};  ///< steps of saw and drill, of filling and coloring that are done
    Region swept{};               ///< its wood, as far as its corners reach while it turns, waste and block with it
    Region solid{};               ///< where there is wood all round
    std::string mount{};          ///< step that mounted it as it is held now; empty: not on the lathe
    Range grip{};                 ///< stations that it is held between, mm
    double shift = 0;             ///< mm along the axis away from where it lies in the piece

    bool isDone(const std::string& step) const { return cut.contains(step); }
    bool operator==(const Body&) const = default;
};

/// A layer's wood before the lathe has touched it: what its corners sweep, and where it is all round.
struct LayerStock {
    Region swept, solid;
};

/// What a recipe starts from: the things that parts are by their ids, and the wood of every layer.
struct Stock {
    std::map<std::string, std::set<size_t>> parts;
    std::vector<LayerStock> layers;
};

}  // namespace vl
