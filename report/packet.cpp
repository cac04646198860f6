#include "report/packet.h"

#include "core/measure/format.h"
#include "core/plan/working.h"
#include "report/axes.h"
#include "report/board_pages.h"
#include "report/cut_paper.h"
#include "report/drawing.h"
#include "report/layer_sheets.h"
#include "report/order_pages.h"
#include "report/profile_template.h"
#include "report/shop_paper.h"
#include "report/type.h"

#include <QDate>
#include <QLocale>
#include <QPdfWriter>

#include <cmath>

namespace vl::report {
namespace {

class Packet {
public:
    Packet(Sheet& sheet, const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards,
           LengthStyle style)
        : s_(sheet), piece_(piece), shop_(shop), plan_(plan), boards_(boards), style_(style)
    {
    }

    void write(PacketPart part)
    {
        switch (part) {
        case PacketPart::Cover:
            return cover();
        case PacketPart::Layers:
            return drawLayers(s_, piece_, shop_, plan_, style_);
        case PacketPart::Strips:
            return strips();
        case PacketPart::Boards:
            return drawBoards(s_, piece_, plan_, boards_, style_);
        case PacketPart::Order:
            return drawOrder(s_, plan_, style_);
        case PacketPart::Mounts:
            return drawMounts(s_, plan_, shop_, style_);
        case PacketPart::Stations:
            return stations();
        case PacketPart::Axes:
            return drawAxisPaper(s_, piece_, plan_, style_);
        case PacketPart::Cuts:
            return drawCutPaper(s_, piece_, plan_, style_);
        case PacketPart::ShopPaper:
            return drawShopPaper(s_, piece_, plan_, style_);
        case PacketPart::Template:
            return drawTemplate(s_, plan_, style_);
        }
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
                               picture(piece_, plan_, pixels, static_cast<int>(pixels * 1.1)));
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
        line(QStringLiteral("Printed"), QLocale::c().toString(QDate::currentDate(), QStringLiteral("d MMMM yyyy")));
        line(QStringLiteral("Lengths in"),
             style_.unit == LengthStyle::Unit::Fraction
                 ? QStringLiteral("inches, 1/%1").arg(style_.denominator)
                 : QString::fromLatin1(style_.unit == LengthStyle::Unit::Inch ? "inches" : "millimeters"));
        line(QStringLiteral("Kerf, crosscut / rip"), mm(shop_.kerf, 2) + QStringLiteral(" / ") + mm(shop_.ripKerf, 2));
        for (const auto& [name, id] : figures) line(QString::fromUtf8(name), working(id));
        y = std::max(y, s_.top() + side * 1.1) + 4;
        if (!piece_.notes.empty()) {
            const QString notes = q(piece_.notes);
            const double h = std::min(s_.textHeight(s_.inner(), notes), 60.0);
            s_.text({Sheet::margin, y, s_.inner(), h + 1}, notes);
            y += h + 5;
        }
        s_.moveTo(y);
        cautions();
        s_.need(14, QStringLiteral("Packet"));
        s_.text({Sheet::margin, s_.bottom() - 13, s_.inner(), 13},
                QStringLiteral("Saws, spinning wood, dust, glue fumes and oily rags can hurt. The machine's manual, "
                               "local rules and hands-on instruction come before this packet. "
                               "Speeds and times are common practice."),
                8, Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap, QFont::Normal, QColor(80, 80, 80));
        s_.moveTo(s_.bottom());
    }

    /// All of them, each with its ways out, over as many pages as they take.
    void cautions()
    {
        s_.text({Sheet::margin, s_.y(), s_.inner(), 6},
                plan_.cautions.empty() ? QStringLiteral("No cautions") : QStringLiteral("Cautions"), 11, Qt::AlignLeft,
                QFont::DemiBold);
        s_.moveTo(s_.y() + 7);
        for (const Caution& c : plan_.cautions) {
            QString words = q(std::string(levelName(c.level)) + " · " + c.at + ": " + print(c.message, style_) + ".");
            QStringList ways;
            for (const Fix& fix : c.fixes) ways << q(print(fix.label, style_));
            if (!ways.isEmpty()) words += QStringLiteral(" Ways out: ") + ways.join(QStringLiteral("; ")) + ".";
            const double h = s_.textHeight(s_.inner() - 4, words, 8.5);
            s_.need(h + 16, QStringLiteral("Packet"));
            s_.text({Sheet::margin, s_.y(), s_.inner() - 4, h + 1}, words, 8.5);
            s_.moveTo(s_.y() + h + 1.4);
        }
    }

