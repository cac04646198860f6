#pragma once

#include "io/json_reader.h"

namespace vl::io {

/// A piece file of version 1 as one of version 2: layers get ids, each keeps its own construction's form only, and
/// steps, parts and the trial ring are named by the layer's id. What cannot be carried over is noted. What is no object
/// or list where one should be is left for the reader to refuse.
Json fromVersion1(Json piece, std::vector<std::string>& notes);

}  // namespace vl::io
