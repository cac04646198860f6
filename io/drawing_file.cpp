#include "io/drawing_file.h"

#include "core/geometry/profile.h"
#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "io/files.h"

#include <QXmlStreamReader>

#include <dxflib/dl_creationadapter.h>
#include <dxflib/dl_dxf.h>

#include <algorithm>
#include <cmath>
#include <sstream>

namespace vl::io {
namespace {

constexpr double fine = 0.02;          // mm between a curve and its chords
constexpr size_t mostPoints = 200000;  // of a drawing

/// The numbers and letters of an SVG path.
class PathWords {
public:
    explicit PathWords(const QString& d) : text_(d) {}
    bool letter(QChar& c)
    {
        skip();
        if (at_ >= text_.size() || !text_[at_].isLetter()) return false;
        c = text_[at_++];
        return true;
    }
    bool more()
    {
        skip();
        return at_ < text_.size() && !text_[at_].isLetter();
    }
    double number()
    {
        skip();
        const qsizetype from = at_;
        if (at_ < text_.size() && (text_[at_] == '-' || text_[at_] == '+')) ++at_;
        bool dot = false, power = false;
        while (at_ < text_.size()) {
            const QChar c = text_[at_];
            if (c == '.' && !dot && !power)
                dot = true;
            else if ((c == 'e' || c == 'E') && !power && at_ + 1 < text_.size()) {
                power = true;
                if (text_[at_ + 1] == '-' || text_[at_ + 1] == '+') ++at_;
            } else if (!c.isDigit())
                break;
            ++at_;
        }
        bool good = false;
        const double v = text_.mid(from, at_ - from).toDouble(&good);
        if (!good || !std::isfinite(v))
            throw InputError("path", "'" + text_.mid(from, 20).toStdString() + "'", "a number is");
        return v;
    }
    double flag()
    {
        skip();
        if (at_ < text_.size() && (text_[at_] == '0' || text_[at_] == '1')) return text_[at_++] == '1' ? 1 : 0;
        throw InputError("path", "an arc's flag", "0 or 1 is");
    }

private:
    void skip()
    {
        while (at_ < text_.size() && (text_[at_].isSpace() || text_[at_] == ',')) ++at_;
    }
    QString text_;
    qsizetype at_ = 0;
};

/// Adds chords of a curve given by its points at t, 0 … 1.
template <class At> void curve(Polyline& line, double length, double scale, At at)
{
    const double steps = std::clamp(std::sqrt(length * scale / fine) * 2, 4.0, 400.0);
    const int n = static_cast<int>(std::ceil(steps));
    for (int k = 1; k <= n; ++k) line.push_back(at(static_cast<double>(k) / n));
}

/// An elliptical arc by its ends (SVG 1.1, appendix F.6).
void arc(Polyline& line, Point to, double rx, double ry, double turnDeg, bool large, bool sweep, double scale)
{
    const Point from = line.back();
    rx = std::abs(rx), ry = std::abs(ry);
    if (rx < 1e-9 || ry < 1e-9 || (to - from).norm() < 1e-12) return line.push_back(to);
    const double phi = turnDeg * degrees, c = std::cos(phi), s = std::sin(phi);
    const Point half = (from - to) / 2, p(c * half.x() + s * half.y(), -s * half.x() + c * half.y());
    const double grow = p.x() * p.x() / (rx * rx) + p.y() * p.y() / (ry * ry);
    if (grow > 1) rx *= std::sqrt(grow), ry *= std::sqrt(grow);
    const double below = rx * rx * p.y() * p.y() + ry * ry * p.x() * p.x();
    const double root = std::sqrt(std::max(0.0, (rx * rx * ry * ry - below) / below)) * (large == sweep ? -1 : 1);
    const Point center0(root * rx * p.y() / ry, -root * ry * p.x() / rx);
    const Point center = Point(c * center0.x() - s * center0.y(), s * center0.x() + c * center0.y()) + (from + to) / 2;
    const double a = std::atan2((p.y() - center0.y()) / ry, (p.x() - center0.x()) / rx);
    double on = std::atan2((-p.y() - center0.y()) / ry, (-p.x() - center0.x()) / rx) - a;
    if (sweep && on < 0) on += 2 * pi;
    if (!sweep && on > 0) on -= 2 * pi;
    curve(line, std::abs(on) * std::max(rx, ry), scale, [&](double t) -> Point {
        const double x = rx * std::cos(a + on * t), y = ry * std::sin(a + on * t);
        return center + Point(c * x - s * y, s * x + c * y);
    });
    line.back() = to;
}

std::vector<Polyline> pathLines(const QString& d, double scale)
{
    std::vector<Polyline> out;
    PathWords words(d);
    Point start(0, 0), now(0, 0), control(0, 0);
    QChar c, before = ' ';
    size_t points = 0;
    while (words.letter(c)) {
        const bool relative = c.isLower();
        QChar kind = c.toUpper();
        if (kind == 'Z') {
            if (!out.empty()) out.back().push_back(start);
            now = start;
            before = kind;
            continue;
        }
        bool first = true;
        do {
            auto point = [&]() -> Point {
                const double x = words.number(), y = words.number();
                return relative ? Point(now.x() + x, now.y() + y) : Point(x, y);
            };
            if (kind != 'M' && out.empty())
                throw InputError("path", "what begins nowhere", "a path that begins with M is");
            // After Z a path goes on from where it began.
            if (kind != 'M' && before == 'Z') out.push_back({now});
            const bool smooth = kind == 'S' || kind == 'T';
            const bool same = kind == 'S' ? before == 'C' || before == 'S' : before == 'Q' || before == 'T';
            switch (kind.toLatin1()) {
            case 'M':
                now = point();
                if (first)
                    start = now, out.push_back({now});
                else
                    out.back().push_back(now);
                break;
            case 'L':
                out.back().push_back(now = point());
                break;
            case 'H':
            case 'V': {
                const double v = words.number();
                int axis = kind == 'H' ? 0 : 1;
                now[axis] = relative ? now[axis] + v : v;
                out.back().push_back(now);
                break;
            }
            case 'C':
            case 'S': {
                const Point a = smooth ? (same ? Point(2 * now - control) : now) : point(), b = point(), to = point(),
                            p = now;
                curve(out.back(), (a - p).norm() + (b - a).norm() + (to - b).norm(), scale, [&](double t) -> Point {
                    const double u = 1 - t;
                    return u * u * u * p + 3 * u * u * t * a + 3 * u * t * t * b + t * t * t * to;
                });
                control = b, now = to;
                break;
            }
            case 'Q':
            case 'T': {
                const Point a = smooth ? (same ? Point(2 * now - control) : now) : point(), to = point(), p = now;
                curve(out.back(), (a - p).norm() + (to - a).norm(), scale,
                      [&](double t) -> Point { return (1 - t) * (1 - t) * p + 2 * (1 - t) * t * a + t * t * to; });
                control = a, now = to;
                break;
            }
            case 'A': {
                const double rx = words.number(), ry = words.number(), turn = words.number();
                const bool large = words.flag() > 0, sweep = words.flag() > 0;
                const Point to = point();
                arc(out.back(), to, rx, ry, turn, large, sweep, scale);
                now = to;
                break;
            }
            default:
                throw InputError("path", "'" + QString(c).toStdString() + "'", "one of M L H V C S Q T A Z is");
            }
            before = kind;
            first = false;
            if ((points += 1 + out.back().size() / 64) > mostPoints)
                throw InputError("path", "too many points", "up to " + std::to_string(mostPoints) + " are");
        } while (words.more());
    }
    return out;
}

/// A CSS length in mm; `percent` or nothing: none.
double cssLength(const QString& words)
{
    static const std::pair<const char*, double> units[] = {{"mm", 1},         {"cm", 10},       {"in", 25.4},
                                                           {"pt", 25.4 / 72}, {"pc", 25.4 / 6}, {"px", 25.4 / 96}};
    const QString plain = words.trimmed();
    for (const auto& [unit, mm] : units)
        if (plain.endsWith(QLatin1String(unit))) return plain.chopped(2).toDouble() * mm;
    bool good = false;
    const double v = plain.toDouble(&good);
    return good ? v * 25.4 / 96 : 0;
}

Drawing readSvg(const std::string& text)
{
    Drawing out;
    QXmlStreamReader xml(QByteArray::fromRawData(text.data(), static_cast<qsizetype>(text.size())));
    double scale = 25.4 / 96;
    bool svg = false;
    while (!xml.atEnd()) {
        if (xml.readNext() != QXmlStreamReader::StartElement) continue;
        const QStringView name = xml.name();
        const QXmlStreamAttributes own = xml.attributes();
        if (own.hasAttribute("transform"))
            throw InputError("drawing", "a shape that is moved by 'transform'",
                             "a drawing whose shapes stand where they are drawn is");
        if (name == u"svg" && !svg) {
            svg = true;
            const QStringList box = own.value("viewBox").toString().replace(',', ' ').simplified().split(' ');
            const double wide = cssLength(own.value("width").toString());
            if (box.size() == 4 && wide > 0 && box[2].toDouble() > 0) scale = wide / box[2].toDouble();
            continue;
        }
        std::vector<Polyline> lines;
        if (name == u"path")
            lines = pathLines(own.value("d").toString(), scale);
        else if (name == u"polyline" || name == u"polygon") {
            lines = pathLines("M" + own.value("points").toString() + (name == u"polygon" ? "Z" : ""), scale);
        } else if (name == u"line")
            lines = {{{own.value("x1").toDouble(), own.value("y1").toDouble()},
                      {own.value("x2").toDouble(), own.value("y2").toDouble()}}};
        const bool axis = own.value("id").compare(QLatin1String("axis"), Qt::CaseInsensitive) == 0;
        for (Polyline& line : lines) {
            for (Point& p : line) p = {p.x() * scale, -p.y() * scale};
            if (axis && line.size() > 1)
                out.axis = {line.front(), line.back()};
            else
                out.lines.push_back(std::move(line));
        }
    }
    if (xml.hasError() || !svg)
        throw InputError("drawing", "what is no SVG, line " + std::to_string(xml.lineNumber()),
                         "an SVG drawing that can be read whole is");
    return out;
}

/// Takes what a DXF file says of lines.
class DxfTaker : public DL_CreationAdapter {
public:
    Drawing drawing;
    double scale = 1;

