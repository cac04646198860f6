#include "app/stages/turn/turn_stage.h"

#include "app/lanes/figures_lane.h"

#include <QComboBox>

#include <cmath>

namespace vl::app {

TurnStage::TurnStage(Document& document, QWidget* parent) : Stage(document, tr("Turn"), parent)
{
    auto* section = new SectionLane(document, axis_, SectionLane::Handles::Stations, &columns_);
    addLane(section, 1);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);
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
    addLane(new FiguresLane(
                document, columns_, tr("Stations: set the calliper"), 5, [rows] { return rows; }, [] { return -1; }),
            0);

    group(tr("Speed"), "speed");
    figure(FigureId::RoughSpeed, tr("Rough blank"), false)->setLeading(true);
    figure(FigureId::FinishedSpeed, tr("Turned"), false)->setLeading(true);
    auto* care = new QLabel(tr("Start at the lowest speed until the blank runs round, standing out of its line; tool "
                               "rest off before sanding; face shield, dust mask. "
                               "The lathe's manual and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    group(tr("Stations"), "stations");
    const auto choices = [](auto& p) -> auto& { return p.choices; };
    choiceRow(&Choices::stations, choices);
    spacing_ = pieceRow(&Choices::stationSpacing, choices);
    group(tr("The lathe, for every piece"), "lathe", false);
    shopRow(&Shop::swingRadius);
    shopRow(&Shop::betweenCentres);
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

void TurnStage::refresh()
{
    refreshRows();
    spacing_->setEnabled(doc_.piece().choices.stations == StationRule::Even);
}

}  // namespace vl::app
