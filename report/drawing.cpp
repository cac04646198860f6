#include "report/drawing.h"

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

}  // namespace vl::report
