#include "io/svg.h"

#include "core/measure/format.h"

#include <algorithm>

namespace vl::io {
namespace {

std::string path(const char* id, const Polyline& line, double top)
{
    std::string d;
    for (const Point& p : line) d += (d.empty() ? "M" : " L") + fixed(p.x(), 4) + "," + fixed(top - p.y(), 4);
    return "  <path id=\"" + std::string(id) + "\" d=\"" + d + "\"/>\n";
}

}  // namespace

std::string writeSvg(const TurnedSurfaces& surfaces)
{
    double radius = 0;
    for (const Point& p : surfaces.outside) radius = std::max(radius, p.y());
    const double length = surfaces.outside.back().x(), margin = 5;
    const std::string box = fixed(-margin, 3) + " " + fixed(-margin, 3) + " " + fixed(length + 2 * margin, 3) + " " +
                            fixed(radius + 2 * margin, 3);
    std::string out = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" +
                      fixed(length + 2 * margin, 3) + "mm\" height=\"" + fixed(radius + 2 * margin, 3) +
                      "mm\" viewBox=\"" + box + "\" fill=\"none\" stroke=\"black\" stroke-width=\"0.25\">\n";
    out += path("outside", surfaces.outsideAsItRuns(), radius);
    if (!surfaces.inside.empty()) out += path("inside", surfaces.insideAsItRuns(), radius);
    out += path("axis", {{0, 0}, {length, 0}}, radius);
    return out + "</svg>\n";
}

}  // namespace vl::io
