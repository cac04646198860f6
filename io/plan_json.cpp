#include "io/plan_json.h"

#include "core/plan/boards/setups.h"
#include "core/plan/maps.h"
#include "core/workpiece/lid_sides.h"
#include "io/json_reader.h"
#include "io/run_json.h"

#include <array>
#include <cmath>

namespace vl::io {
namespace {

Json orNull(double v) { return std::isfinite(v) ? Json(v) : Json(nullptr); }

Json endCut(const EndCut& e) { return {{"miter_deg", e.miterDeg}, {"bevel_deg", e.bevelDeg}}; }

Json partsJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const Part& p : plan.assembly.parts)
        list.push_back({{"id", p.id},
                        {"name", p.name},
                        {"count", p.count},
                        {"species", p.species->id},
                        {"length_mm", p.length},
                        {"width_mm", p.width},
                        {"thickness_mm", p.thickness},
                        {"end_cuts", Json::array({endCut(p.left), endCut(p.right)})},
                        {"grain", p.grain},
                        {"layer", piece.layers[static_cast<size_t>(p.layer)].id},
                        {"volume_mm3", p.volume}});
    return list;
}

Json rectJson(const BoardRect& r)
{
    return {{"x_mm", r.x}, {"y_mm", r.y}, {"length_mm", r.length}, {"width_mm", r.width}};
}

Json boardsJson(const BoardPlan& boards)
{
    Json list = Json::array();
    for (const PlannedBoard& b : boards.boards) {
        Json strips = Json::array(), offcuts = Json::array(), lengths = Json::array();
        for (const BoardRect& r : b.lengths) lengths.push_back(rectJson(r));
        for (const PlannedStrip& s : b.strips) {
            Json runs = Json::array();
            for (const PlannedRun& r : s.runs)
                runs.push_back({{"part", r.part},
                                {"count", r.count},
                                {"from_mm", r.from},
                                {"length_mm", r.length},
                                {"x_mm", s.place.x + r.from},
                                {"y_mm", s.place.y}});
            strips.push_back({{"rip_mm", s.place.width},
                              {"thickness_mm", s.thickness},
                              {"place", rectJson(s.place)},
                              {"used_mm", s.used},
                              {"ganged", s.ganged},
                              {"done", s.kept},
                              {"parts", runs}});
        }
        for (const BoardRect& r : b.offcuts) offcuts.push_back(rectJson(r));
        list.push_back({{"board", b.board.id},
                        {"species", b.board.wood},
                        {"length_mm", b.board.length},
                        {"width_mm", b.board.width},
                        {"thickness_mm", b.board.thickness},
                        {"lengths", lengths},
                        {"strips", strips},
                        {"cuts", b.cuts.size()},
                        {"offcuts", offcuts},
                        {"consumed_mm2", b.consumed},
                        {"cost", b.cost}});
    }
    return list;
}

Json setupsJson(const std::vector<Setup>& setups)
{
    Json list = Json::array();
    for (const Setup& s : setups) {
        Json settings = Json::object();
        for (const Setting& one : s.settings) settings[one.name] = one.value;
        list.push_back({{"machine", s.machine},
                        {"settings", settings},
                        {"parts", s.parts},
                        {"cuts", s.cuts},
                        {"what", s.what},
                        {"trial", s.trial}});
    }
    return list;
}

