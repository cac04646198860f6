#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace vl {

/// What a device at the machine tells: one value to a line, open to every maker.
///
///     CAL 12.34 mm      a digital caliper (mm or in)
///     MOI 9.8 %         a moisture meter
///     ANG 123.4 deg     an encoder on the spindle, from its mark
///     RPM 850           a tachometer
///     TMP 41.5 C        a kiln's thermometer
///     PED 1             a foot pedal: 1 on, 2 back
///
/// ASCII, a decimal point, a line ends with a line feed; a carriage return before it is passed over.
struct DeviceReading {
    enum What { Length, Moisture, Angle, Speed, Temperature, Pedal } what = Length;
    double value = 0;  ///< mm, %, degrees, rpm, °C, which pedal

    bool operator==(const DeviceReading&) const = default;
};

/// What a line says, or why it says nothing: garbled, of an unknown device, or absurd.
struct DeviceLine {
    std::optional<DeviceReading> reading;
    std::string why{};
};
DeviceLine readDeviceLine(std::string_view line);
std::string writeDeviceLine(const DeviceReading& reading);

/// Bytes as they come, and the lines that they make. A line that does not end within 120 bytes is garbage, up to the
/// next line feed.
class DeviceLines {
public:
    std::vector<std::string> take(std::string_view bytes);

private:
    std::string begun_;
    bool lost_ = false;
};

}  // namespace vl
