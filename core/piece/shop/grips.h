#pragma once

#include "core/measure/field.h"

namespace vl {

/// Everything that work can be held by on a lathe, in the order in which files name it.
enum class Hold {
    Centers,
    Tenon,
    Recess,
    GlueBlock,
    Faceplate,
    Screw,
    Jam,
    Cushion,
    Buttons,
    RimPlates,
    Sleeve,
    Mandrel,
    Vacuum,
    Eccentric,
    Tilted
};
inline std::span<const Choice> choices(Hold)
{
    static constexpr std::array all{Choice{"centres", "between centers"},
                                    Choice{"tenon", "a tenon in jaws"},
                                    Choice{"recess", "a recess on jaws"},
                                    Choice{"glue block", "a glue block"},
                                    Choice{"faceplate", "a faceplate"},
                                    Choice{"screw", "a worm screw"},
                                    Choice{"jam", "a jam chuck"},
                                    Choice{"cushion", "a cushioned form"},
                                    Choice{"buttons", "buttons on a plate"},
                                    Choice{"rim plates", "rim plates"},
                                    Choice{"sleeve", "a split sleeve in a bore"},
                                    Choice{"mandrel", "a mandrel"},
                                    Choice{"vacuum", "a vacuum cup"},
                                    Choice{"eccentric", "an eccentric chuck"},
                                    Choice{"tilted", "tilted in jaws"}};
    return all;
}

/// What each grip stands: the stress that it may see, N/mm², as if the held diameter were a round bar bent where it
/// leaves its holder. Our own cautious values, to be put right in the shop; the vacuum's follows from the pressure.
struct Grips {
    double centers = 8, tenon = 3.5, recess = 2, glueBlock = 0.8, faceplate = 2.5, screw = 1.5, jam = 0.25,
           cushion = 0.15, buttons = 0.3, rimPlates = 0.5, sleeve = 1.2, mandrel = 1.5, eccentric = 1.5, tilted = 1.2;
    double vacuum = 60;  ///< kPa below the air's pressure that the pump keeps
    std::string extra;

    bool operator==(const Grips&) const = default;
};
template <class V, As<Grips> F> void fields(V& v, F& f)
{
    constexpr Limit stress{0.01, 50, "N/mm²"};
    const char* const ours = "our own cautious value";
    v.number("centres_n_mm2", f.centers, stress, "Between centers, N/mm²", ours);
    v.number("tenon_n_mm2", f.tenon, stress, "Tenon in jaws, N/mm²", ours);
    v.number("recess_n_mm2", f.recess, stress, "Recess on jaws, N/mm²", ours);
    v.number("glue_block_n_mm2", f.glueBlock, stress, "Glue block, N/mm²", ours);
    v.number("faceplate_n_mm2", f.faceplate, stress, "Faceplate, N/mm²", ours);
    v.number("screw_n_mm2", f.screw, stress, "Worm screw's flange, N/mm²", ours);
    v.number("jam_n_mm2", f.jam, stress, "Jam chuck, N/mm²", ours);
    v.number("cushion_n_mm2", f.cushion, stress, "Cushioned form, N/mm²", ours);
    v.number("buttons_n_mm2", f.buttons, stress, "Buttons, N/mm²", ours);
    v.number("rim_plates_n_mm2", f.rimPlates, stress, "Rim plates, N/mm²", ours);
    v.number("sleeve_n_mm2", f.sleeve, stress, "Split sleeve, N/mm²", ours);
    v.number("mandrel_n_mm2", f.mandrel, stress, "Mandrel, N/mm²", ours);
    v.number("eccentric_n_mm2", f.eccentric, stress, "Eccentric chuck, N/mm²", ours);
    v.number("tilted_n_mm2", f.tilted, stress, "Tilted in jaws, N/mm²", ours);
    v.number("vacuum_kpa", f.vacuum, {5, 100, "kPa"}, "Vacuum, kPa", "below the air's pressure");
}

}  // namespace vl
