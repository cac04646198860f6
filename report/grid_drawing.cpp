#include "report/grid_drawing.h"

#include "core/measure/format.h"
#include "report/profile_template.h"
#include "report/type.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

std::vector<double> reachedBy(const GridOf& grid)
{
    std::vector<double> reached{0};
    for (const GridRing& r : grid.rings) reached.push_back(reached.back() + r.length);
    return reached;
}

double outermost(const GridOf& grid) { return grid.rings.empty() ? 1 : std::max(grid.rings[0].r0, 1.0); }

}  // namespace

GridDrawing::GridDrawing(const Decor& decor, const GridOf& grid, const QRectF& box)
    : decor_(decor), grid_(grid), reached_(reachedBy(grid))
{
    if (decor.on == Decor::Face) {
        middle_ = box.center();
        scale_ = std::min(box.width(), box.height()) / 2 / outermost(grid);
        return;
    }
    double widest = 1;
    for (const GridRing& r : grid.rings) widest = std::max({widest, r.r0, r.r1});
    // Round the piece over the whole width; its height no more than a few times its true one.
    constexpr double taller = 2;
    const double length = std::max(1.0, reached_.back());
    perDegree_ = box.width() / 360;
    scale_ = std::min(box.height() / length, taller * box.width() / (2 * pi * widest));
    middle_ = {box.left(), box.center().y() + scale_ * length / 2};
}

GridDrawing::GridDrawing(const Decor& decor, const GridOf& grid, const QPointF& middle, double scale)
    : decor_(decor), grid_(grid), reached_(reachedBy(grid)), middle_(middle), scale_(scale)
{
}

double GridDrawing::radius(int circle) const
{
    const auto i = static_cast<size_t>(circle);
    return i < grid_.rings.size() ? grid_.rings[i].r0 : grid_.rings.back().r1;
}

QPointF GridDrawing::place(double on, double radius, double angleDeg) const
{
    if (decor_.on == Decor::Face) {
        const double a = angleDeg * degrees;
        return middle_ + QPointF(-std::sin(a), -std::cos(a)) * radius * scale_;
    }
    return middle_ + QPointF((angleDeg - grid_.angleOf(decor_, 0)) * perDegree_, -on * scale_);
}

QPainterPath GridDrawing::cell(int ring, int spoke) const
{
    QPainterPath path;
    const double from = grid_.angleOf(decor_, spoke), to = grid_.angleOf(decor_, spoke + 1);
    const int steps = decor_.on == Decor::Face ? std::max(1, static_cast<int>(std::ceil((to - from) / 4))) : 1;
    for (int k = 0; k <= steps; ++k) {
        const QPointF p = place(reach(ring), radius(ring), from + (to - from) * k / steps);
        k == 0 ? path.moveTo(p) : path.lineTo(p);
    }
    for (int k = steps; k >= 0; --k)
        path.lineTo(place(reach(ring + 1), radius(ring + 1), from + (to - from) * k / steps));
    path.closeSubpath();
    return path;
}

std::pair<int, int> GridDrawing::at(const QPointF& where) const
{
    for (int ring = 0; ring < static_cast<int>(grid_.rings.size()); ++ring)
        for (int spoke = 0; spoke < static_cast<int>(grid_.spokes.size()); ++spoke)
            if (cell(ring, spoke).contains(where)) return {ring, spoke};
    return {-1, -1};
}

void GridDrawing::drawCells(QPainter& painter, const Inks& inks) const
{
    const auto rings = static_cast<int>(grid_.rings.size()), spokes = static_cast<int>(grid_.spokes.size());
    if (rings == 0) return;
    for (const GridCell& c : grid_.worked) {
        const GridCells& how = decor_.cells[c.cells];
        const QPainterPath path = cell(c.ring, c.spoke);
        painter.setPen(Qt::NoPen);
        switch (how.work) {
        case GridCells::Color:
            painter.fillPath(path, QColor(q(how.color)));
            break;
        case GridCells::Burn:
            painter.fillPath(path, QColor(58, 40, 28));
            break;
        case GridCells::Carve:
            painter.fillPath(path, QBrush(inks.text, Qt::BDiagPattern));
            break;
        case GridCells::Drill: {
            const QRectF box = path.boundingRect();
            const double dot = std::max(1.5, std::min(box.width(), box.height()) / 5);
            painter.setBrush(inks.text);
            painter.drawEllipse(box.center(), dot, dot);
            break;
        }
        }
        if (c.lost) {
            painter.setPen(QPen(inks.text, 1));
            painter.drawLine(path.boundingRect().topLeft(), path.boundingRect().bottomRight());
            painter.drawLine(path.boundingRect().topRight(), path.boundingRect().bottomLeft());
        }
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(inks.line, 1));
    for (int ring = 0; ring < rings; ++ring)
        for (int spoke = 0; spoke < spokes; ++spoke) painter.drawPath(cell(ring, spoke));
}

