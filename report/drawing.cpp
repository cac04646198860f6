#include "report/drawing.h"

#include "core/blank/part_views.h"
#include "core/measure/format.h"
#include "core/turning/render.h"

#include <QPainterPath>

namespace vl::report {

QImage imageOf(const Raster& raster)
{
    return QImage(reinterpret_cast<const uchar*>(raster.pixels.data()), raster.width, raster.height, raster.width * 4,
                  QImage::Format_ARGB32)
        .copy();
}

QImage smoothed(const Raster& raster)
{
    return imageOf(raster).scaled(raster.width / 2, raster.height / 2, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

QColor woodColour(const Species& species)
{
    const auto mean = [&](size_t k) { return species.figure.early[k] * 0.62f + species.figure.late[k] * 0.38f; };
    return QColor::fromRgbF(mean(0), mean(1), mean(2));
}

QImage picture(const Plan& plan, int width, int height)
{
    const Mesh mesh = turnedMesh(plan.assembly, plan.sides, {0.05, false});
    return smoothed(
        renderMesh(mesh, Camera{}, plan.shape.height, plan.shape.greatestDiameter, 2 * width, 2 * height, 0x00ffffff));
}

void drawSegment(QPainter& painter, const QRectF& box, const BuiltLayer& layer, LengthStyle style, const Inks& inks)
{
    const RegularRing& r = layer.stock;
    const QFontMetricsF metrics(painter.font(), painter.device());
    const double line = metrics.height(), side = metrics.horizontalAdvance("0000.00 mm") + line * 0.6;
    const QRectF room = box.adjusted(line * 0.5, line * 2.2, -side, -line * 2.2);
    const double scale = std::min(room.width() / r.outerEdge(), room.height() / r.boardWidth());
    const double w = r.outerEdge() * scale, v = r.innerEdge() * scale, h = r.boardWidth() * scale;
    const QPointF mid(room.center().x(), room.center().y());
    const QPointF a(mid.x() - w / 2, mid.y() - h / 2), b(mid.x() + w / 2, a.y()), c(mid.x() + v / 2, mid.y() + h / 2),
        d(mid.x() - v / 2, c.y());
    const QPolygonF shape({a, b, c, d});

    painter.save();
    QPainterPath clip;
    clip.addPolygon(shape);
    clip.closeSubpath();
    painter.setClipPath(clip, Qt::IntersectClip);
    const double reach = r.outerCorner();
    const int size = std::clamp(static_cast<int>(2 * reach * scale), 64, 480);
    const QImage face = imageOf(bakeRing(layer, reach, size));
    // The picture is turned so that segment 0 stands at 12 o'clock: its outer edge lies at the apothem.
    painter.translate(mid.x(), a.y() + r.apothem() * scale);
    painter.rotate(layer.phaseDeg);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(QRectF(-reach * scale, -reach * scale, 2 * reach * scale, 2 * reach * scale), face);
    painter.restore();

    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(inks.line, line * 0.09));
    painter.setBrush(Qt::NoBrush);
    painter.drawPolygon(shape);
    const double gap = line * 0.45, tick = line * 0.3;
    painter.setPen(QPen(inks.quiet, line * 0.06));
    auto dimension = [&](QPointF p, QPointF q) {
        const QPointF along = (q - p) / std::max(1e-9, std::hypot(q.x() - p.x(), q.y() - p.y())),
                      across(-along.y() * tick, along.x() * tick);
        painter.drawLine(p, q);
        painter.drawLine(p - across, p + across);
        painter.drawLine(q - across, q + across);
    };
    dimension({a.x(), a.y() - gap}, {b.x(), b.y() - gap});
    if (v > 1) dimension({d.x(), d.y() + gap}, {c.x(), c.y() + gap});
    dimension({b.x() + gap, a.y()}, {b.x() + gap, c.y()});
    painter.setPen(inks.text);
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, style, 2)); };
    painter.drawText(QRectF(box.left(), a.y() - gap - line * 1.25, box.width() - side + line, line * 1.1),
                     Qt::AlignCenter, length(r.outerEdge()));
    painter.drawText(QRectF(box.left(), c.y() + gap + line * 0.2, box.width() - side + line, line * 1.1),
                     Qt::AlignCenter, length(r.innerEdge()));
    painter.drawText(QRectF(b.x() + gap * 1.8, mid.y() - line / 2, side, line), Qt::AlignLeft | Qt::AlignVCenter,
                     length(r.boardWidth()));
    painter.setPen(inks.quiet);
    painter.drawText(QRectF(b.x() + gap * 1.8, mid.y() + line * 0.6, side, line), Qt::AlignLeft | Qt::AlignVCenter,
                     QString::fromStdString(fixed(r.miterDeg(), 2)) + QStringLiteral("°"));
    painter.restore();
}

