#include "app/stages/cut_stage.h"

#include "app/views/boards_view.h"
#include "app/views/figures_lane.h"
#include "app/views/layer_settings.h"
#include "app/views/page_switch.h"
#include "app/views/rack_form.h"
#include "app/views/ring_view.h"
#include "app/views/setups_view.h"
#include "app/views/strip_view.h"
#include "core/blank/construction.h"

#include <QComboBox>

namespace vl::app {

CutStage::CutStage(Document& document, QWidget* parent) : Stage(document, tr("Cut"), parent)
{
    auto* section = new SectionLane(document, axis_, SectionLane::Handles::None);
    section->setFixedHeight(150);
    addLane(section, 0);
    using Row = FiguresLane::Row;
    auto bare = [&](const QString& name, FigureId id) -> Row { return FiguresLane::layerRow(document, name, id, true); };
    addLane(new FiguresLane(document, axis_, tr("AT THE SAW"), FiguresLane::Columns::Layers,
                            {bare(tr("miter °"), FigureId::Miter), bare(tr("outer edge"), FigureId::OuterEdge), bare(tr("board width"), FigureId::BoardWidth),
                             bare(tr("plane to"), FigureId::PlaneTo), bare(tr("strip"), FigureId::StripLength)}),
            0);
    auto* boards = new BoardsView(document);
    auto* pages = new PageSwitch;
    pages->add(tr("boards"), boards);
    pages->add(tr("strips"), new StripView(document));
    pages->add(tr("set-ups"), new SetupsView(document));
    addLane(pages, 1);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);

    heading(tr("ON THE RACK"));
    auto* rack = new RackForm(document);
    addToPanel(rack);
    connect(rack, &RackForm::importWanted, this, &CutStage::importWanted);
    connect(rack, &RackForm::exportWanted, this, &CutStage::exportWanted);
    connect(rack, &RackForm::markingChanged, boards, &BoardsView::setMarking);
    title_ = heading({});
    auto* segment = new SegmentView(document);
    segment->setFixedHeight(150);
    addToPanel(segment);
    settings_ = new LayerSettings(document);
    addToPanel(settings_);
    school_ = new QComboBox;
    school_->addItems({tr("flip on a miter gauge"), tr("wedge sled with a stop")});
    row(tr("Cut with"), school_);
    connect(school_, &QComboBox::activated, this, [this](int k) { edit(tr("way of cutting"), [k](Piece& p) { p.choices.cutting = static_cast<CutSchool>(k); }); });
    how_ = new QLabel;
    how_->setWordWrap(true);
    how_->setProperty("role", "quiet");
    addToPanel(how_);
    figure(FigureId::Fence, tr("Fence"), true)->setLeading(true);
    figure(FigureId::Miter, tr("Miter, from square"), true)->setLeading(true);
    figure(FigureId::OuterEdge, tr("Stop at, outer edge"), true)->setLeading(true);
    wedge_ = figure(FigureId::Wedge, tr("Wedge between the fences"), true);
    offset_ = figure(FigureId::SledOffset, tr("Sled offset over the run"), true);
    run_ = lengthRow(tr("Run along the fence"), limits::sledRun);
    figure(FigureId::InnerEdge, tr("Inner edge"), true);
    figure(FigureId::BoardWidth, tr("Board width"), true);
    figure(FigureId::PlaneTo, tr("Plane to"), true);
    figure(FigureId::StripLength, tr("Strip, all woods"), true);
    staves_ = new QComboBox;
    staves_->addItems({tr("taper jig, blade tilted"), tr("miter gauge, blade tilted")});
    row(tr("Staves with"), staves_);
    connect(staves_, &QComboBox::activated, this, [this](int k) { edit(tr("way of cutting staves"), [k](Piece& p) { p.choices.staves = static_cast<StaveSchool>(k); }); });

