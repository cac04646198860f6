#include "report/packet.h"

#include "core/blank/construction.h"
#include "core/measure/format.h"
#include "core/plan/working.h"
#include "report/board_pages.h"
#include "report/drawing.h"
#include "report/profile_template.h"
#include "report/shop_paper.h"
#include "report/type.h"

#include <QPdfWriter>

#include <cmath>

namespace vl::report {
namespace {

QString q(const std::string& s) { return QString::fromStdString(s); }

class Packet {
public:
    Packet(Sheet& sheet, const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards,
           LengthStyle style)
        : s_(sheet), piece_(piece), shop_(shop), plan_(plan), boards_(boards), style_(style)
    {
    }

    void write()
    {
        cover();
        rings();
        strips();
        drawBoards(s_, piece_, plan_, boards_, style_);
        glueUp();
        stations();
        drawShopPaper(s_, piece_, plan_, style_);
        drawTemplate(s_, plan_, style_);
    }

private:
    QString figure(FigureId id, int layer = -1) const { return q(figureText(id, piece_, plan_, layer, style_)); }
    QString working(FigureId id, int layer = -1) const
    {
        return q(workingOf(id, piece_, shop_, plan_, layer, style_).result);
    }
    QString mm(double v, int decimals = -1) const { return q(formatLength(v, style_, decimals)); }

    void cover()
    {
        s_.page(QStringLiteral("Packet"));
        const double side = s_.inner() * 0.62;
        const int pixels = 1400;
        s_.painter().drawImage(s_.px(QRectF(Sheet::margin, s_.top(), side, side * 1.1)),
                               picture(plan_, pixels, static_cast<int>(pixels * 1.1)));
        double y = s_.top() + 4;
        const double x = Sheet::margin + side + 6, w = s_.inner() - side - 6;
        auto line = [&](const QString& name, const QString& value) {
            s_.text({x, y, w, 5}, name, 8, Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(90, 90, 90));
            s_.text({x, y, w, 5}, value, 9, Qt::AlignRight | Qt::AlignVCenter, QFont::DemiBold);
            s_.rule(x, y + 5.6, x + w, y + 5.6);
            y += 6.4;
        };
        const std::pair<const char*, FigureId> figures[] = {
            {"Height", FigureId::Height},
            {"Greatest diameter", FigureId::GreatestDiameter},
            {"Thinnest wall", FigureId::ThinnestWall},
            {"Thickest wall", FigureId::ThickestWall},
            {"Floor", FigureId::FloorThickness},
            {"Capacity", FigureId::Capacity},
            {"Finished weight", FigureId::Weight},
            {"Blank", FigureId::RoughWeight},
            {"Tips at", FigureId::TipAngle},
            {"Speed, rough", FigureId::RoughSpeed},
            {"Speed, turned", FigureId::FinishedSpeed},
            {"Work", FigureId::WorkTime},
            {"Start to finish", FigureId::TotalTime},
        };
        for (const auto& [name, id] : figures) line(QString::fromUtf8(name), working(id));
        y = std::max(y, s_.top() + side * 1.1) + 4;
        if (!piece_.notes.empty()) {
            const QString notes = q(piece_.notes);
            const double h = std::min(s_.textHeight(s_.inner(), notes), 60.0);
            s_.text({Sheet::margin, y, s_.inner(), h + 1}, notes);
            y += h + 5;
        }
        s_.text({Sheet::margin, y, s_.inner(), 6},
                plan_.cautions.empty() ? QStringLiteral("No cautions") : QStringLiteral("Cautions"), 11, Qt::AlignLeft,
                QFont::DemiBold);
        y += 7;
        for (const Caution& c : plan_.cautions) {
            const QString words = q(std::string(levelName(c.level)) + " · " + c.at + ": " + c.message);
            const double h = s_.textHeight(s_.inner() - 4, words);
            if (y + h > s_.bottom() - 18) break;
            s_.text({Sheet::margin, y, s_.inner() - 4, h + 1}, words);
            y += h + 1.6;
        }
        s_.text({Sheet::margin, s_.bottom() - 13, s_.inner(), 13},
                QStringLiteral("Saws, spinning wood, dust, glue fumes and oily rags can hurt. The machine's manual, "
                               "local rules and hands-on instruction come before this packet. "
                               "Speeds and times are common practice."),
                8, Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap, QFont::Normal, QColor(80, 80, 80));
    }

