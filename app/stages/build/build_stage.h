#pragma once

#include "app/stages/stage.h"

class QCheckBox;
class QDoubleSpinBox;
class QComboBox;
class QSpinBox;

namespace vl::app {

class FieldForm;
class LayerFields;
class PaintPanel;
class PatternEdit;
class LayerTabs;
class SkinLane;

/// Build: layers under the outline, their stock and their woods.
class BuildStage : public Stage {
    Q_OBJECT
public:
    explicit BuildStage(Document& document, QWidget* parent = nullptr);
    void enter() override { section_->setFocus(); }

signals:
    /// A picture is to be chosen; the panel takes its path.
    void pictureWanted(vl::app::PaintPanel* panel);

protected:
    int columnCount() const override { return static_cast<int>(doc_.plan().assembly.layers.size()); }
    int chosenColumn() const override { return doc_.selection().layer; }

private:
    void refresh() override;
    void makeLanes();
    void makeChosen();
    void makeWoods();
    void makeStock();
    void makeNest();
    void makeDivide();
    void makeAsBuilt();
    void refreshAsBuilt();
    /// Changes every chosen layer.
    void editLayers(const QString& what, const std::function<void(Layer&)>& change);
    /// A row for a length that every layer has.
    LengthField* layerRow(double Layer::*member);

    SectionLane* section_;
    SkinLane* skin_;
    QLabel* title_;
    QComboBox* kind_;
    LengthField *thickness_, *outerAllowance_, *innerAllowance_, *sanding_, *stockOuter_, *stockInner_;
    QCheckBox* byHand_;
    QSpinBox* segments_;
    QDoubleSpinBox* turn_;
    PatternEdit* pattern_;
    LayerFields* form_;
    std::vector<FigureRow*> ringFigures_;  // what only a ring of mitred segments has
    FieldForm* nest_;
    QLabel* nestSaid_;
    std::array<LengthField*, 6> measured_{};  // of a layer, by Measured::What
    QLabel* built_;
    std::array<QPushButton*, 3> ways_{};
};

}  // namespace vl::app
