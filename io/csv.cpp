#include "io/csv.h"

#include "core/measure/format.h"

#include <cmath>

namespace vl::io {

std::string csvField(const std::string& text)
{
    if (text.find_first_of(",\"\r\n") == std::string::npos) return text;
    std::string out = "\"";
    for (const char c : text) out += c == '"' ? std::string("\"\"") : std::string(1, c);
    return out + "\"";
}

std::string writeCsv(const Plan& plan)
{
    std::string out = "part,name,count,species,layer,outer_edge_mm,inner_edge_mm,width_mm,plane_to_mm,miter_deg\r\n";
    auto line = [&](std::initializer_list<std::string> fields) {
        bool first = true;
        for (const std::string& f : fields) {
            if (!first) out += ",";
            out += csvField(f);
            first = false;
        }
        out += "\r\n";
    };
    auto number = [](double v) { return std::isfinite(v) ? fixed(v, 3) : std::string(); };
    for (const Part& p : plan.assembly.parts)
        line({p.id, p.name, std::to_string(p.count), p.species->id, std::to_string(p.layer + 1), number(p.length),
              number(p.shortEdge), number(p.width), number(p.thickness), number(p.left.miterDeg)});
    out += "\r\nz_mm,outside_diameter_mm,inside_diameter_mm,wall_mm,parting_depth_mm\r\n";
    for (const Station& s : plan.stations)
        line({number(s.z), number(s.outside), number(s.inside), number(s.wall), number(s.parting)});
    return out;
}

}  // namespace vl::io
