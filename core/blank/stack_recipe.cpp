#include "core/blank/stack_recipe.h"

#include "core/blank/faces.h"
#include "core/blank/nest.h"
#include "core/blank/sections.h"
#include "core/words/build.h"
#include "core/words/glue.h"
#include "core/words/turn.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

Setting measured(const char* name, double mm, int decimals = 1)
{
    return {.name = name, .value = mm, .formula = "measured on the drawing", .decimals = decimals};
}

class StackWriter {
public:
    StackWriter(const Piece& piece, const Shop& shop, const Sides& sides, const std::vector<Building>& buildings)
        : piece_(piece), shop_(shop), sides_(sides), buildings_(buildings), whole_(recipe_, "", -1, Text())
    {
    }

    Recipe write()
    {
        for (size_t i = 0; i < buildings_.size(); ++i) {
            Things parts;
            for (const Part& p : buildings_[i].parts) parts.push_back({p.id, ""});
            Bench bench = benchOf(i);
            ready_.push_back(buildings_[i].steps(bench, parts));
        }
        const std::vector<Section> sections = sectionsOf(piece_, shop_, sides_);
        const bool many = sections.size() > 1;
        Thing made;
        for (size_t s = 0; s < sections.size(); ++s) {
            Thing section = stack(sections[s], s, many);
            if (many) section = inside(section, sections[s], s);
            made = s ? close(made, section, sections[s], s) : section;
        }
        turn(made, many);
        return std::move(recipe_);
    }

private:
    const Layer& layer(size_t i) const { return piece_.layers[i]; }
    const BuiltLayer& built(size_t i) const { return buildings_[i].layer; }
    Bench benchOf(size_t i)
    {
        return {recipe_, layer(i).id, static_cast<int>(i), says(words::layerNumber, static_cast<int>(i) + 1)};
    }
    static Text name(size_t i) { return says(words::layerNumber, static_cast<int>(i) + 1); }

    /// The layers of a section one on another on a waste block; a section worked from below starts with its uppermost.
    Thing stack(const Section& section, size_t s, bool many)
    {
        const Text of = many ? says(words::forSection, static_cast<int>(s) + 1) : Text();
        Bench bench(recipe_, s ? layer(section.first).id : "", -1, Text());
        const Thing block = bench.step(Action::Mount, "waste-block", {{bench.key("waste-block"), ""}}, "mounted-block",
                                       {.title = says(words::wasteBlock, of),
                                        .why = says(words::builtOnIt),
                                        .how = says(words::scrapFlat),
                                        .minutes = 15,
                                        .uses = {"lathe"}});
        std::vector<size_t> order;
        for (size_t i = section.first; i <= section.last; ++i) order.push_back(i);
        if (section.fromBelow) std::ranges::reverse(order);
        Thing made = base(order[0], block, of);
        for (size_t k = 1; k < order.size(); ++k) made = join(order[k], order[k - 1], made, section.fromBelow);
        return made;
    }

    Thing base(size_t first, const Thing& block, const Text& of)
    {
        const BuiltLayer& b = built(first);
        Bench bench = benchOf(first);
        const Thing made = bench.glue("stack", {block, ready_[first]}, "stack",
                                      {.title = says(words::toWasteBlock, name(first), of),
                                       .why = says(words::runsTrue),
                                       .how = says(words::tailstockPressure),
                                       .joint = {.faces = JointFaces::Temporary,
                                                 .area = pi * std::pow(b.stockOuterRadius(), 2),
                                                 .joints = 1,
                                                 .woods = {b.woods[0]}},
                                       .minutes = 6,
                                       .uses = {"lathe", "clamp"},
                                       .waitTitle = says(words::baseUnderPressure, of),
                                       .waitWhy = says(words::carriesAll)});
        return partDown(first, made);
    }

    /// A layer that was glued on thick is parted down to what it should be.
    Thing partDown(size_t i, const Thing& made)
    {
        const double rest = built(i).glued - layer(i).thickness;
        if (rest <= 0) return made;
        const Setting to = measured("thickness left", layer(i).thickness, 2),
                      from = measured("from the far face", rest);
        const Thing thinned = benchOf(i).step(Action::PartOff, "thin", {made}, "thinned",
                                              {.title = says(words::partDown, name(i), to),
                                               .why = says(words::tooThinAlone),
                                               .how = says(words::partFromFarFace, from),
                                               .settings = {to, from},
                                               .minutes = 10,
                                               .uses = {"lathe"}});
        recipe_.back().outputs.push_back(benchOf(i).key("offcut"));
        return thinned;
    }

