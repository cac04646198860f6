#include "app/stages/build/skin_lane.h"

#include "app/theme/theme.h"
#include "core/turning/skin.h"
#include "report/drawing.h"
#include "report/type.h"

#include <QMouseEvent>
#include <QPainter>
#include <QtConcurrent>

#include <cmath>

namespace vl::app {

SkinLane::SkinLane(Document& document, AxisMap& axis, QWidget* parent)
    : Lane(document, axis, tr("SKIN, UNROLLED"), parent)
{
    connect(&watcher_, &QFutureWatcher<QImage>::finished, this, [this] {
        baked_ = watcher_.result();
        bakedKey_ = bakingKey_;
        update();
    });
}

SkinLane::~SkinLane()
{
    if (cancel_) *cancel_ = true;
    watcher_.waitForFinished();
}

void SkinLane::setBrush(const Brush& brush)
{
    brush_ = brush;
    setCursor(brush.wood.empty() ? Qt::ArrowCursor : Qt::CrossCursor);
}

QPointF SkinLane::segmentPosition(int layer, int segment) const
{
    const BuiltLayer& l = doc_.plan().assembly.layers[static_cast<size_t>(layer)];
    double angle = std::fmod(l.middleOf(segment, (l.z0 + l.z1) / 2).y(), 360.0);
    if (angle < 0) angle += 360;
    return {x((l.z0 + l.z1) / 2), y(angle)};
}

/// What the baked picture depends on.
quint64 SkinLane::key() const
{
    return (static_cast<quint64>(doc_.version()) << 32) ^ qHash(x(0)) ^ (qHash(axis_.scale()) << 1) ^
           static_cast<quint64>(width() * 7919 + height());
}

void SkinLane::bake()
{
    if (doc_.live() || bakedKey_ == key() || (watcher_.isRunning() && bakingKey_ == key())) return;
    if (cancel_) *cancel_ = true;
    watcher_.waitForFinished();
    cancel_ = std::make_shared<std::atomic<bool>>(false);
    bakingKey_ = key();
    const double ratio = devicePixelRatioF();
    const SkinWindow window{
        z(0), z(width()), 0, 360, static_cast<int>(width() * ratio), static_cast<int>((bottom() - top()) * ratio)};
    watcher_.setFuture(
        QtConcurrent::run([assembly = doc_.plan().assembly, sides = doc_.plan().sides, window, cancel = cancel_] {
            return report::imageOf(bakeSkin(assembly, sides, window, cancel.get()));
        }));
}

void SkinLane::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    drawGround(painter);
    bake();
    const auto& layers = doc_.plan().assembly.layers;
    painter.setClipRect(QRectF(0, top(), width(), bottom() - top()));
    if (bakedKey_ == key())
        painter.drawImage(QRectF(0, top(), width(), bottom() - top()), baked_);
    else
        for (const BuiltLayer& l : layers)
            for (int k = 0; k < (l.sectored() ? l.count() : 1); ++k) {
                const double pitch = 360.0 / (l.sectored() ? l.count() : 1), from = l.phaseDeg + pitch * (k - 0.5);
                for (const double turn : {-360.0, 0.0, 360.0})
                    painter.fillRect(QRectF(QPointF(x(l.z0), y(from + turn + pitch)), QPointF(x(l.z1), y(from + turn))),
                                     report::woodColour(*l.woods[static_cast<size_t>(k)]));
            }
    painter.setPen(QPen(QColor(0, 0, 0, 110), 0.8));
    for (const BuiltLayer& l : layers) {
        painter.drawLine(QPointF(x(l.z1), top()), QPointF(x(l.z1), bottom()));
        if (l.sectored())
            for (int k = 0; k < l.count(); ++k) {
                double angle = std::fmod(l.phaseDeg + 360.0 / l.count() * (k + 0.5), 360.0);
                if (angle < 0) angle += 360;
                painter.drawLine(QPointF(x(l.z0), y(angle)), QPointF(x(l.z1), y(angle)));
            }
    }
    painter.setRenderHint(QPainter::Antialiasing);
    const Selection& s = doc_.selection();
    painter.setBrush(Qt::NoBrush);
    for (const int i : s.layers) {
        const BuiltLayer& l = layers[static_cast<size_t>(i)];
        painter.setPen(QPen(theme().accent, i == s.layer ? 2.6 : 1.6));
        painter.drawRect(QRectF(QPointF(x(l.z0), top() + 1), QPointF(x(l.z1), bottom() - 1)));
    }
    if (s.segment >= 0 && layers[static_cast<size_t>(s.layer)].sectored()) {
        const BuiltLayer& l = layers[static_cast<size_t>(s.layer)];
        const double pitch = 360.0 / l.count(), from = l.phaseDeg + pitch * (s.segment - 0.5);
        painter.setPen(QPen(theme().accent, 3));
        for (const double turn : {-360.0, 0.0, 360.0})
            painter.drawRect(QRectF(QPointF(x(l.z0), y(from + turn + pitch)), QPointF(x(l.z1), y(from + turn))));
    }
    painter.setClipping(false);
    painter.setFont(report::type(8));
    painter.setPen(theme().quiet);
    for (const int angle : {0, 90, 180, 270, 360}) {
        if (angle % 180 && height() < 170) continue;
        painter.drawText(QRectF(0, y(angle) - 8, AxisMap::leftMargin - 12, 16), Qt::AlignRight | Qt::AlignVCenter,
                         QStringLiteral("%1°").arg(angle));
    }
}

int SkinLane::segmentUnder(const QPointF& at, int layer) const
{
    const double station = z(at.x()), r = radiusAt(doc_.plan().sides.outside, station);
    return std::isnan(r)
               ? -1
               : doc_.plan().assembly.layers[static_cast<size_t>(layer)].segmentAt(station, r - 0.01, angleAt(at.y()));
}

void SkinLane::paintAt(const QPointF& at)
{
    const int layer = layerAtX(at.x());
    const double angle = angleAt(at.y());
    if (layer < 0 || angle < 0 || angle > 360) return;
    const int segment = segmentUnder(at, layer);
    if (!brush_.wood.empty() && segment >= 0)
        doc_.apply(tr("paint"),
                   pattern::paint(doc_.piece(), layer, segment, brush_, doc_.plan().assembly.segmentCounts(),
                                  doc_.selection().layers),
                   mergeKey_);
}

void SkinLane::mousePressEvent(QMouseEvent* event)
{
    Lane::mousePressEvent(event);
    if (event->button() != Qt::LeftButton) return;
    const int layer = layerAtX(event->position().x());
    const double angle = angleAt(event->position().y());
    if (layer >= 0 && angle >= 0 && angle <= 360)
        doc_.selectLayer(layer, event->modifiers(), segmentUnder(event->position(), layer));
    if (brush_.wood.empty()) return;
    painting_ = true;
    mergeKey_ = Document::newMergeKey();
    doc_.beginDrag();
    paintAt(event->position());
}

void SkinLane::mouseMoveEvent(QMouseEvent* event)
{
    Lane::mouseMoveEvent(event);
    if (painting_) paintAt(event->position());
}

void SkinLane::mouseReleaseEvent(QMouseEvent* event)
{
    Lane::mouseReleaseEvent(event);
    if (!painting_) return;
    painting_ = false;
    doc_.endDrag();
}

}  // namespace vl::app
