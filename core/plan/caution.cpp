#include "core/plan/caution.h"

#include "core/blank/nest.h"
#include "core/blank/sections.h"
#include "core/measure/format.h"
#include "core/piece/edit.h"
#include "core/piece/limits.h"
#include "core/wood/moisture.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace vl {

const char* levelName(Level level)
{
    static constexpr std::array names{"note", "care", "stop"};
    return names[static_cast<size_t>(level)];
}

namespace {

std::string layerName(const Assembly& a, int i)
{
    const LayerKind kind = a.layers[static_cast<size_t>(i)].kind;
    return (kind == LayerKind::Disc ? "disc " : kind == LayerKind::Ring ? "ring " : "layer ") + std::to_string(i + 1);
}

/// A fix that changes one layer.
Fix layerFix(std::string label, int layer, std::function<void(Layer&)> change)
{
    return {std::move(label), [layer, change = std::move(change)](const Piece& p) {
                Piece q = p;
                if (layer < static_cast<int>(q.layers.size())) change(q.layers[static_cast<size_t>(layer)]);
                return q;
            }};
}

/// A fix that changes the piece.
Fix pieceFix(std::string label, std::function<void(Piece&)> change)
{
    return {std::move(label), [change = std::move(change)](const Piece& p) {
                Piece q = p;
                change(q);
                return q;
            }};
}

class Judge {
public:
    Judge(const Piece& p, const Shop& shop, const Assembly& a, const Sides& sides, const Shape& shape, const CutPlan& cuts, const std::vector<Overlap>& overlaps, const std::vector<JointGlue>& glues, LengthStyle style)
        : p_(p), shop_(shop), a_(a), sides_(sides), shape_(shape), cuts_(cuts), overlaps_(overlaps), glues_(glues), style_(style)
    {
    }

    std::vector<Caution> run()
    {
        overlap();
        wall();
        reach();
        shortSegments();
        season();
        swing();
        tip();
        concerns();
        unreachable();
        grooves();
        gluing();
        endOnJoints();
        std::ranges::stable_sort(out_, [](const Caution& x, const Caution& y) { return std::pair(-static_cast<int>(x.level), x.z) < std::pair(-static_cast<int>(y.level), y.z); });
        return std::move(out_);
    }

private:
    std::string mm(double v) const { return formatLengthUnit(v, style_); }

    Fix thickerWall(double by) const
    {
        // A little more than asked, so that what was rounded away does not bring the caution back.
        const double more = std::ceil((by + 0.05) * 10) / 10;
        if (p_.hollow.rule == WallRule::Drawn)
            return pieceFix("draw the inside " + mm(more) + " smaller", [more](Piece& q) {
                for (Node& n : q.hollow.inside) n.r = n.r > 0 ? std::max(0.0, n.r - more) : 0;
            });
        return pieceFix("wall " + mm(p_.hollow.rimWall + more) + " instead of " + mm(p_.hollow.rimWall), [more](Piece& q) {
            q.hollow.rimWall += more;
            q.hollow.baseWall = std::max(q.hollow.baseWall, q.hollow.rimWall);
        });
    }

    void overlap()
    {
        for (const Overlap& o : overlaps_) {
            const double least = std::min(o.stock, o.finished);
            if (least >= shop_.leastOverlap) continue;
            Caution c;
            c.id = "overlap-" + std::to_string(o.below + 1);
            c.level = least <= 0 ? Level::Stop : Level::Care;
            c.at = layerName(a_, o.below) + " and " + layerName(a_, o.below + 1);
            c.z = o.z;
            c.layer = o.below;
            c.measure = least;
            c.limit = shop_.leastOverlap;
            c.unit = "mm";
            c.message = least <= 0 ? "they do not meet: nothing glues one to the other"
                                   : "they overlap by " + mm(least) + ", less than " + mm(c.limit) + ": the joint can let go while it is turned";
            for (const int i : {o.below, o.below + 1}) {
                const Layer& l = p_.layers[static_cast<size_t>(i)];
                if (l.stockOuter || l.stockInner)
                    c.fixes.push_back(layerFix("let the stock of " + layerName(a_, i) + " follow the outline", i, [](Layer& q) {
                        q.stockOuter.reset();
                        q.stockInner.reset();
                    }));
            }
            // The stock holds the wall and its allowances unless it was set by hand: then only the wall itself can be too thin.
            const double wall = wallAt(o.z);
            if (!shape_.solid && wall < shop_.leastOverlap) c.fixes.push_back(thickerWall(shop_.leastOverlap - wall));
            out_.push_back(c);
        }
    }

