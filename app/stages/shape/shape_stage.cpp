#include "app/stages/shape/shape_stage.h"

#include "app/fields/record_list.h"
#include "app/lanes/plot_lane.h"
#include "core/measure/format.h"
#include "core/piece/edits/edit.h"
#include "core/workpiece/lid_sides.h"

#include <QCheckBox>
#include <QComboBox>
#include <QPushButton>

#include <cmath>

namespace vl::app {
namespace {

PlotLane::Curve wallCurve(const Document& document)
{
    PlotLane::Curve c;
    c.isLength = true;
    c.limit = document.piece().hollow.leastWall;
    c.empty = PlotLane::tr("a solid piece has no wall");
    for (const WallAt& w : document.plan().shape.walls)
        if (w.inside.y() > 0) c.points.emplace_back(w.inside.x(), w.wall);
    return c;
}

PlotLane::Curve bendCurve(const Document& document)
{
    PlotLane::Curve c;
    c.unit = PlotLane::tr(" /m");
    c.decimals = 0;
    c.empty = PlotLane::tr("nothing to draw");
    c.points = curvatureAlong(document.plan().surfaces.outside);
    return c;
}

Limit diameters() { return {0, 2 * fieldOf(&Node::r).limit.high}; }

}  // namespace

ShapeStage::ShapeStage(Document& document, QWidget* parent) : Stage(document, tr("Shape"), parent)
{
    section_ = addSection(SectionLane::Handles::Outline, nullptr, 5);
    addLane(new PlotLane(document, tr("WALL, SQUARE TO THE SURFACE"), wallCurve), 1);
    addLane(new PlotLane(document, tr("CURVATURE OF THE OUTSIDE"), bendCurve), 1);

    group(tr("What it comes to"), "comes-to");
    figurePair(FigureId::Height, tr("Height"), FigureId::FloorThickness, tr("Floor"));
    figurePair(FigureId::GreatestDiameter, tr("Greatest Ø"), FigureId::LeastDiameter, tr("Least Ø"));
    figurePair(FigureId::ThinnestWall, tr("Wall, thin"), FigureId::ThickestWall, tr("Wall, thick"));
    figurePair(FigureId::Capacity, tr("Capacity"), FigureId::Weight, tr("Weight"));
    figurePair(FigureId::GravityHeight, tr("Gravity at"), FigureId::TipAngle, tr("Tips at"));
    addNode();
    addNumbers();
    addDrawing();
    addWall();
    addForms();
    addSplitAndLid();
    endPanel();

    refresh();
}

void ShapeStage::addNode()
{
    node_ = group(tr("Chosen node"), "node");
    nodeZ_ = lengthRow(tr("Station"), fieldOf(&Node::z).limit);
    nodeD_ = lengthRow(tr("Diameter"), diameters());
    join_ = new QComboBox;
    join_->addItems({tr("sharp"), tr("smooth")});
    span_ = new QComboBox;
    span_->setAccessibleName(tr("To the next node"));
    span_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    for (const Choice& c : choicesOf<Span>()) span_->addItem(wordsOf(c));
    row(tr("Corner"), join_);
    row(tr("To the next node"), span_);
    auto chosenNode = [this](auto&& change) {
        return [this, change](auto value) {
            const Selection s = doc_.selection();
            if (s.node < 0) return;
            edit(tr("change node"), [&](Piece& p) {
                Outline& line = s.side == Side::Outside ? p.outside : p.hollow.inside;
                if (s.node < static_cast<int>(line.size())) change(line, static_cast<size_t>(s.node), value);
            });
        };
    };
    connect(nodeZ_, &LengthField::edited, this, chosenNode([](Outline& o, size_t i, double mm) {
                o = movedNode(o, i, mm, o[i].r, Stations::MayFallBack);
            }));
    connect(nodeD_, &LengthField::edited, this, chosenNode([](Outline& o, size_t i, double mm) { o[i].r = mm / 2; }));
    connect(join_, &QComboBox::activated, this, chosenNode([](Outline& o, size_t i, int k) { o[i].smooth = k == 1; }));
    connect(span_, &QComboBox::activated, this, chosenNode([](Outline& o, size_t i, int k) {
                o[i].span = static_cast<Span>(k);
                if (o[i].span == Span::Arc && o[i].bulge == 0) o[i].bulge = 0.25;
            }));
}

void ShapeStage::addNumbers()
{
    group(tr("Outline by numbers"), "outline", false);
    height_ = lengthRow(tr("Height"), {1, fieldOf(&Node::z).limit.high});
    connect(height_, &LengthField::edited, this, [this](double mm) {
        edit(tr("set height"), [mm](Piece& p) {
            const double scale = mm / outlineHeight(p);
            p.outside = stretched(p.outside, mm);
            for (Node& n : p.hollow.inside) n.z *= scale;
            p.hollow.floor *= scale;
            clampToLimits(p.hollow);
            p = edit::fitLayers(p);
        });
    });
    auto* guide = new QComboBox;
    guide->setObjectName("guide");
    for (const Choice& c : choicesOf<Guide>()) guide->addItem(wordsOf(c));
    row(tr("Guide lines"), guide);
    connect(guide, &QComboBox::activated, this, [this](int k) { section_->setGuide(static_cast<Guide>(k)); });
    station_ = lengthRow(tr("At station"), fieldOf(&Node::z).limit);
    diameter_ = lengthRow(tr("make the diameter"), diameters());
    connect(station_, &LengthField::edited, this, [this](double mm) {
        const double r = radiusAt(doc_.plan().surfaces.outside, mm);
        if (!std::isnan(r)) diameter_->setValue(2 * r);
    });
    connect(diameter_, &LengthField::edited, this, &ShapeStage::setDiameter);
}

void ShapeStage::addDrawing()
{
    drawnAxis_ = new QComboBox;
    for (const Choice& c : choicesOf<DrawnAxis>()) drawnAxis_->addItem(wordsOf(c));
    row(tr("A drawing's axis"), drawnAxis_);
    auto* drawing = new QPushButton(tr("Outside from a drawing \u2026"));
    drawing->setObjectName("drawing");
    drawing->setToolTip(tr("The longest line of an SVG or DXF drawing becomes the outside, in its own size"));
    addToPanel(drawing);
    connect(drawing, &QPushButton::clicked, this, &ShapeStage::drawingWanted);

    group(tr("A picture to trace"), "trace", false);
    auto* picture = new QPushButton(tr("Picture to trace …"));
    picture->setObjectName("picture");
    picture->setToolTip(tr("A photograph or a sketch is laid over the section; nothing of it is cut"));
    addToPanel(picture);
    connect(picture, &QPushButton::clicked, this, &ShapeStage::pictureWanted);
    auto* line = new QPushButton(tr("Draw its axis"));
    line->setObjectName("trace-axis");
    line->setToolTip(tr("A line from the middle of its foot to the middle of its rim sets the picture straight and to "
                        "the piece’s height"));
    addToPanel(line);
    connect(line, &QPushButton::clicked, this, [this] { section_->wantTraceAxis(); });
    recordForm([](auto& p) -> auto& { return p.trace; });
}

void ShapeStage::addWall()
{
    group(tr("Wall and floor"), "wall");
    rule_ = new QComboBox;
    for (const Choice& c : choicesOf<WallRule>()) rule_->addItem(wordsOf(c));
    row(tr("Wall"), rule_);
    connect(rule_, &QComboBox::activated, this, [this](int k) {
        edit(tr("wall rule"), [&](Piece& p) {
            p.hollow.rule = static_cast<WallRule>(k);
            if (p.hollow.rule == WallRule::Drawn && p.hollow.inside.size() < 2)
                p.hollow.inside = drawnFrom(doc_.plan().surfaces.inside, p);
        });
    });
    const auto hollow = [](auto& p) -> auto& { return p.hollow; };
    rim_ = pieceRow(&Hollow::rimWall, hollow);
    base_ = pieceRow(&Hollow::baseWall, hollow);
    floor_ = pieceRow(&Hollow::floor, hollow);
    round_ = pieceRow(&Hollow::floorRound, hollow);
    bore_ = pieceRow(&Hollow::bore, hollow);
    least_ = pieceRow(&Hollow::leastWall, hollow);
}

void ShapeStage::addForms()
{
    group(tr("Forms that stay what they are"), "forms", false);
    forms_ =
        new RecordList(doc_, tr("Form"), tr("none yet"), listOf(&Piece::forms, [](const Piece&, const FormPart& f) {
                           return std::string(choicesOf<FormPart::Kind>()[static_cast<size_t>(f.kind)].words);
                       }));
    forms_->canAdd(tr("Add a form"), "add-form", [](Piece p) { return edit::addForm(std::move(p), FormPart::Bead); });
    forms_->saysBelow([this](int which) {
        QStringList at;
        for (const auto& [z, d] : stationsOf(doc_.piece().forms[static_cast<size_t>(which)], doc_.piece().outside))
            at << tr("%1 Ø %2").arg(QString::fromStdString(formatLength(z, doc_.style())),
                                    QString::fromStdString(formatLength(d, doc_.style())));
        return tr("Station and diameter: %1").arg(at.join(QStringLiteral(" · ")));
    });
    addToPanel(forms_);
}

void ShapeStage::addSplitAndLid()
{
    group(tr("Split, and one half turned on"), "split", false);
    split_ = new FieldForm(doc_);
    addToPanel(split_);
    connect(split_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                doc_.apply(words, [&](Piece p) {
                    Split split = p.split;
                    setField(split, path, value);
                    return edit::setSplit(std::move(p), split);
                });
            });

