#include "report/let_in_paper.h"

#include "core/measure/format.h"
#include "core/plan/extras.h"
#include "core/process/inlay_recipe.h"
#include "core/wood/filler.h"
#include "core/workpiece/inlay_sides.h"
#include "core/workpiece/openings.h"
#include "core/workpiece/reversed_parts.h"
#include "core/workpiece/worked_cuts.h"
#include "report/curve_paper.h"
#include "report/profile_template.h"
#include "report/type.h"

#include <algorithm>

namespace vl::report {
namespace {

void drawInlays(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    const auto mm = [&](double v, int decimals = 1) { return q(formatLength(v, style, decimals)); };
    std::vector<std::vector<QString>> rows;
    for (const Inlay& f : piece.inlays) {
        const InlayPlace at = placeOf(f, plan.surfaces);
        if (!at.meetsWood) continue;
        const Filling filling = fillingOf(f, at);
        const bool set = f.kind != Inlay::Crack && f.set != Inlay::None;
        const QString place = f.kind == Inlay::Rim ? QStringLiteral("Ø %1 to %2").arg(mm(2 * at.low), mm(2 * at.high))
                                                   : QStringLiteral("station %1 to %2").arg(mm(at.z0), mm(at.z1));
        rows.push_back(
            {q(nameOf(piece, f)), place, mm(f.depth),
             set ? QStringLiteral("%1 of %2, cut to %3").arg(f.count).arg(mm(f.piece), mm(at.pieceLength)) : QString(),
             set ? mm(at.gap, 2) : QString(), q(fixed(filling.filler, 0)), q(fixed(filling.glue, 0)),
             QStringLiteral("\u25a1 ").repeated(f.fillings).trimmed()});
    }
    if (rows.empty()) return;
    const auto right = Qt::AlignRight;
    sheet.table(
        QStringLiteral("Let in"),
        QStringLiteral("In %1, filler and glue in grams. Seal the wood beside it first; a box for every filling. "
                       "Fresh air, eye protection, no bare hand at thin CA.")
            .arg(unitName(style)),
        {{"What", 0.15},
         {"Where", 0.2},
         {"Deep", 0.08, right},
         {"  Pieces", 0.22},
         {"Gap", 0.08, right},
         {"Filler", 0.09, right},
         {"Glue", 0.08, right},
         {"", 0.1, right}},
        rows, 8);
}

void drawExtras(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    std::vector<std::vector<QString>> rows;
    for (const Extra& e : extrasOf(piece, plan.surfaces))
        rows.push_back(
            {q(e.what), q(e.of), QString::number(e.count), q(print(e.size, style)), QStringLiteral("\u25a1")});
    if (rows.empty()) return;
    sheet.table(
        QStringLiteral("To buy beside wood"),
        QStringLiteral("Measured on the part itself before a hole is drilled for it."),
        {{"What", 0.26}, {"Of", 0.2}, {"How many", 0.13, Qt::AlignRight}, {"  Size", 0.35}, {"", 0.06, Qt::AlignRight}},
        rows, 8);
}

/// Openings of one row, each at full size, as many copies as there is room for on a page.
void drawOpenings(Sheet& sheet, const Piece& piece, const Worked& w, const Opening& o, LengthStyle style)
{
    double wide = 0, tall = 0;
    for (const Point& p : o.flat) {
        wide = std::max(wide, std::abs(p.y()));
        tall = std::max(tall, std::abs(p.x()));
    }
    const auto mm = [&](double v) { return q(formatLengthUnit(v, style)); };
    sheet.page(QStringLiteral("To saw open: %1, on the unrolled wall, full size").arg(q(nameOf(piece, w))));
    drawBars(sheet, {});
    sheet.text(
        {Sheet::margin + 12, sheet.top() + 16, sheet.inner() - 12, 14},
        QStringLiteral("Cut out and stuck on the wall, this side out, the rim up: the middle line on a pencil line "
                       "from rim to foot, the ticks at stations %1 and %2. Ends drilled with Ø %3.")
            .arg(mm(w.from), mm(w.to), mm(o.drill)));
    constexpr double around = 6, under = 40;  // mm between two, and below the bars
    const double eachWide = 2 * wide + 2 * around, eachTall = 2 * tall + 2 * around;
    const double room = sheet.bottom() - sheet.top() - under;
    const int columns = std::max(1, static_cast<int>(sheet.inner() / eachWide)),
              rows = std::max(1, static_cast<int>(room / eachTall));
    QPainter& p = sheet.painter();
    const QColor faint(130, 130, 130);
    for (int k = 0; k < std::min(w.count, columns * rows); ++k) {
        const double x = Sheet::margin + eachWide * (k % columns + 0.5),
                     y = sheet.top() + under + eachTall * (k / columns + 0.5);
        // Seen from outside with the rim up, angles grow to the right.
        QPolygonF outline;
        for (const Point& at : o.flat) outline << sheet.px(QPointF(x + at.y(), y - at.x()));
        sheet.rule(x, y - tall - around / 2, x, y + tall + around / 2, 0.12, faint);
        for (const double end : {-o.length / 2, o.length / 2}) sheet.rule(x - 4, y - end, x + 4, y - end, 0.12, faint);
        p.setPen(QPen(Qt::black, sheet.px(0.25)));
        p.setBrush(Qt::NoBrush);
        p.drawPolygon(outline);
    }
    sheet.moveTo(sheet.bottom());
}

constexpr double sameLine = 0.1;  // mm, less is not seen on paper

/// Rows that are cut to the same line share a sheet.
std::vector<Opening> unlike(std::vector<Opening> rows)
{
    std::vector<Opening> out;
    for (Opening& o : rows)
        if (std::ranges::none_of(out, [&](const Opening& other) {
                return other.flat.size() == o.flat.size() && std::abs(other.length - o.length) < sameLine &&
                       std::ranges::equal(other.flat, o.flat,
                                          [](const Point& a, const Point& b) { return (a - b).norm() < sameLine; });
            }))
            out.push_back(std::move(o));
    return out;
}

}  // namespace

void drawLetInPaper(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    drawInlays(sheet, piece, plan, style);
    drawExtras(sheet, piece, plan, style);
    for (const Worked& w : piece.worked)
        for (const Opening& o : unlike(openingsOf(w, plan.surfaces))) drawOpenings(sheet, piece, w, o, style);
    const auto blank = insideOutOf(piece, plan.surfaces.outside);
    if (!blank || blank->first.empty()) return;
    Polyline line = blank->first;
    const double begin = line.front().x();
    for (Point& at : line) at.x() -= begin;
    drawCurvePages(sheet, line,
                   {.what = QStringLiteral("First outline, before the parts are reversed, full size"),
                    .how = QStringLiteral("No light under it."),
                    .over = QStringLiteral("cut out above this line"),
                    .under = QStringLiteral("first axis, from station %1").arg(q(formatLengthUnit(begin, style)))});
    sheet.moveTo(sheet.bottom());
}

}  // namespace vl::report
