#include "report/layer_sheets.h"

#include "core/constructions/construction.h"
#include "core/plan/working.h"
#include "report/drawing.h"
#include "report/type.h"

#include <algorithm>
#include <cmath>

namespace vl::report {
namespace {

class LayerSheets {
public:
    LayerSheets(Sheet& sheet, const Piece& piece, const Shop& shop, const Plan& plan, LengthStyle style)
        : s_(sheet), piece_(piece), shop_(shop), plan_(plan), style_(style)
    {
    }

    void write()
    {
        const QString heading = QStringLiteral("Layers");
        s_.page(heading);
        double y[2] = {s_.top(), s_.top()};
        for (const Cell& cell : cells()) {
            const double tall = heightOf(cell);
            int column = y[0] <= y[1] ? 0 : 1;
            if (y[column] + tall > s_.bottom()) column = 1 - column;
            if (y[column] + tall > s_.bottom()) {
                s_.page(heading + QStringLiteral(", continued"));
                y[0] = y[1] = s_.top();
                column = 0;
            }
            draw(cell, Sheet::margin + column * (width() + gap), y[column]);
            y[column] += tall;
        }
        s_.moveTo(std::max(y[0], y[1]));
    }

private:
    static constexpr double gap = 8, line = 3.9, face = 24, numbered = 38, part = 22, stave = 40;
    double width() const { return (s_.inner() - gap) / 2; }

    using Rows = std::vector<std::pair<QString, QString>>;
    struct Cell {
        std::vector<size_t> layers;
        Rows rows;
    };

    std::vector<Cell> cells() const
    {
        std::vector<Cell> all;
        for (size_t i = 0; i < plan_.assembly.layers.size(); ++i) {
            const Rows rows = rowsOf(i);
            // The rotation from the layer before is said for each by the order of the work.
            const auto alike = std::ranges::find_if(all, [&](const Cell& c) {
                const Layer &a = piece_.layers[c.layers.back()], &b = piece_.layers[i];
                return c.layers.back() + 1 == i && a.form.index() == b.form.index() && a.woods == b.woods &&
                       c.rows == rows;
            });
            if (alike != all.end())
                alike->layers.push_back(i);
            else
                all.push_back({{i}, rows});
        }
        return all;
    }

    Rows rowsOf(size_t i) const
    {
        const BuiltLayer& b = plan_.assembly.layers[i];
        const int layer = static_cast<int>(i);
        Rows rows;
        auto figure = [&](const char* name, FigureId id) {
            const QString value = q(workingOf(id, piece_, shop_, plan_, layer, style_).result);
            if (!value.isEmpty()) rows.emplace_back(QString::fromUtf8(name), value);
        };
        auto measure = [&](const char* name, double mm) {
            rows.emplace_back(QString::fromUtf8(name), q(formatLengthUnit(mm, style_, 2)));
        };
        if (b.segmented) {
            rows.emplace_back(QStringLiteral("Miter / fence"),
                              q(figureText(FigureId::Miter, piece_, plan_, layer, style_)) + QStringLiteral(" / ") +
                                  q(figureText(FigureId::Fence, piece_, plan_, layer, style_)));
            if (plan_.cutOf(layer)->correction != 0) figure("Add to the miter", FigureId::Correction);
            if (piece_.choices.cutting == CutMethod::WedgeSled) figure("Sled offset", FigureId::SledOffset);
            figure("Stop, outer edge", FigureId::OuterEdge);
            figure("Inner edge", FigureId::InnerEdge);
            figure("Rip to", FigureId::BoardWidth);
        }
        figure("Plane to", FigureId::PlaneTo);
        if (b.segmented) figure("Strip, all woods", FigureId::StripLength);
        // Checked with the caliper before it goes onto the stack.
        if (b.segmented || piece_.layers[i].is<DiscForm>()) {
            measure("As glued, Ø outside", 2 * b.stockOuterRadius());
            if (b.stockInnerRadius() > 0) measure("As glued, Ø inside", 2 * b.stockInnerRadius());
        }
        if (i > 0) figure("Overlap with the one below", FigureId::OverlapBelow);
        for (const Setting& s : b.settings) rows.emplace_back(q(s.name), q(workingOf(s, style_).result));
        return rows;
    }

    double heightOf(const Cell& cell) const { return 8 + besideRows(cell) + (isStave(cell) ? stave + 2 : 0) + 4; }

    /// The drawings at the left and the rows beside them, whichever is taller.
    double besideRows(const Cell& cell) const
    {
        return std::max(faceOf(cell) + (plan_.assembly.layers[cell.layers[0]].segmented ? part + 2 : 0),
                        line * static_cast<double>(cell.rows.size()));
    }

    bool isStave(const Cell& cell) const { return piece_.layers[cell.layers[0]].is<StavesForm>(); }
    /// The parts of a panel or a wrap are numbered on its face: it is larger.
    double faceOf(const Cell& cell) const
    {
        const BuiltLayer& b = plan_.assembly.layers[cell.layers[0]];
        const bool oneBoard = piece_.layers[cell.layers[0]].is<DiscForm>() || b.cells.size() < 2;
        return b.segmented || isStave(cell) || oneBoard ? face : numbered;
    }