    /// The turned wall along the radius at a station, mm.
    double wallAt(double z) const
    {
        const double outer = radiusAt(sides_.outside, z), inner = sides_.inside.empty() ? 0 : radiusRange(sides_.inside, z, z).low;
        return std::isnan(outer) ? 0 : outer - (std::isnan(inner) ? 0 : inner);
    }

    void wall()
    {
        if (shape_.solid) return;
        const double thin = shape_.thinnest.wall;
        bool through = false;
        double at = shape_.thinnest.inside.x();
        for (const Point& q : sides_.inside) {
            const double r = radiusAt(sides_.outside, q.x());
            if (!std::isnan(r) && q.y() >= r && q.y() > 0) through = true, at = q.x();
        }
        if (through || thin < p_.hollow.leastWall - 1e-6) {
            Caution c;
            c.id = "wall";
            c.level = through ? Level::Stop : Level::Care;
            c.at = "wall at " + mm(at);
            c.z = at;
            c.layer = static_cast<int>(a_.layerAt(at));
            c.measure = through ? 0 : thin;
            c.limit = p_.hollow.leastWall;
            c.unit = "mm";
            c.message = through ? "the inside comes through the outside: the wall is cut open here"
                                : "the wall is " + mm(thin) + " square to the surface, thinner than the " + mm(c.limit) + " you asked for";
            c.fixes.push_back(thickerWall(c.limit - c.measure));
            if (!through) c.fixes.push_back(pieceFix("accept " + mm(thin) + " as the least wall", [thin](Piece& q) { q.hollow.leastWall = std::floor(thin * 100) / 100; }));
            out_.push_back(c);
        }
        if (shape_.floorThickness < p_.hollow.leastWall) {
            Caution c;
            c.id = "floor";
            c.level = shape_.floorThickness <= 0 ? Level::Stop : Level::Care;
            c.at = "floor";
            c.z = p_.hollow.floor;
            c.layer = 0;
            c.measure = shape_.floorThickness;
            c.limit = p_.hollow.leastWall;
            c.unit = "mm";
            c.message = "the floor is " + mm(c.measure) + " thick, less than the least wall of " + mm(c.limit) + ": it can be turned through";
            c.fixes.push_back(pieceFix("floor at " + mm(c.limit), [to = c.limit](Piece& q) {
                const double up = to - q.hollow.floor;
                q.hollow.floor = to;
                for (Node& n : q.hollow.inside) n.z = std::min(n.z + std::max(0.0, up), outlineHeight(q));
            }));
            out_.push_back(c);
        }
    }

