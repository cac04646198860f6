// Every printed page as a reader of the PDF finds its words: none lies over another or beyond the paper's edge;
// and as they are drawn: no line runs through one.
#include "core/plan/plan.h"
#include "io/files.h"
#include "report/packet.h"
#include "tests/support/paint_record.h"
#include "tests/support/samples.h"

#include <QTemporaryDir>

#include <gtest/gtest.h>
#include <poppler-document.h>
#include <poppler-page.h>

#include <memory>

using namespace vl;

namespace {

std::string utf8(const poppler::ustring& words)
{
    const auto bytes = words.to_utf8();
    return {bytes.begin(), bytes.end()};
}

/// Pairs of words of a page that lie over one another, and words beyond its edges: points of 1/72 in.
std::vector<std::string> faults(poppler::page& page)
{
    constexpr double slack = 1.5, printable = 8;  // points; most printers leave 4 mm and more white
    std::vector<std::string> found;
    const auto words = page.text_list();
    const poppler::rectf paper = page.page_rect();
    for (size_t i = 0; i < words.size(); ++i) {
        const poppler::rectf a = words[i].bbox();
        if (a.left() < printable || a.top() < printable || a.right() > paper.width() - printable ||
            a.bottom() > paper.height() - printable)
            found.push_back("'" + utf8(words[i].text()) + "' beyond the edge");
        for (size_t k = i + 1; k < words.size(); ++k) {
            const poppler::rectf b = words[k].bbox();
            // A line of text takes more than its letters do: a quarter at top and bottom is air.
            const double across = std::min(a.right(), b.right()) - std::max(a.left(), b.left()),
                         down = std::min(a.bottom(), b.bottom()) - std::max(a.top(), b.top());
            if (across > slack && down > slack + 0.35 * std::min(a.height(), b.height()))
                found.push_back("'" + utf8(words[i].text()) + "' and '" + utf8(words[k].text()) + "'");
        }
    }
    return found;
}

}  // namespace

class Pages : public testing::TestWithParam<std::string> {};

TEST_P(Pages, HaveEveryWordInItsOwnPlace)
{
    QTemporaryDir folder;
    const Piece piece = test::demo(GetParam());
    const Shop shop = test::harbourShop();
    int k = 0;
    for (const LengthStyle style : {LengthStyle{}, LengthStyle{LengthStyle::Unit::Fraction, 32, false}}) {
        const Plan plan = makePlan(piece, shop, style);
        const BoardPlan boards = planBoards(piece, shop, plan.assembly);
        const std::string path = folder.filePath(QString::number(k)).toStdString();
        io::replaceFile(path, [&](QIODevice& file) {
            report::writePacket(piece, shop, plan, boards, style, k++ ? report::Paper::Letter : report::Paper::A4,
                                file);
        });
        const std::unique_ptr<poppler::document> document(poppler::document::load_from_file(path));
        ASSERT_NE(document, nullptr);
        for (int p = 0; p < document->pages(); ++p) {
            const std::unique_ptr<poppler::page> page(document->create_page(p));
            std::string all;
            for (const std::string& fault : faults(*page)) all += fault + "\n";
            EXPECT_EQ(all, "") << GetParam() << ", page " << p + 1 << " in style " << k;
        }
    }
}

TEST_P(Pages, HaveNoLineThroughAWord)
{
    const Piece piece = test::demo(GetParam());
    const Shop shop = test::harbourShop();
    const LengthStyle style{LengthStyle::Unit::Fraction, 32, false};  // the longest words
    const Plan plan = makePlan(piece, shop, style);
    test::PagesRecord paper;
    report::printPacket(piece, shop, plan, planBoards(piece, shop, plan.assembly), style, {}, paper);
    ASSERT_FALSE(paper.pages.empty());
    for (size_t p = 0; p < paper.pages.size(); ++p) {
        EXPECT_FALSE(paper.pages[p]->texts.empty()) << GetParam() << ", page " << p + 1;
        EXPECT_EQ(paper.pages[p]->crossed().join("\n").toStdString(), "") << GetParam() << ", page " << p + 1;
    }
}

INSTANTIATE_TEST_SUITE_P(Samples, Pages, testing::ValuesIn(test::demoNames()), [](const auto& p) {
    std::string name = p.param;
    std::erase_if(name, [](char c) { return !std::isalnum(static_cast<unsigned char>(c)); });
    return name;
});
