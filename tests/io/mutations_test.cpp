// Damaged files: pieces of both versions, shops and racks, changed here and there. Each is read, or refused in one line
// that can be shown; what is read can be written and read again, and planned.
#include "core/measure/input_error.h"
#include "core/plan/boards/board_plan.h"
#include "io/piece_json.h"
#include "io/plan_json.h"
#include "io/rack_csv.h"
#include "io/shop_json.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <random>

using namespace vl;

namespace {

constexpr int eachCase = 7;  // mutants: with 3,000 cases 21,000 of each kind

/// A text with one to four wounds: bytes changed, cut out, put in twice, or a value replaced by one that hurts.
std::string wounded(std::string text, std::mt19937& dice)
{
    static const char* const values[] = {"1e400",    "-1e308", "null",        "\"\"",  "[]",   "{}", "-0",
                                         "99999999", "1e-320", "\"\\u0000\"", "0.1e1", "true", ",",  "\xff\xfe"};
    for (int wounds = 1 + static_cast<int>(dice() % 4); wounds > 0 && !text.empty(); --wounds) {
        const size_t at = dice() % text.size(), length = std::min(text.size() - at, size_t{1} + dice() % 40);
        switch (dice() % 5) {
        case 0:
            text[at] = static_cast<char>(dice() % 256);
            break;
        case 1:
            text.erase(at, length);
            break;
        case 2:
            text.insert(at, text.substr(at, length));
            break;
        case 3:
            text.insert(at, values[dice() % std::size(values)]);
            break;
        default: {
            // The next number becomes another value.
            const size_t from = text.find_first_of("0123456789", at);
            if (from == std::string::npos) break;
            const size_t to = std::min(text.find_first_not_of("0123456789.eE+-", from), text.size());
            text.replace(from, to - from, values[dice() % std::size(values)]);
        }
        }
    }
    return text;
}

void expectShowable(const InputError& e)
{
    const std::string said = e.what();
    RC_ASSERT(!said.empty() && said.size() < 2500);
    for (const char c : said) RC_ASSERT(static_cast<unsigned char>(c) >= 0x20 && c != 0x7f);
    // Letters are whole: every lead byte is followed by as many as it says.
    for (size_t i = 0; i < said.size();) {
        const auto lead = static_cast<unsigned char>(said[i]);
        const size_t more = lead < 0x80 ? 0 : lead >= 0xf0 ? 3 : lead >= 0xe0 ? 2 : 1;
        RC_ASSERT(lead < 0x80 || lead >= 0xc2);
        for (size_t k = 1; k <= more; ++k)
            RC_ASSERT(i + k < said.size() && (static_cast<unsigned char>(said[i + k]) & 0xc0) == 0x80);
        i += more + 1;
    }
}

/// Mutants of one of these texts, read by `read`, which throws InputError or does what it does.
void expectReadOrRefused(const std::vector<std::string>& texts, const std::function<void(const std::string&)>& read)
{
    int good = 0, bad = 0;
    test::property([&] {
        std::mt19937 dice(test::anyNumber());
        for (int k = 0; k < eachCase; ++k) {
            const std::string text = wounded(texts[dice() % texts.size()], dice);
            try {
                read(text);
                ++good;
            } catch (const InputError& e) {
                expectShowable(e);
                ++bad;
            }
        }
    });
    EXPECT_GT(good, 0) << "some wounds are slight";
    EXPECT_GT(bad, 0) << "some are not";
}

}  // namespace

TEST(Mutants, OfPiecesAreReadWholeOrRefused)
{
    std::vector<std::string> texts;
    for (const std::string& name : test::demoNames()) {
        texts.push_back(test::sourceFile("demo/" + name + ".vlathe"));
        texts.push_back(test::sourceFile("tests/data/version-1/" + name + ".vlathe"));
    }
    const Shop shop = test::harbourShop();
    int number = 0;
    expectReadOrRefused(texts, [&](const std::string& text) {
        const Piece piece = io::readPiece(text).piece;
        RC_ASSERT(io::readPiece(io::writePiece(piece)).piece == piece);
        if (++number % 25) return;
        // Whatever can be read can be planned, boards and all, and said.
        const Plan plan = makePlan(piece, shop);
        std::atomic<bool> stop{true};
        RC_ASSERT(!io::writePlan(piece, shop, plan, planBoards(piece, shop, plan.assembly, {{}, &stop})).empty());
    });
}

TEST(Mutants, OfShopsAreReadWholeOrRefused)
{
    expectReadOrRefused({test::sourceFile("demo/harbour-shop.json"), io::writeShop({})}, [](const std::string& text) {
        std::vector<std::string> notes;
        const Shop shop = io::readShop(text, notes);
        RC_ASSERT(io::readShop(io::writeShop(shop), notes) == shop);
    });
}

TEST(Mutants, OfRacksAreReadWholeOrRefused)
{
    const std::vector<Board> rack = test::harbourShop().rack;
    expectReadOrRefused({io::writeRackCsv(rack), io::writeRackCsv({rack[0], rack[1]})}, [](const std::string& text) {
        const std::vector<Board> read = io::readRackCsv(text);
        RC_ASSERT(io::readRackCsv(io::writeRackCsv(read)) == read);
    });
}
