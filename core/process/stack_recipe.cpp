#include "core/process/stack_recipe.h"

#include "core/blank/contact.h"
#include "core/blank/faces.h"
#include "core/blank/sections.h"
#include "core/constructions/construction.h"
#include "core/constructions/end_rings.h"
#include "core/holding/foot_hold.h"
#include "core/holding/holding.h"
#include "core/process/block_recipe.h"
#include "core/process/box_recipe.h"
#include "core/process/finish_recipe.h"
#include "core/process/turn_recipe.h"
#include "core/words/build.h"
#include "core/words/cut.h"
#include "core/words/glue.h"
#include "core/words/turn.h"
#include "core/workpiece/lid_sides.h"
#include "core/workpiece/turning.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace vl {
namespace {

class StackWriter {
public:
    StackWriter(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces,
                const std::vector<Building>& buildings)
        : piece_(piece), shop_(shop), surfaces_(surfaces), buildings_(buildings)
    {
    }

    Recipe write()
    {
        for (size_t i = 0; i < buildings_.size(); ++i) {
            WorkItems parts;
            for (const Part& p : buildings_[i].parts) parts.push_back({p.id, ""});
            Bench bench = benchOf(i, Bench::Parts);
            ready_.push_back(buildings_[i].steps ? buildings_[i].steps(bench, parts) : WorkItem{});
        }
        for (const Step& s : recipe_)
            if (s.occupies(Resource::Lathe)) turnedAlone_.push_back(s.id);
        if (isWholeBlock(piece_)) {
            blockRecipe(piece_, shop_, surfaces_, built(0).cornerRadius(), ready_[0], recipe_);
            return std::move(recipe_);
        }
        if (hasLid(piece_) && !surfaces_.inside.empty()) {
            boxRecipe(piece_, shop_, surfaces_, ready_[0], recipe_);
            return std::move(recipe_);
        }
        if (heldByItsEnds(piece_, buildings_)) {
            turnRecipe(piece_, shop_, surfaces_, ready_[0], Turning::BetweenCenters, recipe_);
            return std::move(recipe_);
        }
        const std::vector<Section> sections = sectionsOf(piece_, shop_, surfaces_);
        const bool many = sections.size() > 1;
        if (!buildings_.back().steps) partEnds(sections);
        WorkItem made;
        for (size_t s = 0; s < sections.size(); ++s) {
            WorkItem section = stack(sections[s], s, many);
            if (many) section = inside(section, sections[s], s);
            made = s ? close(made, section, sections[s], s) : section;
        }
        turnRecipe(piece_, shop_, surfaces_, made, many ? Turning::InSections : Turning::OnBlock, recipe_);
        return std::move(recipe_);
    }

private:
    const Layer& layer(size_t i) const { return piece_.layers[i]; }
    const BuiltLayer& built(size_t i) const { return buildings_[i].layer; }
    Bench benchOf(size_t i, Bench::On on = Bench::Stack)
    {
        return {recipe_, layer(i).id, static_cast<int>(i), says(words::layerNumber, static_cast<int>(i) + 1), on};
    }
    static Text name(size_t i) { return says(words::layerNumber, static_cast<int>(i) + 1); }

    /// The block that a section is built on, mounted; for a face of this radius, mm.
    WorkItem block(const Section& section, size_t s, const Text& of, double face)
    {
        Bench bench(recipe_, s ? layer(section.first).id : "", -1, Text());
        double height = 0, whole = 0, thicker = 0;  // mm
        for (size_t i = section.first; i <= section.last; ++i) height += layer(i).thickness;
        // Sections close on any of their blocks; what is parted or turned down from more stands out as it was glued.
        for (size_t i = 0; i < buildings_.size(); ++i) {
            whole += layer(i).thickness;
            thicker = std::max(thicker, built(i).glued - layer(i).thickness);
        }
        const WorkItem mounted = mountBlock(bench, "waste-block", piece_.choices.holding,
                                            {.face = face,
                                             .height = height,
                                             .reach = whole + thicker,
                                             .station = section.fromBelow ? section.z1 : section.z0,
                                             .down = section.fromBelow},
                                            shop_, of);
        // One chuck: what is turned by itself is done before the block is in it.
        std::ranges::copy(turnedAlone_, std::back_inserter(recipe_.back().after));
        return mounted;
    }