/// Yield and bound are of the boards where a rack is there to cut from, else of the strips.
Json cutsJson(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards)
{
    const CutPlan& cuts = plan.cuts;
    Json needed = Json::array(), shortfall = Json::array();
    for (const Strip& s : cuts.strips)
        needed.push_back({{"species", s.species->id},
                          {"thickness_mm", s.thickness},
                          {"strip_width_mm", s.width},
                          {"strip_length_mm", s.length},
                          {"volume_mm3", s.volume},
                          {"parts", s.parts}});
    for (const Shortfall& s : boards.shortfall)
        shortfall.push_back({{"part", s.part},
                             {"species", s.species->id},
                             {"count", s.count},
                             {"board_thickness_mm", s.board},
                             {"strip_width_mm", s.width},
                             {"strip_length_mm", s.length},
                             {"volume_mm3", s.volume}});
    Json rings = Json::array();
    for (const RingCut& r : cuts.rings)
        rings.push_back({{"layer", piece.layers[static_cast<size_t>(r.layer)].id},
                         {"miter_deg", r.miter},
                         {"fence_deg", r.fence},
                         {"outer_edge_mm", r.outerEdge},
                         {"inner_edge_mm", r.innerEdge},
                         {"board_width_mm", r.boardWidth},
                         {"plane_to_mm", r.planeTo},
                         {"strip_length_mm", r.stripLength},
                         {"sled_offset_mm", r.sledOffset},
                         {"wedge_deg", r.wedge},
                         {"fence_correction_deg", r.correction}});
    Json offcuts = Json::array();
    for (const PlannedBoard& b : boards.boards)
        for (const BoardRect& r : b.offcuts)
            offcuts.push_back({{"board", b.board.id},
                               {"x_mm", r.x},
                               {"y_mm", r.y},
                               {"length_mm", r.length},
                               {"width_mm", r.width},
                               {"thickness_mm", b.board.thickness}});
    const bool cut = !boards.boards.empty();
    return {{"boards", boardsJson(boards)},
            {"needed", needed},
            {"rings", rings},
            {"offcuts", offcuts},
            {"saw_setups", setupsJson(setupsOf(piece, plan.assembly, boards))},
            {"saw_setups_least", leastSetups(piece, shop, plan.assembly)},
            {"yield", cut ? boards.yield() : cuts.yield()},
            {"lower_bound", cut ? Json(boards.lowerBound) : Json(nullptr)},
            {"consumed", cut ? Json(boards.consumed) : Json(nullptr)},
            {"cost", boards.cost},
            {"shortfall", shortfall}};
}

const char* unitName(Unit unit)
{
    static constexpr std::array names{"mm", "deg", "", "min", "rpm", "g"};
    return names[static_cast<size_t>(unit)];
}

Json settingsJson(const std::vector<Setting>& settings)
{
    Json list = Json::array();
    for (const Setting& s : settings)
        list.push_back({{"machine", resourceName(s.machine)},
                        {"name", s.name},
                        {"value", s.value},
                        {"unit", unitName(s.unit)},
                        {"working", s.formula},
                        {"source", s.source}});
    return list;
}

/// The joint of a step that glues; nothing else has one.
Json jointJson(const Step& s)
{
    if (s.glue.joints == 0) return nullptr;
    return {{"faces", jointName(s.glue.faces)},
            {"joints", s.glue.joints},
            {"area_mm2", s.glue.area},
            {"glue", s.glue.glue},
            {"grams", s.glue.grams},
            {"light_min", s.glue.lightMinutes},
            {"machine_min", s.glue.machineMinutes}};
}

Json stepsJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const size_t i : plan.schedule.order) {
        const Step& s = plan.assembly.recipe[i];
        Json uses = Json::array();
        for (const Resource r : s.uses) uses.push_back(resourceName(r));
        list.push_back({{"id", s.id},
                        {"action", actionName(s.action)},
                        {"title", print(s.title)},
                        {"inputs", s.inputs},
                        {"outputs", s.outputs},
                        {"after", s.after},
                        {"why", print(s.why)},
                        {"how", print(s.how)},
                        {"lines", linesJson(s)},
                        {"settings", settingsJson(s.settings)},
                        {"work_min", s.workMinutes},
                        {"wait_min", s.waitMinutes},
                        {"uses", uses},
                        {"layer", s.layer < 0 ? Json(nullptr) : Json(piece.layers[static_cast<size_t>(s.layer)].id)},
                        {"rotation_deg", s.rotationDeg},
                        {"joint", jointJson(s)},
                        {"critical", static_cast<bool>(plan.schedule.critical[i])},
                        {"done", static_cast<bool>(plan.schedule.done[i])},
                        {"start", plan.schedule.start[i]},
                        {"end", plan.schedule.end[i]}});
    }
    return list;
}

Json stationsJson(const Plan& plan)
{
    Json list = Json::array();
    for (const Station& s : plan.stations)
        list.push_back({{"z_mm", s.z},
                        {"outside_diameter_mm", orNull(s.outside)},
                        {"inside_diameter_mm", orNull(s.inside)},
                        {"wall_mm", orNull(s.wall)},
                        {"further_mm", s.further},
                        {"from_rim_mm", s.fromRim},
                        {"parting_mm", orNull(s.parting)}});
    return list;
}

Json speedJson(const SpeedRange& s) { return {{"rpm_low", s.low}, {"rpm_high", s.high}, {"rim_m_s", s.rim}}; }

Json pointJson(const Point& p) { return {{"x_mm", p.x()}, {"y_mm", p.y()}}; }

