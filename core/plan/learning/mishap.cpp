#include "core/plan/learning/mishap.h"

#include "core/geometry/profile.h"
#include "core/measure/input_error.h"
#include "core/piece/edits/edit.h"
#include "core/plan/learning/as_built.h"
#include "core/plan/learning/error_run.h"
#include "core/plan/plan.h"
#include "core/words/repair.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Quantity mm(double value, int decimals = 1) { return {value, Unit::Length, decimals}; }

/// A node on the line at a station, sharp; curves beside it run into lines.
Node nodeAt(double z, double r)
{
    Node n;
    n.z = z;
    n.r = r;
    n.span = Span::Line;
    n.smooth = false;
    return n;
}

/// The outline up to a station.
Outline below(const Outline& outline, double z)
{
    Outline out;
    for (const Node& n : outline)
        if (n.z < z - 1e-6) out.push_back(n);
    if (!out.empty() && out.back().span == Span::Arc) out.back().span = Span::Line;
    out.push_back(nodeAt(z, radiusAt(greatestRadii(flatten(outline)), z)));
    return out;
}

/// The outline from a station on, which is station 0 then.
Outline above(const Outline& outline, double z)
{
    Outline out{nodeAt(0, radiusAt(greatestRadii(flatten(outline)), z))};
    for (Node n : outline)
        if (n.z > z + 1e-6) {
            n.z -= z;
            out.push_back(n);
        }
    return out;
}

/// The stack without what lies beyond a station, or below it; at least one layer stays.
std::vector<Layer> layersBelow(std::vector<Layer> layers, double z)
{
    double from = 0;
    for (size_t i = 0; i < layers.size(); ++i) {
        const double to = from + layers[i].thickness;
        if (to >= z - 1e-6) {
            layers[i].thickness = std::max(limits::thickness.low, z - from);
            layers.resize(i + 1);
            break;
        }
        from = to;
    }
    return layers;
}

std::vector<Layer> layersAbove(const std::vector<Layer>& layers, double z)
{
    std::vector<Layer> out;
    double from = 0;
    for (Layer l : layers) {
        const double to = from + l.thickness;
        if (to > z + 1e-6) {
            l.thickness = std::max(limits::thickness.low, std::min(l.thickness, to - z));
            out.push_back(std::move(l));
        }
        from = to;
    }
    return out;
}

/// Whether nothing hangs on stations but outline, hollow and layers, so that these may move along the axis.
bool isPlain(const Piece& p)
{
    return p.axes.empty() && p.forms.empty() && p.sawn.empty() && p.worked.empty() && p.holes.empty() &&
           p.inlays.empty() && p.decors.empty() && p.bought.empty() && !p.lid.on && !p.split.on && !p.nest.on &&
           p.edge.kind == Edge::Turned && std::ranges::none_of(p.layers, [](const Layer& l) {
               return l.is<InsideOutForm>() || l.is<SpindleForm>() || l.is<BoardRingForm>();
           });
}

class Finder {
public:
    Finder(const Piece& piece, const Shop& shop, const Mishap& mishap)
        : piece_(piece), shop_(shop), m_(mishap), plan_(makePlan(piece, shop)), height_(outlineHeight(piece))
    {
    }

    std::vector<WayOut> find()
    {
        switch (m_.what) {
        case Mishap::FloorThrough:
            floorThrough();
            break;
        case Mishap::WallThin:
            wallThin();
            break;
        case Mishap::NeckThin:
            neckThin();
            break;
        case Mishap::BaseParted:
            baseParted();
            break;
        case Mishap::RingShort:
            ringShort();
            break;
        case Mishap::RingSlipped:
            ringSlipped();
            break;
        case Mishap::JointOpen:
            jointOpen();
            break;
        }
        return std::move(ways_);
    }

private:
    /// Offered if the piece stands its check.
    void offer(Text name, Text how, Piece piece)
    {
        if (stands(piece)) ways_.push_back({std::move(name), std::move(how), std::move(piece)});
    }

    static bool stands(const Piece& piece)
    {
        try {
            checkPiece(piece);
            return true;
        } catch (const InputError&) {
            return false;
        }
    }

