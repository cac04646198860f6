#include "io/svg_drawing.h"

#include "core/measure/input_error.h"
#include "io/chords.h"

#include <QDomDocument>
#include <QPaintDevice>
#include <QPaintEngine>
#include <QPainter>
#include <QPainterPath>
#include <QSvgRenderer>
#include <QXmlStreamReader>

namespace vl::io {
namespace {

constexpr double pixel = 25.4 / 96;  // mm (CSS)

/// Keeps what is drawn as lines, instead of painting it.
class LineEngine : public QPaintEngine {
public:
    LineEngine() : QPaintEngine(AllFeatures) {}
    bool begin(QPaintDevice*) override { return true; }
    bool end() override { return true; }
    void updateState(const QPaintEngineState&) override {}
    void drawPixmap(const QRectF&, const QPixmap&, const QRectF&) override {}
    void drawImage(const QRectF&, const QImage&, const QRectF&, Qt::ImageConversionFlags) override {}
    void drawTextItem(const QPointF&, const QTextItem&) override {}
    Type type() const override { return User; }

    void drawPath(const QPainterPath& drawn) override
    {
        const QPainterPath path = painter()->combinedTransform().map(drawn);
        const auto point = [&](int i) { return Point(path.elementAt(i).x, path.elementAt(i).y); };
        for (int i = 0; i < path.elementCount() && points_ < mostPoints; ++i) {
            const QPainterPath::Element e = path.elementAt(i);
            if (e.isMoveTo()) {
                lines.push_back({point(i)});
            } else if (e.isLineTo()) {
                lines.back().push_back(point(i));
            } else if (e.isCurveTo()) {
                const Point p = lines.back().back(), a = point(i), b = point(i + 1), to = point(i + 2);
                addChords(lines.back(), (a - p).norm() + (b - a).norm() + (to - b).norm(), 1, [&](double t) -> Point {
                    const double u = 1 - t;
                    return u * u * u * p + 3 * u * u * t * a + 3 * u * t * t * b + t * t * t * to;
                });
                i += 2;
            }
            points_ += lines.back().size() / 64 + 1;
        }
    }
    void drawPolygon(const QPointF* corners, int count, PolygonDrawMode mode) override
    {
        QPainterPath path;
        path.addPolygon(QPolygonF(QList<QPointF>(corners, corners + count)));
        if (mode != PolylineMode) path.closeSubpath();
        drawPath(path);
    }

