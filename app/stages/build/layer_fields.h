#pragma once

#include "app/document/document.h"

#include <QWidget>

#include <array>
#include <functional>

class QLabel;
class QPushButton;

namespace vl::app {

class FieldForm;
class LayerSettings;
class LengthField;

/// What the chosen layer's construction asks for, and what it has to set: a form of its own fields, and its settings
/// with their working.
class LayerFields : public QWidget {
    Q_OBJECT
public:
    /// `change` applies a change to every chosen layer, under a name for undo.
    LayerFields(Document& document, std::function<void(const QString&, const std::function<void(Layer&)>&)> change,
                QWidget* parent = nullptr);

    /// Brings the fields up to date with the chosen layer.
    void refresh();

private:
    const Layer& layer() const;
    QWidget* makeOffcuts();
    QWidget* makeWall();
    void refreshOffcuts();
    void refreshWall();
    double usual(const std::string& path) const;

    Document& doc_;
    std::function<void(const QString&, const std::function<void(Layer&)>&)> change_;
    QWidget *offcuts_, *wallRow_;
    FieldForm* form_;
    LengthField* wall_ = nullptr;
    QLabel* offcutsSaid_ = nullptr;
    QPushButton* useOffcuts_ = nullptr;
    LayerSettings* settings_;
    int offcutStrips_ = 8;
    std::array<double, 3> offcut_{30, 400, 27};  ///< mm: sawn width, length, thickness of the strips that are there
};

}  // namespace vl::app
