#pragma once

#include "app/document/document.h"
#include "app/fields/field_form.h"

#include <QDialog>

class QLabel;
class QListWidget;
class QPushButton;

namespace vl::app {

class MachineDrawing;

/// The shop's lathes, chuck jaws and turning tools: each drawn with its measures, which can be typed. What is in use
/// stands first in its kind.
class MachinesDialog : public QDialog {
    Q_OBJECT
public:
    MachinesDialog(Document& document, QWidget* parent);
    /// Chooses one by its row.
    void choose(int row);

private:
    enum Kind { OneLathe, OneJaws, OneTool };
    struct Row {
        Kind kind;
        int other;  ///< place in the shop's list; −1: in use
    };
    void refresh();
    void showChosen();
    Row chosen() const;
    /// Changes the shop; what cannot be is said and left.
    void change(const QString& what, const std::function<void(Shop&)>& how);
    void add(Kind kind);

    Document& doc_;
    std::vector<Row> rows_;
    QListWidget* list_;
    MachineDrawing* drawing_;
    FieldForm* form_;
    QPushButton *use_, *remove_;
    QLabel* refused_;
};

}  // namespace vl::app
