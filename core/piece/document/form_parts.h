#pragma once

#include "core/geometry/outline.h"

#include <optional>

namespace vl {

/// A stretch of the outline that follows a rule, and goes on following it whatever is dragged beside it. Lengths mm.
struct FormPart {
    std::string id;  ///< lasts
    enum Kind { Ellipse, Cone, Bead, Cove, Ogee, Step, Vee, Foot, Tenon } kind = Bead;
    double at = 20;       ///< station where it begins
    double length = 10;   ///< along the axis; of an ellipse what was measured and limits it, 0: nothing
    double diameter = 0;  ///< of an ellipse what was measured and limits it, 0: nothing; of a step and of a cone at its
                          ///< far end; of a tenon that of the hole it goes into, at its mouth
    double ratio = 1.6180339887;              ///< an ellipse's length over its diameter; 1: a sphere
    double neck = 0;                          ///< an ellipse's ends are cut off where they are as thin as this
    double depth = 3;                         ///< of a V
    double share = 0.6667;                    ///< of the greatest diameter that a foot has
    enum End { AtFoot, AtRim } end = AtFoot;  ///< where a tenon stands
    double shoulder = 30;                     ///< of a tenon, Ø
    double taper = 0;                         ///< degrees that a tenon's side leans, thinner towards its tip
    double fit = 0.1;                         ///< that a tenon is thinner than its hole, on the diameter
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
                                    Choice{"foot", "foot by a share"},
                                    Choice{"tenon", "tenon at an end"}};
    return all;
}
inline std::span<const Choice> choices(FormPart::End)
{
    static constexpr std::array all{Choice{"foot", "at the foot"}, Choice{"rim", "at the rim"}};
    return all;
}
template <class V, As<FormPart> F> void fields(V& v, F& f)
{
    using P = FormPart;
    const bool ellipse = f.kind == P::Ellipse, foot = f.kind == P::Foot, tenon = f.kind == P::Tenon;
    v.text("id", f.id, 40, "Id", "lasts when forms are put in or taken out");
    v.choice("kind", f.kind, "Form");
    v.when(tenon).choice("end", f.end, "Stands");
    v.when(!foot && !tenon).length("at_mm", f.at, {0, 3000}, "Begins at station");
    v.when(!foot).length("length_mm", f.length, {0, 3000}, ellipse ? "Length measured" : "Length",
                         ellipse ? "0: the diameter limits it" : "along the axis");
    v.when(ellipse || tenon || f.kind == P::Cone || f.kind == P::Step)
        .length("diameter_mm", f.diameter, {0, 2000},
                ellipse ? "Diameter measured"
                : tenon ? "Hole it fits, Ø"
                        : "Diameter",
                ellipse ? "0: the length limits it"
                : tenon ? "at its mouth"
                        : "at its far end");
    v.when(ellipse).number("ratio", f.ratio, {0.1, 20, ""}, "Length over diameter", "1.618 golden; 1: a sphere");
    v.when(ellipse).length("neck_mm", f.neck, {0, 1000}, "Its ends cut off at Ø");
    v.when(f.kind == P::Vee).length("depth_mm", f.depth, {0.1, 200}, "Depth");
    v.when(tenon).length("shoulder_mm", f.shoulder, {1, 2000}, "Its shoulder, Ø");
    v.when(tenon).angle("taper_deg", f.taper, {0, 15}, "Tapered, its side leans by, degrees", "0: straight");
    v.when(tenon).length("fit_mm", f.fit, {-1, 5}, "Thinner than its hole by", "on the diameter; own value for glue");
    v.when(foot).number("share", f.share, {0.05, 1, ""}, "Share of the greatest diameter", "two thirds: 0.667");
}

/// Throws InputError naming the field under `path` where no such form is.
void checkFormPart(const FormPart& part, const std::string& path);

/// The outline with every form in its stretch: nodes that stood there are gone, nodes beside it are as they were. Where
/// an ellipse takes more or less length than the nodes left for it, what follows moves along the axis.
Outline withForms(Outline outline, const std::vector<FormPart>& parts);

/// A tenon from end to end. Lengths mm.
struct TenonShape {
    double from = 0, to = 0;   ///< stations
    double root = 0, tip = 0;  ///< Ø at its shoulder, and at its end
};
TenonShape tenonShape(const FormPart& part, const Outline& outline);

/// Stations of a form and the diameters there, mm: what is turned to and tried by.
std::vector<std::pair<double, double>> stationsOf(const FormPart& part, const Outline& outline);

}  // namespace vl