    void reach()
    {
        const double lack = outlineHeight(p_) - stackHeight(p_);
        if (lack > 0.01) {
            Caution c;
            c.id = "reach-height";
            c.level = Level::Stop;
            c.at = "top of the stack";
            c.z = stackHeight(p_);
            c.layer = static_cast<int>(a_.layers.size()) - 1;
            c.measure = stackHeight(p_);
            c.limit = outlineHeight(p_);
            c.unit = "mm";
            c.message = "the stack ends " + mm(lack) + " short of the outline: there is no wood for the rim";
            c.fixes.push_back(pieceFix("make every layer thicker to fit", [](Piece& q) { q = edit::fitLayers(q); }));
            if (lack >= 4)
                c.fixes.push_back(pieceFix("add a ring of " + mm(lack), [lack](Piece& q) {
                    q = edit::addLayer(q, static_cast<int>(q.layers.size()) - 1);
                    q.layers.back().thickness = std::min(lack, 500.0);
                }));
            out_.push_back(c);
        }
        for (size_t i = 0; i < a_.layers.size(); ++i) {
            const BuiltLayer& b = a_.layers[i];
            const int n = static_cast<int>(i);
            double outerLack = 0, innerLack = 0;
            // Straight stock is measured against the extremes; what slopes, station by station.
            if (b.outerHold.front().y() == b.outerHold.back().y()) {
                outerLack = b.finishedOuter.high - b.stockOuterRadius();
                innerLack = b.innerHold.empty() ? 0 : b.stockInnerRadius() - b.finishedInner.low;
            } else {
                for (const Point& q : clipped(sides_.outside, b.z0, b.z1)) outerLack = std::max(outerLack, q.y() - radiusAt(b.outerHold, q.x()));
                if (!b.innerHold.empty())
                    for (const Point& q : clipped(sides_.inside, b.z0, b.z1)) innerLack = std::max(innerLack, radiusRange(b.innerHold, q.x(), q.x()).low - q.y());
            }
            if (std::max(outerLack, innerLack) <= 0.005) continue;
            const bool outside = outerLack >= innerLack;
            Caution c;
            c.id = std::string("reach-") + (outside ? "outside-" : "inside-") + std::to_string(n + 1);
            c.level = Level::Stop;
            c.at = layerName(a_, n);
            c.z = (b.z0 + b.z1) / 2;
            c.layer = n;
            c.limit = outside ? 2 * b.finishedOuter.high : 2 * b.finishedInner.low;
            c.measure = outside ? c.limit - 2 * outerLack : c.limit + 2 * innerLack;
            c.unit = "mm";
            c.message = outside ? "the stock is Ø " + mm(c.measure) + " where the outline asks for Ø " + mm(c.limit) + ": a flat will be left at every joint's middle"
                                : "the bore of the stock is Ø " + mm(c.measure) + " where the wall reaches in to Ø " + mm(c.limit) + ": the wall will have a hollow";
            const Layer& own = p_.layers[i];
            if (own.stockOuter || own.stockInner)
                c.fixes.push_back(layerFix("let the stock follow the outline", n, [](Layer& l) {
                    l.stockOuter.reset();
                    l.stockInner.reset();
                }));
            else if (own.kind == LayerKind::BoardRings) {
                const double run = radiusAt(sides_.outside, b.z1 - 1e-6) - radiusAt(sides_.outside, b.z0 + 1e-6);
                const double angle = std::floor(std::atan2(b.z1 - b.z0, std::max(run, 1.0)) / degrees);
                if (angle >= limits::boardAngle.low && angle <= limits::boardAngle.high && angle != own.boardRings.angle)
                    c.fixes.push_back(layerFix("cut at " + fixed(angle, 0) + "°, the slope of the outline", n, [angle](Layer& l) { l.boardRings.angle = angle; }));
                if (own.boardRings.rings < 12)
                    c.fixes.push_back(layerFix("more rings from a thinner board", n, [](Layer& l) { ++l.boardRings.rings; }));
            }
            out_.push_back(c);
        }
    }

