#include "io/drawing_file.h"

#include "core/measure/input_error.h"
#include "io/dxf_drawing.h"
#include "io/files.h"
#include "io/svg_drawing.h"

#include <algorithm>

namespace vl::io {

Drawing readDrawing(const std::string& path)
{
    constexpr size_t most = 20'000'000;  // bytes
    const std::string text = readFile(path);
    if (text.size() > most) throw InputError("drawing", std::to_string(text.size()) + " bytes", "up to 20 MB are");
    std::string ending = path.substr(path.size() < 4 ? 0 : path.size() - 4);
    std::ranges::transform(ending, ending.begin(), [](char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : c; });
    if (ending == ".svg") return readSvgDrawing(text);
    if (ending == ".dxf") return readDxfDrawing(text);
    throw InputError("drawing", "'" + path.substr(path.rfind('/') + 1) + "'", "a name that ends in .svg or .dxf is");
}

}  // namespace vl::io
