#include "app/stages/cut/strip_view.h"

#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/wood/figure.h"
#include "report/drawing.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace vl::app {
namespace {
constexpr double labelWidth = 214, margin = 14;
}

StripView::StripView(Document& document, QWidget* parent) : QWidget(parent), doc_(document)
{
    setFocusPolicy(Qt::StrongFocus);
    setAccessibleName(tr("Strips to cut"));
    connect(&doc_, &Document::changed, this, [this] {
        if (sizeHint().height() == minimumHeight()) return update();
        updateGeometry();
        setMinimumHeight(sizeHint().height());
        update();
    });
    connect(&doc_, &Document::selectionChanged, this, [this] { update(); });
    setMinimumHeight(sizeHint().height());
}

std::vector<StripView::Line> StripView::lines() const
{
    std::vector<Line> out;
    double y = headHeight;
    auto add = [&](const Strip& strip, const Part* part, int height) {
        out.push_back({&strip, part, QRectF(0, y, width(), height)});
        y += height;
    };
    for (const Strip& strip : doc_.plan().cuts.strips) {
        add(strip, nullptr, groupHeight);
        for (const Part& part : parts())
            if (std::ranges::find(strip.parts, part.id) != strip.parts.end()) add(strip, &part, rowHeight);
    }
    return out;
}

QSize StripView::sizeHint() const
{
    return {600, headHeight + groupHeight * static_cast<int>(doc_.plan().cuts.strips.size()) +
                     rowHeight * static_cast<int>(parts().size()) + 10};
}

/// Pixels per mm: the longest strip fills the width.
double StripView::scale() const
{
    double longest = 1;
    for (const Part& p : parts()) {
        longest = std::max(longest, p.run(p.count) + doc_.piece().choices.endWaste);
    }
    return (width() - labelWidth - 2 * margin) / longest;
}

void StripView::drawPart(QPainter& painter, const Part& part, const QRectF& row) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(part.layer)];
    const bool disc = doc_.piece().layers[static_cast<size_t>(part.layer)].is<DiscForm>();
    const double waste = doc_.piece().choices.endWaste, strip = part.run(part.count) + waste;
    auto length = [&](double v, int d = -1) { return QString::fromStdString(formatLength(v, doc_.style(), d)); };
    painter.setPen(theme().text);
    painter.setFont(textFont(8.5, QFont::DemiBold));
    painter.drawText(QRectF(margin, row.top() + 2, labelWidth - 14, 30),
                     Qt::AlignLeft | Qt::AlignBottom | Qt::TextWordWrap,
                     disc          ? tr("disc %1").arg(part.layer + 1)
                     : l.segmented ? tr("ring %1: %2 segments").arg(part.layer + 1).arg(part.count)
                                   : QStringLiteral("%1 × %2").arg(part.count).arg(QString::fromStdString(part.name)));
    painter.setPen(theme().quiet);
    painter.setFont(textFont(8.5));
    painter.drawText(QRectF(margin, row.top() + 33, labelWidth - 14, 16), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("%1 %2 of strip").arg(length(strip, 0), unitName(doc_.style())));

    // True shape, unless the strip is wider than its row.
    const double sy = std::min(scale(), (rowHeight - 16) / part.width), sx = disc ? sy : scale();
    const double top = row.top() + (rowHeight - part.width * sy) / 2, left = labelWidth + margin;
    const QRectF board(left, top, strip * sx, part.width * sy);
    painter.save();
    painter.setClipRect(board);
    const float seed = segmentSeed(static_cast<size_t>(part.layer), 0);
    QImage wood(std::max(1, static_cast<int>(board.width())), std::max(1, static_cast<int>(board.height())),
                QImage::Format_RGB32);
    for (int py = 0; py < wood.height(); ++py)
        for (int px = 0; px < wood.width(); ++px) {
            const auto c = vl::woodColor(part.species->figure, static_cast<float>(px / sx), static_cast<float>(py / sy),
                                         4, seed, 0);
            wood.setPixel(px, py, QColor::fromRgbF(c[0], c[1], c[2]).rgb());
        }
    painter.drawImage(board, wood);
    painter.setPen(Qt::NoPen);
    painter.setBrush(QBrush(QColor(0, 0, 0, 110), Qt::BDiagPattern));
    painter.drawRect(QRectF(board.right() - waste * sx, top, waste * sx, board.height()));
    painter.restore();
    painter.setPen(QPen(QColor(0, 0, 0, 170), 1));
    painter.setBrush(Qt::NoBrush);
    painter.drawRect(board);
    if (disc) {
        painter.drawEllipse(QRectF(left, top, part.length * sx, part.width * sy));
        return;
    }
    // Each saw cut leans the other way than the one before it.
    const double run = part.width * std::tan(part.left.miterDeg * degrees),
                 cut = doc_.shop().kerf / std::cos(part.left.miterDeg * degrees);
    const double mean = part.pitch - cut;
    painter.setPen(QPen(QColor(255, 255, 255, 220), std::max(1.0, cut * sx)));
    painter.setClipRect(board);
    for (int k = 0; k <= part.count; ++k) {
        const double mid = left + (run / 2 + cut / 2 + k * (mean + cut)) * sx, lean = (k % 2 ? -run : run) / 2 * sx;
        painter.drawLine(QPointF(mid - lean, top - 1), QPointF(mid + lean, board.bottom() + 1));
    }
    painter.setClipping(false);
}

