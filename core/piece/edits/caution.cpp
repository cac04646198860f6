#include "core/piece/edits/caution.h"

#include "core/piece/records/field_items.h"

#include <array>

namespace vl {

const char* levelName(Level level)
{
    static constexpr std::array names{"note", "care", "stop"};
    return names[static_cast<size_t>(level)];
}

void Caution::called(std::string what, const std::string& where)
{
    kind = std::move(what);
    id = where.empty() ? kind : kind + "-" + where;
}

Fix layerFix(Text label, int layer, std::function<void(Layer&)> change)
{
    return {std::move(label), [layer, change = std::move(change)](const Piece& p) {
                Piece q = p;
                if (layer >= static_cast<int>(q.layers.size())) return q;
                Layer& l = q.layers[static_cast<size_t>(layer)];
                change(l);
                clampToLimits(l);
                return q;
            }};
}

Fix pieceFix(Text label, std::function<void(Piece&)> change)
{
    return {std::move(label), [change = std::move(change)](const Piece& p) {
                Piece q = p;
                change(q);
                return q;
            }};
}

}  // namespace vl