    std::vector<Polyline> lines;

private:
    size_t points_ = 0;
};

class LineDevice : public QPaintDevice {
public:
    QPaintEngine* paintEngine() const override { return &engine; }
    mutable LineEngine engine;

protected:
    int metric(PaintDeviceMetric metric) const override
    {
        switch (metric) {
        case PdmDepth:
            return 32;
        case PdmDevicePixelRatio:
            return 1;
        case PdmDevicePixelRatioScaled:
            return static_cast<int>(devicePixelRatioFScale());
        case PdmDpiX:
        case PdmDpiY:
        case PdmPhysicalDpiX:
        case PdmPhysicalDpiY:
            return 96;
        default:
            return 1 << 20;  // as wide and high as any drawing
        }
    }
};

/// A CSS length in mm; 0 where it is none, or a share.
double cssLength(const QString& words)
{
    static const std::pair<const char*, double> units[] = {{"mm", 1},         {"cm", 10},       {"in", 25.4},
                                                           {"pt", 25.4 / 72}, {"pc", 25.4 / 6}, {"px", pixel}};
    const QString plain = words.trimmed();
    for (const auto& [unit, mm] : units)
        if (plain.endsWith(QLatin1String(unit))) return plain.chopped(2).toDouble() * mm;
    bool good = false;
    const double v = plain.toDouble(&good);
    return good ? v * pixel : 0;
}

/// How large the drawing is meant to be, mm, from what its width, its height and its view box say.
QSizeF meantSize(const QDomElement& svg, const QRectF& box)
{
    const double wide = cssLength(svg.attribute("width")), high = cssLength(svg.attribute("height"));
    // Nothing is stretched: it lies in the middle of what is more than it fills (SVG 1.1, preserveAspectRatio).
    if (wide > 0 && high > 0) return box.size() * std::min(wide / box.width(), high / box.height());
    if (wide > 0) return {wide, wide * box.height() / box.width()};
    if (high > 0) return {high * box.width() / box.height(), high};
    return box.size() * pixel;
}

/// Every line of a document, mm, y downwards.
std::vector<Polyline> linesOf(const QDomDocument& document)
{
    QSvgRenderer renderer(document.toByteArray(-1));
    if (!renderer.isValid()) throw InputError("drawing", "what is no SVG", "an SVG drawing that can be read whole is");
    const QRectF box = renderer.viewBoxF();
    if (!(box.width() > 0 && box.height() > 0))
        throw InputError("drawing", "a drawing of no size", "one with a width and a height is");
    LineDevice device;
    QPainter painter(&device);
    renderer.render(&painter, QRectF(QPointF(0, 0), meantSize(document.documentElement(), box)));
    painter.end();
    return std::move(device.engine.lines);
}

/// Throws InputError where elements stand in one another deeper than any drawing's: what draws them would go down as
/// far.
void checkDepth(const std::string& text)
{
    constexpr int deepest = 100;
    QXmlStreamReader xml(QByteArray::fromRawData(text.data(), static_cast<qsizetype>(text.size())));
    for (int depth = 0; !xml.atEnd();) {
        const auto token = xml.readNext();
        depth += token == QXmlStreamReader::StartElement ? 1 : token == QXmlStreamReader::EndElement ? -1 : 0;
        if (depth > deepest)
            throw InputError("drawing", "shapes nested deeper than " + std::to_string(deepest), "fewer groups are");
    }
}

/// Throws InputError where shapes that are used use others: a few of them can draw more than any computer holds.
void checkUses(const QDomDocument& document)
{
    const QDomNodeList uses = document.elementsByTagName("use");
    for (int i = 0; i < uses.size(); ++i)
        for (QDomElement e = uses.at(i).toElement(); !e.isNull(); e = e.parentNode().toElement())
            if (e.hasAttribute("id") && e != document.documentElement())
                throw InputError("drawing", "a shape that uses others and can be used itself", "one use of a shape is");
}

/// Takes out what has no lines, and what fonts and pictures would be fetched for.
void removeAll(const QDomDocument& document, const char* name)
{
    for (QDomNodeList all = document.elementsByTagName(name); !all.isEmpty(); all = document.elementsByTagName(name))
        all.at(0).parentNode().removeChild(all.at(0));
}

/// The element that is called the axis; null where there is none.
QDomElement axisIn(const QDomElement& parent)
{
    for (QDomElement e = parent.firstChildElement(); !e.isNull(); e = e.nextSiblingElement()) {
        if (namesAxis(e.attribute("id").toStdString())) return e;
        if (const QDomElement below = axisIn(e); !below.isNull()) return below;
    }
    return {};
}

}  // namespace

Drawing readSvgDrawing(const std::string& text)
{
    checkDepth(text);
    QDomDocument document;
    QString why;
    int row = 0;
    if (!document.setContent(QByteArray::fromStdString(text), &why, &row) ||
        document.documentElement().tagName() != QLatin1String("svg"))
        throw InputError("drawing", "what is no SVG, line " + std::to_string(row),
                         "an SVG drawing that can be read whole is");
    checkUses(document);
    for (const char* lineless : {"text", "textArea", "image", "video"}) removeAll(document, lineless);
    const std::vector<Polyline> all = linesOf(document);
    Drawing out;
    // The axis is what is drawn no more without it.
    size_t from = all.size(), count = 0;
    if (QDomElement axis = axisIn(document.documentElement()); !axis.isNull()) {
        axis.parentNode().removeChild(axis);
        const std::vector<Polyline> others = linesOf(document);
        from = static_cast<size_t>(std::ranges::mismatch(all, others).in1 - all.begin());
        count = all.size() - others.size();
    }
    const auto upwards = [](const Point& p) { return Point(p.x(), -p.y()); };
    for (size_t i = 0; i < all.size(); ++i) {
        if (all[i].size() < 2) continue;
        if (i >= from && i < from + count) {
            out.axis = {upwards(all[i].front()), upwards(all[i].back())};
            continue;
        }
        Polyline& line = out.lines.emplace_back();
        for (const Point& p : all[i]) line.push_back(upwards(p));
    }
    return out;
}

}  // namespace vl::io