    void strips()
    {
        std::vector<std::vector<QString>> rows;
        for (const Strip& strip : plan_.cuts.strips) {
            const QString parts = layersOf(plan_, strip.parts);
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
                 rows, 8);
    }

    void stations()
    {
        std::vector<std::vector<QString>> rows;
        const double rim = outlineHeight(piece_);
        int number = 0;
        for (const Station& st : plan_.stations) {
            // An outline that falls back has several diameters here.
            QString outside = mm(st.outside, 1);
            for (const double d : st.further) outside += QStringLiteral(" / ") + mm(d, 1);
            rows.push_back({QString::number(++number), mm(st.z), mm(rim - st.z), outside, mm(st.inside, 1),
                            mm(st.wall, 1), mm(st.parting, 1), QStringLiteral("\u25a1")});
        }
        const auto right = Qt::AlignRight;
        QString about = QStringLiteral("In %1. Wall is square to the surface; parting depth is from the blank turned "
                                       "just round. Leave 1 mm over, inside and out, until both sides are roughed "
                                       "(common practice).")
                            .arg(unitName(style_));
        if (!plan_.shape.solid)
            about += QStringLiteral(" The floor stands %1 from the foot.").arg(figure(FigureId::FloorThickness));
        s_.table(QStringLiteral("Stations"), about,
                 {{"", 0.06, right},
                  {"From foot", 0.13, right},
                  {"From rim", 0.13, right},
                  {"Outside Ø", 0.14, right},
                  {"Inside Ø", 0.14, right},
                  {"Wall", 0.12, right},
                  {"Parting depth", 0.14, right},
                  {"  Measured", 0.14}},
                 rows, 8);
    }

    Sheet& s_;
    const Piece& piece_;
    const Shop& shop_;
    const Plan& plan_;
    const BoardPlan& boards_;
    LengthStyle style_;
};

}  // namespace

const std::vector<PacketPartName>& packetParts()
{
    static const std::vector<PacketPartName> all{
        {PacketPart::Cover, "Cover, cautions"},
        {PacketPart::Layers, "A sheet for each layer"},
        {PacketPart::Strips, "Strip list"},
        {PacketPart::Boards, "Boards and set-ups"},
        {PacketPart::Order, "Order of work"},
        {PacketPart::Mounts, "Mounts"},
        {PacketPart::Stations, "Stations"},
        {PacketPart::Axes, "Centers and index wheels"},
        {PacketPart::Cuts, "Curves to saw, holes, what is worked by index"},
        {PacketPart::ShopPaper, "Angles and circles, full size"},
        {PacketPart::Template, "Template, full size"},
    };
    return all;
}

PacketChoice::PacketChoice(Paper on) : paper(on)
{
    for (const PacketPartName& name : packetParts()) parts.insert(name.part);
}

void printPacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 const PacketChoice& choice, QPagedPaintDevice& device)
{
    Sheet sheet(device, choice.paper, q(piece.name));
    if (plan.mustStop()) sheet.setFoot(QStringLiteral("This plan has stops: see the cautions before anything is cut."));
    Packet packet(sheet, piece, shop, plan, boards, style);
    for (const PacketPart part : choice.parts) packet.write(part);
    sheet.finish();
}

void writePacket(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, LengthStyle style,
                 const PacketChoice& choice, QIODevice& file)
{
    QPdfWriter writer(&file);
    writer.setResolution(1200);
    writer.setTitle(q(piece.name));
    writer.setCreator("Vivid Lathe");
    printPacket(piece, shop, plan, boards, style, choice, writer);
}

}  // namespace vl::report
