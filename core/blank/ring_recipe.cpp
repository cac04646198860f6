#include "core/blank/ring_recipe.h"

#include "core/measure/format.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

class RecipeWriter {
public:
    RecipeWriter(const Piece& piece, const Shop& shop, const Assembly& assembly) : piece_(piece), shop_(shop), a_(assembly) {}

    Recipe write()
    {
        for (size_t i = 0; i < a_.layers.size(); ++i) a_.layers[i].kind == LayerKind::Disc ? disc(i) : ring(i);
        std::string stack = base();
        for (size_t i = 1; i < a_.layers.size(); ++i) stack = join(i, stack);
        turning(stack);
        return std::move(recipe_);
    }

private:
    Step& add(Step step)
    {
        recipe_.push_back(std::move(step));
        return recipe_.back();
    }
    static std::string key(const char* what, size_t i) { return std::string(what) + "-" + std::to_string(i + 1); }
    static std::string sheet(size_t i) { return "layer " + std::to_string(i + 1); }

    std::vector<std::string> partsOf(size_t i) const
    {
        std::vector<std::string> ids;
        for (const Part& p : a_.parts)
            if (p.layer == static_cast<int>(i)) ids.push_back(p.id);
        return ids;
    }

    void disc(size_t i)
    {
        const BuiltLayer& b = a_.layers[i];
        add({key("cut", i),
             Action::Cut,
             "Cut the disc of " + sheet(i),
             partsOf(i),
             {key("disc", i)},
             {},
             "one board, planed to " + fixed(b.planeTo, 1) + " mm, so that the growth rings run one way across it",
             "bandsaw, " + fixed(b.stock.outer, 1) + " mm circle",
             8,
             0,
             {"bandsaw"},
             static_cast<int>(i)});
        add({key("flatten", i),
             Action::Flatten,
             "Flatten both faces of the disc of " + sheet(i),
             {key("disc", i)},
             {key("flat", i)},
             {key("cut", i)},
             "a glue joint holds only where the faces meet everywhere",
             "sanding board, as little as takes out the saw marks",
             6,
             0,
             {"sanding board"},
             static_cast<int>(i)});
    }

