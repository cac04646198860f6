#include "core/process/axis_recipe.h"

#include "core/geometry/profile.h"
#include "core/process/finish_recipe.h"
#include "core/recipe/settings.h"
#include "core/words/turn.h"
#include "core/workpiece/cross_section.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

double directionOf(const Point& p)
{
    const double deg = std::atan2(p.y(), p.x()) / degrees;
    return p.norm() < 1e-9 ? 0 : deg < -1e-9 ? deg + 360 : std::max(0.0, deg);
}

/// How a set-up is mounted, in words and settings.
StepSpec mounting(const Piece& piece, const Held& grip, int number, const AxisSetUp& s)
{
    const Text name = says(words::axisNamed, nameOf(piece, s.axis));
    const OffAxis& axis = piece.axes[s.axis];
    StepSpec d{.title = says(words::mountAxis, name, s.side + 1),
               .why = says(words::axisMakesSide),
               .minutes = 6,
               .uses = {Resource::Lathe}};
    const Setting head = lengthAt(Resource::Lathe, "off center at the head", s.head.norm()),
                  headTo = angleAt(Resource::Lathe, "its direction", directionOf(s.head));
    d.held = {.set = true, .by = Hold::Centers, .diameter = 20, .depth = 5, .tailstock = true, .setUp = number};
    const Setting tenon = lengthAt(Resource::Lathe, "tenon, Ø", grip.diameter),
                  high = lengthAt(Resource::Lathe, "its height", grip.depth);
    const auto inJaws = [&](Hold by) {
        d.held = grip;
        d.held.set = d.held.tailstock = true;
        d.held.by = by;
        d.held.overhang = outlineHeight(piece);
        d.held.setUp = number;
        d.settings.insert(d.settings.begin(), {tenon, high});
    };
    switch (axis.by) {
    case AxisBy::Centers: {
        const Setting tail = lengthAt(Resource::Lathe, "off center at the tail", s.tail.norm()),
                      tailTo = angleAt(Resource::Lathe, "its direction at the tail", directionOf(s.tail));
        d.how = says(words::onMarkedCenters, head, headTo, tail, tailTo);
        d.settings = {head, headTo, tail, tailTo};
        break;
    }
    case AxisBy::Eccentric:
        d.how = says(words::onEccentric, tenon, high, head);
        d.settings = {head};
        inJaws(Hold::Eccentric);
        break;
    case AxisBy::Tilt: {
        const Setting tilt = angleAt(Resource::Lathe, "tilt", axis.tilt),
                      pivot = lengthAt(Resource::Lathe, "pivot, from the headstock face", axis.pivot);
        d.how = says(words::tiltedInJaws, tenon, high, tilt, headTo, pivot);
        d.settings = {tilt, headTo, pivot};
        inJaws(Hold::Tilted);
        break;
    }
    }
    if (s.mark.hole >= 0) {
        const Setting hole{.machine = Resource::Index,
                           .name = "hole",
                           .value = 1.0 * s.mark.hole,
                           .unit = Unit::Count,
                           .formula = "counted from 0",
                           .decimals = 0};
        d.settings.push_back(hole);
        d.how.also(says(words::indexHole, hole, axis.plate));
    }
    return d;
}

}  // namespace

std::string axisMountStep(const AxisSetUp& s) { return "mount-" + s.id; }

double depthLine(const AxisSetUp& s, double z)
{
    const double own = s.solid.radiusNear(z);
    return std::isnan(own) ? own : own - s.solid.centerAt(z).norm();
}

bool hasMarkedCenters(const Piece& piece)
{
    return std::ranges::any_of(piece.axes, [](const OffAxis& a) { return a.by == AxisBy::Centers; });
}

