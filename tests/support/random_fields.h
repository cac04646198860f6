#pragma once

#include "core/piece/records/field_items.h"
#include "core/wood/filler.h"

#include "tests/support/property.h"

namespace vl::test {

/// A value that a field may hold, by its declaration alone; numbers reach no further than `span` beyond their least.
inline FieldValue randomValue(const FieldItem& item, double span)
{
    const Limit& l = item.field.limit;
    const double high = std::min(l.high, l.low + span);
    switch (item.field.kind) {
    case Field::Kind::Flag:
        return coin();
    case Field::Kind::Choice:
        return inRange(0, static_cast<int>(item.choices.size()));
    case Field::Kind::Count:
        return inRange(static_cast<int>(l.low), static_cast<int>(high) + 1);
    case Field::Kind::Wood:
        return std::string(allSpecies()[inRange<size_t>(0, allSpecies().size())].id);
    case Field::Kind::Filling:
        if (coin()) return std::string(allFillers()[inRange<size_t>(0, allFillers().size())].id);
        return std::string(allSpecies()[inRange<size_t>(0, allSpecies().size())].id);
    case Field::Kind::Number:
        if (item.optional && inRange(0, 5)) return {};
        return l.low + (high - l.low) * inRange(0, 1001) / 1000.0;
    default:
        return item.value;
    }
}

/// Sets every field of a record, and of the records in it, whose path begins with `prefix` to a value it may hold.
template <class T> void randomize(T& record, const std::string& prefix, double span = 90)
{
    for (const FieldItem& item : itemsOf(record))
        if (item.path.starts_with(prefix)) setField(record, item.path, randomValue(item, span));
}

}  // namespace vl::test
