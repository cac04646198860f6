#pragma once

#include "app/document/document.h"
#include "core/plan/learning/mishap.h"

#include <QDialog>

class QLabel;
class QListWidget;
class QPushButton;

namespace vl::app {

class FieldForm;
class SideBySide;

/// What went wrong, as measured; the ways out with their numbers; the piece as drawn and as one of them leaves it, side
/// by side; one of them accepted.
class MishapDialog : public QDialog {
    Q_OBJECT
public:
    MishapDialog(Document& document, QWidget* parent);

private:
    void refresh();
    void choose(int row);
    void accept() override;

    Document& doc_;
    Mishap mishap_;
    std::vector<WayOut> ways_;
    FieldForm* form_;
    QListWidget* list_;
    QLabel *how_, *about_;
    SideBySide* sides_;
    QPushButton* take_;
};

}  // namespace vl::app