    /// Radius of the face that is turned where a section stands on its block, mm.
    double footOf(const Section& section) const
    {
        return section.fromBelow ? radiusBefore(surfaces_.outside, section.z1)
                                 : radiusAfter(surfaces_.outside, section.z0);
    }

    /// The first layer's ring, thick enough for the last one too, taped between two blocks and parted through: each
    /// half stays centered on its own, and is then glued to it, for tape carries no more than this.
    void partEnds(const std::vector<Section>& sections)
    {
        const size_t last = buildings_.size() - 1, s = sections.size() - 1;
        const Text of = says(words::forSection, static_cast<int>(s) + 1);
        constexpr double stops = 15;  // mm beside the ring for the scraps that keep its place; own choice
        const double wide = built(0).cornerRadius() + stops;
        const WorkItem below = block(sections[0], 0, says(words::forSection, 1), wide),
                       above = block(sections[s], s, of, wide);
        Bench bench = benchOf(0);
        // One method leaves the far face to the lathe; tape needs both.
        WorkItem flat = ready_[0];
        if (piece_.choices.stacking == StackMethod::RingByRing) {
            const Setting loss = sandingLoss(layer(0));
            flat = bench.step(Action::Flatten, "far-face", {flat}, "parallel",
                              {.title = says(words::otherFace, name(0)),
                               .why = says(words::tapeNeedsFlat),
                               .how = says(words::sandTake, loss),
                               .settings = {loss},
                               .minutes = 5,
                               .uses = {Resource::SandingBoard}});
        }
        const WorkItem taped = bench.step(Action::Mount, "tape", {below, above, flat}, "taped",
                                          {.title = says(words::tapeBetween, name(0)),
                                           .why = says(words::bothCentered),
                                           .how = says(words::freshTape),
                                           .minutes = 15,
                                           .uses = {Resource::Lathe}});
        const PartedRing at = partedRing(piece_);
        const WorkItem half =
            bench.step(Action::PartOff, "part-ends", {taped}, "first-half",
                       {.title = says(words::partEndRings, name(0), name(last)),
                        .why = says(words::bothMounted),
                        .how = says(words::partBetweenBlocks, at.first, at.last, at.groove),
                        .settings = {at.first, at.last, at.groove},
                        .minutes = 15,
                        .uses = {Resource::Lathe},
                        .effect = effect::Part{.what = effect::Part::Ends, .layers = {0, static_cast<int>(last)}}});
        recipe_.back().outputs.push_back(benchOf(last).key("last-half"));
        firstHalf_ = glueHalf(0, half, says(words::forSection, 1));
        lastHalf_ = glueHalf(last, {benchOf(last).key("last-half"), half.step}, of);
    }

    /// A half that was parted on tape, glued to its block before anything is built on it.
    WorkItem glueHalf(size_t i, const WorkItem& half, const Text& of)
    {
        const BuiltLayer& b = built(i);
        return benchOf(i).glue(
            "stack", {half}, "stack",
            {.title = says(words::halfToBlock, name(i), of),
             .why = says(words::tapeCarriesNoMore),
             .how = says(words::backBetweenStops),
             .joint = {.faces = JointFaces::Block,
                       .area = pi * (std::pow(b.stockOuterRadius(), 2) - std::pow(b.stockInnerRadius(), 2)),
                       .joints = 1,
                       .woods = woodsIn(b)},
             .minutes = 6,
             .uses = {Resource::Lathe},
             .waitTitle = says(words::baseUnderPressure, of),
             .waitWhy = says(words::carriesAll),
             .waitHow = says(words::offTheLathe),
             .waitUses = {Resource::Clamp}});
    }

