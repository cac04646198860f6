#include "io/old_finishes.h"

#include "core/measure/format.h"
#include "io/json_reader.h"

namespace vl::io {

void settleOldFinishes(std::vector<Finish>& finishes)
{
    for (Finish& f : finishes)
        for (FinishLayer& l : f.layers) {
            if (l.extra.empty()) continue;
            Json extra = parseJson(l.extra);
            const auto taken = [&](const char* key) {
                const double value = extra.contains(key) && extra[key].is_number() ? extra[key].get<double>() : 0;
                extra.erase(key);
                return value;
            };
            const double a = taken("parts_a"), b = taken("parts_b");
            l.extra = extra.empty() ? "" : extra.dump();
            if (l.mix.empty() && a > 0 && b > 0) l.mix = "A " + exact(a) + ", B " + exact(b);
        }
}

}  // namespace vl::io
