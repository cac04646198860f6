// What the section lane draws; section_lane.cpp is how it is handled.
#include "app/lanes/section_lane.h"
#include "app/theme/theme.h"
#include "core/picture/views.h"
#include "core/workpiece/cross_section.h"
#include "core/workpiece/nest.h"
#include "report/drawing.h"

#include <QPainter>
#include <QPainterPath>

#include <cmath>

namespace vl::app {
namespace {

QPolygonF polygon(const Polyline& line, auto&& at)
{
    // Corners closer than the eye tells apart are one: a line of a thousand is drawn over and over in a drag.
    constexpr double near = 0.3;  // pixels
    QPolygonF out;
    for (const Point& p : line) {
        const QPointF here = at(p);
        if (out.isEmpty() || (here - out.last()).manhattanLength() > near || &p == &line.back()) out << here;
    }
    return out;
}

}  // namespace

void SectionLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    drawGround(painter);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.save();
    painter.setClipRect(QRectF(0, top - 24, axis_.place().section, drawingBottom() - top + 24));
    drawStock(painter);
    drawWood(painter);
    if (handles_ == Handles::Outline) drawTrace(painter);
    drawAxis(painter);
    drawGuides(painter);
    if (doc_.piece().nest.on) drawNest(painter);
    if (handles_ == Handles::Layers) drawLayerHandles(painter);
    if (handles_ == Handles::Stations) {
        drawStations(painter);
        drawMarks(painter);
    }
    if (handles_ == Handles::Outline)
        drawOutlineHandles(painter);
    else
        drawSelection(painter);
    drawMeasures(painter);
    drawCautions(painter);
    painter.restore();
    if (columns_)
        drawLeaders(painter);
    else
        drawRuler(painter);
    drawReadout(painter);
}

QPolygonF SectionLane::stockShape(const BuiltLayer& l) const
{
    QPolygonF shape = polygon(l.outerHold, [&](const Point& p) { return at(p); });
    if (l.innerHold.empty())
        shape << at({l.z1, 0}) << at({l.z0, 0});
    else
        for (auto it = l.innerHold.rbegin(); it != l.innerHold.rend(); ++it) shape << at(*it);
    return shape;
}

void SectionLane::drawStock(QPainter& painter) const
{
    for (const BuiltLayer& l : doc_.plan().assembly.layers) {
        QColor wood = report::woodColor(*l.woods[0]);
        QColor line = theme().quiet;
        line.setAlphaF(0.5f);
        wood.setAlphaF(handles_ == Handles::Outline ? 0.14f : 0.30f);
        painter.setPen(QPen(line, 0.8));
        painter.setBrush(wood);
        painter.drawPolygon(stockShape(l));
    }
}

