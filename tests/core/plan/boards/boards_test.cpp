// The cutting plan on real boards: nothing overlaps, nothing is lost, what is left goes back to the rack.
#include "core/piece/edits/edit.h"
#include "core/plan/boards/board_plan.h"
#include "core/plan/boards/setups.h"
#include "core/plan/plan.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <boost/geometry.hpp>
#include <boost/geometry/geometries/multi_polygon.hpp>
#include <boost/geometry/geometries/point_xy.hpp>
#include <boost/geometry/geometries/polygon.hpp>

#include <cmath>
#include <map>
#include <set>

using namespace vl;

namespace {

namespace bg = boost::geometry;
using Flat = bg::model::polygon<bg::model::d2::point_xy<double>>;
using Flats = bg::model::multi_polygon<Flat>;

Flat flatOf(const BoardRect& r)
{
    Flat out;
    for (const auto& [x, y] : {std::pair{r.x, r.y}, {r.x, r.top()}, {r.right(), r.top()}, {r.right(), r.y}, {r.x, r.y}})
        bg::append(out, bg::model::d2::point_xy<double>(x, y));
    return out;
}

Flats unionOf(const std::vector<BoardRect>& rects)
{
    Flats all;
    for (const BoardRect& r : rects) {
        Flats more;
        bg::union_(all, flatOf(r), more);
        all = std::move(more);
    }
    return all;
}

double shared(const Flats& a, const Flats& b)
{
    Flats both;
    bg::intersection(a, b, both);
    return bg::area(both);
}

/// Offcuts against the union of what is cut, by Boost.Geometry: on the board, apart from one another and from every
/// strip and its kerf as far as it is used; a defect lies in none but the board that is left, and goes back to the rack
/// in it.
void expectOffcutsAreWhatIsLeft(const PlannedBoard& b, const Shop& shop, const std::string& name)
{
    std::vector<BoardRect> gone;
    for (const PlannedStrip& s : b.strips)
        gone.push_back({s.place.x, s.place.y, s.used, s.place.width + std::min(s.kerf, shop.ripKerf)});
    const Flats cut = unionOf(gone), kept = unionOf(b.offcuts), face = unionOf({{0, 0, b.board.length, b.board.width}});
    EXPECT_NEAR(shared(cut, kept), 0, 1e-3) << name << " " << b.board.id << ": an offcut is cut into";
    double sum = 0;
    for (const BoardRect& r : b.offcuts) sum += r.length * r.width;
    EXPECT_NEAR(bg::area(kept), sum, 1e-3) << name << ": offcuts lie over one another";
    EXPECT_NEAR(shared(kept, face), sum, 1e-3) << name << ": an offcut hangs over the board";
    EXPECT_NEAR(b.consumed, bg::area(face) - bg::area(kept), 1e-3) << name << ": used up is what does not go back";
    for (const BoardRect& r : b.offcuts) EXPECT_GE(r.length, shop.leastOffcut - 1e-9) << name;
    const Flats bad = unionOf(defectsOf(b.board));
    for (const BoardRect& r : b.offcuts)
        if (r.width < b.board.width - 1e-9)
            EXPECT_NEAR(shared(bad, unionOf({r})), 0, 1e-3) << name << " " << b.board.id;
    BoardPlan alone;
    alone.boards = {b};
    double back = 0;
    for (const Board& board : rackAfter({b.board}, alone, true)) back += bg::area(unionOf(defectsOf(board)));
    EXPECT_NEAR(back, shared(bad, kept), 0.05) << name << ": a defect is lost from sight";
}

}  // namespace

TEST(ClearPanels, AvoidDefectsAndLoseLittle)
{
    test::property([] {
        Board b;
        b.length = test::inRange(600, 2600);
        b.width = test::inRange(80, 300);
        const int count = test::inRange(0, 7);
        double bad = 0;
        for (int k = 0; k < count; ++k) {
            Defect d;
            d.along = test::inRange(0, static_cast<int>(b.length));
            d.across = test::inRange(0, static_cast<int>(b.width));
            d.length = std::min<double>(test::inRange(10, 120), b.length - d.along);
            d.width = std::min<double>(test::inRange(10, 60), b.width - d.across);
            bad += d.length * d.width;
            b.defects.push_back(d);
        }
        const auto panels = clearPanels(b, defectsOf(b), 0, 0);
        double sum = 0;
        for (size_t i = 0; i < panels.size(); ++i) {
            sum += panels[i].area();
            RC_ASSERT(panels[i].x >= 0 && panels[i].y >= 0 && panels[i].right() <= b.length + 1e-9 &&
                      panels[i].top() <= b.width + 1e-9);
            for (const BoardRect& d : defectsOf(b)) RC_ASSERT(!panels[i].overlaps(d));
            for (size_t k = i + 1; k < panels.size(); ++k) RC_ASSERT(!panels[i].overlaps(panels[k]));
        }
        // Nothing but defects is left out when every size counts.
        RC_ASSERT(sum >= b.length * b.width - bad - 1e-6);
    });
    Board sapwood;
    sapwood.length = 1500;
    sapwood.width = 150;
    sapwood.defects = {{0, 0, 1500, 20, "sapwood"}, {700, 100, 60, 50, "knot"}};
    const auto panels = clearPanels(sapwood, defectsOf(sapwood), 300, 5);
    ASSERT_GE(panels.size(), 2u);
    double sum = 0;
    for (const BoardRect& r : panels) sum += r.area();
    EXPECT_GT(sum / (1500.0 * 130), 0.95);
}

