#pragma once

#include "app/document/document.h"
#include "core/plan/learning/as_built.h"

#include <QDialog>

class QLabel;
class QListWidget;
class QPushButton;

namespace vl::app {

class FieldForm;
class SideBySide;
class Table;

/// What was measured on the wood, beside what was planned; the ways on from there with their numbers, each beside the
/// piece as it stands, layer by layer; one of them accepted.
class AsBuiltDialog : public QDialog {
    Q_OBJECT
public:
    /// Begins with what is to be measured, or with the chosen layer's height.
    AsBuiltDialog(Document& document, const std::optional<Measured>& what, QWidget* parent);

private:
    QWidget* measuring();
    QWidget* goingOn();
    void refresh();
    void tellMeasured();
    void choose(int row);
    void take();

    Document& doc_;
    Measured measured_;
    std::vector<WayOn> ways_;
    FieldForm* form_;
    QLabel *asked_, *said_;
    Table *all_, *layers_;
    QListWidget* list_;
    SideBySide* sides_;
    QPushButton *put_, *remove_, *take_;
};

}  // namespace vl::app
