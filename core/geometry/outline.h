#pragma once

#include "core/geometry/profile.h"
#include "core/measure/field.h"

#include <array>
#include <string>
#include <vector>

namespace vl {

/// What runs from one node to the next.
enum class Span { Line, Arc, Curve };
inline std::span<const Choice> choices(Span)
{
    static constexpr std::array all{Choice{"line", "straight line"}, Choice{"arc", "arc"},
                                    Choice{"curve", "smooth curve"}};
    return all;
}

/// One node of an outline. `span` and `bulge` describe the way to the next node; on the last node they rest.
struct Node {
    double z = 0;  ///< mm from the headstock face
    double r = 0;  ///< mm from the axis
    Span span = Span::Curve;
    double bulge = 0;     ///< of an arc: sagitta / half chord, −1 … 1; positive swells away from the axis,
                          ///< never past the stations of its ends
    bool smooth = true;   ///< curves meet here without a corner
    std::string form{};   ///< id of the form that put it here; empty: drawn
    std::string extra{};  ///< keys of a newer version, kept for saving

    bool operator==(const Node&) const = default;
};
template <class V, As<Node> F> void fields(V& v, F& f)
{
    v.length("z_mm", f.z, {0, 3000}, "Station", "from the headstock face");
    v.length("r_mm", f.r, {0, 1000}, "Radius");
    v.choice("span", f.span, "To the next node");
    v.when(f.span == Span::Arc).number("bulge", f.bulge, {-1, 1, ""}, "Bulge", "sagitta / half chord, out positive");
    v.flag("smooth", f.smooth, "Smooth", "curves meet here without a corner");
    v.quiet().text("form", f.form, 40, "Form", "that put it here");
}

/// A drawn outline: a chain of nodes. Its stations may fall back, as long as it does not cross itself.
using Outline = std::vector<Node>;

/// Whether a node alone keeps an outline at the headstock’s face.
bool standsAlone(const Outline& outline, size_t i);

/// Whether an outline may fall back: a piece's own may, what another axis or a saw follows may not.
enum class Stations { NeverFall, MayFallBack };
/// What no single field can say: two nodes or more that reach along the axis, stations that never fall where they must
/// not, and no place where it crosses itself. Throws InputError naming `field`.
void checkOutline(const Outline& outline, const std::string& field, size_t mostNodes,
                  Stations stations = Stations::NeverFall);

/// From the least station of its nodes to the greatest, mm: nothing of it lies beyond.
Range reachOf(const Outline& outline);

/// The outline as a polyline that stays within `tolerance` mm of it; every node is one of its points.
/// Curves are cubic Hermite spans with monotone tangents (Fritsch & Carlson, SIAM J. Numer. Anal. 17, 1980, in the
/// harmonic mean form of Brodlie), in z and in r, by chord length: a curve never swells past its nodes.
Polyline flatten(const Outline& outline, double tolerance = 0.01);

/// The index in flatten()'s result of each node.
std::vector<size_t> nodePositions(const Outline& outline, double tolerance = 0.01);

/// Splits the span that holds station `z` there, on the curve; of several the one that lies nearest to radius `r`, or
/// the first. Returns the new node's index.
size_t insertNode(Outline& outline, double z, double r = -1);

/// A node in the middle of the span that is longest along the axis; returns its index.
size_t insertInLongestSpan(Outline& outline);

/// The outline with node `i` at (z, r), off the far side of the axis; kept in order between its neighbors unless it may
/// fall back, or does so there already.
Outline movedNode(Outline outline, size_t i, double z, double r, Stations stations = Stations::NeverFall);

/// The middle of the arc from one node to the next by its bulge, and the bulge, −1 … 1, of the arc that rises as far
/// from their chord as `p` lies; 0 where both nodes lie in one place. Plane geometry.
Point middleOfArc(const Node& a, const Node& b);
double bulgeThrough(const Node& a, const Node& b, const Point& p);

/// The outline with diameter `d` at station `z`: the node within 0.5 mm moved there, or a new one put in.
Outline withDiameter(Outline outline, double z, double d);

/// The outline stretched along the axis to a new length; radii stay.
Outline stretched(Outline outline, double length);

}  // namespace vl
