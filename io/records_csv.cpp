#include "io/records_csv.h"

#include "core/measure/format.h"
#include "io/csv.h"

namespace vl::io {

std::string csvLine(const std::vector<std::string>& cells)
{
    std::string out;
    for (const std::string& cell : cells) out += (&cell == &cells.front() ? "" : ",") + csvField(cell);
    return out + "\r\n";
}

std::string csvCell(const FieldItem& item)
{
    if (const auto* s = std::get_if<std::string>(&item.value)) return *s;
    if (const auto* d = std::get_if<double>(&item.value)) return exact(*d);
    if (const auto* b = std::get_if<bool>(&item.value)) return *b ? "yes" : "no";
    if (const auto* i = std::get_if<int>(&item.value))
        return item.choices.empty() ? std::to_string(*i) : item.choices[static_cast<size_t>(*i)].name;
    return {};
}

}  // namespace vl::io
