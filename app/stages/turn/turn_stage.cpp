#include "app/stages/turn/turn_stage.h"

#include "app/lanes/figures_lane.h"

#include <QComboBox>

namespace vl::app {

TurnStage::TurnStage(Document& document, QWidget* parent) : Stage(document, tr("Turn"), parent)
{
    auto* section = new SectionLane(document, axis_, SectionLane::Handles::Stations);
    addLane(section, 1);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);
    auto column = [&document](const QString& name, FigureId working, double Station::*member) -> FiguresLane::Row {
        return {name, working, [&document, member](int i) {
                    return QString::fromStdString(
                        formatLength(document.plan().stations[static_cast<size_t>(i)].*member, document.style()));
                }};
    };
    addLane(new FiguresLane(document, axis_, tr("STATIONS: SET THE CALLIPER"), FiguresLane::Columns::Stations,
                            {column(tr("station"), FigureId::Station, &Station::z),
                             column(tr("outside Ø"), FigureId::StationOutside, &Station::outside),
                             column(tr("inside Ø"), FigureId::StationInside, &Station::inside),
                             column(tr("wall"), FigureId::StationWall, &Station::wall),
                             column(tr("parting"), FigureId::Parting, &Station::parting)}),
            0);

    heading(tr("SPEED"));
    figure(FigureId::RoughSpeed, tr("Rough blank"), false)->setLeading(true);
    figure(FigureId::FinishedSpeed, tr("Turned"), false)->setLeading(true);
    auto* care = new QLabel(tr("Start at the lowest speed until the blank runs round, standing out of its line; tool "
                               "rest off before sanding; face shield, dust mask. "
                               "The lathe's manual and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    heading(tr("STATIONS"));
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::stations, choices);
    spacing_ = pieceRow(&Choices::stationSpacing, choices);
    heading(tr("THE LATHE"));
    shopRow(&Shop::swingRadius);
    shopRow(&Shop::betweenCentres);
    figure(FigureId::SwingClearance, tr("Clearance over the bed"), false);
    figure(FigureId::RoughWeight, tr("Weight of the blank"), false);
    heading(tr("THE PIECE"));
    figure(FigureId::GreatestDiameter, tr("Greatest diameter"), false);
    figure(FigureId::ThinnestWall, tr("Thinnest wall"), false);
    figure(FigureId::FloorThickness, tr("Floor thickness"), false);
    figure(FigureId::TipAngle, tr("Tips at"), false);
    endPanel();

    refresh();
}

void TurnStage::refresh()
{
    refreshRows();
    spacing_->setEnabled(doc_.piece().choices.stations == StationRule::Even);
}

}  // namespace vl::app
