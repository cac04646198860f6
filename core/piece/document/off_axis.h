#pragma once

#include "core/geometry/outline.h"

#include <array>
#include <span>
#include <string>
#include <vector>

namespace vl {

inline constexpr size_t mostAxisNodes = 60;

enum class AxisBy { Centers, Tilt, Eccentric };
inline std::span<const Choice> choices(AxisBy)
{
    static constexpr std::array all{Choice{"centres", "centers marked on both ends"},
                                    Choice{"tilt", "tilted in the jaws"},
                                    Choice{"eccentric", "an eccentric chuck, tailstock up"}};
    return all;
}

/// Turning about an axis that is not the true one, at one place or at several round the piece: a set-up for each, all
/// with the same outline. Directions in degrees from 12 o'clock, lengths mm.
struct OffAxis {
    std::string id;    ///< lasts
    std::string name;  ///< "grip"; empty: by its number
    AxisBy by = AxisBy::Centers;
    double headOffset = 5, headDirection = 0;  ///< of its center at the headstock's end, off the true one
    double tailOffset = 5, tailDirection = 0;
    double tilt = 4;     ///< degrees (Tilt)
    double pivot = 0;    ///< station where a tilted axis crosses the true one
    int sides = 3;       ///< how many set-ups, each turned on from the one before
    std::string steps;   ///< holes from each side to the next, "2 2 2 3 3"; empty: equal
    int plate = 0;       ///< holes of the index plate; 0: the centers are laid out by angle
    int start = 0;       ///< hole of the first side
    double advance = 0;  ///< along the axis from each side to the next: a staged spiral
    double band = 3;     ///< wanted between neighboring flats as a band of the round; less is a caution
    Outline outside;     ///< radius about its own axis, over the stations that are turned there
    std::string extra;

    bool operator==(const OffAxis&) const = default;
};
template <class V, As<OffAxis> F> void fields(V& v, F& f)
{
    constexpr Limit offset{0, 500}, turn{-360, 360, "°"};
    const bool ends = f.by == AxisBy::Centers, tilted = f.by == AxisBy::Tilt;
    v.text("id", f.id, 40, "Id", "lasts when axes are put in, taken out or moved");
    v.text("name", f.name, 100, "Name");
    v.choice("by", f.by, "Axis by");
    v.when(!tilted).length("head_offset_mm", f.headOffset, offset, "Off center at the head");
    v.angle("head_direction_deg", f.headDirection, turn, "Its direction", "of the first, from 12 o'clock");
    v.when(ends).length("tail_offset_mm", f.tailOffset, offset, "Off center at the tail");
    v.when(ends).angle("tail_direction_deg", f.tailDirection, turn, "Its direction at the tail");
    v.when(tilted).angle("tilt_deg", f.tilt, {0, 30, "°"}, "Tilt");
    v.when(tilted).length("pivot_mm", f.pivot, {0, 3000}, "Pivot, from the headstock face");
    v.count("sides", f.sides, {1, 24, ""}, "Sides");
    v.text("steps", f.steps, 200, "Holes from side to side", "as 2 2 2 3 3; empty: equal");
    v.count("plate", f.plate, {0, 400, ""}, "Index plate, holes", "0: laid out on the ends by angle");
    v.when(f.plate > 0).count("start", f.start, {0, 400, ""}, "First in hole");
    v.length("advance_mm", f.advance, {-500, 500}, "On along the axis, each side", "a staged spiral");
    v.length("band_mm", f.band, {0, 500}, "Round left between flats", "a narrower band is a caution");
    v.list("outside", f.outside, mostAxisNodes, "Outline about its own axis");
}

/// The steps that a text of whole numbers gives; throws InputError naming `field` where it holds anything else.
std::vector<int> stepsOf(const std::string& text, const std::string& field);

/// Throws InputError naming the field under `path` where the axis cannot be.
void checkOffAxis(const OffAxis& axis, const std::string& path);

/// What stays of the blank's own outline: square and winged work keeps its edges.
struct Edge {
    enum Kind { Turned, Square, Bark } kind = Turned;
    double length = 200;  ///< mm, along the grain of the layers that lie across the axis
    double width = 200;   ///< mm, across it
    double nipped = 0;    ///< mm, radius to which its corners are cut off before it turns; 0: they stay
    std::string extra;
    bool operator==(const Edge&) const = default;
};
inline std::span<const Choice> choices(Edge::Kind)
{
    static constexpr std::array all{Choice{"turned", "turned round"}, Choice{"square", "square or rectangular, stays"},
                                    Choice{"bark", "the log\u2019s bark, where the outline goes beyond it"}};
    return all;
}
template <class V, As<Edge> F> void fields(V& v, F& f)
{
    constexpr Limit side{5, 2000};
    v.choice("kind", f.kind, "Edge");
    v.when(f.kind == Edge::Square).length("length_mm", f.length, side, "Length", "along the grain");
    v.when(f.kind == Edge::Square).length("width_mm", f.width, side, "Width", "across the grain");
    v.when(f.kind == Edge::Square)
        .quiet()
        .length("nipped_mm", f.nipped, {0, 2000}, "Corners nipped to a radius of", "0: they stay");
}

}  // namespace vl
