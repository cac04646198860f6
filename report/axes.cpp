#include "report/axes.h"

#include "core/measure/format.h"
#include "core/process/axis_recipe.h"
#include "core/workpiece/cross_section.h"
#include "core/workpiece/index_rings.h"
#include "report/profile_template.h"
#include "report/type.h"

#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

double stationOf(const AxisDrawing& what, const Plan& plan)
{
    constexpr double just = 1e-3;  // mm within the piece
    const double height = plan.surfaces.outside.back().x();
    switch (what.sight) {
    case AxisSight::Head:
        return just;
    case AxisSight::Tail:
        return height - just;
    case AxisSight::Section:
        break;
    }
    return std::clamp(what.z, just, height - just);
}

void cross(QPainter& painter, const QPointF& at, double size)
{
    painter.drawLine(at - QPointF(size, 0), at + QPointF(size, 0));
    painter.drawLine(at - QPointF(0, size), at + QPointF(0, size));
}

}  // namespace

QPointF seenAt(const Point& p, AxisSight sight, const QPointF& center, double scale)
{
    return center + QPointF(sight == AxisSight::Head ? p.y() : -p.y(), -p.x()) * scale;
}

Point placeOf(const QPointF& at, AxisSight sight, const QPointF& center, double scale)
{
    const QPointF off = (at - center) / scale;
    return {-off.y(), sight == AxisSight::Head ? off.x() : -off.x()};
}

void drawAxes(QPainter& painter, const QPointF& center, double scale, const Plan& plan, const AxisDrawing& what,
              const Inks& inks)
{
    const double z = stationOf(what, plan);
    const BuiltLayer& layer = plan.assembly.layers[plan.assembly.layerAt(z)];
    auto seen = [&](const Point& p) { return seenAt(p, what.sight, center, scale); };
    auto circle = [&](const Point& middle, double r) { painter.drawEllipse(seen(middle), r * scale, r * scale); };
    const double fine = std::max(0.6, 0.02 * scale);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(inks.quiet, fine));
    for (const Cell& cell : layer.cells) {
        QPolygonF corners;
        for (const Point& p : layer.planOf(cell, z)) corners << seen({p.y(), -p.x()});
        painter.drawPolygon(corners);
    }
    const CrossSection section(plan.surfaces, z);
    QPolygonF left;
    for (const Point& p : section.outline(0.2 / scale)) left << seen(p);
    QColor wood = woodColor(*layer.woods[0]);
    painter.setBrush(what.filled ? QBrush(wood) : QBrush(Qt::NoBrush));
    painter.setPen(QPen(inks.line, 2 * fine));
    painter.drawPolygon(left);
    const double bore = plan.surfaces.inside.empty() ? std::nan("") : radiusRange(plan.surfaces.inside, z, z).low;
    painter.setBrush(inks.paper);
    if (bore > 0) circle({0, 0}, bore);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(inks.quiet, fine, Qt::DashLine));
    circle({0, 0}, radiusAt(plan.surfaces.outside, z));
    painter.setPen(QPen(inks.line, fine));
    cross(painter, center, std::max(5.0, 2.0 * scale));

    for (const bool chosen : {false, true})
        for (const AxisSetUp& s : plan.setUps) {
            if (chosen != (static_cast<int>(s.axis) == what.chosen)) continue;
            const Point middle = what.sight == AxisSight::Head   ? s.head
                                 : what.sight == AxisSight::Tail ? s.tail
                                                                 : s.solid.centerAt(z);
            const double own = s.solid.radiusNear(z);
            painter.setPen(QPen(chosen ? what.accent : inks.quiet, 1.4 * fine));
            if (chosen && own > 0) {
                circle(middle, own);
                if (const double line = depthLine(s, z); line > 0 && what.sight != AxisSight::Section) {
                    painter.setPen(QPen(what.accent, fine, Qt::DotLine));
                    circle({0, 0}, line);
                }
            }
            const QPointF at = seen(middle);
            painter.setPen(QPen(chosen ? what.accent : inks.quiet, 1.8 * fine));
            cross(painter, at, std::max(4.0, 1.2 * scale));
            const Point beyond = middle.norm() > 1e-9 ? Point(middle.normalized()) : Point(1, 0);
            const double high = painter.fontMetrics().height();
            const QPointF words = at + (seen(beyond) - center) / scale * std::max(high * 0.75, 3.5 * scale);
            if (!what.filled) {  // on paper a circle may run where the number stands
                painter.setPen(Qt::NoPen);
                painter.setBrush(inks.paper);
                painter.drawEllipse(words, high * 0.55, high * 0.55);
                painter.setBrush(Qt::NoBrush);
            }
            painter.setPen(chosen ? inks.text : inks.quiet);
            painter.drawText(QRectF(words - QPointF(1.5 * high, high / 2), QSizeF(3 * high, high)), Qt::AlignCenter,
                             QString::number(s.side + 1));
        }
    // 12 o'clock.
    const double out = std::max(layer.cornerRadius(), radiusAt(plan.surfaces.outside, z)) * scale + 4 * fine;
    painter.setPen(QPen(inks.line, 1.5 * fine));
    painter.drawLine(center - QPointF(0, out), center - QPointF(0, out + std::max(8.0, 3 * scale)));
}

