#pragma once

#include "app/document/document.h"

#include <QWidget>

class QComboBox;
class QLineEdit;
class QProgressBar;
class QPushButton;

namespace vl::app {

class LengthField;

/// The rack beside its drawing: the chosen board's fields, what the plan uses, costs and lacks, and what is done with
/// what is cut.
class RackForm : public QWidget {
    Q_OBJECT
public:
    explicit RackForm(Document& document, QWidget* parent = nullptr);

signals:
    void importWanted();
    void exportWanted();
    void markingChanged(bool on);

private:
    QLabel* addLabel(const char* role = nullptr);
    void addPlan();
    void addBoardFields();
    void followBoardFields();
    void refresh();
    void change(const std::function<void(Board&)>& edit);
    void addBoard();
    void toggleCut();
    void putAway();

    Document& doc_;
    QVBoxLayout* column_;
    QLabel *summary_, *lacks_, *strip_, *boardTitle_;
    QProgressBar* progress_;
    QPushButton *cancel_, *cut_, *away_, *mark_, *remove_;
    QLineEdit* id_;
    QPushButton* wood_;
    LengthField *length_, *width_, *thickness_;
    QLineEdit* price_;
    QWidget* fields_;
};

}  // namespace vl::app
