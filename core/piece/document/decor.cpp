#include "core/piece/document/decor.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>

namespace vl {

bool covers(const GridCells& cells, int spoke, int spokes)
{
    const int on = spoke - cells.first;
    return on == 0 || (cells.every > 0 && on > 0 && on % cells.every == 0 && spoke < spokes);
}

void checkDecor(const Decor& d, const std::string& path)
{
    if (d.to <= d.from)
        throw InputError(path + ".to_mm", exact(d.to), "more than where it begins, " + exact(d.from) + " mm, is");
    checkIndex(d.spokes, d.plate, d.start, path);
    for (size_t i = 0; i < d.cells.size(); ++i) {
        const std::string& color = d.cells[i].color;
        const bool hex = color.size() == 7 && color[0] == '#' &&
                         std::all_of(color.begin() + 1, color.end(),
                                     [](char c) { return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'f'); });
        if (!hex)
            throw InputError(path + ".cells[" + std::to_string(i) + "].colour", "'" + color + "'",
                             "# and six of 0 to 9, a to f, are");
    }
}

}  // namespace vl
