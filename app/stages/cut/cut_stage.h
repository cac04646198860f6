#pragma once

#include "app/stages/stage.h"

namespace vl::app {

class BoardsView;
class LayerSettings;
class PageSwitch;
class ShoppingView;

/// Cut: what to set at the saw for each ring, and the strips to make.
class CutStage : public Stage {
    Q_OBJECT
public:
    explicit CutStage(Document& document, QWidget* parent = nullptr);
    void zoom(double factor) override;

signals:
    void importWanted();
    void exportWanted();

protected:
    int columnCount() const override { return static_cast<int>(doc_.plan().assembly.layers.size()); }
    int chosenColumn() const override { return doc_.selection().layer; }

private:
    void refresh() override;
    void showWhatThereIs();

    BoardsView* boards_;
    PageSwitch* pages_;
    ShoppingView* shopping_;
    bool nothing_ = false;  ///< to cut from
    Group* title_;
    QLabel* how_;
    LayerSettings* settings_;
    FigureRow *offset_, *wedge_;
    LengthField *run_, *gap_;
};

}  // namespace vl::app
