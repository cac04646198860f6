#pragma once

#include "app/document/document.h"

#include <QDialog>

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace vl::app {

class Table;

/// What the shop has learned: put down for the step that is chosen, its wood, construction or machine; it comes back in
/// every plan where it matters.
class LessonsDialog : public QDialog {
    Q_OBJECT
public:
    LessonsDialog(Document& document, QWidget* parent);

private:
    void refresh();
    void add();
    /// The chosen step, or the next that is not done; null where there is none.
    const Step* step() const;

    Document& doc_;
    QLabel* about_;
    QComboBox* subject_;
    QLineEdit* note_;
    QPushButton *add_, *remove_;
    Table* table_;
    std::vector<Lesson> subjects_;
};

/// A subject as it is read: "this kind of step: true-face".
QString wordsOf(const Lesson& lesson);

}  // namespace vl::app
