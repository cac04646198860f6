#pragma once

#include "app/document/document.h"
#include "core/wood/own_wood.h"

#include <QDialog>

class QLabel;
class QPushButton;

namespace vl::app {

/// Describes a wood of the turner's own; accepted only where it can be.
class WoodDialog : public QDialog {
    Q_OBJECT
public:
    WoodDialog(Document& document, OwnWood wood, QWidget* parent = nullptr);

    const OwnWood& wood() const { return wood_; }
    void accept() override;

private:
    QPushButton* color(const QString& words, std::string OwnWood::*member);

    OwnWood wood_;
    QLabel* refused_;
};

}  // namespace vl::app
