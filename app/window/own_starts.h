#pragma once

#include "core/piece/document/piece.h"

#include <QString>

#include <vector>

namespace vl::app {

/// A piece that the turner keeps to begin others from: a file of its own.
struct OwnStart {
    QString path;
    Piece piece;
};

/// Those of a folder, by name; what cannot be read is left out and left where it is.
std::vector<OwnStart> ownStarts(const QString& folder);

/// Keeps the piece as a start under its name, without its progress; one of the same name is replaced. Throws InputError
/// where it cannot be written.
void keepAsStart(const Piece& piece, const QString& folder);

}  // namespace vl::app
