#pragma once

#include "app/stages/stage.h"

class QComboBox;

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
    void shopRow(const QString& name, const Limit& limit, double Shop::*member);
    void refresh() override;

    QLabel *title_, *how_;
    QComboBox *school_, *staves_;
    LayerSettings* settings_;
    std::vector<std::pair<LengthField*, double Shop::*>> shopFields_;
    FigureRow *offset_, *wedge_;
    LengthField *run_, *waste_, *kerf_, *gap_;
};

}  // namespace vl::app
