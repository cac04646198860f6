#include "report/board_pages.h"

#include "core/measure/format.h"
#include "core/plan/boards/setups.h"
#include "report/drawing.h"

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

class BoardPages {
public:
    BoardPages(Sheet& sheet, const Piece& piece, const Plan& plan, const BoardPlan& boards, LengthStyle style)
        : s_(sheet), piece_(piece), plan_(plan), boards_(boards), style_(style)
    {
    }

    void write()
    {
        if (!boards_.boards.empty()) faces();
        setups();
        if (!boards_.shortfall.empty()) shortfall();
    }

private:
    QString mm(double v, int decimals = -1) const { return q(formatLength(v, style_, decimals)); }

    void faces()
    {
        double longest = 1;
        for (const PlannedBoard& b : boards_.boards) longest = std::max(longest, b.board.length);
        const double scale = s_.inner() / longest;
        double y = 1e9;
        for (const PlannedBoard& b : boards_.boards) {
            const double tall = b.board.width * scale, list = 4.2 * std::ceil(static_cast<double>(b.strips.size()) / 2);
            if (y + tall + list + 18.5 > s_.bottom()) {
                s_.page(QStringLiteral("Boards and their cuts"));
                y = s_.top();
            }
            s_.text({Sheet::margin, y, s_.inner(), 5},
                    QStringLiteral("%1 · %2").arg(q(b.board.id), QString::fromUtf8(speciesOf(b.board.wood).name)), 9.5,
                    Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
            s_.text({Sheet::margin, y, s_.inner(), 5},
                    QStringLiteral("%1 × %2 × %3 %4")
                        .arg(mm(b.board.length, 0), mm(b.board.width, 0), mm(b.board.thickness), unitName(style_)),
                    8.5, Qt::AlignRight | Qt::AlignVCenter);
            face(b, y + 6, scale);
            y += tall + 8;
            QStringList lengths;
            for (const BoardRect& r : b.lengths) lengths << mm(r.length, 0);
            if (!lengths.isEmpty())
                s_.text({Sheet::margin, y, s_.inner(), 4.2},
                        QStringLiteral("crosscut first, whole width: %1; face and plane each length, then rip it")
                            .arg(lengths.join(QStringLiteral(", "))),
                        7, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
            y += 4.2;
            // Which strip holds what: two columns of short lines.
            for (size_t i = 0; i < b.strips.size(); ++i) {
                QString runs;
                for (const PlannedRun& r : b.strips[i].runs)
                    runs += (runs.isEmpty() ? "" : ", ") + QStringLiteral("%1 × %2").arg(r.count).arg(q(r.part));
                const QString words = QStringLiteral("%1  plane %2, rip %3: %4%5")
                                          .arg(QChar('a' + static_cast<int>(i % 26)), mm(b.strips[i].thickness, 2),
                                               mm(b.strips[i].place.width, 2), runs,
                                               b.strips[i].kept     ? QStringLiteral(" (cut)")
                                               : b.strips[i].ganged ? QStringLiteral(" (ripped long, cut short)")
                                                                    : QString());
                s_.text({Sheet::margin + static_cast<double>(i % 2) * s_.inner() / 2,
                         y + 4.2 * static_cast<double>(i / 2), s_.inner() / 2 - 3, 4.2},
                        words, 7, Qt::AlignLeft | Qt::AlignVCenter);
            }
            y += list + 5;
        }
    }

    void face(const PlannedBoard& b, double y, double scale)
    {
        QPainter& p = s_.painter();
        auto rect = [&](double x, double across, double l, double w) {
            return s_.px(QRectF(Sheet::margin + x * scale, y + across * scale, l * scale, w * scale));
        };
        QColor wood = woodColour(speciesOf(b.board.wood));
        wood.setAlphaF(0.35f);
        p.setPen(QPen(Qt::black, s_.px(0.25)));
        p.setBrush(wood);
        p.drawRect(rect(0, 0, b.board.length, b.board.width));
        p.setBrush(QBrush(QColor(70, 70, 70), Qt::DiagCrossPattern));
        p.setPen(QPen(QColor(70, 70, 70), s_.px(0.15)));
        for (const Defect& d : b.board.defects) p.drawRect(rect(d.along, d.across, d.length, d.width));
        for (size_t i = 0; i < b.strips.size(); ++i) {
            const PlannedStrip& strip = b.strips[i];
            p.setBrush(Qt::NoBrush);
            p.setPen(QPen(Qt::black, s_.px(0.18)));
            p.drawRect(rect(strip.place.x, strip.place.y, strip.place.length, strip.place.width));
            p.setBrush(QColor(255, 255, 255, 150));
            for (const PlannedRun& r : strip.runs)
                p.drawRect(rect(strip.place.x + r.from, strip.place.y, r.length, strip.place.width));
            const double high = strip.place.width * scale;
            if (high > 2.2)
                s_.text({Sheet::margin + (strip.place.x + 2) * scale, y + strip.place.y * scale, 6, high},
                        QString(QChar('a' + static_cast<int>(i % 26))), std::min(8.0, high * 2),
                        Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
        }
        std::vector<QPointF> places;
        for (const BoardCut& c : b.cuts) {
            const QPointF from(Sheet::margin + c.x0 * scale, y + c.y0 * scale),
                to(Sheet::margin + c.x1 * scale, y + c.y1 * scale);
            const bool across = c.kind == BoardCut::Clear || c.kind == BoardCut::Length;
            s_.rule(from.x(), from.y(), to.x(), to.y(), across ? 0.5 : 0.25, Qt::black);
            const QPointF at =
                c.kind == BoardCut::Rip ? QPointF(to.x() - 3 - 5 * (c.number % 3), to.y()) : (from + to) / 2;
            if (std::ranges::any_of(places,
                                    [&](const QPointF& o) { return std::hypot(o.x() - at.x(), o.y() - at.y()) < 4; }))
                continue;
            places.push_back(at);
            p.setPen(QPen(Qt::black, s_.px(0.15)));
            p.setBrush(Qt::white);
            p.drawEllipse(s_.px(at), s_.px(1.9), s_.px(1.9));
            s_.text({at.x() - 3, at.y() - 2, 6, 4}, QString::number(c.number), 6, Qt::AlignCenter, QFont::DemiBold);
        }
    }

    void setups()
    {
        std::vector<std::vector<QString>> rows;
        int number = 0;
        for (const Setup& s : setupsOf(piece_, plan_.assembly, boards_)) {
            QString settings, parts;
            for (const Setting& one : s.settings)
                settings += (settings.isEmpty() ? "" : "\n") + q(one.name) + " " +
                            q(print(Quantity{one.value, one.unit, one.unit == Unit::Angle ? 3 : 2}, style_));
            for (const std::string& id : s.parts) parts += (parts.isEmpty() ? "" : ", ") + q(id);
            rows.push_back(
                {QString::number(++number), q(s.machine), settings, QString::number(s.cuts), parts, q(s.trial)});
        }
        s_.table(QStringLiteral("Machine set-ups"),
                 QStringLiteral(
                     "Each fence, stop, tilt and thickness is set once; a trial cut before each. Small parts at a saw "
                     "can be thrown: hold-downs, a stop that frees the part, the blade at rest before reaching in."),
                 {{"", 0.05},
                  {"Machine", 0.16},
                  {"Set", 0.21},
                  {"Cuts", 0.07, Qt::AlignRight},
                  {"  For", 0.24},
                  {"Trial", 0.27}},
                 rows);
    }

    void shortfall()
    {
        std::vector<std::vector<QString>> rows;
        for (const Shortfall& s : boards_.shortfall)
            rows.push_back({q(s.part), QString::number(s.count), QString::fromUtf8(s.species->name), mm(s.board),
                            mm(s.width, 2), mm(s.length, 0), q(fixed(boardFeet(s.volume), 2))});
        const auto right = Qt::AlignRight;
        s_.table(QStringLiteral("To buy"),
                 QStringLiteral("What no board on the rack gives, in %1. Board feet with the waste usual in this plan.")
                     .arg(unitName(style_)),
                 {{"Part", 0.22},
                  {"Pieces", 0.1, right},
                  {"  Wood", 0.2},
                  {"Board, thick", 0.12, right},
                  {"Strip", 0.12, right},
                  {"Length", 0.12, right},
                  {"board feet", 0.12, right}},
                 rows);
    }

    Sheet& s_;
    const Piece& piece_;
    const Plan& plan_;
    const BoardPlan& boards_;
    LengthStyle style_;
};

}  // namespace

void drawBoards(Sheet& sheet, const Piece& piece, const Plan& plan, const BoardPlan& boards, LengthStyle style)
{
    BoardPages(sheet, piece, plan, boards, style).write();
}

}  // namespace vl::report
