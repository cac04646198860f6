#include "app/lanes/figures_lane.h"

#include "app/fields/working_card.h"
#include "app/theme/theme.h"
#include "report/type.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace vl::app {

FiguresLane::FiguresLane(Document& document, AxisMap& axis, const QString& title, Columns columns,
                         std::vector<Row> rows, QWidget* parent)
    : Lane(document, axis, title, parent), columns_(columns), rows_(std::move(rows))
{
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

FiguresLane::Row FiguresLane::layerRow(Document& document, const QString& name, FigureId figure, bool bare)
{
    return {name, figure, [&document, figure, bare](int layer) {
                QString text = QString::fromStdString(
                    figureText(figure, document.piece(), document.plan(), layer, document.style()));
                if (bare) text.remove(QChar(u'°'));
                // Columns are narrow: trailing noughts say nothing here.
                if (bare && text.contains('.')) {
                    while (text.endsWith('0')) text.chop(1);
                    if (text.endsWith('.')) text.chop(1);
                }
                return text;
            }};
}

int FiguresLane::count() const
{
    return columns_ == Columns::Layers ? static_cast<int>(doc_.plan().assembly.layers.size())
                                       : static_cast<int>(doc_.plan().stations.size());
}

double FiguresLane::centre(int column) const
{
    const auto i = static_cast<size_t>(column);
    if (columns_ == Columns::Stations) return x(doc_.plan().stations[i].z);
    const BuiltLayer& l = doc_.plan().assembly.layers[i];
    return x((l.z0 + l.z1) / 2);
}

int FiguresLane::columnAt(double px) const
{
    if (columns_ == Columns::Layers) return layerAtX(px);
    int best = -1;
    for (int i = 0; i < count(); ++i)
        if (std::abs(centre(i) - px) < 26 && (best < 0 || std::abs(centre(i) - px) < std::abs(centre(best) - px)))
            best = i;
    return best;
}

/// The chosen and the hovered column first, then every one that finds room.
std::vector<int> FiguresLane::shown() const
{
    QFontMetricsF metrics(report::type(8.5, QFont::DemiBold));
    std::vector<std::pair<double, double>> taken;
    std::vector<int> out;
    auto place = [&](int column) {
        if (column < 0 || column >= count()) return;
        double wide = 0;
        for (const Row& row : rows_) wide = std::max(wide, metrics.horizontalAdvance(row.text(column)));
        if (columns_ == Columns::Layers && column == doc_.selection().layer) wide = std::max(wide, 38.0);
        const double left = centre(column) - wide / 2 - 4, right = centre(column) + wide / 2 + 4;
        if (right < AxisMap::leftMargin - 10 || left > width()) return;
        for (const auto& [a, b] : taken)
            if (left < b && right > a) return;
        taken.emplace_back(left, right);
        out.push_back(column);
    };
    if (columns_ == Columns::Layers) place(doc_.selection().layer);
    if (hover_ >= 0 && std::ranges::find(out, hover_) == out.end()) place(hover_);
    for (int i = 0; i < count(); ++i)
        if (std::ranges::find(out, i) == out.end()) place(i);
    return out;
}

void FiguresLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    drawGround(painter);
    painter.setRenderHint(QPainter::Antialiasing);
    const double top = 26;
    const std::vector<int> columns = shown();
    if (columns_ == Columns::Layers && !columns.empty()) {
        const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(doc_.selection().layer)];
        const double half = std::max(22.0, (x(l.z1) - x(l.z0)) / 2);
        painter.setPen(Qt::NoPen);
        painter.setBrush(theme().accentSoft);
        painter.drawRoundedRect(
            QRectF((x(l.z0) + x(l.z1)) / 2 - half, top, 2 * half, rowHeight * static_cast<double>(rows_.size())), 4, 4);
    }
    for (size_t k = 0; k < rows_.size(); ++k) {
        const double y = top + rowHeight * static_cast<double>(k);
        painter.setPen(theme().edge);
        painter.drawLine(QPointF(10, y + rowHeight), QPointF(width() - 10, y + rowHeight));
        painter.setPen(theme().quiet);
        painter.setFont(report::type(8));
        painter.drawText(QRectF(4, y, AxisMap::leftMargin - 16, rowHeight), Qt::AlignRight | Qt::AlignVCenter,
                         rows_[k].name);
        for (const int c : columns) {
            const bool chosen = columns_ == Columns::Layers && c == doc_.selection().layer;
            painter.setPen(chosen ? theme().accent : theme().text);
            painter.setFont(report::type(8.5, chosen ? QFont::DemiBold : QFont::Normal));
            painter.drawText(QRectF(centre(c) - 60, y, 120, rowHeight), Qt::AlignCenter, rows_[k].text(c));
        }
    }
    const int hidden = count() - static_cast<int>(columns.size());
    if (hidden > 0) {
        painter.setPen(theme().quiet);
        painter.setFont(report::type(8));
        painter.drawText(QRectF(width() - 330, 4, 318, 18), Qt::AlignRight | Qt::AlignVCenter,
                         tr("%1 more: point at them, or turn the wheel").arg(hidden));
    }
}

void FiguresLane::mousePressEvent(QMouseEvent* event)
{
    Lane::mousePressEvent(event);
    if (event->button() != Qt::LeftButton) return;
    const int column = columnAt(event->position().x());
    if (column < 0) return;
    if (columns_ == Columns::Layers) doc_.selectLayer(column, event->modifiers());
    const int row = static_cast<int>((event->position().y() - 26) / rowHeight);
    if (event->position().y() >= 26 && row < static_cast<int>(rows_.size()) && !event->modifiers())
        WorkingCard::show(this, event->globalPosition().toPoint(), doc_, rows_[static_cast<size_t>(row)].figure,
                          columns_ == Columns::Layers ? column : -1);
}

void FiguresLane::mouseMoveEvent(QMouseEvent* event)
{
    Lane::mouseMoveEvent(event);
    const int over = columnAt(event->position().x());
    if (over != hover_) {
        hover_ = over;
        update();
    }
}

void FiguresLane::leaveEvent(QEvent*)
{
    hover_ = -1;
    update();
}

}  // namespace vl::app