Json setUpsJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const AxisSetUp& s : plan.setUps) {
        const OffAxis& axis = piece.axes[s.axis];
        const auto mount = std::ranges::find(plan.mounts, "mount-" + s.id, &Mount::id);
        Json outline = Json::array();
        for (const Point& p : s.solid.outline) outline.push_back({{"z_mm", p.x()}, {"radius_mm", p.y()}});
        Json one{{"id", s.id},
                 {"axis", axis.id},
                 {"by", choicesOf<AxisBy>()[static_cast<size_t>(axis.by)].name},
                 {"head", pointJson(s.head)},
                 {"tail", pointJson(s.tail)},
                 {"tilt_deg", s.solid.tiltDeg()},
                 {"direction_deg", axis.headDirection + s.indexDeg},
                 {"index_deg", s.indexDeg},
                 {"hole", s.mark.hole < 0 ? Json(nullptr) : Json(s.mark.hole)},
                 {"index_error_deg", s.mark.errorDeg},
                 {"cuts", Json::array({{{"kind", "outside"}, {"outline", outline}}})}};
        if (mount != plan.mounts.end()) {
            one["rpm_low"] = mount->speed.low;
            one["rpm_high"] = mount->speed.high;
        }
        list.push_back(std::move(one));
    }
    return list;
}

Json axesJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const AxisReport& r : plan.axes) {
        Json at = Json::array();
        for (const AxisAt& a : r.at)
            at.push_back({{"z_mm", a.z},
                          {"round_mm", a.round},
                          {"flats_mm", a.flats},
                          {"bands_mm", a.bands},
                          {"depths_mm", a.depths},
                          {"meet_radius_mm", a.meetRadius},
                          {"band_radius_mm", a.bandRadius},
                          {"widest_mm", a.widest},
                          {"narrowest_mm", a.narrowest},
                          {"area_mm2", a.area},
                          {"air_share", a.air},
                          {"per_mm_of_centre_mm", a.perMillimeter},
                          {"per_hole_mm", a.perHole}});
        list.push_back({{"axis", piece.axes[r.axis].id},
                        {"name", nameOf(piece, r.axis)},
                        {"least_wall_mm", orNull(r.leastWall)},
                        {"middle_depth_line_lost", r.middleLineLost},
                        {"imbalance_mm", r.imbalance},
                        {"at", at}});
    }
    return list;
}

Json mountsJson(const Plan& plan)
{
    Json list = Json::array();
    for (const Mount& m : plan.mounts)
        list.push_back({{"id", m.id},
                        {"step", m.id},
                        {"kind", choicesOf<Hold>()[static_cast<size_t>(m.held.by)].name},
                        {"grip",
                         {{"diameter_mm", m.held.diameter},
                          {"depth_mm", m.held.depth},
                          {"jaws", m.held.by == Hold::Tenon || m.held.by == Hold::Recess
                                       ? Json(m.held.jaws.empty() ? "on the chuck" : m.held.jaws)
                                       : Json(nullptr)}}},
                        {"overhang_mm", m.held.overhang},
                        {"tailstock", m.held.tailstock},
                        {"sweep_radius_mm", m.sweep},
                        {"rpm_low", m.speed.low},
                        {"rpm_high", m.speed.high},
                        {"limit", m.limit},
                        {"moment_nm", m.proof.moment},
                        {"limit_nm", m.proof.limit},
                        {"holds", m.proof.holds},
                        {"why", m.why}});
    return list;
}

Json mapsJson(const Shop& shop, const Plan& plan)
{
    constexpr double coarse = 0.1;  // mm
    const Mesh mesh = turnedMesh(plan.assembly, plan.surfaces, {coarse, false});
    Json list = Json::array();
    for (size_t k = 0; k < choicesOf<MapKind>().size(); ++k) {
        const SurfaceMap map = surfaceMap(static_cast<MapKind>(k), mesh, shop, plan);
        const Eigen::Vector3d& at = map.worstAt;
        list.push_back(
            {{"kind", choicesOf<MapKind>()[k].name},
             {"unit", map.unit},
             {"low", orNull(map.range.low)},
             {"high", orNull(map.range.high)},
             {"worst", std::isnan(map.worst) ? Json(nullptr)
                                             : Json{{"value", map.worst},
                                                    {"z_mm", at.x()},
                                                    {"radius_mm", at.tail<2>().norm()},
                                                    {"direction_deg", std::atan2(at.z(), at.y()) / degrees}}}});
    }
    return list;
}