void SectionLane::drawWood(QPainter& painter)
{
    const Plan& plan = doc_.plan();
    QPainterPath shape, side;
    // Coarser than the eye can tell where other axes have turned: it is drawn over and over in a drag.
    constexpr double fine = 0.2;  // mm
    QPolygonF loop = polygon(outsideAlong(plan.surfaces, 0, fine), [&](const Point& p) { return at(p); });
    QPolygonF below = polygon(silhouetteAlong(plan.surfaces, 180, fine), [&](const Point& p) {
        return at({p.x(), -p.y()});
    });
    below << at({plan.surfaces.outside.back().x(), 0}) << at({plan.surfaces.outside.front().x(), 0});
    const Polyline &out = plan.surfaces.outsideAsItRuns(), &in = plan.surfaces.insideAsItRuns();
    if (in.empty() || in.front().y() <= 0) loop.prepend(at({out.front().x(), 0}));
    if (in.empty())
        loop << at({out.back().x(), 0});
    else
        for (auto it = in.rbegin(); it != in.rend(); ++it) loop << at(*it);
    shape.addPolygon(loop);
    shape.closeSubpath();
    side.addPolygon(below);
    side.closeSubpath();

    const double ratio = devicePixelRatioF();
    const QRectF seen(0, top - 20, axis_.place().section, drawingBottom() - top + 20);
    const QRectF over(seen.topLeft(), QPointF(seen.right(), std::clamp(axisY(), seen.top(), seen.bottom()))),
        under(over.bottomLeft(), seen.bottomRight());
    struct View {
        double z0, z1, low, high;
        int width, height;
    };
    const auto viewOf = [&](const QRectF& box) {
        return View{z(box.left()),
                    z(box.right()),
                    r(box.bottom()),
                    r(box.top()),
                    static_cast<int>(box.width() * ratio),
                    static_cast<int>(box.height() * ratio)};
    };
    const Baked::Images* wood = nullptr;
    if (!doc_.live())
        wood = wood_.get(qHashMulti(doc_.version(), x(0), axis_.scale(), axisY(), width(), height(), ratio),
                         [assembly = doc_.plan().assembly, sides = doc_.plan().surfaces, a = viewOf(over),
                          b = viewOf(under)](const std::atomic<bool>& canceled) {
                             Baked::Images images;
                             images.push_back(report::imageOf(
                                 bakeSection(assembly, sides, a.z0, a.z1, a.low, a.high, a.width, a.height)));
                             images.push_back(report::imageOf(
                                 bakeSide(assembly, sides, b.z0, b.z1, b.low, b.high, b.width, b.height, &canceled)));
                             return images;
                         });
    painter.save();
    painter.setClipPath(shape, Qt::IntersectClip);
    // While a drag goes on the woods are flat; their figure is back with the release, and what saw and drill have taken
    // is gone in it.
    const bool flat = !wood || plan.surfaces.cuts.empty();
    for (const BuiltLayer& l : plan.assembly.layers)
        if (flat)
            painter.fillRect(QRectF(QPointF(x(l.z0), over.top()), QPointF(x(l.z1) + 0.5, over.bottom())),
                             report::woodColor(*l.woods[l.sectorAt(0)]));
    if (wood) painter.drawImage(over, (*wood)[0]);
    painter.setPen(QPen(QColor(0, 0, 0, 120), 0.8));
    for (const BuiltLayer& l : plan.assembly.layers)
        painter.drawLine(QPointF(x(l.z1), over.top()), QPointF(x(l.z1), over.bottom()));
    painter.restore();
    painter.save();
    painter.setClipPath(side, Qt::IntersectClip);
    if (flat) drawFlat(painter);
    if (wood) painter.drawImage(under, (*wood)[1]);
    painter.setPen(QPen(QColor(0, 0, 0, 90), 0.7));
    for (const BuiltLayer& l : plan.assembly.layers)
        painter.drawLine(QPointF(x(l.z1), under.top()), QPointF(x(l.z1), under.bottom()));
    painter.restore();
    painter.setPen(QPen(theme().text, 1.3));
    painter.setBrush(Qt::NoBrush);
    painter.drawPath(shape);
    painter.drawPath(side);
}

/// The side in flat woods, while its figure is not there yet: bands between the joints that the turner sees.
void SectionLane::drawFlat(QPainter& painter) const
{
    painter.setPen(Qt::NoPen);
    for (const BuiltLayer& l : doc_.plan().assembly.layers) {
        const Polyline part = between(doc_.plan().surfaces.outside, l.z0, l.z1);
        painter.fillRect(QRectF(at({l.z0, 0}), at({l.z1, -greatestRadius()})), report::woodColor(*l.woods[0]));
        if (!l.sectored() || part.size() < 2) continue;
        const double pitch = 360.0 / l.count();
        for (int k = 0; k < l.count(); ++k) {
            double from = std::fmod(l.phaseDeg + pitch * (k - 0.5), 360.0);
            if (from < 0) from += 360;
            if (from > 180) from -= 360;
            const double a = std::max(90.0, from), b = std::min(180.0, from + pitch);
            if (a >= b) continue;
            QPolygonF band;
            for (const Point& p : part) band << at({p.x(), p.y() * std::cos(a * degrees)});
            for (auto it = part.rbegin(); it != part.rend(); ++it)
                band << at({it->x(), it->y() * std::cos(b * degrees)});
            painter.setBrush(report::woodColor(*l.woods[static_cast<size_t>(k)]));
            painter.drawPolygon(band);
        }
    }
}

void SectionLane::setGuide(Guide guide)
{
    guide_ = guide;
    update();
}