    Thing join(size_t i, size_t under, const Thing& before, bool down)
    {
        const BuiltLayer &b = built(i), &u = built(under);
        const Setting from = measured(down ? "from the foot" : "from the waste block", down ? u.z0 : u.z1);
        const Thing faced =
            benchOf(under).step(Action::Flatten, "true-face", {before}, "faced",
                                {.title = says(words::trueFace, name(under)),
                                 .why = says(down ? words::squareFromFoot : words::squareFromBlock, from),
                                 .how = says(words::boardOnFace),
                                 .settings = {from},
                                 .minutes = 5,
                                 .uses = {"lathe"}});
        const double outer = std::min(b.stockOuterRadius(), u.stockOuterRadius());
        const double inner = std::max(b.stockInnerRadius(), u.stockInnerRadius());
        Gluing g{.title = says(words::ontoStack, name(i)),
                 .why = says(words::grainInLine),
                 .how = says(words::rubCentrePress),
                 .joint = {.faces = i > under ? facesBetween(u, b) : facesBetween(b, u),
                           .area = std::max(0.0, pi * (outer * outer - inner * inner)) * b.fill,
                           .joints = b.gaps ? b.count() : 1,
                           .woods = b.woods},
                 .minutes = 7,
                 .uses = {"lathe", "clamp"},
                 .waitTitle = says(words::layerUnderPressure, name(i)),
                 .waitWhy = says(words::facingTears)};
        g.joint.woods.insert(g.joint.woods.end(), u.woods.begin(), u.woods.end());
        if (const Sectors* s = layer(i).sectors()) {
            g.rotationDeg = s->turn * 360.0 / s->segments;
            const Setting on{"",
                             "on from the layer below",
                             g.rotationDeg,
                             Unit::Angle,
                             "share of a segment · 360° / segments",
                             "plane geometry"};
            const Setting share{"", "of a segment", s->turn, Unit::Count, "chosen", ""};
            g.why = says(words::turnedOn, on, share);
            g.settings = {on, share};
        }
        if (b.gaps) {
            g.title = says(words::setSegments, b.count(), name(i));
            g.how = says(words::oneByOne);
            g.minutes = 5 + 1.0 * b.count();
        } else if (inner <= 0)
            g.how.also(says(words::middleFree));
        if (g.joint.faces == JointFaces::Veneer) g.waitWhy = says(words::sheetCurls);
        return partDown(i, benchOf(i).glue("stack", {faced, ready_[i]}, "stack", std::move(g)));
    }

    Thing inside(const Thing& made, const Section& section, size_t s)
    {
        const int n = static_cast<int>(s) + 1;
        Bench bench(recipe_, layer(section.first).id, static_cast<int>(section.first), Text());
        std::vector<Setting> settings{measured("from", section.z0), measured("to", section.z1)};
        Text how = says(words::insideByStations, settings[0], settings[1]);
        if (section.fromBelow) {
            settings.push_back(measured("inside Ø at the lower face", section.meetInside, 2));
            how = says(words::insideFromBelow, settings[0], settings[1], settings[2]);
        }
        const Thing turned = bench.step(Action::Turn, "inside", {made}, "turned-inside",
                                        {.title = says(words::turnInside, n),
                                         .why = says(words::noToolLater),
                                         .how = how,
                                         .settings = settings,
                                         .minutes = 30,
                                         .uses = {"lathe"}});
        const Thing sanded = bench.step(Action::Sand, "sand-inside", {turned}, "sanded-inside",
                                        {.title = says(words::sandInside, n),
                                         .why = says(words::canBeFelt),
                                         .how = says(words::allGrits),
                                         .minutes = 20,
                                         .uses = {"lathe"}});
        return bench.step(Action::Finish, "seal-inside", {sanded}, "section",
                          {.title = says(words::sealInside, n),
                           .why = says(words::pullsWall),
                           .how = says(words::oneThinCoat),
                           .minutes = 10,
                           .waitMinutes = 60});
    }