    void setVariableInt(const std::string& key, int value, int) override
    {
        if (key != "$INSUNITS") return;
        static const std::array<double, 7> units{1, 25.4, 304.8, 1, 1, 10, 1000};
        if (value >= 0 && value < static_cast<int>(units.size())) scale = units[static_cast<size_t>(value)];
    }
    void addLine(const DL_LineData& l) override { take({{l.x1, l.y1}, {l.x2, l.y2}}); }
    void addArc(const DL_ArcData& a) override
    {
        double on = a.angle2 - a.angle1;
        while (on <= 0) on += 360;
        Polyline line;
        const Point center(a.cx, a.cy);
        auto at = [&](double t) -> Point {
            const double w = (a.angle1 + on * t) * degrees;
            return center + a.radius * Point(std::cos(w), std::sin(w));
        };
        line.push_back(at(0));
        curve(line, on * degrees * a.radius, scale, at);
        take(std::move(line));
    }
    void addPolyline(const DL_PolylineData& p) override
    {
        endPolyline();
        closed_ = p.flags & 1;
        open_ = true;
    }
    void addVertex(const DL_VertexData& v) override
    {
        if (open_ && vertices_.size() < mostPoints) vertices_.push_back(v);
    }
    void endEntity() override { endPolyline(); }
    void endSequence() override { endPolyline(); }

private:
    void endPolyline()
    {
        if (!open_ || vertices_.empty()) return;
        Polyline line{{vertices_[0].x, vertices_[0].y}};
        const size_t spans = vertices_.size() - (closed_ ? 0 : 1);
        for (size_t i = 0; i < spans; ++i) {
            const DL_VertexData &a = vertices_[i], &b = vertices_[(i + 1) % vertices_.size()];
            bulge(line, {b.x, b.y}, a.bulge);
        }
        vertices_.clear();
        open_ = false;
        take(std::move(line));
    }
    /// From the line's end to a point by an arc; bulge is the tangent of a quarter of its angle, left turns positive.
    void bulge(Polyline& line, Point to, double bulge)
    {
        const Point from = line.back(), chord = to - from;
        if (std::abs(bulge) < 1e-9 || chord.norm() < 1e-12) return line.push_back(to);
        const double angle = 4 * std::atan(bulge);
        const Point left(-chord.y(), chord.x()), center = (from + to) / 2 + left * ((1 - bulge * bulge) / (4 * bulge));
        const Point r = from - center;
        curve(line, std::abs(angle) * r.norm(), scale, [&](double t) -> Point {
            const double c = std::cos(angle * t), s = std::sin(angle * t);
            return center + Point(c * r.x() - s * r.y(), s * r.x() + c * r.y());
        });
        line.back() = to;
    }
    void take(Polyline line)
    {
        std::string layer = attributes.getLayer();
        std::ranges::transform(layer, layer.begin(), [](char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : c; });
        if ((points_ += line.size()) > mostPoints) return;
        if (layer == "axis" && line.size() > 1)
            drawing.axis = {line.front(), line.back()};
        else
            drawing.lines.push_back(std::move(line));
    }