void StripView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setFont(textFont(8, QFont::DemiBold));
    painter.setPen(theme().quiet);
    painter.drawText(QRectF(margin, 4, 500, 18), Qt::AlignLeft | Qt::AlignVCenter,
                     tr("STRIPS, AS THEY ARE CUT INTO SEGMENTS"));
    auto length = [&](double v, int d = -1) { return QString::fromStdString(formatLength(v, doc_.style(), d)); };
    for (const Line& line : lines()) {
        if (!line.box.toRect().intersects(visibleRegion().boundingRect())) continue;
        if (line.part) {
            if (doc_.selection().layers.contains(line.part->layer)) {
                painter.setPen(QPen(theme().accent, 1.4));
                painter.setBrush(theme().accentSoft);
                painter.drawRoundedRect(line.box.adjusted(6, 2, -6, -2), 4, 4);
            }
            drawPart(painter, *line.part, line.box);
            continue;
        }
        const Strip& strip = *line.strip;
        painter.setPen(theme().edge);
        painter.drawLine(line.box.topLeft() + QPointF(margin, 2), line.box.topRight() + QPointF(-margin, 2));
        painter.setPen(theme().text);
        painter.setFont(textFont(9, QFont::DemiBold));
        painter.drawText(line.box.adjusted(margin, 4, -margin, 0), Qt::AlignLeft | Qt::AlignVCenter,
                         tr("%1, plane to %2, rip to %3")
                             .arg(localized(strip.species->name), length(strip.thickness), length(strip.width, 2)));
        painter.setPen(theme().quiet);
        painter.setFont(textFont(8.5));
        painter.drawText(line.box.adjusted(margin, 4, -margin, 0), Qt::AlignRight | Qt::AlignVCenter,
                         tr("%1 %2 together · %3 m³ · %4 board feet")
                             .arg(length(strip.length, 0), unitName(doc_.style()),
                                  QString::fromStdString(fixed(strip.volume / 1e9, 5)),
                                  QString::fromStdString(fixed(boardFeet(strip.volume), 2))));
    }
}

std::vector<ReadableItem> StripView::things() const
{
    auto length = [&](double mm) { return QString::fromStdString(formatLengthUnit(mm, doc_.style())); };
    std::vector<ReadableItem> all;
    for (const Line& line : lines())
        if (line.part)
            all.push_back({tr("%1, %2 of %3, strip %4 long, %5 wide, %6 thick")
                               .arg(QString::fromStdString(line.part->name))
                               .arg(line.part->count)
                               .arg(localized(line.strip->species->name),
                                    length(line.part->run(line.part->count) + doc_.piece().choices.endWaste),
                                    length(line.part->width), length(line.strip->thickness)),
                           line.box.toRect(), doc_.selection().layers.contains(line.part->layer)});
    return all;
}

void StripView::chooseThing(int index)
{
    for (const Line& line : lines())
        if (line.part && index-- == 0) return doc_.selectLayer(line.part->layer);
}

void StripView::keyPressEvent(QKeyEvent* event)
{
    const int by = event->key() == Qt::Key_Down ? 1 : event->key() == Qt::Key_Up ? -1 : 0;
    const std::vector<ReadableItem> all = things();
    const auto now = std::ranges::find(all, true, &ReadableItem::chosen);
    const auto next = now - all.begin() + by;
    if (by == 0 || now == all.end() || next < 0 || next >= static_cast<long>(all.size()))
        return QWidget::keyPressEvent(event);
    chooseThing(static_cast<int>(next));
}

void StripView::mousePressEvent(QMouseEvent* event)
{
    for (const Line& line : lines())
        if (line.part && line.box.contains(event->position()))
            return doc_.selectLayer(line.part->layer, event->modifiers());
}

}  // namespace vl::app
