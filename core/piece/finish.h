#pragma once

#include "core/measure/field.h"

namespace vl {

/// Which of the main schools a piece is finished by.
enum class FinishSchool {
    Shop,
    Oil,
    WipedVarnish,
    BrushedVarnish,
    Shellac,
    Lacquer,
    TwoPartOil,
    Wax,
    WaterBased,
    ThinGlue
};
inline std::span<const Choice> choices(FinishSchool)
{
    static constexpr std::array all{Choice{"shop", "one coat, as the shop has it"},
                                    Choice{"oil", "oil-varnish, wiped"},
                                    Choice{"wiped varnish", "varnish, wiped thin"},
                                    Choice{"brushed varnish", "varnish, brushed"},
                                    Choice{"shellac", "shellac, friction polished"},
                                    Choice{"lacquer", "lacquer, sprayed"},
                                    Choice{"two-part oil", "two-part oil, by measure"},
                                    Choice{"wax", "wax alone"},
                                    Choice{"water-based", "water-based"},
                                    Choice{"thin glue", "CA, thin then medium"}};
    return all;
}

}  // namespace vl
