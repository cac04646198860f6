#include "app/stages/turn_stage.h"

#include "app/views/figures_lane.h"

#include <QComboBox>

namespace vl::app {

TurnStage::TurnStage(Document& document, QWidget* parent) : Stage(document, tr("Turn"), parent)
{
    auto* section = new SectionLane(document, axis_, SectionLane::Handles::Stations);
    addLane(section, 1);
    connect(section, &SectionLane::cautionClicked, this, &Stage::cautionClicked);
    auto column = [&document](const QString& name, FigureId working, double Station::*member) -> FiguresLane::Row {
        return {name, working,
                [&document, member](int i) { return QString::fromStdString(formatLength(document.plan().stations[static_cast<size_t>(i)].*member, document.style())); }};
    };
    addLane(new FiguresLane(document, axis_, tr("STATIONS: SET THE CALLIPER"), FiguresLane::Columns::Stations,
                            {column(tr("station"), FigureId::Station, &Station::z), column(tr("outside Ø"), FigureId::StationOutside, &Station::outside),
                             column(tr("inside Ø"), FigureId::StationInside, &Station::inside), column(tr("wall"), FigureId::StationWall, &Station::wall),
                             column(tr("parting"), FigureId::Parting, &Station::parting)}),
            0);

    heading(tr("SPEED"));
    figure(FigureId::RoughSpeed, tr("Rough blank"), false)->setLeading(true);
    figure(FigureId::FinishedSpeed, tr("Turned"), false)->setLeading(true);
    auto* care = new QLabel(tr("Start at the lowest speed until the blank runs round, standing out of its line; tool rest off before sanding; face shield, dust mask. "
                               "The lathe's manual and hands-on instruction come first."));
    care->setWordWrap(true);
    care->setProperty("role", "quiet");
    addToPanel(care);
    heading(tr("STATIONS"));
    rule_ = new QComboBox;
    rule_->addItems({tr("evenly spaced"), tr("at changes of curve")});
    row(tr("Stations"), rule_);
    spacing_ = lengthRow(tr("Spacing"), limits::spacing);
    heading(tr("THE LATHE"));
    swing_ = lengthRow(tr("Centre to bed"), limits::swing);
    length_ = lengthRow(tr("Between centres"), limits::swing);
    figure(FigureId::SwingClearance, tr("Clearance over the bed"), false);
    figure(FigureId::RoughWeight, tr("Weight of the blank"), false);
    heading(tr("THE PIECE"));
    figure(FigureId::GreatestDiameter, tr("Greatest diameter"), false);
    figure(FigureId::ThinnestWall, tr("Thinnest wall"), false);
    figure(FigureId::FloorThickness, tr("Floor thickness"), false);
    figure(FigureId::TipAngle, tr("Tips at"), false);
    endPanel();

    connect(rule_, &QComboBox::activated, this, [this](int k) { edit(tr("stations"), [k](Piece& p) { p.choices.stations = static_cast<StationRule>(k); }); });
    connect(spacing_, &LengthField::edited, this, [this](double mm) { edit(tr("station spacing"), [mm](Piece& p) { p.choices.stationSpacing = mm; }); });
    auto shop = [this](LengthField* field, double Shop::*member) {
        connect(field, &LengthField::edited, this, [this, member](double mm) {
            Shop s = doc_.shop();
            s.*member = mm;
            doc_.setShop(s);
        });
    };
    shop(swing_, &Shop::swingRadius);
    shop(length_, &Shop::betweenCentres);
    refresh();
}

void TurnStage::refresh()
{
    const Choices& c = doc_.piece().choices;
    rule_->setCurrentIndex(static_cast<int>(c.stations));
    spacing_->setEnabled(c.stations == StationRule::Even);
    spacing_->setValue(c.stationSpacing);
    swing_->setValue(doc_.shop().swingRadius);
    length_->setValue(doc_.shop().betweenCentres);
}

}  // namespace vl::app