Json holesJson(const Piece& piece, const Plan& plan)
{
    Json list = Json::array();
    for (const DrilledHole& h : plan.surfaces.holes)
        list.push_back({{"id", piece.holes[h.hole].id + "-" + std::to_string(h.which + 1)},
                        {"name", nameOf(piece, piece.holes[h.hole])},
                        {"step", drillStep(piece, h)},
                        {"diameter_mm", piece.holes[h.hole].diameter},
                        {"direction_deg", h.angleDeg},
                        {"index_hole", h.mark.hole < 0 ? Json(nullptr) : Json(h.mark.hole)},
                        {"index_error_deg", h.mark.errorDeg},
                        {"meets_wood", !h.solid.profile.empty()},
                        {"mouth", Json::array({h.solid.from.x(), h.solid.from.y(), h.solid.from.z()})},
                        {"depth_mm", h.full},
                        {"point_mm", h.tip},
                        {"through", h.through},
                        {"left_under_mm", h.through ? Json(nullptr) : Json(h.under)},
                        {"slope_deg", h.slopeDeg}});
    return list;
}

Json lidJson(const Piece& piece, const Shop& shop, const Plan& plan)
{
    if (!hasLid(piece) || plan.surfaces.inside.empty()) return nullptr;
    const LidJoint j = lidJoint(piece, shop.fits, plan.surfaces);
    return {{"at_mm", piece.lid.at},
            {"bore_mm", 2 * j.bore},
            {"spigot_mm", 2 * j.spigot},
            {"recess_mm", 2 * j.recess},
            {"recess_depth_mm", j.deep},
            {"wall_left_mm", j.left},
            {"blank_longer_mm", lidWaste(piece)}};
}

Json pieceSummary(const Piece& piece, const Shape& s)
{
    return {{"name", piece.name},
            {"height_mm", s.height},
            {"greatest_diameter_mm", s.greatestDiameter},
            {"least_diameter_mm", s.leastDiameter},
            {"thinnest_wall_mm", s.solid ? Json(nullptr) : Json(s.thinnest.wall)},
            {"thickest_wall_mm", s.solid ? Json(nullptr) : Json(s.thickest.wall)},
            {"floor_thickness_mm", s.floorThickness},
            {"capacity_mm3", s.capacity},
            {"wood_volume_mm3", s.woodVolume},
            {"weight_kg", s.weight},
            {"rough_weight_kg", s.roughWeight},
            {"gravity_height_mm", s.gravityHeight},
            {"tip_angle_deg", s.tipAngle}};
}

}  // namespace

std::string writePlan(const Piece& piece, const Shop& shop, const Plan& plan, const BoardPlan& boards, bool maps)
{
    Json cautions = Json::array();
    for (const Caution& c : plan.cautions) {
        Json fixes = Json::array();
        for (const Fix& f : c.fixes) fixes.push_back(print(f.label));
        cautions.push_back({{"id", c.id},
                            {"level", levelName(c.level)},
                            {"at", c.at},
                            {"measure", orNull(c.measure)},
                            {"limit", orNull(c.limit)},
                            {"unit", c.unit},
                            {"message", print(c.message)},
                            {"fixes", fixes}});
    }
    const LathePlan& l = plan.lathe;
    Json j{{"format", "vivid-lathe-plan"},
           {"piece", pieceSummary(piece, plan.shape)},
           {"parts", partsJson(piece, plan)},
           {"cuts", cutsJson(piece, shop, plan, boards)},
           {"steps", stepsJson(piece, plan)},
           {"schedule",
            {{"length_min", plan.schedule.length},
             {"work_min", plan.schedule.workMinutes},
             {"lower_bound_min", plan.schedule.lowerBound},
             {"bound_by", plan.schedule.busiest}}},
           {"setups", setUpsJson(piece, plan)},
           {"axes", axesJson(piece, plan)},
           {"mounts", mountsJson(plan)},
           {"mountings", plan.mounts.size()},
           {"mountings_least", fewestKnown(plan.mounts) ? Json(plan.mounts.size()) : Json(nullptr)},
           {"run", runJson(piece, plan)},
           {"rules", rulesJson(plan)},
           {"holes", holesJson(piece, plan)},
           {"lid", lidJson(piece, shop, plan)},
           {"stations", stationsJson(plan)},
           {"lathe",
            {{"rough_radius_mm", l.roughRadius},
             {"swing_clearance_mm", l.swingClearance},
             {"rough", speedJson(l.rough)},
             {"finished", speedJson(l.finished)}}},
           {"cautions", cautions}};
    if (maps) j["maps"] = mapsJson(shop, plan);
    return j.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace vl::io
