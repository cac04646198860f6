// What the finish has to say: whether the shop knows it, and whether it is for what the piece is for.
#include "core/plan/cautions/judge.h"

#include <algorithm>

namespace vl {

void finishCautions(const Case& in, std::vector<Caution>& out)
{
    const std::string& id = in.piece.choices.finish;
    const Finish& finish = finishOf(in.shop.finishes, id);
    const Fix plain = pieceFix("one coat, as the shop has it", [](Piece& p) { p.choices.finish = Choices{}.finish; });
    if (finish.id != id) {
        Caution c = in.at("finish-unknown", 0);
        c.called("finish-unknown");
        c.unit = "";
        c.message = "the shop's book has no finish '" + id + "': one coat is planned, as the shop has it";
        c.fixes.push_back(plain);
        out.push_back(std::move(c));
    }
    if (in.piece.choices.use != Use::Food || finish.layers.empty() || finish.food) return;
    Caution c = in.at("finish-food", 0);
    c.called("finish-food");
    c.unit = "";
    c.message = finish.name + " is not noted as fit for food once it has cured: its label decides";
    const auto fit = std::ranges::find(in.shop.finishes, true, &Finish::food);
    if (fit != in.shop.finishes.end())
        c.fixes.push_back(pieceFix(fit->name, [other = fit->id](Piece& p) { p.choices.finish = other; }));
    c.fixes.push_back(plain);
    out.push_back(std::move(c));
}

}  // namespace vl
