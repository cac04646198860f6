#include "app/stages/build/skin_lane.h"

#include "app/access/layer_things.h"
#include "app/canvas/arrow_key.h"
#include "app/theme/theme.h"
#include "core/picture/skin.h"
#include "core/workpiece/decor_grid.h"
#include "report/drawing.h"

#include <QMouseEvent>
#include <QPainter>

#include <cmath>

namespace vl::app {

SkinLane::SkinLane(Document& document, Columns& columns, QWidget* parent)
    : Lane(document, tr("Skin, unrolled"), parent), columns_(columns), painting_(document)
{
    connect(&columns_, &Columns::changed, this, [this] { update(); });
    connect(&baked_, &Baked::ready, this, [this] { update(); });
}

void SkinLane::setBrush(const Brush& brush)
{
    brush_ = brush;
    setCursor(brush.wood.empty() ? Qt::ArrowCursor : Qt::CrossCursor);
}

QRectF SkinLane::box(int layer) const
{
    return {columns_.left(layer) + 2, top(), columns_.width() - 4, bottom() - top()};
}

QPointF SkinLane::segmentPosition(int layer, int segment) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    double angle = std::fmod(l.middleOf(segment, (l.z0 + l.z1) / 2).y(), 360.0);
    if (angle < 0) angle += 360;
    return {columns_.center(layer), y(angle)};
}

/// The skins of the layers that are shown, from the first; null while they are being made.
const Baked::Images* SkinLane::skins()
{
    if (doc_.live()) return nullptr;
    const double ratio = devicePixelRatioF();
    const int wide = std::max(1, static_cast<int>((columns_.width() - 4) * ratio)),
              high = std::max(1, static_cast<int>((bottom() - top()) * ratio));
    return baked_.get(qHashMulti(doc_.version(), columns_.first(), columns_.shown(), wide, high),
                      [assembly = doc_.plan().assembly, sides = doc_.plan().surfaces, first = columns_.first(),
                       last = columns_.first() + columns_.shown(), wide, high](const std::atomic<bool>& canceled) {
                          Baked::Images images;
                          for (int k = first; k < last && !canceled; ++k) {
                              const BuiltLayer& l = assembly.layers[static_cast<size_t>(k)];
                              images.push_back(report::imageOf(
                                  bakeSkin(assembly, sides, SkinWindow{l.z0, l.z1, 0, 360, wide, high}, &canceled)));
                          }
                          return images;
                      });
}

void SkinLane::drawFlat(QPainter& painter, int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    const int count = l.sectored() ? l.count() : 1;
    const QRectF at = box(layer);
    for (int k = 0; k < count; ++k) {
        const double pitch = 360.0 / count, from = l.phaseDeg + pitch * (k - 0.5);
        for (const double turn : {-360.0, 0.0, 360.0})
            painter.fillRect(QRectF(QPointF(at.left(), y(from + turn + pitch)), QPointF(at.right(), y(from + turn))),
                             report::woodColor(*l.woods[static_cast<size_t>(k)]));
    }
}

void SkinLane::drawJoints(QPainter& painter, int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    if (!l.sectored()) return;
    const QRectF at = box(layer);
    for (int k = 0; k < l.count(); ++k) {
        double angle = std::fmod(l.phaseDeg + 360.0 / l.count() * (k + 0.5), 360.0);
        if (angle < 0) angle += 360;
        painter.drawLine(QPointF(at.left(), y(angle)), QPointF(at.right(), y(angle)));
    }
}

void SkinLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme().panel);
    const Baked::Images* made = skins();
    const Selection& s = doc_.selection();
    for (int k = columns_.first(); k < columns_.first() + columns_.shown(); ++k) {
        painter.setClipRect(box(k));
        const auto i = static_cast<size_t>(k - columns_.first());
        if (made && i < made->size())
            painter.drawImage(box(k), (*made)[i]);
        else
            drawFlat(painter, k);
        painter.setPen(QPen(QColor(0, 0, 0, 110), 0.8));
        drawJoints(painter, k);
        drawGrids(painter, k);
        painter.setClipping(false);
        const bool chosen = s.layers.contains(k);
        painter.setBrush(Qt::NoBrush);
        painter.setPen(QPen(chosen ? theme().accent : theme().edge, k == s.layer ? 2.4 : chosen ? 1.6 : 0.8));
        painter.drawRect(box(k));
    }
    painter.setRenderHint(QPainter::Antialiasing);
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(s.layer)];
    if (s.segment >= 0 && l.sectored() && columns_.shows(s.layer)) {
        const double pitch = 360.0 / l.count(), from = l.phaseDeg + pitch * (s.segment - 0.5);
        const QRectF at = box(s.layer);
        painter.setClipRect(at.adjusted(-2, -2, 2, 2));
        painter.setPen(QPen(theme().accent, 3));
        for (const double turn : {-360.0, 0.0, 360.0})
            painter.drawRect(QRectF(QPointF(at.left(), y(from + turn + pitch)), QPointF(at.right(), y(from + turn))));
        painter.setClipping(false);
    }
    painter.setFont(textFont(8));
    painter.setPen(hasFocus() ? theme().accent : theme().quiet);
    for (const int angle : {0, 180, 360})
        painter.drawText(QRectF(0, std::clamp(y(angle) - 8, 0.0, height() - 16.0), columns_.names(), 16),
                         Qt::AlignRight | Qt::AlignVCenter, QStringLiteral("%1°").arg(angle));
}