    QString title(const Cell& cell) const
    {
        const size_t first = cell.layers.front();
        QString name = q(constructionOf(piece_.layers[first]).noun);
        name[0] = name[0].toUpper();
        if (name == QStringLiteral("Layer"))
            name = QString::fromUtf8(layerKinds()[piece_.layers[first].form.index()].words) + QStringLiteral(", layer");
        name[0] = name[0].toUpper();
        return cell.layers.size() == 1
                   ? QStringLiteral("%1 %2").arg(name).arg(first + 1)
                   : QStringLiteral("%1s %2 to %3").arg(name).arg(first + 1).arg(cell.layers.back() + 1);
    }

    QString woods(size_t i) const
    {
        QStringList all;
        for (const Part& p : plan_.assembly.parts)
            if (p.layer == static_cast<int>(i))
                all << (p.count > 1 ? QStringLiteral("%1 × ").arg(p.count) : QString()) +
                           QString::fromUtf8(p.species->name);
        return all.join(QStringLiteral(", "));
    }

    void draw(const Cell& cell, double x, double y)
    {
        const size_t i = cell.layers.front();
        const BuiltLayer& b = plan_.assembly.layers[i];
        s_.text({x, y, width(), 6}, title(cell), 10.5, Qt::AlignLeft | Qt::AlignVCenter, QFont::DemiBold);
        const double beside =
            QFontMetricsF(type(10.5, QFont::DemiBold), s_.painter().device()).horizontalAdvance(title(cell)) / s_.px(1);
        const QFontMetricsF small(type(7.5), s_.painter().device());
        const double room = width() - beside - 3;
        s_.text({x + beside + 3, y, room, 6}, small.elidedText(woods(i), Qt::ElideRight, s_.px(room)), 7.5,
                Qt::AlignRight | Qt::AlignVCenter);
        const double side = faceOf(cell);
        s_.painter().setFont(type(6.5));
        if (side == numbered)
            drawParts(s_.painter(), s_.px(QRectF(x, y + 8, side, side)), piece_.layers[i], b, {});
        else
            drawFace(b, x, y + 8);
        if (isStave(cell))
            drawStave(s_.painter(), s_.px(QRectF(x, y + 8 + besideRows(cell) + 2, width(), stave)), b,
                      piece_.layers[i].sandingLoss, style_, {});
        if (b.segmented) {
            s_.painter().setFont(type(6.5));
            drawSegment(s_.painter(), s_.px(QRectF(x, y + 8 + face + 2, face + 8, part)), b, style_, {});
        }
        double at = y + 7.5;
        const double left = x + side + (side == face ? 11 : 4), wide = x + width() - left;
        for (const auto& [name, value] : cell.rows) {
            const double right =
                QFontMetricsF(type(8, QFont::DemiBold), s_.painter().device()).horizontalAdvance(value) / s_.px(1);
            const QFontMetricsF quiet(type(7.5), s_.painter().device());
            s_.text({left, at, wide - right - 1, line}, quiet.elidedText(name, Qt::ElideRight, s_.px(wide - right - 1)),
                    7.5, Qt::AlignLeft | Qt::AlignVCenter, QFont::Normal, QColor(80, 80, 80));
            s_.text({left, at, wide, line}, value, 8, Qt::AlignRight | Qt::AlignVCenter, QFont::DemiBold);
            at += line;
        }
        const double end = y + heightOf(cell) - 2;
        s_.rule(x, end, x + width(), end);
    }

    void drawFace(const BuiltLayer& b, double x, double y)
    {
        const double half = b.cornerRadius() * 1.03, scale = face / 2 / half;
        s_.painter().drawImage(s_.px(QRectF(x, y, face, face)), imageOf(bakeRing(b, half, 300)));
        s_.painter().setPen(QPen(QColor(60, 60, 60), s_.px(0.1)));
        s_.painter().setBrush(Qt::NoBrush);
        const QPointF center(x + face / 2, y + face / 2);
        for (const vl::Cell& cell : b.cells) {
            QPolygonF corners;
            for (const Point& p : b.planOf(cell, (b.z0 + b.z1) / 2))
                corners << s_.px(QPointF(center.x() + p.x() * scale, center.y() - p.y() * scale));
            s_.painter().drawPolygon(corners);
        }
        for (const Scribed& c : b.scribed)
            s_.painter().drawEllipse(s_.px(center), s_.px(c.upper * scale), s_.px(c.upper * scale));
    }

    Sheet& s_;
    const Piece& piece_;
    const Shop& shop_;
    const Plan& plan_;
    LengthStyle style_;
};

}  // namespace

void drawLayers(Sheet& sheet, const Piece& piece, const Shop& shop, const Plan& plan, LengthStyle style)
{
    LayerSheets(sheet, piece, shop, plan, style).write();
}

}  // namespace vl::report
