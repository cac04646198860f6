#include "report/profile_template.h"

#include <cmath>

namespace vl::report {
namespace {

constexpr double edge = 15, head = 36, foot = 16, step = 10;

struct Extent {
    double z0, z1, r1;
};

Extent extentOf(const Polyline& line)
{
    Extent e{line.front().x(), line.back().x(), 0};
    for (const Point& p : line) e.r1 = std::max(e.r1, p.y());
    return e;
}

int count(double length, double room)
{
    return std::max(1, static_cast<int>(std::ceil((length - templateShared) / (room - templateShared) - 1e-9)));
}

void addTiles(std::vector<TemplateTile>& tiles, const Polyline& line, bool hollow, const QSizeF& page)
{
    const Extent e = extentOf(line);
    // A little paper beyond the outline to cut along.
    const double length = e.z1 - e.z0 + 8, radius = e.r1 + 12;
    const double across = page.width() - 2 * edge, down = page.height() - head - foot;
    const bool turned = count(length, down) * count(radius, across) < count(length, across) * count(radius, down);
    const double alongRoom = turned ? down : across, outRoom = turned ? across : down;
    const int columns = count(length, alongRoom), rows = count(radius, outRoom);
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column) {
            const double z0 = e.z0 - 4 + column * (alongRoom - templateShared),
                         r0 = -2 + row * (outRoom - templateShared);
            tiles.push_back({hollow, column, row, columns, rows, turned, z0, r0, QRectF(edge, head, across, down)});
        }
}

void registerMark(Sheet& sheet, const QPointF& at)
{
    sheet.rule(at.x() - 3, at.y(), at.x() + 3, at.y(), 0.15, Qt::black);
    sheet.rule(at.x(), at.y() - 3, at.x(), at.y() + 3, 0.15, Qt::black);
    sheet.painter().setPen(QPen(Qt::black, sheet.px(0.15)));
    sheet.painter().setBrush(Qt::NoBrush);
    sheet.painter().drawEllipse(sheet.px(at), sheet.px(1.5), sheet.px(1.5));
}

}  // namespace

QPointF TemplateTile::at(double z, double r) const
{
    return turned ? QPointF(area.left() + (r - r0), area.top() + (z - z0))
                  : QPointF(area.left() + (z - z0), area.bottom() - (r - r0));
}

std::vector<TemplateTile> templateTiles(const Sides& sides, const QSizeF& page)
{
    std::vector<TemplateTile> tiles;
    addTiles(tiles, sides.outside, false, page);
    if (!sides.inside.empty()) addTiles(tiles, sides.inside, true, page);
    return tiles;
}

QPointF templateBar(const QSizeF&) { return {edge, 29}; }

void drawTemplate(Sheet& sheet, const Plan& plan, LengthStyle style)
{
    const QSizeF page(sheet.width(), sheet.height());
    for (const TemplateTile& tile : templateTiles(plan.sides, page)) {
        const Polyline& line = tile.hollow ? plan.sides.inside : plan.sides.outside;
        const int sheetNumber = tile.row * tile.columns + tile.column + 1, sheets = tile.rows * tile.columns;
        sheet.page((tile.hollow ? QStringLiteral("Template, hollow side") : QStringLiteral("Template, outside")) +
                   (sheets > 1 ? QStringLiteral(" · sheet %1 of %2").arg(sheetNumber).arg(sheets) : QString()));
        const QPointF bar = templateBar(page);
        sheet.rule(bar.x(), bar.y(), bar.x() + 100, bar.y(), 0.6, Qt::black);
        for (const double at : {0.0, 100.0})
            sheet.rule(bar.x() + at, bar.y() - 1.5, bar.x() + at, bar.y() + 1.5, 0.2, Qt::black);
        sheet.text({bar.x() + 104, bar.y() - 6, sheet.inner() - 104, 12},
                   QStringLiteral("this bar is 100 mm: measure it.\nPrint at 100 %, not fitted to the page.\nTape "
                                  "sheets together mark on mark."),
                   7, Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(70, 70, 70));

        QPainter& p = sheet.painter();
        p.save();
        p.setClipRect(sheet.px(tile.area));
        const Extent e = extentOf(line);
        auto stroke = [&](Point a, Point b, double thickness, const QColor& ink) {
            const QPointF from = tile.at(a.x(), a.y()), to = tile.at(b.x(), b.y());
            sheet.rule(from.x(), from.y(), to.x(), to.y(), thickness, ink);
        };
        const QColor pale(170, 205, 208);
        for (double z = std::ceil(e.z0 / step) * step; z <= e.z1 + 1e-9; z += step) {
            const double r = tile.hollow ? radiusRange(line, z, z).high : radiusAt(line, z);
            stroke({z, 0.8}, {z, r - 0.6}, 0.15, pale);
            const QPointF at = tile.at(z, r + (tile.turned ? 8 : 3));
            sheet.text({at.x() - 7, at.y() - 2, 14, 4},
                       QStringLiteral("Ø ") + QString::fromStdString(formatLength(2 * r, style)), 6, Qt::AlignCenter,
                       QFont::Normal, QColor(90, 120, 122));
        }
        stroke({e.z0 - 4, 0}, {e.z1 + 4, 0}, 0.2, Qt::black);
        QPolygonF path;
        for (const Point& q : line) path << sheet.px(tile.at(q.x(), q.y()));
        p.setPen(QPen(Qt::black, sheet.px(0.25), Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(path);
        p.restore();

        // Marks stand in the middle of each shared strip, a quarter in from both ends: the same two points of both
        // sheets.
        const double along = tile.turned ? tile.area.height() : tile.area.width(),
                     out = tile.turned ? tile.area.width() : tile.area.height();
        const double half = templateShared / 2;
        for (const double share : {0.25, 0.75}) {
            const double z = tile.z0 + along * share, r = tile.r0 + out * share;
            if (tile.column > 0) registerMark(sheet, tile.at(tile.z0 + half, r));
            if (tile.column + 1 < tile.columns) registerMark(sheet, tile.at(tile.z0 + along - half, r));
            if (tile.row > 0) registerMark(sheet, tile.at(z, tile.r0 + half));
            if (tile.row + 1 < tile.rows) registerMark(sheet, tile.at(z, tile.r0 + out - half));
        }
    }
}

}  // namespace vl::report