    /// The layers of a section one on another on a block; a section worked from below starts with its uppermost.
    WorkItem stack(const Section& section, size_t s, bool many)
    {
        const Text of = many ? says(words::forSection, static_cast<int>(s) + 1) : Text();
        std::vector<size_t> order;
        for (size_t i = section.first; i <= section.last; ++i) order.push_back(i);
        if (section.fromBelow) std::ranges::reverse(order);
        const std::optional<WorkItem>& parted = order[0] == 0                       ? firstHalf_
                                                : order[0] + 1 == buildings_.size() ? lastHalf_
                                                                                    : std::nullopt;
        WorkItem made = parted ? *parted : base(order[0], block(section, s, of, footOf(section)), of);
        if (order.size() > 1 && atOnce(order)) return glueAtOnce(order, made, section, of);
        for (size_t k = 1; k < order.size(); ++k) {
            // The layer that its joints are to be seen against: the nearest below it on the block that has any.
            std::optional<size_t> mark;
            for (size_t m = k; m-- > 0 && !mark;)
                if (layer(order[m]).sectors()) mark = order[m];
            made = join(order[k], order[k - 1], mark, made, section);
        }
        return made;
    }

    /// Whether the layers of a section can go on in one clamp-up: open segments are set one by one, tenons are turned
    /// home and thick layers parted down on the lathe.
    bool atOnce(const std::vector<size_t>& order) const
    {
        return piece_.choices.stacking == StackMethod::SectionAtOnce && std::ranges::none_of(order, [&](size_t i) {
                   return built(i).gaps || built(i).tenon.radius > 0 || built(i).glued > layer(i).thickness;
               });
    }

    /// A section's layers, flattened on both faces off the lathe, onto its base in one clamp-up.
    WorkItem glueAtOnce(const std::vector<size_t>& order, const WorkItem& base, const Section& section, const Text& of)
    {
        WorkItems from{faced(order[0], base, section)};
        GlueUpSpec g{.title = says(words::glueSectionAtOnce, static_cast<int>(order.size()) - 1, of),
                     .why = says(words::oneClampUp),
                     .how = says(words::tackedInOrder),
                     .joint = {.faces = JointFaces::LongGrain, .joints = static_cast<int>(order.size()) - 1},
                     .minutes = 4.0 * static_cast<double>(order.size() - 1),
                     .uses = {Resource::Clamp},
                     .waitTitle = says(words::sectionInClamp, of),
                     .waitWhy = says(words::weakIfMoved)};
        for (size_t k = 1; k < order.size(); ++k) {
            const size_t i = order[k], under = order[k - 1];
            const BuiltLayer &b = built(std::max(i, under)), &u = built(std::min(i, under));
            from.push_back(ready_[i]);
            const JointFaces faces = facesBetween(u, b);
            // The joint that asks most of the glue speaks for all of them.
            if (k == 1 || faces != JointFaces::LongGrain) g.joint.faces = faces;
            const double outer = std::min(b.stockOuterRadius(), u.stockOuterRadius());
            const double inner = std::max(b.stockInnerRadius(), u.stockInnerRadius());
            g.joint.area += contactOf(u, b, inner, outer).area;
            for (const Species* s : woodsIn(built(i)))
                if (std::ranges::find(g.joint.woods, s) == g.joint.woods.end()) g.joint.woods.push_back(s);
            if (!layer(i).sectors() || !layer(under).sectors()) continue;
            Setting on = rotationSetting(rotation(i, under, section.fromBelow));
            on.name = "layer " + std::to_string(i + 1) + " on from layer " + std::to_string(under + 1);
            g.settings.push_back(on);
            g.how.also(says(words::layerTurned, name(i), on, name(under)));
        }
        if (!g.settings.empty())
            g.how.also(says(words::senseOfTurns, says(section.fromBelow ? words::fromOpenFace : words::fromTailstock)));
        Bench bench(recipe_, layer(order[0]).id, static_cast<int>(order[0]), Text(), Bench::Stack);
        return bench.glue("stack-section", from, "stacked", std::move(g));
    }

    WorkItem base(size_t first, const WorkItem& block, const Text& of)
    {
        const BuiltLayer& b = built(first);
        const BlockHold& hold = blockHold(piece_.choices.holding);
        // Staves and spindles meet a block that is glued for good with their end grain.
        const bool standing = hold.joint != JointFaces::Block && b.cells[0].endGrain(Eigen::Vector3d::UnitX()) > 0.5;
        Bench bench = benchOf(first);
        const WorkItem made = bench.glue("stack", {block, ready_[first]}, "stack",
                                         {.title = says(hold.on, name(first), of),
                                          .why = says(words::runsTrue),
                                          .how = says(hold.onHow),
                                          .joint = {.faces = standing ? JointFaces::EndToLong : hold.joint,
                                                    .area = pi * std::pow(b.stockOuterRadius(), 2),
                                                    .joints = 1,
                                                    .woods = woodsIn(b)},
                                          .minutes = 6,
                                          .uses = {Resource::Lathe, Resource::Clamp},
                                          .waitTitle = says(words::baseUnderPressure, of),
                                          .waitWhy = says(words::carriesAll),
                                          .waitHow = says(words::offTheLathe),
                                          .waitUses = {Resource::Clamp}});
        return partDown(first, made);
    }