TEST(BoardPlan, EverySampleIsCutFromTheHarboursRackWithNothingLost)
{
    const Shop shop = test::harbourShop();
    for (const std::string& name : test::demoNames()) {
        const Piece piece = test::demo(name);
        const Plan plan = makePlan(piece, shop);
        const BoardPlan boards = planBoards(piece, shop, plan.assembly);
        std::map<std::string, int> cut;
        for (const PlannedBoard& b : boards.boards) {
            std::vector<BoardRect> taken = defectsOf(b.board);
            for (const PlannedStrip& s : b.strips) {
                EXPECT_GE(s.place.x, 0);
                EXPECT_LE(s.place.right(), b.board.length + 1e-6) << name;
                EXPECT_LE(s.place.top(), b.board.width + 1e-6) << name;
                for (const BoardRect& t : taken) EXPECT_FALSE(s.place.overlaps(t)) << name << " " << b.board.id;
                taken.push_back({s.place.x, s.place.y, s.place.length, s.place.width + shop.ripKerf - 1e-6});
                double at = 0;
                for (const PlannedRun& r : s.runs) {
                    cut[r.part] += r.count;
                    EXPECT_NEAR(r.from, at, 1e-9);
                    at += r.length;
                }
                EXPECT_LE(at + piece.choices.endWaste, s.place.length + 1e-6) << name;
                EXPECT_EQ(s.ganged, at + piece.choices.endWaste < shop.leastHold - 1e-9) << name;
                EXPECT_GE(s.used, std::min(shop.leastHold, s.place.length) - 1e-9) << "too short to hold";
            }
            expectOffcutsAreWhatIsLeft(b, shop, name);
            // A length is cut from the board over its whole width, no longer than its longest strip asks for, unless
            // what is left would be too short to keep.
            for (size_t k = 0; k < b.lengths.size(); ++k) {
                const BoardRect& r = b.lengths[k];
                double longest = 0;
                for (const PlannedStrip& s : b.strips)
                    if (!s.kept && s.length == k) {
                        longest = std::max(longest, s.used);
                        EXPECT_NEAR(s.place.x, r.x, 1e-9);
                        EXPECT_NEAR(s.place.length, r.length, 1e-9);
                    }
                const auto panel = std::ranges::find_if(b.panels, [&](const BoardRect& q) { return q.overlaps(r); });
                ASSERT_NE(panel, b.panels.end());
                EXPECT_NEAR(r.width, panel->width, 1e-9) << "across the whole panel";
                const double over = r.right() < panel->right() - 1e-6 ? 1e-6 : shop.leastOffcut + shop.kerf + 1e-6;
                EXPECT_GE(r.length, longest - 1e-6) << name << " " << b.board.id;
                EXPECT_LT(r.length, longest + over) << name << " " << b.board.id;
            }
            // Cuts are numbered as they are made: lengths first, and a strip is ripped before it is cut across.
            for (size_t k = 0; k < b.cuts.size(); ++k) EXPECT_EQ(b.cuts[k].number, static_cast<int>(k) + 1);
            for (const BoardCut& rip : b.cuts)
                for (const BoardCut& cross : b.cuts)
                    if (rip.kind == BoardCut::Rip && cross.kind == BoardCut::Crosscut && rip.strip == cross.strip)
                        EXPECT_LT(rip.number, cross.number);
        }
        for (const Shortfall& s : boards.shortfall) cut[s.part] += s.count;
        for (const Part& p : plan.assembly.parts) EXPECT_EQ(cut[p.id], p.count) << name << " " << p.id;
        EXPECT_TRUE(boards.shortfall.empty())
            << name << " lacks " << (boards.shortfall.empty() ? "" : boards.shortfall[0].part);
        EXPECT_GE(boards.consumed, boards.lowerBound * (1 - 1e-6)) << name;
        EXPECT_NEAR((boards.partsVolume + boards.kerfVolume + boards.wasteVolume) / boards.boardVolume, 1, 1e-9)
            << name << ": boards are parts, kerf and waste";
        EXPECT_GT(boards.yield(), 0.05) << name;
        // Every part is set up for somewhere, and no setting comes twice.
        std::set<std::string> set;
        std::set<std::string> seen;
        for (const vl::Setup& s : setupsOf(piece, plan.assembly, boards)) {
            std::string key = s.machine;
            for (const Setting& one : s.settings) key += " " + one.name + std::to_string(std::lround(one.value * 100));
            EXPECT_TRUE(seen.insert(key).second) << name << ": " << key << " is set twice";
            EXPECT_FALSE(s.trial.empty());
            set.insert(s.parts.begin(), s.parts.end());
        }
        for (const Part& p : plan.assembly.parts)
            if (p.thickness >= 3) EXPECT_TRUE(set.contains(p.id)) << name << " " << p.id;
    }
}

