// Outlines from drawings: what the program writes itself comes back, and what others draw is what it is.
#include "io/drawing_file.h"

#include "core/geometry/profile.h"
#include "core/measure/input_error.h"
#include "core/plan/plan.h"
#include "io/export.h"
#include "io/files.h"
#include "tests/support/property.h"
#include "tests/support/samples.h"

#include <QTemporaryDir>

#include <cmath>

using namespace vl;

namespace {

class DrawingFile : public testing::Test {
protected:
    Drawing drawn(const std::string& name, const std::string& text)
    {
        const std::string path = folder.filePath(QString::fromStdString(name)).toStdString();
        io::writeFile(path, text);
        return io::readDrawing(path);
    }
    Drawing svg(const std::string& shapes, const std::string& head = "width=\"200mm\" viewBox=\"0 0 200 200\"")
    {
        return drawn("a.svg", "<svg xmlns=\"http://www.w3.org/2000/svg\" " + head + ">" + shapes + "</svg>");
    }
    /// A DXF of these entities, by groups of code and value.
    Drawing dxf(const std::string& entities, int units = 4)
    {
        return drawn("a.dxf", "0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n" + std::to_string(units) +
                                  "\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n" + entities + "0\nENDSEC\n0\nEOF\n");
    }
    QTemporaryDir folder;
};

double radius(const Outline& o, double z) { return radiusAt(flatten(o), z); }

}  // namespace

TEST_F(DrawingFile, WhatIsExportedComesBack)
{
    for (const std::string name : {"regatta-cup", "lamp-stand", "oar-grip"})
        for (const char* ending : {"svg", "dxf"}) {
            const Piece piece = test::demo(name);
            const Plan plan = makePlan(piece, Shop{});
            const std::string path = folder.filePath(QString("out.%1").arg(ending)).toStdString();
            io::exportPiece(piece, plan, path);
            const Drawing read = io::readDrawing(path);
            ASSERT_TRUE(read.axis) << name << ending;
            const Outline back = outlineFrom(read, DrawnAxis::Own);
            EXPECT_NEAR(back.back().z, outlineHeight(piece), 0.01) << name << ending;
            for (int k = 1; k < 60; ++k) {
                const double z = outlineHeight(piece) * k / 60, r = radiusAt(plan.surfaces.outside, z);
                const double lean =
                    std::abs(radiusAt(plan.surfaces.outside, z + 0.1) - radiusAt(plan.surfaces.outside, z - 0.1));
                EXPECT_NEAR(radius(back, z), r, 0.12 + 2 * lean) << name << ending << " at " << z;
            }
        }
}

TEST_F(DrawingFile, EveryShapeOfAnSvgIsWhereItIsDrawn)
{
    struct Case {
        const char* what;
        const char* shape;
        double at, r;  // station up from its lower end, and radius from the left edge
    };
    for (const Case& c :
         {Case{"lines", "<path d='M10 150 H40 V90 l-10 -40 H10'/>", 30, 30},
          Case{"lines, higher", "<path d='M10 150 H40 V90 l-10 -40 H10'/>", 80, 25},
          Case{"polyline", "<polyline points='10,150 40,150 40,50 10,50'/>", 50, 30},
          Case{"polygon", "<polygon points='10,150 40,150 40,50 10,50'/>", 50, 30},
          // A half circle of radius 50 about (10, 100), as an arc and as two quarter arcs of cubics (0.5523).
          Case{"arc", "<path d='M10 150 A50 50 0 0 0 10 50'/>", 50, 50},
          Case{"arc, lower", "<path d='M10 150 A50 50 0 0 0 10 50'/>", 20, 40},
          Case{"cubics", "<path d='M10 150 C37.614 150 60 127.614 60 100 S37.614 50 10 50'/>", 20, 40},
          Case{"a parabola", "<path d='M10 150 Q110 100 10 50'/>", 50, 50},
          Case{"compact", "<path d='M10,150h30v-100h-30z'/>", 50, 30}}) {
        const Outline o = outlineFrom(svg(c.shape), DrawnAxis::Left, 0.01);
        EXPECT_NEAR(o.back().z, 100, 0.01) << c.what;
        EXPECT_NEAR(radius(o, c.at), c.r, 0.06) << c.what;
    }
    // Inches, and pixels of which 96 are one (CSS).
    EXPECT_NEAR(
        outlineFrom(svg("<path d='M0 0 H1 V4 H0'/>", "width=\"10in\" viewBox=\"0 0 10 10\""), DrawnAxis::Left).back().z,
        4 * 25.4, 1e-3);
    EXPECT_NEAR(outlineFrom(svg("<path d='M0 0 H96 V192 H0'/>", ""), DrawnAxis::Left).back().z, 2 * 25.4, 1e-3);
    // A whole silhouette, its axis in the middle; one that lies.
    EXPECT_NEAR(radius(outlineFrom(svg("<path d='M10 10 H70 V110 H10 Z'/>"), DrawnAxis::Middle), 50), 30, 1e-3);
    EXPECT_NEAR(radius(outlineFrom(svg("<path d='M10 60 V40 H150 V60'/>"), DrawnAxis::Below), 50), 20, 1e-3);
    EXPECT_NEAR(outlineFrom(svg("<path d='M10 60 V40 H150 V60'/>"), DrawnAxis::Own).back().z, 140, 1e-3)
        << "wider than high, it lies";
}

