#pragma once

#include "core/piece/shop/shop.h"
#include "io/piece_json.h"

#include <QIODevice>

#include <functional>
#include <string>

namespace vl::io {

/// The whole of a file, up to 64 MiB; throws InputError where it cannot be read.
std::string readFile(const std::string& path);

/// Writes a file through a temporary one and a rename, so that at any moment either the old or the new one is there.
/// Throws InputError, with the system's reason, where it cannot: the old file is then as it was.
void writeFile(const std::string& path, std::string_view text);

/// Lets `write` fill a file that takes the place of `path` once it is known to be whole (FreshFile).
void replaceFile(const std::string& path, const std::function<void(QIODevice&)>& write);
/// The same for a writer that asks for a path; whole is what ends in `ending`.
void replaceFile(const std::string& path, const std::function<void(const std::string& temporary)>& write,
                 std::string_view ending);

/// readPiece() and readShop() of a file, the error naming it.
LoadedPiece loadPiece(const std::string& path);
Shop loadShop(const std::string& path);

}  // namespace vl::io
