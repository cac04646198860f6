#include "report/curve_paper.h"

#include "report/profile_template.h"
#include "report/type.h"

#include <QFontMetricsF>

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

/// One sheet of a curve at full size.
class CurveSheet {
public:
    CurveSheet(Sheet& sheet, const CurveWords& words, const TemplateTile& tile, const Polyline& line)
        : s_(sheet), words_(words), tile_(tile), line_(line)
    {
    }

    void draw()
    {
        QPainter& p = s_.painter();
        p.save();
        p.setClipRect(s_.px(tile_.area));
        const double from = line_.front().x(), to = line_.back().x();
        const double high = std::ranges::max_element(line_, {}, [](const Point& q) { return q.y(); })->y();
        constexpr double past = 4, step = 10;  // mm
        const QColor faint(130, 130, 130);
        stroke({from - past, 0}, {to + past, 0}, 0.2, Qt::black);
        stroke({0, -past}, {0, high + past}, 0.2, Qt::black);
        for (double u = std::ceil(from / step) * step; u <= to + 1e-9; u += step)
            stroke({u, -1.6}, {u, -0.4}, 0.15, faint);
        for (double w = step; w <= high + 1e-9; w += step) stroke({-1.2, w}, {1.2, w}, 0.15, faint);
        QPolygonF path;
        for (const Point& q : line_) path << s_.px(tile_.at(q.x(), q.y()));
        p.setPen(QPen(Qt::black, s_.px(0.25), Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(path);
        word({2, high + 8}, words_.over);
        word({from, -2.2}, words_.under);
        p.restore();
    }

private:
    void stroke(Point a, Point b, double thickness, const QColor& ink)
    {
        const QPointF from = tile_.at(a.x(), a.y()), to = tile_.at(b.x(), b.y());
        s_.rule(from.x(), from.y(), to.x(), to.y(), thickness, ink);
    }
    /// Words at a place, where all of them lie on this sheet.
    void word(Point at, const QString& words)
    {
        QPainter& p = s_.painter();
        constexpr double points = 6.5, tall = 4, room = 1.5;  // mm
        const double wide = QFontMetricsF(type(points), p.device()).horizontalAdvance(words) / s_.px(1) + room;
        const QPointF from = tile_.at(at.x(), at.y());
        const QRectF box =
            tile_.turned ? QRectF(from - QPointF(tall, 0), QSizeF(tall, wide)) : QRectF(from, QSizeF(wide, tall));
        if (!tile_.area.contains(box)) return;
        p.save();
        p.translate(s_.px(from));
        if (tile_.turned) p.rotate(90);
        s_.text({0, 0, wide, tall}, words, points, Qt::AlignLeft | Qt::AlignTop, QFont::Normal, QColor(80, 80, 80));
        p.restore();
    }

    Sheet& s_;
    const CurveWords& words_;
    const TemplateTile& tile_;
    const Polyline& line_;
};

}  // namespace

void drawCurvePages(Sheet& sheet, const Polyline& line, const CurveWords& words)
{
    TurnedSurfaces only;
    only.outside = line;
    std::vector<TemplateTile> tiles = templateTiles(only, QSizeF(sheet.width(), sheet.height()));
    constexpr double around = 8, over = 12;  // mm of paper round it, and over it
    const double high =
        std::ranges::max_element(only.outside, {}, [](const Point& p) { return p.y(); })->y() + 2 * around + over;
    const QRectF all = tiles[0].area;
    if (tiles.size() == 1 && words.copies * high <= all.height() &&
        only.outside.back().x() - only.outside.front().x() + around <= all.width()) {
        sheet.page(words.what);
        drawBars(sheet, words.how);
        for (int k = 0; k < words.copies; ++k) {
            const TemplateTile tile{.z0 = only.outside.front().x() - around / 2,
                                    .r0 = -around,
                                    .area = QRectF(all.left(), all.top() + k * high, all.width(), high)};
            CurveSheet(sheet, words, tile, only.outside).draw();
        }
        return;
    }
    for (size_t k = 0; k < tiles.size(); ++k) {
        sheet.page(words.what +
                   (tiles.size() > 1 ? QStringLiteral(" · sheet %1 of %2").arg(k + 1).arg(tiles.size()) : ""));
        drawBars(sheet, words.how);
        CurveSheet(sheet, words, tiles[k], only.outside).draw();
    }
}

}  // namespace vl::report