    double outsideAt(double z) const { return radiusAt(plan_.surfaces.outside, std::clamp(z, 0.0, height_)); }
    bool hollow() const { return !plan_.surfaces.inside.empty(); }
    double floor() const { return plan_.surfaces.inside.front().x(); }

    void floorThrough()
    {
        constexpr double mostFloor = 60;  // mm: through more no tool comes unnoticed
        if (!hollow() || floor() <= 0 || floor() > mostFloor || m_.measured <= 0) return;
        constexpr double clean = 4;  // mm on the diameter until the torn edge is gone; own value
        const double bore = std::ceil(m_.measured + clean), foot = 2 * outsideAt(0);
        if (bore < 0.8 * foot) {
            Piece p = piece_;
            Hole plug;
            plug.name = "plug";
            plug.into = Hole::Foot;
            plug.at = 0;
            plug.diameter = bore;
            plug.ends = Hole::Wall;
            plug.filled = true;
            plug.fill = piece_.layers.front().woods.front();
            plug.fit = shop_.fits.glue;
            p.holes.push_back(std::move(plug));
            identifyCuts(p);
            offer(says(words::plugLetIn, mm(bore)), says(words::plugHow, mm(bore), mm(floor()), mm(shop_.fits.glue, 2)),
                  std::move(p));
        }
        // As far round as the foot bears, and half of the floor deep.
        constexpr double most = 6, least = 3;  // mm that its shoulder stands out; own values
        const double shoulder = std::floor(std::min(most, (0.8 * foot - bore) / 2));
        const double wide = bore + 2 * shoulder, deep = std::floor(floor() / 2);
        if (shoulder >= least && deep >= 2) {
            Piece p = piece_;
            Hole post;
            post.name = "post";
            post.into = Hole::Foot;
            post.at = 0;
            post.diameter = bore;
            post.wide = wide;
            post.wideDepth = deep;
            post.ends = Hole::Wall;
            post.filled = true;
            post.fill = piece_.layers.front().woods.front();
            post.fit = shop_.fits.glue;
            p.holes.push_back(std::move(post));
            identifyCuts(p);
            offer(says(words::postLetIn, mm(wide), mm(bore)),
                  says(words::postHow, mm(bore), mm(wide), mm(deep), mm(shop_.fits.glue, 2)), std::move(p));
        }
        if (!isPlain(piece_)) return;
        const double thick = std::max(8.0, std::ceil(height_ / 15));
        Piece p = onAFoot(piece_, thick);
        offer(says(words::footAdded, mm(thick)), says(words::footHow, mm(foot + 4), mm(thick)), std::move(p));
    }

    /// Everything moved up by a disc that is glued under it, which goes on as wide as the foot is.
    static Piece onAFoot(Piece p, double thick)
    {
        const double foot = p.outside.front().r;
        for (Outline* line : {&p.outside, &p.hollow.inside})
            for (Node& n : *line) n.z += thick;
        p.outside.insert(p.outside.begin(), nodeAt(0, foot));
        p.hollow.floor += thick;
        Layer disc;
        disc.form = DiscForm{};
        disc.woods = {p.layers.front().woods.front()};
        disc.thickness = thick;
        p.layers.insert(p.layers.begin(), std::move(disc));
        identifyLayers(p);
        return p;
    }

    void wallThin()
    {
        const Hollow& h = piece_.hollow;
        if (!hollow() || m_.at <= floor() || m_.at > height_ || m_.measured >= h.leastWall) return;
        constexpr double leastEven = 1.5;  // mm, thinner nothing is turned all over; own value
        const bool even = h.rule == WallRule::Even || h.rule == WallRule::Tapered;
        if (even && m_.measured >= leastEven) {
            Piece p = piece_;
            p.hollow.rule = WallRule::Even;
            p.hollow.rimWall = p.hollow.baseWall = m_.measured;
            offer(says(words::wallEvened, mm(m_.measured)), says(words::wallEvenedHow), std::move(p));
        }
        const double room = std::min(m_.at - floor() - h.leastWall, height_ - 6 - m_.at);
        if (constexpr double least = 5; room >= least) {
            const double reach = std::min(room, 20.0), from = std::ceil(m_.at - reach), to = std::floor(m_.at + reach);
            Piece p = edit::addWorked(piece_, Worked::Openings);
            Worked& w = p.worked.back();
            w.shape = Worked::Leaf;
            w.from = from;
            w.to = to;
            w.count = 8;
            w.wide = std::max(2.0, std::floor(pi * outsideAt(m_.at) / w.count));
            offer(says(words::openedThere, mm(from), mm(to)), says(words::openedHow), std::move(p));
        }
        constexpr double off = 2;  // mm below it, until the wall is whole
        const double rim = std::floor(m_.at - off);
        if (rim < floor() + 5 || !isPlain(piece_)) return;
        Piece p = piece_;
        p.outside = below(piece_.outside, rim);
        if (!p.hollow.inside.empty() && p.hollow.inside.back().z > rim) p.hollow.inside = below(p.hollow.inside, rim);
        p.layers = layersBelow(p.layers, rim);
        offer(says(words::cutDown, mm(rim)), says(words::cutDownHow), std::move(p));
    }