void GridDrawing::draw(QPainter& painter, const Inks& inks) const
{
    drawCells(painter, inks);
    const auto rings = static_cast<int>(grid_.rings.size()), spokes = static_cast<int>(grid_.spokes.size());
    if (rings == 0) return;
    painter.setPen(inks.text);
    const double high = painter.fontMetrics().height();
    auto word = [&](const QPointF& at, int number) {
        painter.drawText(QRectF(at - QPointF(2 * high, high / 2), QSizeF(4 * high, high)), Qt::AlignCenter,
                         QString::number(number));
    };
    // As many of the spokes' numbers as find room.
    const bool face = decor_.on == Decor::Face;
    const double each = face ? 2 * pi * (radius(0) * scale_ + high) / spokes : 360 * perDegree_ / spokes;
    const int every = std::max(1, static_cast<int>(std::ceil(1.8 * high / each)));
    for (int spoke = 0; spoke < spokes; spoke += every) {
        const double a = grid_.angleOf(decor_, spoke);
        word(face ? place(0, radius(0) + high / scale_, a) : place(0, 0, a) + QPointF(0, 0.7 * high), spoke + 1);
    }
    if (face) return;
    double last = 1e9;
    for (int ring = 0; ring < rings; ++ring) {
        const QPointF at =
            place((reach(ring) + reach(ring + 1)) / 2, 0, grid_.angleOf(decor_, 0)) - QPointF(0.9 * high, 0);
        if (last - at.y() < high) continue;
        word(at, ring + 1);
        last = at.y();
    }
}

QPointF gridMiddle(const QSizeF& page)
{
    constexpr double lower = 10;  // mm under the page's middle: its heading stands above
    return {page.width() / 2, page.height() / 2 + lower};
}

void drawGridPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    const auto mm = [&](double v) { return q(formatLength(v, style, 2)); };
    for (const GridOf& g : gridsOf(piece, plan.surfaces)) {
        if (g.rings.empty()) continue;
        const Decor& d = piece.decors[g.decor];
        const bool face = d.on == Decor::Face;
        std::vector<std::vector<QString>> rows;
        for (size_t k = 0; k < g.rings.size(); ++k) {
            const GridRing& r = g.rings[k];
            QStringList worked;
            for (size_t c = 0; c < d.cells.size(); ++c) {
                QStringList spokes;
                for (const GridCell& cell : g.worked)
                    if (cell.cells == c && !cell.lost && cell.ring == static_cast<int>(k))
                        spokes << QString::number(cell.spoke + 1);
                if (spokes.isEmpty()) continue;
                const auto kind = static_cast<size_t>(d.cells[c].work);
                worked << QString::fromUtf8(choices(d.cells[c].work)[kind].words) + QStringLiteral(": ") +
                              spokes.join(QLatin1Char(' '));
            }
            rows.push_back({QString::number(k + 1), mm(face ? r.r0 : r.z0), mm(face ? r.r1 : r.z1), mm(r.length),
                            mm(r.around), q(fixed(r.ratio(), 2)), worked.join(QStringLiteral("; ")),
                            QStringLiteral("\u25a1")});
        }
        const auto right = Qt::AlignRight;
        sheet.table(
            QStringLiteral("Grid: %1, %2 spokes").arg(q(nameOf(piece, d))).arg(d.spokes),
            QStringLiteral("In %1. Spokes from 1, counterclockwise as seen from the tailstock, the first towards "
                           "%2\u00b0%3. A cell is named by the spoke that it begins on.")
                .arg(unitName(style), q(fixed(std::fmod(g.angleOf(d, 0) + 720, 360), 1)),
                     d.plate > 0 ? QStringLiteral(", in hole %1 of %2").arg(d.start).arg(d.plate) : QString()),
            {{"Ring", 0.07},
             {face ? "Radius" : "Station", 0.1, right},
             {face ? "to radius" : "to station", 0.1, right},
             {"Along", 0.09, right},
             {"Round", 0.09, right},
             {"Ratio", 0.08, right},
             {"  Cells worked", 0.42},
             {"", 0.05, right}},
            rows, 8);
        // At full size where one sheet takes all of it.
        const double radius = g.rings[0].r0;
        constexpr double around = 8;  // mm, for the numbers
        if (!face || 2 * (radius + around) > std::min(sheet.width(), sheet.height() - 20)) continue;
        sheet.page(QStringLiteral("Grid: %1, full size").arg(q(nameOf(piece, d))));
        drawBars(sheet, QStringLiteral("Laid on the turned face, its middle on the axis; 12 o\u2019clock is up."));
        QPainter& p = sheet.painter();
        p.save();
        p.setFont(type(6.5));
        p.setRenderHint(QPainter::Antialiasing);
        const QPointF middle = gridMiddle({sheet.width(), sheet.height()});
        GridDrawing(d, g, sheet.px(middle), sheet.px(1))
            .draw(p, {Qt::black, Qt::black, QColor(110, 110, 110), Qt::white});
        p.restore();
        constexpr double cross = 3;  // mm
        sheet.rule(middle.x() - cross, middle.y(), middle.x() + cross, middle.y(), 0.2, Qt::black);
        sheet.rule(middle.x(), middle.y() - cross, middle.x(), middle.y() + cross, 0.2, Qt::black);
        sheet.moveTo(sheet.bottom());  // the drawing has its page
    }
}

}  // namespace vl::report