namespace {

QRectF boundsOf(const PartViews::Outlines& outlines)
{
    QPolygonF all;
    for (const auto& one : outlines)
        for (const Point& p : one) all << QPointF(p.x(), p.y());
    return all.boundingRect();
}

/// Outlines with their lower left corner at `at`, y up.
void drawOutlines(QPainter& painter, const PartViews::Outlines& outlines, const QPointF& at, double scale, double tall)
{
    const QRectF bounds = boundsOf(outlines);
    for (const auto& one : outlines) {
        QPolygonF shape;
        for (const Point& p : one)
            shape << QPointF(at.x() + (p.x() - bounds.left()) * scale, at.y() - (p.y() - bounds.top()) * tall);
        painter.drawPolygon(shape);
    }
}

}  // namespace

void drawStave(QPainter& painter, const QRectF& box, const BuiltLayer& layer, double loss, LengthStyle style,
               const Inks& inks)
{
    const PartViews v = partViews(layer, 0, loss);
    const QRectF face = boundsOf(v.face), edge = boundsOf(v.edge), end = boundsOf(v.end);
    const QFontMetricsF letters(painter.font(), painter.device());
    const double line = letters.height(), number = letters.horizontalAdvance("0000.00 mm") + line * 0.6;
    // Face and edge beside one another, the end below the face; words above and below the face, and at both sides.
    const double across = face.width() + edge.width(), down = face.height() + end.height();
    const double sx = (box.width() - 2 * number - 2 * line) / std::max(1e-6, across),
                 sy = (box.height() - 6.6 * line) / std::max(1e-6, down);
    if (!(sx > 0 && sy > 0)) return;
    // A long stave is drawn shortened: its width must still be seen.
    const bool shortened = sx > 1.5 * sy;
    const double scale = shortened ? std::min(sx, 0.3 * box.height() / std::max(1e-6, end.height())) : std::min(sx, sy);
    const double tall = shortened ? (box.height() - 6.6 * line - end.height() * scale) / face.height() : scale;
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, style, 2)); };
    const QPointF at(box.left() + number, box.top() + 1.4 * line + face.height() * tall);
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(inks.line, line * 0.09));
    painter.setBrush(woodColour(*layer.woods[0]));
    drawOutlines(painter, v.face, at, scale, tall);
    const QPointF edgeAt(at.x() + face.width() * scale + 1.4 * line, at.y());
    drawOutlines(painter, v.edge, edgeAt, scale, tall);
    const QPointF endAt(at.x(), at.y() + 2.6 * line + end.height() * scale);
    drawOutlines(painter, v.end, endAt, scale, scale);
    painter.setPen(inks.text);
    const double wide = face.width() * scale + 2 * number, left = at.x() - number;
    painter.drawText(QRectF(left, box.top() + 0.1 * line, wide, line), Qt::AlignCenter, length(v.upper));
    painter.drawText(QRectF(left, at.y() + 0.3 * line, wide, line), Qt::AlignCenter, length(v.lower));
    painter.drawText(QRectF(left, at.y() - face.height() * tall / 2 - line / 2, number - line * 0.4, line),
                     Qt::AlignRight | Qt::AlignVCenter, length(v.length));
    painter.drawText(QRectF(edgeAt.x() + edge.width() * scale + line * 0.4,
                            at.y() - edge.height() * tall / 2 - line / 2, number, line),
                     Qt::AlignLeft | Qt::AlignVCenter, length(v.thickness));
    painter.setPen(inks.quiet);
    painter.drawText(QRectF(left, endAt.y() + 0.2 * line, wide, line), Qt::AlignCenter,
                     shortened ? QStringLiteral("lower end; its length is shortened") : QStringLiteral("lower end"));
    painter.restore();
}

void drawParts(QPainter& painter, const QRectF& box, const BuiltLayer& layer, const Inks& inks)
{
    const double half = layer.cornerRadius() * 1.03, side = std::min(box.width(), box.height()),
                 scale = side / 2 / half;
    const QPointF centre = box.center();
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(QRectF(centre.x() - side / 2, centre.y() - side / 2, side, side),
                      imageOf(bakeRing(layer, half, 400)));
    const QFontMetricsF letters(painter.font(), painter.device());
    const double line = letters.height();
    painter.setBrush(Qt::NoBrush);
    std::vector<std::pair<QPointF, QString>> numbers;
    for (const Cell& cell : layer.cells) {
        QPolygonF shape;
        for (const Point& p : layer.planOf(cell, (layer.z0 + layer.z1) / 2))
            shape << QPointF(centre.x() + p.x() * scale, centre.y() - p.y() * scale);
        painter.setPen(QPen(inks.line, line * 0.06));
        painter.drawPolygon(shape);
        const QRectF room = shape.boundingRect();
        if (cell.segment >= 0 && std::min(room.width(), room.height()) > 1.2 * line)
            numbers.emplace_back(room.center(), QString::number(cell.segment + 1));
    }
    for (const Scribed& c : layer.scribed) painter.drawEllipse(centre, c.upper * scale, c.upper * scale);
    for (const auto& [at, words] : numbers) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(inks.paper);
        painter.drawEllipse(at, line * 0.6, line * 0.6);
        painter.setPen(inks.text);
        painter.drawText(QRectF(at.x() - line, at.y() - line / 2, 2 * line, line), Qt::AlignCenter, words);
    }
    painter.restore();
}

}  // namespace vl::report