    /// A layer that was glued on thick is parted down to what it should be.
    WorkItem partDown(size_t i, const WorkItem& made)
    {
        const double rest = built(i).glued - layer(i).thickness;
        if (rest <= 0) return made;
        const Setting to = measured("thickness left", layer(i).thickness, 2),
                      from = measured("from the far face", rest);
        const WorkItem thinned =
            benchOf(i).step(Action::PartOff, "thin", {made}, "thinned",
                            {.title = says(words::partDown, name(i), to),
                             .why = says(words::tooThinAlone),
                             .how = says(words::partFromFarFace, from),
                             .settings = {to, from},
                             .minutes = 10,
                             .uses = {Resource::Lathe},
                             .effect = effect::Part{.what = effect::Part::Thin, .stays = everywhere}});
        recipe_.back().outputs.push_back(benchOf(i).key("offcut"));
        return thinned;
    }

    /// The open face of what stands on the block, trued and at its height.
    WorkItem faced(size_t under, const WorkItem& before, const Section& section)
    {
        // A sheet is never faced: a board would be through it at once.
        if (layer(under).is<SheetForm>())
            return benchOf(under).step(Action::Cut, "trim", {before}, "trimmed",
                                       {.title = says(words::trimSheet, name(under)),
                                        .why = says(words::centerFound),
                                        .how = says(words::knifeAndAwl),
                                        .minutes = 4});
        const double height = section.fromBelow ? section.z1 - built(under).z0 : built(under).z1 - section.z0;
        const Setting from = measured("from the waste block", height);
        return benchOf(under).step(Action::Flatten, "true-face", {before}, "faced",
                                   {.title = says(words::trueFace, name(under)),
                                    .why = says(words::squareFromBlock, from),
                                    .how = says(words::boardOnFace),
                                    .settings = {from},
                                    .minutes = 5,
                                    .uses = {Resource::Lathe}});
    }

    /// How far layer `i` is turned on from `mark`, degrees, counterclockwise as seen from the tailstock; and on a
    /// section that is built from below as seen from its open face, which looks the other way.
    double rotation(size_t i, size_t mark, bool down) const
    {
        const double on = std::remainder(built(i).phaseDeg - built(mark).phaseDeg, 360.0);
        return down ? -on : on;
    }

    Setting rotationSetting(double deg) const
    {
        return {Resource::None, "turned on", deg, Unit::Angle, "the one phase less the other", planeGeometry};
    }

    /// What a joint says of the rotation, and sets.
    void turnOn(GlueUpSpec& g, size_t i, size_t mark, bool down) const
    {
        g.rotationDeg = rotation(i, mark, down);
        const Setting on = rotationSetting(std::abs(g.rotationDeg));
        const Text sense = says(std::abs(g.rotationDeg) < 1e-9 ? words::notTurned
                                : g.rotationDeg > 0            ? words::counterclockwise
                                                               : words::clockwise);
        const bool apart = jointsBeside(built(mark), built(i)).least > 1e-6;
        g.why = says(apart ? words::turnedOn : words::turnedOnJoints, on, sense,
                     says(down ? words::fromOpenFace : words::fromTailstock), name(mark));
        g.settings.insert(g.settings.begin(), on);
    }

