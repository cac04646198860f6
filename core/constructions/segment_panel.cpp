#include "core/constructions/segment_panel.h"

#include "core/words/build.h"
#include "core/words/cut.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Segments are then cut from the panel at an angle.
bool slanting(const RingForm& f) { return f.madeUp.kind == MadeUp::Zigzag || f.madeUp.kind == MadeUp::Diamond; }

}  // namespace

PanelSettings panelSettings(const SegmentPanel& p, double boardWidth)
{
    using enum Unit;
    return {.slant = {"saw", "re-cut slant", p.slant, Angle, "atan(rise / (2 · R · sin(180°/n)))", planeGeometry},
            .band = {"thicknesser", "band strip", p.bandStrip, Length, "band · cos slant", planeGeometry},
            .beside = {"thicknesser", "strips beside it", p.outerStrip, Length, "(panel width − band strip) / 2",
                       planeGeometry},
            .rip = {"saw", "strips ripped to", boardWidth, Length, "the ring's board width", planeGeometry},
            .step = {"saw", "step along the panel", p.step, Length, "(edge + kerf) / cos slant", planeGeometry},
            .height = {"saw", "height of a blank", p.blankHeight, Length, "planed thickness; half for diamonds",
                       planeGeometry}};
}

void settleMadeUp(const RingForm& f, const SegmentPanel& panel, BuiltLayer& b)
{
    const PanelSettings s = panelSettings(panel, b.stock.boardWidth());
    if (slanting(f)) b.settings.push_back(s.slant);
    b.settings.insert(b.settings.end(), {s.band, s.beside, s.rip});
    b.settings.push_back(
        {"", "panel width", panel.width, Unit::Length, "t · cos slant + edge · sin slant", planeGeometry});
    b.settings.push_back(s.step);
    if (slanting(f))
        b.settings.push_back({"", "rise where it is turned least", panel.riseAsTurned, Unit::Length,
                              "2 · r · sin(180°/n) · tan slant", planeGeometry});
    const int n = f.segments;
    if (slanting(f) && n % 2)
        b.concerns.push_back({.id = "zigzag",
                              .measure = static_cast<double>(n),
                              .limit = static_cast<double>(n + 1),
                              .unit = "",
                              .message = says(words::zigzagBreaks),
                              .fix = says(words::segmentsInstead, n + 1),
                              .change = [n](Layer& q) { q.ring()->segments = n + 1; }});
    constexpr double steepest = 60;  // degrees that a gauge turns to; own value
    if (panel.slant > steepest) {
        const double run = 2 * b.finishedOuter.high * std::sin(pi / n);
        b.concerns.push_back(
            {.id = "slant",
             .stop = true,
             .measure = panel.slant,
             .limit = steepest,
             .unit = "°",
             .message = says(words::slantTooSteep),
             .fix = says(words::riseThatFits),
             .change = [rise = run * std::tan((steepest - 15) * degrees)](Layer& q) { q.ring()->madeUp.rise = rise; }});
    }
    const double height = b.z1 - b.z0, room = f.madeUp.kind == MadeUp::Diamond ? height / 2 : height;
    const double high = (slanting(f) ? panel.riseAsTurned : 0) + f.madeUp.band;
    Concern band{
        .id = "band", .measure = f.madeUp.band, .limit = room, .unit = "mm", .message = {}, .fix = {}, .change = {}};
    if (f.madeUp.band > room) {
        band.message = says(words::bandFillsLayer);
        band.fix = says(words::bandOfThird);
        band.change = [room](Layer& q) {
            MadeUp& m = q.ring()->madeUp;
            m.band = room / 3;
            m.rise = std::min(m.rise, room / 2);
        };
        b.concerns.push_back(band);
    } else if (high > room + 1e-9) {
        band.measure = high;
        band.message = says(words::bandAndRise);
        band.fix = says(words::riseThatFits);
        band.change = [room](Layer& q) {
            MadeUp& m = q.ring()->madeUp;
            m.rise = std::max(0.0, room - m.band);
        };
        b.concerns.push_back(band);
    }
}

void panelParts(const Site& site, const RingForm& f, const SegmentPanel& p, const BuiltLayer& b, const Species* wood,
                int count, std::vector<Part>& out)
{
    constexpr double longest = 600;  // mm
    const int most = std::max(1, static_cast<int>(longest / p.step)), panels = (count + most - 1) / most;
    const double length = (count + panels - 1) / panels * p.step + p.width * std::tan(p.slant * degrees);
    const std::string id = wood->id;
    if (p.outerStrip > 0)
        out.push_back(squarePart(site, {.id = id + "-side",
                                        .name = std::string(wood->name) + " strip of the panel",
                                        .wood = wood,
                                        .count = 2 * panels,
                                        .length = length,
                                        .width = b.stock.boardWidth(),
                                        .thickness = p.outerStrip,
                                        .grain = "along the strip"}));
    out.push_back(squarePart(site, {.id = id + "-band",
                                    .name = "band strip of the panel",
                                    .wood = &speciesOf(f.madeUp.wood),
                                    .count = panels,
                                    .length = length,
                                    .width = b.stock.boardWidth(),
                                    .thickness = p.bandStrip,
                                    .grain = "along the strip"}));
}

}  // namespace vl