    void shortSegments()
    {
        for (const RingCut& r : cuts_.rings) {
            if (r.outerEdge >= shop_.leastEdge) continue;
            const BuiltLayer& b = a_.layers[static_cast<size_t>(r.layer)];
            int fewer = b.stock.sides - 1;
            for (; fewer > 3; --fewer)
                if (2 * b.stock.apothem() * std::tan(pi / fewer) >= shop_.leastEdge) break;
            Caution c;
            c.id = "short-" + std::to_string(r.layer + 1);
            c.level = Level::Care;
            c.at = layerName(a_, r.layer);
            c.z = (b.z0 + b.z1) / 2;
            c.layer = r.layer;
            c.measure = r.outerEdge;
            c.limit = shop_.leastEdge;
            c.unit = "mm";
            c.message = "its segments are " + mm(r.outerEdge) +
                        " long, too short to hold at a saw: a part this small can be thrown, and draws the hand to the blade. "
                        "Hold-downs, a stop that frees the part and a blade at rest before reaching in are usual; the machine's manual and hands-on instruction come first";
            // An even number keeps half rings and two-wood patterns possible.
            if (fewer > 4 && fewer % 2) --fewer;
            if (fewer < b.stock.sides && fewer >= 3)
                c.fixes.push_back(layerFix(std::to_string(fewer) + " segments instead of " + std::to_string(b.stock.sides), r.layer, [fewer](Layer& l) { l.segments = fewer; }));
            if (b.finishedInner.low == 0)
                c.fixes.push_back(layerFix("a solid disc instead", r.layer, [](Layer& l) {
                    l.kind = LayerKind::Disc;
                    l.woods.resize(1);
                    l.stockInner.reset();
                }));
            out_.push_back(c);
        }
    }

    void season()
    {
        const double change = equilibriumMoisture(20, shop_.dampHumidity) - equilibriumMoisture(20, shop_.dryHumidity);
        for (size_t i = 0; i < a_.layers.size(); ++i) {
            const BuiltLayer& b = a_.layers[i];
            if (b.kind != LayerKind::Disc) continue;
            const size_t other = i + 1 < a_.layers.size() ? i + 1 : i;
            if (a_.layers[other].kind != LayerKind::Ring) continue;
            const double r = radiusAt(sides_.outside, b.z1);
            const double width = 2 * std::min(std::isnan(r) ? b.finishedOuter.high : r, b.finishedOuter.high);
            const double moves = std::abs(movement(width, b.woods[0]->shrinkTangential, change));
            if (moves <= shop_.mostMovement) continue;
            Caution c;
            c.id = "season-" + std::to_string(i + 1);
            c.level = Level::Care;
            c.at = layerName(a_, static_cast<int>(i)) + " against " + layerName(a_, static_cast<int>(other));
            c.z = b.z1;
            c.layer = static_cast<int>(i);
            c.measure = moves;
            c.limit = shop_.mostMovement;
            c.unit = "mm";
            c.message = "between dry and damp rooms a disc " + mm(width) + " wide moves " + formatLengthUnit(moves, style_, 2) +
                        " across its grain; the ring it is glued to hardly moves along its own: the base cracks or the joint opens";
            c.fixes.push_back(layerFix("build it of 12 segments instead", static_cast<int>(i), [](Layer& l) {
                l.kind = LayerKind::Ring;
                l.segments = 12;
            }));
            const Species* quiet = b.woods[0];
            for (const Layer& l : p_.layers)
                for (const std::string& w : l.woods)
                    if (speciesOf(w).shrinkTangential < quiet->shrinkTangential) quiet = &speciesOf(w);
            const Species& mahogany = speciesOf("mahogany");
            if (movement(width, quiet->shrinkTangential, change) > c.limit && movement(width, mahogany.shrinkTangential, change) <= c.limit) quiet = &mahogany;
            if (quiet != b.woods[0] && movement(width, quiet->shrinkTangential, change) <= c.limit)
                c.fixes.push_back(layerFix(std::string("take ") + quiet->name + ", which moves " + formatLengthUnit(movement(width, quiet->shrinkTangential, change), style_, 2),
                                           static_cast<int>(i), [id = std::string(quiet->id)](Layer& l) { l.woods = {id}; }));
            out_.push_back(c);
        }
    }