    WorkItem join(size_t i, size_t under, std::optional<size_t> mark, const WorkItem& before, const Section& section)
    {
        const BuiltLayer &b = built(i), &u = built(under);
        const bool down = section.fromBelow;
        // A spindle's tenon stands in the layer that is there already, or the one that comes has a hole for it.
        const bool mine = b.tenon.radius > 0;
        const double tenon = mine ? (down ? b.tenon.above : b.tenon.below) : down ? u.tenon.below : u.tenon.above;
        const double radius = mine ? b.tenon.radius : u.tenon.radius;
        // The shoulder of a spindle was turned with its tenon: facing it would take the tenon off.
        WorkItem standing = !mine && tenon > 0 ? before : faced(under, before, section);
        if (mine && tenon > 0) standing = drilled(under, i, standing, radius, tenon, true);
        const WorkItem coming = !mine && tenon > 0 ? drilled(i, under, ready_[i], radius, tenon, false) : ready_[i];
        const double outer = std::min(b.stockOuterRadius(), u.stockOuterRadius());
        const double inner = std::max(b.stockInnerRadius(), u.stockInnerRadius());
        GlueUpSpec g{.title = says(words::ontoStack, name(i)),
                     .why = says(words::grainInLine),
                     .how = says(words::rubCenterPress),
                     .joint = {.faces = i > under ? facesBetween(u, b) : facesBetween(b, u),
                               .area = contactOf(i > under ? u : b, i > under ? b : u, inner, outer).area,
                               .joints = b.gaps ? b.count() : 1,
                               .closings = b.gaps ? b.count() : 1,
                               .open = b.gaps || u.gaps,
                               .woods = woodsIn(b)},
                     .minutes = 7,
                     .uses = {Resource::Lathe, Resource::Clamp},
                     .waitTitle = says(words::layerUnderPressure, name(i)),
                     .waitWhy = says(words::facingTears),
                     .waitHow = says(words::offTheLathe),
                     .waitUses = {Resource::Clamp}};
        for (const Species* s : woodsIn(u))
            if (std::ranges::find(g.joint.woods, s) == g.joint.woods.end()) g.joint.woods.push_back(s);
        if (mark && layer(i).sectors()) turnOn(g, i, *mark, down);
        if (layer(i).is<SheetForm>()) g.how = says(words::pressFlat);
        if (b.gaps) {
            g.title = says(words::setSegments, b.count(), name(i));
            g.how = says(words::oneByOne);
            g.minutes = 5 + 1.0 * b.count();
        } else if (tenon > 0) {
            // The tenon's side holds; what its shoulder adds is end grain.
            g.joint.faces = JointFaces::CrossGrain;
            g.joint.area = 2 * pi * radius * tenon + pi * (outer * outer - radius * radius);
            g.how = says(words::tenonHome);
        } else if (inner <= 0 && !layer(i).is<SheetForm>())
            g.how.also(says(words::middleFree));
        if (g.joint.faces == JointFaces::Veneer) g.waitWhy = says(words::sheetCurls);
        return partDown(i, benchOf(i).glue("stack", {standing, coming}, "stack", std::move(g)));
    }

    /// The hole for a tenon: on the lathe in what stands there, at the drill press in what comes.
    WorkItem drilled(size_t i, size_t spindle, const WorkItem& thing, double radius, double tenon, bool onLathe)
    {
        const Setting bit{Resource::Drill, "bit, Ø", 2 * radius, Unit::Length, "the tenon's Ø", "", 1};
        const Setting deep{Resource::Drill,   "depth", Tenon::hole(tenon), Unit::Length, "tenon + 1 mm for the glue",
                           "common practice", 1};
        // A layer between two spindles has a hole in each of its faces.
        return benchOf(i).step(Action::Drill, onLathe ? "tenon-hole" : "tenon-socket", {thing},
                               onLathe ? "drilled" : "socketed",
                               {.title = says(words::drillForTenon, name(i), name(spindle)),
                                .why = says(onLathe ? words::drillInPlace : words::drillBeforeStack),
                                .how = says(onLathe ? words::bitInTailstock : words::bitAtPress, bit, deep),
                                .settings = {bit, deep},
                                .minutes = 10,
                                .uses = {onLathe ? Resource::Lathe : Resource::Drill}});
    }

    effect::Turn insideBetween(const Section& section) const
    {
        effect::Turn inside = insideTurned(surfaces_);
        inside.away = inside.away.between(section.z0, section.z1);
        return inside;
    }

