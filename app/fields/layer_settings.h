#pragma once

#include "app/document/document.h"

#include <QWidget>

namespace vl::app {

/// What the chosen layer's construction has to set at the machines, each number with its working.
class LayerSettings : public QWidget {
    Q_OBJECT
public:
    explicit LayerSettings(Document& document, QWidget* parent = nullptr);
    /// Brings the rows up to date with the chosen layer.
    void refresh();

private:
    Document& doc_;
    QStringList names_;
    int layer_ = -1;
};

}  // namespace vl::app
