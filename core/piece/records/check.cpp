#include "core/piece/records/check.h"

#include "core/geometry/dividing.h"
#include "core/measure/format.h"
#include "core/wood/filler.h"

namespace vl {

std::string limitText(const Limit& limit)
{
    return exact(limit.low) + " to " + exact(limit.high) + (*limit.unit ? std::string(" ") + limit.unit : "") + " is";
}

void checkWithin(const std::string& field, double value, const Limit& limit)
{
    if (!limit.holds(value)) throw InputError(field, exact(value), limitText(limit));
}

void checkIndex(int count, int plate, int start, const std::string& path)
{
    try {
        laidOut(count, plate, start);
    } catch (const InputError& e) {
        throw InputError(path + "." + e.field(), e.value(), e.limit());
    }
}

void checkLengths(const std::string& field, const std::vector<double>& values, const Field& declared)
{
    if (static_cast<double>(values.size()) > declared.most)
        throw InputError(field, std::to_string(values.size()), "up to " + exact(declared.most) + " are");
    for (const double one : values) checkWithin(field, one, declared.limit);
}

void checkWood(const std::string& field, const std::string& wood)
{
    if (!findSpecies(wood)) throw InputError(field, "'" + wood.substr(0, 60) + "'", "the id of a known wood is");
}

std::string FieldCheck::path() const
{
    std::string out;
    for (const Step& s : at_) {
        if (!out.empty()) out += '.';
        out += s.key;
        if (s.place >= 0) out += "[" + std::to_string(s.place) + "]";
    }
    return out;
}

void FieldCheck::howMany(size_t n, const Limit& limit) const
{
    const auto v = static_cast<double>(n);
    if (limit.holds(v)) return;
    const std::string range =
        limit.low > 0 ? exact(limit.low) + " to " + exact(limit.high) : "up to " + exact(limit.high);
    throw InputError(path(), std::to_string(n) + " " + limit.unit, range + " are");
}

void FieldCheck::known(const std::string& id) const
{
    if (!findSpecies(id)) checkWood(path(), id);
}

void FieldCheck::knownFilling(const std::string& id) const
{
    if (!findFilling(id)) throw InputError(path(), "'" + id.substr(0, 60) + "'", "the id of a known wood or filler is");
}

}  // namespace vl
