#pragma once

#include "core/plan/figure_text.h"

namespace vl {

/// How a number came about, in the trade's terms.
struct Working {
    std::string title{};
    std::string result{};   ///< with its unit
    std::string formula{};  ///< in words and symbols
    std::string numbers{};  ///< the same with this piece's numbers; empty where it is measured on the drawing
    std::string assumption{};
    std::string source{};
    std::string use{};  ///< where the number is used
};

/// The working of a figure of the whole piece, or of one layer. Lengths in `style`.
Working workingOf(FigureId figure, const Piece& piece, const Shop& shop, const Plan& plan, int layer,
                  LengthStyle style);

/// The working of a setting that a construction gives.
Working workingOf(const Setting& setting, LengthStyle style);

}  // namespace vl