TEST_F(DrawingFile, LinesArcsAndBulgesOfADxfAreJoined)
{
    // A quarter circle of radius 30 about (0, 30) as an arc, and a line on from it.
    const std::string arc = "0\nARC\n8\n0\n10\n0\n20\n30\n40\n30\n50\n270\n51\n360\n",
                      line = "0\nLINE\n8\n0\n10\n30\n20\n30\n11\n30\n21\n90\n";
    const Outline o = outlineFrom(dxf(arc + line), DrawnAxis::Left, 0.01);
    EXPECT_NEAR(o.back().z, 90, 1e-3);
    EXPECT_NEAR(radius(o, 30 - 30 * std::cos(pi / 4)), 30 * std::sin(pi / 4), 0.05);
    EXPECT_NEAR(radius(o, 60), 30, 0.01);
    // A polyline whose one span bulges by 1: half a circle of radius 20.
    const Outline half = outlineFrom(dxf("0\nLWPOLYLINE\n8\n0\n90\n2\n70\n0\n10\n0\n20\n0\n42\n1\n10\n0\n20\n40\n"),
                                     DrawnAxis::Left, 0.01);
    EXPECT_NEAR(radius(half, 20), 20, 0.05);
    EXPECT_NEAR(outlineFrom(dxf(arc + line, 1), DrawnAxis::Left).back().z, 90 * 25.4, 1e-2) << "in inches";
}

TEST_F(DrawingFile, WhatIsNoDrawingIsRefusedAndNothingCrashes)
{
    EXPECT_THROW(drawn("a.svg", "no svg"), InputError);
    EXPECT_THROW(svg("<path d='M1 2 L'/>"), InputError);
    EXPECT_THROW(svg("<path d='L1 2 3 4'/>"), InputError);
    EXPECT_THROW(svg("<g transform='scale(2)'/>"), InputError);
    EXPECT_THROW(outlineFrom(svg(""), DrawnAxis::Own), InputError);
    EXPECT_THROW(outlineFrom(svg("<path d='M0 0 V0.2'/>"), DrawnAxis::Left), InputError);
    EXPECT_THROW(outlineFrom(svg("<path d='M0 0 H9 V5000'/>"), DrawnAxis::Left), InputError);
    EXPECT_THROW(io::readDrawing(folder.filePath("none.svg").toStdString()), InputError);
    EXPECT_THROW(drawn("a.png", "M0 0"), InputError);
    // A line longer than the format knows is refused with its length: the library would never come to its end.
    for (const size_t length : {1001u, 4096u, 100000u})
        EXPECT_THROW(drawn("a.dxf", "0\nSECTION\n2\nENTITIES\n1\n" + std::string(length, '[')), InputError) << length;
    EXPECT_TRUE(drawn("a.dxf", "0\nSECTION\n1\n" + std::string(1000, '[')).lines.empty());
    test::property([&] {
        // Bytes changed in a good file: read, or refused.
        const bool vector = test::coin();
        std::string text =
            vector ? "<svg width='9mm' viewBox='0 0 9 9'><path d='M0 9 A3 3 0 1 0 4 2 C1 2 3 4 5 6 t1 1z'/></svg>"
                   : "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\n0\n10\n1\n20\n2\n11\n3\n21\n44\n0\nENDSEC\n0\nEOF\n";
        if (test::inRange(0, 3) == 0) text.resize(test::inRange<size_t>(1, text.size()));  // cut short
        for (int k = test::inRange(1, 6); k > 0; --k)
            text[test::inRange<size_t>(0, text.size())] = test::inRange<char>(32, 127);
        try {
            outlineFrom(drawn(vector ? "m.svg" : "m.dxf", text), DrawnAxis::Own);
        } catch (const InputError&) {
        }
    });
}
