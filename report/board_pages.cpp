#include "report/board_pages.h"

#include "core/measure/format.h"
#include "core/plan/boards/setups.h"
#include "report/drawing.h"
#include "report/type.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace vl::report {
namespace {

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
        const QString heading = QStringLiteral("Boards and their cuts");
        bool first = true;
        for (const PlannedBoard& b : boards_.boards) {
            const double tall = b.board.width * scale, list = listHeight(b);
            const QString cuts = cutsOf(b);
            const double said = s_.textHeight(s_.inner(), cuts, 7.5);
            if (first)
                s_.part(heading, tall + list + said + 10);
            else
                s_.need(tall + list + said + 10, heading);
            first = false;
            double y = s_.y();
            s_.text({Sheet::margin, y, s_.inner(), 5},
                    QStringLiteral("%1 · %2").arg(q(b.board.id), QString::fromUtf8(speciesOf(b.board.wood).name)), 9.5,
                    Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
            s_.text({Sheet::margin, y, s_.inner(), 5},
                    QStringLiteral("%1 × %2 × %3 %4")
                        .arg(mm(b.board.length, 0), mm(b.board.width, 0), mm(b.board.thickness), unitName(style_)),
                    8.5, Qt::AlignRight | Qt::AlignVCenter);
            face(b, y + 6, scale);
            y += tall + 7.5;
            s_.text({Sheet::margin, y, s_.inner(), said + 0.5}, cuts, 7.5);
            y += said + 0.8;
            strips(b, y);
            s_.moveTo(y + list + 4);
        }
    }

    /// Every cut with its running distance, in the order in which they are made.
    QString cutsOf(const PlannedBoard& b) const
    {
        QStringList all;
        for (const BoardCut& c : b.cuts) {
            const QString n = QString::number(c.number);
            if (c.kind == BoardCut::Clear)
                all << QStringLiteral("%1 cut off at %2").arg(n, mm(c.x0, 0));
            else if (c.kind == BoardCut::Length)
                all << QStringLiteral("%1 crosscut at %2").arg(n, mm(c.x0, 0));
            else if (c.kind == BoardCut::Rip)
                all << QStringLiteral("%1 rip at %2").arg(n, mm(std::max(c.y0, c.y1), 1));
            else
                all << QStringLiteral("%1 strip to %2").arg(n, mm(c.x0 - b.strips[c.strip].place.x, 0));
        }
        const QString first =
            b.lengths.empty()
                ? QString()
                : QStringLiteral("Crosscut first, whole width; face and plane each length, then rip it. ");
        return first + QStringLiteral("Cuts, measured from the left and from the upper edge: ") +
               all.join(QStringLiteral(" · "));
    }

    /// What each strip is planed and ripped to, and what it holds: two columns.
    QStringList stripLines(const PlannedBoard& b) const
    {
        QStringList all;
        for (size_t i = 0; i < b.strips.size(); ++i) {
            QStringList runs;
            for (const PlannedRun& r : b.strips[i].runs)
                runs << QStringLiteral("%1 × %2").arg(r.count).arg(partName(plan_, r.part));
            all << QStringLiteral("%1  plane %2, rip %3: %4%5")
                       .arg(QChar('a' + static_cast<int>(i % 26)))
                       .arg(mm(b.strips[i].thickness, 2), mm(b.strips[i].place.width, 2),
                            runs.join(QStringLiteral(", ")),
                            b.strips[i].kept     ? QStringLiteral(" (cut)")
                            : b.strips[i].ganged ? QStringLiteral(" (ripped long, cut short)")
                                                 : QString());
        }
        return all;
    }

    double columnWidth() const { return s_.inner() / 2 - 3; }
    double rowHeight(const QStringList& lines, qsizetype k) const
    {
        double tall = s_.textHeight(columnWidth(), lines[k], 7.5);
        if (k + 1 < lines.size()) tall = std::max(tall, s_.textHeight(columnWidth(), lines[k + 1], 7.5));
        return tall + 0.6;
    }
    double listHeight(const PlannedBoard& b) const
    {
        const QStringList lines = stripLines(b);
        double tall = 0;
        for (qsizetype k = 0; k < lines.size(); k += 2) tall += rowHeight(lines, k);
        return tall;
    }
    void strips(const PlannedBoard& b, double y)
    {
        const QStringList lines = stripLines(b);
        for (qsizetype k = 0; k < lines.size(); k += 2) {
            const double tall = rowHeight(lines, k);
            for (qsizetype c = k; c < std::min(k + 2, lines.size()); ++c)
                s_.text({Sheet::margin + static_cast<double>(c - k) * s_.inner() / 2, y, columnWidth(), tall}, lines[c],
                        7.5);
            y += tall;
        }
    }

