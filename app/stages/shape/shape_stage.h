#pragma once

#include "app/stages/stage.h"
#include "core/geometry/drawn_outline.h"

class QCheckBox;
class QComboBox;

namespace vl::app {

class RecordList;

/// Shape: the outline, the wall, and what they come to.
class ShapeStage : public Stage {
    Q_OBJECT
public:
    explicit ShapeStage(Document& document, QWidget* parent = nullptr);
    void enter() override { section_->setFocus(); }

    /// Makes the longest line of a drawing the outside, its layers to fit; false where it cannot be.
    bool takeDrawing(const Drawing& drawing);

signals:
    /// A drawing, or a picture to trace, is to be chosen.
    void drawingWanted();
    void pictureWanted();

private:
    void addNode();
    void addNumbers();
    void addDrawing();
    void addWall();
    void addForms();
    void addSplitAndLid();
    void refresh() override;
    void setDiameter();

    SectionLane* section_;
    LengthField *height_, *station_, *diameter_, *nodeZ_, *nodeD_, *rim_, *base_, *floor_, *round_, *least_, *bore_;
    QComboBox *rule_, *span_, *join_, *drawnAxis_;
    QCheckBox* stands_;
    Group* node_;
    RecordList* forms_;
    FieldForm* split_;
    QLabel* lidSaid_;
};

}  // namespace vl::app
