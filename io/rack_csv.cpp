#include "io/rack_csv.h"

#include "core/measure/format.h"
#include "core/measure/input_error.h"
#include "core/measure/length.h"
#include "io/csv.h"

#include <QString>
#include <QStringDecoder>

#include <algorithm>
#include <cmath>
#include <sstream>

namespace vl::io {

std::string writeRackCsv(const std::vector<Board>& boards)
{
    std::string out = "id,wood,length_mm,width_mm,thickness_mm,price,defects\r\n";
    for (const Board& b : boards) {
        std::string defects;
        for (const Defect& d : b.defects) {
            std::string what = d.what;
            std::erase_if(what, [](char c) { return c == '@' || c == ';'; });
            defects += (defects.empty() ? "" : "; ") + what + "@" + exact(d.along) + "," + exact(d.across) + "," +
                       exact(d.length) + "," + exact(d.width);
        }
        out += csvField(b.id) + "," + csvField(b.wood) + "," + exact(b.length) + "," + exact(b.width) + "," +
               exact(b.thickness) + "," + exact(b.price) + "," + csvField(defects) + "\r\n";
    }
    return out;
}

std::vector<std::vector<std::string>> csvRows(std::string_view text)
{
    std::vector<std::vector<std::string>> rows;
    std::vector<std::string> row;
    std::string field;
    bool quoted = false, any = false;
    auto endField = [&] {
        row.push_back(field);
        field.clear();
    };
    auto endRow = [&] {
        if (any || !row.empty() || !field.empty()) {
            endField();
            rows.push_back(row);
        }
        row.clear();
        any = false;
    };
    if (text.starts_with("\xef\xbb\xbf")) text.remove_prefix(3);
    for (size_t i = 0; i < text.size(); ++i) {
        const char c = text[i];
        if (quoted) {
            if (c == '"' && i + 1 < text.size() && text[i + 1] == '"') {
                field += '"';
                ++i;
            } else if (c == '"')
                quoted = false;
            else
                field += c;
            continue;
        }
        if (c == '"') {
            quoted = true;
            any = true;
        } else if (c == ',')
            endField();
        else if (c == '\n')
            endRow();
        else if (c != '\r')
            field += c;
    }
    endRow();
    return rows;
}

namespace {

/// A table as UTF-8, whatever it was written in: with its mark as UTF-8, -16 or -32, else UTF-8 where it is valid, else
/// Latin-1, in which every byte is a letter.
std::string asUtf8(std::string_view text)
{
    const QByteArrayView bytes(text.data(), static_cast<qsizetype>(text.size()));
    if (const auto marked = QStringDecoder::encodingForData(bytes))
        return QString(QStringDecoder(*marked).decode(bytes)).toStdString();
    QStringDecoder utf8(QStringDecoder::Utf8, QStringDecoder::Flag::Stateless);
    const QString read = utf8.decode(bytes);
    return (utf8.hasError() ? QString::fromLatin1(bytes) : read).toStdString();
}

}  // namespace

std::vector<Board> readRackCsv(std::string_view text)
{
    const auto rows = csvRows(asUtf8(text));
    if (rows.empty())
        throw InputError("line 1", "nothing", "a line of headings, id,wood,length_mm,width_mm,thickness_mm, is");
    auto column = [&](const char* name, bool needed) -> long {
        const auto it = std::ranges::find(rows[0], name);
        if (it == rows[0].end() && needed)
            throw InputError("line 1", "no column '" + std::string(name) + "'",
                             "id, wood, length_mm, width_mm and thickness_mm are");
        return it == rows[0].end() ? -1 : it - rows[0].begin();
    };
    const long id = column("id", true), wood = column("wood", true), length = column("length_mm", true),
               width = column("width_mm", true), thick = column("thickness_mm", true), price = column("price", false),
               defects = column("defects", false);
    std::vector<Board> boards;
    for (size_t r = 1; r < rows.size(); ++r) {
        const auto& row = rows[r];
        const std::string line = "line " + std::to_string(r + 1);
        auto text_ = [&](long c) {
            return c >= 0 && c < static_cast<long>(row.size()) ? row[static_cast<size_t>(c)] : std::string();
        };
        auto number = [&](const std::string& words, const char* name) {
            return parseLength(words, LengthStyle::Unit::Millimeter, line + ", " + name);
        };
        Board b;
        b.id = text_(id);
        b.wood = text_(wood);
        b.length = number(text_(length), "length_mm");
        b.width = number(text_(width), "width_mm");
        b.thickness = number(text_(thick), "thickness_mm");
        if (const std::string p = text_(price); !p.empty()) b.price = number(p, "price");
        std::istringstream list(text_(defects));
        for (std::string one; std::getline(list, one, ';');) {
            if (one.find_first_not_of(' ') == std::string::npos) continue;
            const size_t at = one.find('@');
            if (at == std::string::npos)
                throw InputError(line + ", defects", "'" + one + "'", "what@along,across,length,width is");
            Defect d;
            d.what = one.substr(one.find_first_not_of(' '), at - one.find_first_not_of(' '));
            std::istringstream numbers(one.substr(at + 1));
            for (double* v : {&d.along, &d.across, &d.length, &d.width}) {
                std::string word;
                std::getline(numbers, word, ',');
                *v = number(word, "defects");
            }
            b.defects.push_back(d);
        }
        boards.push_back(b);
    }
    try {
        checkRack(boards);
    } catch (const InputError& e) {
        throw InputError("rack", e.what(), "every board within its limits is");
    }
    return boards;
}

}  // namespace vl::io