    void face(const PlannedBoard& b, double y, double scale)
    {
        QPainter& p = s_.painter();
        auto rect = [&](double x, double across, double l, double w) {
            return s_.px(QRectF(Sheet::margin + x * scale, y + across * scale, l * scale, w * scale));
        };
        QColor wood = woodColor(speciesOf(b.board.wood));
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
        }
        // Lines first, then letters, then numbers, so that nothing is drawn over what is read.
        const auto end = [&](double along, double across) {
            return QPointF(Sheet::margin + along * scale, y + across * scale);
        };
        for (const BoardCut& c : b.cuts) {
            const QPointF from = end(c.x0, c.y0), to = end(c.x1, c.y1);
            const bool across = c.kind == BoardCut::Clear || c.kind == BoardCut::Length;
            s_.rule(from.x(), from.y(), to.x(), to.y(), across ? 0.5 : 0.25, Qt::black);
        }
        std::vector<QPointF> places;  // of letters and numbers
        for (size_t i = 0; i < b.strips.size(); ++i) {
            const BoardRect& place = b.strips[i].place;
            const double high = place.width * scale;
            if (!(high > 2.2)) continue;
            const double points = std::min(8.0, high * 2), tall = points * 25.4 / 72;
            const QRectF letter(end(place.x + 2, place.y) + QPointF(0, (high - tall) / 2), QSizeF(tall * 0.8, tall));
            p.fillRect(s_.px(letter), Qt::white);
            places.push_back(letter.center());
            s_.text({letter.x(), y + place.y * scale, letter.width(), high},
                    QString(QChar('a' + static_cast<int>(i % 26))), points, Qt::AlignHCenter | Qt::AlignVCenter,
                    QFont::DemiBold);
        }
        for (const BoardCut& c : b.cuts) {
            const QPointF from = end(c.x0, c.y0), to = end(c.x1, c.y1);
            // At its end or in its middle, or where along it nothing else stands.
            std::vector<QPointF> ways{c.kind == BoardCut::Rip ? QPointF(to.x() - 3 - 5 * (c.number % 3), to.y())
                                                              : (from + to) / 2};
            for (const double share : {0.65, 0.35, 0.8, 0.2, 0.9}) ways.push_back(from + share * (to - from));
            const auto at = std::ranges::find_if(ways, [&](const QPointF& way) {
                return std::ranges::none_of(
                    places, [&](const QPointF& o) { return std::hypot(o.x() - way.x(), o.y() - way.y()) < 4; });
            });
            if (at == ways.end()) continue;
            places.push_back(*at);
            p.setPen(QPen(Qt::black, s_.px(0.15)));
            p.setBrush(Qt::white);
            p.drawEllipse(s_.px(*at), s_.px(1.9), s_.px(1.9));
            s_.text({at->x() - 3, at->y() - 2, 6, 4}, QString::number(c.number), 6, Qt::AlignCenter, QFont::DemiBold);
        }
    }

    void setups()
    {
        std::vector<std::vector<QString>> rows;
        QStringList trials;  // each said once, and named by its letter
        int number = 0;
        for (const Setup& s : setupsOf(piece_, plan_.assembly, boards_)) {
            QStringList settings;
            for (const Setting& one : s.settings)
                settings << q(one.name) + QStringLiteral(" ") +
                                q(print(Quantity{one.value, one.unit, one.unit == Unit::Angle ? 3 : 2}, style_));
            const QString trial = q(s.trial);
            if (!trials.contains(trial)) trials << trial;
            rows.push_back({QString::number(++number), q(s.machine), settings.join(QStringLiteral(", ")),
                            QString::number(s.cuts), s.what.empty() ? layersOf(plan_, s.parts) : q(s.what),
                            QString(QChar('A' + static_cast<int>(trials.indexOf(trial)))), QStringLiteral("\u25a1")});
        }
        QStringList said;
        for (qsizetype k = 0; k < trials.size(); ++k)
            said << QStringLiteral("%1: %2.").arg(QChar('A' + static_cast<int>(k))).arg(trials[k]);
        s_.table(
            QStringLiteral("Machine set-ups"),
            QStringLiteral("Each fence, stop, tilt and thickness is set once, a trial before each; what it measured "
                           "goes into the box. Small parts at a saw can be thrown: hold-downs, a stop that frees "
                           "the part, the blade at rest before reaching in. Trials: ") +
                said.join(QStringLiteral(" ")),
            {{"", 0.05},
             {"Machine", 0.17},
             {"Set", 0.36},
             {"Cuts", 0.06, Qt::AlignRight},
             {"  For", 0.17},
             {"Trial", 0.06},
             {"Measured", 0.13}},
            rows, 8);
    }

    void shortfall()
    {
        std::vector<std::vector<QString>> rows;
        for (const Shortfall& s : boards_.shortfall)
            rows.push_back({partName(plan_, s.part), QString::number(s.count), QString::fromUtf8(s.species->name),
                            mm(s.board), mm(s.width, 2), mm(s.length, 0), q(fixed(boardFeet(s.volume), 2))});
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

const Part* partOf(const Plan& plan, const std::string& id)
{
    const auto it = std::ranges::find(plan.assembly.parts, id, &Part::id);
    return it == plan.assembly.parts.end() ? nullptr : &*it;
}

QString partName(const Plan& plan, const std::string& id)
{
    const Part* part = partOf(plan, id);
    return part ? q(part->name) : QStringLiteral("an earlier part");
}

QString layersOf(const Plan& plan, const std::vector<std::string>& parts)
{
    std::set<int> layers;
    QStringList other;
    for (const std::string& id : parts)
        if (const auto it = std::ranges::find(plan.assembly.parts, id, &Part::id); it != plan.assembly.parts.end())
            layers.insert(it->layer + 1);
        else
            other << q(id);
    // Runs of neighbors are named by their ends.
    QStringList numbers;
    for (auto it = layers.begin(); it != layers.end();) {
        const int first = *it;
        int last = first;
        while (++it != layers.end() && *it == last + 1) last = *it;
        numbers << (last == first       ? QString::number(first)
                    : last == first + 1 ? QStringLiteral("%1, %2").arg(first).arg(last)
                                        : QStringLiteral("%1 to %2").arg(first).arg(last));
    }
    if (!numbers.isEmpty())
        other.prepend((layers.size() == 1 ? QStringLiteral("layer ") : QStringLiteral("layers ")) +
                      numbers.join(QStringLiteral(", ")));
    return other.join(QStringLiteral(", "));
}

void drawBoards(Sheet& sheet, const Piece& piece, const Plan& plan, const BoardPlan& boards, LengthStyle style)
{
    BoardPages(sheet, piece, plan, boards, style).write();
}

}  // namespace vl::report