    Thing close(const Thing& lower, const Thing& upper, const Section& section, size_t s)
    {
        const int n = static_cast<int>(s) + 1;
        const double outer = section.meetOutside / 2, inner = section.meetInside / 2;
        Bench bench(recipe_, layer(section.first).id, static_cast<int>(section.first), Text());
        const Setting outside = measured("outside Ø at the joint", section.meetOutside, 2);
        const Setting bore = measured("inside Ø at the joint", section.meetInside, 2);
        const Thing closed =
            bench.glue("close", {lower, upper}, "closed",
                       {.title = says(words::closeSection, n),
                        .why = says(words::closesInsides),
                        .how = says(words::mustMeet, outside, bore),
                        .joint = {.faces = facesBetween(built(section.first - 1), built(section.first)),
                                  .area = std::max(0.0, pi * (outer * outer - inner * inner)),
                                  .joints = 1,
                                  .woods = built(section.first).woods},
                        .settings = {outside, bore},
                        .minutes = 12,
                        .uses = {"lathe", "clamp"},
                        .waitTitle = says(words::sectionUnderPressure, n),
                        .waitWhy = says(words::notFromInside)});
        return bench.step(Action::PartOff, "close-part", {closed}, "free",
                          {.title = says(words::partSectionBlock, n),
                           .why = says(words::footAlone),
                           .how = says(words::partingTailstock),
                           .minutes = 8,
                           .uses = {"lathe"}});
    }

    /// The next of the steps on the whole piece.
    void next(Action action, const char* id, const char* gives, Doing doing)
    {
        now_ = whole_.step(action, id, {now_}, gives, std::move(doing));
    }

    void turn(const Thing& stacked, bool inSections)
    {
        now_ = stacked;
        next(Action::Wait, "cure", "blank",
             {.title = says(words::cureStack),
              .why = says(words::jointsCreep),
              .how = {},
              .waitMinutes = Bench::inClamp});
        next(Action::Turn, "rough", "rough-turned",
             {.title = says(words::roughOutside),
              .why = says(words::strongestThick),
              .how = says(words::lowestSpeed),
              .minutes = 40,
              .uses = {"lathe"}});
        hollow(inSections);
        next(Action::Turn, "fine", "turned",
             {.title = says(words::finishWall),
              .why = says(words::shapeHasMoved),
              .how = says(words::lightCuts),
              .minutes = 30,
              .uses = {"lathe"}});
        next(Action::Sand, "sand", "sanded",
             {.title = says(words::sand),
              .why = says(words::throughGrits),
              .how = says(words::restOff),
              .minutes = 30,
              .uses = {"lathe"}});
        if (piece_.nest.on) nest();
        next(Action::Finish, "finish", "finished",
             {.title = says(words::putOnFinish),
              .why = says(words::samePace),
              .how = says(words::oilyRags),
              .minutes = 20,
              .waitMinutes = shop_.finishMinutes});
        next(Action::PartOff, "part-off", "piece",
             {.title = says(words::partOff),
              .why = says(words::blockHeldTrue),
              .how = says(words::partingThenHand),
              .minutes = 15,
              .uses = {"lathe"}});
    }

    void hollow(bool inSections)
    {
        const Setting bore{"drill", "bore", piece_.hollow.bore, Unit::Length, "chosen", "", 1};
        if (piece_.hollow.rule == WallRule::Bored)
            next(Action::Drill, "bore", "hollowed",
                 {.title = says(words::boreThrough, bore),
                  .why = says(words::boreFirst),
                  .how = says(words::fromBothEnds),
                  .settings = {bore},
                  .minutes = 20,
                  .uses = {"lathe"}});
        else if (piece_.hollow.rule != WallRule::Solid && !inSections)
            next(Action::Turn, "hollow", "hollowed",
                 {.title = says(words::hollow),
                  .why = says(words::bothRoughed),
                  .how = says(words::byCalliper),
                  .minutes = 50,
                  .uses = {"lathe"}});
    }

    void nest()
    {
        int number = 0;
        for (const NestedRing& ring : nestedRings(piece_.nest)) {
            const std::string k = std::to_string(++number);
            const Setting outer = measured("outside Ø", ring.outer), inner = measured("inside Ø", ring.inner);
            const Setting tool{"lathe", "parting tool", piece_.nest.tool, Unit::Length, "chosen", "", 1};
            next(Action::PartOff, ("ring-" + k).c_str(), ("after-ring-" + k).c_str(),
                 {.title = says(words::partRing, number, outer, inner),
                  .why = says(words::outermostFirst),
                  .how = says(words::groove, inner, tool),
                  .settings = {outer, inner, tool},
                  .minutes = 8,
                  .uses = {"lathe"}});
        }
    }

    const Piece& piece_;
    const Shop& shop_;
    const Sides& sides_;
    const std::vector<Building>& buildings_;
    Recipe recipe_;
    Things ready_;  // of each layer, what goes onto the stack
    Bench whole_;
    Thing now_;
};

}  // namespace

Recipe stackRecipe(const Piece& piece, const Shop& shop, const Sides& sides, const std::vector<Building>& buildings)
{
    return StackWriter(piece, shop, sides, buildings).write();
}

}  // namespace vl