    /// Four rings a page, each with its face, its segment and its figures.
    void rings()
    {
        const double tall = (s_.bottom() - s_.top()) / 4;
        int place = 0;
        for (size_t i = 0; i < plan_.assembly.layers.size(); ++i, ++place) {
            if (place % 4 == 0) s_.page(QStringLiteral("Ring sheets"));
            ring(i, s_.top() + (place % 4) * tall, tall);
        }
    }

    void ring(size_t i, double y, double tall)
    {
        const BuiltLayer& b = plan_.assembly.layers[i];
        const int layer = static_cast<int>(i);
        const double face = tall - 12, x = Sheet::margin;
        const bool disc = !b.segmented;
        QString woods;
        for (const Part& p : plan_.assembly.parts)
            if (p.layer == layer)
                woods += (woods.isEmpty() ? "" : ", ") + (disc ? QString() : QString::number(p.count) + " × ") +
                         QString::fromUtf8(p.species->name);
        s_.text({x, y, s_.inner(), 6},
                (piece_.layers[i].is<DiscForm>() ? QStringLiteral("Disc %1")
                 : b.segmented                   ? QStringLiteral("Ring %1")
                               : QString::fromUtf8(layerKinds()[piece_.layers[i].form.index()].words) +
                                     QStringLiteral(", layer %1"))
                    .arg(i + 1),
                11, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
        s_.text({x + 30, y, s_.inner() - 30, 6}, woods, 9, Qt::AlignRight | Qt::AlignVCenter);
        const double half = b.cornerRadius() * 1.03;
        s_.painter().drawImage(s_.px(QRectF(x, y + 8, face, face)), imageOf(bakeRing(b, half, 420)));
        s_.painter().setPen(QPen(QColor(60, 60, 60), s_.px(0.12)));
        s_.painter().setBrush(Qt::NoBrush);
        const QPointF centre(x + face / 2, y + 8 + face / 2);
        const double scale = face / 2 / half;
        for (const Cell& cell : b.cells) {
            QPolygonF corners;
            for (const Point& p : b.planOf(cell, (b.z0 + b.z1) / 2))
                corners << s_.px(QPointF(centre.x() + p.x() * scale, centre.y() - p.y() * scale));
            s_.painter().drawPolygon(corners);
        }
        const double figures = s_.inner() * 0.33, middle = s_.inner() - face - figures - 8;
        if (!disc) {
            s_.painter().setFont(type(7.5));
            drawSegment(s_.painter(), s_.px(QRectF(x + face + 4, y + 8, middle, face)), b, style_, {});
        }
        double line = y + 8;
        auto row = [&](const char* name, const QString& value) {
            s_.text({s_.width() - Sheet::margin - figures, line, figures, 4.6}, QString::fromUtf8(name), 8,
                    Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(90, 90, 90));
            s_.text({s_.width() - Sheet::margin - figures, line, figures, 4.6}, value, 8.5,
                    Qt::AlignRight | Qt::AlignVCenter, QFont::DemiBold);
            line += 4.9;
        };
        if (disc) {
            row("Cut to", working(FigureId::StockOuter, layer));
            row("Plane to", working(FigureId::PlaneTo, layer));
            // As many of the construction's own settings as the sheet has lines for; the scribed circles have a page of
            // their own.
            for (const Setting& setting : b.settings) {
                if (line > y + tall - 12) break;
                const Working w = workingOf(setting, style_);
                row(setting.name.c_str(), q(w.result));
            }
        } else {
            row("Miter", figure(FigureId::Miter, layer));
            row("Fence", figure(FigureId::Fence, layer));
            if (piece_.choices.cutting == CutSchool::WedgeSled)
                row("Sled offset", working(FigureId::SledOffset, layer));
            row("Outer edge (stop)", working(FigureId::OuterEdge, layer));
            row("Inner edge", working(FigureId::InnerEdge, layer));
            row("Board width", working(FigureId::BoardWidth, layer));
            row("Plane to", working(FigureId::PlaneTo, layer));
            row("Strip, all woods", working(FigureId::StripLength, layer));
            row("Rotation", figure(FigureId::Rotation, layer));
            if (plan_.cutOf(layer)->correction != 0) row("Fence correction", figure(FigureId::Correction, layer));
        }
        s_.rule(x, y + tall - 2, s_.width() - Sheet::margin, y + tall - 2);
    }

    void strips()
    {
        std::vector<std::vector<QString>> rows;
        for (const Strip& strip : plan_.cuts.strips) {
            QString parts;
            for (const std::string& id : strip.parts) parts += (parts.isEmpty() ? "" : ", ") + q(id);
            rows.push_back({QString::fromUtf8(strip.species->name), mm(strip.thickness), mm(strip.width, 2),
                            mm(strip.length, 0), q(fixed(strip.volume / 1e9, 5)), q(fixed(boardFeet(strip.volume), 2)),
                            parts});
        }
        rows.push_back({QStringLiteral("Together"), "", "", "", q(fixed(plan_.cuts.volume / 1e9, 5)),
                        q(fixed(boardFeet(plan_.cuts.volume), 2)), QStringLiteral("waste ") + figure(FigureId::Waste)});
        const auto right = Qt::AlignRight;
        s_.table(QStringLiteral("Strip list"),
                 QStringLiteral("Planed strips, lengths in %1, with a kerf of %2 and %3 of waste at each strip's end. "
                                "Rip a trial piece first.")
                     .arg(unitName(style_), mm(shop_.kerf), mm(piece_.choices.endWaste)),
                 {{"Wood", 0.19},
                  {"Thickness", 0.11, right},
                  {"Width", 0.11, right},
                  {"Length", 0.11, right},
                  {"m³", 0.11, right},
                  {"board feet", 0.11, right},
                  {"  For", 0.26}},
                 rows);
    }

    void glueUp()
    {
        std::vector<std::vector<QString>> rows;
        int number = 0;
        for (const size_t i : plan_.schedule.order) {
            const Step& step = plan_.assembly.recipe[i];
            QString time;
            if (step.workMinutes > 0) time = QString::number(std::lround(step.workMinutes)) + " min";
            if (step.waitMinutes > 0)
                time +=
                    (time.isEmpty() ? "wait " : ", wait ") + QString::number(std::lround(step.waitMinutes)) + " min";
            rows.push_back({QString::number(++number), q(print(step.title, style_)), q(print(step.how, style_)),
                            q(print(step.why, style_)), time});
        }
        s_.table(
            QStringLiteral("Glue-up order"),
            QStringLiteral(
                "In an order in which every step finds what it needs; while one thing waits, the next is worked on."),
            {{"", 0.05, Qt::AlignRight}, {"Step", 0.26}, {"How", 0.28}, {"Why", 0.28}, {"Time", 0.13, Qt::AlignRight}},
            rows);
    }

    void stations()
    {
        std::vector<std::vector<QString>> rows;
        for (const Station& st : plan_.stations)
            rows.push_back({mm(st.z), mm(st.outside, 1), mm(st.inside, 1), mm(st.wall, 1), mm(st.parting, 1)});
        const auto right = Qt::AlignRight;
        s_.table(QStringLiteral("Stations"),
                 QStringLiteral("From the headstock face, in %1. Wall is square to the surface; parting depth is from "
                                "the blank turned just round. Keep 1 mm over until both sides are roughed.")
                     .arg(unitName(style_)),
                 {{"Station", 0.2, right},
                  {"Outside Ø", 0.2, right},
                  {"Inside Ø", 0.2, right},
                  {"Wall", 0.2, right},
                  {"Parting depth", 0.2, right}},
                 rows);
    }

    Sheet& s_;
    const Piece& piece_;
    const Shop& shop_;
    const Plan& plan_;
    const BoardPlan& boards_;
    LengthStyle style_;
};

}  // namespace

void printPacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 Paper paper, QPagedPaintDevice& device)
{
    Sheet sheet(device, paper, q(piece.name));
    Packet(sheet, piece, shop, plan, boards, style).write();
    sheet.finish();
}

void writePacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 Paper paper, QIODevice& file)
{
    QPdfWriter writer(&file);
    writer.setResolution(1200);
    writer.setTitle(q(piece.name));
    writer.setCreator("Vivid Lathe");
    printPacket(piece, shop, plan, boards, style, paper, writer);
}

}  // namespace vl::report
