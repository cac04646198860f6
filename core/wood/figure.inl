// The look of wood, as a function of the place in the board. This text is both C++ (core/wood/figure.cpp) and GLSL (the
// solid view's fragment shader), so that both draw the same board: keep to what the two languages share. p: mm in the
// board, x along the grain, y across its width, z through its thickness. seed: which board, 0 … 1. endGrain: 0 on a
// face along the grain … 1 square across it.

float woodHash(int x, int y, int z)
{
    uint h = uint(x) * 374761393u + uint(y) * 668265263u + uint(z) * 2147483647u;
    h = (h ^ (h >> 13u)) * 1274126177u;
    h = h ^ (h >> 16u);
    return float(h & 65535u) / 65535.0f;
}

float woodNoise(float x, float y, float z)
{
    float fx = floor(x), fy = floor(y), fz = floor(z);
    int ix = int(fx), iy = int(fy), iz = int(fz);
    float ux = x - fx, uy = y - fy, uz = z - fz;
    ux = ux * ux * (3.0f - 2.0f * ux);
    uy = uy * uy * (3.0f - 2.0f * uy);
    uz = uz * uz * (3.0f - 2.0f * uz);
    float a = mix(mix(woodHash(ix, iy, iz), woodHash(ix + 1, iy, iz), ux),
                  mix(woodHash(ix, iy + 1, iz), woodHash(ix + 1, iy + 1, iz), ux), uy);
    float b = mix(mix(woodHash(ix, iy, iz + 1), woodHash(ix + 1, iy, iz + 1), ux),
                  mix(woodHash(ix, iy + 1, iz + 1), woodHash(ix + 1, iy + 1, iz + 1), ux), uy);
    return mix(a, b, uz);
}

// Where a board of that seed has its tree's middle: across and through, the other way from its own.
float woodPithY(float seed) { return 70.0f * cos(seed * 6.2832f) + 30.0f; }
float woodPithZ(float seed) { return 70.0f * sin(seed * 6.2832f * 1.7f) + 25.0f; }

vec3 woodColor(vec3 p, vec3 early, vec3 late, float ringWidth, float pores, float waviness, float seed, float endGrain)
{
    float px = p.x + 900.0f * seed;
    float pithY = woodPithY(seed), pithZ = woodPithZ(seed);
    float sway = waviness * 9.0f * (woodNoise(px * 0.013f, p.y * 0.03f + 31.0f * seed, p.z * 0.03f) - 0.5f);
    float y = p.y + pithY + sway, z = p.z + pithZ + sway * 0.6f;
    float rings =
        sqrt(y * y + z * z) / ringWidth + waviness * 1.2f * (woodNoise(px * 0.03f, y * 0.08f, z * 0.08f) - 0.5f);
    float year = floor(rings);
    float season = rings - year;
    float summer = smoothstep(0.35f, 0.92f, season) * (1.0f - smoothstep(0.94f, 1.0f, season));
    summer = summer * (0.55f + 0.45f * woodHash(int(year), int(seed * 977.0f), 7));
    float fiber = woodNoise(px * 0.06f, p.y * 2.3f, p.z * 2.3f) - 0.5f;
    float streak = woodNoise(px * 0.012f, p.y * 0.5f, p.z * 0.5f + 11.0f) - 0.5f;
    float vessel = woodNoise(px * 0.22f, p.y * 3.1f + 57.0f, p.z * 3.1f);
    float spring = 1.0f - smoothstep(0.15f, 0.55f, season);
    float pore = pores * smoothstep(0.66f, 0.80f, vessel) * (0.35f + 0.65f * spring);
    float share = clamp(summer * 0.85f + streak * 0.45f + pore * 0.55f, 0.0f, 1.25f);
    float light = (1.0f + 0.10f * fiber) * (1.0f - 0.13f * endGrain) * (1.0f - 0.22f * pore) *
                  (0.94f + 0.12f * woodHash(int(seed * 4093.0f), 3, 5));
    // End grain drinks the light: darker, and warmer.
    return vec3(mix(early.x, late.x, share) * light, mix(early.y, late.y, share) * light * (1.0f - 0.05f * endGrain),
                mix(early.z, late.z, share) * light * (1.0f - 0.12f * endGrain));
}

// The wood lit: n is the face's direction in view space (x right, y up, z to the eye). Shade on wood is warm, not gray.
vec3 woodLit(vec3 wood, vec3 n, float lift)
{
    float key = -0.45f * n.x + 0.62f * n.y + 0.64f * n.z;
    float fill = 0.75f * n.x + 0.05f * n.y + 0.66f * n.z;
    float light = (0.50f + 0.52f * clamp(key, 0.0f, 1.0f) + 0.18f * clamp(fill, 0.0f, 1.0f)) * lift;
    float shade = 1.0f - clamp(light, 0.0f, 1.0f);
    return vec3(clamp(wood.x * light * (1.0f + 0.22f * shade), 0.0f, 1.0f), clamp(wood.y * light, 0.0f, 1.0f),
                clamp(wood.z * light * (1.0f - 0.30f * shade), 0.0f, 1.0f));
}

// A measure on the wood as a color, 0 harmless … 1 the worst; below 0 there is none. Lighter to darker all the way, so
// that it can be read without its hue.
vec3 mapColor(float share)
{
    if (share < 0.0f) return vec3(0.74f, 0.74f, 0.72f);
    float a = clamp(share * 3.0f, 0.0f, 1.0f), b = clamp(share * 3.0f - 1.0f, 0.0f, 1.0f),
          c = clamp(share * 3.0f - 2.0f, 0.0f, 1.0f);
    return vec3(mix(mix(mix(0.95f, 0.91f, a), 0.78f, b), 0.36f, c), mix(mix(mix(0.93f, 0.72f, a), 0.34f, b), 0.08f, c),
                mix(mix(mix(0.87f, 0.38f, a), 0.18f, b), 0.18f, c));
}

// A measure lit: without color, and never brighter than it is in its legend.
vec3 mapLit(vec3 c, vec3 n)
{
    float light = 0.64f + 0.36f * clamp(-0.45f * n.x + 0.62f * n.y + 0.64f * n.z, 0.0f, 1.0f);
    return vec3(c.x * light, c.y * light, c.z * light);
}