void SectionLane::drawTrace(QPainter& painter)
{
    const Trace& t = doc_.piece().trace;
    const QString file = QString::fromStdString(t.picture);
    if (file != traceFrom_) {
        traceFrom_ = file;
        trace_ = file.isEmpty() ? QImage() : QImage(file);
    }
    if (!file.isEmpty() && trace_.isNull()) {
        painter.setPen(theme().warn);
        painter.setFont(textFont(8.5));
        painter.drawText(QRectF(12, height() - rulerHeight - 24, width() - 24, 18), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("The picture to trace is not there: %1").arg(file));
    } else if (!file.isEmpty()) {
        painter.save();
        painter.setRenderHint(QPainter::SmoothPixmapTransform, !doc_.live());
        painter.setOpacity(t.strength / 100);
        painter.translate(at({t.along, t.up}));
        painter.rotate(-t.turned);
        const double wide = t.width * axis_.scale(), tall = wide * trace_.height() / trace_.width();
        painter.drawImage(QRectF(-wide / 2, -tall / 2, wide, tall), trace_);
        painter.restore();
    }
    if (line_ != Line::Drawn) return;
    painter.setPen(QPen(theme().accent, 2));
    painter.drawLine(lineFrom_, hoverAt_);
}

void SectionLane::drawGuides(QPainter& painter) const
{
    const double height = outlineHeight(doc_.piece()), widest = greatestRadius();
    painter.setFont(textFont(8));
    for (const double share : guideShares(guide_)) {
        painter.setPen(QPen(theme().accent, 1, Qt::DashLine));
        painter.drawLine(at({share * height, 0}), at({share * height, widest}));
        painter.drawLine(at({0, share * widest}), at({height, share * widest}));
        painter.setPen(theme().accent);
        const QString station = QString::fromStdString(formatLength(share * height, doc_.style())),
                      diameter =
                          QStringLiteral("Ø ") + QString::fromStdString(formatLength(2 * share * widest, doc_.style()));
        painter.drawText(at({share * height, widest}) + QPointF(3, -3), station);
        painter.drawText(at({height, share * widest}) + QPointF(6, 4), diameter);
    }
}

void SectionLane::drawAxis(QPainter& painter) const
{
    const double base = axisY(), head = x(0);
    painter.setPen(QPen(theme().quiet, 1, Qt::DashDotLine));
    painter.drawLine(QPointF(head - 10, base),
                     QPointF(x(std::max(stackHeight(doc_.piece()), outlineHeight(doc_.piece()))) + 14, base));
    painter.setPen(theme().quiet);
    painter.setFont(textFont(8));
    painter.drawText(QRectF(head - 66, base - 9, 38, 18), Qt::AlignRight | Qt::AlignVCenter, tr("head"));
    painter.setBrush(theme().edge);
    painter.setPen(QPen(theme().quiet, 1));
    painter.drawPolygon(QPolygonF({{head - 24, base - 7}, {head - 12, base}, {head - 24, base + 7}}));
}

void SectionLane::drawRuler(QPainter& painter) const
{
    const double base = drawingBottom();
    const bool metric = doc_.style().unit == LengthStyle::Unit::Millimeter;
    double step = metric ? 1 : mmPerInch / 8;
    const double factors[] = {2, 2.5, 2};
    for (int k = 0; step * axis_.scale() < 9; ++k) step *= metric ? factors[k % 3] : 2;
    const int labeled = metric ? 5 : 4;
    const double length = std::max(outlineHeight(doc_.piece()), stackHeight(doc_.piece()));
    double free = -1e9;
    painter.setFont(textFont(8));
    for (int k = 0; k * step <= length + 1e-9; ++k) {
        const double px = x(k * step);
        if (px < 0 || px > axis_.place().section) continue;
        const bool big = k % labeled == 0;
        painter.setPen(QPen(theme().quiet, big ? 1.1 : 0.7));
        painter.drawLine(QPointF(px, base + 3), QPointF(px, base + (big ? 11 : 7)));
        if (!big || px < free) continue;
        const QString words = this->length(k * step, metric || doc_.style().unit == LengthStyle::Unit::Inch ? 0 : -1);
        painter.drawText(QRectF(px - 40, base + 12, 80, 15), Qt::AlignCenter, words);
        free = px + QFontMetricsF(painter.font()).horizontalAdvance(words) + 14;
    }
}