    /// What the constructions themselves found.
    void concerns()
    {
        for (size_t i = 0; i < a_.layers.size(); ++i)
            for (const Concern& k : a_.layers[i].concerns) {
                Caution c;
                c.id = k.id + "-" + std::to_string(i + 1);
                c.level = k.stop ? Level::Stop : Level::Care;
                c.at = layerName(a_, static_cast<int>(i));
                c.z = (a_.layers[i].z0 + a_.layers[i].z1) / 2;
                c.layer = static_cast<int>(i);
                c.measure = k.measure;
                c.limit = k.limit;
                c.unit = k.unit;
                c.message = k.message;
                if (k.change) c.fixes.push_back(layerFix(k.fix, c.layer, k.change));
                out_.push_back(c);
            }
    }

    /// Inside places that no tool comes to, whole or in sections.
    void unreachable()
    {
        if (sides_.inside.empty() || p_.hollow.rule == WallRule::Bored) return;
        const auto sections = sectionsOf(p_, shop_, sides_, a_.layers);
        if (sections.size() > 1) return;
        const auto missed = unreached(sides_.inside, sides_.inside.front().x(), sides_.inside.back().x(), false, shop_);
        if (missed.empty()) return;
        Caution c;
        c.id = "inside";
        c.level = Level::Care;
        c.at = "inside at " + mm(missed.front().z);
        c.z = missed.front().z;
        c.layer = static_cast<int>(a_.layerAt(c.z));
        c.measure = sides_.inside.back().x() - missed.front().z;
        c.limit = shop_.toolReach;
        c.unit = "mm";
        c.message = missed.front().tooDeep ? "the floor lies " + mm(c.measure) + " behind the rim and the tools work to " + mm(c.limit) + ": they chatter, or do not come there"
                                           : "from the rim no straight tool comes here: it can be neither turned nor sanded once the rings above are on";
        if (p_.choices.sections == SectionRule::Whole) c.fixes.push_back(pieceFix("build it in sections", [](Piece& q) { q.choices.sections = SectionRule::Proposed; }));
        out_.push_back(c);
    }

    /// One caution for each reason why a glue will not hold, whatever the number of joints it bites.
    void gluing()
    {
        std::map<std::string, std::vector<const JointGlue*>> reasons;
        for (const JointGlue& g : glues_)
            for (const std::string& why : g.troubles) reasons[why].push_back(&g);
        for (const auto& [why, joints] : reasons) {
            const Step& first = a_.recipe[joints[0]->step];
            Caution c;
            c.id = "glue-" + first.id;
            for (int k = 2; std::ranges::find(out_, c.id, &Caution::id) != out_.end(); ++k) c.id = "glue-" + first.id + "-" + std::to_string(k);
            c.level = Level::Care;
            c.at = joints.size() > 1 ? std::to_string(joints.size()) + " joints, first: " + first.title : first.title;
            c.layer = first.layer;
            c.z = first.layer >= 0 ? (a_.layers[static_cast<size_t>(first.layer)].z0 + a_.layers[static_cast<size_t>(first.layer)].z1) / 2 : 0;
            c.measure = first.glue.spreadMinutes;
            c.limit = joints[0]->openMinutes;
            c.unit = "min";
            c.message = why;
            if (joints[0]->suggested != joints[0]->glue) {
                std::vector<std::string> steps;
                for (const JointGlue* g : joints) steps.push_back(a_.recipe[g->step].id);
                c.fixes.push_back(pieceFix("take " + joints[0]->suggestedName + " instead", [steps](Piece& q) {
                    std::erase_if(q.glues, [&](const GlueChoice& g) { return std::ranges::find(steps, g.step) != steps.end(); });
                }));
            }
            out_.push_back(c);
        }
    }

