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
    return {
        .slant = {Resource::Saw, "re-cut slant", p.slant, Angle, "atan(rise / (2 · R · sin(180°/n)))", planeGeometry},
        .band = {Resource::Thicknesser, "band strip", p.bandStrip, Length, "band · cos slant", planeGeometry},
        .beside = {Resource::Thicknesser, "strips beside it", p.outerStrip, Length, "(panel width − band strip) / 2",
                   planeGeometry},
        .rip = {Resource::Saw, "strips ripped to", boardWidth, Length, "the ring's board width", planeGeometry},
        .step = {Resource::Saw, "step along the panel", p.step, Length, "(edge + kerf) / cos slant", planeGeometry},
        .height = {Resource::Saw, "height of a blank", p.blankHeight, Length, "planed thickness; half for diamonds",
                   planeGeometry}};
}

void settleMadeUp(const RingForm& f, const SegmentPanel& panel, BuiltLayer& b)
{
    const PanelSettings s = panelSettings(panel, b.stock.boardWidth());
    if (slanting(f)) b.settings.push_back(s.slant);
    b.settings.insert(b.settings.end(), {s.band, s.beside, s.rip});
    b.settings.push_back(
        {Resource::None, "panel width", panel.width, Unit::Length, "t · cos slant + edge · sin slant", planeGeometry});
    b.settings.push_back(s.step);
    if (slanting(f))
        b.settings.push_back({Resource::None, "rise where it is turned least", panel.riseAsTurned, Unit::Length,
                              "2 · r · sin(180°/n) · tan slant", planeGeometry});
    const int n = f.segments;
    if (slanting(f) && n % 2)
        b.cautions.push_back({.kind = "zigzag",
                              .measure = static_cast<double>(n),
                              .limit = static_cast<double>(n + 1),
                              .unit = "",
                              .message = says(words::zigzagBreaks),
                              .fixes = {layerFix(says(words::segmentsInstead, n + 1), b.index,
                                                 [n](Layer& q) { q.ring()->segments = n + 1; })}});
    constexpr double steepest = 60;  // degrees that a gauge turns to; own value
    if (panel.slant > steepest) {
        const double run = 2 * b.finishedOuter.high * std::sin(pi / n);
        b.cautions.push_back({.kind = "slant",
                              .level = Level::Stop,
                              .measure = panel.slant,
                              .limit = steepest,
                              .unit = "°",
                              .message = says(words::slantTooSteep),
                              .fixes = {layerFix(says(words::riseThatFits), b.index,
                                                 [rise = run * std::tan((steepest - 15) * degrees)](Layer& q) {
                                                     q.ring()->madeUp.rise = rise;
                                                 })}});
    }
    const double height = b.z1 - b.z0, room = f.madeUp.kind == MadeUp::Diamond ? height / 2 : height;
    const double high = (slanting(f) ? panel.riseAsTurned : 0) + f.madeUp.band;
    Caution band{.kind = "band", .measure = f.madeUp.band, .limit = room, .unit = "mm"};
    if (f.madeUp.band > room) {
        band.message = says(words::bandFillsLayer);
        band.fixes = {layerFix(says(words::bandOfThird), b.index, [room](Layer& q) {
            MadeUp& m = q.ring()->madeUp;
            m.band = room / 3;
            m.rise = std::min(m.rise, room / 2);
        })};
        b.cautions.push_back(band);
    } else if (high > room + 1e-9) {
        band.measure = high;
        band.message = says(words::bandAndRise);
        band.fixes = {layerFix(says(words::riseThatFits), b.index, [room](Layer& q) {
            MadeUp& m = q.ring()->madeUp;
            m.rise = std::max(0.0, room - m.band);
        })};
        b.cautions.push_back(band);
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