void SkinLane::drawGrids(QPainter& painter, int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    const QRectF at = box(layer);
    const auto x = [&](double z) { return at.left() + (z - l.z0) / (l.z1 - l.z0) * at.width(); };
    for (const GridOf& g : gridsOf(doc_.piece(), doc_.plan().surfaces)) {
        const Decor& d = doc_.piece().decors[g.decor];
        if (d.on != Decor::Wall || g.rings.empty()) continue;
        const auto cell = [&](const GridRing& r, int spoke, double turn) {
            return QRectF(QPointF(x(r.z0), y(g.angleOf(d, spoke + 1) + turn)),
                          QPointF(x(r.z1), y(g.angleOf(d, spoke) + turn)));
        };
        for (const double turn : {-720.0, -360.0, 0.0, 360.0}) {
            for (const GridCell& c : g.worked) {
                QColor ink(QString::fromStdString(d.cells[c.cells].color));
                if (d.cells[c.cells].work != GridCells::Color) ink = QColor(58, 40, 28);
                if (!c.lost) painter.fillRect(cell(g.rings[static_cast<size_t>(c.ring)], c.spoke, turn), ink);
            }
            // Lines that would stand closer than the eye parts them are left out.
            constexpr double least = 3;  // pixels
            if (std::abs(cell(g.rings[0], 0, turn).height()) < least) continue;
            painter.setPen(QPen(QColor(0, 0, 0, 110), 0.6));
            for (const GridRing& r : g.rings)
                for (int spoke = 0; spoke < d.spokes; ++spoke) painter.drawRect(cell(r, spoke, turn));
        }
    }
}

int SkinLane::segmentUnder(const QPointF& at, int layer) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    const double share = (at.x() - box(layer).left()) / box(layer).width(),
                 station = l.z0 + std::clamp(share, 0.001, 0.999) * (l.z1 - l.z0),
                 r = radiusAt(doc_.plan().surfaces.outside, station);
    return std::isnan(r) ? -1 : l.segmentAt(station, r - 0.01, angleAt(at.y()));
}

void SkinLane::paintAt(const QPointF& at)
{
    const int layer = columns_.at(at.x());
    const double angle = angleAt(at.y());
    if (layer < 0 || angle < 0 || angle > 360) return;
    paint(layer, segmentUnder(at, layer));
}

void SkinLane::paint(int layer, int segment)
{
    if (brush_.wood.empty() || segment < 0) return;
    painting_.apply(tr("paint"), [&](Piece p) {
        return pattern::paint(std::move(p), layer, segment, brush_, doc_.plan().assembly.segmentCounts(),
                              doc_.selection().layers);
    });
}

std::vector<ReadableItem> SkinLane::things() const
{
    return segmentThings(doc_, [this](int k) {
        return QRectF(segmentPosition(doc_.selection().layer, k) - QPointF(8, 5), QSizeF(16, 10)).toRect();
    });
}

/// Arrows go from segment to segment and from layer to layer; the space bar paints with the wood that is taken up.
void SkinLane::keyPressEvent(QKeyEvent* event)
{
    const Selection& s = doc_.selection();
    const int count = doc_.plan().assembly.layers[static_cast<size_t>(s.layer)].count();
    const ArrowKey arrow = arrowOf(*event).value_or(ArrowKey{});
    if (arrow.up && count > 0)
        doc_.selectLayer(s.layer, {}, (std::max(0, s.segment) + arrow.up + count) % count);
    else if (arrow.right)
        doc_.selectLayer(s.layer + arrow.right, {}, s.segment);
    else if (event->key() == Qt::Key_Space)
        paint(s.layer, s.segment);
    else
        Lane::keyPressEvent(event);
}

void SkinLane::mousePressEvent(QMouseEvent* event)
{
    if (event->button() != Qt::LeftButton) return;
    const int layer = columns_.at(event->position().x());
    const double angle = angleAt(event->position().y());
    if (layer >= 0 && angle >= 0 && angle <= 360)
        doc_.selectLayer(layer, event->modifiers(), segmentUnder(event->position(), layer));
    if (brush_.wood.empty()) return;
    painting_.take(brush_);
    paintAt(event->position());
}

void SkinLane::mouseMoveEvent(QMouseEvent* event)
{
    if (painting_) paintAt(event->position());
}

void SkinLane::mouseReleaseEvent(QMouseEvent*) { painting_.release(); }

void SkinLane::wheelEvent(QWheelEvent* event)
{
    columns_.scroll(event->angleDelta().y() > 0 ? -1 : 1);
    event->accept();
}

}  // namespace vl::app
