#include "core/piece/document/off_axis.h"

#include "core/geometry/dividing.h"
#include "core/measure/input_error.h"
#include "core/piece/records/check.h"

#include <charconv>

namespace vl {

std::vector<int> stepsOf(const std::string& text, const std::string& field)
{
    std::vector<int> steps;
    const char* at = text.data();
    const char* const end = at + text.size();
    while (at != end) {
        if (*at == ' ' || *at == ',') {
            ++at;
            continue;
        }
        int step = 0;
        const auto [next, error] = std::from_chars(at, end, step);
        if (error != std::errc() || step < 1)
            throw InputError(field, "'" + text + "'", "whole numbers of holes, as 2 2 2 3 3, is");
        steps.push_back(step);
        at = next;
    }
    return steps;
}

void checkOffAxis(const OffAxis& axis, const std::string& path)
{
    checkOutline(axis.outside, path + ".outside", mostAxisNodes);
    const std::vector<int> steps = stepsOf(axis.steps, path + ".steps");
    if (steps.size() > 24) throw InputError(path + ".steps", std::to_string(steps.size()) + " steps", "up to 24 is");
    try {
        if (!steps.empty() && axis.plate > 0) steppedOn(steps, axis.plate, axis.start);
        if (steps.empty() && axis.plate > 0) dividedOn(axis.sides, axis.plate, axis.start);
    } catch (const InputError& e) {
        throw InputError(path + "." + e.field(), e.value(), e.limit());
    }
}

}  // namespace vl
