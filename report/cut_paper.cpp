#include "report/cut_paper.h"

#include "core/measure/format.h"
#include "core/workpiece/sawn_cuts.h"
#include "core/workpiece/worked_cuts.h"
#include "report/curve_paper.h"
#include "report/grid_drawing.h"
#include "report/let_in_paper.h"
#include "report/type.h"

#include <algorithm>

namespace vl::report {
namespace {

/// The curve on both sides of the axis.
Polyline wholeCurve(const Sawn& sawn)
{
    const Polyline half = curveOf(sawn);
    Polyline whole;
    for (auto p = half.rbegin(); p != half.rend(); ++p)
        if (p->x() > 0) whole.emplace_back(-p->x(), p->y());
    whole.insert(whole.end(), half.begin(), half.end());
    return whole;
}

void drawCurve(Sheet& sheet, const Piece& piece, const Sawn& sawn)
{
    const bool face = sawn.from == Sawn::Sides;
    drawCurvePages(sheet, wholeCurve(sawn),
                   {.what = QStringLiteral("To saw: %1, %2, full size")
                                .arg(q(nameOf(piece, sawn)), QString::fromUtf8(choicesOf<Sawn::Run>()[sawn.run].words)),
                    .how = face ? QStringLiteral("Glued on the face.")
                                : QStringLiteral("Two copies, glued on both opposite sides."),
                    .over = sawn.from == Sawn::Underside
                                ? QStringLiteral("axis · what lies under the line is sawn away")
                                : QStringLiteral("axis · what lies over the line is sawn away"),
                    .under = face ? QStringLiteral("middle of the blank; the other side the same")
                                  : QStringLiteral("foot, station 0"),
                    .copies = face ? 1 : 2});
}

void drawHoles(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    std::vector<std::vector<QString>> rows;
    const auto mm = [&](double v, int decimals = 1) { return q(formatLength(v, style, decimals)); };
    for (const DrilledHole& h : plan.surfaces.holes) {
        if (h.solid.profile.empty()) continue;
        const Hole& hole = piece.holes[h.hole];
        QString to = h.through ? mm(h.full) + QStringLiteral(" through") : mm(h.full);
        if (hole.wide > 0) to += QStringLiteral("; Ø %1 to %2").arg(mm(hole.wide), mm(hole.wideDepth));
        const QString place = h.mark.hole >= 0 ? QStringLiteral("hole %1 of %2").arg(h.mark.hole).arg(hole.plate)
                                               : q(fixed(std::fmod(h.angleDeg + 720, 360), 1)) + QStringLiteral("°");
        rows.push_back({QStringLiteral("%1, %2").arg(q(nameOf(piece, hole))).arg(h.which + 1), mm(hole.diameter),
                        QString::fromUtf8(choicesOf<Hole::Into>()[hole.into].words), mm(hole.at), place,
                        hole.lean != 0 ? q(fixed(hole.lean, 1)) + QStringLiteral("°") : QString(), to,
                        h.through ? QString() : mm(h.under), QStringLiteral("\u25a1")});
    }
    if (rows.empty()) return;
    const auto right = Qt::AlignRight;
    sheet.table(
        QStringLiteral("Holes"),
        QStringLiteral("In %1. At: the station, or the radius of the circle. Directions from 12 o\u2019clock, "
                       "counterclockwise as seen from the tailstock. Work clamped, lathe at rest, spindle locked.")
            .arg(unitName(style)),
        {{"Hole", 0.18},
         {"Ø", 0.08, right},
         {"  Drilled", 0.17},
         {"At", 0.09, right},
         {"Towards", 0.13, right},
         {"Leans", 0.08, right},
         {"Depth", 0.15, right},
         {"Left", 0.07, right},
         {"", 0.05, right}},
        rows, 8);
}

/// Every mark of what is worked by index, to tick.
void drawWorked(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    const auto mm = [&](double v) { return q(formatLength(v, style, 1)); };
    std::vector<std::vector<QString>> rows;
    for (const WorkedPlace& p : workedPlaces(piece)) {
        const Worked& w = piece.worked[p.worked];
        const auto cut = straightCut(w, plan.surfaces);
        const bool legs = w.kind == Worked::Legs;
        if (!legs && !cut) continue;
        rows.push_back({QStringLiteral("%1, %2").arg(q(nameOf(piece, w))).arg(p.which + 1),
                        w.plate > 0 ? QStringLiteral("hole %1 of %2").arg(p.mark.hole).arg(w.plate)
                                    : q(fixed(std::fmod(p.angleDeg + 720, 360), 1)) + QStringLiteral("°"),
                        mm(legs ? 0 : cut->from), mm(legs ? w.height : cut->to), legs ? QString() : mm(w.depth),
                        legs ? QString() : mm(cut->deepest), mm(legs ? w.width : cut->widest), QStringLiteral("□")});
    }
    if (rows.empty()) return;
    const auto right = Qt::AlignRight;
    sheet.table(QStringLiteral("Worked by index"),
                QStringLiteral("In %1. Stations from the foot; depth below the turned surface at both ends, and where "
                               "it is deepest. Lathe switched off, spindle locked.")
                    .arg(unitName(style)),
                {{"What", 0.25},
                 {"Towards", 0.16, right},
                 {"From", 0.11, right},
                 {"To", 0.11, right},
                 {"Deep", 0.1, right},
                 {"deepest", 0.1, right},
                 {"Wide", 0.11, right},
                 {"", 0.06, right}},
                rows, 8);
}

}  // namespace

void drawCutPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    drawHoles(sheet, piece, plan, style);
    drawWorked(sheet, piece, plan, style);
    drawGridPaper(sheet, piece, plan, style);
    drawLetInPaper(sheet, piece, plan, style);
    for (const Sawn& s : piece.sawn) {
        if (s.when == Sawn::Grown) continue;
        drawCurve(sheet, piece, s);
        sheet.moveTo(sheet.bottom());  // a curve has its pages
    }
}

}  // namespace vl::report