void drawPlate(QPainter& painter, const QPointF& center, double radius, int holes, const std::vector<IndexMark>& marks,
               const Inks& inks, const QColor& accent)
{
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(inks.quiet, 1));
    painter.drawEllipse(center, radius, radius);
    auto at = [&](double deg, double r) {
        return center + QPointF(-std::sin(deg * degrees), -std::cos(deg * degrees)) * r;
    };
    const double dot = std::clamp(radius * 2.2 / std::max(holes, 1), 1.5, 6.0);
    for (int k = 0; k < holes; ++k) painter.drawEllipse(at(360.0 * k / holes, radius * 0.9), dot, dot);
    // As many numbers as find room.
    const double room = 2 * pi * radius * 1.14 / static_cast<double>(std::max<size_t>(marks.size(), 1));
    const auto every = static_cast<size_t>(std::max(1.0, std::ceil(3.4 * painter.fontMetrics().height() / room)));
    for (size_t k = 0; k < marks.size(); ++k) {
        const double deg = holes > 0 ? 360.0 * marks[k].hole / holes : marks[k].wanted + marks[k].errorDeg;
        painter.setPen(QPen(accent, 1.5));
        painter.setBrush(accent);
        painter.drawLine(center, at(deg, radius * 0.9));
        painter.drawEllipse(at(deg, radius * 0.9), dot + 1, dot + 1);
        painter.setBrush(Qt::NoBrush);
        if (std::abs(marks[k].errorDeg) > 1e-9 && holes > 0) {
            painter.setPen(QPen(inks.text, 1, Qt::DashLine));
            painter.drawLine(center, at(deg - marks[k].errorDeg, radius));
        }
        if (k % every) continue;
        painter.setPen(inks.text);
        const QString words =
            holes > 0 ? QStringLiteral("%1: %2").arg(k + 1).arg(marks[k].hole) : QString::number(k + 1);
        const double high = painter.fontMetrics().height();
        painter.drawText(QRectF(at(deg, radius * 1.14) - QPointF(2 * high, high / 2), QSizeF(4 * high, high)),
                         Qt::AlignCenter, words);
    }
    painter.setPen(QPen(inks.line, 2));
    painter.drawLine(at(0, radius * 1.02), at(0, radius * 1.07));
}

void drawMarkRing(QPainter& painter, const QPointF& center, double radius, const std::vector<double>& angles,
                  const Inks& inks)
{
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(inks.quiet, 1, Qt::DotLine));
    painter.drawEllipse(center, radius, radius);
    painter.setPen(QPen(inks.text, 1.2));
    const double dot = std::clamp(radius * 2.0 / static_cast<double>(std::max<size_t>(angles.size(), 1)), 1.2, 3.5);
    for (size_t k = 0; k < angles.size(); ++k) {
        const double a = angles[k] * degrees;
        painter.setBrush(k == 0 ? QBrush(inks.text) : QBrush(inks.paper));
        painter.drawEllipse(center + QPointF(-std::sin(a), -std::cos(a)) * radius, dot, dot);
    }
}

namespace {

/// The stations of the piece that a mount holds.
Range spanOf(const Mount& m, const Plan& plan)
{
    return m.held.to > 0 ? Range{m.held.from, m.held.to} : Range{0, plan.surfaces.outside.back().x()};
}

/// The work as it lies in a mount: its outline with stations to the right of the headstock's side. Reversed, its rim
/// stands to the headstock.
QPolygonF workShape(const Mount& m, const Plan& plan, const QPointF& origin, double scale)
{
    const Range span = spanOf(m, plan);
    const bool reversed = m.held.rimToHead;
    QPolygonF shape;
    auto add = [&](double z, double r) {
        shape << origin + QPointF(reversed ? span.high - z : z - span.low, -r) * scale;
    };
    const bool rough = !m.held.round && m.held.setUp < 0;
    Polyline line;
    if (rough)
        for (const BuiltLayer& b : plan.assembly.layers) {
            line.push_back({b.z0, b.cornerRadius()});
            line.push_back({b.z1, b.cornerRadius()});
        }
    else
        line = clipped(plan.surfaces.outside, span.low, span.high);
    for (const Point& p : line) add(p.x(), p.y());
    for (auto it = line.rbegin(); it != line.rend(); ++it) add(it->x(), -it->y());
    return shape;
}

}  // namespace

