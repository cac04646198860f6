#include "io/export.h"

#include "core/measure/input_error.h"
#include "io/csv.h"
#include "io/dxf.h"
#include "io/files.h"
#include "io/ical.h"
#include "io/solid_file.h"
#include "io/svg.h"

#include <algorithm>
#include <functional>

namespace vl::io {
namespace {

using Writer = std::function<void(const Piece&, const Plan&, const std::string&)>;

const std::vector<std::pair<std::string, Writer>>& writers()
{
    constexpr double finest = 0.02;  // mm between a solid's facets and the true surface
    const Writer solid = [](const Piece&, const Plan& plan, const std::string& path) {
        if (hasGaps(plan.assembly))
            throw InputError("file", "'" + path + "', of a piece with open segments",
                             "a solid whose surface is closed is; OBJ takes it as it is drawn");
        writeSolid(closedSurface(plan.sides, finest), path);
    };
    const Writer drawn = [](const Piece&, const Plan& plan, const std::string& path) {
        writeSolid(hasGaps(plan.assembly) ? drawnSurface(turnedMesh(plan.assembly, plan.sides, {finest, false}))
                                          : closedSurface(plan.sides, finest),
                   path);
    };
    static const std::vector<std::pair<std::string, Writer>> all{
        {"dxf", [](const Piece&, const Plan& plan, const std::string& path) { writeDxf(plan.sides, path); }},
        {"svg", [](const Piece&, const Plan& plan, const std::string& path) { writeFile(path, writeSvg(plan.sides)); }},
        {"csv", [](const Piece&, const Plan& plan, const std::string& path) { writeFile(path, writeCsv(plan)); }},
        {"ics", [](const Piece& piece, const Plan& plan,
                   const std::string& path) { writeFile(path, writeCalendar(piece, plan)); }},
        {"stl", solid},
        {"obj", drawn},
        {"3mf", solid},
    };
    return all;
}

auto writerOf(const std::string& path)
{
    return std::ranges::find_if(writers(), [&](const auto& w) { return path.ends_with("." + w.first); });
}

}  // namespace

bool canExport(const std::string& path) { return writerOf(path) != writers().end(); }

std::string exportEndings()
{
    std::string words;
    for (size_t i = 0; i < writers().size(); ++i)
        words += (i == 0 ? "" : i + 1 < writers().size() ? ", " : " and ") + writers()[i].first;
    return words;
}

void exportPiece(const Piece& piece, const Plan& plan, const std::string& path)
{
    const auto writer = writerOf(path);
    if (writer == writers().end())
        throw InputError("file", "'" + path.substr(path.rfind('/') + 1) + "'",
                         "a name that ends in " + exportEndings() + " is");
    writer->second(piece, plan, path);
}

}  // namespace vl::io
