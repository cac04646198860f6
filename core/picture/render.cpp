#include "core/picture/render.h"

#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {

Eigen::Affine3d Camera::view(double height) const
{
    using Eigen::AngleAxisd, Eigen::Vector3d;
    Eigen::Affine3d t = Eigen::Affine3d::Identity();
    t.rotate(AngleAxisd(pitch * degrees, Vector3d::UnitX()));
    if (upright) {
        t.rotate(AngleAxisd(yaw * degrees, Vector3d::UnitY()));
        t.rotate(AngleAxisd(pi / 2, Vector3d::UnitZ()));  // the axis from headstock to rim points up
    } else
        t.rotate(AngleAxisd(-yaw * degrees, Vector3d::UnitY()));
    t.translate(Vector3d(-height / 2, 0, 0));
    return t;
}

double Camera::halfExtent(double height, double greatestDiameter) const
{
    return 0.5 * std::hypot(height, greatestDiameter) * 1.04 / zoom;
}

std::vector<Eigen::Vector2d> shadowUnder(const Camera& camera, double height, double greatestDiameter, double foot,
                                         int width, int heightPx, double wide)
{
    const Eigen::Affine3d view = camera.view(height);
    const Eigen::Vector3d up = camera.upright ? Eigen::Vector3d::UnitX() : Eigen::Vector3d::UnitY();
    if ((view.linear() * up).z() < 0.05) return {};
    const double scale = 0.5 * std::min(width, heightPx) / camera.halfExtent(height, greatestDiameter);
    std::vector<Eigen::Vector2d> edge;
    for (int i = 0; i < 48; ++i) {
        const double c = wide * std::cos(2 * pi * i / 48), s = wide * std::sin(2 * pi * i / 48);
        const Eigen::Vector3d ground =
            camera.upright ? Eigen::Vector3d(0, foot * c, foot * s)
                           : Eigen::Vector3d(height / 2 * (1 + c), -greatestDiameter / 2, greatestDiameter / 4 * s);
        const Eigen::Vector3d at = view * ground;
        edge.emplace_back(width / 2.0 + at.x() * scale, heightPx / 2.0 - at.y() * scale);
    }
    return edge;
}

namespace {

struct Corner {
    Eigen::Vector3f at;  ///< x, y pixels, z towards the eye
    Eigen::Vector3f normal;
};

/// Places the mesh's corners in a picture.
std::vector<Corner> project(const Mesh& mesh, const Camera& camera, double height, double greatestDiameter, int width,
                            int heightPx)
{
    const Eigen::Affine3f view = camera.view(height).cast<float>();
    const auto scale =
        static_cast<float>(std::min(width, heightPx) / 2.0 / camera.halfExtent(height, greatestDiameter));
    std::vector<Corner> corners(mesh.vertices.size());
    for (size_t i = 0; i < corners.size(); ++i) {
        const Vertex& v = mesh.vertices[i];
        const Eigen::Vector3f p = view * Eigen::Vector3f(v.position[0], v.position[1], v.position[2]);
        corners[i].at = {static_cast<float>(width) / 2 + p.x() * scale,
                         static_cast<float>(heightPx) / 2 - p.y() * scale, p.z()};
        corners[i].normal = view.linear() * Eigen::Vector3f(v.normal[0], v.normal[1], v.normal[2]);
    }
    return corners;
}

bool facesAway(const Corner& a, const Corner& b, const Corner& c)
{
    return std::max({a.normal.z(), b.normal.z(), c.normal.z()}) < 0;
}

/// Barycentric weights of (x, y) in a triangle; any is below 0 outside it, NaN where the triangle is seen edge on.
Eigen::Vector3f weights(const Corner& a, const Corner& b, const Corner& c, float x, float y)
{
    const float area = (b.at.x() - a.at.x()) * (c.at.y() - a.at.y()) - (c.at.x() - a.at.x()) * (b.at.y() - a.at.y());
    const float w1 = ((x - a.at.x()) * (c.at.y() - a.at.y()) - (c.at.x() - a.at.x()) * (y - a.at.y())) / area;
    const float w2 = ((b.at.x() - a.at.x()) * (y - a.at.y()) - (x - a.at.x()) * (b.at.y() - a.at.y())) / area;
    return Eigen::Vector3f(1 - w1 - w2, w1, w2);
}

bool inside(const Eigen::Vector3f& w) { return w.x() >= -1e-4f && w.y() >= -1e-4f && w.z() >= -1e-4f; }

float depthAt(const Eigen::Vector3f& w, const Corner& a, const Corner& b, const Corner& c)
{
    return w.x() * a.at.z() + w.y() * b.at.z() + w.z() * c.at.z();
}

}  // namespace