void drawMount(QPainter& painter, const QRectF& box, const Mount& mount, const Plan& plan, const Shop& shop,
               const Inks& inks, const QColor& warn)
{
    const Range span = spanOf(mount, plan);
    const double height = span.high - span.low;
    const double block = mount.held.overhang > height ? mount.held.overhang - height : 0;
    const double reach = std::max(mount.sweep * 1.25, 30.0), length = height + block + 70;
    const double scale = std::min(box.width() / length, box.height() / (2.2 * reach));
    const QPointF head(box.left() + 34 * scale, box.center().y());
    const QPointF origin = head + QPointF(block * scale + 6 * scale, 0);
    painter.save();
    painter.setClipRect(box);
    // Bed and axis.
    const double bed = head.y() + shop.lathe.swingRadius * scale;
    painter.setPen(QPen(inks.quiet, 1));
    if (bed < box.bottom()) painter.drawLine(QPointF(box.left(), bed), QPointF(box.right(), bed));
    painter.setPen(QPen(inks.quiet, 1, Qt::DashDotLine));
    painter.drawLine(QPointF(box.left(), head.y()), QPointF(box.right(), head.y()));
    // Work, and what it sweeps.
    painter.setPen(QPen(inks.line, 1.3));
    painter.setBrush(woodColor(*plan.assembly.layers[0].woods[0]));
    painter.save();
    painter.translate(0, -mount.stray * scale);
    painter.drawPolygon(workShape(mount, plan, origin, scale));
    painter.restore();
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(mount.proof.holds ? inks.quiet : warn, 1, Qt::DashLine));
    painter.drawRect(QRectF(origin - QPointF(0, mount.sweep * scale), QSizeF(height * scale, 2 * mount.sweep * scale)));
    // What holds it.
    painter.setPen(QPen(inks.line, 1.2));
    painter.setBrush(inks.quiet);
    const double grip = mount.held.diameter / 2 * scale, deep = std::max(3.0, mount.held.depth * scale);
    const QPointF face = block > 0 ? head + QPointF(6 * scale, 0) : origin;
    switch (mount.held.by) {
    case Hold::Centers:
        painter.drawPolygon(QPolygonF(
            {face + QPointF(2, 0), face - QPointF(26 * scale, 9 * scale), face - QPointF(26 * scale, -9 * scale)}));
        break;
    case Hold::Jam:
    case Hold::Cushion:
    case Hold::Buttons:
    case Hold::RimPlates:
    case Hold::Vacuum:
        painter.drawRect(
            QRectF(face - QPointF(14 * scale, grip + 8 * scale), QSizeF(14 * scale + deep, 2 * grip + 16 * scale)));
        break;
    default:
        painter.drawRect(QRectF(face - QPointF(30 * scale, 18 * scale), QSizeF(18 * scale, 36 * scale)));
        for (const double way : {-1.0, 1.0})
            painter.drawRect(QRectF(face + QPointF(-12 * scale, way > 0 ? grip : -grip - 9 * scale),
                                    QSizeF(12 * scale + deep, 9 * scale)));
        if (block > 0) {
            painter.setBrush(inks.paper);
            painter.drawRect(QRectF(face - QPointF(0, grip * 1.2), QSizeF(block * scale, 2.4 * grip)));
        }
        break;
    }
    if (mount.held.tailstock) {
        painter.setBrush(inks.quiet);
        const QPointF tip = origin + QPointF(height * scale, 0);
        painter.drawPolygon(
            QPolygonF({tip, tip + QPointF(26 * scale, 8 * scale), tip + QPointF(26 * scale, -8 * scale)}));
    }
    painter.restore();
}

void drawAxisPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    if (hasMarkedCenters(piece))
        for (const AxisSight sight : {AxisSight::Head, AxisSight::Tail}) {
            const bool head = sight == AxisSight::Head;
            sheet.page(head ? QStringLiteral("Centers at full size: head end")
                            : QStringLiteral("Centers at full size: tail end"));
            drawBars(sheet, {});
            sheet.text({Sheet::margin + 30, 40, sheet.inner() - 30, 16},
                       QStringLiteral("Seen as you look at this end. True center on the true center, the tick at 12 "
                                      "o'clock to the same edge of the blank as on the other end; glued on, every "
                                      "center punched with an awl. Dotted: how deep the cut goes where it runs out "
                                      "over this end."),
                       8);
            const QPointF center(sheet.width() / 2, sheet.height() * 0.55);
            QPainter& p = sheet.painter();
            p.save();
            p.setFont(type(9));
            AxisDrawing what{.sight = sight, .z = 0, .chosen = -1, .accent = Qt::black, .filled = false};
            const Inks inks;
            for (size_t a = 0; a < piece.axes.size(); ++a) {
                what.chosen = static_cast<int>(a);
                drawAxes(p, sheet.px(center), sheet.px(1.0), plan, what, inks);
            }
            p.restore();
            double y = sheet.bottom() - 6.0 * static_cast<double>(plan.setUps.size() + 1);
            y = std::max(y, center.y() + plan.lathe.roughRadius + 8);
            for (const AxisSetUp& s : plan.setUps) {
                if (piece.axes[s.axis].by != AxisBy::Centers || y > sheet.bottom() - 5) continue;
                const Point& c = head ? s.head : s.tail;
                double deg = std::atan2(c.y(), c.x()) / degrees;
                if (deg < 0) deg += 360;
                sheet.text({Sheet::margin, y, sheet.inner(), 5},
                           QStringLiteral("%1, side %2: %3 off, at %4°")
                               .arg(q(nameOf(piece, s.axis)))
                               .arg(s.side + 1)
                               .arg(q(formatLengthUnit(c.norm(), style)), q(fixed(deg, 1))),
                           8.5);
                y += 5;
            }
            sheet.moveTo(sheet.bottom());  // each end has its page
        }
    for (const IndexRing& ring : indexRings(piece)) {
        if (ring.plate == 0) continue;
        sheet.page(QStringLiteral("Index wheel: %1, %2 holes").arg(q(ring.name)).arg(ring.plate));
        drawBars(sheet, {});
        sheet.text({Sheet::margin + 30, 40, sheet.inner() - 30, 14},
                   QStringLiteral("Paper wheel for a lathe whose plate has not these holes: glued on thin board, cut "
                                  "round, its middle on the spindle, read by a fixed pointer. Side: hole."),
                   8);
        QPainter& p = sheet.painter();
        p.save();
        p.setFont(type(9));
        const Inks inks;
        drawPlate(p, sheet.px(QPointF(sheet.width() / 2, sheet.height() * 0.55)), sheet.px(70.0), ring.plate,
                  ring.marks, inks, Qt::black);
        p.restore();
        sheet.moveTo(sheet.bottom());  // the wheel has its page
    }
}

void drawMounts(Sheet& sheet, const Plan& plan, const Shop& shop, LengthStyle style)
{
    if (plan.mounts.empty()) return;
    const QString heading = QStringLiteral("Mounts");
    sheet.part(heading, 60);
    sheet.text(
        {Sheet::margin, sheet.y(), sheet.inner(), 10},
        QStringLiteral("Each grip is held against a catch of %1 N as far out as is cut; what grips stand are our "
                       "own cautious values. The chuck's and the lathe's manuals come first.")
            .arg(q(fixed(shop.catchLoad, 0))),
        8.5);
    sheet.moveTo(sheet.y() + 11);
    constexpr double tall = 34;
    for (const Mount& m : plan.mounts) {
        const auto step = std::ranges::find(plan.assembly.recipe, m.id, &Step::id);
        sheet.need(tall + 4, heading);
        drawMount(sheet.painter(), sheet.px(QRectF(Sheet::margin, sheet.y(), 62, tall)), m, plan, shop, Inks{},
                  Qt::black);
        const double x = Sheet::margin + 66, wide = sheet.inner() - 66;
        sheet.text({x, sheet.y(), wide, 6}, q(print(step->title, style)), 10, Qt::AlignLeft | Qt::AlignTop,
                   QFont::DemiBold);
        const bool ends = m.held.by == Hold::Centers;
        const QString holds = ends            ? QStringLiteral("held at both ends, tailstock locked")
                              : m.proof.holds ? QStringLiteral("holds: ") + q(m.why)
                                              : QStringLiteral("DOES NOT HOLD: ") + q(m.why);
        const QString grip =
            ends ? QStringLiteral("between centers")
                 : QStringLiteral("%1, Ø %2, %3 deep; hangs over by %4")
                       .arg(QString::fromUtf8(choicesOf<Hold>()[static_cast<size_t>(m.held.by)].words),
                            q(formatLengthUnit(m.held.diameter, style)), q(formatLengthUnit(m.held.depth, style)),
                            q(formatLengthUnit(m.held.overhang, style)));
        sheet.text({x, sheet.y() + 6.5, wide, tall - 7},
                   QStringLiteral("%1; sweeps a radius of %2\nbegin at %3 rpm, no faster than %4 rpm (%5)\n%6")
                       .arg(grip, q(formatLengthUnit(m.sweep, style)), q(fixed(m.speed.low, 0)),
                            q(fixed(m.speed.high, 0)), q(m.limit), holds),
                   8.5);
        sheet.moveTo(sheet.y() + tall + 3);
    }
}

}  // namespace vl::report
