#include "app/stages/cut/cut_stage.h"

#include "app/fields/layer_settings.h"
#include "app/lanes/layer_tabs.h"
#include "app/lanes/segment_view.h"
#include "app/stages/cut/boards_view.h"
#include "app/stages/cut/rack_form.h"
#include "app/stages/cut/setups_view.h"
#include "app/stages/cut/shopping_view.h"
#include "app/stages/cut/strip_view.h"
#include "app/stages/page_switch.h"
#include "core/constructions/construction.h"

#include <QComboBox>

namespace vl::app {

CutStage::CutStage(Document& document, QWidget* parent) : Stage(document, tr("Cut"), parent)
{
    boards_ = new BoardsView(document);
    pages_ = new PageSwitch;
    pages_->add(tr("boards"), boards_);
    pages_->add(tr("strips"), new StripView(document));
    pages_->add(tr("set-ups"), new SetupsView(document));
    shopping_ = new ShoppingView(document);
    pages_->add(tr("shopping"), shopping_, false);
    addLane(pages_, 1);
    addLane(new LayerTabs(document, columns_), 0);
    connect(&document, &Document::boardsChanged, this, &CutStage::showWhatThereIs);
    connect(&document, &Document::changed, this, &CutStage::showWhatThereIs);

    group(tr("On the rack"), "rack");
    auto* rack = new RackForm(document);
    addToPanel(rack);
    connect(rack, &RackForm::importWanted, this, &CutStage::importWanted);
    connect(rack, &RackForm::exportWanted, this, &CutStage::exportWanted);
    connect(rack, &RackForm::markingChanged, boards_, &BoardsView::setMarking);
    title_ = group({}, "segment");
    auto* segment = new SegmentView(document);
    segment->setFixedHeight(150);
    addToPanel(segment);
    settings_ = new LayerSettings(document);
    addToPanel(settings_);
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::cutting, choices);
    how_ = new QLabel;
    how_->setWordWrap(true);
    how_->setProperty("role", "quiet");
    addToPanel(how_);
    figure(FigureId::Fence, tr("Fence"), true)->setLeading(true);
    figure(FigureId::Miter, tr("the same cut as a miter, from square"), true)->setLeading(true);
    figure(FigureId::OuterEdge, tr("Stop at, outer edge"), true)->setLeading(true);
    wedge_ = figure(FigureId::Wedge, tr("Wedge between the fences"), true);
    offset_ = figure(FigureId::SledOffset, tr("Sled offset over the run"), true);
    run_ = pieceRow(&Choices::sledRun, choices);
    figure(FigureId::InnerEdge, tr("Inner edge"), true);
    figure(FigureId::BoardWidth, tr("Board width"), true);
    figure(FigureId::PlaneTo, tr("Plane to"), true);
    figure(FigureId::StripLength, tr("Strip, all woods"), true);
    choiceRow(&Choices::staves, choices);

    group(tr("Closing the ring"), "closing", false);
    auto* trial = new QLabel(tr("Dry-fit this ring with a band. Measure the gap at the outside of the last joint; a "
                                "gap at the inside counts below 0."));
    trial->setWordWrap(true);
    trial->setProperty("role", "quiet");
    addToPanel(trial);
    gap_ = lengthRow(wordsOf(fieldOf(&Choices::trialGap)), fieldOf(&Choices::trialGap).limit);
    figure(FigureId::Correction, tr("Add to the miter"), true)->setLeading(true);

    group(tr("Strips"), "strips", false);
    pieceRow(&Choices::endWaste, choices);
    pieceRow(&Choices::setOnceWithin, choices);
    pieceSlider(&Choices::setOnceWithin, choices, 50)
        ->setToolTip(tr("left: the least wood; right: the fewest set-ups"));
    figure(FigureId::StockVolume, tr("Planed"), false);
    figure(FigureId::Waste, tr("Waste"), false);

    group(tr("The saws, for every piece"), "saws", false);
    for (double Shop::*member : {&Shop::kerf, &Shop::ripKerf, &Shop::planing, &Shop::leastHold, &Shop::leastOffcut})
        shopRow(member);
    auto* care = new QLabel(tr("Small parts at a saw can be thrown and draw the hand in: hold-downs, a stop that frees "
                               "the part, the blade at rest before reaching in. "
                               "The machine's manual, local rules and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    endPanel();

    connect(gap_, &LengthField::edited, this, [this](double mm) {
        edit(tr("trial ring"), [&](Piece& p) {
            p.choices.trialRing = mm == 0 ? std::string() : p.layers[static_cast<size_t>(doc_.selection().layer)].id;
            p.choices.trialGap = mm;
        });
    });
    refresh();
}

void CutStage::zoom(double factor) { boards_->zoom(factor); }

/// Where there is nothing to cut from, what is to be bought is what there is to see.
void CutStage::showWhatThereIs()
{
    const bool none = doc_.shop().rack.empty() && shopping_->wanted();
    if (none != nothing_) pages_->show(none ? tr("shopping") : tr("boards"));
    nothing_ = none;
}

void CutStage::refresh()
{
    refreshRows();
    const Choices& c = doc_.piece().choices;
    const auto at = static_cast<size_t>(doc_.selection().layer);
    const Layer& layer = doc_.piece().layers[at];
    const bool ring = doc_.plan().assembly.layers[at].segmented, sled = c.cutting == CutMethod::WedgeSled;
    title_->setTitle(ring ? tr("One segment of ring %1").arg(at + 1)
                          : tr("Layer %1, %2").arg(at + 1).arg(wordsOf(layerKinds()[layer.form.index()])));
    settings_->refresh();
    how_->setText(sled ? tr("The two fences stand a wedge apart; the same face stays up, so its figure shows all "
                            "round. Set each fence with a ruler: the offset over the run.")
                       : tr("Turn the strip over after every cut: each cut ends one segment and begins the next. Mark "
                            "the face side every time."));
    wedge_->setVisible(sled);
    offset_->setVisible(sled);
    run_->setEnabled(sled);
    gap_->setEnabled(ring);
    gap_->setValue(c.trialRing == layer.id ? c.trialGap : 0);
}

}  // namespace vl::app