/// From each layer or station to its column: straight down out of the drawing, then over to the column. Their order is
/// the same above and below, so none crosses another.
void SectionLane::drawLeaders(QPainter& painter) const
{
    const bool stations = handles_ == Handles::Stations;
    const auto& layers = doc_.plan().assembly.layers;
    const double from = drawingBottom(), to = height() - 6;
    auto leader = [&](int k) {
        double station = 0, radius = 0;
        const auto i = static_cast<size_t>(k);
        if (stations) {
            station = doc_.plan().stations[i].z;
            radius = doc_.plan().stations[i].outside / 2;
        } else {
            station = (layers[i].z0 + layers[i].z1) / 2;
            radius = radiusAt(doc_.plan().surfaces.outside, station);
        }
        const double px = x(station), begin = std::isnan(radius) ? axisY() : y(-radius) + 2;
        if (px < 0 || px > axis_.place().section) return;
        painter.drawPolyline(QPolygonF({{px, std::min(begin, from)},
                                        {px, from},
                                        {columns_->center(k), to},
                                        {columns_->center(k), static_cast<double>(height())}}));
    };
    QColor line = theme().quiet;
    line.setAlphaF(0.55f);
    const int chosen = stations ? -1 : doc_.selection().layer;
    painter.setPen(QPen(line, 0.8));
    for (int k = columns_->first(); k < columns_->first() + columns_->shown(); ++k)
        if (k != chosen) leader(k);
    if (chosen < 0 || !columns_->shows(chosen)) return;
    painter.setPen(QPen(theme().accent, 1.6));
    leader(chosen);
}

void SectionLane::drawOutlineHandles(QPainter& painter) const
{
    const Piece& piece = doc_.piece();
    for (const Side side : {Side::Outside, Side::Inside}) {
        if (side == Side::Inside && piece.hollow.rule != WallRule::Drawn) continue;
        const Outline& line = outline(side);
        for (int i = 0; i < static_cast<int>(line.size()); ++i) {
            const QPointF p = nodePosition(side, i);
            const bool chosen = doc_.selection().node == i && doc_.selection().side == side;
            const bool over = hover_.grip == Grip::Node && hover_.index == i && hover_.side == side;
            painter.setPen(QPen(chosen || over ? theme().accent : theme().text, chosen ? 2.4 : 1.6));
            painter.setBrush(chosen ? theme().accentSoft : theme().panel);
            const double s = over || chosen ? 6 : 5;
            if (line[static_cast<size_t>(i)].smooth)
                painter.drawEllipse(p, s, s);
            else
                painter.drawRect(QRectF(p.x() - s + 0.5, p.y() - s + 0.5, 2 * s - 1, 2 * s - 1));
        }
    }
    for (int i = 0; i + 1 < static_cast<int>(piece.outside.size()); ++i)
        if (piece.outside[static_cast<size_t>(i)].span == Span::Arc) {
            const QPointF p = bulgePosition(i);
            painter.setPen(QPen(theme().accent, 1.6));
            painter.setBrush(theme().panel);
            painter.drawPolygon(
                QPolygonF({{p.x(), p.y() - 6}, {p.x() + 6, p.y()}, {p.x(), p.y() + 6}, {p.x() - 6, p.y()}}));
        }
    if (!doc_.plan().shape.solid) {
        const QPointF p = floorPosition();
        painter.setPen(QPen(theme().accent, 1, Qt::DotLine));
        painter.drawLine(QPointF(p.x(), axisY()), QPointF(p.x(), p.y() - 22));
        painter.setPen(QPen(theme().accent, 1.6));
        painter.setBrush(theme().panel);
        painter.drawPolygon(QPolygonF({{p.x() - 7, p.y() - 6}, {p.x() + 5, p.y()}, {p.x() - 7, p.y() + 6}}));
    }
}