TEST(BoardPlan, WhatIsCutStaysWhenThePieceChangesALittle)
{
    const Shop shop = test::harbourShop();
    Piece piece = test::regattaCup();
    const BoardPlan first = planBoards(piece, shop, makePlan(piece, shop).assembly);
    ASSERT_FALSE(first.boards.empty());
    const PlannedBoard& board = first.boards[0];
    const KeptStrip kept = keptStrip(board, board.strips[0]);
    piece.progress.strips = {kept};
    piece.layers.back().thickness += 1.5;
    const Plan plan = makePlan(piece, shop);
    const BoardPlan next = planBoards(piece, shop, plan.assembly);
    int found = 0;
    std::map<std::string, int> cut;
    for (const PlannedBoard& b : next.boards)
        for (const PlannedStrip& s : b.strips) {
            for (const PlannedRun& r : s.runs) cut[r.part] += r.count;
            if (s.kept) {
                ++found;
                EXPECT_EQ(b.board.id, kept.board);
                EXPECT_EQ(s.place.x, kept.x);
                EXPECT_EQ(s.place.y, kept.y);
            } else if (b.board.id == kept.board)
                EXPECT_FALSE(s.place.overlaps({kept.x, kept.y, kept.length, kept.width}))
                    << "new cuts go round what is cut";
        }
    EXPECT_EQ(found, 1);
    for (const Shortfall& s : next.shortfall) cut[s.part] += s.count;
    for (const Part& p : plan.assembly.parts) EXPECT_GE(cut[p.id], p.count);
}

TEST(BoardPlan, CanBeCanceledAndAnEmptyRackSaysWhatToBuy)
{
    const Piece piece = test::regattaCup();
    Shop shop;
    const Plan plan = makePlan(piece, shop);
    const BoardPlan none = planBoards(piece, shop, plan.assembly);
    EXPECT_TRUE(none.boards.empty());
    int parts = 0, missing = 0;
    double volume = 0;
    for (const Part& p : plan.assembly.parts) {
        parts += p.count;
        volume += p.count * p.volume;
    }
    double buy = 0;
    for (const Shortfall& s : none.shortfall) {
        missing += s.count;
        buy += s.volume;
        EXPECT_GT(s.board, s.thickness - 1e-9);
    }
    EXPECT_EQ(parts, missing);
    EXPECT_GT(buy, volume);
    std::atomic<bool> stop{true};
    double last = -1;
    const BoardPlan canceled =
        planBoards(piece, test::harbourShop(), plan.assembly, {[&](double share) { last = share; }, &stop});
    EXPECT_TRUE(canceled.canceled);
    (void)last;
}

TEST(BoardPlan, OffcutsGoBackOnTheRack)
{
    const Shop shop = test::harbourShop();
    const Piece piece = test::demo("chart-stand");
    const BoardPlan plan = planBoards(piece, shop, makePlan(piece, shop).assembly);
    size_t offcuts = 0;
    for (const PlannedBoard& b : plan.boards) offcuts += b.offcuts.size();
    EXPECT_EQ(rackAfter(shop.rack, plan, true).size(), shop.rack.size() - plan.boards.size() + offcuts);
    EXPECT_EQ(rackAfter(shop.rack, plan, false).size(), shop.rack.size() - plan.boards.size());
    checkRack(rackAfter(shop.rack, plan, true));
}
