#pragma once

#include "app/stages/stage.h"

namespace vl::app {

/// Turn: stations and calliper settings on the axis, speeds, swing.
class TurnStage : public Stage {
    Q_OBJECT
public:
    explicit TurnStage(Document& document, QWidget* parent = nullptr);

protected:
    int columnCount() const override { return static_cast<int>(doc_.plan().stations.size()); }

private:
    void refresh() override;

    LengthField* spacing_;
};

}  // namespace vl::app