WorkItem markCenters(const Piece& piece, Bench& bench, const WorkItem& blank)
{
    Text how = says(words::punchCenters);
    std::vector<Setting> settings;
    for (const AxisSetUp& s : axisSetUps(piece)) {
        if (s.side != 0 || piece.axes[s.axis].by != AxisBy::Centers) continue;
        const Setting head = lengthAt(Resource::Lathe, "off center at the head", s.head.norm()),
                      headTo = angleAt(Resource::Lathe, "its direction at the head", directionOf(s.head)),
                      tail = lengthAt(Resource::Lathe, "off center at the tail", s.tail.norm()),
                      tailTo = angleAt(Resource::Lathe, "its direction at the tail", directionOf(s.tail));
        how.also(says(words::firstCenter, nameOf(piece, s.axis), head, headTo, tail, tailTo));
        settings.insert(settings.end(), {head, headTo, tail, tailTo});
    }
    return bench.step(Action::Mark, "centres", {blank}, "marked",
                      {.title = says(words::markCenters),
                       .why = says(words::centersBeforeRound),
                       .how = how,
                       .settings = settings,
                       .minutes = 10});
}

namespace {

/// From the side that a set-up leaves across to what stands opposite, once it is turned, mm; measured at a station.
double thicknessAt(const TurnedSurfaces& surfaces, size_t setUp, const AxisSetUp& s, double z)
{
    TurnedSurfaces now = surfaces;
    now.axes.resize(setUp + 1);
    const CrossSection section(now, z);
    const Point off = s.solid.centerAt(z);
    if (!section.holds({0, 0})) return section.narrowest().across;
    const double towards = std::atan2(-off.y(), -off.x()) / degrees;
    return section.reachFrom({0, 0}, towards) + section.reachFrom({0, 0}, towards + 180);
}

/// Where a set-up cuts deepest, mm.
double deepestAt(const TurnedSurfaces& surfaces, const AxisSetUp& s, double from, double to)
{
    double at = (from + to) / 2, most = -1e9;
    constexpr int looks = 40;
    for (int k = 0; k <= looks; ++k) {
        // From the middle outwards: of several places alike the middle one.
        const double z = (from + to) / 2 + (to - from) / 2 * (k % 2 ? -1 : 1) * ((k + 1) / 2) / (looks / 2.0);
        const double deep = radiusAt(surfaces.outside, z) - depthLine(s, z);
        if (deep > most + 1e-6) most = deep, at = z;
    }
    return at;
}

/// The circles on the ends that each axis's first side is cut down to, drawn while the piece still runs true.
WorkItem depthLines(const Piece& piece, const TurnedSurfaces& surfaces, Bench& bench, WorkItem now)
{
    const double height = outlineHeight(piece);
    constexpr double atEnd = 0.5;  // mm
    for (const AxisSetUp& s : axisSetUps(piece)) {
        if (s.side != 0) continue;
        std::vector<Setting> lines;
        Text how = says(words::pencilOnEnd);
        const auto line = [&](double z, const char* what, const Pattern& says_) {
            const double r = depthLine(s, z);
            if (!(r > 0 && r < radiusAt(surfaces.outside, z))) return;
            lines.push_back(lengthAt(Resource::Lathe, what, r, "its radius − its offset there"));
            how.also(says(says_, lines.back()));
        };
        if (s.solid.outline.front().x() <= atEnd) line(0, "depth line on the head end, radius", words::lineOnHead);
        if (s.solid.outline.back().x() >= height - atEnd)
            line(height, "depth line on the tail end, radius", words::lineOnTail);
        if (lines.empty()) continue;
        now = bench.step(Action::Mark, "depth-" + s.id, {now}, "lined-" + s.id,
                         {.title = says(words::drawDepthLine, says(words::axisNamed, nameOf(piece, s.axis))),
                          .why = says(words::onlyWhileTrue),
                          .how = how.also(says(words::noLineBetween)),
                          .settings = lines,
                          .minutes = 4,
                          .uses = {Resource::Lathe}});
    }
    return now;
}

/// One side turned and sanded.
WorkItem turnSide(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, size_t i, const AxisSetUp& s,
                  Bench& bench, const WorkItem& mounted)
{
    const Text name = says(words::axisNamed, nameOf(piece, s.axis));
    const double from = s.solid.outline.front().x(), to = s.solid.outline.back().x();
    const double deepest = deepestAt(surfaces, s, std::max(from, 0.0), std::min(to, outlineHeight(piece)));
    const Setting begin = lengthAt(Resource::Lathe, "from station", from),
                  end = lengthAt(Resource::Lathe, "to station", to),
                  at = lengthAt(Resource::Lathe, "measured at station", deepest, "where it is deepest"),
                  thick = lengthAt(Resource::Lathe, "done at a thickness of", thicknessAt(surfaces, i, s, deepest),
                                   "flat to what stands opposite");
    const WorkItem turned = bench.step(Action::Turn, "turn-" + s.id, {mounted}, "turned-" + s.id,
                                       {.title = says(words::turnAxis, name, s.side + 1),
                                        .why = says(words::caliperTells),
                                        .how = says(words::mostlyAir, begin, end, thick, at),
                                        .settings = {begin, end, thick, at},
                                        .minutes = 15,
                                        .uses = {Resource::Lathe},
                                        .effect = effect::TurnAxis{i}});
    StepSpec sand{.title = says(words::sandAxis, name, s.side + 1),
                  .why = says(words::noWayBack),
                  .how = says(words::blockNotFingers),
                  .minutes = 10,
                  .uses = {Resource::Lathe}};
    sayGrits(piece, shop, SandedBy::Hand, sand.settings, sand.how);
    return bench.step(Action::Sand, "sand-" + s.id, {turned}, "sanded-" + s.id, std::move(sand));
}

}  // namespace

