#include "app/stages/turn/turn_stage.h"

#include "app/fields/record_list.h"
#include "app/lanes/figures_lane.h"
#include "app/lanes/plot_lane.h"
#include "app/stages/page_switch.h"
#include "app/stages/turn/axes_view.h"
#include "app/stages/turn/grid_view.h"
#include "app/stages/turn/index_view.h"
#include "app/stages/turn/mounts_view.h"
#include "app/stages/turn/opening_view.h"
#include "app/theme/theme.h"
#include "core/measure/format.h"
#include "core/piece/edits/edit.h"
#include "core/plan/foot_choices.h"
#include "core/process/inlay_recipe.h"
#include "core/workpiece/decor_grid.h"
#include "core/workpiece/inlay_sides.h"
#include "core/workpiece/openings.h"
#include "core/workpiece/sawn_cuts.h"
#include "core/workpiece/worked_cuts.h"

#include <QComboBox>
#include <QPushButton>

#include <cmath>

namespace vl::app {
namespace {

PlotLane::Curve depthCurve(const Document& document, int axis)
{
    PlotLane::Curve c;
    c.isLength = true;
    c.empty = PlotLane::tr("turned on its true axis alone: nothing cuts below the round");
    for (const AxisReport& r : document.plan().axes)
        if (static_cast<int>(r.axis) == axis) c.points = r.depth;
    return c;
}

}  // namespace

TurnStage::TurnStage(Document& document, QWidget* parent) : Stage(document, tr("Turn"), parent)
{
    addSection(SectionLane::Handles::Stations, &columns_, 3);
    auto row = [&document](const QString& name, FigureId figure, double Station::*member) -> FiguresLane::Row {
        return {name,
                [&document, member](int i) {
                    const double mm = document.plan().stations[static_cast<size_t>(i)].*member;
                    return std::isnan(mm) ? QString() : QString::fromStdString(formatLength(mm, document.style()));
                },
                [&document, figure](int) {
                    return workingOf(figure, document.piece(), document.shop(), document.plan(), -1, document.exact());
                }};
    };
    std::vector<FiguresLane::Row> rows{row(tr("station"), FigureId::Station, &Station::z),
                                       row(tr("outside Ø"), FigureId::StationOutside, &Station::outside),
                                       row(tr("inside Ø"), FigureId::StationInside, &Station::inside),
                                       row(tr("wall"), FigureId::StationWall, &Station::wall),
                                       row(tr("parting"), FigureId::Parting, &Station::parting)};
    auto* stations = new FiguresLane(
        document, columns_, tr("Stations: set the caliper"), 5, [rows] { return rows; }, [] { return -1; });
    axes_ = new AxesView(document);
    pages_ = new PageSwitch;
    pages_->add(tr("stations"), stations, false);
    pages_->add(tr("axes"), axes_, false);
    pages_->add(tr("depth"),
                new PlotLane(document, tr("HOW DEEP THE CHOSEN AXIS CUTS BELOW THE ROUND"),
                             [this](const Document& d) { return depthCurve(d, axes_->chosen()); }),
                false);
    pages_->add(tr("mounts"), new MountsView(document));
    pages_->add(tr("index"), new IndexView(document, [this] { return axes_->chosen(); }), false);
    openings_ = new OpeningView(document, [this] { return worked_ ? worked_->chosen() : -1; });
    grid_ = new GridView(document, [this] { return decors_ ? decors_->chosen() : -1; });
    pages_->add(tr("grid"), grid_, false);
    pages_->add(tr("openings"), openings_, false);
    addLane(pages_, 2);
    const int figures = stations->sizeHint().height() + 40;  // with the row of buttons
    const auto shown = [this, figures] {
        // Figures are as high as they are; drawings take what there is.
        pages_->setMaximumHeight(pages_->current() == 0 ? figures : QWIDGETSIZE_MAX);
        settleColumns();
    };
    connect(pages_, &PageSwitch::shown, this, shown);
    shown();

    group(tr("Speed"), "speed");
    figure(FigureId::RoughSpeed, tr("Rough blank"), false)->setLeading(true);
    figure(FigureId::FinishedSpeed, tr("Turned"), false)->setLeading(true);
    auto* care = new QLabel(tr("Start at the lowest speed until the blank runs round, standing out of its line; tool "
                               "rest off before sanding; face shield, dust mask. "
                               "The lathe's manual and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    buildAxes();
    buildCuts();
    buildWorked();
    const auto ofEdge = [](auto& p) -> auto& { return p.edge; };
    group(tr("Holding, and what it is for"), "holding", false);
    const auto held = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::foot, held);
    feet_ = new QLabel;
    feet_->setWordWrap(true);
    feet_->setObjectName("feet");
    feet_->setProperty("role", "quiet");
    addToPanel(feet_);
    choiceRow(&Choices::sides, held);
    choiceRow(&Choices::last, held);
    choiceRow(&Choices::use, held);
    choiceRow(&Edge::kind, ofEdge);
    edgeLength_ = pieceRow(&Edge::length, ofEdge);
    edgeWidth_ = pieceRow(&Edge::width, ofEdge);
    group(tr("Stations"), "stations");
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::stations, choices);
    spacing_ = pieceRow(&Choices::stationSpacing, choices);
    group(tr("The lathe, for every piece"), "lathe", false);
    shopRow(&Lathe::swingRadius);
    shopRow(&Lathe::betweenCenters);
    shopRow(&Shop::swingMargin);
    shopRow(&Lathe::restSwing);
    figure(FigureId::SwingClearance, tr("Clearance over the bed"), false);
    figure(FigureId::RoughWeight, tr("Weight of the blank"), false);
    group(tr("The piece"), "piece");
    figure(FigureId::GreatestDiameter, tr("Greatest diameter"), false);
    figure(FigureId::ThinnestWall, tr("Thinnest wall"), false);
    figure(FigureId::FloorThickness, tr("Floor thickness"), false);
    figure(FigureId::TipAngle, tr("Tips at"), false);
    endPanel();

    refresh();
}

int TurnStage::columnCount() const
{
    return pages_ && pages_->current() > 0 ? 0 : static_cast<int>(doc_.plan().stations.size());
}

void TurnStage::showPage(const QString& name) { pages_->show(name); }

void TurnStage::buildAxes()
{
    group(tr("Other axes"), "axes");
    auto* row_ = new QHBoxLayout;
    which_ = new QComboBox;
    which_->setAccessibleName(tr("Axis"));
    auto* add = new QPushButton(tr("Add"));
    add->setObjectName("add-axis");
    add->setToolTip(tr("Another axis: three sides in the middle of the piece, to begin with"));
    remove_ = new QPushButton(tr("Remove"));
    remove_->setObjectName("remove-axis");
    row_->addWidget(which_, 1);
    row_->addWidget(add);
    row_->addWidget(remove_);
    addToPanel(row_);
    connect(which_, &QComboBox::activated, axes_, &AxesView::choose);
    connect(axes_, &AxesView::axisChosen, this, [this] { refreshAxes(); });
    connect(add, &QPushButton::clicked, this, [this] {
        if (!doc_.apply(tr("add axis"), [](Piece p) { return edit::addAxis(std::move(p)); })) return;
        doc_.whenShown(this, [this] { axes_->choose(static_cast<int>(doc_.piece().axes.size()) - 1); });
        showPage(tr("axes"));
    });
    connect(remove_, &QPushButton::clicked, this, [this] {
        doc_.apply(tr("remove axis"),
                   [this](Piece p) { return edit::removeFrom(std::move(p), &Piece::axes, axes_->chosen()); });
    });
    const Limit station{0, 3000}, radius{0.5, 1000};
    range_ = new QWidget;
    auto* rows = new QVBoxLayout(range_);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(4);
    const auto length = [&](const QString& words, const Limit& limit) {
        auto* field = new LengthField(doc_, words, limit);
        rows->addLayout(named(words, field));
        return field;
    };
    from_ = length(tr("Turned from"), station);
    to_ = length(tr("Turned to"), station);
    radius_ = length(tr("Radius in its middle"), radius);
    addToPanel(range_);
    connect(from_, &LengthField::edited, this, [this](double mm) {
        editAxis(tr("axis"), [mm](OffAxis& a) { edit::stretchAxis(a, mm, a.outside.back().z); });
    });
    connect(to_, &LengthField::edited, this, [this](double mm) {
        editAxis(tr("axis"), [mm](OffAxis& a) { edit::stretchAxis(a, a.outside.front().z, mm); });
    });
    connect(radius_, &LengthField::edited, this,
            [this](double mm) { editAxis(tr("axis"), [mm](OffAxis& a) { edit::setAxisRadius(a, mm); }); });
    form_ = new FieldForm(doc_);
    addToPanel(form_);
    connect(form_, &FieldForm::edited, this,
            [this](const QString& words, const std::string& path, const FieldValue& value) {
                editAxis(words, [&](OffAxis& a) { setField(a, path, value); });
            });
    comes_ = new QLabel;
    comes_->setWordWrap(true);
    comes_->setObjectName("axis-comes-to");
    comes_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    comes_->setProperty("role", "quiet");
    addToPanel(comes_);
}

void TurnStage::buildCuts()
{
    const auto said = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    group(tr("Holes"), "holes", false);
    holes_ = new RecordList(doc_, tr("Hole"), tr("no hole"),
                            listOf(&Piece::holes, [](const Piece& p, const Hole& h) { return nameOf(p, h); }));
    holes_->canAdd(tr("Add a hole"), "add-hole", edit::addHole);
    holes_->canAdd(tr("A rod through the blank"), "add-rod", edit::addRod);
    holes_->saysBelow([this, said](int which) {
        for (const DrilledHole& h : doc_.plan().surfaces.holes) {
            if (static_cast<int>(h.hole) != which || h.solid.profile.empty()) continue;
            return h.through ? tr("%1 of wood along its way; the surface lies %2° off square there.")
                                   .arg(said(h.full))
                                   .arg(h.slopeDeg, 0, 'f', 0)
                             : tr("%1 of wood stay under its point; the surface lies %2° off square.")
                                   .arg(said(h.under))
                                   .arg(h.slopeDeg, 0, 'f', 0);
        }
        return QString();
    });
    addToPanel(holes_);
    group(tr("Sawn to a curve"), "sawn", false);
    sawn_ = new RecordList(doc_, tr("Sawn curve"), tr("nothing sawn"),
                           listOf(&Piece::sawn, [](const Piece& p, const Sawn& s) { return nameOf(p, s); }));
    sawn_->canAdd(tr("Arch the underside"), "add-arch",
                  [](Piece p) { return edit::addSawn(std::move(p), Sawn::Underside); });
    sawn_->canAdd(tr("Sweep the rim"), "add-sweep", [](Piece p) { return edit::addSawn(std::move(p), Sawn::Top); });
    sawn_->canAdd(tr("Wings from the sides"), "add-wings",
                  [](Piece p) { return edit::addSawn(std::move(p), Sawn::Sides); });
    sawn_->canAdd(tr("A bark line as the rim"), "add-bark", [](Piece p) {
        const double height = outlineHeight(p);
        return edit::barkFromHeights(std::move(p), height, 0.75 * height);
    });
    const Limit length = fieldOf(&Node::z).limit;
    const auto part = [this, length](const QString& words, double Node::*member, bool first) {
        sawn_->addLength(
            words, length,
            [member, first](const Piece& p, int i) {
                const Outline& c = p.sawn[static_cast<size_t>(i)].curve;
                return (first ? c.front() : c.back()).*member;
            },
            [member, first](Piece& p, int i, double mm) {
                Sawn& s = p.sawn[static_cast<size_t>(i)];
                Node ends[] = {s.curve.front(), s.curve.back()};
                ends[first ? 0 : 1].*member = mm;
                // A log's own edge stays its circle.
                if (s.when == Sawn::Grown && s.from == Sawn::Top) {
                    p = edit::barkFromHeights(std::move(p), ends[0].r, ends[1].r);
                    return;
                }
                edit::shapeSawn(s, ends[0].r, ends[1].r, std::max(1.0, ends[1].z));
            });
    };
    part(tr("Over the axis"), &Node::r, true);
    part(tr("Where it runs out"), &Node::r, false);
    part(tr("That far from the axis"), &Node::z, false);
    addToPanel(sawn_);
}

void TurnStage::buildWorked()
{
    const auto said = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    group(tr("Worked by index"), "worked", false);
    worked_ = new RecordList(doc_, tr("Worked"), tr("nothing worked by index"),
                             listOf(&Piece::worked, [](const Piece& p, const Worked& w) { return nameOf(p, w); }));
    worked_->canAdd(tr("Flutes"), "add-flutes", [](Piece p) { return edit::addWorked(std::move(p), Worked::Flutes); });
    worked_->canAdd(tr("Facets"), "add-facets", [](Piece p) { return edit::addWorked(std::move(p), Worked::Facets); });
    worked_->canAdd(tr("Legs out of the foot"), "add-legs",
                    [](Piece p) { return edit::addWorked(std::move(p), Worked::Legs); });
    worked_->canAdd(tr("Openings in the wall"), "add-openings", [this](Piece p) {
        showPage(tr("openings"));
        return edit::addWorked(std::move(p), Worked::Openings);
    });
    worked_->saysBelow([this, said](int which) {
        const Worked& w = doc_.piece().worked[static_cast<size_t>(which)];
        const TurnedSurfaces& surfaces = doc_.plan().surfaces;
        if (const auto cut = straightCut(w, surfaces))
            return tr("%1 deep at the most, at %2, where it is %3 wide.")
                .arg(said(cut->deepest), said(cut->at), said(cut->widest));
        if (const auto o = openingOf(w, surfaces))
            return tr("%1 long on the wall; %2 of wood between two of them where they come nearest, at %3.")
                .arg(said(o->length), said(o->narrowest), said(o->narrowestAt));
        if (w.kind != Worked::Legs) return QString();
        const LegRing ring = legRing(doc_.piece(), static_cast<size_t>(which), surfaces);
        return tr("They stand between the radii %1 and %2.").arg(said(ring.inner), said(ring.outer));
    });
    addToPanel(worked_);
    group(tr("Decorated grids"), "decors", false);
    decors_ = new RecordList(doc_, tr("Grid"), tr("no grid"),
                             listOf(&Piece::decors, [](const Piece& p, const Decor& d) { return nameOf(p, d); }));
    decors_->canAdd(tr("Add a grid"), "add-grid", [this](Piece p) {
        showPage(tr("grid"));
        return edit::addDecor(std::move(p));
    });
    addToPanel(decors_);
    buildLetIn();
    group(tr("Flaws found in the blank"), "flaws", false);
    flaws_ = new RecordList(doc_, tr("Flaw"), tr("none found"), listOf(&Piece::flaws, [](const Piece&, const Flaw& f) {
                                return std::string(choicesOf<Flaw::Kind>()[static_cast<size_t>(f.kind)].words);
                            }));
    flaws_->canAdd(tr("Add a flaw"), "add-flaw", edit::addFlaw);
    addToPanel(flaws_);
    group(tr("A leaning base"), "lean", false);
    recordForm([](auto& p) -> auto& { return p.lean; });
}

void TurnStage::buildLetIn()
{
    const auto said = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    group(tr("Let in"), "inlays", false);
    inlays_ = new RecordList(doc_, tr("Inlay"), tr("nothing let in"),
                             listOf(&Piece::inlays, [](const Piece& p, const Inlay& f) { return nameOf(p, f); }));
    inlays_->canAdd(tr("A groove in the rim"), "add-rim-groove",
                    [](Piece p) { return edit::addInlay(std::move(p), Inlay::Rim); });
    inlays_->canAdd(tr("A groove round the wall"), "add-wall-groove",
                    [](Piece p) { return edit::addInlay(std::move(p), Inlay::Wall); });
    inlays_->canAdd(tr("A crack or a void"), "add-crack",
                    [](Piece p) { return edit::addInlay(std::move(p), Inlay::Crack); });
    inlays_->saysBelow([this, said](int which) {
        const Inlay& f = doc_.piece().inlays[static_cast<size_t>(which)];
        const InlayPlace at = placeOf(f, doc_.plan().surfaces);
        if (!at.meetsWood) return tr("It meets no wood.");
        const Filling filling = fillingOf(f, at);
        QString words = tr("%1 of wood stay beside or below it; %2 g of filler, %3 g of glue.")
                            .arg(said(at.left))
                            .arg(filling.filler, 0, 'f', 1)
                            .arg(filling.glue, 0, 'f', 1);
        if (f.kind != Inlay::Crack && f.set != Inlay::None)
            words += tr(" Gap between two pieces %1; a piece is cut to %2.").arg(said(at.gap), said(at.pieceLength));
        return words;
    });
    addToPanel(inlays_);
    group(tr("Bought parts"), "bought", false);
    bought_ = new RecordList(doc_, tr("Part"), tr("nothing bought"),
                             listOf(&Piece::bought, [](const Piece&, const Bought& b) { return nameOf(b); }));
    bought_->canAdd(tr("A part, and the hole for it"), "add-bought",
                    [](Piece p) { return edit::addBought(std::move(p), Bought::Clock); });
    addToPanel(bought_);
}

const OffAxis* TurnStage::axis() const
{
    const int at = axes_->chosen();
    return at >= 0 && at < static_cast<int>(doc_.piece().axes.size()) ? &doc_.piece().axes[static_cast<size_t>(at)]
                                                                      : nullptr;
}

void TurnStage::editAxis(const QString& what, const std::function<void(OffAxis&)>& change)
{
    if (!axis()) return;
    edit(what, [&](Piece& p) { change(p.axes.at(static_cast<size_t>(axes_->chosen()))); });
}

void TurnStage::refreshAxes()
{
    const int count = static_cast<int>(doc_.piece().axes.size());
    if (axes_->chosen() < 0 && count > 0) return axes_->choose(0);  // comes back here
    const QSignalBlocker quiet(which_);
    which_->clear();
    for (int a = 0; a < count; ++a)
        which_->addItem(QString::fromStdString(nameOf(doc_.piece(), static_cast<size_t>(a))));
    if (count == 0) which_->addItem(tr("the true one alone"));
    which_->setCurrentIndex(std::max(0, axes_->chosen()));
    const OffAxis* chosen = axis();
    remove_->setEnabled(chosen);
    for (QWidget* w : {range_, static_cast<QWidget*>(form_), static_cast<QWidget*>(comes_)}) w->setVisible(chosen);
    if (!chosen) return;
    from_->setValue(chosen->outside.front().z);
    to_->setValue(chosen->outside.back().z);
    radius_->setValue(edit::axisRadius(*chosen));
    form_->show(itemsOf(*chosen));
    const auto mm = [this](double v) { return QString::fromStdString(formatLength(v, doc_.style())); };
    QStringList said;
    for (const AxisReport& r : doc_.plan().axes) {
        if (static_cast<int>(r.axis) != axes_->chosen()) continue;
        for (const AxisAt& at : r.at) {
            QStringList flats, bands;
            for (const double f : at.flats) flats << mm(f);
            for (const double b : at.bands) bands << mm(b);
            said << tr("<b>At %1</b>: sides %2 wide, round between them %3; %4 deep; %5 % of a turn is air. Neighbors "
                       "just meet with a radius of %6. An error of 1 mm changes a side here by: at the head’s center "
                       "%9, at the tail’s %10; on an eccentric chuck’s slide %7%8.")
                        .arg(mm(at.z), flats.join(QStringLiteral(" · ")), bands.join(QStringLiteral(" · ")),
                             mm(at.depths.front()))
                        .arg(100 * at.air, 0, 'f', 0)
                        .arg(mm(at.meetRadius), mm(at.perMillimeter),
                             at.perHole > 0 ? tr(", one hole off %1").arg(mm(at.perHole)) : QString(), mm(at.perHead),
                             mm(at.perTail));
        }
        if (r.middleLineLost)
            said << tr("A line drawn round the middle is cut away with the wood: there the caliper tells, not a line.");
    }
    comes_->setText(semibold(said.join(QStringLiteral("<br>"))));
}

/// What each way of holding the foot costs, and leaves.
void TurnStage::refreshFeet()
{
    QStringList said;
    for (const FootChoice& f : footChoices(doc_.piece(), doc_.shop())) {
        const QString name = wordsOf(choicesOf<FootMethod>()[static_cast<size_t>(f.method)]),
                      waste = f.waste > 0 ? tr("%1 of wood lost")
                                                .arg(QString::fromStdString(formatLengthUnit(f.waste, doc_.style())))
                                          : tr("no wood lost");
        said << tr("<b>%1</b>: %2, %3 min of work; %4%5")
                    .arg(name.section(QLatin1Char(','), 0, 0), waste)
                    .arg(f.minutes, 0, 'f', 0)
                    .arg(QString::fromStdString(print(f.leaves, doc_.style())),
                         f.holds ? QString() : tr(". It does not hold here"));
    }
    feet_->setText(semibold(said.join(QStringLiteral("<br>"))));
    feet_->setVisible(!said.isEmpty());
}

void TurnStage::refresh()
{
    refreshRows();
    refreshFeet();
    refreshAxes();
    holes_->refresh();
    sawn_->refresh();
    for (RecordList* list : {worked_, decors_, flaws_, inlays_, bought_}) list->refresh();
    grid_->update();
    spacing_->setEnabled(doc_.piece().choices.stations == StationRule::Even);
    edgeLength_->setEnabled(doc_.piece().edge.kind == Edge::Square);
    edgeWidth_->setEnabled(doc_.piece().edge.kind == Edge::Square);
}

}  // namespace vl::app
