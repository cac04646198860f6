#include "core/piece/shop/rack.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <algorithm>
#include <set>

namespace vl {

void checkRack(const std::vector<Board>& boards)
{
    if (boards.size() > mostBoards)
        throw InputError("boards", std::to_string(boards.size()) + " boards",
                         "up to " + std::to_string(mostBoards) + " are");
    std::set<std::string> seen;
    FieldCheck check;
    for (size_t i = 0; i < boards.size(); ++i) {
        const Board& b = boards[i];
        const std::string at = "boards[" + std::to_string(i) + "]";
        if (b.id.empty() || b.id.size() > 60)
            throw InputError(at + ".id", "'" + b.id.substr(0, 60) + "'", "1 to 60 letters are");
        if (!seen.insert(b.id).second)
            throw InputError(at + ".id", "'" + b.id + "' twice", "one board of each number is");
        check.enter("boards", i);
        fields(check, b);
        check.leave();
        for (size_t k = 0; k < b.defects.size(); ++k) {
            const Defect& d = b.defects[k];
            const std::string where = at + ".defects[" + std::to_string(k) + "]";
            checkWithin(where + ".along_mm", d.along, {0, b.length, "mm"});
            checkWithin(where + ".across_mm", d.across, {0, b.width, "mm"});
            checkWithin(where + ".length_mm", d.length, {0, b.length, "mm"});
            checkWithin(where + ".width_mm", d.width, {0, b.width, "mm"});
        }
    }
}

void keepDefectsOn(Board& board)
{
    for (Defect& d : board.defects) {
        d.along = std::min(d.along, board.length);
        d.across = std::min(d.across, board.width);
        d.length = std::min(d.length, board.length - d.along);
        d.width = std::min(d.width, board.width - d.across);
    }
    std::erase_if(board.defects, [](const Defect& d) { return d.length <= 0 || d.width <= 0; });
}

std::string freshBoardId(const std::vector<Board>& boards)
{
    for (int n = 1;; ++n) {
        const std::string id = "B" + std::to_string(n);
        if (std::ranges::none_of(boards, [&](const Board& b) { return b.id == id; })) return id;
    }
}

}  // namespace vl
