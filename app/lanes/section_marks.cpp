// Flaws of the wood and holes on the section, where the lathe's stations are shown: both can be dragged.
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/geometry/profile.h"

#include <cmath>

namespace vl::app {

QPointF SectionLane::flawPosition(int flaw) const
{
    const Flaw& f = doc_.piece().flaws[static_cast<size_t>(flaw)];
    return {x(f.at), y(f.radius)};
}

QPointF SectionLane::holePosition(int hole) const
{
    const Hole& h = doc_.piece().holes[static_cast<size_t>(hole)];
    const double out = radiusAt(doc_.plan().sides.outside, h.at);
    return {x(h.at), y(std::isnan(out) ? 0 : out)};
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
    painter.setPen(QPen(theme().accent, 1.5));
    painter.setBrush(theme().panel);
    for (size_t i = 0; i < piece.holes.size(); ++i) {
        if (piece.holes[i].into != Hole::Side) continue;
        const QPointF at = holePosition(static_cast<int>(i));
        painter.drawPolygon(QPolygonF{at, at + QPointF(-5, -9), at + QPointF(5, -9)});
    }
}

}  // namespace vl::app
