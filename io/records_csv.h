#pragma once

#include "core/piece/records/field_items.h"

#include <string>
#include <vector>

namespace vl::io {

/// A line of a table of values: every cell as RFC 4180 has it.
std::string csvLine(const std::vector<std::string>& cells);
std::string csvCell(const FieldItem& item);

/// Any records as a table, a column for each declared field: keys as heads.
template <class T> std::string writeRecordsCsv(const std::vector<T>& records)
{
    std::vector<std::string> heads;
    for (const FieldItem& item : itemsOf(T{})) heads.push_back(item.path);
    std::string out = csvLine(heads);
    for (const T& r : records) {
        std::vector<std::string> cells;
        for (const FieldItem& item : itemsOf(r)) cells.push_back(csvCell(item));
        out += csvLine(cells);
    }
    return out;
}

}  // namespace vl::io