    /// Wood glued end on to wood that lies across the axis: the one keeps its width with the seasons, the other does not.
    void endOnJoints()
    {
        const double change = equilibriumMoisture(20, shop_.dampHumidity) - equilibriumMoisture(20, shop_.dryHumidity);
        for (const JointGlue& g : glues_) {
            const Step& s = a_.recipe[g.step];
            if (s.glue.faces != JointFaces::EndToLong || s.layer < 0) continue;
            const double width = 2 * std::sqrt(s.glue.area / pi);
            double moves = 0;
            for (const Species* w : s.glue.woods) moves = std::max(moves, std::abs(movement(width, w->shrinkTangential, change)));
            if (moves <= shop_.mostMovement) continue;
            const BuiltLayer& b = a_.layers[static_cast<size_t>(s.layer)];
            Caution c;
            c.id = "end-on-" + std::to_string(s.layer + 1);
            c.level = Level::Care;
            c.at = layerName(a_, s.layer) + " end on to " + layerName(a_, std::max(0, s.layer - 1));
            c.z = b.z0;
            c.layer = s.layer;
            c.measure = moves;
            c.limit = shop_.mostMovement;
            c.unit = "mm";
            c.message = "end grain stands on long grain over " + mm(width) + ": between dry and damp rooms one moves " + formatLengthUnit(moves, style_, 2) + " more than the other, and the joint opens or the wood splits";
            if (const int below = s.layer - 1; below >= 0 && a_.layers[static_cast<size_t>(below)].kind == LayerKind::Disc)
                c.fixes.push_back(layerFix("build layer " + std::to_string(below + 1) + " as a ring of 12 with a disc let in that is free to move", below, [](Layer& l) {
                    l.kind = LayerKind::LetIn;
                    l.segments = 12;
                }));
            out_.push_back(c);
        }
    }

    /// The tool that parts nested rings must fit its grooves.
    void grooves()
    {
        const Nest& n = p_.nest;
        if (!n.on) return;
        const auto rings = nestedRings(n);
        const double tightest = rings.empty() ? 0 : rings.back().inner / 2, clearance = bladeClearance(tightest, n.below);
        Caution c;
        c.at = "nested rings";
        c.unit = "mm";
        if (rings.empty()) {
            c.id = "nest-none";
            c.level = Level::Stop;
            c.measure = n.largest - 2 * n.wall;
            c.limit = n.smallest;
            c.message = "between the smallest and the largest diameter not one ring fits";
            c.fixes.push_back(pieceFix("a largest diameter of " + mm(n.smallest + 2 * n.wall), [](Piece& q) { q.nest.largest = q.nest.smallest + 2 * q.nest.wall; }));
        } else if (std::isnan(clearance) || clearance > n.tool / 2) {
            c.id = "nest-blade";
            c.level = Level::Care;
            c.measure = std::isnan(clearance) ? n.below : clearance;
            c.limit = n.tool / 2;
            c.message = "in the smallest groove the wall stands " + (std::isnan(clearance) ? std::string("across the blade") : mm(clearance) + " nearer below the edge") +
                        ": a straight blade rubs and is pinched. Grind its lower outer corner away by as much, or take a shallower blade";
            const double fits = std::floor(std::sqrt(std::max(0.0, n.tool * tightest - n.tool * n.tool / 4)) * 10 - 0.5) / 10;
            if (fits >= 0.5) c.fixes.push_back(pieceFix("a blade " + mm(fits) + " below its edge", [fits](Piece& q) { q.nest.below = fits; }));
        } else
            return;
        out_.push_back(c);
    }

