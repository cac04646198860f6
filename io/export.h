#pragma once

#include "core/plan/plan.h"

#include <string>

namespace vl::io {

/// Whether a file of this name can be exported, and the endings that can be: "dxf, svg, csv, ics, stl, obj, 3mf and
/// png".
bool canExport(const std::string& path);
std::string exportEndings();

/// Writes what the ending of `path` names: the profile (dxf, svg), cut list and stations (csv), the timetable (ics),
/// the turned solid (stl, obj, 3mf) or its picture (png). Throws InputError where it cannot be written, or has another
/// ending.
void exportPiece(const Piece& piece, const Plan& plan, const std::string& path);

/// Writes the bodies that are there after a step of the recipe as a solid, each closed by itself, or as a picture
/// with what holds the work then.
/// Throws InputError where there is no such step, or nothing is cut then, or `path` ends otherwise.
void exportWorkState(const Piece& piece, const Shop& shop, const Plan& plan, const std::string& step,
                     const std::string& path);

}  // namespace vl::io
