#pragma once

#include "core/measure/field.h"

namespace vl {

/// Clearances on the diameter between what goes into what, mm; below 0 it is larger than its hole. Our own values, to
/// be put right in the shop.
struct Fits {
    double jam = -0.1, glue = 0.1, slip = 0.25, loose = 0.6;
    std::string extra;
    bool operator==(const Fits&) const = default;
};
template <class V, As<Fits> F> void fields(V& v, F& f)
{
    constexpr Limit clearance{-2, 5};
    const char* const ours = "on the diameter; our own value";
    v.length("jam_mm", f.jam, clearance, "Jam fit", ours);
    v.length("glue_mm", f.glue, clearance, "Glue fit", ours);
    v.length("slip_mm", f.slip, clearance, "Slip fit", ours);
    v.length("loose_mm", f.loose, clearance, "Loose fit", ours);
}

enum class Fit { Jam, Glue, Slip, Loose };
inline std::span<const Choice> choices(Fit)
{
    static constexpr std::array all{Choice{"jam", "jam"}, Choice{"glue", "glue"}, Choice{"slip", "slip"},
                                    Choice{"loose", "loose"}};
    return all;
}
inline double clearanceOf(Fit fit, const Fits& fits)
{
    return std::array{fits.jam, fits.glue, fits.slip, fits.loose}[static_cast<size_t>(fit)];
}

/// A lid from the same blank, parted from the box so that the grain runs through.
struct Lid {
    bool on = false;
    double at = 60;  ///< station where lid and box meet, mm
    double top = 6;  ///< mm of wood over the lid's hollow
    enum Joint { OnBox, OnLid } joint = OnBox;
    double spigot = 6;    ///< mm, its length
    double wall = 3;      ///< mm of the spigot, on the radius
    Fit fit = Fit::Slip;  ///< as it is used; it is turned to a jam fit first
    double parting = 2;   ///< mm, width of the parting tool
    std::string extra;
    bool operator==(const Lid&) const = default;
};
inline std::span<const Choice> choices(Lid::Joint)
{
    static constexpr std::array all{Choice{"on the box", "on the box, the lid goes over it"},
                                    Choice{"on the lid", "on the lid, it goes into the box"}};
    return all;
}
template <class V, As<Lid> F> void fields(V& v, F& f)
{
    v.flag("on", f.on, "A lid from the same blank");
    v.when(f.on).length("at_mm", f.at, {1, 3000}, "Meets the box at station");
    v.when(f.on).length("top_mm", f.top, {1, 500}, "Wood over its hollow");
    v.when(f.on).choice("joint", f.joint, "Spigot");
    v.when(f.on).length("spigot_mm", f.spigot, {1, 100}, "Spigot's length");
    v.when(f.on).length("wall_mm", f.wall, {0.5, 100}, "Spigot's wall", "on the radius");
    v.when(f.on).choice("fit", f.fit, "Fit in use", "turned snug first, eased last");
    v.when(f.on).length("parting_mm", f.parting, {0.5, 20}, "Parting tool");
}

}  // namespace vl
