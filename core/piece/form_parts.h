#pragma once

#include "core/geometry/outline.h"

#include <optional>

namespace vl {

/// A stretch of the outline that follows a rule, and goes on following it whatever is dragged beside it. Lengths mm.
struct FormPart {
    std::string id;  ///< lasts
    enum Kind { Ellipse, Cone, Bead, Cove, Ogee, Step, Vee, Foot } kind = Bead;
    double at = 20;       ///< station where it begins
    double length = 10;   ///< along the axis; of an ellipse what was measured and limits it, 0: nothing
    double diameter = 0;  ///< of an ellipse what was measured and limits it, 0: nothing; of a step and of a cone at its
                          ///< far end
    double ratio = 1.6180339887;  ///< an ellipse's length over its diameter; 1: a sphere
    double neck = 0;              ///< an ellipse's ends are cut off where they are as thin as this
    double depth = 3;             ///< of a V
    double share = 0.6667;        ///< of the greatest diameter that a foot has
    std::string extra;

    bool operator==(const FormPart&) const = default;
};
inline std::span<const Choice> choices(FormPart::Kind)
{
    static constexpr std::array all{Choice{"ellipse", "ellipse or sphere"},
                                    Choice{"cone", "cone"},
                                    Choice{"bead", "bead"},
                                    Choice{"cove", "cove"},
                                    Choice{"ogee", "ogee"},
                                    Choice{"step", "step or fillet"},
                                    Choice{"vee", "V cut"},
                                    Choice{"foot", "foot by a share"}};
    return all;
}
template <class V, As<FormPart> F> void fields(V& v, F& f)
{
    using P = FormPart;
    const bool ellipse = f.kind == P::Ellipse, foot = f.kind == P::Foot;
    v.text("id", f.id, 40, "Id", "lasts when forms are put in or taken out");
    v.choice("kind", f.kind, "Form");
    v.when(!foot).length("at_mm", f.at, {0, 3000}, "Begins at station");
    v.when(!foot).length("length_mm", f.length, {0, 3000}, ellipse ? "Length measured" : "Length",
                         ellipse ? "0: the diameter limits it" : "along the axis");
    v.when(ellipse || f.kind == P::Cone || f.kind == P::Step)
        .length("diameter_mm", f.diameter, {0, 2000}, ellipse ? "Diameter measured" : "Diameter",
                ellipse ? "0: the length limits it" : "at its far end");
    v.when(ellipse).number("ratio", f.ratio, {0.1, 20, ""}, "Length over diameter", "1.618 golden; 1: a sphere");
    v.when(ellipse).length("neck_mm", f.neck, {0, 1000}, "Its ends cut off at Ø");
    v.when(f.kind == P::Vee).length("depth_mm", f.depth, {0.1, 200}, "Depth");
    v.when(foot).number("share", f.share, {0.05, 1, ""}, "Share of the greatest diameter", "two thirds: 0.667");
}

/// Throws InputError naming the field under `path` where no such form is.
void checkFormPart(const FormPart& part, const std::string& path);

/// The outline with every form in its stretch: nodes that stood there are gone, nodes beside it are as they were. Where
/// an ellipse takes more or less length than the nodes left for it, what follows moves along the axis.
Outline withForms(Outline outline, const std::vector<FormPart>& parts);

/// Stations of a form and the diameters there, mm: what is turned to and tried by.
std::vector<std::pair<double, double>> stationsOf(const FormPart& part, const Outline& outline);

}  // namespace vl