void addSides(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces, const Held& grip, Operations& all)
{
    const std::vector<AxisSetUp> setUps = axisSetUps(piece);
    if (setUps.empty()) return;
    all.add(Operation{Work::MarkDepth, Access::Turning, 0, [&piece, &surfaces](Bench& bench, const WorkItem& now) {
                          return depthLines(piece, surfaces, bench, now);
                      }});
    for (size_t i = 0; i < setUps.size(); ++i) {
        const auto number = static_cast<int>(i);
        Mounting mount{.center = true, .setUp = number};
        constexpr double soundWood = 9;  // mm round a center's point: three times its depth; own cautious value
        if (piece.axes[setUps[i].axis].by != AxisBy::Centers)
            mount.needs = {Work::Grip};
        else if (setUps[i].head.norm() + soundWood > grip.diameter / 2)
            mount.spoiledBy = {Work::Grip};  // its mark lies beside the tenon
        mount.write = [&piece, grip, number, s = setUps[i]](Bench& bench, const WorkItem& now, const Moment&) {
            return bench.step(Action::Mount, axisMountStep(s), {now}, "mounted-" + s.id,
                              mounting(piece, grip, number, s));
        };
        all.add(std::move(mount));
        all.add(Operation{Work::Side, Access::SetUp, number,
                          [&piece, &shop, &surfaces, i, s = setUps[i]](Bench& bench, const WorkItem& now) {
                              return turnSide(piece, shop, surfaces, i, s, bench, now);
                          }});
    }
}

void offerTrueCenters(const Piece& piece, bool rimToHead, Operations& all, std::vector<Work> spoiledBy)
{
    if (piece.axes.empty()) return;
    Mounting mount{.rimToHead = rimToHead, .center = true, .needs = {Work::Side}, .spoiledBy = std::move(spoiledBy)};
    mount.write = [rimToHead](Bench& bench, const WorkItem& now, const Moment&) {
        return bench.step(Action::Mount, "mount-true", {now}, "true-again",
                          {.title = says(words::mountTrue),
                           .why = says(words::restOnTrueAxis),
                           .how = says(rimToHead ? words::rimToHeadAgain : words::ridgesStand),
                           .minutes = 5,
                           .uses = {Resource::Lathe},
                           .held = {.set = true,
                                    .by = Hold::Centers,
                                    .diameter = 20,
                                    .depth = 5,
                                    .tailstock = true,
                                    .round = true,
                                    .rimToHead = rimToHead}});
    };
    all.add(std::move(mount));
}

}  // namespace vl
