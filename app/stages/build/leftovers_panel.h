#pragma once

#include "app/document/document.h"

#include <QWidget>

#include <functional>

class QLabel;
class QPushButton;

namespace vl::app {

class LengthsField;

/// Leftover strips of their own widths and lengths: the largest round and square board that they give, and the layer
/// made of them with a press.
class LeftoversPanel : public QWidget {
    Q_OBJECT
public:
    LeftoversPanel(Document& document, std::function<void(const QString&, const std::function<void(Layer&)>&)> change,
                   QWidget* parent = nullptr);

private:
    void refresh();

    Document& doc_;
    std::function<void(const QString&, const std::function<void(Layer&)>&)> change_;
    LengthsField *widths_, *lengths_;
    QLabel* said_;
    QPushButton *round_, *square_;
};

}  // namespace vl::app
