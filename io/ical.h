#pragma once

#include "core/plan/plan.h"

#include <string>

namespace vl::io {

/// The timetable as iCalendar (RFC 5545): an event for every stretch of work, in floating local time, with what is
/// done, how and why. What is done already and pure waiting are left out. Lines are folded at 75 octets and end in CR
/// LF.
std::string writeCalendar(const Piece& piece, const Plan& plan);

}  // namespace vl::io