/// The grooves that part the nested rings.
void SectionLane::drawNest(QPainter& painter) const
{
    const Nest& n = doc_.piece().nest;
    const double end = outlineHeight(doc_.piece());
    auto groove = [&](double inner) {
        const QRectF box(at({0, inner / 2}), at({end, inner / 2 - n.tool}));
        painter.fillRect(box.normalized(), theme().panel);
        painter.setPen(QPen(theme().text, 1));
        painter.drawLine(box.topLeft(), box.topRight());
        painter.drawLine(box.bottomLeft(), box.bottomRight());
    };
    for (const NestedRing& ring : nestedRings(n)) groove(ring.inner);
}

QString SectionLane::valueOf(const LayerHandle& h) const
{
    return QString::fromStdString(h.name) + QStringLiteral(" ") +
           (h.unit == Unit::Angle ? QString::number(h.value, 'f', 2) + QStringLiteral("°") : lengthUnit(h.value));
}

void SectionLane::drawLayerHandles(QPainter& painter) const
{
    const auto own = handles();
    for (size_t i = 0; i < own.size(); ++i) {
        const QPointF p = at(own[i].at);
        const bool over = (hover_.grip == Grip::Layer && hover_.index == static_cast<int>(i)) ||
                          (held_ && held_->hit.grip == Grip::Layer && held_->hit.index == static_cast<int>(i));
        const double s = over ? 6.5 : 5.5;
        painter.setPen(QPen(theme().accent, over ? 2.4 : 1.8));
        painter.setBrush(theme().panel);
        painter.drawPolygon(
            QPolygonF({{p.x(), p.y() - s}, {p.x() + s, p.y()}, {p.x(), p.y() + s}, {p.x() - s, p.y()}}));
    }
}

void SectionLane::drawStations(QPainter& painter) const
{
    QColor ink = theme().accent;
    for (const Station& s : doc_.plan().stations) {
        const double px = x(s.z);
        ink.setAlphaF(0.75f);
        painter.setPen(QPen(ink, 1));
        painter.drawLine(QPointF(px, y(s.outside / 2) - 12), QPointF(px, y(s.outside / 2) - 2));
        painter.setPen(QPen(ink, 0.7, Qt::DotLine));
        painter.drawLine(QPointF(px, y(std::isnan(s.inside) ? 0 : s.inside / 2)), QPointF(px, y(-s.outside / 2)));
    }
}

void SectionLane::drawSelection(QPainter& painter) const
{
    const auto& layers = doc_.plan().assembly.layers;
    for (const int i : doc_.selection().layers) {
        if (i >= static_cast<int>(layers.size())) continue;
        const BuiltLayer& l = layers[static_cast<size_t>(i)];
        painter.setPen(QPen(theme().accent, i == doc_.selection().layer ? 2.2 : 1.4));
        painter.setBrush(Qt::NoBrush);
        painter.drawPolygon(stockShape(l));
        QPolygonF side = polygon(between(doc_.plan().surfaces.outside, l.z0, l.z1), [&](const Point& p) {
            return at({p.x(), -p.y()});
        });
        side << at({l.z1, 0}) << at({l.z0, 0});
        painter.drawPolygon(side);
    }
}

void SectionLane::drawCautions(QPainter& painter) const
{
    std::vector<double> marked;
    for (const Caution& c : doc_.plan().cautions) {
        const QColor ink = c.level == Level::Stop ? theme().stop : theme().warn;
        const QPointF p(x(c.z), cautionY);
        // Of several at one place the gravest, which comes first, is marked for all of them.
        constexpr double apart = 21;  // pixels
        if (std::ranges::any_of(marked, [&](double at) { return std::abs(at - p.x()) < apart; })) continue;
        marked.push_back(p.x());
        painter.setPen(QPen(ink, 1, Qt::DashLine));
        painter.drawLine(QPointF(p.x(), p.y() + 9), QPointF(p.x(), axisY()));
        painter.setPen(QPen(ink, 1.6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        painter.setBrush(theme().warnSoft);
        painter.drawPolygon(QPolygonF({{p.x(), p.y() - 9}, {p.x() + 10, p.y() + 8}, {p.x() - 10, p.y() + 8}}));
        painter.setFont(textFont(8, QFont::Bold));
        painter.drawText(QRectF(p.x() - 10, p.y() - 7, 20, 16), Qt::AlignCenter, QStringLiteral("!"));
    }
}

}  // namespace vl::app
