#pragma once

#include "core/constructions/construction.h"
#include "core/constructions/made_up.h"

namespace vl {

/// What the panel of made-up segments has to set.
struct PanelSettings {
    Setting slant, band, beside, rip, step, height;
};
/// `boardWidth`: of the ring's segments, mm.
PanelSettings panelSettings(const SegmentPanel& panel, double boardWidth);

/// What made-up segments set, and what of their bands will not work: into the layer's settings and concerns.
void settleMadeUp(const RingForm& form, const SegmentPanel& panel, BuiltLayer& layer);

/// Strips of the panels of one wood for `count` blanks: no longer than can be clamped and held straight; each yields
/// whole segments.
void panelParts(const Site& site, const RingForm& form, const SegmentPanel& panel, const BuiltLayer& layer,
                const Species* wood, int count, std::vector<Part>& out);

}  // namespace vl
