#include "io/dxf_drawing.h"

#include "core/geometry/directions.h"
#include "core/measure/input_error.h"
#include "io/chords.h"

#include <dxflib/dl_creationadapter.h>
#include <dxflib/dl_dxf.h>

#include <array>
#include <sstream>
#include <utility>

namespace vl::io {
namespace {

/// A rational B-spline.
struct Spline {
    struct Control {
        Point at;
        double weight = 1;
    };
    size_t degree = 3;
    std::vector<Control> controls;
    std::vector<double> knots;
    bool fits = false;  ///< it has points that it goes through

    /// Its point at a parameter, by de Boor's algorithm.
    Point at(double u) const
    {
        const auto last = knots.begin() + static_cast<long>(controls.size());
        const auto above = std::upper_bound(knots.begin() + static_cast<long>(degree) + 1, last, u);
        const auto span = static_cast<size_t>(above - knots.begin()) - 1;
        std::vector<Eigen::Vector3d> d;
        for (size_t k = 0; k <= degree; ++k) {
            const Control& c = controls[span - degree + k];
            d.emplace_back(c.weight * c.at.x(), c.weight * c.at.y(), c.weight);
        }
        for (size_t r = 1; r <= degree; ++r)
            for (size_t k = degree; k >= r; --k) {
                const size_t i = span - degree + k;
                const double wide = knots[i + degree - r + 1] - knots[i], t = wide > 0 ? (u - knots[i]) / wide : 0;
                d[k] = (1 - t) * d[k - 1] + t * d[k];
            }
        return d[degree].head<2>() / d[degree].z();
    }
};

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
        takeEllipse({a.cx, a.cy}, {a.radius, 0}, 1, a.angle1 * degrees, on * degrees);
    }
    void addCircle(const DL_CircleData& c) override { takeEllipse({c.cx, c.cy}, {c.radius, 0}, 1, 0, 2 * pi); }
    void addEllipse(const DL_EllipseData& e) override
    {
        double on = e.angle2 - e.angle1;
        while (on <= 1e-9) on += 2 * pi;
        takeEllipse({e.cx, e.cy}, {e.mx, e.my}, e.ratio, e.angle1, on);
    }
    void addSpline(const DL_SplineData& s) override
    {
        endSpline();
        spline_.degree = s.degree;
    }
    void addControlPoint(const DL_ControlPointData& c) override
    {
        if (spline_.controls.size() < mostPoints) spline_.controls.push_back({{c.x, c.y}, c.w > 0 ? c.w : 1});
    }
    void addKnot(const DL_KnotData& k) override
    {
        if (spline_.knots.size() < mostPoints) spline_.knots.push_back(k.k);
    }
    void addFitPoint(const DL_FitPointData&) override { spline_.fits = true; }
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
    void endEntity() override
    {
        endPolyline();
        endSpline();
    }
    void endSequence() override { endPolyline(); }

private:
    /// Of an ellipse by its middle, its longer half axis and the ratio of its axes: what lies between two of its
    /// parameters, radians.
    void takeEllipse(const Point& center, const Point& major, double ratio, double from, double on)
    {
        const Point minor = ratio * Point(-major.y(), major.x());
        const auto at = [&](double t) -> Point {
            return center + std::cos(from + on * t) * major + std::sin(from + on * t) * minor;
        };
        Polyline line{at(0)};
        addChords(line, on * major.norm(), scale, at);
        take(std::move(line));
    }
    void endSpline()
    {
        const Spline s = std::exchange(spline_, {});
        if (s.controls.size() < 2) {
            if (s.fits) throw InputError("drawing", "a spline without control points", "one that has them is");
            return;
        }
        // A spline's knots say where each of its spans ends; without them it cannot be drawn.
        if (s.degree < 1 || s.degree > 25 || s.knots.size() != s.controls.size() + s.degree + 1) return;
        double length = 0;
        for (size_t k = 1; k < s.controls.size(); ++k) length += (s.controls[k].at - s.controls[k - 1].at).norm();
        const double from = s.knots[s.degree], to = s.knots[s.controls.size()];
        if (!std::ranges::is_sorted(s.knots) || !(to > from)) return;
        Polyline line{s.at(from)};
        for (size_t span = s.degree; span < s.controls.size(); ++span)
            if (s.knots[span + 1] > s.knots[span])
                addChords(line, length / static_cast<double>(s.controls.size() - s.degree), scale,
                          [&](double t) { return s.at(s.knots[span] + t * (s.knots[span + 1] - s.knots[span])); });
        take(std::move(line));
    }
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
        addChords(line, std::abs(angle) * r.norm(), scale, [&](double t) -> Point {
            const double c = std::cos(angle * t), s = std::sin(angle * t);
            return center + Point(c * r.x() - s * r.y(), s * r.x() + c * r.y());
        });
        line.back() = to;
    }
    void take(Polyline line)
    {
        if ((points_ += line.size()) > mostPoints) return;
        if (namesAxis(attributes.getLayer()) && line.size() > 1)
            drawing.axis = {line.front(), line.back()};
        else
            drawing.lines.push_back(std::move(line));
    }

    bool open_ = false, closed_ = false;
    std::vector<DL_VertexData> vertices_;
    Spline spline_;
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

}  // namespace

Drawing readDxfDrawing(const std::string& text)
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

}  // namespace vl::io
