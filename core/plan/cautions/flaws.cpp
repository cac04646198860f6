#include "core/plan/cautions/judge.h"

#include <algorithm>
#include <cmath>

namespace vl {
namespace {

/// Whether any of a flaw lies in wood that stays. The spiral of equal areas on a ball (from memory), on three shells.
bool inFinished(const Case& in, const Flaw& f)
{
    const Eigen::Vector3d middle = pointAt(f.at, f.radius, f.direction);
    if (in.plan.surfaces.holds(middle)) return true;
    constexpr int points = 60;
    const double golden = pi * (3 - std::sqrt(5.0));
    for (const double shell : {1.0 / 3, 2.0 / 3, 1.0})
        for (int k = 0; k < points; ++k) {
            const double up = 1 - 2 * (k + 0.5) / points, flat = std::sqrt(1 - up * up), a = golden * k;
            if (in.plan.surfaces.holds(middle + f.size / 2 * shell *
                                                    Eigen::Vector3d(up, flat * std::cos(a), flat * std::sin(a))))
                return true;
        }
    return false;
}

struct Judgment {
    Level level;
    const char* words;
};

/// What it means where nothing is done about it yet; `stays`: some of it is in the finished piece.
Judgment judged(Flaw::Kind kind, bool stays)
{
    switch (kind) {
    case Flaw::Crack:
        return stays ? Judgment{Level::Stop, "a crack that stays in the turned wood can let go at speed: cut it away, "
                                             "fill it, or bind it before the blank is mounted"}
                     : Judgment{Level::Stop, "a crack can let go before it is turned away: cut it away, fill it, or "
                                             "bind it before the blank is mounted"};
    case Flaw::Bark:
        return {Level::Stop, "loose bark flies off: taken off, or bound with thin CA, before the blank turns"};
    case Flaw::Metal:
        return {Level::Stop, "metal breaks edges and throws them: found with a magnet or a detector and cut out before "
                             "any saw or tool comes near"};
    case Flaw::Rot:
        return stays ? Judgment{Level::Care, "rot holds no screw and no tenon, and tears out: cut away, or hardened "
                                             "and filled; dust mask"}
                     : Judgment{Level::Note, "the rot is turned away: nothing that holds the work may stand in it"};
    case Flaw::Insects:
        return stays ? Judgment{Level::Care, "insect holes may run deeper than they show: filled, and the wood dried "
                                             "hot or long enough that nothing lives in it"}
                     : Judgment{Level::Note, "the insect holes are turned away; the shavings go out of the shop"};
    case Flaw::Knot:
        break;
    }
    return stays ? Judgment{Level::Note, "a knot is hard and may be loose: sharp tool, light cuts, no hand near it"}
                 : Judgment{Level::Note, "the knot is turned away: light cuts until it is gone"};
}

}  // namespace

void flawCautions(const Case& in, std::vector<Caution>& out)
{
    for (const Flaw& f : in.piece.flaws) {
        if (f.dealt != Flaw::Open) continue;
        const bool stays = inFinished(in, f);
        const Judgment j = judged(f.kind, stays);
        Caution c;
        c.called("flaw", f.id);
        c.level = j.level;
        c.at = choices(f.kind)[static_cast<size_t>(f.kind)].words;
        c.z = std::clamp(f.at, 0.0, in.plan.shape.height);
        c.layer = static_cast<int>(in.plan.assembly.layerAt(c.z));
        c.measure = f.size;
        c.limit = 0;
        c.unit = "mm";
        c.message = j.words;
        const auto dealt = [id = f.id](Flaw::Dealt how) {
            return [id, how](Piece& p) {
                for (Flaw& q : p.flaws)
                    if (q.id == id) q.dealt = how;
            };
        };
        c.fixes.push_back(pieceFix("it is cut away", dealt(Flaw::Away)));
        if (f.kind != Flaw::Metal) c.fixes.push_back(pieceFix("it is filled", dealt(Flaw::Filled)));
        if (f.kind == Flaw::Crack || f.kind == Flaw::Bark)
            c.fixes.push_back(pieceFix("it is bound", dealt(Flaw::Bound)));
        out.push_back(std::move(c));
    }
}

}  // namespace vl
