#include "tests/support/samples.h"

#include "core/piece/edit.h"
#include "io/piece_json.h"

#include <fstream>
#include <sstream>

namespace vl::test {

std::string sourceFile(const std::string& path)
{
    std::ifstream in(std::string(VIVID_SOURCE) + "/" + path, std::ios::binary);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

Piece regattaCup() { return io::readPiece(sourceFile("demo/regatta-cup.vlathe")).piece; }

Piece tallVase(int rings, int segments)
{
    Piece p = starts()[2].make();
    p.outside = stretched(p.outside, 6.0 * rings + 12);
    return edit::divide(p, 12, rings, segments);
}

}  // namespace vl::test