int pickMesh(const Mesh& mesh, const Camera& camera, double height, double greatestDiameter, int width, int heightPx,
             double x, double y)
{
    const std::vector<Corner> corners = project(mesh, camera, height, greatestDiameter, width, heightPx);
    float nearest = -1e30f;
    int part = -1;
    for (size_t t = 0; t + 2 < mesh.indices.size(); t += 3) {
        const Corner &a = corners[mesh.indices[t]], &b = corners[mesh.indices[t + 1]],
                     &c = corners[mesh.indices[t + 2]];
        if (facesAway(a, b, c)) continue;
        const Eigen::Vector3f w = weights(a, b, c, static_cast<float>(x), static_cast<float>(y));
        if (!inside(w)) continue;
        const float z = depthAt(w, a, b, c);
        if (z > nearest) {
            nearest = z;
            part = static_cast<int>(mesh.vertices[mesh.indices[t]].part);
        }
    }
    return part;
}

Raster renderMesh(const Mesh& mesh, const Camera& camera, double height, double greatestDiameter, int width,
                  int heightPx, std::uint32_t background, int selected)
{
    const size_t count = static_cast<size_t>(width) * static_cast<size_t>(heightPx);
    Raster out{width, heightPx, std::vector<std::uint32_t>(count, background)};
    std::vector<float> depth(count, -1e30f);
    const std::vector<Corner> corners = project(mesh, camera, height, greatestDiameter, width, heightPx);
    // First the depth and the nearest triangle at each pixel, then the wood once a pixel.
    std::vector<std::uint32_t> nearest(count, 0);
    for (size_t t = 0; t + 2 < mesh.indices.size(); t += 3) {
        const Corner &a = corners[mesh.indices[t]], &b = corners[mesh.indices[t + 1]],
                     &c = corners[mesh.indices[t + 2]];
        if (facesAway(a, b, c)) continue;
        const auto [x0, x1] = std::minmax({a.at.x(), b.at.x(), c.at.x()});
        const auto [y0, y1] = std::minmax({a.at.y(), b.at.y(), c.at.y()});
        const int left = std::max(0, static_cast<int>(std::ceil(x0 - 0.5f))),
                  right = std::min(width - 1, static_cast<int>(std::floor(x1 - 0.5f)));
        const int top = std::max(0, static_cast<int>(std::ceil(y0 - 0.5f))),
                  bottom = std::min(heightPx - 1, static_cast<int>(std::floor(y1 - 0.5f)));
        for (int y = top; y <= bottom; ++y)
            for (int x = left; x <= right; ++x) {
                const Eigen::Vector3f w = weights(a, b, c, static_cast<float>(x) + 0.5f, static_cast<float>(y) + 0.5f);
                if (!inside(w)) continue;
                const float z = depthAt(w, a, b, c);
                const size_t at = static_cast<size_t>(y) * static_cast<size_t>(width) + static_cast<size_t>(x);
                if (z > depth[at]) {
                    depth[at] = z;
                    nearest[at] = static_cast<std::uint32_t>(t + 1);
                }
            }
    }
    for (size_t at = 0; at < count; ++at) {
        if (!nearest[at]) continue;
        const size_t t = nearest[at] - 1;
        const Vertex* v[3] = {&mesh.vertices[mesh.indices[t]], &mesh.vertices[mesh.indices[t + 1]],
                              &mesh.vertices[mesh.indices[t + 2]]};
        const Corner* c[3] = {&corners[mesh.indices[t]], &corners[mesh.indices[t + 1]], &corners[mesh.indices[t + 2]]};
        const auto x = static_cast<float>(at % static_cast<size_t>(width)),
                   y = static_cast<float>(at / static_cast<size_t>(width));
        const Eigen::Vector3f w = weights(*c[0], *c[1], *c[2], x + 0.5f, y + 0.5f);
        std::array<float, 3> place{};
        Eigen::Vector3f normal = Eigen::Vector3f::Zero();
        for (int k = 0; k < 3; ++k) {
            normal += w[k] * c[k]->normal;
            for (size_t j = 0; j < 3; ++j) place[j] += w[k] * v[k]->board[j];
        }
        normal.normalize();
        const float across = std::hypot(place[0], place[1]);
        const float endGrain = across > 0 ? std::abs(place[0]) / across : 0;
        const auto shade = [&] {
            float sum = 0;
            for (int k = 0; k < 3; ++k) {
                const float own = mesh.shades[mesh.indices[t + static_cast<size_t>(k)]];
                if (own < 0) return own;
                sum += w[k] * own;
            }
            return sum;
        };
        const bool lifted = selected >= 0 && static_cast<int>(v[0]->part) / 1000 == selected;
        const std::array<float, 3> way{normal.x(), normal.y(), normal.z()};
        const auto lit = mesh.shades.empty()
                             ? litColor(woodColor(mesh.woods[static_cast<size_t>(v[0]->species)]->figure, place[0],
                                                  place[1], place[2], v[0]->seed, endGrain),
                                        way, lifted ? 1.15f : 1.0f)
                             : litMeasure(measureColor(shade()), way);
        out.pixels[at] = packColor(lit);
    }
    return out;
}

}  // namespace vl