    void ring(size_t i)
    {
        const BuiltLayer& b = a_.layers[i];
        const int n = b.stock.sides;
        const bool gauge = piece_.choices.cutting == CutSchool::MiterGauge;
        add({key("cut", i),
             Action::Cut,
             "Cut " + std::to_string(n) + " segments of " + sheet(i),
             partsOf(i),
             {key("segments", i)},
             {},
             "all of a ring in one set-up: the same error in every mitre is one that can be measured and taken out",
             (gauge ? "mitre gauge " + fixed(b.stock.miterDeg(), 3) + "° from square, turn the strip over after each cut, stop at "
                    : "wedge sled set to " + fixed(b.stock.miterDeg(), 3) + "°, same face up throughout, stop at ") +
                 fixed(b.stock.outerEdge(), 2) + " mm",
             5 + 0.5 * n,
             0,
             {"saw"},
             static_cast<int>(i)});
        add({key("dry", i),
             Action::Sand,
             "Dry-fit " + sheet(i) + " and ease the cut edges",
             {key("segments", i)},
             {key("fitted", i)},
             {key("cut", i)},
             "a gap seen now is a fence correction; seen after the glue it is a gap",
             "band round the dry ring, look against the light",
             4,
             0,
             {},
             static_cast<int>(i)});
        std::string closed = key("glue", i), wait = key("wait", i);
        if (piece_.choices.closing == RingSchool::BandClamp || n % 2) {
            add({closed,
                 Action::Glue,
                 "Glue up " + sheet(i),
                 {key("fitted", i)},
                 {key("raw", i)},
                 {key("dry", i)},
                 "all joints at once, so that the band draws every one of them closed",
                 "glue on one face of each joint, band clamp, tap flat on a plate",
                 4 + 0.4 * n,
                 0,
                 {"band clamp"},
                 static_cast<int>(i)});
            add({wait,
                 Action::Wait,
                 "Leave " + sheet(i) + " in the clamp",
                 {key("raw", i)},
                 {key("set", i)},
                 {closed},
                 "a joint moved before the glue has set is a weak one",
                 "",
                 0,
                 shop_.clampMinutes,
                 {"band clamp"},
                 static_cast<int>(i)});
        } else {
            add({key("halves", i),
                 Action::Glue,
                 "Glue two half rings of " + sheet(i),
                 {key("fitted", i)},
                 {key("half", i)},
                 {key("dry", i)},
                 "small errors of the mitre gather in two joints, where they can be sanded out",
                 std::to_string(n / 2) + " segments each, rubbed joints, the two open joints left dry",
                 3 + 0.4 * n,
                 shop_.clampMinutes,
                 {"plate"},
                 static_cast<int>(i)});
            add({key("flats", i),
                 Action::Flatten,
                 "Flatten the open joints of " + sheet(i),
                 {key("half", i)},
                 {key("true", i)},
                 {key("halves", i)},
                 "both ends of each half in one plane: the last two joints close without strain",
                 "sanding disc or board, both ends at once",
                 5,
                 0,
                 {"disc sander"},
                 static_cast<int>(i)});
            add({closed,
                 Action::Glue,
                 "Glue the halves of " + sheet(i) + " together",
                 {key("true", i)},
                 {key("raw", i)},
                 {key("flats", i)},
                 "only flats that meet without light between them are glued",
                 "glue both flats, clamp lightly on a plate",
                 3,
                 0,
                 {"clamp"},
                 static_cast<int>(i)});
            add({wait,
                 Action::Wait,
                 "Leave " + sheet(i) + " in the clamp",
                 {key("raw", i)},
                 {key("set", i)},
                 {closed},
                 "a joint moved before the glue has set is a weak one",
                 "",
                 0,
                 shop_.clampMinutes,
                 {"clamp"},
                 static_cast<int>(i)});
        }
        add({key("flatten", i),
             Action::Flatten,
             "Flatten one face of " + sheet(i),
             {key("set", i)},
             {key("flat", i)},
             {wait},
             "the face that goes onto the stack; the other is trued on the lathe once it is there",
             "drum sander or sanding board, take " + fixed(piece_.layers[i].sandingLoss, 1) + " mm",
             5,
             0,
             {"sanding board"},
             static_cast<int>(i)});
    }

    std::string base()
    {
        add({"waste-block",
             Action::Mount,
             "Turn a waste block true on the faceplate",
             {"waste-block"},
             {"mounted-block"},
             {},
             "the whole stack is built on it; what is not flat here is not flat anywhere",
             "scrap of even grain, flat across",
             15,
             0,
             {"lathe"},
             -1});
        add({"stack-1",
             Action::Glue,
             "Glue " + sheet(0) + " to the waste block",
             {"mounted-block", key("flat", 0)},
             {"stack-1"},
             {"waste-block", key("flatten", 0)},
             "centred now, the stack runs true to the end",
             "centre with the tailstock, glue, tailstock pressure",
             6,
             0,
             {"lathe", "clamp"},
             0});
        add({"set-1",
             Action::Wait,
             "Leave the base under pressure",
             {"stack-1"},
             {"held-1"},
             {"stack-1"},
             "it carries everything that follows",
             "",
             0,
             shop_.clampMinutes,
             {"lathe", "clamp"},
             0});
        return "set-1";
    }

