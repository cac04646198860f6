#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/measure/length.h"
#include "tests/support/property.h"

#include <gtest/gtest.h>

#include <clocale>
#include <cmath>
#include <cstdio>

using namespace vl;
using In = LengthStyle::Unit;

struct Typed {
    const char* text;
    In bare;
    double mm;
};

class ReadsLength : public testing::TestWithParam<Typed> {};

TEST_P(ReadsLength, InEveryShopForm)
{
    EXPECT_NEAR(parseLength(GetParam().text, GetParam().bare), GetParam().mm, 1e-9) << GetParam().text;
}

INSTANTIATE_TEST_SUITE_P(
    Forms, ReadsLength,
    testing::Values(Typed{"200", In::Millimeter, 200}, Typed{"200mm", In::Inch, 200}, Typed{" 3.5 cm ", In::Inch, 35},
                    Typed{"1 3/8", In::Inch, 34.925}, Typed{"1-3/8\"", In::Millimeter, 34.925},
                    Typed{"7 7/8in", In::Millimeter, 200.025}, Typed{"2'3\"", In::Millimeter, 685.8},
                    Typed{"2' 3 1/2", In::Inch, 698.5}, Typed{"3/8 + 1/16", In::Inch, 11.1125},
                    Typed{"10in/3", In::Millimeter, 254.0 / 3}, Typed{"(1/2 + 3/4) * 2", In::Inch, 63.5},
                    Typed{"1½\"", In::Millimeter, 38.1}, Typed{"-2", In::Millimeter, -2},
                    Typed{"1ft - 1in", In::Millimeter, 279.4}, Typed{"3/8 + 1mm", In::Inch, 10.525},
                    Typed{".5in", In::Millimeter, 12.7}, Typed{"2'-3\"", In::Millimeter, 685.8},
                    Typed{"2'-3 1/2\"", In::Inch, 698.5}, Typed{"2ft - 3in", In::Millimeter, 533.4},
                    Typed{"12,5", In::Millimeter, 12.5}, Typed{"0,125in", In::Millimeter, 3.175},
                    Typed{"1,25 + 0,5", In::Inch, 44.45}, Typed{"1234,5 mm", In::Inch, 1234.5},
                    Typed{"2m", In::Inch, 2000}, Typed{"6″", In::Millimeter, 152.4}));

TEST(ReadsLength, RefusesWithFieldValueAndLimit)
{
    for (const char* text : {"", "abc", "1/0", "2mm*3mm", "(2", "3 4", "1e400", "--", "2//3", "10 furlongs",
                             "1in/2in/3in", "9999999", "1,250", "12,345 mm", "1,2,3"}) {
        try {
            const double mm = parseLength(text, In::Millimeter, "thickness");
            ADD_FAILURE() << text << " was read as " << mm;
        } catch (const InputError& e) {
            EXPECT_EQ(e.field(), "thickness");
            EXPECT_FALSE(e.limit().empty());
        }
    }
    EXPECT_THROW(parseLength(std::string(5000, '(')), InputError);
}

TEST(Numbers, AreReadAndWrittenTheSameInEveryLocale)
{
    EXPECT_EQ(exact(100000), "100000");
    EXPECT_EQ(exact(1e5 + 0.5), "100000.5");
    EXPECT_EQ(exact(0.0001), "0.0001");
    EXPECT_EQ(exact(-3e12), "-3000000000000");
    EXPECT_EQ(exact(0), "0");
    test::property([] {
        const double v = test::inRange(-1000000000, 1000000000) / std::pow(10.0, test::inRange(0, 12));
        RC_ASSERT(std::stod(exact(v)) == v);
        RC_ASSERT(std::abs(v) < 1e-5 || exact(v).find('e') == std::string::npos);
        RC_ASSERT(parseNumber(exact(v)) == v);
        std::string comma = exact(v);
        if (const size_t point = comma.find('.'); point != std::string::npos) {
            comma[point] = ',';
            // Three digits after it could be thousands: then it is refused, never misread.
            if (const auto read = parseNumber(comma)) RC_ASSERT(*read == v);
        }
    });
    for (const char* text : {"", "1.2.3", "1,250", "x", "0x10", "nan", "inf", "1e999", "--1", "1 2", "+"})
        EXPECT_FALSE(parseNumber(text)) << text;
    for (const char* locale : {"de_DE.UTF-8", "C"}) {
        if (!std::setlocale(LC_ALL, locale)) continue;
        EXPECT_EQ(parseNumber("1.5"), 1.5) << locale;
        EXPECT_EQ(parseNumber("1,5"), 1.5) << locale;
        EXPECT_EQ(parseNumber("-0,25"), -0.25) << locale;
    }
    std::setlocale(LC_ALL, "C");
}

