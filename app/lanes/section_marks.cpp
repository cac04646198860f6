// Flaws of the wood and holes on the section, where the lathe's stations are shown: both can be dragged.
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/piece/document/hole_ends.h"

#include <cmath>

namespace vl::app {

QPointF SectionLane::flawPosition(int flaw) const
{
    const Flaw& f = doc_.piece().flaws[static_cast<size_t>(flaw)];
    return {x(f.at), y(f.radius)};
}

std::optional<QPointF> SectionLane::holePosition(int hole, bool leaves) const
{
    const Hole& h = doc_.piece().holes[static_cast<size_t>(hole)];
    const auto ends = h.into == Hole::Side ? holeStations(h, doc_.plan().surfaces.outside) : std::nullopt;
    if (!ends) return std::nullopt;
    return leaves ? QPointF(x(ends->leaves.x()), y(-ends->leaves.y()))
                  : QPointF(x(ends->enters.x()), y(ends->enters.y()));
}

/// Flaws as they were found, hatched while nothing is done about them, and where holes go into the side.
void SectionLane::drawMarks(QPainter& painter) const
{
    const Piece& piece = doc_.piece();
    for (size_t i = 0; i < piece.flaws.size(); ++i) {
        const Flaw& f = piece.flaws[i];
        const double wide = std::max(5.0, std::abs(y(f.size / 2) - y(0)));
        const QColor ink = f.dealt == Flaw::Open ? theme().stop : theme().quiet;
        painter.setPen(QPen(ink, 1.5, f.dealt == Flaw::Open ? Qt::SolidLine : Qt::DashLine));
        painter.setBrush(f.dealt == Flaw::Open ? QBrush(ink, Qt::BDiagPattern) : QBrush(Qt::NoBrush));
        painter.drawEllipse(flawPosition(static_cast<int>(i)), wide, wide);
    }
    // Of holes alike the first, in the plane in which it leans.
    for (int i = 0; i < static_cast<int>(piece.holes.size()); ++i) {
        const auto in = holePosition(i, false), out = holePosition(i, true);
        if (!in || !out) continue;
        painter.setPen(QPen(theme().accent, 1, Qt::DashLine));
        painter.drawLine(*in, *out);
        painter.setPen(QPen(theme().accent, 1.5));
        painter.setBrush(theme().panel);
        constexpr double grip = 4.5;  // pixels
        painter.drawEllipse(*in, grip, grip);
        painter.drawEllipse(*out, grip, grip);
    }
}

}  // namespace vl::app