    void neckThin()
    {
        const double r = m_.measured / 2;
        if (m_.at <= 0 || m_.at >= height_ || r < 0.5 || r >= outsideAt(m_.at)) return;
        Piece p = piece_;
        constexpr double beside = 3;  // mm: nodes as near as that give way to the new one
        std::erase_if(p.outside, [&](const Node& n) {
            return &n != &p.outside.front() && &n != &p.outside.back() && n.form.empty() &&
                   std::abs(n.z - m_.at) < beside;
        });
        const auto next = std::ranges::find_if(p.outside, [&](const Node& n) { return n.z > m_.at; });
        Node neck = nodeAt(m_.at, r);
        neck.span = Span::Curve;
        neck.smooth = true;
        if (next != p.outside.begin()) std::prev(next)->span = Span::Curve;
        p.outside.insert(next, neck);
        offer(says(words::neckFollows, mm(m_.measured)), says(words::neckHow), std::move(p));
    }

    void baseParted()
    {
        if (m_.at <= 1 || m_.at >= height_ - 5 || !isPlain(piece_)) return;
        const double wide = 2 * std::max(outsideAt(0), outsideAt(m_.at)) + 4;
        Piece p = piece_;
        p.layers = layersAbove(piece_.layers, m_.at);
        Layer disc;
        disc.form = DiscForm{};
        disc.woods = {piece_.layers.front().woods.front()};
        disc.thickness = m_.at;
        p.layers.insert(p.layers.begin(), std::move(disc));
        identifyLayers(p);
        offer(says(words::baseAnew, mm(m_.at)), says(words::baseAnewHow, mm(m_.at), mm(wide), mm(m_.at)), std::move(p));
        constexpr double leastFloor = 3;  // mm
        if (hollow() && floor() - m_.at < leastFloor) return;
        Piece q = piece_;
        q.outside = above(piece_.outside, m_.at);
        for (Node& n : q.hollow.inside) n.z -= m_.at;
        q.hollow.floor = std::max(0.0, q.hollow.floor - m_.at);
        q.layers = layersAbove(piece_.layers, m_.at);
        offer(says(words::endsThere, mm(m_.at), mm(hollow() ? floor() - m_.at : height_ - m_.at)),
              says(words::endsThereHow), std::move(q));
    }

    /// The layer that it is about; −1 where there is none such.
    int layer() const
    {
        for (size_t i = 0; i < piece_.layers.size(); ++i)
            if (piece_.layers[i].id == m_.layer) return static_cast<int>(i);
        return -1;
    }