TEST(WritesLength, InTheStyleAsked)
{
    EXPECT_EQ(formatLengthUnit(152.4), "152.4 mm");
    EXPECT_EQ(formatLengthUnit(152.4, {In::Inch}), "6.000 in");
    EXPECT_EQ(formatLength(34.925, {In::Fraction, 64}), "1 3/8");
    EXPECT_EQ(formatLength(35, {In::Fraction, 8}), "1 3/8 +0.003");
    EXPECT_EQ(formatLength(-0.0001), "0.0");
    for (const auto& [mm, style, text] : {std::tuple{2.3, LengthStyle{}, "2.3 mm"},
                                          {6.0, LengthStyle{}, "6.0 mm"},
                                          {12.345, LengthStyle{}, "12.345 mm"},
                                          {25.4, LengthStyle{In::Inch}, "1.000 in"},
                                          {3.175, LengthStyle{In::Inch}, "0.125 in"},
                                          {1.0, LengthStyle{In::Inch}, "0.0394 in"},
                                          {34.925, LengthStyle{In::Fraction, 64}, "1 3/8 in"}})
        EXPECT_EQ(fieldLength(mm, style), text);
    EXPECT_EQ(formatLength(std::nan("")), "–");
    EXPECT_NEAR(boardFeet(304.8 * 304.8 * 25.4), 1, 1e-12);
}

TEST(WritesLength, FractionAndRemainderGiveTheLengthBack)
{
    test::property([] {
        const double mm = test::inRange(-100000, 100000) / 37.0;  // below nothing: how far something is off
        const int denominator = test::element(2, 4, 8, 16, 32, 64, 128);
        std::string text = formatLength(mm, {In::Fraction, denominator});
        double remainder = 0;
        if (const size_t sign = text.find_first_of("+"); sign != std::string::npos) {
            remainder = std::stod(text.substr(sign + 1));
            text.resize(sign);
        } else if (const size_t minus = text.find("−"); minus != std::string::npos) {
            remainder = -std::stod(text.substr(minus + std::string("−").size()));
            text.resize(minus);
        }
        const bool below = text.starts_with('-');
        const double read = (below ? -1 : 1) * parseLength(text.substr(below ? 1 : 0), In::Inch) / mmPerInch;
        RC_ASSERT(std::abs(read + remainder - mm / mmPerInch) < 1.01e-3 / 2 + 1e-9);
    });
}

// Against the program `units` (Debian), an independent table of conversions.
TEST(ReadsLength, AgreesWithUnits)
{
    for (const auto& [ours, theirs] : {std::pair{"2'3\"", "2 ft + 3 in"}, {"1 3/8in", "(1+3|8) in"}, {"5ft", "5 ft"}}) {
        const std::string command = "units -t '" + std::string(theirs) + "' mm 2>/dev/null";
        FILE* pipe = popen(command.c_str(), "r");
        ASSERT_NE(pipe, nullptr);
        double mm = 0;
        const int read = fscanf(pipe, "%lf", &mm);
        pclose(pipe);
        ASSERT_EQ(read, 1) << "the program units is in packaging/debian-packages.txt";
        EXPECT_NEAR(parseLength(ours), mm, 1e-3);
    }
}
