#pragma once

#include "app/stages/stage.h"

class QComboBox;

namespace vl::app {

/// Turn: stations and calliper settings on the axis, speeds, swing.
class TurnStage : public Stage {
    Q_OBJECT
public:
    explicit TurnStage(Document& document, QWidget* parent = nullptr);

private:
    void refresh() override;

    QComboBox* rule_;
    LengthField *spacing_, *swing_, *length_;
};

}  // namespace vl::app
