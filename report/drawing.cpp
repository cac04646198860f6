#include "report/drawing.h"

#include "core/blank/part_views.h"
#include "core/measure/format.h"
#include "core/picture/finished.h"
#include "core/picture/render.h"

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

QColor woodColor(const Species& species)
{
    const auto mean = [&](size_t k) { return species.figure.early[k] * 0.62f + species.figure.late[k] * 0.38f; };
    return QColor::fromRgbF(mean(0), mean(1), mean(2));
}

QImage picture(const Piece& piece, const Plan& plan, int width, int height)
{
    const Mesh mesh = finishedMesh(piece, plan.assembly, plan.surfaces, {0.05, false});
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
    const double line = letters.height(), number = letters.horizontalAdvance("000.00 mm") + line * 0.5;
    // Face, edge and end beside one another; the face's length at the left, the thickness between edge and end.
    const double wide = (box.width() - 2 * number - 1.5 * line) / (face.width() + edge.width() + end.width());
    const double room = box.height() - 4 * line;
    const double scale = std::min(wide, room / std::max(end.height(), end.width()));
    if (!(scale > 0 && room > 0)) return;
    // A long stave is drawn shortened: its width must still be seen.
    const bool shortened = face.height() * scale > room;
    const double tall = shortened ? room / face.height() : scale;
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, style, 2)); };
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(inks.line, line * 0.09));
    painter.setBrush(woodColor(*layer.woods[0]));
    const double foot = box.top() + 1.3 * line + face.height() * tall;
    const QPointF faceAt(box.left() + number, foot);
    const QPointF edgeAt(faceAt.x() + face.width() * scale + line, foot);
    const QPointF endAt(edgeAt.x() + edge.width() * scale + number, foot);
    drawOutlines(painter, v.face, faceAt, scale, tall);
    drawOutlines(painter, v.edge, edgeAt, scale, tall);
    drawOutlines(painter, v.end, endAt, scale, scale);
    painter.setPen(inks.text);
    auto above = [&](double x, double width, double y, const QString& words) {
        painter.drawText(QRectF(x - number, y, width + 2 * number, line), Qt::AlignCenter, words);
    };
    const double width = face.width() * scale;
    above(faceAt.x(), width, box.top() + 0.1 * line, length(v.upper));
    above(faceAt.x(), width, foot + 0.2 * line, length(v.lower));
    painter.drawText(QRectF(box.left(), foot - face.height() * tall / 2 - line / 2, number - line * 0.4, line),
                     Qt::AlignRight | Qt::AlignVCenter, length(v.length));
    painter.drawText(QRectF(edgeAt.x() + edge.width() * scale + line * 0.3, foot - face.height() * tall / 2 - line / 2,
                            number, line),
                     Qt::AlignLeft | Qt::AlignVCenter, length(v.thickness));
    painter.setPen(inks.quiet);
    painter.drawText(QRectF(box.left(), foot + 1.4 * line, box.width(), line), Qt::AlignCenter,
                     shortened ? QStringLiteral("outer face, edge and lower end; shortened")
                               : QStringLiteral("outer face, edge and lower end"));
    painter.restore();
}

int partNumber(const Layer& layer, int segment) { return layer.is<WrapForm>() ? segment : segment + 1; }

void drawParts(QPainter& painter, const QRectF& box, const Layer& own, const BuiltLayer& layer, const Inks& inks)
{
    const double half = layer.cornerRadius() * 1.03, side = std::min(box.width(), box.height()),
                 scale = side / 2 / half;
    const QPointF center = box.center();
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(QRectF(center.x() - side / 2, center.y() - side / 2, side, side),
                      imageOf(bakeRing(layer, half, 400)));
    const QFontMetricsF letters(painter.font(), painter.device());
    const double line = letters.height();
    painter.setBrush(Qt::NoBrush);
    std::vector<std::pair<QPointF, QString>> numbers;
    for (const Cell& cell : layer.cells) {
        QPolygonF shape;
        for (const Point& p : layer.planOf(cell, (layer.z0 + layer.z1) / 2))
            shape << QPointF(center.x() + p.x() * scale, center.y() - p.y() * scale);
        painter.setPen(QPen(inks.line, line * 0.06));
        painter.drawPolygon(shape);
        const QRectF room = shape.boundingRect();
        const int number = partNumber(own, cell.segment);
        if (number > 0 && std::min(room.width(), room.height()) > 1.2 * line)
            numbers.emplace_back(room.center(), QString::number(number));
    }
    for (const Scribed& c : layer.scribed) painter.drawEllipse(center, c.upper * scale, c.upper * scale);
    for (const auto& [at, words] : numbers) {
        painter.setPen(Qt::NoPen);
        painter.setBrush(inks.paper);
        painter.drawEllipse(at, line * 0.6, line * 0.6);
        painter.setPen(inks.text);
        painter.drawText(QRectF(at.x() - line, at.y() - line / 2, 2 * line, line), Qt::AlignCenter, words);
    }
    painter.restore();
}

void drawSection(QPainter& painter, const QPointF& foot, double scale, const Piece& piece,
                 const TurnedSurfaces& surfaces, const Inks& inks)
{
    const auto at = [&](double z, double r) { return foot + QPointF(r, -z) * scale; };
    QPolygonF body;
    const Polyline &out = surfaces.outsideAsItRuns(), &in = surfaces.insideAsItRuns();
    for (const Point& p : out) body << at(p.x(), p.y());
    for (auto p = in.rbegin(); p != in.rend(); ++p) body << at(p->x(), p->y());
    for (qsizetype k = body.size() - 1; k >= 0; --k) body << QPointF(2 * foot.x() - body[k].x(), body[k].y());
    painter.setPen(QPen(inks.line, 1.2));
    painter.setBrush(inks.paper);
    painter.drawPolygon(body);
    painter.setPen(QPen(inks.quiet, 0.8));
    double z = 0;
    for (const Layer& l : piece.layers) {
        z += l.thickness;
        const double r = radiusAt(surfaces.outside, std::min(z, outlineHeight(piece)));
        painter.drawLine(at(z, -r), at(z, r));
    }
}

QSizeF sectionSize(const Piece& piece, const TurnedSurfaces& surfaces)
{
    double widest = 1;
    for (const Point& p : surfaces.outside) widest = std::max(widest, p.y());
    return {widest, std::max(1.0, outlineHeight(piece))};
}

}  // namespace vl::report