    heading(tr("CLOSING THE RING"));
    auto* trial = new QLabel(tr("Dry-fit this ring with a band. Measure the gap at the outside of the last joint; a gap at the inside counts below 0."));
    trial->setWordWrap(true);
    trial->setProperty("role", "quiet");
    addToPanel(trial);
    gap_ = lengthRow(tr("Gap in the trial ring"), limits::trialGap);
    figure(FigureId::Correction, tr("Add to the miter"), true)->setLeading(true);

    heading(tr("STRIPS"));
    kerf_ = lengthRow(tr("Kerf of the saw"), limits::kerf);
    shopRow(tr("Kerf when ripping"), limits::kerf, &Shop::ripKerf);
    shopRow(tr("Planed off a board, at least"), limits::planing, &Shop::planing);
    shopRow(tr("Shortest strip to hold"), limits::leastPiece, &Shop::leastHold);
    shopRow(tr("Offcuts kept from"), limits::leastPiece, &Shop::leastOffcut);
    waste_ = lengthRow(tr("Waste at a strip's end"), limits::endWaste);
    figure(FigureId::StockVolume, tr("Planed"), false);
    figure(FigureId::Waste, tr("Waste"), false);
    auto* care = new QLabel(tr("Small parts at a saw can be thrown and draw the hand in: hold-downs, a stop that frees the part, the blade at rest before reaching in. "
                               "The machine's manual, local rules and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();

    connect(run_, &LengthField::edited, this, [this](double mm) { edit(tr("sled run"), [mm](Piece& p) { p.choices.sledRun = mm; }); });
    connect(waste_, &LengthField::edited, this, [this](double mm) { edit(tr("end waste"), [mm](Piece& p) { p.choices.endWaste = mm; }); });
    connect(gap_, &LengthField::edited, this, [this](double mm) {
        edit(tr("trial ring"), [&](Piece& p) {
            p.choices.trialRing = mm == 0 ? -1 : doc_.selection().layer;
            p.choices.trialGap = mm;
        });
    });
    connect(kerf_, &LengthField::edited, this, [this](double mm) {
        Shop shop = doc_.shop();
        shop.kerf = mm;
        doc_.setShop(shop);
    });
    refresh();
}

void CutStage::shopRow(const QString& name, const Limit& limit, double Shop::*member)
{
    auto* field = lengthRow(name, limit);
    connect(field, &LengthField::edited, this, [this, member](double mm) {
        Shop shop = doc_.shop();
        shop.*member = mm;
        doc_.setShop(shop);
    });
    shopFields_.emplace_back(field, member);
}

void CutStage::refresh()
{
    for (const auto& [field, member] : shopFields_) field->setValue(doc_.shop().*member);
    staves_->setCurrentIndex(static_cast<int>(doc_.piece().choices.staves));
    const Choices& c = doc_.piece().choices;
    const auto at = static_cast<size_t>(doc_.selection().layer);
    const bool ring = doc_.plan().assembly.layers[at].segmented(), sled = c.cutting == CutSchool::WedgeSled;
    title_->setText(ring ? tr("ONE SEGMENT OF RING %1").arg(at + 1) : tr("LAYER %1, %2").arg(at + 1).arg(QString::fromUtf8(constructionOf(doc_.piece().layers[at].kind).name).toUpper()));
    settings_->refresh();
    school_->setCurrentIndex(static_cast<int>(c.cutting));
    how_->setText(sled ? tr("The two fences stand a wedge apart; the same face stays up, so its figure shows all round. Set each fence with a ruler: the offset over the run.")
                       : tr("Turn the strip over after every cut: each cut ends one segment and begins the next. Mark the face side every time."));
    wedge_->setVisible(sled);
    offset_->setVisible(sled);
    run_->setEnabled(sled);
    run_->setValue(c.sledRun);
    waste_->setValue(c.endWaste);
    kerf_->setValue(doc_.shop().kerf);
    gap_->setEnabled(ring);
    gap_->setValue(c.trialRing == doc_.selection().layer ? c.trialGap : 0);
}

}  // namespace vl::app
