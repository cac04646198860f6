// What devices say, well and badly: no line of whatever bytes does more than be refused.
#include "devices/line.h"
#include "tests/support/property.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace vl;

TEST(DeviceLine, SaysItsValueInOurUnits)
{
    struct Case {
        const char* line;
        DeviceReading::What what;
        double value;
    };
    for (const Case& c :
         {Case{"CAL 12.34 mm", DeviceReading::Length, 12.34}, Case{"CAL 0.5 in", DeviceReading::Length, 12.7},
          Case{"CAL -0.02 mm", DeviceReading::Length, -0.02}, Case{"MOI 9.8 %", DeviceReading::Moisture, 9.8},
          Case{"  ANG   123.4   deg ", DeviceReading::Angle, 123.4}, Case{"RPM 850", DeviceReading::Speed, 850},
          Case{"TMP 41.5 C", DeviceReading::Temperature, 41.5}, Case{"PED 2", DeviceReading::Pedal, 2}}) {
        const DeviceLine said = readDeviceLine(c.line);
        ASSERT_TRUE(said.reading) << c.line << ": " << said.why;
        EXPECT_EQ(said.reading->what, c.what) << c.line;
        EXPECT_NEAR(said.reading->value, c.value, 1e-12) << c.line;
    }
}

TEST(DeviceLine, RefusesWhatIsGarbledLateOrAbsurdAndSaysWhy)
{
    for (const char* line : {"", " ", "CAL", "CAL mm", "CAL 12,3 mm", "CAL 12.3", "CAL 12.3 kg", "CAL 99999 mm",
                             "CAL nan mm", "CAL inf mm", "CAL 1e400 mm", "MOI 400 %", "PED 1.5", "PED 0", "XYZ 1",
                             "cal 1 mm", "CAL 1 mm 2", "RPM -5", "RPM 850 rpm"}) {
        const DeviceLine said = readDeviceLine(line);
        EXPECT_FALSE(said.reading) << line;
        EXPECT_FALSE(said.why.empty()) << line;
    }
}

TEST(DeviceLine, IsReadBackAsItWasWritten)
{
    test::property([] {
        const auto what = static_cast<DeviceReading::What>(test::inRange(0, 6));
        const double value = what == DeviceReading::Pedal ? test::inRange(1, 10) : test::inRange(0, 150000) / 1000.0;
        const std::string line = writeDeviceLine({what, value});
        RC_ASSERT(line.back() == '\n');
        const DeviceLine said = readDeviceLine(line.substr(0, line.size() - 1));
        RC_ASSERT(said.reading.has_value());
        RC_ASSERT(*said.reading == (DeviceReading{what, value}));
    });
}

TEST(DeviceLine, AHundredThousandHostileLinesAreOnlyRefused)
{
    std::mt19937 random(2026);
    const std::string some = "CALMOIANGRPMTMPPED 0123456789.-+eE%mindegC\r\t\"\\\xff\x80";
    DeviceLines lines;
    size_t read = 0, refused = 0, left = 100000;
    while (left > 0) {
        std::string bytes;
        for (int k = 0; k < 40 && left > 0; ++k, --left) {
            const auto length = std::uniform_int_distribution<size_t>(0, 200)(random);
            for (size_t i = 0; i < length; ++i)
                bytes += std::uniform_int_distribution(0, 3)(random)
                             ? some[std::uniform_int_distribution<size_t>(0, some.size() - 1)(random)]
                             : static_cast<char>(std::uniform_int_distribution(0, 255)(random));
            bytes += '\n';
        }
        for (const std::string& line : lines.take(bytes)) {
            EXPECT_LE(line.size(), 120u);
            const DeviceLine said = readDeviceLine(line);
            said.reading ? ++read : ++refused;
            if (said.reading) {
                EXPECT_TRUE(std::isfinite(said.reading->value));
            } else {
                EXPECT_FALSE(said.why.empty());
            }
        }
    }
    EXPECT_GT(refused, 50000u);
    EXPECT_LT(read, 1000u);
    // After garbage that never ended, the next line counts.
    lines.take(std::string(5000, 'x'));
    EXPECT_EQ(lines.take("\nPED 1\r\n"), std::vector<std::string>{"PED 1"});
}
