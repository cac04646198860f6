#pragma once

#include "app/stages/stage.h"

class QTableWidget;

namespace vl::app {

class Table;

/// Finish: the surface, its grits and its coats, with what each takes of time and of finish.
class FinishStage : public Stage {
    Q_OBJECT
public:
    explicit FinishStage(Document& document, QWidget* parent = nullptr);

private:
    void refresh() override;

    Table* layers_;
    QLabel *area_, *grits_;
    FieldForm* grit_;
};

}  // namespace vl::app
