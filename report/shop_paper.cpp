#include "report/shop_paper.h"

#include "core/workpiece/nest.h"
#include "core/measure/format.h"
#include "report/profile_template.h"
#include "report/type.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <map>

namespace vl::report {
namespace {

/// 100 mm along both edges of the paper: printers may stretch one and not the other.
void bar(Sheet& sheet) { drawBars(sheet, {}); }

void angles(Sheet& sheet, const std::vector<PaperAngle>& list)
{
    for (size_t i = 0; i < list.size(); ++i) {
        const int place = static_cast<int>(i) % anglesOnAPage;
        if (place == 0) {
            sheet.page(QStringLiteral("Angles at full size"));
            bar(sheet);
        }
        const QPointF corner = angleCorner(place, {sheet.width(), sheet.height()});
        const double a = list[i].deg * std::acos(-1.0) / 180;
        const double reach = std::min(angleLength, std::sin(a) > 1e-6 ? 62 / std::sin(a) : angleLength);
        sheet.rule(corner.x(), corner.y(), corner.x() + angleLength, corner.y(), 0.25, Qt::black);
        sheet.rule(corner.x(), corner.y(), corner.x() + reach * std::cos(a), corner.y() - reach * std::sin(a), 0.25,
                   Qt::black);
        sheet.text({corner.x(), corner.y() + 2, sheet.inner(), 6},
                   QStringLiteral("%1°   %2").arg(q(fixed(list[i].deg, 3)), list[i].name), 10,
                   Qt::AlignLeft | Qt::AlignTop, QFont::DemiBold);
        sheet.text({corner.x(), corner.y() + 7.5, sheet.inner(), 5},
                   QStringLiteral("rises %1 mm over 150 mm").arg(q(fixed(150 * std::tan(std::min(a, 1.55)), 2))), 8,
                   Qt::AlignLeft | Qt::AlignTop, QFont::Normal, QColor(80, 80, 80));
    }
}

/// What is drawn about the corner of a sheet, beside its circles, mm from the corner: right and up.
struct CornerLines {
    std::vector<std::pair<QPointF, QPointF>> thin;
    QString along, upright;  ///< what the sheet's two edges are
};

/// Quarter circles about one corner, and their radii along both edges: lay the corner on the board's center.
void circles(Sheet& sheet, const QString& heading, const QString& lead, const std::vector<double>& radii,
             const CornerLines& lines, LengthStyle style)
{
    sheet.page(heading);
    bar(sheet);
    const QPointF center = circleCenter({sheet.width(), sheet.height()});
    const double right = sheet.width() - Sheet::margin - center.x(), up = center.y() - 58;
    sheet.text({center.x(), 37, right, 20}, lead, 8, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap);
    sheet.text({center.x(), center.y() + 12, right, 5}, lines.along, 7.5, Qt::AlignLeft | Qt::AlignTop,
               QFont::DemiBold);
    sheet.painter().save();
    sheet.painter().translate(sheet.px(QPointF(center.x() - 5.5, center.y())));
    sheet.painter().rotate(-90);
    sheet.text({0, 0, up, 4}, lines.upright, 7.5, Qt::AlignLeft | Qt::AlignTop, QFont::DemiBold);
    sheet.painter().restore();
    sheet.rule(center.x(), center.y(), center.x() + right, center.y(), 0.2, Qt::black);
    sheet.rule(center.x(), center.y(), center.x(), center.y() - up, 0.2, Qt::black);
    QPainter& p = sheet.painter();
    p.save();
    p.setClipRect(sheet.px(QRectF(center.x(), center.y() - up, right, up)));
    p.setBrush(Qt::NoBrush);
    for (const double r : radii) {
        p.setPen(QPen(Qt::black, sheet.px(0.25)));
        p.drawEllipse(sheet.px(center), sheet.px(r), sheet.px(r));
    }
    p.setPen(QPen(QColor(130, 130, 130), sheet.px(0.15)));
    for (const auto& [from, to] : lines.thin)
        p.drawLine(sheet.px(QPointF(center.x() + from.x(), center.y() - from.y())),
                   sheet.px(QPointF(center.x() + to.x(), center.y() - to.y())));
    p.restore();
    // Each radius stands under the level edge, in the first row that is free there.
    double free[3] = {-1e9, -1e9, -1e9};
    std::vector<double> rising = radii;
    std::ranges::sort(rising);
    for (const double r : rising) {
        const QString words = q(formatLength(r, style, 2));
        const double wide = QFontMetricsF(type(7), p.device()).horizontalAdvance(words) / sheet.px(1) + 1;
        const double x = center.x() + r;
        auto* row = std::ranges::find_if(free, [&](double from) { return x - wide / 2 > from; });
        if (row == std::end(free) || x + wide / 2 > sheet.width() - Sheet::margin) continue;
        const double y = center.y() + 1.5 + 3.4 * static_cast<double>(row - free);
        sheet.text({x - wide / 2, y, wide, 3.2}, words, 7, Qt::AlignCenter);
        *row = x + wide / 2 + 1;
    }
}

/// The joints of a board's strips as its face shows them in the quarter that is drawn, and the line on which it parts:
/// along the grain, which runs as the strips do.
CornerLines boardLines(const BuiltLayer& b, const BoardRingForm& form)
{
    CornerLines lines;
    // Every ring is the same board, turned on: the lowest lies as the board does.
    for (const vl::Cell& cell : b.cells) {
        const std::vector<Point> corners = b.planOf(cell, b.z0 + 1e-6);
        for (size_t i = 0; i < corners.size(); ++i) {
            const Point &p = corners[i], &q = corners[(i + 1) % corners.size()];
            lines.thin.push_back({{p.x(), p.y()}, {q.x(), q.y()}});
        }
    }
    const QString middle = form.tool != BoardRingForm::Bandsaw
                               ? QStringLiteral("middle line of the board, along the strips")
                           : form.halves == BoardRingForm::MiddleDry && form.board.pattern != SlabForm::Plain
                               ? QStringLiteral("middle line: the joint left dry, where the halves part")
                               : QStringLiteral("middle line: the saw line that parts the halves");
    const bool upright = std::abs(b.cells[0].board.axes(0, 1)) > std::abs(b.cells[0].board.axes(0, 2));
    (upright ? lines.upright : lines.along) = middle;
    (upright ? lines.along : lines.upright) = QStringLiteral("square to the middle line");
    return lines;
}

void boardCircles(Sheet& sheet, const BuiltLayer& b, const BoardRingForm& form, size_t layer, LengthStyle style)
{
    std::vector<double> top, lower;
    for (const Scribed& c : b.scribed) {
        top.push_back(c.upper);
        lower.push_back(c.lower);
    }
    const CornerLines lines = boardLines(b, form);
    const QString lead = QStringLiteral("Lay the corner on the board's center and a straight edge on its middle line, "
                                        "prick the arcs through, turn the sheet over for the next quarter. Joints of "
                                        "the board are thin lines.");
    circles(sheet, QStringLiteral("Scribing circles, layer %1, top face").arg(layer + 1), lead, top, lines, style);
    circles(sheet, QStringLiteral("Scribing circles, layer %1, lower face").arg(layer + 1), lead, lower, lines, style);
}

/// Rings of one number of segments: the circles their outer flats touch, and the joints. Rings are closed on it; those
/// with air or a spacer between their segments are left out: their edges do not lie on the lines.
void ringCircles(Sheet& sheet, const Plan& plan, LengthStyle style)
{
    std::map<int, std::vector<size_t>> byCount;
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i)
        if (const BuiltLayer& b = plan.assembly.layers[i]; b.segmented && !b.gaps && b.stock.gap == 0)
            byCount[b.stock.sides].push_back(i);
    for (const auto& [count, layers] : byCount) {
        std::vector<double> radii;
        QStringList names;
        for (const size_t i : layers) {
            const double r = plan.assembly.layers[i].stock.apothem();
            names << QStringLiteral("ring %1 R %2").arg(i + 1).arg(q(formatLength(r, style, 2)));
            if (std::ranges::none_of(radii, [&](double other) { return std::abs(other - r) < 0.005; }))
                radii.push_back(r);
        }
        std::ranges::sort(radii, std::greater());
        CornerLines lines;
        for (int k = 0; k * 360.0 / count <= 90 + 1e-9; ++k) {
            const double a = k * 2 * std::acos(-1.0) / count, far = 1.2 * radii.front();
            lines.thin.push_back({{0, 0}, {far * std::cos(a), far * std::sin(a)}});
        }
        lines.along = QStringLiteral("joint line");
        circles(sheet, QStringLiteral("Closing circles, %1 segments").arg(count),
                QStringLiteral("The middle of each outer edge touches its circle, every joint lies on a thin line. "
                               "Draw a quarter through, turn the sheet joint on joint, and go on round. In %1: %2.")
                    .arg(unitName(style), names.join(QStringLiteral(", "))),
                radii, lines, style);
    }
}

/// The grooves that part rings from one blank: outer wall and inner wall of each.
void groovePlan(Sheet& sheet, const Piece& piece, LengthStyle style)
{
    if (!piece.nest.on) return;
    const std::vector<NestedRing> rings = nestedRings(piece.nest);
    std::vector<double> radii;
    QStringList words;
    for (const NestedRing& ring : rings) {
        for (const double d : {ring.outer, ring.inner}) radii.push_back(d / 2);
        words
            << QStringLiteral("Ø %1 / %2").arg(q(formatLength(ring.outer, style)), q(formatLength(ring.inner, style)));
    }
    circles(sheet, QStringLiteral("Grooves of the nested rings"),
            QStringLiteral("Outside and inside of each ring, %1: %2. A groove of %3 lies inside each; the outermost "
                           "is parted first, as the order of the work says.")
                .arg(unitName(style), words.join(QStringLiteral("; ")), q(formatLengthUnit(piece.nest.tool, style))),
            radii, {}, style);
}

}  // namespace

