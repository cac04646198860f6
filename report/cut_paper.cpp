#include "report/cut_paper.h"

#include "core/blank/sawn_cuts.h"
#include "core/blank/worked_cuts.h"
#include "core/measure/format.h"
#include "report/grid_drawing.h"
#include "report/profile_template.h"
#include "report/type.h"

#include <QFontMetricsF>

#include <algorithm>

namespace vl::report {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

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

/// One sheet of a curve at full size.
class CurveSheet {
public:
    CurveSheet(Sheet& sheet, const Sawn& sawn, const TemplateTile& tile, const Polyline& line)
        : s_(sheet), sawn_(sawn), tile_(tile), line_(line)
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
        const bool face = sawn_.from == Sawn::Sides;
        word({2, high + 8}, sawn_.from == Sawn::Underside
                                ? QStringLiteral("axis · what lies under the line is sawn away")
                                : QStringLiteral("axis · what lies over the line is sawn away"));
        word({from, -2.2},
             face ? QStringLiteral("middle of the blank; the other side the same") : QStringLiteral("foot, station 0"));
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
    const Sawn& sawn_;
    const TemplateTile& tile_;
    const Polyline& line_;
};

/// The pages of a curve: small ones as often on one page as copies are needed, else as tiles to be taped.
void drawCurve(Sheet& sheet, const Piece& piece, const Sawn& sawn)
{
    Sides only;
    only.outside = wholeCurve(sawn);
    const int copies = sawn.from == Sawn::Sides ? 1 : 2;
    const QString what = QStringLiteral("To saw: %1, %2, full size")
                             .arg(q(nameOf(piece, sawn)), QString::fromUtf8(choicesOf<Sawn::Run>()[sawn.run].words));
    const QString how = copies == 1 ? QStringLiteral("Glued on the face.")
                                    : QStringLiteral("Two copies, glued on both opposite sides.");
    std::vector<TemplateTile> tiles = templateTiles(only, QSizeF(sheet.width(), sheet.height()));
    constexpr double around = 8, words = 12;  // mm of paper round it, and over it
    const double high =
        std::ranges::max_element(only.outside, {}, [](const Point& p) { return p.y(); })->y() + 2 * around + words;
    const QRectF all = tiles[0].area;
    if (tiles.size() == 1 && copies * high <= all.height() &&
        only.outside.back().x() - only.outside.front().x() + around <= all.width()) {
        sheet.page(what);
        drawBars(sheet, how);
        for (int k = 0; k < copies; ++k) {
            const TemplateTile tile{.z0 = only.outside.front().x() - around / 2,
                                    .r0 = -around,
                                    .area = QRectF(all.left(), all.top() + k * high, all.width(), high)};
            CurveSheet(sheet, sawn, tile, only.outside).draw();
        }
        return;
    }
    for (size_t k = 0; k < tiles.size(); ++k) {
        sheet.page(what + (tiles.size() > 1 ? QStringLiteral(" · sheet %1 of %2").arg(k + 1).arg(tiles.size()) : ""));
        drawBars(sheet, how);
        CurveSheet(sheet, sawn, tiles[k], only.outside).draw();
    }
}

void drawHoles(Sheet& sheet, const Piece& piece, const Plan& plan, LengthStyle style)
{
    std::vector<std::vector<QString>> rows;
    const auto mm = [&](double v, int decimals = 1) { return q(formatLength(v, style, decimals)); };
    for (const DrilledHole& h : plan.sides.holes) {
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
    sheet.table(QStringLiteral("Holes"),
                QStringLiteral("In %1. At: the station, or the radius of the circle. Directions from 12 o\u2019clock, "
                               "anticlockwise as seen from the tailstock. Work clamped, lathe at rest, spindle locked.")
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
        const auto cut = straightCut(w, plan.sides);
        const bool legs = w.kind == Worked::Legs;
        if (!legs && !cut) continue;
        rows.push_back({QStringLiteral("%1, %2").arg(q(nameOf(piece, w))).arg(p.which + 1),
                        w.plate > 0 ? QStringLiteral("hole %1 of %2").arg(p.mark.hole).arg(w.plate)
                                    : q(fixed(std::fmod(p.angleDeg + 720, 360), 1)) + QStringLiteral("°"),
                        mm(legs ? 0 : w.from), mm(legs ? w.height : w.to), legs ? QString() : mm(w.depth),
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
    for (const Sawn& s : piece.sawn) {
        if (s.when == Sawn::Grown) continue;
        drawCurve(sheet, piece, s);
        sheet.moveTo(sheet.bottom());  // a curve has its pages
    }
}

}  // namespace vl::report