    bool open_ = false, closed_ = false;
    std::vector<DL_VertexData> vertices_;
    size_t points_ = 0;
};

/// Lines whose ends meet are one.
std::vector<Polyline> joined(std::vector<Polyline> lines)
{
    constexpr double meet = 0.01;  // mm
    constexpr size_t most = 2000;  // lines: more are no profile
    if (lines.size() > most) return lines;
    for (size_t i = 0; i < lines.size(); ++i)
        for (size_t k = i + 1; k < lines.size();) {
            Polyline &a = lines[i], &b = lines[k];
            const auto near = [&](const Point& p, const Point& q) { return (p - q).norm() < meet; };
            if (near(a.front(), b.front()) || near(a.front(), b.back())) std::ranges::reverse(a);
            if (near(a.back(), b.back())) std::ranges::reverse(b);
            if (!near(a.back(), b.front())) {
                ++k;
                continue;
            }
            a.insert(a.end(), b.begin() + 1, b.end());
            lines.erase(lines.begin() + static_cast<long>(k));
            k = i + 1;
        }
    return lines;
}

/// Throws InputError where a line is longer than the format knows: the library would read it for ever.
void checkDxfLines(const std::string& text)
{
    constexpr size_t longest = 1000;
    for (size_t at = 0, end = 0; at < text.size(); at = end + 1) {
        end = std::min(text.find('\n', at), text.size());
        if (end - at > longest)
            throw InputError("drawing", "a line of " + std::to_string(end - at) + " characters",
                             "a DXF drawing with up to " + std::to_string(longest) + " in a line is");
    }
}

Drawing readDxf(const std::string& text)
{
    checkDxfLines(text);
    DxfTaker taker;
    std::istringstream in(text);
    DL_Dxf dxf;
    if (!dxf.in(in, &taker)) throw InputError("drawing", "what is no DXF", "a DXF drawing is");
    Drawing out = std::move(taker.drawing);
    std::erase_if(out.lines, [](const Polyline& l) {
        return std::ranges::any_of(l, [](const Point& p) { return !p.allFinite(); });
    });
    for (Polyline& line : out.lines)
        for (Point& p : line) p *= taker.scale;
    if (out.axis) out.axis = {out.axis->first * taker.scale, out.axis->second * taker.scale};
    out.lines = joined(std::move(out.lines));
    return out;
}

}  // namespace

Drawing readDrawing(const std::string& path)
{
    constexpr size_t most = 20'000'000;  // bytes
    const std::string text = readFile(path);
    if (text.size() > most) throw InputError("drawing", std::to_string(text.size()) + " bytes", "up to 20 MB are");
    std::string ending = path.substr(path.size() < 4 ? 0 : path.size() - 4);
    std::ranges::transform(ending, ending.begin(), [](char c) { return c >= 'A' && c <= 'Z' ? char(c + 32) : c; });
    if (ending == ".svg") return readSvg(text);
    if (ending == ".dxf") return readDxf(text);
    throw InputError("drawing", "'" + path.substr(path.rfind('/') + 1) + "'", "a name that ends in .svg or .dxf is");
}

}  // namespace vl::io
