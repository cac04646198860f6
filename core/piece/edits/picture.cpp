#include "core/piece/edits/picture.h"

#include "core/geometry/point.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/pattern.h"
#include "core/wood/species.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

using Lab = std::array<double, 3>;

double difference(const Lab& a, const Lab& b) { return std::hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]); }

/// The picture in L*a*b*, brought to at most 256 × 256 so that trying many numbers of segments stays quick.
struct LabPicture {
    int width, height;
    std::vector<Lab> pixels;

    explicit LabPicture(const Picture& p) : width(std::min(p.width, 256)), height(std::min(p.height, 256))
    {
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x) pixels.push_back(labOf(p.at(x * p.width / width, y * p.height / height)));
    }
    /// Mean over a box given in shares of width and height; from may be below 0 or above 1: it goes round.
    Lab mean(double x0, double x1, double y0, double y1) const
    {
        Lab sum{};
        int n = 0;
        visit(x0, x1, y0, y1, [&](const Lab& c) {
            for (size_t k = 0; k < 3; ++k) sum[k] += c[k];
            ++n;
        });
        for (double& v : sum) v /= std::max(n, 1);
        return sum;
    }
    template <class Do> void visit(double x0, double x1, double y0, double y1, Do act) const
    {
        const int a = static_cast<int>(std::floor(x0 * width)),
                  b = std::max(a + 1, static_cast<int>(std::ceil(x1 * width)));
        const int c = std::clamp(static_cast<int>(std::floor(y0 * height)), 0, height - 1),
                  d = std::clamp(static_cast<int>(std::ceil(y1 * height)), c + 1, height);
        for (int y = c; y < d; ++y)
            for (int x = a; x < b; ++x) act(pixels[static_cast<size_t>(y * width + ((x % width) + width) % width)]);
    }
};

struct Laid {
    std::vector<std::vector<std::string>> woods;  ///< of each ring
    double error = 0;
};

}  // namespace

std::array<double, 3> labOf(const std::array<float, 3>& srgb)
{
    auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    const double r = linear(srgb[0]), g = linear(srgb[1]), b = linear(srgb[2]);
    const double x = (0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.95047, y = 0.2126 * r + 0.7152 * g + 0.0722 * b,
                 z = (0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.08883;
    auto f = [](double t) { return t > 216.0 / 24389 ? std::cbrt(t) : (24389.0 / 27 * t + 16) / 116; };
    return {116 * f(y) - 16, 500 * (f(x) - f(y)), 200 * (f(y) - f(z))};
}

Piece layPicture(Piece piece, const Picture& picture, int first, int last, const std::vector<std::string>& woods,
                 int segments, double radius, double leastEdge, PictureFit* fit)
{
    if (picture.width < 1 || picture.height < 1)
        throw InputError("picture", "nothing", "a picture of 1 × 1 or more is");
    if (woods.empty()) throw InputError("woods", "none", "1 or more are");
    std::vector<size_t> rings;
    double height = 0;
    for (int i = std::max(first, 0); i <= last && i < static_cast<int>(piece.layers.size()); ++i)
        if (piece.layers[static_cast<size_t>(i)].is<RingForm>()) {
            rings.push_back(static_cast<size_t>(i));
            height += piece.layers[static_cast<size_t>(i)].thickness;
        }
    if (rings.empty())
        throw InputError("layers", std::to_string(first + 1) + " to " + std::to_string(last + 1),
                         "at least one segmented ring is");

    const LabPicture lab(picture);
    std::vector<Lab> palette;
    for (const std::string& id : woods) {
        const Figure& f = speciesOf(id).figure;
        std::array<float, 3> mean{};
        for (size_t k = 0; k < 3; ++k) mean[k] = 0.62f * f.early[k] + 0.38f * f.late[k];
        palette.push_back(labOf(mean));
    }
    auto nearest = [&](const Lab& c) {
        size_t best = 0;
        for (size_t k = 1; k < palette.size(); ++k)
            if (difference(palette[k], c) < difference(palette[best], c)) best = k;
        return best;
    };
    // Half a segment from ring to ring, as the stack is laid: the picture is read where the segment really lies.
    auto lay = [&](int n) {
        Laid out;
        double z = 0, on = 0, sum = 0;
        size_t count = 0;
        for (size_t k = 0; k < rings.size(); ++k) {
            const Layer& l = piece.layers[rings[k]];
            if (k) on = on > 0 ? 0 : 0.5;
            const double y0 = 1 - (z + l.thickness) / height, y1 = 1 - z / height;
            std::vector<std::string> row;
            for (int s = 0; s < n; ++s) {
                const double x0 = (s + on - 0.5) / n, x1 = (s + on + 0.5) / n;
                const size_t wood = nearest(lab.mean(x0, x1, y0, y1));
                row.push_back(woods[wood]);
                lab.visit(x0, x1, y0, y1, [&](const Lab& c) {
                    sum += difference(c, palette[wood]);
                    ++count;
                });
            }
            out.woods.push_back(row);
            z += l.thickness;
        }
        out.error = sum / static_cast<double>(std::max<size_t>(count, 1));
        return out;
    };

    PictureFit result;
    if (segments > 0)
        result.segments = segments;
    else {
        double least = 1e300;
        for (int n = 6; n <= static_cast<int>(limits::segments.high); ++n) {
            if (n > 6 && 2 * radius * std::tan(pi / n) < leastEdge) break;
            result.tried.emplace_back(n, lay(n).error);
            least = std::min(least, result.tried.back().second);
        }
        for (const auto& [n, error] : result.tried)
            if (error <= 1.02 * least + 1e-9) {
                result.segments = n;
                break;
            }
    }
    const Laid laid = lay(result.segments);
    result.error = laid.error;
    for (size_t k = 0; k < rings.size(); ++k) {
        Layer& l = piece.layers[rings[k]];
        RingForm& ring = *l.as<RingForm>();
        ring.segments = result.segments;
        l.woods = pattern::shortestPattern(laid.woods[k], result.segments);
        if (k) ring.turn = k % 2 ? 0.5 : -0.5;
    }
    if (fit) *fit = result;
    return piece;
}

}  // namespace vl
