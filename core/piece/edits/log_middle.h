#pragma once

#include "core/geometry/convex.h"
#include "core/piece/document/piece.h"

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

/// Its skin as flat faces along the axis, `count` round it, each of them `open` or not.
std::vector<HalfSpace> logFaces(const BlockForm& log, int count, bool open);

/// The log of a piece that is one whole log; null where it is not.
const BlockForm* wholeLog(const Piece& piece);
/// The same where its bark stays.
const BlockForm* logWithBark(const Piece& piece);

}  // namespace vl
