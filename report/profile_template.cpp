#include "report/profile_template.h"

#include "report/type.h"

#include <QPainterPath>

#include <cmath>

namespace vl::report {
namespace {

constexpr double edge = 15, head = 36, foot = 16, step = 10;
constexpr double below = 6;  // mm of paper on the far side of the axis

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
    const double length = e.z1 - e.z0 + 8, radius = e.r1 + 10 + below;
    const double across = page.width() - 2 * edge, down = page.height() - head - foot;
    const bool turned = count(length, down) * count(radius, across) < count(length, across) * count(radius, down);
    const double alongRoom = turned ? down : across, outRoom = turned ? across : down;
    const int columns = count(length, alongRoom), rows = count(radius, outRoom);
    for (int row = 0; row < rows; ++row)
        for (int column = 0; column < columns; ++column) {
            const double z0 = e.z0 - 4 + column * (alongRoom - templateShared),
                         r0 = -below + row * (outRoom - templateShared);
            tiles.push_back({hollow, 0, column, row, columns, rows, turned, z0, r0, QRectF(edge, head, across, down)});
        }
}

/// Both templates beside one another on the same pages, where that takes fewer.
void shareAPage(std::vector<TemplateTile>& tiles, const TurnedSurfaces& surfaces, const QSizeF& page)
{
    constexpr double between = 4;
    const Extent lines[] = {extentOf(surfaces.outside), extentOf(surfaces.inside)};
    const double across = page.width() - 2 * edge, down = page.height() - head - foot;
    for (const bool turned : {false, true}) {
        const double alongRoom = turned ? down : across, outRoom = turned ? across : down;
        const double wide[] = {lines[0].r1 + 10 + below, lines[1].r1 + 10 + below};
        const int columns[] = {count(lines[0].z1 - lines[0].z0 + 8, alongRoom),
                               count(lines[1].z1 - lines[1].z0 + 8, alongRoom)};
        if (wide[0] + wide[1] + between > outRoom || std::max(columns[0], columns[1]) >= static_cast<int>(tiles.size()))
            continue;
        tiles.clear();
        for (int column = 0; column < std::max(columns[0], columns[1]); ++column)
            for (const int which : {0, 1}) {
                if (column >= columns[which]) continue;
                const double from = which ? wide[0] + between : 0, width = which ? outRoom - from : wide[0];
                const QRectF area = turned ? QRectF(edge + from, head, width, down)
                                           : QRectF(edge, head + down - from - width, across, width);
                tiles.push_back({which == 1, column, column, 0, columns[which], 1, turned,
                                 lines[which].z0 - 4 + column * (alongRoom - templateShared), -below, area});
            }
        return;
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

std::vector<TemplateTile> templateTiles(const TurnedSurfaces& surfaces, const QSizeF& page)
{
    std::vector<TemplateTile> tiles;
    addTiles(tiles, surfaces.outside, false, page);
    if (!surfaces.inside.empty()) addTiles(tiles, surfaces.inside, true, page);
    for (size_t i = 0; i < tiles.size(); ++i) tiles[i].page = static_cast<int>(i);
    if (!surfaces.inside.empty()) shareAPage(tiles, surfaces, page);
    return tiles;
}

QPointF templateBar(const QSizeF&) { return {edge, 29}; }
QPointF templateSideBar(const QSizeF&) { return {edge / 2, head}; }

void drawBars(Sheet& sheet, const QString& more)
{
    const QSizeF page(sheet.width(), sheet.height());
    const QPointF level = templateBar(page), side = templateSideBar(page);
    constexpr double long_ = 100;
    sheet.rule(level.x(), level.y(), level.x() + long_, level.y(), 0.6, Qt::black);
    sheet.rule(side.x(), side.y(), side.x(), side.y() + long_, 0.6, Qt::black);
    for (const double at : {0.0, long_}) {
        sheet.rule(level.x() + at, level.y() - 1.5, level.x() + at, level.y() + 1.5, 0.2, Qt::black);
        sheet.rule(side.x() - 1.5, side.y() + at, side.x() + 1.5, side.y() + at, 0.2, Qt::black);
    }
    sheet.text({level.x() + 104, level.y() - 6, sheet.inner() - 104, 12},
               QStringLiteral("this bar is 100 mm: measure it,\nand the one at the left edge. Print at\n100 %, not "
                              "fitted to the page. ") +
                   more,
               7, Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(70, 70, 70));
}

namespace {

/// One template on its page.
class TemplateSheet {
public:
    TemplateSheet(Sheet& sheet, const Plan& plan, const TemplateTile& tile, LengthStyle style)
        : s_(sheet), plan_(plan), tile_(tile), line_(tile.hollow ? plan.surfaces.inside : plan.surfaces.outside),
          extent_(extentOf(line_)), style_(style)
    {
    }

    void draw()
    {
        QPainter& p = s_.painter();
        p.save();
        p.setClipRect(s_.px(tile_.area));
        hatch();
        ticks();
        stations();
        ends();
        stroke({extent_.z0 - 4, 0}, {extent_.z1 + 4, 0}, 0.2, Qt::black);
        p.setPen(QPen(Qt::black, s_.px(0.25), Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(outline());
        p.restore();
        marks();
    }

private:
    QPolygonF outline() const
    {
        QPolygonF path;
        for (const Point& q : line_) path << s_.px(tile_.at(q.x(), q.y()));
        return path;
    }
    void stroke(Point a, Point b, double thickness, const QColor& ink)
    {
        const QPointF from = tile_.at(a.x(), a.y()), to = tile_.at(b.x(), b.y());
        s_.rule(from.x(), from.y(), to.x(), to.y(), thickness, ink);
    }
    double radius(double z) const { return tile_.hollow ? radiusRange(line_, z, z).high : radiusAt(line_, z); }

    /// A narrow band beyond the line, on the side that is cut away.
    void hatch()
    {
        constexpr double band = 5;
        QPainterPath beyond;
        beyond.addPolygon(outline());
        QPainterPathStroker wide;
        wide.setWidth(s_.px(2 * band));
        wide.setCapStyle(Qt::FlatCap);
        QPolygonF inner = outline();
        inner << s_.px(tile_.at(line_.back().x(), 0)) << s_.px(tile_.at(line_.front().x(), 0));
        QPainterPath body;
        body.addPolygon(inner);
        body.closeSubpath();
        // Where the piece is slender the band would come round the axis, over the words there.
        QPainterPath side;
        side.addPolygon(QPolygonF() << s_.px(tile_.at(extent_.z0 - 4, 0)) << s_.px(tile_.at(extent_.z1 + 4, 0))
                                    << s_.px(tile_.at(extent_.z1 + 4, extent_.r1 + band))
                                    << s_.px(tile_.at(extent_.z0 - 4, extent_.r1 + band)));
        side.closeSubpath();
        const QPainterPath waste = wide.createStroke(beyond).subtracted(body).intersected(side);
        s_.painter().save();
        s_.painter().setClipPath(waste, Qt::IntersectClip);
        constexpr double apart = 1.6;
        for (double d = tile_.area.left() - tile_.area.height(); d < tile_.area.right(); d += apart)
            s_.rule(d, tile_.area.bottom(), d + tile_.area.height(), tile_.area.top(), 0.1, QColor(165, 165, 165));
        s_.painter().restore();
    }

    /// Every 10 mm along the axis.
    void ticks()
    {
        for (double z = std::ceil(extent_.z0 / step) * step; z <= extent_.z1 + 1e-9; z += step)
            stroke({z, -1.6}, {z, -0.4}, 0.15, QColor(130, 130, 130));
    }

    /// The stations of the list, by their numbers, each with its diameter along its line where there is room.
    void stations()
    {
        const QFontMetricsF letters(type(6.5), s_.painter().device());
        const double tall = letters.height() / s_.px(1);
        double free[2] = {-1e9, -1e9};  // stations from which the near and the far place are free
        for (size_t k = 0; k < plan_.stations.size(); ++k) {
            const double z = plan_.stations[k].z, r = z >= extent_.z0 && z <= extent_.z1 ? radius(z) : NAN;
            if (!(r > 1)) continue;
            stroke({z, 0.8}, {z, r - 0.6}, 0.15, QColor(150, 190, 194));
            const QString words =
                QStringLiteral("%1 · Ø %2").arg(k + 1).arg(QString::fromStdString(formatLength(2 * r, style_)));
            const double wide = letters.horizontalAdvance(words) / s_.px(1);
            for (int place = 0; place < 2; ++place) {
                const double from = 2 + place * (wide + 6);
                // Beside the line, which must not be crossed by the next one.
                const bool last = k + 1 == plan_.stations.size();
                const double low = last ? z - tall - 0.8 : z;
                // Wholly on this sheet: what stands beyond its edge is on the next one.
                if (!tile_.area.contains(tile_.at(low, from)) ||
                    !tile_.area.contains(tile_.at(low + tall, from + wide)))
                    continue;
                if (from + wide > r - 1.5 || low < free[place] || (!last && nextStation(z) < z + tall + 0.6)) continue;
                write(words, low, from, wide, tall);
                free[place] = low + tall + 0.8;
                break;
            }
        }
    }

    double nextStation(double z) const
    {
        double next = 1e9;
        for (const Station& s : plan_.stations)
            if (s.z > z + 1e-9) next = std::min(next, s.z);
        return next;
    }

    /// Words along a station's line, on its side towards the rim, from radius `from` outwards.
    void write(const QString& words, double z, double from, double wide, double tall)
    {
        QPainter& p = s_.painter();
        p.save();
        const QPointF at = s_.px(tile_.at(z + 0.3, from));
        p.translate(at);
        if (!tile_.turned) p.rotate(-90);
        s_.text({0, 0, wide + 1, tall}, words, 6.5, Qt::AlignLeft | Qt::AlignTop, QFont::Normal, QColor(80, 105, 107));
        p.restore();
    }

    /// Which end is which, along the axis on its far side.
    void ends()
    {
        constexpr double wide = 40, tall = 3.4;
        // An end that lies on another sheet is named there.
        constexpr double hair = 0.5;
        const QRectF own = tile_.area.adjusted(-hair, -hair, hair, hair);
        auto word = [&](double z, const QString& words, Qt::Alignment align) {
            if (!own.contains(tile_.at(z, 0))) return;
            QPainter& p = s_.painter();
            p.save();
            p.translate(s_.px(tile_.at(z, -1.9)));
            if (tile_.turned) p.rotate(90);
            s_.text({align == Qt::AlignLeft ? 0 : -wide, 0, wide, tall}, words, 6.5,
                    static_cast<int>(align) | Qt::AlignVCenter, QFont::DemiBold, QColor(80, 80, 80));
            p.restore();
        };
        word(extent_.z0, tile_.hollow ? QStringLiteral("floor") : QStringLiteral("headstock, foot"), Qt::AlignLeft);
        word(extent_.z1, QStringLiteral("rim"), Qt::AlignRight);
    }

    /// Marks stand in the middle of each shared strip, a quarter in from both ends: the same two points of both sheets.
    void marks()
    {
        const double along = tile_.turned ? tile_.area.height() : tile_.area.width(),
                     out = tile_.turned ? tile_.area.width() : tile_.area.height();
        const double half = templateShared / 2;
        for (const double share : {0.25, 0.75}) {
            const double z = tile_.z0 + along * share, r = tile_.r0 + out * share;
            if (tile_.column > 0) registerMark(s_, tile_.at(tile_.z0 + half, r));
            if (tile_.column + 1 < tile_.columns) registerMark(s_, tile_.at(tile_.z0 + along - half, r));
            if (tile_.row > 0) registerMark(s_, tile_.at(z, tile_.r0 + half));
            if (tile_.row + 1 < tile_.rows) registerMark(s_, tile_.at(z, tile_.r0 + out - half));
        }
    }

    Sheet& s_;
    const Plan& plan_;
    const TemplateTile& tile_;
    const Polyline& line_;
    Extent extent_;
    LengthStyle style_;
};

}  // namespace

void drawTemplate(Sheet& sheet, const Plan& plan, LengthStyle style)
{
    const QSizeF page(sheet.width(), sheet.height());
    const std::vector<TemplateTile> tiles = templateTiles(plan.surfaces, page);
    for (size_t k = 0; k < tiles.size(); ++k) {
        const TemplateTile& tile = tiles[k];
        if (k == 0 || tiles[k - 1].page != tile.page) {
            const int sheetNumber = tile.row * tile.columns + tile.column + 1, sheets = tile.rows * tile.columns;
            const bool both = k + 1 < tiles.size() && tiles[k + 1].page == tile.page;
            sheet.page((both          ? QStringLiteral("Template, outside, and hollow side")
                        : tile.hollow ? QStringLiteral("Template, hollow side")
                                      : QStringLiteral("Template, outside")) +
                       (sheets > 1 ? QStringLiteral(" · sheet %1 of %2").arg(sheetNumber).arg(sheets) : QString()));
            drawBars(sheet, sheets > 1 ? QStringLiteral("Tape sheets mark on mark.")
                                       : QStringLiteral("Numbers are those of the stations."));
        }
        TemplateSheet(sheet, plan, tile, style).draw();
    }
}

}  // namespace vl::report
