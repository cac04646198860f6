#pragma once

#include "core/measure/text.h"
#include "core/piece/document/piece.h"

#include <functional>

namespace vl {

enum class Level { Note, Care, Stop };
const char* levelName(Level level);

/// A change that takes the cause of a caution away.
struct Fix {
    Text label;
    std::function<Piece(const Piece&)> apply;
};
/// A fix that changes one layer, within its fields' limits.
Fix layerFix(Text label, int layer, std::function<void(Layer&)> change);
/// A fix that changes the piece.
Fix pieceFix(Text label, std::function<void(Piece&)> change);

/// Something that will not work at the machine, said while it is still only a drawing.
struct Caution {
    std::string kind{};  ///< "overlap"
    std::string id{};    ///< kind and place: "overlap-L3"; lasts
    Level level = Level::Care;
    bool perLayer = false;  ///< of a kind that one layer after another can have: those are shown together
    std::string at{};       ///< in the trade's words
    double z = 0;           ///< where on the axis, mm
    int layer = -1;
    double measure = 0, limit = 0;
    std::string unit{};  ///< of measure and limit: "mm" or "°"
    Text message{};      ///< what fails, and what will happen
    std::vector<Fix> fixes{};

    /// What it is, and where: the one place where ids of cautions are made.
    void called(std::string what, const std::string& where = {});
};

}  // namespace vl