    WorkItem inside(const WorkItem& made, const Section& section, size_t s)
    {
        const int n = static_cast<int>(s) + 1;
        Bench bench(recipe_, layer(section.first).id, static_cast<int>(section.first), Text(), Bench::Stack);
        std::vector<Setting> settings{measured("from", section.z0), measured("to", section.z1)};
        Text how = says(words::insideByStations, settings[0], settings[1]);
        if (section.fromBelow) {
            settings.push_back(measured("inside Ø at the lower face", section.meetInside, 2));
            how = says(words::insideFromBelow, settings[0], settings[1], settings[2]);
        }
        const WorkItem turned = bench.step(Action::Turn, "inside", {made}, "turned-inside",
                                           {.title = says(words::turnInside, n),
                                            .why = says(words::noToolLater),
                                            .how = how,
                                            .settings = settings,
                                            .minutes = 30,
                                            .uses = {Resource::Lathe},
                                            .effect = insideBetween(section)});
        StepSpec sand{.title = says(words::sandInside, n),
                      .why = says(words::canBeFelt),
                      .how = says(words::restOff),
                      .minutes = 20,
                      .uses = {Resource::Lathe}};
        saySanding(piece_, shop_, surfaces_, Sanded::Inside, sand.settings, sand.how);
        const WorkItem sanded = bench.step(Action::Sand, "sand-inside", {turned}, "sanded-inside", std::move(sand));
        return bench.step(Action::Finish, "seal-inside", {sanded}, "section",
                          {.title = says(words::sealInside, n),
                           .why = says(words::pullsWall),
                           .how = says(words::oneThinCoat),
                           .minutes = 10,
                           .waitMinutes = 60});
    }

    WorkItem close(const WorkItem& lower, const WorkItem& upper, const Section& section, size_t s)
    {
        const int n = static_cast<int>(s) + 1;
        const double outer = section.meetOutside / 2, inner = section.meetInside / 2;
        Bench bench(recipe_, layer(section.first).id, static_cast<int>(section.first), Text(), Bench::Stack);
        const Setting outside = measured("outside Ø at the joint", section.meetOutside, 2);
        const Setting bore = measured("inside Ø at the joint", section.meetInside, 2);
        GlueUpSpec g{.title = says(words::closeSection, n),
                     .why = says(words::closesInsides),
                     .how = says(words::mustMeet, outside, bore),
                     .joint = {.faces = facesBetween(built(section.first - 1), built(section.first)),
                               .area = contactOf(built(section.first - 1), built(section.first), inner, outer).area,
                               .joints = 1,
                               .open = built(section.first - 1).gaps || built(section.first).gaps,
                               .woods = woodsIn(built(section.first))},
                     .settings = {outside, bore},
                     .minutes = 12,
                     .uses = {Resource::Lathe, Resource::Clamp},
                     .waitTitle = says(words::sectionUnderPressure, n),
                     .waitWhy = says(words::notFromInside)};
        // Whole sections are turned on one another like layers, by the two that meet or the nearest with joints.
        std::optional<size_t> above, below;
        for (size_t k = section.first; k <= section.last && !above; ++k)
            if (layer(k).sectors()) above = k;
        for (size_t k = section.first; k-- > 0 && !below;)
            if (layer(k).sectors()) below = k;
        if (above && below) {
            turnOn(g, *above, *below, false);
            Text on = g.why;
            g.why = says(words::closesInsides);
            g.why.also(on);
        }
        const WorkItem closed = bench.glue("close", {lower, upper}, "closed", std::move(g));
        return bench.step(
            Action::PartOff, "close-part", {closed}, "free",
            {.title = says(words::partSectionBlock, n),
             .why = says(words::footAlone),
             .how = says(piece_.choices.holding == HoldMethod::GlueBlock ? words::blockLetGo : words::partingTailstock),
             .minutes = 8,
             .uses = {Resource::Lathe},
             .effect = effect::Part{.stays = {everywhere.low, section.z1}}});
    }

    const Piece& piece_;
    const Shop& shop_;
    const TurnedSurfaces& surfaces_;
    const std::vector<Building>& buildings_;
    Recipe recipe_;
    std::vector<std::string> turnedAlone_;          // steps on single layers that the lathe does
    std::optional<WorkItem> firstHalf_, lastHalf_;  // of a ring that gives both ends
    WorkItems ready_;                               // of each layer, what goes onto the stack
};

}  // namespace

Recipe stackRecipe(const Piece& piece, const Shop& shop, const TurnedSurfaces& surfaces,
                   const std::vector<Building>& buildings)
{
    return StackWriter(piece, shop, surfaces, buildings).write();
}

}  // namespace vl