    std::string join(size_t i, const std::string& before)
    {
        const std::string below = std::to_string(i), here = std::to_string(i + 1);
        add({key("true", i - 1) + "-face",
             Action::Flatten,
             "True the face of " + sheet(i - 1) + " on the lathe",
             {"held-" + below},
             {"faced-" + below},
             {before},
             "flat and square to the axis, to " + fixed(a_.layers[i - 1].z1, 1) + " mm from the waste block",
             "sanding board held against the turning face, check with a straightedge",
             5,
             0,
             {"lathe"},
             static_cast<int>(i) - 1});
        const double shift = piece_.layers[i].turn;
        std::string rotation = a_.layers[i].kind == LayerKind::Disc
                                   ? "grain in line with the layer below"
                                   : fixed(shift * 360.0 / a_.layers[i].count(), 2) + "° on from the layer below (" + fixed(shift, 2) + " of a segment)";
        add({"stack-" + here,
             Action::Glue,
             "Glue " + sheet(i) + " onto the stack",
             {"faced-" + below, key("flat", i)},
             {"stack-" + here},
             {key("true", i - 1) + "-face", key("flatten", i)},
             "turned " + rotation + ", so that no joint stands over a joint",
             "pencil marks on both joints, rub, centre with the tailstock cone, press",
             7,
             0,
             {"lathe", "clamp"},
             static_cast<int>(i)});
        add({"set-" + here,
             Action::Wait,
             "Leave " + sheet(i) + " under pressure",
             {"stack-" + here},
             {"held-" + here},
             {"stack-" + here},
             "facing a joint that has not set tears it",
             "",
             0,
             shop_.clampMinutes,
             {"lathe", "clamp"},
             static_cast<int>(i)});
        return "set-" + here;
    }

    void turning(const std::string& stack)
    {
        const std::string blank = "held-" + std::to_string(a_.layers.size());
        add({"cure",
             Action::Wait,
             "Let the stack cure",
             {blank},
             {"blank"},
             {stack},
             "glue that still holds water lets the joints creep under the finish",
             "",
             0,
             shop_.cureMinutes,
             {},
             -1});
        add({"rough",
             Action::Turn,
             "Turn the outside round and close to the template",
             {"blank"},
             {"rough-turned"},
             {"cure"},
             "the stack is strongest while it is still thick inside",
             "lowest speed until round",
             40,
             0,
             {"lathe"},
             -1});
        std::string last = "rough", thing = "rough-turned";
        if (piece_.hollow.rule != WallRule::Solid) {
            add({"hollow",
                 Action::Turn,
                 "Hollow to the stations",
                 {thing},
                 {"hollowed"},
                 {last},
                 "both sides are roughed before either is finished: wood moves as it is opened",
                 "wall by calliper at each station, from the rim inwards",
                 50,
                 0,
                 {"lathe"},
                 -1});
            last = "hollow";
            thing = "hollowed";
        }
        add({"fine",
             Action::Turn,
             "Finish the wall to the template",
             {thing},
             {"turned"},
             {last},
             "the last cuts go on a shape that has already moved",
             "light cuts, sharp edge",
             30,
             0,
             {"lathe"},
             -1});
        add({"sand",
             Action::Sand,
             "Sand",
             {"turned"},
             {"sanded"},
             {"fine"},
             "through the grits, none left out",
             "tool rest taken off first; dust extraction and mask",
             30,
             0,
             {"lathe"},
             -1});
        add({"finish",
             Action::Finish,
             "Put on the finish",
             {"sanded"},
             {"finished"},
             {"sand"},
             "inside and outside alike, so that both take up moisture at the same pace",
             "spread oily rags flat outdoors to dry: heaped, they can catch fire by themselves",
             20,
             shop_.cureMinutes,
             {},
             -1});
        add({"part-off",
             Action::PartOff,
             "Part off from the waste block and finish the foot",
             {"finished"},
             {"piece"},
             {"finish"},
             "last: until now the block held the piece true",
             "parting tool, then hand sanding",
             15,
             0,
             {"lathe"},
             -1});
    }

    const Piece& piece_;
    const Shop& shop_;
    const Assembly& a_;
    Recipe recipe_;
};

}  // namespace

Recipe ringStackRecipe(const Piece& piece, const Shop& shop, const Assembly& assembly) { return RecipeWriter(piece, shop, assembly).write(); }

}  // namespace vl