    group(tr("Lid"), "lid", false);
    recordForm([](auto& p) -> auto& { return p.lid; });
    lidSaid_ = new QLabel;
    lidSaid_->setWordWrap(true);
    lidSaid_->setProperty("role", "quiet");
    addToPanel(lidSaid_);
    group(tr("What it stands on"), "stands", false);
    stands_ = new QCheckBox(wordsOf(fieldOf(&Choices::stands)));
    row(QString(), stands_);
    connect(stands_, &QCheckBox::toggled, this, [this](bool on) {
        if (on != doc_.piece().choices.stands) edit(tr("what it stands on"), [&](Piece& p) { p.choices.stands = on; });
    });
}

bool ShapeStage::takeDrawing(const Drawing& drawing)
{
    const Outline outside = outlineFrom(drawing, static_cast<DrawnAxis>(drawnAxis_->currentIndex()));
    return edit(tr("outside from a drawing"), [&](Piece& p) {
        const double scale = outside.back().z / outlineHeight(p);
        p.outside = outside;
        for (Node& n : p.hollow.inside) n.z = std::min(n.z * scale, outside.back().z);
        p.hollow.floor *= scale;
        clampToLimits(p.hollow);
        p = edit::fitLayers(p);
    });
}

void ShapeStage::refresh()
{
    const Piece& p = doc_.piece();
    const Selection& s = doc_.selection();
    const Outline& line = s.side == Side::Outside ? p.outside : p.hollow.inside;
    const bool node = s.node >= 0 && s.node < static_cast<int>(line.size());
    node_->setTitle(!node ? tr("Chosen node: none, click one")
                          : tr("Chosen node: %1 of %2").arg(s.node + 1).arg(line.size()));
    node_->setEmpty(!node);
    for (QWidget* w : {static_cast<QWidget*>(nodeZ_), static_cast<QWidget*>(nodeD_), static_cast<QWidget*>(join_),
                       static_cast<QWidget*>(span_)})
        w->setEnabled(node);
    if (node) {
        const Node& n = line[static_cast<size_t>(s.node)];
        nodeZ_->setValue(n.z);
        nodeD_->setValue(2 * n.r);
        join_->setCurrentIndex(n.smooth);
        span_->setCurrentIndex(static_cast<int>(n.span));
        span_->setEnabled(s.node + 1 < static_cast<int>(line.size()));
    }
    height_->setValue(outlineHeight(p));
    rule_->setCurrentIndex(static_cast<int>(p.hollow.rule));
    refreshRows();
    forms_->refresh();
    split_->show(itemsOf(doc_.piece().split));
    const bool lidded = hasLid(p) && !doc_.plan().surfaces.inside.empty();
    lidSaid_->setVisible(p.lid.on);
    if (lidded) {
        const LidJoint j = lidJoint(p, doc_.shop().fits, doc_.plan().surfaces);
        const auto mm = [this](double v) { return QString::fromStdString(formatLengthUnit(v, doc_.style())); };
        lidSaid_->setText(
            tr("Bore Ø %1, spigot Ø %2, recess Ø %3; %4 of wall are left. The blank is %5 longer than the "
               "closed box.")
                .arg(mm(2 * j.bore), mm(2 * j.spigot), mm(2 * j.recess), mm(j.left), mm(lidWaste(p))));
    } else
        lidSaid_->setText(tr("A lid is planned from one hollow block with its grain along the axis."));
    bore_->setEnabled(p.hollow.rule == WallRule::Bored);
    const bool hollow = p.hollow.rule != WallRule::Solid,
               ruled = hollow && p.hollow.rule != WallRule::Drawn && p.hollow.rule != WallRule::Bored;
    rim_->setEnabled(ruled);
    base_->setEnabled(p.hollow.rule == WallRule::Tapered);
    floor_->setEnabled(ruled);
    round_->setEnabled(ruled);
    least_->setEnabled(hollow);
    stands_->setChecked(p.choices.stands);
}

void ShapeStage::setDiameter()
{
    const double at = station_->value(), d = diameter_->value();
    if (at < 0 || at > outlineHeight(doc_.piece())) return;
    edit(tr("set diameter at station"), [&](Piece& p) { p.outside = withDiameter(p.outside, at, d); });
}

}  // namespace vl::app
