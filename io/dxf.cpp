#include "io/dxf.h"

#include "core/measure/input_error.h"
#include "io/files.h"

#include <dxflib/dl_dxf.h>

#include <memory>

namespace vl::io {
namespace {

void polyline(DL_Dxf& dxf, DL_WriterA& out, const Polyline& line, const char* layer)
{
    const DL_Attributes look(layer, 256, -1, -1, "BYLAYER");
    dxf.writePolyline(out, DL_PolylineData(static_cast<int>(line.size()), 0, 0, 0), look);
    for (const Point& p : line) dxf.writeVertex(out, DL_VertexData(p.x(), p.y(), 0, 0));
    dxf.writePolylineEnd(out);
}

/// The drawing, at a path that can be written to.
void draw(const TurnedSurfaces& surfaces, const std::string& path)
{
    DL_Dxf dxf;
    const std::unique_ptr<DL_WriterA> out(dxf.out(path.c_str(), DL_Codes::AC1015));
    if (!out) throw InputError("out", "'" + path + "'", "a file that can be written is");
    dxf.writeHeader(*out);
    out->dxfString(9, "$INSUNITS");
    out->dxfInt(70, 4);  // millimeters
    out->sectionEnd();
    out->sectionTables();
    dxf.writeVPort(*out);
    out->tableLinetypes(3);
    for (const char* type : {"BYBLOCK", "BYLAYER", "CONTINUOUS"})
        dxf.writeLinetype(*out, DL_LinetypeData(type, "", 0, 0, 0.0));
    out->tableEnd();
    const std::pair<const char*, int> layers[] = {{"0", 7}, {"OUTSIDE", 5}, {"INSIDE", 3}, {"AXIS", 8}};
    out->tableLayers(4);
    for (const auto& [name, color] : layers)
        dxf.writeLayer(*out, DL_LayerData(name, 0), DL_Attributes(name, color, -1, 25, "CONTINUOUS"));
    out->tableEnd();
    dxf.writeStyle(*out, DL_StyleData("standard", 0, 2.5, 1.0, 0.0, 0, 2.5, "txt", ""));
    dxf.writeView(*out);
    dxf.writeUcs(*out);
    out->tableAppid(1);
    dxf.writeAppid(*out, "ACAD");
    out->tableEnd();
    dxf.writeDimStyle(*out, 1, 1, 1, 1, 1);
    dxf.writeBlockRecord(*out);
    out->tableEnd();
    out->sectionEnd();
    out->sectionBlocks();
    for (const char* block : {"*Model_Space", "*Paper_Space", "*Paper_Space0"}) {
        dxf.writeBlock(*out, DL_BlockData(block, 0, 0.0, 0.0, 0.0));
        dxf.writeEndBlock(*out, block);
    }
    out->sectionEnd();
    out->sectionEntities();
    polyline(dxf, *out, surfaces.outsideAsItRuns(), "OUTSIDE");
    if (!surfaces.inside.empty()) polyline(dxf, *out, surfaces.insideAsItRuns(), "INSIDE");
    dxf.writeLine(*out, DL_LineData(0, 0, 0, surfaces.outside.back().x(), 0, 0),
                  DL_Attributes("AXIS", 256, -1, -1, "BYLAYER"));
    out->sectionEnd();
    dxf.writeObjects(*out);
    dxf.writeObjectsEnd(*out);
    out->dxfEOF();
    out->close();
}

}  // namespace

void writeDxf(const TurnedSurfaces& surfaces, const std::string& path)
{
    replaceFile(
        path, [&](const std::string& temporary) { draw(surfaces, temporary); }, "EOF\n");
}

}  // namespace vl::io