    void ringShort()
    {
        const int at = layer();
        if (at < 0 || m_.measured < 2) return;
        const auto i = static_cast<size_t>(at);
        const BuiltLayer& b = plan_.assembly.layers[i];
        const double wanted = b.finishedOuter.high + cleanUp, there = m_.measured / 2;
        if (there >= wanted) return;
        // What it stands off is drawn in; the ring is kept.
        const double cap = there - cleanUp;
        const Polyline line = outsideRadii(piece_);
        if (cap > b.finishedInner.high + piece_.hollow.leastWall && isPlain(piece_)) {
            Piece p = piece_;
            p.outside.clear();
            const auto capped = [&](double z) { return std::min(radiusAt(line, z), cap); };
            bool begun = false;
            for (const Node& n : piece_.outside) {
                if (!begun && n.z > b.z0 - 1e-6) {
                    begun = true;
                    if (n.z > b.z0 + 0.5 && b.z0 > 0) p.outside.push_back(nodeAt(b.z0, capped(b.z0)));
                }
                Node next = n;
                if (n.z >= b.z0 - 1e-6 && n.z <= b.z1 + 1e-6) next.r = std::min(n.r, cap);
                if (n.z > b.z1 + 1e-6 && p.outside.back().z < b.z1 - 0.5)
                    p.outside.push_back(nodeAt(b.z1, capped(b.z1)));
                p.outside.push_back(next);
            }
            p = withMeasured(std::move(p), plan_, {m_.layer, Measured::Outside, m_.measured});
            offer(says(words::drawnIn, mm(2 * cap)), says(words::drawnInHow, mm(b.finishedOuter.high - cap)),
                  std::move(p));
        }
        anotherRing(i, wanted - there);
    }

    void anotherRing(size_t i, double more)
    {
        Piece p = piece_;
        Layer& l = p.layers[i];
        l.stockOuter.reset();
        l.stockInner.reset();
        l.outerAllowance += std::max(0.0, std::ceil(2 * more) / 2);
        std::erase_if(p.progress.measured, [&](const Measured& m) { return m.layer == l.id; });
        if (!stands(p)) return;
        const double glued = 2 * makePlan(p, shop_).assembly.layers[i].stockOuterRadius();
        offer(says(words::ringAnew, mm(glued)), says(words::ringAnewHow), std::move(p));
    }

    void ringSlipped()
    {
        const int at = layer();
        if (at < 0 || !piece_.layers[static_cast<size_t>(at)].sectors() || m_.measured == 0) return;
        const auto i = static_cast<size_t>(at);
        const double round = 2 * pi * plan_.assembly.layers[i].stockOuterRadius();
        const double deg = 360 * m_.measured / round;
        const auto on = [&](Piece& p, size_t k, double degrees) {
            Sectors& s = *p.layers[k].sectors();
            s.turn = std::remainder(s.turn + degrees * s.segments / 360, s.segments);
        };
        Piece p = piece_;
        on(p, i, deg);
        offer(says(words::allGoesOn, Quantity{deg, Unit::Count, 2}), says(words::allGoesOnHow), p);
        if (i + 1 >= p.layers.size() || !p.layers[i + 1].sectors()) return;
        on(p, i + 1, -deg);
        offer(says(words::putBack, Quantity{deg, Unit::Count, 2}), says(words::putBackHow, mm(std::abs(m_.measured))),
              std::move(p));
    }

    void jointOpen()
    {
        const int at = layer();
        if (at < 0 || m_.measured <= 0 || !piece_.layers[static_cast<size_t>(at)].ring()) return;
        const auto i = static_cast<size_t>(at);
        const BuiltLayer& b = plan_.assembly.layers[i];
        constexpr double fills = 0.3;  // mm that dust and thin glue bridge; own value
        if (m_.measured <= fills) {
            Piece p = piece_;
            p.notes += (p.notes.empty() ? "" : "\n") +
                       print(says(words::jointFilledNote, static_cast<int>(i + 1)), LengthStyle{});
            offer(says(words::jointFilled, mm(m_.measured, 2)), says(words::jointFilledHow), std::move(p));
        }
        // Two kerfs and the gap are gone from the ring's way round.
        const double smaller = (2 * shop_.kerf + m_.measured) / pi, outside = 2 * b.stockOuterRadius() - smaller;
        if (outside / 2 >= b.finishedOuter.high + cleanUp)
            offer(says(words::jointAnew, mm(outside)), says(words::jointAnewHow, mm(shop_.kerf)),
                  withMeasured(piece_, plan_, {m_.layer, Measured::Outside, outside}));
        anotherRing(i, 0);
    }

    const Piece& piece_;
    const Shop& shop_;
    const Mishap& m_;
    Plan plan_;
    double height_;
    std::vector<WayOut> ways_;
};

}  // namespace

std::vector<WayOut> waysOut(const Piece& piece, const Shop& shop, const Mishap& mishap)
{
    return Finder(piece, shop, mishap).find();
}

}  // namespace vl
