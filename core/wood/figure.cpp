#include "core/wood/figure.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace glsl {

// What figure.inl needs of GLSL, in C++.
using uint = std::uint32_t;
using std::cos, std::sin, std::sqrt;
struct vec3 {
    float x, y, z;
    vec3(float a, float b, float c) : x(a), y(b), z(c) {}
};
inline float floor(float v)
{
    const float whole = static_cast<float>(static_cast<int>(v));
    return whole > v ? whole - 1 : whole;
}
inline float mix(float a, float b, float t) { return a + (b - a) * t; }
inline float clamp(float v, float low, float high) { return std::clamp(v, low, high); }
inline float smoothstep(float low, float high, float v)
{
    const float t = std::clamp((v - low) / (high - low), 0.0f, 1.0f);
    return t * t * (3 - 2 * t);
}

#include "core/wood/figure.inl"

}  // namespace glsl

std::array<float, 3> woodColor(const Figure& f, float along, float across, float through, float seed, float endGrain)
{
    const glsl::vec3 c =
        glsl::woodColor({along, across, through}, {f.early[0], f.early[1], f.early[2]},
                        {f.late[0], f.late[1], f.late[2]}, f.ringWidth, f.pores, f.waviness, seed, endGrain);
    return {std::clamp(c.x, 0.0f, 1.0f), std::clamp(c.y, 0.0f, 1.0f), std::clamp(c.z, 0.0f, 1.0f)};
}

std::array<float, 3> litColor(const std::array<float, 3>& w, const std::array<float, 3>& n, float lift)
{
    const glsl::vec3 c = glsl::woodLit({w[0], w[1], w[2]}, {n[0], n[1], n[2]}, lift);
    return {c.x, c.y, c.z};
}

std::array<float, 3> measureColor(float share)
{
    const glsl::vec3 c = glsl::mapColor(share);
    return {c.x, c.y, c.z};
}

std::array<float, 3> litMeasure(const std::array<float, 3>& m, const std::array<float, 3>& n)
{
    const glsl::vec3 c = glsl::mapLit({m[0], m[1], m[2]}, {n[0], n[1], n[2]});
    return {c.x, c.y, c.z};
}

std::array<float, 2> pithOf(float seed) { return {-glsl::woodPithY(seed), -glsl::woodPithZ(seed)}; }

float segmentSeed(size_t layer, size_t segment)
{
    return glsl::woodHash(static_cast<int>(layer) * 131 + 17, static_cast<int>(segment) * 7919 + 5, 91);
}

}  // namespace vl
