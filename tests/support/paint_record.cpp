#include "tests/support/paint_record.h"

#include <QPainter>

#include <algorithm>
#include <cmath>
#include <functional>
#include <optional>

namespace vl::test {
namespace {

/// The part of a line that lies in a box, as shares of it; nothing where it passes by (Liang and Barsky).
std::optional<std::pair<double, double>> within(const QPointF& a, const QPointF& b, const QRectF& box)
{
    double from = 0, to = 1;
    const QPointF d = b - a;
    for (const auto& [p, q] : {std::pair{-d.x(), a.x() - box.left()},
                               {d.x(), box.right() - a.x()},
                               {-d.y(), a.y() - box.top()},
                               {d.y(), box.bottom() - a.y()}}) {
        if (p == 0) {
            if (q < 0) return std::nullopt;
            continue;
        }
        const double t = q / p;
        p < 0 ? from = std::max(from, t) : to = std::min(to, t);
    }
    if (from < to) return std::pair{from, to};
    return std::nullopt;
}

class Engine : public QPaintEngine {
public:
    /// Asks for the record at every stroke: paper goes on from page to page.
    explicit Engine(std::function<PaintRecord&()> record)
        : QPaintEngine(QPaintEngine::AllFeatures), record_(std::move(record))
    {
    }
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
        if (opaque()) record_().grounds.push_back({shown.boundingRect(), ++record_().drawn});
        if (pen())
            for (const QPolygonF& p : shown.toSubpathPolygons()) outline(p, false);
    }
    void drawPolygon(const QPointF* points, int count, PolygonDrawMode mode) override
    {
        QPolygonF p;
        for (int i = 0; i < count; ++i) p << painter()->deviceTransform().map(points[i]);
        if (opaque() && mode != PolylineMode) record_().grounds.push_back({p.boundingRect(), ++record_().drawn});
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
        record_().texts.push_back({words, painter()->deviceTransform().mapRect(box), clip(), ++record_().drawn});
    }

private:
    bool pen() const { return painter()->pen().style() != Qt::NoPen && painter()->pen().color().alpha() > 60; }
    bool opaque() const
    {
        return painter()->brush().style() == Qt::SolidPattern && painter()->brush().color().alpha() > 180;
    }
    QRectF clip() const
    {
        const QRectF all(0, 0, record_().width(), record_().height());
        return painter()->hasClipping()
                   ? painter()->deviceTransform().mapRect(painter()->clipBoundingRect()).intersected(all)
                   : all;
    }
    void ground(const QRectF& r)
    {
        record_().grounds.push_back({painter()->deviceTransform().mapRect(r).intersected(clip()), ++record_().drawn});
    }
    void outline(const QPolygonF& p, bool closed)
    {
        const QRectF shown = clip();
        ++record_().drawn;
        for (qsizetype i = 0; i + 1 < p.size() + (closed ? 1 : 0); ++i) {
            const QPointF a = p[i], b = p[(i + 1) % p.size()];
            if (const auto part = within(a, b, shown)) line(a + part->first * (b - a), a + part->second * (b - a));
        }
    }
    /// What of it shows: hatching is cut off at an outline that is no rectangle.
    void line(const QPointF& a, const QPointF& b)
    {
        const QPainterPath shown =
            painter()->hasClipping() ? painter()->deviceTransform().map(painter()->clipPath()) : QPainterPath();
        if (shown.elementCount() <= 5) return record_().lines.push_back({a, b, record_().drawn});
        constexpr double step = 2;  // device pixels
        const int steps = std::max(1, static_cast<int>(std::hypot(b.x() - a.x(), b.y() - a.y()) / step));
        const auto at = [&](int k) { return a + (b - a) * k / steps; };
        for (int k = 0; k < steps; ++k)
            if (shown.contains((at(k) + at(k + 1)) / 2)) record_().lines.push_back({at(k), at(k + 1), record_().drawn});
    }

    std::function<PaintRecord&()> record_;
};

}  // namespace

PaintRecord::PaintRecord(const QSize& size, int dpi)
    : size_(size), dpi_(dpi), engine_(std::make_unique<Engine>([this]() -> PaintRecord& { return *this; }))
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
        return size_.width() * 254 / (10 * dpi_);
    case PdmHeightMM:
        return size_.height() * 254 / (10 * dpi_);
    case PdmNumColors:
        return 1 << 24;
    case PdmDepth:
        return 32;
    case PdmDpiX:
    case PdmDpiY:
    case PdmPhysicalDpiX:
    case PdmPhysicalDpiY:
        return dpi_;
    case PdmDevicePixelRatio:
        return 1;
    case PdmDevicePixelRatioScaled:
        return static_cast<int>(devicePixelRatioFScale());
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
            if (!within(line.a, line.b, letters)) continue;
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

PagesRecord::PagesRecord(int dpi)
    : QPdfWriter(&nowhere_), engine_(std::make_unique<Engine>([this]() -> PaintRecord& {
          if (pages.empty()) newPage();
          return *pages.back();
      }))
{
    nowhere_.open(QIODevice::WriteOnly);
    setResolution(dpi);
}

PagesRecord::~PagesRecord() = default;

bool PagesRecord::newPage()
{
    // The first page is begun with its first stroke: its size is chosen until then.
    pages.push_back(std::make_unique<PaintRecord>(pageLayout().fullRectPixels(resolution()).size(), resolution()));
    return true;
}

QPaintEngine* PagesRecord::paintEngine() const { return engine_.get(); }

}  // namespace vl::test
