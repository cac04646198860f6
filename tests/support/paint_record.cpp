#include "tests/support/paint_record.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace vl::test {
namespace {

class Engine : public QPaintEngine {
public:
    explicit Engine(PaintRecord& record) : QPaintEngine(QPaintEngine::AllFeatures), record_(record) {}
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState&) override {}
    Type type() const override { return User; }

    void drawPixmap(const QRectF& r, const QPixmap& pixmap, const QRectF&) override
    {
        if (!pixmap.hasAlphaChannel()) ground(r);
    }
    void drawImage(const QRectF& r, const QImage& image, const QRectF&, Qt::ImageConversionFlags) override
    {
        if (!image.hasAlphaChannel()) ground(r);
    }
    void drawPath(const QPainterPath& path) override
    {
        const QPainterPath shown = painter()->deviceTransform().map(path);
        if (opaque()) record_.grounds.push_back({shown.boundingRect(), ++record_.drawn});
        if (pen())
            for (const QPolygonF& p : shown.toSubpathPolygons()) outline(p, false);
    }
    void drawPolygon(const QPointF* points, int count, PolygonDrawMode mode) override
    {
        QPolygonF p;
        for (int i = 0; i < count; ++i) p << painter()->deviceTransform().map(points[i]);
        if (opaque() && mode != PolylineMode) record_.grounds.push_back({p.boundingRect(), ++record_.drawn});
        if (pen()) outline(p, mode != PolylineMode);
    }
    void drawRects(const QRectF* rects, int count) override
    {
        for (int i = 0; i < count; ++i) {
            if (opaque()) ground(rects[i]);
            if (pen()) outline(painter()->deviceTransform().map(QPolygonF(rects[i])), true);
        }
    }
    void drawTextItem(const QPointF& p, const QTextItem& item) override
    {
        const QString words = item.text().trimmed();
        if (words.isEmpty()) return;
        // Letters, not the room of the line: capitals' height above, descent below.
        const double rise = QFontMetricsF(item.font()).capHeight();
        const QRectF box(p.x(), p.y() - rise, item.width(), rise + item.descent() * 0.5);
        record_.texts.push_back({words, painter()->deviceTransform().mapRect(box), clip(), ++record_.drawn});
    }

private:
    bool pen() const { return painter()->pen().style() != Qt::NoPen && painter()->pen().color().alpha() > 60; }
    bool opaque() const
    {
        return painter()->brush().style() == Qt::SolidPattern && painter()->brush().color().alpha() > 180;
    }
    QRectF clip() const
    {
        const QRectF all(0, 0, record_.width(), record_.height());
        return painter()->hasClipping()
                   ? painter()->deviceTransform().mapRect(painter()->clipBoundingRect()).intersected(all)
                   : all;
    }
    void ground(const QRectF& r)
    {
        record_.grounds.push_back({painter()->deviceTransform().mapRect(r).intersected(clip()), ++record_.drawn});
    }
    void outline(const QPolygonF& p, bool closed)
    {
        const QRectF within = clip();
        ++record_.drawn;
        for (qsizetype i = 0; i + 1 < p.size() + (closed ? 1 : 0); ++i) {
            const QPointF a = p[i], b = p[(i + 1) % p.size()];
            if (QRectF(a, b).normalized().adjusted(-1, -1, 1, 1).intersects(within))
                record_.lines.push_back({a, b, record_.drawn});
        }
    }

    PaintRecord& record_;
};

/// Whether a line runs through a box.
bool through(const QPointF& a, const QPointF& b, const QRectF& box)
{
    // Clipped by the box's four sides in turn (Liang and Barsky).
    double from = 0, to = 1;
    const QPointF d = b - a;
    for (const auto& [p, q] : {std::pair{-d.x(), a.x() - box.left()},
                               {d.x(), box.right() - a.x()},
                               {-d.y(), a.y() - box.top()},
                               {d.y(), box.bottom() - a.y()}}) {
        if (p == 0) {
            if (q < 0) return false;
            continue;
        }
        const double t = q / p;
        p < 0 ? from = std::max(from, t) : to = std::min(to, t);
    }
    return from < to;
}

}  // namespace

