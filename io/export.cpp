#include "io/export.h"

#include "core/measure/input_error.h"
#include "core/picture/finished.h"
#include "core/picture/parted.h"
#include "core/picture/work_state.h"
#include "core/plan/film.h"
#include "io/csv.h"
#include "io/dxf.h"
#include "io/files.h"
#include "io/ical.h"
#include "io/picture.h"
#include "io/solid_file.h"
#include "io/svg.h"

#include <algorithm>
#include <functional>

namespace vl::io {
namespace {

using Writer = std::function<void(const Piece&, const Plan&, const std::string&)>;

constexpr double finest = 0.02;  // mm between a solid's facets and the true surface
constexpr double shown = 0.05;   // and in a picture

const std::vector<std::pair<std::string, Writer>>& writers()
{
    const auto closed = [](const Piece& piece, const Plan& plan) {
        Solid s = finishedSolid(piece, plan.surfaces, finest);
        if (!s.whole)
            throw InputError("file", "a solid that touches or crosses itself",
                             "a wall that is whole, and cuts that cross or keep clear of one another, is");
        return s.surface;
    };
    const Writer solid = [closed](const Piece& piece, const Plan& plan, const std::string& path) {
        if (hasGaps(plan.assembly))
            throw InputError("file", "'" + path + "', of a piece with open segments",
                             "a solid whose surface is closed is; OBJ takes it as it is drawn");
        writeSolid(closed(piece, plan), path);
    };
    const Writer drawn = [closed](const Piece& piece, const Plan& plan, const std::string& path) {
        writeSolid(hasGaps(plan.assembly) ? drawnSurface(turnedMesh(plan.assembly, plan.surfaces, {finest, false}))
                                          : closed(piece, plan),
                   path);
    };
    const Writer picture = [](const Piece& piece, const Plan& plan, const std::string& path) {
        const MeshDetail detail{shown, false};
        writePicture(piece.nest.on ? partedMesh(plan.assembly, piece.nest, outlineHeight(piece), detail)
                                   : finishedMesh(piece, plan.assembly, plan.surfaces, detail),
                     plan.shape.height, plan.shape.greatestDiameter, path);
    };
    static const std::vector<std::pair<std::string, Writer>> all{
        {"dxf", [](const Piece&, const Plan& plan, const std::string& path) { writeDxf(plan.surfaces, path); }},
        {"svg",
         [](const Piece&, const Plan& plan, const std::string& path) { writeFile(path, writeSvg(plan.surfaces)); }},
        {"csv", [](const Piece&, const Plan& plan, const std::string& path) { writeFile(path, writeCsv(plan)); }},
        {"ics", [](const Piece& piece, const Plan& plan,
                   const std::string& path) { writeFile(path, writeCalendar(piece, plan)); }},
        {"stl", solid},
        {"obj", drawn},
        {"3mf", solid},
        {"png", picture},
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

void exportWorkState(const Piece& piece, const Shop& shop, const Plan& plan, const std::string& step,
                     const std::string& path)
{
    const auto& order = plan.schedule.order;
    const auto at =
        std::ranges::find_if(order, [&](size_t i) { return plan.assembly.recipe[i].id == step; }) - order.begin();
    if (at == static_cast<long>(order.size()))
        throw InputError("step", "'" + step.substr(0, 80) + "'", "the id of a step of the plan is");
    const std::vector<Body> bodies = bodiesAfter(plan.assembly, order, static_cast<size_t>(at) + 1);
    if (bodies.empty())
        throw InputError("step", "'" + step + "', after which nothing is cut yet", "a step that gives a part is");
    if (!path.ends_with(".png"))
        return writeSolid(bodiesSurface(piece, plan.assembly, plan.surfaces, bodies, finest), path);
    const Reach reach = reachOf(plan.assembly, plan.surfaces, bodies);
    Mesh mesh = bodiesMesh(piece, plan.assembly, plan.surfaces, bodies, {shown, false});
    showHolding(piece, shop, plan, static_cast<size_t>(at) + 1, mesh);
    writePicture(mesh, reach.height, reach.diameter, path);
}

}  // namespace vl::io