    void swing()
    {
        double widest = 0, z = 0;
        int layer = 0;
        for (size_t i = 0; i < a_.layers.size(); ++i)
            if (a_.layers[i].cornerRadius() > widest) {
                widest = a_.layers[i].cornerRadius();
                z = (a_.layers[i].z0 + a_.layers[i].z1) / 2;
                layer = static_cast<int>(i);
            }
        if (widest >= shop_.swingRadius) {
            Caution c;
            c.id = "swing";
            c.level = Level::Stop;
            c.at = layerName(a_, layer);
            c.z = z;
            c.layer = layer;
            c.measure = widest;
            c.limit = shop_.swingRadius;
            c.unit = "mm";
            c.message = "the rough blank's corners reach " + mm(widest) + " from the axis and the bed is " + mm(c.limit) + " below it: it will strike the bed";
            const double scale = (shop_.swingRadius - 1) / widest;
            if (scale > 0)
                c.fixes.push_back(pieceFix("make the piece " + fixed((1 - scale) * 100, 1) + " % slimmer", [scale, most = 2 * (shop_.swingRadius - 1)](Piece& q) {
                    for (Node& n : q.outside) n.r *= scale;
                    for (Node& n : q.hollow.inside) n.r *= scale;
                    for (Layer& l : q.layers) {
                        l.outerAllowance *= scale;
                        if (l.stockOuter) l.stockOuter = std::max(1.0, std::min(*l.stockOuter * scale, most));
                        if (l.stockInner) *l.stockInner *= scale;
                    }
                }));
            out_.push_back(c);
        }
        if (stackHeight(p_) > shop_.betweenCentres + 1e-6) {
            Caution c;
            c.id = "between-centres";
            c.level = Level::Stop;
            c.at = "whole stack";
            c.z = stackHeight(p_);
            c.measure = stackHeight(p_);
            c.limit = shop_.betweenCentres;
            c.unit = "mm";
            c.message = "the stack is " + mm(c.measure) + " long and the lathe takes " + mm(c.limit) + " between centres: the tailstock cannot hold it";
            c.fixes.push_back(pieceFix("shorten the piece to fit", [to = shop_.betweenCentres](Piece& q) {
                const double scale = to / std::max(stackHeight(q), outlineHeight(q));
                q.outside = stretched(q.outside, outlineHeight(q) * scale);
                for (Node& n : q.hollow.inside) n.z *= scale;
                q.hollow.floor *= scale;
                for (Layer& l : q.layers) l.thickness *= scale;
            }));
            out_.push_back(c);
        }
    }

    void tip()
    {
        if (shape_.gravityHeight <= 0 || shape_.tipAngle >= shop_.leastTip) return;
        Caution c;
        c.id = "tip";
        c.level = Level::Care;
        c.at = "foot";
        c.z = 0;
        c.layer = 0;
        c.measure = shape_.tipAngle;
        c.limit = shop_.leastTip;
        c.unit = "°";
        const double wanted = std::ceil(shape_.gravityHeight * std::tan((shop_.leastTip + 0.3) * degrees) * 10) / 10;
        c.message = "leaning " + fixed(c.measure, 1) + "° it tips over, sooner than the " + fixed(c.limit, 1) + "° asked for: its foot is narrow for its height";
        c.fixes.push_back(pieceFix("foot Ø " + mm(2 * wanted), [wanted](Piece& q) {
            for (Node& n : q.outside)
                if (n.z <= 8 || &n == &q.outside.front()) n.r = std::max(n.r, wanted);
        }));
        out_.push_back(c);
    }

    const Piece& p_;
    const Shop& shop_;
    const Assembly& a_;
    const Sides& sides_;
    const Shape& shape_;
    const CutPlan& cuts_;
    const std::vector<Overlap>& overlaps_;
    const std::vector<JointGlue>& glues_;
    LengthStyle style_;
    std::vector<Caution> out_;
};

}  // namespace

std::vector<Caution> cautionsOf(const Piece& piece, const Shop& shop, const Assembly& assembly, const Sides& sides, const Shape& shape, const CutPlan& cuts,
                                const std::vector<Overlap>& overlaps, const std::vector<JointGlue>& glues, LengthStyle style)
{
    return Judge(piece, shop, assembly, sides, shape, cuts, overlaps, glues, style).run();
}

}  // namespace vl
