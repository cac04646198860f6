#pragma once

#include "core/piece/document/layer_forms.h"

namespace vl {

/// A log whose axis is off its middle, for the sake of an edge or a figure: its own middle lies the other way from the
/// axis. Which way that is, degrees from 12 o'clock.
double logMiddleTowards(const BlockForm& log);

/// How far the axis is from the log's middle, mm; it never leaves the wood.
double logOffset(const BlockForm& log);

/// The Ø that it holds about its axis, mm: what a centered log holds, less twice the offset.
double logHolds(const BlockForm& log);

/// The log laid so that its middle is `off` mm from the axis, at `towards` degrees from 12 o'clock.
void setLogMiddle(BlockForm& log, double off, double towards);

}  // namespace vl
