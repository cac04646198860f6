#pragma once

#include "core/plan/inverse_design.h"

#include <QWidget>

class QLabel;
class QPushButton;

namespace vl::app {

class Document;

/// What the turned surface can show of the chosen layer, and the layers that give it, to be taken with a press.
class LooksPanel : public QWidget {
    Q_OBJECT
public:
    explicit LooksPanel(Document& document, QWidget* parent = nullptr);

private:
    void refresh();

    Document& doc_;
    QLabel* lead_;
    std::array<QPushButton*, 6> looks_{};
    std::vector<InverseDesign> all_;
};

}  // namespace vl::app
