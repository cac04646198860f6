#include "core/workpiece/axis_set_ups.h"

#include "core/geometry/directions.h"
#include "core/piece/edits/log_middle.h"

#include <cmath>
#include <numeric>

namespace vl {

std::vector<IndexMark> marksOf(const OffAxis& axis)
{
    const std::vector<int> steps = stepsOf(axis.steps, "steps");
    if (!steps.empty()) {
        const int round = axis.plate > 0 ? axis.plate : std::accumulate(steps.begin(), steps.end(), 0);
        std::vector<IndexMark> marks = steppedOn(steps, round, axis.plate > 0 ? axis.start : 0);
        if (axis.plate == 0)
            for (IndexMark& m : marks) m.hole = -1;
        return marks;
    }
    if (axis.plate > 0) return dividedOn(axis.sides, axis.plate, axis.start);
    std::vector<IndexMark> marks;
    for (int k = 0; k < axis.sides; ++k) marks.push_back({.hole = -1, .wanted = 360.0 * k / axis.sides});
    return marks;
}

std::vector<AxisSetUp> axisSetUps(const Piece& piece)
{
    std::vector<AxisSetUp> all;
    const double length = outlineHeight(piece);
    for (size_t a = 0; a < piece.axes.size(); ++a) {
        const OffAxis& f = piece.axes[a];
        const Polyline outline = flatten(f.outside);
        const std::vector<IndexMark> marks = marksOf(f);
        for (size_t k = 0; k < marks.size(); ++k) {
            AxisSetUp s{.id = f.id + "-" + std::to_string(k + 1),
                        .axis = a,
                        .side = static_cast<int>(k),
                        .indexDeg = marks[k].wanted + marks[k].errorDeg,
                        .mark = marks[k]};
            Polyline own = outline;
            for (Point& p : own) p.x() += f.advance * static_cast<double>(k);
            const double head = f.headDirection + s.indexDeg;
            switch (f.by) {
            case AxisBy::Centers:
                s.head = polar(f.headOffset, head);
                s.tail = polar(f.tailOffset, f.tailDirection + s.indexDeg);
                s.solid = TurnedAbout::throughCenters(s.head, s.tail, length, std::move(own));
                break;
            case AxisBy::Eccentric:
                s.head = s.tail = polar(f.headOffset, head);
                s.solid = TurnedAbout::throughCenters(s.head, s.tail, length, std::move(own));
                break;
            case AxisBy::Tilt:
                s.solid = TurnedAbout::tilted(f.tilt, head, f.pivot, std::move(own));
                s.head = s.solid.centerAt(0);
                s.tail = s.solid.centerAt(length);
                break;
            }
            all.push_back(std::move(s));
        }
    }
    return all;
}

std::vector<HalfSpace> edgesOf(const Piece& piece)
{
    const Edge& edge = piece.edge;
    constexpr int roundTheLog = 48;
    if (const BlockForm* log = logWithBark(piece)) return logFaces(*log, roundTheLog, true);
    if (edge.kind != Edge::Square) return {};
    std::vector<HalfSpace> faces{{outwards(0), edge.width / 2, true},
                                 {outwards(90), edge.length / 2, true},
                                 {outwards(180), edge.width / 2, true},
                                 {outwards(270), edge.length / 2, true}};
    if (edge.nipped > 0 && edge.nipped < std::hypot(edge.width, edge.length) / 2) {
        const double corner = std::atan2(edge.length, edge.width) / degrees;
        for (const double angle : {corner, 180 - corner, 180 + corner, 360 - corner})
            faces.push_back({outwards(angle), edge.nipped, true});
    }
    return faces;
}

std::string nameOf(const Piece& piece, size_t axis)
{
    const std::string& name = piece.axes[axis].name;
    return name.empty() ? "axis " + std::to_string(axis + 1) : name;
}

}  // namespace vl
