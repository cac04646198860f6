#pragma once

#include "app/stages/stage.h"

namespace vl::app {

class LayerSettings;

/// Cut: what to set at the saw for each ring, and the strips to make.
class CutStage : public Stage {
    Q_OBJECT
public:
    explicit CutStage(Document& document, QWidget* parent = nullptr);

signals:
    void importWanted();
    void exportWanted();

private:
    void refresh() override;

    QLabel *title_, *how_;
    LayerSettings* settings_;
    FigureRow *offset_, *wedge_;
    LengthField *run_, *gap_;
};

}  // namespace vl::app
