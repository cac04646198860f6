#include "report/shop_paper.h"

#include "core/measure/format.h"
#include "report/profile_template.h"

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

void bar(Sheet& sheet)
{
    const QPointF at = templateBar({sheet.width(), sheet.height()});
    sheet.rule(at.x(), at.y(), at.x() + 100, at.y(), 0.6, Qt::black);
    for (const double end : {0.0, 100.0})
        sheet.rule(at.x() + end, at.y() - 1.5, at.x() + end, at.y() + 1.5, 0.2, Qt::black);
    sheet.text({at.x() + 104, at.y() - 6, sheet.inner() - 104, 12},
               QStringLiteral("this bar is 100 mm: measure it.\nPrint at 100 %, not fitted to the page."), 7,
               Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(70, 70, 70));
}

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

/// Quarter circles about one corner, and their radii along both edges: lay the corner on the board's centre.
void circles(Sheet& sheet, const QString& heading, const std::vector<double>& radii, LengthStyle style)
{
    sheet.page(heading);
    bar(sheet);
    const QPointF centre(Sheet::margin, sheet.bottom() - 6);
    const double right = sheet.width() - Sheet::margin - centre.x(), up = centre.y() - 40;
    sheet.rule(centre.x(), centre.y(), centre.x() + right, centre.y(), 0.2, Qt::black);
    sheet.rule(centre.x(), centre.y(), centre.x(), centre.y() - up, 0.2, Qt::black);
    QPainter& p = sheet.painter();
    p.save();
    p.setClipRect(sheet.px(QRectF(centre.x(), centre.y() - up, right, up)));
    p.setBrush(Qt::NoBrush);
    for (const double r : radii) {
        p.setPen(QPen(Qt::black, sheet.px(0.25)));
        p.drawEllipse(sheet.px(centre), sheet.px(r), sheet.px(r));
    }
    p.restore();
    for (const double r : radii) {
        // On the upright edge where the page is high enough, else along the arc.
        const bool high = r < up;
        const double a = high ? std::acos(0.0) : std::asin(up / r);
        const QPointF at(centre.x() + r * std::cos(a), centre.y() - r * std::sin(a));
        if (at.x() < sheet.width() - Sheet::margin - 20)
            sheet.text({at.x() + 1.5, at.y() + (high ? -4 : 0.5), 40, 4},
                       QStringLiteral("R ") + q(formatLengthUnit(r, style, 2)), 7, Qt::AlignLeft | Qt::AlignVCenter);
    }
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
        if (piece.choices.cutting == CutSchool::WedgeSled)
            add(QStringLiteral("wedge of the sled, ring"), r.wedge, r.layer);
        else
            add(QStringLiteral("miter from square, ring"), r.miter, r.layer);
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i)
        for (const Setting& s : plan.assembly.layers[i].settings)
            if (s.unit == Unit::Angle && !s.machine.empty() && s.machine != "lathe")
                add(q(s.name) + QStringLiteral(", layer"), std::abs(s.value), static_cast<int>(i));
    return out;
}

QPointF angleCorner(int place, const QSizeF& page)
{
    return {Sheet::margin + 4, 36 + 66 + place * ((page.height() - 36 - 16) / anglesOnAPage)};
}

void drawShopPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    angles(sheet, paperAngles(piece, plan));
    for (size_t i = 0; i < plan.assembly.layers.size(); ++i) {
        if (!piece.layers[i].is<BoardRingForm>()) continue;
        std::vector<double> top, lower;
        for (const Setting& s : plan.assembly.layers[i].settings)
            if (s.name.starts_with("scribe"))
                (s.name.find("top") != std::string::npos ? top : lower).push_back(s.value);
        circles(sheet, QStringLiteral("Scribing circles, layer %1, top face").arg(i + 1), top, style);
        circles(sheet, QStringLiteral("Scribing circles, layer %1, lower face").arg(i + 1), lower, style);
    }
}

}  // namespace vl::report
