#pragma once

#include "app/access/readable.h"
#include "app/document/document.h"

#include <functional>

namespace vl::app {

/// A layer in words: "layer 3, ring, 12 segments, walnut and maple, 20 mm high".
QString layerInWords(const Document& document, int layer);

/// The layers as things of a view that shows each in the box that `place` gives.
std::vector<ReadableItem> layerThings(const Document& document, const std::function<QRect(int layer)>& place);

/// The segments of the chosen layer.
std::vector<ReadableItem> segmentThings(const Document& document, const std::function<QRect(int segment)>& place);

}  // namespace vl::app
