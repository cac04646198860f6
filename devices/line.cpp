#include "devices/line.h"

#include <array>
#include <charconv>
#include <cmath>

namespace vl {
namespace {

struct Kind {
    std::string_view name;
    DeviceReading::What what;
    double low, high;
    std::string_view unit;
};
constexpr std::array<Kind, 6> kinds{{{"CAL", DeviceReading::Length, -500, 3000, "mm"},
                                     {"MOI", DeviceReading::Moisture, 0, 150, "%"},
                                     {"ANG", DeviceReading::Angle, -360, 360, "deg"},
                                     {"RPM", DeviceReading::Speed, 0, 20000, ""},
                                     {"TMP", DeviceReading::Temperature, -40, 150, "C"},
                                     {"PED", DeviceReading::Pedal, 1, 9, ""}}};
constexpr double inch = 25.4;

std::string_view word(std::string_view& rest)
{
    const size_t from = rest.find_first_not_of(' ');
    if (from == std::string_view::npos) return rest = {};
    const size_t to = std::min(rest.find(' ', from), rest.size());
    const std::string_view found = rest.substr(from, to - from);
    rest.remove_prefix(to);
    return found;
}

}  // namespace

DeviceLine readDeviceLine(std::string_view line)
{
    std::string_view rest = line;
    const std::string_view name = word(rest), number = word(rest), unit = word(rest);
    if (!word(rest).empty()) return {{}, "more than a name, a number and a unit"};
    for (const Kind& k : kinds) {
        if (k.name != name) continue;
        double value = 0;
        const auto [end, error] = std::from_chars(number.data(), number.data() + number.size(), value);
        if (error != std::errc() || end != number.data() + number.size() || !std::isfinite(value))
            return {{}, "no number after its name"};
        if (k.what == DeviceReading::Length && unit == "in")
            value *= inch;
        else if (unit != k.unit)
            return {{}, "another unit than it should have"};
        if (value < k.low || value > k.high) return {{}, "a value that cannot be"};
        if (k.what == DeviceReading::Pedal && value != std::floor(value)) return {{}, "a value that cannot be"};
        return {DeviceReading{k.what, value}};
    }
    return {{}, "a device that is not known"};
}

std::string writeDeviceLine(const DeviceReading& reading)
{
    const Kind& k = kinds[static_cast<size_t>(reading.what)];
    std::array<char, 40> number{};
    const auto [end, error] = std::to_chars(number.data(), number.data() + number.size(), reading.value);
    std::string out =
        std::string(k.name) + " " + std::string(number.data(), error == std::errc() ? end : number.data());
    if (!k.unit.empty()) out += " " + std::string(k.unit);
    return out + "\n";
}

std::vector<std::string> DeviceLines::take(std::string_view bytes)
{
    constexpr size_t longest = 120;
    std::vector<std::string> lines;
    for (const char c : bytes) {
        if (c == '\n') {
            if (!lost_ && !begun_.empty()) lines.push_back(begun_);
            begun_.clear();
            lost_ = false;
        } else if (c != '\r' && !lost_) {
            begun_ += c;
            if (begun_.size() > longest) {
                begun_.clear();
                lost_ = true;
            }
        }
    }
    return lines;
}

}  // namespace vl
