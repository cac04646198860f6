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
    Drawing svg(const std::string& shapes,
                const std::string& head =
                    "xmlns:xlink=\"http://www.w3.org/1999/xlink\" width=\"200mm\" viewBox=\"0 0 200 200\"")
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
          Case{"compact", "<path d='M10,150h30v-100h-30z'/>", 50, 30},
          // Of round ones the left edge is the axis.
          Case{"rect", "<rect x='10' y='50' width='30' height='100'/>", 50, 30},
          Case{"circle", "<circle cx='10' cy='100' r='50'/>", 20, 90},
          Case{"ellipse", "<ellipse cx='10' cy='100' rx='30' ry='50'/>", 20, 54},
          // Moved and doubled; turned by a quarter; one inside another; used once more.
          Case{"moved", "<path transform='translate(10 50) scale(2)' d='M0 50 H15 V0 H0'/>", 50, 30},
          Case{"turned", "<path transform='translate(10 50) rotate(90)' d='M0 0 V-30 H100 V0'/>", 50, 30},
          Case{"nested", "<g transform='scale(2)'><g transform='translate(5 25)'><path d='M0 50 H15 V0 H0'/></g></g>",
               50, 30},
          Case{"used", "<defs><path id='p' d='M0 100 H30 V0 H0'/></defs><use href='#p' xlink:href='#p' x='10' y='50'/>",
               50, 30}}) {
        const Outline o = outlineFrom(svg(c.shape), DrawnAxis::Left, 0.01);
        EXPECT_NEAR(o.back().z, 100, 0.01) << c.what;
        EXPECT_NEAR(radius(o, c.at), c.r, 0.06) << c.what;
    }
    // The axis is a line of its own, moved with the rest.
    const Drawing about = svg("<g transform='translate(3 0)'><path d='M10 150 H40 V50 H10'/>"
                              "<line id='Axis' x1='5' y1='150' x2='5' y2='50' stroke='red'/></g>");
    ASSERT_TRUE(about.axis);
    EXPECT_NEAR(about.axis->first.x(), 8, 1e-6);
    EXPECT_NEAR(radius(outlineFrom(about, DrawnAxis::Own), 50), 35, 1e-3);
    // Inches, and pixels of which 96 are one (CSS).
    EXPECT_NEAR(
        outlineFrom(svg("<path d='M0 0 H1 V4 H0'/>", "width=\"10in\" viewBox=\"0 0 10 10\""), DrawnAxis::Left).back().z,
        4 * 25.4, 1e-3);
    EXPECT_NEAR(outlineFrom(svg("<path d='M0 0 H96 V192 H0'/>", ""), DrawnAxis::Left).back().z, 2 * 25.4, 1e-3);
    EXPECT_NEAR(
        outlineFrom(svg("<path d='M0 0 H10 V40 H0'/>", "width=\"100mm\" height=\"900mm\" viewBox=\"0 0 100 100\""),
                    DrawnAxis::Left)
            .back()
            .z,
        40, 1e-3)
        << "never stretched";
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

TEST_F(DrawingFile, CirclesEllipsesAndSplinesOfADxfAreTheirClosedForms)
{
    // About (0, 50): what is right of the axis, from its lower end to its upper.
    const std::string ellipse = "0\nELLIPSE\n8\n0\n10\n0\n20\n50\n11\n0\n21\n50\n40\n0.6\n41\n3.14159265358979\n42\n"
                                "6.28318530717959\n";
    const Outline egg = outlineFrom(dxf(ellipse), DrawnAxis::Left, 0.01);
    for (const double z : {10.0, 30.0, 50.0, 80.0})
        EXPECT_NEAR(radius(egg, z), 0.6 * std::sqrt(2500 - (z - 50) * (z - 50)), 0.06) << z;
    const Outline ball = outlineFrom(dxf("0\nCIRCLE\n8\n0\n10\n0\n20\n50\n40\n50\n"), DrawnAxis::Middle, 0.01);
    EXPECT_NEAR(radius(ball, 20), 40, 0.06);
    // A half circle of radius 50 as a rational spline of the second degree: two quarters, weights 1, √½, 1, √½, 1
    // (the standard construction of a circle by NURBS, from memory).
    const auto control = [](double x, double y, double w) {
        return "10\n" + std::to_string(x) + "\n20\n" + std::to_string(y) + "\n41\n" + std::to_string(w) + "\n";
    };
    const double w = std::sqrt(0.5);
    std::string spline = "0\nSPLINE\n8\n0\n70\n4\n71\n2\n72\n8\n73\n5\n74\n0\n";
    for (const int knot : {0, 0, 0, 1, 1, 2, 2, 2}) spline += "40\n" + std::to_string(knot) + "\n";
    spline += control(0, 0, 1) + control(50, 0, w) + control(50, 50, 1) + control(50, 100, w) + control(0, 100, 1);
    const Outline half = outlineFrom(dxf(spline), DrawnAxis::Left, 0.01);
    for (const double z : {2.0, 20.0, 50.0, 90.0})
        EXPECT_NEAR(radius(half, z), std::sqrt(2500 - (z - 50) * (z - 50)), 0.06) << z;
    EXPECT_THROW(dxf("0\nSPLINE\n8\n0\n70\n8\n71\n3\n72\n0\n73\n0\n74\n2\n11\n0\n21\n0\n31\n0\n11\n9\n21\n9\n31\n0\n"),
                 InputError)
        << "fit points alone are no curve";
}

TEST_F(DrawingFile, WhatIsNoDrawingIsRefusedAndNothingCrashes)
{
    EXPECT_THROW(drawn("a.svg", "no svg"), InputError);
    EXPECT_THROW(outlineFrom(svg("<path d='M1 2 L'/>"), DrawnAxis::Own), InputError);
    EXPECT_THROW(outlineFrom(svg("<text x='9' y='9'>no line</text>"), DrawnAxis::Own), InputError);
    for (const int deep : {200, 20000, 200000}) {
        std::string groups, ends;
        for (int k = 0; k < deep; ++k) groups += "<g>", ends += "</g>";
        EXPECT_THROW(svg(groups + "<path d='M0 0H9V9'/>" + ends), InputError) << deep;
    }
    // Ten uses of ten uses of ten: refused before it is drawn.
    EXPECT_THROW(svg("<defs><path id='a' d='M0 0H9'/><g id='b'><use href='#a'/><use href='#a'/></g></defs>"
                     "<use href='#b'/>"),
                 InputError);
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