PaintRecord::PaintRecord(const QSize& size, qreal ratio)
    : size_(size), ratio_(ratio), engine_(std::make_unique<Engine>(*this))
{
}

PaintRecord::~PaintRecord() = default;

QPaintEngine* PaintRecord::paintEngine() const { return engine_.get(); }

int PaintRecord::metric(PaintDeviceMetric metric) const
{
    switch (metric) {
    case PdmWidth:
        return size_.width();
    case PdmHeight:
        return size_.height();
    case PdmWidthMM:
        return size_.width() * 254 / 960;
    case PdmHeightMM:
        return size_.height() * 254 / 960;
    case PdmNumColors:
        return 1 << 24;
    case PdmDepth:
        return 32;
    case PdmDpiX:
    case PdmDpiY:
    case PdmPhysicalDpiX:
    case PdmPhysicalDpiY:
        return 96;
    case PdmDevicePixelRatio:
        return static_cast<int>(ratio_);
    case PdmDevicePixelRatioScaled:
        return static_cast<int>(ratio_ * devicePixelRatioFScale());
    default:
        return QPaintDevice::metric(metric);
    }
}

bool PaintRecord::hidden(const Text& t) const
{
    return std::ranges::any_of(grounds, [&](const Ground& g) { return g.order > t.order && g.box.contains(t.box); });
}

QStringList PaintRecord::cut(const QStringList& whole) const
{
    QStringList out;
    for (const Text& t : texts) {
        if (hidden(t) || !t.box.intersects(t.clip)) continue;
        if (!t.clip.adjusted(-1, -1, 1, 1).contains(t.box) ||
            (t.words.endsWith(QChar(0x2026)) &&
             std::ranges::none_of(whole, [&](const QString& w) { return w.endsWith(t.words); })))
            out << QStringLiteral("'%1' at %2, %3").arg(t.words).arg(t.box.left()).arg(t.box.top());
    }
    return out;
}

QStringList PaintRecord::over() const
{
    QStringList out;
    for (size_t i = 0; i < texts.size(); ++i)
        for (size_t k = i + 1; k < texts.size(); ++k) {
            const QRectF both =
                texts[i].box.intersected(texts[k].box).intersected(texts[i].clip).intersected(texts[k].clip);
            if (both.width() > 1.5 && both.height() > 1.5 && !hidden(texts[i]) && !hidden(texts[k]))
                out << QStringLiteral("'%1' over '%2' at %3, %4")
                           .arg(texts[k].words, texts[i].words)
                           .arg(both.left())
                           .arg(both.top());
        }
    return out;
}

QStringList PaintRecord::crossed() const
{
    QStringList out;
    for (const Text& t : texts) {
        if (hidden(t)) continue;
        const QRectF letters = t.box.intersected(t.clip).adjusted(1.5, 1.5, -1.5, -1.5);
        if (letters.isEmpty()) continue;
        for (const Line& line : lines) {
            if (!through(line.a, line.b, letters)) continue;
            // A tag's ground lies between the line and the text.
            const bool covered = std::ranges::any_of(grounds, [&](const Ground& g) {
                return g.order > line.order && g.order < t.order && g.box.contains(letters);
            });
            if (covered) continue;
            out << QStringLiteral("'%1' at %2, %3").arg(t.words).arg(t.box.left()).arg(t.box.top());
            break;
        }
    }
    return out;
}

std::unique_ptr<PaintRecord> recordOf(QWidget& widget)
{
    auto record = std::make_unique<PaintRecord>(widget.size());
    QPainter painter(record.get());
    widget.render(&painter);
    return record;
}

}  // namespace vl::test