std::vector<PaperAngle> paperAngles(const Piece& piece, const Plan& plan)
{
    std::vector<PaperAngle> out;
    auto add = [&](const QString& name, double deg, int layer) {
        if (!(deg > 0.05 && deg < 90)) return;
        for (PaperAngle& a : out)
            if (std::abs(a.deg - deg) < 0.0005 && a.name.startsWith(name)) {
                a.name += QStringLiteral(", %1").arg(layer + 1);
                return;
            }
        out.push_back({name + QStringLiteral(" %1").arg(layer + 1), deg});
    };
    for (const RingCut& r : plan.cuts.rings)
        if (piece.choices.cutting == CutMethod::WedgeSled)
            add(QStringLiteral("wedge of the sled, ring"), r.wedge, r.layer);
        else
            add(QStringLiteral("miter from square, ring"), r.miter, r.layer);
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i)
        for (const Setting& s : plan.assembly.layers[i].settings)
            if (s.unit == Unit::Angle && s.machine != Resource::None && s.machine != Resource::Lathe)
                add(q(s.name) + QStringLiteral(", layer"), std::abs(s.value), static_cast<int>(i));
    for (size_t i = 0; i < piece.holes.size(); ++i)
        if (piece.holes[i].lean != 0)
            add(QStringLiteral("wedge at the drill press, hole"), std::abs(piece.holes[i].lean), static_cast<int>(i));
    return out;
}

QPointF angleCorner(int place, const QSizeF& page)
{
    return {Sheet::margin + 4, 36 + 66 + place * ((page.height() - 36 - 16) / anglesOnAPage)};
}

QPointF circleCenter(const QSizeF& page) { return {Sheet::margin + 6, page.height() - 33}; }

void drawShopPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    angles(sheet, paperAngles(piece, plan));
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i)
        if (const auto* form = piece.layers[i].as<BoardRingForm>())
            boardCircles(sheet, plan.assembly.layers[i], *form, i, style);
    ringCircles(sheet, plan, style);
    groovePlan(sheet, piece, style);
}

}  // namespace vl::report
