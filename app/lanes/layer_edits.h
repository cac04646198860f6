#pragma once

#include "app/document/document.h"

class QMenu;

namespace vl::app {

/// What can be done with a layer, as every menu offers it; `share` (0 … 1) is where in the layer a split goes.
void fillLayerMenu(QMenu& menu, Document& document, int layer, double share = 0.5);

}  // namespace vl::app
