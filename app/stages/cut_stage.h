#pragma once

#include "app/stages/stage.h"

class QComboBox;

namespace vl::app {

/// Cut: what to set at the saw for each ring, and the strips to make.
class CutStage : public Stage {
    Q_OBJECT
public:
    explicit CutStage(Document& document, QWidget* parent = nullptr);

private:
    void refresh() override;

    QLabel *title_, *how_;
    QComboBox* school_;
    FigureRow *offset_, *wedge_;
    LengthField *run_, *waste_, *kerf_, *gap_;
};

}  // namespace vl::app
